using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.Work;

/// <summary>All operations of one commission, each after what it needs.</summary>
internal sealed class CommissionWork(Guid commissionId, IReadOnlyList<FlowerWork> flowers, IReadOnlyList<PasteBlock> blocks, Materials materials)
{
    private readonly List<Operation> operations = [];
    private readonly Dictionary<Guid, string> pasteOf = [];

    /// <summary>What is brushed on, per pot: it is mixed for all of it together.</summary>
    private readonly List<(string PotId, ResolvedCoat Coat, CoatAmount Amount)> potUses = [];

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
                Supports.GaugeOf(work, materials)),
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
        var standing = new List<(PlannedWork Work, ResolvedCoat Coat)>();
        var loose = new Dictionary<Guid, string>();
        foreach (var work in works)
        {
            var coats = work.Plan.Coats.Select(coat => coat.Resolve(materials)).ToList();
            var isBuilt = assembly.Stages.Any(stage => stage.Parts.Any(part => part.PieceId == work.PieceId));
            // What goes on the flower as it stands waits for that, and all that comes after it with it.
            var at = !isBuilt || assembly.Dusting == Dusting.BeforeAssembly ? coats.Count
                : assembly.Dusting == Dusting.AfterAssembly ? 0
                : coats.FindIndex(coat => coat.Stage == CoatStage.Assembled) is var first and >= 0 ? first : coats.Count;
            var last = shaped[work.PieceId];
            foreach (var coat in coats[..at])
                last = AddCoat(flowerId, work, coat, work.Piece.ToMake(work.Parts), [last], isOnStanding: false, lays);
            var compare = OperationId.OfPiece(work.PieceId, StepKeys.Compare);
            Add(new Operation(compare, WorkPhase.Colour, commissionId, new ComparePieces(StepKeys.Compare), [new(flowerId, work.PieceId, work.Piece.ToMake(work.Parts))], [], 0, 1, 0, [last]));
            loose[work.PieceId] = compare;
            standing.AddRange(coats[at..].Select(coat => (work, coat)));
        }

        var stages = new Dictionary<Guid, string>();
        string? top = null;
        foreach (var stage in AssemblyCheck.InOrder(assembly) ?? [])
        {
            var parts = stage.Parts.Where(part => loose.ContainsKey(part.PieceId)).ToList();
            if (parts.Count == 0)
                continue;
            var count = works.First(work => work.PieceId == parts[0].PieceId).Parts;
            top = stages[stage.Id] = OperationId.OfStage(flowerId, stage.Id);
            var onto = stage.Onto is { } stem && stages.TryGetValue(stem, out var below) ? below : null;
            Add(new Operation(
                top, WorkPhase.Build, commissionId,
                new BuildStage(top, stage.Kind, stage.Name, parts, count, onto is null, stage.Joining, stage.Dryness, stage.OneRowAtATime, stage.Pose),
                [.. parts.Select(part => new Lot(flowerId, part.PieceId, part.PerFlower * count))], [], BenchMinutes.SetUpJoining, BenchMinutes.JoinAPiece * parts.Sum(part => part.PerFlower) * count,
                stage.Joining == Joining.Taped ? 0 : SetsMinutes, [.. parts.Select(part => loose[part.PieceId]), .. onto is null ? Array.Empty<string>() : [onto]])
            {
                AlsoUses = stage.Joining is Joining.Glued or Joining.HalfGlued && Glue is { } glue ? [glue] : [],
            });
        }

        var ends = top is null ? [] : new List<string> { top };
        foreach (var piece in standing.GroupBy(one => one.Work.PieceId))
        {
            var last = top!;
            foreach (var (work, coat) in piece)
                last = AddCoat(flowerId, work, coat, work.Piece.Needed(work.Parts), [last], isOnStanding: true, lays);
            ends.Add(last);
        }

        ends.AddRange(loose.Where(piece => !stages.Keys.Any(stage => assembly.Stages.First(one => one.Id == stage).Parts.Any(part => part.PieceId == piece.Key))).Select(piece => piece.Value));
        return ends;
    }

    /// <summary>The first on the shelf that is still bought; null if there is none.</summary>
    private string? Glue => materials.All.OfType<Adhesive>().FirstOrDefault(adhesive => !adhesive.Label.IsRetired)?.Id;

    /// <summary>Glue that holds is dry after a night; taped stands at once. House figure.</summary>
    private const double SetsMinutes = 720;

    /// <returns>The id of its last operation.</returns>
    private string AddCoat(Guid flowerId, PlannedWork work, ResolvedCoat coat, int pieces, IReadOnlyList<string> after, bool isOnStanding, List<Operation> lays)
    {
        var shape = work.Piece.Shape();
        var steps = coat.StepsFor(shape, pieces).ToList();
        var (hand, amount) = (coat.HandMinutesFor(shape, pieces) / steps.Count, coat.AmountFor(shape, pieces));
        var potId = coat.Mix is null ? null : OperationId.OfPot(commissionId, coat.Pass.MixKey);
        if (potId is not null)
            potUses.Add((potId, coat, amount));
        foreach (var step in steps)
        {
            var id = OperationId.OfPiece(work.PieceId, step.Key);
            // A dust by itself is taken as it comes; what is mixed is counted with its pot.
            MaterialTake[] takes = potId is null && coat is ResolvedDust ? [.. amount.Powders.Select(powder => new MaterialTake(powder.MaterialId, powder.Grams / steps.Count))]
                : potId is null ? [.. step.Takes()] : [];
            var lay = new Operation(
                id, isOnStanding ? WorkPhase.Build : WorkPhase.Colour, commissionId, step, [new(flowerId, work.PieceId, pieces)], takes, 0, hand, coat.WaitMinutes / steps.Count, after)
            {
                Coat = coat,
                PotId = potId,
                IsOnStanding = isOnStanding,
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
                ? Pot.OfPaint(uses.Key, coat.Pass.Kind, mix.Parts, liquid, uses.Sum(use => use.Amount.Ml!.Value), mix.GPerMl, uses.All(use => use.Coat.Mix!.IsDab) ? Pot.DabMl : Pot.SmallestMl, coat.Pot, materials.ScaleG)
                : Pot.OfDust(uses.Key, mix.Parts, grams, coat.Pot, materials.ScaleG);
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
        var leaves = works.Sum(one => one.Works.Where(work => work.Piece.Form.Role is PieceRole.Leaf or PieceRole.Berry).Sum(work => work.Piece.Needed(work.Parts)));
        Lot[] lots = [.. flowersOf.Select(one => new Lot(one.FlowerId, null, one.Count))];
        var total = flowersOf.Sum(one => one.Count);
        var (spray, box) = (OperationId.OfCommission(commissionId, "spray"), OperationId.OfCommission(commissionId, "box"));
        Add(new Operation(spray, WorkPhase.Build, commissionId, new MakeSpray(spray, total, buds, leaves), lots, [], BenchMinutes.SetUpJoining, BenchMinutes.GatherAFlower * (total + buds), 0, ends));
        Add(new Operation(box, WorkPhase.Build, commissionId, new BoxUp(box, total), lots, [], 0, BenchMinutes.BoxAFlower * (total + buds), 0, [spray]));
    }

    /// <summary>As dry as its stage asks; but nothing is dusted before it is firm.</summary>
    private static Dryness DrynessFor(PlannedWork work, AssemblyPlan assembly)
    {
        var asked = assembly.Stages.FirstOrDefault(stage => stage.Parts.Any(part => part.PieceId == work.PieceId))?.Dryness ?? Dryness.Firm;
        var isDustedLoose = work.Plan.Coats.Count > 0 && assembly.Dusting != Dusting.AfterAssembly;
        return asked == Dryness.Leathery && isDustedLoose ? Dryness.Firm : asked;
    }

    private AssemblyPlan AssemblyOf(FlowerWork flower, List<PlannedWork> works)
    {
        PieceOfFlower[] pieces = [.. works.Select(work => new PieceOfFlower(work.PieceId, work.Piece, work.Parts))];
        var house = HouseAssembly.For(flower.Paste.FlowerId, pieces);
        // A plan that its pieces have left behind is kept as it is, but not worked by.
        return flower.Assembly is { } own && AssemblyCheck.Problems(own, pieces).Count == 0 ? own : house with { Dusting = flower.Assembly?.Dusting ?? house.Dusting };
    }

    private Guid FlowerOf(Guid pieceId) => flowers.First(flower => flower.Paste.Works.Any(work => work.PieceId == pieceId)).Paste.FlowerId;
}
