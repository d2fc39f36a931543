using CsCheck;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Work;
using static YoungTinge.Core.Tests.TestPlans;

namespace YoungTinge.Core.Tests.Work;

/// <summary>A day of coats: everything once, in the order of each plan, with few clean brushes.</summary>
public class DustDayTests
{
    private static readonly string[] Dusts = ["nettle", "duckweed", "wine-lees", "guelder", "scabious", "furze", "peat", "moonmilk"];

    private static PlannedWork Work(params Coat[] coats) => new(Guid.NewGuid(), Petal, 4, Plan(coats));

    private static DustDayPlan Day(PlannedWork[] works, Dusting dusting = Dusting.AsPlanned) => DustDayPlan.Of(TestWork.Graph([TestWork.Flower(works)], dusting: dusting));

    private static readonly Gen<Coat> Coats = Gen.Int[0, 11].Select(Gen.Double[0.02, 0.3]).Select((kind, load) => kind switch
    {
        < 8 => (Coat)Dust(Dusts[kind], load),
        8 => new WashCoat(Guid.NewGuid(), [new("rowan", 1)], "clear-spirit", 0.02, 0.003, Place.Whole, Sides.Face),
        9 => new SteamCoat(Guid.NewGuid(), 8),
        10 => Glaze() with { Id = Guid.NewGuid() },
        _ => Dust("wine-lees", load) with { AfterAssembly = true },
    });

    private static readonly Gen<PlannedWork[]> Days = Coats.Array[0, 5].Select(coats => Work(coats)).Array[0, 6];

    [Fact]
    public void Every_coat_is_done_once_and_each_piece_has_its_own_in_their_order() => Days.Holds(works =>
    {
        var day = Day(works);
        Assert.All(works, work => Assert.Equal(Planned(work), Laid(day, work)));
        Assert.Equal(day.Passes.SelectMany(pass => pass.Uses).Sum(use => use.Operations[0].Lots.Count), works.Sum(work => work.Plan.Coats.Count));
    });

    /// <summary>What steam and glaze go over at once counts for each kind of piece, so coats are told by what is laid.</summary>
    private static IEnumerable<string> Planned(PlannedWork work) => work.Plan.Coats.Select(coat => coat.Resolve(TestData.Cabinet).Pass.MixKey);

    private static IEnumerable<string> Laid(DustDayPlan day, PlannedWork work) =>
        day.Passes.SelectMany(pass => pass.Uses).Where(use => use.Operations[0].Touches(work.PieceId)).Select(use => use.Coat.Pass.MixKey);

    [Fact]
    public void Flowers_are_assembled_once_between_what_comes_before_and_after() => Gen.Select(Days, Gen.Enum<Dusting>()).Holds((works, dusting) =>
    {
        var day = Day(works, dusting);
        var passes = day.Passes;
        Assert.Equal(passes.OrderBy(pass => pass.IsOnStanding), passes);
        Assert.True(dusting == Dusting.AsPlanned || passes.All(pass => pass.IsOnStanding == (dusting == Dusting.AfterAssembly)));
        var after = passes.Where(pass => pass.IsOnStanding).SelectMany(pass => pass.Uses).Select(use => use.Coat.Id).ToHashSet();
        if (dusting == Dusting.AsPlanned)
            Assert.All(works.SelectMany(work => work.Plan.Coats).OfType<DustCoat>().Where(dust => dust.AfterAssembly), dust => Assert.Contains(dust.Id, after));
        // Every coat is still there, each piece in its own order.
        Assert.All(works, work => Assert.Equal(Planned(work), Laid(day, work)));
    });

    [Fact]
    public void In_an_assembled_flower_feet_and_backs_are_out_of_reach()
    {
        // Two whorls: the inner one stands over the feet of the outer one, and before its back nothing is free.
        Coat[] Coats() => [Dust("nettle", place: new Place(PlaceKind.Base, 0, 0.1, 0.1)), Dust("wine-lees", sides: Sides.Back), Dust("guelder", place: new Place(PlaceKind.Rim, 0, 1, 4)), Steam];
        var outer = Work(Coats());
        var inner = Work(Coats()) with { Piece = Petal with { LengthMm = 0.8 * Petal.LengthMm } };
        IEnumerable<bool> Reach(PlannedWork work, Dusting dusting) => Day([inner, outer], dusting).Passes.SelectMany(pass => pass.Uses)
            .Where(use => use.Operations[0].Touches(work.PieceId)).Select(use => use.IsOutOfReach);
        Assert.Equal([true, false, false, false], Reach(outer, Dusting.AfterAssembly));
        Assert.Equal([false, true, false, false], Reach(inner, Dusting.AfterAssembly));
        Assert.All(Reach(outer, Dusting.BeforeAssembly).Concat(Reach(inner, Dusting.BeforeAssembly)), Assert.False);
    }

    /// <summary>One spray of the can, one pass through the steam: over all kinds of piece of a flower that stands.</summary>
    [Fact]
    public void Steam_and_glaze_go_over_standing_flowers_not_over_their_pieces()
    {
        PlannedWork[] works = [Work(Dust("nettle"), Steam, Glaze()), Work(Steam, Dust("wine-lees"), Steam with { Id = Guid.NewGuid() }, Glaze())];
        var passes = Day(works, Dusting.AfterAssembly).Passes;
        Assert.Equal([4, 4, 4], passes.Where(pass => pass.Kind is PassKind.Steam or PassKind.Glaze).Select(pass => Assert.Single(pass.Uses).Operations[0].FlowersAtOnce ?? 0));
        var glaze = Assert.IsType<GlazePieces>(passes.Single(pass => pass.Kind == PassKind.Glaze).Uses[0].Operations[0].Step);
        Assert.Equal(4, glaze.Pieces);
        Assert.Equal(2 * Glaze().Resolve(TestData.Cabinet).AmountFor(Petal.Shape(), Petal.Needed(4)).Ml!.Value, glaze.Ml, 1e-9);
    }

    [Fact]
    public void A_pot_holds_what_the_pieces_take_by_themselves() => Days.Holds(
        works =>
        {
            var shape = Petal.Shape();
            var alone = works.SelectMany(work => work.Plan.Coats.OfType<DustCoat>().SelectMany(coat =>
                coat.Resolve(TestData.Cabinet).AmountFor(shape, coat.AfterAssembly || IsAfter(work, coat) ? Petal.Needed(4) : PasteQuantity.For(Petal, 4).Pieces).Powders)).Sum(amount => amount.Grams);
            var pots = TestWork.Graph([TestWork.Flower(works)]).Steps<MixPot>().Select(step => step.Pot).Where(pot => pot.Kind == PassKind.Dust).ToList();
            Assert.Equal(alone, pots.Sum(pot => pot.NeededG), 1e-9);
            Assert.All(pots, pot => Assert.True(pot.PowderG >= pot.NeededG - 1e-9));
        },
        turns: 40);

    private static bool IsAfter(PlannedWork work, Coat coat) => work.Plan.Coats.TakeWhile(other => other.Id != coat.Id).OfType<DustCoat>().Any(dust => dust.AfterAssembly);

    [Fact]
    public void The_same_mix_goes_over_all_pieces_in_one_pass()
    {
        // One to one is two to two.
        var double1 = new DustCoat(Guid.NewGuid(), [new("nettle", 2), new("plain-cornstarch", 2)], 0.3, Place.Whole, Sides.Back);
        var day = Day([Work(Dust("nettle"), Dust("wine-lees")), Work(double1), Work(Dust("nettle", 0.05))]);
        Assert.Equal([3, 1], day.Passes.Select(pass => pass.Uses.Count));
        Assert.Equal(2, day.BrushChanges);
    }

    /// <summary>An independent search: every order of brushes there is.</summary>
    [Fact]
    public void No_order_takes_fewer_brushes() => Gen.Int[0, 3].Array[0, 4].Array[1, 4].Holds(
        brushes =>
        {
            List<List<BrushFamily>> chains = [.. brushes.Select(chain => chain.Select(brush => (BrushFamily)brush).ToList())];
            var order = BrushOrder.For(chains);
            var fewest = Fewest(chains.ConvertAll(chain => chain.Where((one, i) => i == 0 || chain[i - 1] != one).ToList()));
            Assert.Equal((fewest, fewest), (order.Families.Count, order.AtLeast));
            HoldsAll(order, chains);
        },
        turns: 200);

    /// <summary>The same of whole days: steam, glaze and paint between the dusts, and flowers assembled in between.</summary>
    [Fact]
    public void A_day_takes_up_no_brush_more_than_it_must() => Days.Holds(
        works =>
        {
            var day = Day(works);
            Assert.Equal(day.FewestBrushes, day.BrushChanges);
            var loose = works.Select(work => work.Plan.Coats.TakeWhile(coat => coat is not DustCoat { AfterAssembly: true })).ToList();
            var chains = loose.Select(coats => coats.Select(coat => coat.Resolve(TestData.Cabinet).Pass.Family).OfType<BrushFamily>().ToList()).ToList();
            var before = Fewest(chains.ConvertAll(chain => chain.Where((one, i) => i == 0 || chain[i - 1] != one).ToList()));
            Assert.Equal(before, day.Passes.Where(pass => !pass.IsOnStanding).Count(pass => pass.NewBrush));
        },
        turns: 200);

    private static int Fewest(List<List<BrushFamily>> chains)
    {
        if (chains.All(chain => chain.Count == 0))
            return 0;
        return 1 + chains.Where(chain => chain.Count > 0).Select(chain => chain[0]).Distinct()
            .Min(brush => Fewest(chains.ConvertAll(chain => chain.Count > 0 && chain[0] == brush ? chain[1..] : chain)));
    }

    private static void HoldsAll(BrushOrder order, List<List<BrushFamily>> chains) => Assert.All(chains, chain =>
    {
        var at = 0;
        foreach (var brush in order.Families)
        {
            while (at < chain.Count && chain[at] == brush)
                at++;
        }

        Assert.Equal(chain.Count, at);
    });

    [Fact]
    public void Many_long_plans_are_still_put_in_order_and_the_fewest_there_can_be_is_told()
    {
        var chance = new Random(5);
        List<List<BrushFamily>> chains = [.. Enumerable.Range(0, 30).Select(_ => Enumerable.Range(0, 8).Select(_ => (BrushFamily)chance.Next(9)).ToList())];
        var order = BrushOrder.For(chains);
        HoldsAll(order, chains);
        Assert.InRange(order.AtLeast, 9, order.Families.Count);
    }

    [Fact]
    public void What_a_flower_begins_with_is_coloured_first()
    {
        var centre = new Piece("Centre", "round", 12, 12, 12, true, PartOf.Flower, 1, 0);
        PlannedWork[] works = [Work(Dust("nettle")), new(Guid.NewGuid(), centre, 4, Plan(Dust("wine-lees")))];
        Assert.Equal(works[1].PieceId, Day(works).Passes[0].Uses[0].PieceId);
        Assert.Equal(works[1].PieceId, Day([works[1], works[0]]).Passes[0].Uses[0].PieceId);
    }

    [Fact]
    public void A_brown_let_down_with_starch_leaves_brown_in_the_brush()
    {
        BrushFamily? Family(double starch) => new DustCoat(Guid.NewGuid(), [new("peat", 1), new("plain-cornstarch", starch)], 0.1, Place.Whole, Sides.Face).Resolve(TestData.Cabinet).Pass.Family;
        Assert.Equal(Family(0.01), Family(12));
        Assert.Equal(BrushFamily.Yellow, BrushFamilies.Of(new Lab(88, -18, 62)));
    }

    [Fact]
    public void Gates_come_after_what_must_dry()
    {
        var pollen = new PollenCoat(Guid.NewGuid(), "crumb", "glue", 0.5, Place.Whole, Sides.Face);
        var withCrumbs = new Materials(TestData.Cabinet.All.Append(new Crumb(new Label("crumb", "Crumb", "sugar", FoodStatus.Edible), Spectrum.From(_ => 0.5))).Append(new Adhesive(new Label("glue", "Glue", "gum", FoodStatus.Edible))));
        Assert.Equal(0, Dust("nettle").Resolve(TestData.Cabinet).WaitMinutes);
        Assert.True(Glaze(coats: 2).Resolve(TestData.Cabinet) is var glaze && glaze.WaitMinutes > glaze.WaitBetweenMinutes && glaze.WaitBetweenMinutes > 0);
        Assert.True(pollen.Resolve(withCrumbs).WaitMinutes >= 12 * 60);
    }

    [Theory]
    [InlineData("#f4f4f0", BrushFamily.White)]
    [InlineData("#1d1d20", BrushFamily.Dark)]
    [InlineData("#e8d23c", BrushFamily.Yellow)]
    [InlineData("#f08a3c", BrushFamily.Orange)]
    [InlineData("#d8506e", BrushFamily.Pink)]
    [InlineData("#8a5fb4", BrushFamily.Violet)]
    [InlineData("#4f78c8", BrushFamily.Blue)]
    [InlineData("#6f9c4e", BrushFamily.Green)]
    [InlineData("#7a5a3c", BrushFamily.Brown)]
    public void Brushes_are_kept_apart_by_hue(string hex, BrushFamily family) =>
        Assert.Equal(family, BrushFamilies.Of(Srgb.TryParseHex(hex, out var colour) ? Illuminant.D65.LabOf(colour) : default));

    [Fact]
    public void More_pieces_and_more_coats_take_longer()
    {
        var shape = Petal.Shape();
        Assert.True(BenchMinutes.For(new ResolvedPlan(Plan(Dust("nettle"), Steam), TestData.Cabinet), shape, 20) > BenchMinutes.For(new ResolvedPlan(Plan(Dust("nettle")), TestData.Cabinet), shape, 20));
        Assert.True(BenchMinutes.For(new ResolvedPlan(Plan(Dust("nettle")), TestData.Cabinet), shape, 40) > BenchMinutes.For(new ResolvedPlan(Plan(Dust("nettle")), TestData.Cabinet), shape, 20));
        Assert.True(Dust("nettle", sides: Sides.Both).Resolve(TestData.Cabinet).BenchMinutesFor(shape, 10) > Dust("nettle").Resolve(TestData.Cabinet).BenchMinutesFor(shape, 10));
    }
}
