using System.Collections.Concurrent;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Learning;
using YoungTinge.Core.Marble;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Ombre;
using YoungTinge.Core.Work;
using YoungTinge.Store;

namespace YoungTinge.Web.Shared;

/// <summary>What the database holds of the work of a studio, as it stood at one moment.</summary>
/// <param name="Pieces">In order along each stem, with their own plans.</param>
/// <param name="Leftovers">Chosen for a paste.</param>
/// <param name="Ticks">What has been done, by operation.</param>
/// <param name="Drying">As the bench has learned.</param>
/// <param name="Pace">Of hands, as ticks have told.</param>
internal sealed record StudioRows(
    Studio Studio, Materials Materials, IReadOnlyList<Commission> Commissions, IReadOnlyList<Flower> Flowers, IReadOnlyList<PlannedPiece> Pieces,
    IReadOnlyDictionary<Guid, OmbrePlan> Ombres, IReadOnlyDictionary<Guid, MarblePlan> Marbles, IReadOnlyList<Batch> Batches, IReadOnlyList<ChosenLeftover> Leftovers,
    IReadOnlyDictionary<string, Done> Ticks, LearnedFactor Drying, LearnedFactor Pace);

/// <summary>
/// All that the work of a studio is computed from, and what was computed of it: every view reads the same. Each commission is worked out when it is first asked for.
/// </summary>
internal sealed class StudioWork
{
    private readonly StudioRows rows;
    private readonly Dictionary<Guid, Guid> flowerOfPiece;
    private readonly Dictionary<Guid, Flower> flowers;
    private readonly Dictionary<Guid, Commission> commissions;
    private readonly ConcurrentDictionary<Guid, CommissionPart> parts = new();
    private readonly ConcurrentDictionary<Guid, IReadOnlySet<string>> done = new();

    /// <param name="before">As it stood before, with the same cabinet but for what is left in it: what has not changed since is not worked out again.</param>
    public StudioWork(StudioRows rows, StudioWork? before = null)
    {
        this.rows = rows;
        flowerOfPiece = rows.Pieces.ToDictionary(piece => piece.Id, piece => piece.FlowerId);
        flowers = rows.Flowers.ToDictionary(flower => flower.Id);
        commissions = rows.Commissions.ToDictionary(commission => commission.Id);
        if (before is null || !ReferenceEquals(before.rows.Batches, rows.Batches) || !ReferenceEquals(before.rows.Leftovers, rows.Leftovers) || before.Drying.Factor != rows.Drying.Factor || before.Pace.Factor != rows.Pace.Factor)
            return;
        var isSamePlans = ReferenceEquals(before.rows.Commissions, rows.Commissions) && ReferenceEquals(before.rows.Pieces, rows.Pieces) && ReferenceEquals(before.rows.Ombres, rows.Ombres) && ReferenceEquals(before.rows.Marbles, rows.Marbles);
        var (now, then) = isSamePlans ? (null, null) : (Inputs(rows), Inputs(before.rows));
        // What is done of a commission is the same as long as none of its own ticks has changed.
        var moved = rows.Ticks.Keys.Where(id => !before.Ticks.ContainsKey(id)).Concat(before.Ticks.Keys.Where(id => !rows.Ticks.ContainsKey(id)))
            .Select(id => CommissionOf(id)?.Id).ToHashSet();
        foreach (var (id, part) in before.parts.Where(part => isSamePlans || now!.Contains(part.Key) && now[part.Key].SequenceEqual(then![part.Key])))
        {
            parts[id] = part;
            if (!moved.Contains(id) && before.done.TryGetValue(id, out var known))
                done[id] = known;
        }
    }

    public Studio Studio => rows.Studio;

    public Materials Materials => rows.Materials;

    public IReadOnlyList<Commission> Commissions => rows.Commissions;

    public IReadOnlyList<Flower> Flowers => rows.Flowers;

    public IReadOnlyList<Batch> Batches => rows.Batches;

    public IReadOnlyList<ChosenLeftover> Leftovers => rows.Leftovers;

    public IReadOnlyDictionary<string, Done> Ticks => rows.Ticks;

    /// <summary>How long things dry here.</summary>
    public LearnedFactor Drying => rows.Drying;

    /// <summary>How long hands take here.</summary>
    public LearnedFactor Pace => rows.Pace;

    /// <summary>Every piece as it is carried out: on the paste that it is shaped from.</summary>
    public IEnumerable<PlannedPiece> Pieces => Flowers.SelectMany(flower => PiecesOf(flower.Id));

    /// <summary>The pieces of a flower as they are carried out, in order along the stem.</summary>
    public IReadOnlyList<PlannedPiece> PiecesOf(Guid flowerId) => flowers.GetValueOrDefault(flowerId) is { } flower ? [.. PartOf(flower.CommissionId).Pieces[flowerId]] : [];

    /// <summary>Leaves on a stem, which nobody counts as flowers.</summary>
    public bool IsFoliage(Guid flowerId) => Bloom.IsFoliage([.. PiecesOf(flowerId).Select(piece => piece.Piece)]);

    /// <summary>The pieces of a commission as they are carried out, flower by flower.</summary>
    public IEnumerable<PlannedPiece> PiecesIn(Guid commissionId) => Flowers.Where(flower => flower.CommissionId == commissionId).SelectMany(flower => PiecesOf(flower.Id));

    /// <summary>How a flower is put together.</summary>
    public AssemblyPlan AssemblyOf(Guid flowerId) => HouseAssembly.InForce(flowerId, flowers[flowerId].Assembly, [.. PiecesOf(flowerId).Select(piece => new PieceOfFlower(piece.Id, piece.Piece, piece.Parts))]);

    /// <summary>What there is to make the sprays of a commission of.</summary>
    public IReadOnlyList<SprayStock> SprayStockOf(Guid commissionId) => [.. Flowers.Where(flower => flower.CommissionId == commissionId)
        .SelectMany(flower => SprayStock.Of(flower.Id, [.. PiecesOf(flower.Id).Select(piece => new PieceOfFlower(piece.Id, piece.Piece, piece.Parts))]))];

    /// <summary>The flowers of a commission with how their pastes are got.</summary>
    public IReadOnlyList<FlowerPaste> PastesOf(Guid commissionId) => PartOf(commissionId).Pastes;

    /// <summary>Null if there is no such piece.</summary>
    public PlannedPiece? Find(Guid pieceId) => flowerOfPiece.TryGetValue(pieceId, out var flower) ? PiecesOf(flower).FirstOrDefault(piece => piece.Id == pieceId) : null;

    /// <summary>Null if there is no such flower.</summary>
    public (Commission Commission, Flower Flower)? FindFlower(Guid flowerId) =>
        flowers.GetValueOrDefault(flowerId) is { } flower ? (commissions[flower.CommissionId], flower) : null;

    public string? FlowerName(Guid flowerId) => flowers.GetValueOrDefault(flowerId)?.Name;

    public Commission? FindCommission(Guid commissionId) => commissions.GetValueOrDefault(commissionId);

    /// <summary>What is mixed for a commission.</summary>
    public IReadOnlyList<PasteBlock> BlocksOf(Guid commissionId) => PartOf(commissionId).Blocks;

    /// <summary>Everything that is done for a commission.</summary>
    public WorkGraph GraphOf(Guid commissionId) => PartOf(commissionId).Graph;

    /// <summary>A piece as it stands on the stem, with its finished colours.</summary>
    public PieceView Show(PlannedPiece piece) => PartOf(flowers[piece.FlowerId].CommissionId).Shown(piece, Materials);

    /// <summary>By all that goes into or onto the flowers of a commission.</summary>
    public FoodFacts FoodOf(Guid commissionId) => PartOf(commissionId).FoodBy(Materials);

    /// <summary>Null if nothing of that name is to be done.</summary>
    public Operation? FindOperation(string id) => CommissionOf(id) is { } commission ? GraphOf(commission.Id).Find(id) : null;

    /// <summary>That an operation belongs to: its name is made of what it is about, a piece, a flower or a commission. Null if that is gone.</summary>
    private Commission? CommissionOf(string operationId)
    {
        var about = operationId.Split(':').Select(word => Guid.TryParse(word, out var found) ? found : Guid.Empty).FirstOrDefault(found => found != Guid.Empty);
        return commissions.GetValueOrDefault(flowers.GetValueOrDefault(flowerOfPiece.GetValueOrDefault(about, about))?.CommissionId ?? about);
    }

    /// <summary>Ids of what is done of a commission.</summary>
    public IReadOnlySet<string> DoneOf(Guid commissionId) => done.GetOrAdd(commissionId, id => GraphOf(id).Done(Ticks.Keys.ToHashSet()));

    /// <summary>How far some of it is.</summary>
    public Progress ProgressOf(Guid commissionId, IReadOnlyList<Operation> operations) => new(operations.Count(operation => DoneOf(commissionId).Contains(operation.Id)), operations.Count);

    /// <summary>What a batch gives a paste; null if it was never made, or something in it is gone.</summary>
    /// <param name="usedG">That was taken already; null for what is there now.</param>
    public Leftover? LeftoverOf(Batch? batch, double? usedG) => batch?.Made is { } made && Materials.HasAllOf(made.Recipe)
        ? Leftover.Of(batch.Id, new MadeBatch(made.Recipe, usedG ?? made.LeftG, batch.Measured), Materials) with { IsTaken = usedG is not null }
        : null;

    /// <summary>A piece with a plan that is not kept yet. A paste that is planned elsewhere stays; a batch may be chosen in the plan itself.</summary>
    public PlannedPiece With(PlannedPiece piece, PiecePlan plan)
    {
        if (piece.Source is ShadePaste or MarbledPaste)
            return (piece with { Plan = plan }).From(piece.Source);
        return (piece with { Plan = plan, Source = null }).From(plan.BatchId is { } batch ? BatchOf(Batches.FirstOrDefault(one => one.Id == batch), Materials) : null);
    }

    /// <summary>A batch to shape pieces from; null if it was never made, or something in it is gone.</summary>
    internal static BatchPaste? BatchOf(Batch? batch, Materials materials) => batch?.Made is { } made && materials.HasAllOf(made.Recipe)
        ? new BatchPaste(batch.Id, batch.Name, new MadeBatch(made.Recipe, made.Grams, batch.Measured), made.LeftG, materials)
        : null;

    private CommissionPart PartOf(Guid commissionId) => parts.GetOrAdd(commissionId, id => new CommissionPart([.. Flowers.Where(flower => flower.CommissionId == id)], rows, LeftoversOf(id)));

    /// <summary>What was chosen for pastes of a commission, by paste. A tin that was promised to another commission before is promised to none again.</summary>
    private Dictionary<string, Leftover> LeftoversOf(Guid commissionId) => Leftovers.Index()
        .Where(chosen => CommissionOf(chosen.Item.BlockKey)?.Id == commissionId && (chosen.Item.UsedG is not null || !Leftovers.Take(chosen.Index)
            .Any(earlier => earlier.BatchId == chosen.Item.BatchId && earlier.UsedG is null && CommissionOf(earlier.BlockKey) is { } other && other.Id != commissionId)))
        .Select(chosen => (chosen.Item.BlockKey, Left: LeftoverOf(Batches.FirstOrDefault(batch => batch.Id == chosen.Item.BatchId), chosen.Item.UsedG)))
        .Where(chosen => chosen.Left is not null).ToDictionary(chosen => chosen.BlockKey, chosen => chosen.Left!);

    /// <summary>What a commission is worked out of, one thing after the other. A plan that was not written since is the very same one.</summary>
    private static ILookup<Guid, object?> Inputs(StudioRows rows)
    {
        var pieces = rows.Pieces.ToLookup(piece => piece.FlowerId);
        return rows.Flowers.SelectMany(flower => new object?[] { flower with { Assembly = null }, flower.Assembly is null ? null : PlanJson.Write(flower.Assembly), rows.Ombres.GetValueOrDefault(flower.Id), rows.Marbles.GetValueOrDefault(flower.Id) }
                .Concat(pieces[flower.Id].SelectMany(piece => new object?[] { piece.Id, piece.Piece, piece.Parts, new ByReference(piece.Plan), piece.Version, piece.Guests.EatIt, string.Join(',', piece.Guests.Diets) }))
                .Select(input => (flower.CommissionId, input)))
            .Concat(rows.Commissions.Select(commission => (CommissionId: commission.Id, input: (object?)(commission.Spray is null ? null : PlanJson.Write(commission.Spray), commission.Details.RoomHumidityPercent, commission.Details.RoomCelsius))))
            .ToLookup(one => one.CommissionId, one => one.input);
    }

    private sealed class ByReference(object thing)
    {
        private readonly object thing = thing;

        public override bool Equals(object? other) => other is ByReference by && ReferenceEquals(by.thing, thing);

        public override int GetHashCode() => System.Runtime.CompilerServices.RuntimeHelpers.GetHashCode(thing);
    }

    /// <summary>What follows from a commission, worked out when it is asked for.</summary>
    private sealed class CommissionPart
    {
        private readonly Lazy<IReadOnlyList<PasteBlock>> blocks;
        private readonly Lazy<WorkGraph> graph;
        private readonly ConcurrentDictionary<Guid, PieceView> shown = new();
        private FoodFacts? food;

        public CommissionPart(IReadOnlyList<Flower> flowers, StudioRows rows, IReadOnlyDictionary<string, Leftover> leftovers)
        {
            var ids = flowers.Select(flower => flower.Id).ToHashSet();
            var sprays = rows.Commissions.Where(commission => commission.Spray is not null && flowers.Any(flower => flower.CommissionId == commission.Id)).ToDictionary(commission => commission.Id, commission => commission.Spray!);
            var own = rows.Pieces.Where(piece => ids.Contains(piece.FlowerId)).ToList();
            var wanted = own.Select(piece => piece.Plan.BatchId).OfType<Guid>().ToHashSet();
            var made = rows.Batches.Where(batch => wanted.Contains(batch.Id)).Select(batch => BatchOf(batch, rows.Materials)).OfType<BatchPaste>().ToDictionary(batch => batch.BatchId);
            var sources = PasteSources.Of(Of(own), rows.Materials, made);
            var standing = flowers.SelectMany(flower => StandingIn(flower, [.. own.Where(piece => piece.FlowerId == flower.Id)])).ToDictionary();
            Pieces = own.Select(piece => piece.From(sources.GetValueOrDefault(piece.Id)) with { Standing = standing[piece.Id] }).ToLookup(piece => piece.FlowerId);
            Pastes = Of([.. Pieces.SelectMany(group => group)]);
            blocks = new(() => PasteDaySheet.Of(Pastes, rows.Materials, leftovers, rows.Studio.Measuring.LeftoverDeltaE));
            graph = new(() => WorkGraph.Of([.. Pastes.Zip(flowers, (paste, flower) => new FlowerWork(paste, flower.Assembly) { Room = RoomOf(rows.Commissions.First(commission => commission.Id == flower.CommissionId)) with { LearnedFactor = rows.Drying.Factor } })], blocks.Value, rows.Materials, sprays, rows.Pace.Factor));

            IReadOnlyList<FlowerPaste> Of(IReadOnlyList<PlannedPiece> pieces)
            {
                var piecesOf = pieces.ToLookup(piece => piece.FlowerId, piece => piece.Work);
                return [.. flowers.Select(flower => new FlowerPaste(
                    flower.Id, flower.CommissionId, [.. piecesOf[flower.Id]], rows.Ombres.GetValueOrDefault(flower.Id), rows.Marbles.GetValueOrDefault(flower.Id)))];
            }
        }

        private static Room RoomOf(Commission commission) =>
            new(commission.Details.RoomHumidityPercent ?? Room.Usual.HumidityPercent, commission.Details.RoomCelsius ?? Room.Usual.Celsius);

        private static IReadOnlyDictionary<Guid, StandingPiece> StandingIn(Flower flower, IReadOnlyList<PlannedPiece> pieces)
        {
            PieceOfFlower[] all = [.. pieces.Select(piece => new PieceOfFlower(piece.Id, piece.Piece, piece.Parts))];
            return StandingPiece.Of(HouseAssembly.InForce(flower.Id, flower.Assembly, all), all);
        }

        /// <summary>By flower, in order along each stem.</summary>
        public ILookup<Guid, PlannedPiece> Pieces { get; }

        public IReadOnlyList<FlowerPaste> Pastes { get; }

        public IReadOnlyList<PasteBlock> Blocks => blocks.Value;

        public WorkGraph Graph => graph.Value;

        public PieceView Shown(PlannedPiece piece, Materials materials) => shown.GetOrAdd(piece.Id, _ => PieceView.From(piece, materials));

        public FoodFacts FoodBy(Materials materials) => food ??= FoodFacts.Of(Graph.Operations, materials);
    }
}

/// <summary>How much of something is done.</summary>
/// <param name="Steps">All there is to do.</param>
public sealed record Progress(int Done, int Steps);
