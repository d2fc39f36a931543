using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.Work;

/// <summary>All operations of one commission, each after what it needs.</summary>
internal sealed partial class CommissionWork(Guid commissionId, IReadOnlyList<FlowerWork> flowers, IReadOnlyList<PasteBlock> blocks, Materials materials, SprayPlan? ownSpray)
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

        var shaped = works.SelectMany(one => one.Works.Select(work => (work.PieceId, Last: AddShaping(one.Flower, work, DrynessFor(work, AssemblyOf(one.Flower, one.Works)))))).ToDictionary(one => one.PieceId, one => one.Last);
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
    private string AddShaping(FlowerWork flower, PlannedWork work, Dryness until)
    {
        var quantity = PasteQuantity.For(work.Piece, work.Parts);
        Lot[] lots = [new(flower.Paste.FlowerId, work.PieceId, quantity.Pieces)];
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
        if (Drying.MinutesFor(work.Piece, PasteTimesOf(work), until, flower.Room) is not (> 0 and var minutes))
            return shape;
        Add(new Operation(dry, WorkPhase.Shape, commissionId, new DryPieces(StepKeys.Dry, until, minutes / 60, flower.Room.IsTooDamp), lots, [], 0, 0, minutes, [shape])
        {
            HouseWaitMinutes = Drying.MinutesFor(work.Piece, PasteTimesOf(work), until, flower.Room.AsTheHouseSays),
        });
        return dry;
    }

    private double PasteTimesOf(PlannedWork work) => materials.Find(work.Paste.BaseId) is PasteBase paste ? paste.DriesTimes : 1;

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
        Add(new Operation(box, WorkPhase.Build, commissionId, new BoxUp(box, total), lots, [], 0, BenchMinutes.BoxAFlower * (total + buds), 0, [spray])
        {
            Rests = [.. operations.Where(operation => operation.Coat is ResolvedGlaze).Select(glaze => new Rest(glaze.Id, ResolvedGlaze.OvernightMinutes))],
        });
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
