using CsCheck;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Marble;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Ombre;
using YoungTinge.Core.Work;
using static YoungTinge.Core.Tests.TestPlans;

namespace YoungTinge.Core.Tests.Work;

/// <summary>
/// Made-up commissions, and every flower of the library: what is needed is made, weighed, taken and bought; nothing is done before what it
/// needs. The rules are written down here once more, from the plans alone.
/// </summary>
public class WorkGraphTests
{
    private static readonly Materials Cabinet = TestData.Cabinet;
    private static readonly string[] Dusts = ["nettle", "duckweed", "wine-lees", "guelder", "scabious", "furze", "peat", "moonmilk"];
    private static readonly PasteRecipe[] Pastes = [TestData.Recipe(), TestData.Recipe(("fen", 0.4), ("gorse", 0.3)), TestData.Recipe(("saffron-thread", 0.3), ("ember", 0.25)), TestData.Recipe(("sloe", 0.6), ("inkcap", 0.004))];

    private static readonly Gen<Coat> Coats = Gen.Select(Gen.Int[0, 12], Gen.Double[0.01, 0.3], Gen.Int[1, 9]).Select((kind, load, parts) => kind switch
    {
        < 8 => (Coat)new DustCoat(Guid.NewGuid(), kind % 2 == 0 ? [new(Dusts[kind], 1)] : [new(Dusts[kind], 1), new("plain-cornstarch", parts)], load, Place.Whole, Sides.Face),
        8 => new WashCoat(Guid.NewGuid(), [new("rowan", 1), new("gorse", parts)], "clear-spirit", load / 20, 0.003, Place.Whole, Sides.Face),
        9 => new SteamCoat(Guid.NewGuid(), 8),
        10 => Glaze() with { Id = Guid.NewGuid() },
        11 => new GlazeCoat(Guid.NewGuid(), "pond-dip", 2, Sides.Both) { Tint = new TintMix([new("nettle", 1)], load) },
        _ => new DustCoat(Guid.NewGuid(), [new("moonmilk", 1)], load, Place.Whole, Sides.Face) { AfterAssembly = true },
    });

    private static readonly Piece[] Pieces = [.. FlowerLibrary.All.SelectMany(flower => flower.Pieces).Select(piece => piece.Piece)];

    private static readonly Gen<PlannedWork> Works = Gen.Select(Gen.Int[0, Pieces.Length - 1], Gen.Int[0, Pastes.Length - 1], Coats.Array[0, 4])
        .Select((piece, paste, coats) => new PlannedWork(Guid.NewGuid(), Pieces[piece], 1, Plan(coats) with { Paste = Pastes[paste] }));

    /// <summary>So many flowers, and so many buds.</summary>
    private static readonly Gen<PlannedWork[]> OfFlower = Gen.Select(Works.Array[1, 4], Gen.Int[0, 12], Gen.Int[0, 6]).Select((works, flowers, buds) =>
        works.Select(work => work with { Parts = work.Piece.PartOf == PartOf.Flower ? flowers : buds }).ToArray());

    private static readonly Gen<FlowerPaste[]> Commissions = Gen.Select(OfFlower.Array[1, 4], Gen.Bool, Gen.Bool).Select((flowers, hasOmbre, hasMarble) =>
    {
        var commission = Guid.NewGuid();
        FlowerPaste[] pastes = [.. flowers.Select(works => new FlowerPaste(Guid.NewGuid(), commission, works, null, null))];
        var first = pastes[0].Works.Where(work => work.Parts > 0 && work.Piece.Body.Kind == BodyKind.Paste).ToList();
        if (hasOmbre && first.Count > 1)
            pastes[0] = pastes[0] with { Ombre = new OmbrePlan(Pastes[2], Pastes[0], null, [1], [new([first[0].PieceId], 60), new([first[1].PieceId], 60)], 0.1, OmbreMethod.SplitStock) };
        if (hasMarble && pastes[^1].Works[0] is { Parts: > 0, Piece.Body.Kind: BodyKind.Paste } last && pastes.Length > 1)
            pastes[^1] = pastes[^1] with { Marble = new MarblePlan([new(Pastes[1], 1), new(Pastes[3], 2)], 1, 4, 0.3, [last.PieceId], 20, 1) };
        return pastes;
    });

    private static FlowerPaste OfLibrary(LibraryFlower flower) => new(
        Guid.NewGuid(), Guid.NewGuid(), [.. flower.Pieces.Select(piece => new PlannedWork(Guid.NewGuid(), piece.Piece, 5, Plan(Dust("nettle"), Steam with { Id = Guid.NewGuid() })))], null, null);

    [Fact]
    public void Paste_that_is_needed_is_made_once_and_weighed() => Commissions.Holds(flowers => PasteIsRight(flowers), turns: 200);

    [Fact]
    public void Every_flower_of_the_library_can_be_worked()
    {
        foreach (var flower in FlowerLibrary.All.Select(OfLibrary))
        {
            PasteIsRight([flower]);
            OrderIsRight([flower]);
        }
    }

    private static void PasteIsRight(FlowerPaste[] flowers)
    {
        var graph = TestWork.Graph(flowers);
        var made = graph.Operations.Where(operation => operation.Block is not null).ToList();
        foreach (var work in flowers.SelectMany(flower => flower.Works))
        {
            var isMade = work.Parts > 0 && work.Piece.Body.Kind != BodyKind.Bought;
            var uses = made.SelectMany(operation => operation.Block!.Uses).Where(use => use.PieceId == work.PieceId).ToList();
            Assert.Equal(isMade ? 1 : 0, uses.Count);
            if (!isMade)
                continue;
            // As many as the flowers have, and the spares; each as heavy as it is, or as the ball that is held against a ruler.
            var pieces = Math.Ceiling(work.Piece.PerPart * work.Parts * (1 + work.Piece.SpareShare) - 1e-9);
            Assert.Equal(pieces, uses[0].Pieces);
            Assert.True(uses[0].Grams >= pieces * uses[0].PieceG && uses[0].Grams >= pieces * uses[0].Ball.LargestG - 1e-6);
        }

        foreach (var operation in made)
        {
            var block = operation.Block!;
            Assert.True(block.TotalG >= block.Uses.Sum(use => use.Grams) - 0.2);
            // Out of the cabinet comes what goes into the paste, white and colours, and what let-downs leave over.
            var bases = block.Mixed.Select(part => part.Recipe.BaseId).ToHashSet();
            var whiteG = operation.Takes.Where(take => bases.Contains(take.MaterialId)).Sum(take => take.Amount);
            var leftOverG = block.Mixed.SelectMany(part => part.Batch.Colours).Sum(colour => colour.LetDown is { } letDown ? letDown.Lumps.Sum(lump => lump.WhiteG) - letDown.BroughtG : 0);
            Assert.Equal(block.Mixed.Sum(part => part.FreshG) + leftOverG, whiteG, 0.01);
            if (block.Kind == BlockKind.Paste)
                Assert.Equal(block.TotalG, block.Mixed[0].WeighG + block.Mixed[0].Batch.BroughtG, 1e-6);
        }
    }

    [Fact]
    public void Nothing_is_done_before_what_it_needs() => Gen.Select(Commissions, Gen.Enum<Dusting>()).Holds((flowers, dusting) => OrderIsRight(flowers, dusting), turns: 200);

    private static void OrderIsRight(FlowerPaste[] flowers, Dusting dusting = Dusting.AsPlanned)
    {
        var graph = TestWork.Graph(flowers, dusting: dusting);
        var at = graph.Operations.Index().ToDictionary(operation => operation.Item.Id, operation => operation.Index);
        Assert.All(graph.Operations, operation => Assert.All(operation.After, before => Assert.True(at[before] < at[operation.Id], $"{before} before {operation.Id}")));
        foreach (var (flower, work) in flowers.SelectMany(flower => flower.Works.Select(work => (flower, work))).Where(one => one.work.Parts > 0))
        {
            var own = graph.Operations.Where(operation => operation.Touches(work.PieceId)).ToList();
            // Steam and glaze may go over several kinds of piece at once: coats are told by what is laid.
            Assert.Equal(
                work.Plan.Coats.Select(coat => coat.Resolve(Cabinet).Pass.MixKey),
                own.Where(operation => operation.Coat is not null).Select(operation => operation.Coat!).DistinctBy(coat => coat.Id).Select(coat => coat.Pass.MixKey));
            var shape = own.FindIndex(operation => operation.Step is ShapePieces);
            Assert.True(shape >= 0 && own.FindIndex(operation => operation.Coat is not null) is var first && (first < 0 || first > shape));
            // What a plan says is for the standing flower waits for its last stage, and touches no spares.
            var stage = graph.Operations.ToList().FindLastIndex(operation => operation.Step is BuildStage && operation.Lots[0].FlowerId == flower.FlowerId);
            foreach (var lay in own.Where(operation => operation.IsOnStanding))
            {
                Assert.True(at[lay.Id] > stage);
                Assert.Equal(work.Piece.PerPart * work.Parts, lay.Lots.Single(lot => lot.PieceId == work.PieceId).Count);
            }

            Assert.All(own.Where(operation => operation.Coat is { Stage: CoatStage.Assembled } && stage >= 0 && own.Any(other => other.Step is BuildStage) && dusting == Dusting.AsPlanned), lay => Assert.True(lay.IsOnStanding));
            if (own.Any(operation => operation.Step is BuildStage))
                Assert.All(own.Where(operation => operation.Coat is not null), lay => Assert.True(dusting == Dusting.AsPlanned || lay.IsOnStanding == (dusting == Dusting.AfterAssembly)));
            // Every petal that stands is put on once.
            Assert.Equal(HouseAssembly.InFlower(work.Piece) ? work.Piece.PerPart * work.Parts : 0, own.Where(operation => operation.Step is BuildStage).Sum(operation => operation.Lots.First(lot => lot.PieceId == work.PieceId).Count));
        }

        Assert.All(flowers.Where(flower => flower.Works.Any(work => work.Parts > 0)), flower => Assert.IsType<BoxUp>(graph.Operations[^1].Step));
    }

    [Fact]
    public void What_sheets_take_is_what_is_needed_and_what_is_bought() => Commissions.Holds(
        flowers =>
        {
            var graph = TestWork.Graph(flowers);
            var onSheets = graph.Operations.SelectMany(operation => operation.AllTakes()).GroupBy(take => take.MaterialId).ToDictionary(group => group.Key, group => group.Sum(take => take.Amount));
            var needs = graph.Needs();
            var bought = Shopping.For(graph.Operations, Cabinet).Where(line => line.MaterialId is not null).GroupBy(line => line.MaterialId!).ToDictionary(group => group.Key, group => group.Sum(line => line.Need));
            Assert.Equal(needs.Keys.Order(), bought.Keys.Order());
            Assert.All(needs, need => Assert.Equal((onSheets[need.Key], need.Value), (need.Value, bought[need.Key])));
        },
        turns: 60);

    /// <summary>Nothing that a maker is told to weigh is less than her scale shows, and every ratio is in whole parts.</summary>
    [Fact]
    public void A_pot_is_measured_by_whole_steps_or_knife_tips() => Gen.Select(Commissions, Gen.Int[0, 3]).Holds(
        (flowers, scale) =>
        {
            var scaleG = new[] { 0.01, 0.1, 0.5, 1 }[scale];
            var cabinet = new Materials(Cabinet.All) { ScaleG = scaleG };
            var graph = TestWork.Graph(flowers, cabinet);
            foreach (var pot in graph.Steps<MixPot>().Select(step => step.Pot))
            {
                Assert.True(pot.LiquidId is null ? pot.PowderG >= Math.Max(Pot.SmallestG, pot.NeededG) - 1e-9 : pot.Ml > 0);
                foreach (var part in pot.Parts)
                {
                    Assert.InRange(part.Parts, 1, 30);
                    var steps = part.Amount.Count / (part.Amount.Unit == HandUnit.Grams ? scaleG : 1);
                    Assert.True(steps >= 1 && Math.Abs(steps - Math.Round(steps)) < 1e-6, $"{part.Amount}");
                    Assert.Equal((double)part.Parts / pot.Parts[0].Parts, part.Amount.Grams / pot.Parts[0].Amount.Grams, 1e-6);
                }

                // Let down it is as strong as the plan says: a drop more or less, and what whole parts make of a ratio.
                if (pot is { LiquidId: not null, Then: { } then })
                    Assert.True(then.Drops >= 1 && then.IntoMl > 0);
            }
        },
        turns: 60);

    [Theory]
    [InlineData(new[] { 1.0, 8 }, new[] { 1, 8 })]
    [InlineData(new[] { 2.0, 5 }, new[] { 2, 5 })]
    [InlineData(new[] { 3.0, 3, 3 }, new[] { 1, 1, 1 })]
    [InlineData(new[] { 0.5, 0.25 }, new[] { 2, 1 })]
    [InlineData(new[] { 2, 0.08, 1 }, new[] { 25, 1, 12 })]
    public void Parts_are_small_whole_numbers(double[] parts, int[] whole)
    {
        var found = WholeParts.Of(parts);
        Assert.True(found.Sum() <= whole.Sum());
        Assert.All(found.Zip(parts), pair => Assert.InRange(pair.First / (double)found[0] / (pair.Second / parts[0]), 0.88, 1.13));
    }

    [Fact]
    public void Ids_outlive_changes_elsewhere()
    {
        var (work, other) = (new PlannedWork(Guid.NewGuid(), Petal, 5, Plan(Dust("nettle"))), new PlannedWork(Guid.NewGuid(), Petal, 5, Plan(Dust("nettle"), Steam) with { Paste = Pastes[3] }));
        var flower = TestWork.Flower(work);
        var alone = TestWork.Graph([flower]).Operations.Select(operation => operation.Id).ToList();
        var together = TestWork.Graph([flower with { Works = [work, other] }]).Operations.Select(operation => operation.Id).ToHashSet();
        Assert.All(alone.Where(id => !id.StartsWith("stage", StringComparison.Ordinal)), id => Assert.Contains(id, together));
    }

    [Fact]
    public void A_dab_is_enough_for_a_painted_detail_and_a_pot_is_mixed_once_for_all()
    {
        WashCoat Freckles() => new(Guid.NewGuid(), [new("rowan", 1)], "clear-spirit", 0.1, 0.003, Place.Whole, Sides.Face) { Marking = new Marking(MarkingKind.Dots, 1, 3, 0.3, 1) };
        PlannedWork[] works = [new(Guid.NewGuid(), Petal, 1, Plan(Freckles())), new(Guid.NewGuid(), Petal with { LengthMm = 20, WidthMm = 18 }, 1, Plan(Freckles()))];
        var pot = Assert.Single(TestWork.Graph([TestWork.Flower(works)]).Steps<MixPot>()).Pot;
        Assert.InRange(pot.Ml!.Value, Pot.DabMl, 0.99);
    }

    [Fact]
    public void Bought_stamens_are_neither_rolled_nor_dried_and_a_core_takes_only_its_skin()
    {
        var stamens = FlowerLibrary.All.SelectMany(flower => flower.Pieces).Select(piece => piece.Piece).First(piece => piece.OutlineId == "stamen");
        var graph = TestWork.Graph([TestWork.Flower(new PlannedWork(Guid.NewGuid(), stamens, 4, Plan(Dust("nettle"))))]);
        Assert.Empty(graph.Steps<MakePaste>());
        Assert.Empty(graph.Steps<DryPieces>());
        Assert.Equal(MaterialKind.Stamens, graph.Operations.SelectMany(operation => operation.Supports).Single().Kind);

        var ball = new Piece("Middle", "round", 24, 24, 24, Solid: true, PartOf.Flower, 1, 0);
        var covered = ball with { Form = ball.Form with { Body = new PieceBody(BodyKind.CoveredCore, 20, 2) } };
        // A shell round a ball of 20 mm, by hand: pi / 6 x (24^3 - 20^3) mm3.
        Assert.Equal(Math.PI / 6 * (24 * 24 * 24 - 20 * 20 * 20) / 1000 * PasteBase.DensityGPerCm3, PasteQuantity.For(covered, 1).PieceG, 1e-9);
        Assert.True(PasteQuantity.For(covered, 1).PieceG < PasteQuantity.For(ball, 1).PieceG / 2);
    }

    [Fact]
    public void A_flower_is_as_fit_for_food_as_the_least_that_is_in_it_glue_counted_in()
    {
        var glue = new Adhesive(new Label("egg-glue", "Egg glue", "liquid", FoodStatus.Edible) { Contains = [Ingredient.Egg] });
        var cabinet = new Materials([.. Cabinet.All.Where(material => material is not Adhesive), glue]);
        var petals = Petal with { PerPart = 12 };
        FoodFacts Food(params Coat[] coats) => FoodFacts.Of(TestWork.Graph([TestWork.Flower(new PlannedWork(Guid.NewGuid(), petals, 3, Plan(coats)))], cabinet).Operations, cabinet);
        Assert.Contains(Ingredient.Egg, Food().Contains);
        var lustre = cabinet.All.OfType<Dust>().First(dust => dust.Label.FoodStatus != FoodStatus.Edible);
        var food = Food(new DustCoat(Guid.NewGuid(), [new(lustre.Id, 1)], 0.05, Place.Whole, Sides.Face));
        Assert.True(food.Status >= lustre.Label.FoodStatus);
        Assert.Contains(lustre.Id, food.NotEdible);
    }

    /// <summary>A cylinder turned is its girth times its height; a ball four great circles.</summary>
    [Fact]
    public void Round_pieces_have_the_surface_that_they_really_have()
    {
        var ball = new PieceShape(OutlineLibrary.Get("round"), 20, 20, solid: true);
        Assert.Equal(Math.PI * 4 / 2, ball.SideCm2, 0.05);
        var tube = OutlineLibrary.All.First(outline => outline.IsTube);
        var shape = new PieceShape(tube, 40, 12);
        Assert.Equal(2 * shape.AreaCm2, shape.SideCm2, 1e-9);
    }
}
