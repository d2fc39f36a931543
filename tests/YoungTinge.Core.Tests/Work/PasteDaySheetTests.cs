using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Marble;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Ombre;
using YoungTinge.Core.Work;

namespace YoungTinge.Core.Tests.Work;

public class PasteDaySheetTests
{
    private static readonly Guid Commission = Guid.NewGuid();

    private static PlannedWork Work(PasteRecipe paste, int parts = 5) => new(Guid.NewGuid(), TestPlans.Petal, parts, TestPlans.Plan() with { Paste = paste });

    private static FlowerPaste Flower(params PlannedWork[] works) => new(Guid.NewGuid(), Commission, works, null, null);

    private static readonly PasteRecipe Green = TestData.Recipe(("fen", 0.4), ("gorse", 0.3));
    private static readonly PasteRecipe PaleGreen = TestData.Recipe(("fen", 0.05), ("gorse", 0.04));
    private static readonly PasteRecipe Apricot = TestData.Recipe(("saffron-thread", 0.3), ("ember", 0.25));
    private static readonly PasteRecipe Plum = TestData.Recipe(("sloe", 0.6), ("ragged-robin", 0.5));

    [Fact]
    public void Each_paste_is_mixed_once_for_all_that_is_made_from_it()
    {
        PlannedWork[] works = [Work(Green), Work(Apricot), Work(Green with { Doses = [.. Green.Doses.Reverse()] })];
        var blocks = PasteDaySheet.Of([Flower(works[0], works[1]), Flower(works[2])], TestData.Cabinet);
        Assert.Equal(2, blocks.Count);
        var green = blocks.Single(block => block.Uses.Count == 2);
        Assert.Equal(2 * PasteQuantity.For(TestPlans.Petal, 5).BatchG, green.TotalG);
        Assert.Equal(2, green.FlowerIds.Count);
    }

    [Fact]
    public void Pale_comes_before_deep_within_a_hue_and_a_hue_is_left_only_once()
    {
        var blocks = PasteDaySheet.Of([Flower(Work(Plum), Work(Green), Work(TestData.Recipe()), Work(Apricot), Work(PaleGreen))], TestData.Cabinet);
        var families = blocks.Select(block => PasteDaySheet.FamilyOf(block.Colour)).ToList();
        Assert.Equal(families.Order(), families);
        Assert.Equal(0, families[0]);
        foreach (var family in blocks.GroupBy(block => PasteDaySheet.FamilyOf(block.Colour)))
            Assert.Equal(family.Select(block => block.Colour.L).OrderDescending(), family.Select(block => block.Colour.L));
    }

    [Fact]
    public void Every_piece_gets_its_paste_exactly_once()
    {
        PlannedWork[] works = [Work(Apricot), Work(Apricot), Work(Plum), Work(Green), Work(PaleGreen, parts: 0)];
        var ombre = new OmbrePlan(Apricot, TestData.Recipe(), null, [1], [new([works[0].PieceId], 0), new([works[1].PieceId], 0)], 0.1, OmbreMethod.SplitStock);
        var marble = new MarblePlan([new(Plum, 1), new(TestData.Recipe(), 2)], 1, 4, 0.3, [works[2].PieceId], 0, 1);
        var blocks = PasteDaySheet.Of([Flower(works) with { Ombre = ombre, Marble = marble }], TestData.Cabinet);
        Assert.Equal(works.Take(4).Select(work => work.PieceId).Order(), blocks.SelectMany(block => block.Uses.Select(use => use.PieceId)).Order());
        Assert.Equal(Enum.GetValues<BlockKind>(), blocks.Select(block => block.Kind).Order());
        var marbled = blocks.Single(block => block.Kind == BlockKind.Marble);
        Assert.Equal(marbled.TotalG, marbled.Mixed.Sum(part => part.FreshG), 1e-9);
        Assert.Equal(2, marbled.Mixed[1].FreshG / marbled.Mixed[0].FreshG, 1e-9);
        Assert.All(blocks, block => Assert.True(block.TotalG >= block.Uses.Sum(use => use.Grams) - 0.2));
    }

    [Fact]
    public void Pieces_of_a_run_that_cannot_be_made_are_mixed_by_their_own_plans()
    {
        PlannedWork[] works = [Work(Green), Work(Apricot)];
        var gone = new OmbrePlan(
            TestData.Recipe(("gone", 1)), TestData.Recipe(), null, [1], [new([works[0].PieceId], 0), new([works[1].PieceId], 0)], 0.1, OmbreMethod.CutBack);
        var marble = new MarblePlan([new(TestData.Recipe(("gone", 1)), 1), new(Plum, 1)], 1, 4, 0, [works[1].PieceId], 0, 1);
        var blocks = PasteDaySheet.Of([Flower(works) with { Ombre = gone, Marble = marble }], TestData.Cabinet);
        Assert.All(blocks, block => Assert.Equal(BlockKind.Paste, block.Kind));
        Assert.Equal(works.Select(work => work.PieceId).Order(), blocks.SelectMany(block => block.Uses.Select(use => use.PieceId)).Order());
    }

    [Fact]
    public void A_commission_is_mixed_by_itself_even_if_another_has_the_same_paste()
    {
        var other = Flower(Work(Green)) with { CommissionId = Guid.NewGuid() };
        var blocks = PasteDaySheet.Of([Flower(Work(Green)), other], TestData.Cabinet);
        Assert.Equal(2, blocks.Select(block => block.CommissionId).Distinct().Count());
        Assert.Empty(PasteDaySheet.Of([], TestData.Cabinet));
    }

    [Fact]
    public void Plans_name_each_of_their_pieces_with_its_field()
    {
        Guid[] pieces = [Guid.NewGuid(), Guid.NewGuid(), Guid.NewGuid()];
        IPastePlan ombre = new OmbrePlan(Apricot, Plum, null, [1], [new([pieces[0]], 0), new([pieces[1], pieces[2]], 0)], 0.1, OmbreMethod.CutBack);
        Assert.Equal([("uses[0].pieceIds", pieces[0]), ("uses[1].pieceIds", pieces[1]), ("uses[1].pieceIds", pieces[2])], ombre.NamedPieces());
        IPastePlan marble = new MarblePlan([new(Plum, 1), new(Apricot, 1)], 1, 4, 0, [pieces[2]], 0, 1);
        Assert.Equal([("pieceIds", pieces[2])], marble.NamedPieces());
    }

    [Fact]
    public void Rest_is_as_long_as_the_slowest_colour_and_none_for_plain_paste()
    {
        var blocks = PasteDaySheet.Of([Flower(Work(TestData.Recipe()), Work(Plum))], TestData.Cabinet);
        Assert.Equal(0, blocks[0].RestHours);
        Assert.Equal(Plum.Doses.Max(dose => TestData.Cabinet.Get<Colourant>(dose.ColourantId).Development.HoursUntil(0.97)), blocks[1].RestHours, 1e-9);
    }

    [Fact]
    public void The_shopping_list_adds_up_every_paste_and_every_coat_once()
    {
        PlannedWork[] works = [Work(Green), Work(Apricot), Work(Apricot)];
        var dusted = works[0] with { Plan = TestPlans.Plan(TestPlans.Dust("nettle"), TestPlans.Glaze()) with { Paste = Green } };
        var ombre = new OmbrePlan(Apricot, TestData.Recipe(), null, [1], [new([works[1].PieceId], 0), new([works[2].PieceId], 0)], 0.1, OmbreMethod.CutBack);
        FlowerPaste[] flowers = [Flower(dusted, works[1], works[2]) with { Ombre = ombre }];
        var blocks = PasteDaySheet.Of(flowers, TestData.Cabinet);
        var lines = Shopping.For(TestWork.Graph(flowers).Operations, TestData.Cabinet).Where(line => line.Gauge is null && line.MaterialId is not null).ToDictionary(line => line.MaterialId!);
        Assert.Equal(blocks.Sum(block => block.TotalG), lines[TestData.White].Need, 0.5);
        var alone = TestWork.Graph([Flower(dusted)]).Needs();
        Assert.Equal(alone["nettle"], lines["nettle"].Need, 1e-9);
        Assert.Equal(alone["satin-veil"], lines["satin-veil"].Need, 1e-9);
        // By hand: the deep paste of the run, with its colours in whole touches.
        Assert.Equal(0.3 * startG() / 100, lines["saffron-thread"].Need, 0.02);
        double startG() => blocks.Single(block => block.Kind == BlockKind.Ombre).Way!.Steps[0].Grams;
        Assert.Equal((Measure.Grams, Measure.Millilitres), (lines["nettle"].Measure, lines["satin-veil"].Measure));
    }

    [Theory]
    // Nothing is known of what is left: nothing is said of what to buy.
    [InlineData(null, 5.0, 10.0, null, null, null)]
    // Enough.
    [InlineData(12.0, 5.0, 10.0, 0.0, 0, 0.0)]
    // Whole packs are bought and paid.
    [InlineData(3.0, 5.0, 10.0, 7.0, 2, 20.0)]
    [InlineData(0.0, 5.0, 10.0, 10.0, 2, 20.0)]
    // Without a pack size, what is missing.
    [InlineData(3.0, null, 10.0, 7.0, null, 14.0)]
    public void What_is_bought_is_what_is_missing_in_whole_packs(double? stock, double? pack, double need, double? missing, int? packs, double? cost)
    {
        var dust = TestData.Cabinet.Get<Dust>("nettle") with { Supply = new Supply(stock, 2) { PackSize = pack } };
        Assert.Equal(new ShoppingLine("nettle", MaterialKind.Dust, null, Measure.Grams, need, stock, missing, packs, cost), ShoppingLine.For(dust, need));
        var glaze = TestData.Cabinet.Get<Glaze>("satin-veil") with { Supply = new Supply(null, null) { StockMl = stock, PricePerMl = 2, PackSize = pack } };
        Assert.Equal(new ShoppingLine("satin-veil", MaterialKind.Glaze, null, Measure.Millilitres, need, stock, missing, packs, cost), ShoppingLine.For(glaze, need));
    }

    [Fact]
    public void A_block_that_was_made_is_batches_of_what_its_pieces_take()
    {
        PlannedWork[] works = [Work(Green), Work(Apricot), Work(Apricot), Work(Plum), Work(Plum)];
        var ombre = new OmbrePlan(Apricot, TestData.Recipe(), null, [1], [new([works[1].PieceId], 0), new([works[2].PieceId], 0)], 0.1, OmbreMethod.CutBack);
        var marble = new MarblePlan([new(Plum, 1), new(Green, 1)], 1, 4, 0, [works[3].PieceId, works[4].PieceId], 0, 1);
        FlowerPaste[] flowers = [Flower(works[0], works[1], works[2], works[3], works[4]) with { Ombre = ombre, Marble = marble }];
        foreach (var block in PasteDaySheet.Of(flowers, TestData.Cabinet))
        {
            var batches = block.Batches();
            Assert.Equal(block.Kind == BlockKind.Ombre ? 2 : 1, batches.Count);
            Assert.Equal(block.TotalG - block.RemainsG, batches.Sum(batch => batch.PasteG), 0.01);
            if (block.Kind == BlockKind.Paste)
                Assert.Equal(block.Mixed[0].Batch.RoundedColour, TestData.ColourOf(batches[0].Recipe));
            else if (block.Kind == BlockKind.Ombre)
                Assert.All(batches.Zip(block.Run!.Shades), one => Assert.InRange(DeltaE2000.Between(one.Second.Colour, TestData.ColourOf(one.First.Recipe)), 0, 1e-3));
            else
                Assert.InRange(DeltaE2000.Between(TestData.ColourOf(TestData.Recipe([.. Plum.Doses.Concat(Green.Doses).Select(dose => (dose.ColourantId, dose.GPer100g / 2))])), TestData.ColourOf(batches[0].Recipe)), 0, 1e-3);
        }
    }

    [Fact]
    public void A_leftover_saves_fresh_paste_and_colour_and_nothing_else_changes()
    {
        var work = Work(Green);
        FlowerPaste[] flowers = [Flower(work, Work(Plum))];
        var alone = PasteDaySheet.Of(flowers, TestData.Cabinet);
        var block = alone.Single(one => one.Uses[0].PieceId == work.PieceId);
        var left = Leftover.Of(Guid.NewGuid(), new MadeBatch(Green, block.TotalG / 2, null), TestData.Cabinet);
        var with = PasteDaySheet.Of(flowers, TestData.Cabinet, new Dictionary<string, Leftover> { [block.Key] = left });
        var saved = with.Single(one => one.Key == block.Key);
        Assert.Equal(block.TotalG, saved.TotalG);
        Assert.Equal((left.BatchId, block.TotalG / 2), (saved.Leftover!.BatchId, saved.Leftover.KeepG));
        Assert.Equal(alone.Select(one => one.Key), with.Select(one => one.Key));
        double WhiteG(IReadOnlyList<PasteBlock> blocks) => Shopping.For(TestWork.Graph(flowers, blocks: blocks).Operations, TestData.Cabinet).Single(line => line.MaterialId == TestData.White).Need;
        // A let-down for the last part of a touch may take some white of its own.
        Assert.InRange(WhiteG(alone) - WhiteG(with), block.TotalG / 2 - 5, block.TotalG / 2 + 0.5);
        // One that has nothing to do with it is not forced in.
        var plum = Leftover.Of(Guid.NewGuid(), new MadeBatch(Plum, 40, null), TestData.Cabinet);
        Assert.Null(PasteDaySheet.Of(flowers, TestData.Cabinet, new Dictionary<string, Leftover> { [block.Key] = plum }).Single(one => one.Key == block.Key).Leftover);
    }

    [Fact]
    public void A_tin_of_leftovers_is_promised_once()
    {
        // The same green for two commissions, and one tin that would do for either.
        PlannedWork[] works = [Work(Green), Work(Green)];
        FlowerPaste[] flowers = [.. works.Select(work => Flower(work) with { CommissionId = Guid.NewGuid() })];
        var blocks = PasteDaySheet.Of(flowers, TestData.Cabinet);
        var left = Leftover.Of(Guid.NewGuid(), new MadeBatch(Green, blocks[0].TotalG + 10, null), TestData.Cabinet);
        var both = blocks.ToDictionary(block => block.Key, _ => left);
        var with = PasteDaySheet.Of(flowers, TestData.Cabinet, both);
        Assert.InRange(with.Sum(block => block.Leftover?.KeepG ?? 0), blocks[0].TotalG + 9, blocks[0].TotalG + 10 + 1e-9);
        // What was taken out already is no longer in the tin.
        var taken = PasteDaySheet.Of(flowers, TestData.Cabinet, blocks.ToDictionary(block => block.Key, _ => left with { IsTaken = true }));
        Assert.All(taken, block => Assert.Equal(block.TotalG, block.Leftover!.KeepG));
    }

    [Fact]
    public void Only_what_is_still_to_be_made_is_on_the_shopping_list()
    {
        PlannedWork[] works = [Work(Green), Work(Apricot)];
        works[0] = works[0] with { Plan = TestPlans.Plan(TestPlans.Dust("nettle"), TestPlans.Glaze("satin-veil", 2)) with { Paste = Green } };
        FlowerPaste[] flowers = [Flower(works)];
        var graph = TestWork.Graph(flowers);
        IReadOnlyList<ShoppingLine> Left(params Operation[] ticked)
        {
            var done = graph.Done(ticked.Select(operation => operation.Id).ToHashSet());
            return Shopping.For([.. graph.Operations.Where(operation => !done.Contains(operation.Id))], TestData.Cabinet);
        }

        Dictionary<string, double> Needs(params Operation[] ticked) => Left(ticked).Where(line => line.MaterialId is not null)
            .GroupBy(line => line.MaterialId!).ToDictionary(group => group.Key, group => group.Sum(line => line.Need));
        Operation[] Steps<T>(Func<T, bool>? isOne = null) where T : RunStep => [.. graph.Operations.Where(operation => operation.Step is T step && (isOne?.Invoke(step) ?? true))];
        var all = Needs();
        var greenMade = Needs([.. Steps<MakePaste>().Where(operation => operation.Touches(works[0].PieceId))]);
        Assert.False(greenMade.ContainsKey(Green.Doses[0].ColourantId) && !Apricot.Doses.Any(dose => dose.ColourantId == Green.Doses[0].ColourantId));
        Assert.InRange(all[TestData.White] - greenMade[TestData.White], 1, all[TestData.White]);
        // Pots and glazes one by one.
        Assert.False(Needs(Steps<MixPot>()).ContainsKey("nettle"));
        Assert.Equal(all["satin-veil"] / 2, Needs(Steps<GlazePieces>(step => step.Number == 1))["satin-veil"], 1e-9);
        Assert.False(Needs(Steps<GlazePieces>()).ContainsKey("satin-veil"));
        // What is glazed was dusted, dried, shaped and mixed: nobody has to tick that too.
        Assert.False(Needs(Steps<GlazePieces>()).ContainsKey("nettle"));
        // Wires are for every petal, tape though no cabinet holds any; once shaped, neither.
        var lines = Left();
        Assert.Equal(works.Sum(work => Math.Ceiling(work.Piece.ToMake(work.Parts) / 3.0)), lines.Where(line => line.Kind == MaterialKind.Wire).Sum(line => line.Need));
        Assert.Contains(lines, line => line is { MaterialId: null, Kind: MaterialKind.Tape, Need: > 0 });
        Assert.DoesNotContain(Left(Steps<ShapePieces>()), line => line.Kind is MaterialKind.Wire or MaterialKind.Tape);
        Assert.Empty(Left(Steps<BoxUp>()));
    }

    [Fact]
    public void Of_no_flowers_and_a_bud_only_the_bud_is_made()
    {
        var none = Work(Green) with { Parts = 0, Plan = TestPlans.Plan(TestPlans.Dust("nettle"), TestPlans.Steam) with { Paste = Green } };
        var bud = Work(Apricot) with { Parts = 1 };
        FlowerPaste[] flowers = [Flower(none, bud)];
        var blocks = PasteDaySheet.Of(flowers, TestData.Cabinet);
        Assert.Equal([bud.PieceId], blocks.SelectMany(block => block.Uses).Select(use => use.PieceId));
        var graph = TestWork.Graph(flowers);
        Assert.Empty(graph.OfPiece(none.PieceId));
        Assert.DoesNotContain("nettle", graph.Needs().Keys);
    }

    [Theory]
    [InlineData(96, 0, 3, 0)]
    [InlineData(80, 5, 60, 1)]
    [InlineData(60, 40, 5, 2)]
    [InlineData(40, 20, -40, 3)]
    [InlineData(50, -30, 25, 6)]
    [InlineData(50, -20, -30, 4)]
    public void Hues_go_from_yellow_by_red_and_violet_to_green(double l, double a, double b, int family) =>
        Assert.Equal(family, PasteDaySheet.FamilyOf(new Lab(l, a, b)));
}
