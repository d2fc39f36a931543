using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.Work;

/// <summary>All operations of one commission, each after what it needs.</summary>
internal sealed class CommissionWork(Guid commissionId, IReadOnlyList<FlowerWork> flowers, IReadOnlyList<PasteBlock> blocks, Materials materials, SprayPlan? ownSpray)
{
    private readonly List<Operation> operations = [];
    private readonly Dictionary<Guid, string> pasteOf = [];

    /// <summary>What is brushed on, per pot: it is mixed for all of it together.</summary>
    private readonly List<(string PotId, ResolvedCoat Coat, CoatAmount Amount, double LeastMl)> potUses = [];

    public IReadOnlyList<Operation> Operations()
    {
        var works = flowers.Select(flower => (Flower: flower, Works: flower.Paste.Works.Where(work => work.Parts > 0 && Resolves(work)).ToList())).ToList();
        foreach (var block in blocks.Where(block => block.CommissionId == commissionId))
            AddPaste(block);
        foreach (var (flower, own) in works)
        {
            foreach (var work in own.Where(work => work.Source is BatchPaste))
                AddBatch(flower, work, (BatchPaste)work.Source!);
        }

        var shaped = works.SelectMany(one => one.Works.Select(work => (work.PieceId, Last: AddShaping(one.Flower.Paste.FlowerId, work, DrynessFor(work, AssemblyOf(one.Flower, one.Works)))))).ToDictionary(one => one.PieceId, one => one.Last);
        var lays = new List<Operation>();
        var built = works.ToDictionary(one => one.Flower.Paste.FlowerId, one => AddColourAndBuild(one.Flower, one.Works, shaped, lays));
        AddPots(lays);
        AddTogether(works, built);
        return operations;
    }

    /// <summary>What names something that is gone cannot be done; its page says so.</summary>
    private bool Resolves(PlannedWork work) => work.Plan.Coats.SelectMany(coat => coat.MaterialIds()).All(id => materials.Find(id) is not null);

    private void Add(Operation operation) => operations.Add(operation);

    private void AddPaste(PasteBlock block)
    {
        Lot[] lots = [.. block.Uses.Select(use => new Lot(FlowerOf(use.PieceId), use.PieceId, use.Pieces))];
        var letDowns = new List<string>();
        foreach (var (place, part) in block.Mixed.Index())
        {
            foreach (var colour in part.Batch.Colours.Where(colour => colour.LetDown is not null))
            {
                var id = OperationId.OfLetDown(block.Key, place, colour.ColourantId);
                letDowns.Add(id);
                // What it takes is counted with the paste that it goes into.
                Add(new Operation(id, WorkPhase.Paste, commissionId, new MakeLetDown(id, colour.ColourantId, colour.LetDown!), lots, [], 0, BenchMinutes.KneadAColour, 0, []));
            }
        }

        Add(new Operation(
            block.Key, WorkPhase.Paste, commissionId, new MakePaste(block.Key, block.Kind, block.FlowerIds[0], block.TotalG), lots, [.. block.Takes()],
            BenchMinutes.WeighPaste * Math.Max(1, block.Mixed.Count), block.Mixed.Sum(part => BenchMinutes.KneadAColour * part.Recipe.Doses.Count), 60 * block.RestHours, letDowns)
        {
            Block = block,
        });
        foreach (var use in block.Uses)
            pasteOf[use.PieceId] = block.Key;
    }

    private void AddBatch(FlowerWork flower, PlannedWork work, BatchPaste batch)
    {
        var (id, quantity) = (OperationId.OfPiece(work.PieceId, "batch"), PasteQuantity.For(work.Piece, work.Parts));
        Add(new Operation(
            id, WorkPhase.Paste, commissionId, new TakeBatch(id, batch.BatchId, batch.Name, quantity.BatchG, batch.LeftG),
            [new Lot(flower.Paste.FlowerId, work.PieceId, quantity.Pieces)], [], BenchMinutes.WeighPaste, 0, 0, []));
        pasteOf[work.PieceId] = id;
    }

    /// <returns>The id of what a coat of the piece comes after.</returns>
    private string AddShaping(Guid flowerId, PlannedWork work, Dryness until)
    {
        var quantity = PasteQuantity.For(work.Piece, work.Parts);
        Lot[] lots = [new(flowerId, work.PieceId, quantity.Pieces)];
        var (shape, dry) = (OperationId.OfPiece(work.PieceId, StepKeys.Shape), OperationId.OfPiece(work.PieceId, StepKeys.Dry));
        var each = work.Piece.Body.Kind == BodyKind.Bought ? 0 : work.Piece.Solid ? BenchMinutes.ShapeASolid : BenchMinutes.RollAPiece;
        Add(new Operation(
            shape, WorkPhase.Shape, commissionId,
            new ShapePieces(StepKeys.Shape, quantity.Pieces, quantity.Pieces - work.Piece.Needed(work.Parts), quantity.Ball, quantity.PieceG, work.Piece.Solid ? null : work.Piece.ThicknessMm, work.Piece.Body,
                Supports.GaugeOf(work, materials), work.Piece.Form.Cut, SizingHoles.For(quantity.PieceG, materials.HolesMm)),
            lots, [], each > 0 ? BenchMinutes.SetUpShaping : 0, each * quantity.Pieces * BenchMinutes.SizeOf(work.Piece.Shape()), 0,
            pasteOf.TryGetValue(work.PieceId, out var paste) ? [paste] : [])
        {
            Supports = Supports.Of(work, materials),
        });
        if (Drying.HoursFor(work.Piece, until) is not (> 0 and var hours))
            return shape;
        Add(new Operation(dry, WorkPhase.Shape, commissionId, new DryPieces(StepKeys.Dry, until, hours), lots, [], 0, 0, 60 * hours, [shape]));
        return dry;
    }

    /// <returns>Ids of what the flower's spray comes after.</returns>
    private List<string> AddColourAndBuild(FlowerWork flower, List<PlannedWork> works, Dictionary<Guid, string> shaped, List<Operation> lays)
    {
        var flowerId = flower.Paste.FlowerId;
        var assembly = AssemblyOf(flower, works);
        var stands = StandingPiece.Of(assembly, PiecesOf(works));
        var standing = new List<(Guid StageId, CoatOn On)>();
        var loose = new Dictionary<Guid, string>();
        foreach (var work in works)
        {
            var (stages, reach) = (stands[work.PieceId].StagesOf(work.Plan.Coats), stands[work.PieceId].ReachOf(work.Plan.Coats));
            var last = shaped[work.PieceId];
            foreach (var (i, coat) in work.Plan.Coats.Select(coat => coat.Resolve(materials)).Index())
            {
                if (stages[i] is { } stage)
                    standing.Add((stage, new CoatOn(work, coat, reach[i])));
                else
                    last = AddCoat(flowerId, [new CoatOn(work, coat, null)], [last], rank: null, lays);
            }

            var compare = OperationId.OfPiece(work.PieceId, StepKeys.Compare);
            Add(new Operation(compare, WorkPhase.Colour, commissionId, new ComparePieces(StepKeys.Compare), [new(flowerId, work.PieceId, work.Piece.ToMake(work.Parts))], [], 0, 1, 0, [last]));
            loose[work.PieceId] = compare;
        }

        var ends = AddStages(flowerId, assembly, works, loose, standing, lays);
        var inFlower = assembly.Stages.SelectMany(stage => stage.Parts).Select(part => part.PieceId).ToHashSet();
        var flowersCount = works.Where(work => inFlower.Contains(work.PieceId)).Select(work => work.Parts).DefaultIfEmpty(0).Max();
        if (assembly.GroupOf is > 1 and var each && flowersCount > 0)
            ends = [AddGroups(OperationId.OfFlower(flowerId, "gather"), new Lot(flowerId, null, flowersCount), null, (flowersCount + each - 1) / each, each, flowersCount, ends)];
        foreach (var work in works.Where(work => !inFlower.Contains(work.PieceId)))
        {
            var last = loose[work.PieceId];
            var needed = work.Piece.Needed(work.Parts);
            ends.Add(work.Piece.Form.GatheredBy is > 1 and var together
                ? AddGroups(OperationId.OfPiece(work.PieceId, "gather"), new Lot(flowerId, work.PieceId, needed), work.Piece.Name, work.Piece.Groups(work.Parts), together, needed, [last])
                : last);
        }

        return ends;
    }

    /// <returns>The id of the operation.</returns>
    private string AddGroups(string id, Lot lot, string? pieceName, int groups, int each, int all, IReadOnlyList<string> after)
    {
        Add(new Operation(id, WorkPhase.Build, commissionId, new GatherGroups(id, pieceName, groups, each), [lot], [], BenchMinutes.SetUpJoining, BenchMinutes.JoinAPiece * all, 0, after));
        return id;
    }

    /// <summary>A coat on one kind of piece.</summary>
    /// <param name="Reach">Of the standing flower; null for a loose piece.</param>
    private sealed record CoatOn(PlannedWork Work, ResolvedCoat Coat, Reach? Reach);

    /// <summary>Stage by stage, each followed by the coats that wait for it.</summary>
    /// <returns>Ids of what ends the flower.</returns>
    private List<string> AddStages(
        Guid flowerId, AssemblyPlan assembly, List<PlannedWork> works, Dictionary<Guid, string> loose, List<(Guid StageId, CoatOn On)> standing, List<Operation> lays)
    {
        var endsOf = new Dictionary<Guid, List<string>>();
        var built = new List<string>();
        var rank = 0;
        var stages = (AssemblyCheck.InOrder(assembly) ?? []).Select(stage => (Stage: stage, Parts: stage.Parts.Where(part => loose.ContainsKey(part.PieceId)).ToList())).ToList();
        foreach (var (at, (stage, parts)) in stages.Index())
        {
            // Of a stage that has nothing to put on, the coats go on with the one before.
            if (parts.Count == 0)
                continue;
            var count = works.First(work => work.PieceId == parts[0].PieceId).Parts;
            var id = OperationId.OfStage(flowerId, stage.Id);
            var onto = stage.Onto is { } stem && endsOf.TryGetValue(stem, out var below) ? below : null;
            Add(new Operation(
                id, WorkPhase.Build, commissionId,
                new BuildStage(id, stage.Kind, stage.Name, parts, count, onto is null, stage.Joining, stage.Dryness, stage.OneRowAtATime, stage.Pose),
                [.. parts.Select(part => new Lot(flowerId, part.PieceId, part.PerFlower * count))], [], BenchMinutes.SetUpJoining, BenchMinutes.JoinAPiece * parts.Sum(part => part.PerFlower) * count,
                stage.Joining == Joining.Taped ? 0 : SetsMinutes, [.. parts.Select(part => loose[part.PieceId]), .. onto ?? []])
            {
                AlsoUses = stage.Joining is Joining.Glued or Joining.HalfGlued && Glue is { } glue ? [glue] : [],
                Windows = stage.Dryness == Dryness.Leathery ? [.. parts.SelectMany(part => WindowOf(works.First(work => work.PieceId == part.PieceId)))] : [],
            });
            built.Add(id);
            HashSet<Guid> now = [stage.Id, .. stages.Skip(at + 1).TakeWhile(later => later.Parts.Count == 0).Select(later => later.Stage.Id)];
            var coats = standing.Where(one => now.Contains(one.StageId)).Select(one => one.On).ToList();
            endsOf[stage.Id] = coats.Count > 0 ? AddStandingCoats(flowerId, coats, [.. onto ?? [], .. built], rank++, lays) : [id];
        }

        // What something else goes onto is no end.
        return [.. endsOf.Where(end => !stages.Any(stage => stage.Parts.Count > 0 && stage.Stage.Onto == end.Key)).SelectMany(end => end.Value)];
    }

    /// <summary>What is leathery goes on while it bends; what had to be firm for its dust bends no more, and has no window.</summary>
    private IEnumerable<Window> WindowOf(PlannedWork work) => operations.Where(operation => operation.Step is DryPieces { Until: Dryness.Leathery } && operation.Touches(work.PieceId))
        .Select(dry => new Window(dry.Id, dry.WaitMinutes + Drying.BendsForMinutes(work.Piece)));

    /// <summary>Each kind of piece in the order of its own plan; steam and glaze go over all of them at once where they can.</summary>
    /// <returns>Ids of the last of each kind of piece.</returns>
    private List<string> AddStandingCoats(Guid flowerId, List<CoatOn> coats, IReadOnlyList<string> after, int rank, List<Operation> lays)
    {
        var left = coats.GroupBy(on => on.Work.PieceId).Select(piece => new Queue<CoatOn>(piece)).ToList();
        var last = coats.Select(on => on.Work.PieceId).Distinct().ToDictionary(id => id, _ => after);
        while (left.RemoveAll(queue => queue.Count == 0) >= 0 && left.Count > 0)
        {
            // What somebody still has to come to can wait for her.
            var next = (left.FirstOrDefault(queue => left.All(other => !other.Skip(1).Any(on => IsSame(on, queue.Peek())))) ?? left[0]).Peek();
            var now = left.Where(queue => queue.Peek() == next || IsSame(queue.Peek(), next)).Select(queue => queue.Dequeue()).ToList();
            string[] done = [AddCoat(flowerId, now, [.. now.SelectMany(on => last[on.Work.PieceId]).Distinct()], rank, lays)];
            foreach (var on in now)
                last[on.Work.PieceId] = done;
        }

        return [.. last.Values.SelectMany(ids => ids).Distinct()];

        bool IsSame(CoatOn one, CoatOn other) => one.Coat.Pass.IsOverAll && one.Coat.Pass.MixKey == other.Coat.Pass.MixKey && StepsOf(one, 1).Count == StepsOf(other, 1).Count;
    }

    private static List<RunStep> StepsOf(CoatOn on, int pieces) => [.. on.Coat.StepsFor(on.Work.Piece.Shape(), pieces)];

    /// <summary>The first on the shelf that is still bought; null if there is none.</summary>
    private string? Glue => materials.All.OfType<Adhesive>().FirstOrDefault(adhesive => !adhesive.Label.IsRetired)?.Id;

    /// <summary>Glue that holds is dry after a night; taped stands at once. House figure.</summary>
    private const double SetsMinutes = 720;

    /// <param name="kinds">Of piece, that get it in one go.</param>
    /// <param name="rank">Of the standing flower; null for loose pieces.</param>
    /// <returns>The id of its last operation.</returns>
    private string AddCoat(Guid flowerId, IReadOnlyList<CoatOn> kinds, IReadOnlyList<string> after, int? rank, List<Operation> lays)
    {
        var isStanding = rank is not null;
        var coat = kinds[0].Coat;
        var potId = coat.Mix is null ? null : OperationId.OfPot(commissionId, coat.Pass.MixKey);
        var each = kinds.Select(on => (On: on, Pieces: isStanding ? on.Work.Piece.Needed(on.Work.Parts) : on.Work.Piece.ToMake(on.Work.Parts)))
            .Select(one => (one.On, one.Pieces, Steps: StepsOf(one.On, one.Pieces), Amount: one.On.Coat.AmountFor(one.On.Work.Piece.Shape(), one.Pieces))).ToList();
        if (potId is not null)
            potUses.AddRange(each.Select(one => (potId, one.On.Coat, one.Amount, one.On.Coat.LeastPotMl(one.On.Work.Piece.Shape()))));
        Lot[] lots = [.. each.Select(one => new Lot(flowerId, one.On.Work.PieceId, one.Pieces))];
        var flowersCount = kinds[0].Work.Parts;
        var isOverAll = isStanding && coat.Pass.IsOverAll;
        var hand = isOverAll ? coat.HandMinutesFor(kinds[0].Work.Piece.Shape(), flowersCount) : each.Sum(one => one.On.Coat.HandMinutesFor(one.On.Work.Piece.Shape(), one.Pieces));
        var steps = each[0].Steps;
        foreach (var (i, own) in steps.Index())
        {
            var step = isOverAll ? own.OverFlowers([.. each.Select(one => one.Steps[i])], flowersCount) : own;
            var id = OperationId.OfPiece(kinds[0].Work.PieceId, step.Key);
            // A dust by itself is taken as it comes; what is mixed is counted with its pot.
            MaterialTake[] takes = potId is null && coat is ResolvedDust ? [.. each[0].Amount.Powders.Select(powder => new MaterialTake(powder.MaterialId, powder.Grams / steps.Count))]
                : potId is null ? [.. step.Takes()] : [];
            var lay = new Operation(id, isStanding ? WorkPhase.Build : WorkPhase.Colour, commissionId, step, lots, takes, 0, hand / steps.Count, coat.WaitMinutes / steps.Count, after)
            {
                Coat = coat,
                PotId = potId,
                StandingRank = rank,
                FlowersAtOnce = isOverAll ? flowersCount : null,
                IsOutOfReach = kinds.All(on => on.Reach is { } reach && !reach.Comes(on.Coat.Coat, on.Work.Piece.Shape())),
                AlsoUses = step is StickPollen pollen ? [pollen.AdhesiveId] : [],
            };
            Add(lay);
            lays.Add(lay);
            after = [id];
        }

        return after[0];
    }

    /// <summary>Each pot before the first that takes from it.</summary>
    private void AddPots(List<Operation> lays)
    {
        foreach (var uses in potUses.GroupBy(use => use.PotId))
        {
            var (coat, mix) = (uses.First().Coat, uses.First().Coat.Mix!);
            var grams = uses.Sum(use => use.Amount.Powders.Sum(powder => powder.Grams));
            var pot = mix.LiquidId is { } liquid
                ? Pot.OfPaint(uses.Key, coat.Pass.Kind, mix.Parts, liquid, uses.Sum(use => use.Amount.Ml!.Value), mix.GPerMl, Math.Max(uses.Max(use => use.LeastMl), uses.All(use => use.Coat.Mix!.IsDab) ? Pot.DabMl : Pot.SmallestMl), coat.Pot, materials.ScaleG)
                : Pot.OfDust(uses.Key, coat.Pass.Kind, mix.Parts, grams, coat.Pot, materials.ScaleG);
            Lot[] lots = [.. lays.Where(lay => lay.PotId == uses.Key).SelectMany(lay => lay.Lots).DistinctBy(lot => lot.PieceId)];
            operations.Insert(operations.FindIndex(operation => operation.PotId == uses.Key), new Operation(
                uses.Key, WorkPhase.Colour, commissionId, new MixPot(uses.Key, pot, CautionsOf(pot)), lots, pot.Takes(), coat.SetUpMinutes, 0, 0, []));
        }

        // Whatever is laid from a pot comes after it.
        for (var i = 0; i < operations.Count; i++)
        {
            if (operations[i].PotId is { } pot)
                operations[i] = operations[i] with { After = [.. operations[i].After, pot] };
        }
    }

    private Caution[] CautionsOf(Pot pot) =>
    [
        .. pot.LiquidId is null ? [Caution.DustInTheAir] : new[] { Caution.Gloves, Caution.Fumes },
        .. pot.Parts.Any(part => materials.Find(part.MaterialId)?.Label.FoodStatus != FoodStatus.Edible) ? [Caution.DecorativeOnly] : Array.Empty<Caution>(),
    ];

    private void AddTogether(List<(FlowerWork Flower, List<PlannedWork> Works)> works, Dictionary<Guid, List<string>> built)
    {
        string[] ends = [.. built.Values.SelectMany(ids => ids)];
        if (ends.Length == 0)
            return;
        var flowersOf = works.Select(one => (one.Flower.Paste.FlowerId, Count: one.Works.Where(work => work.Piece.PartOf == PartOf.Flower).Select(work => work.Parts).DefaultIfEmpty(0).Max())).ToList();
        var buds = works.Sum(one => one.Works.Where(work => work.Piece.PartOf == PartOf.Bud).Select(work => work.Parts).DefaultIfEmpty(0).Max());
        Lot[] lots = [.. flowersOf.Select(one => new Lot(one.FlowerId, null, one.Count))];
        var total = flowersOf.Sum(one => one.Count);
        var (spray, box) = (OperationId.OfCommission(commissionId, "spray"), OperationId.OfCommission(commissionId, "box"));
        var plan = HouseSpray.InForce(ownSpray, [.. works.SelectMany(one => SprayStock.Of(one.Flower.Paste.FlowerId, PiecesOf(one.Works)))]);
        var names = works.SelectMany(one => one.Works).ToDictionary(work => work.PieceId, work => work.Piece.Name);
        SprayLine[] lines = [.. plan.Items.Select(item => new SprayLine(item.Part, item.FlowerId, item.PieceId is { } piece ? names[piece] : null, item.Count, item.DistanceMm))];
        Add(new Operation(spray, WorkPhase.Build, commissionId, new MakeSpray(spray, plan.Sprays, lines), lots, [], BenchMinutes.SetUpJoining, BenchMinutes.GatherAFlower * (total + buds), 0, ends));
        Add(new Operation(box, WorkPhase.Build, commissionId, new BoxUp(box, total), lots, [], 0, BenchMinutes.BoxAFlower * (total + buds), 0, [spray]));
    }

    /// <summary>As dry as its stage asks; but nothing is dusted before it is firm.</summary>
    private static Dryness DrynessFor(PlannedWork work, AssemblyPlan assembly)
    {
        var asked = assembly.Stages.FirstOrDefault(stage => stage.Parts.Any(part => part.PieceId == work.PieceId))?.Dryness ?? Dryness.Firm;
        var isDustedLoose = work.Plan.Coats.Count > 0 && assembly.Dusting != Dusting.AfterAssembly;
        return asked == Dryness.Leathery && isDustedLoose ? Dryness.Firm : asked;
    }

    private static AssemblyPlan AssemblyOf(FlowerWork flower, List<PlannedWork> works) => HouseAssembly.InForce(flower.Paste.FlowerId, flower.Assembly, PiecesOf(works));

    private static IReadOnlyList<PieceOfFlower> PiecesOf(List<PlannedWork> works) => [.. works.Select(work => new PieceOfFlower(work.PieceId, work.Piece, work.Parts))];

    private Guid FlowerOf(Guid pieceId) => flowers.First(flower => flower.Paste.Works.Any(work => work.PieceId == pieceId)).Paste.FlowerId;
}
