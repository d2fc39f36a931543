using CsCheck;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.CoatPlanning;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Marble;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Ombre;
using YoungTinge.Core.Work;

namespace YoungTinge.Core.Tests.Work;

public class PasteSourcesTests
{
    private static readonly Materials Cabinet = TestData.Cabinet;
    private static readonly PasteRecipe Plum = TestData.Recipe(("sloe", 0.6), ("ragged-robin", 0.5));
    private static readonly PasteRecipe Apricot = TestData.Recipe(("saffron-thread", 0.3), ("ember", 0.25));

    private static PlannedWork Work(params Coat[] coats) => new(Guid.NewGuid(), TestPlans.Petal, 5, TestPlans.Plan(coats));

    private static FlowerPaste Flower(params PlannedWork[] works) => new(Guid.NewGuid(), Guid.NewGuid(), works, null, null);

    private static MarblePlan Marble(PlannedWork work, int folds = 4, params PasteRecipe[] pastes) => new([.. pastes.Select(paste => new MarbleStripe(paste, 1))], 2, folds, 0.4, [work.PieceId], 0, 3);

    private static ResolvedPlan Resolved(PlannedWork work, FlowerPaste flower) => new(work.Plan, Cabinet, PasteSources.Of([flower], Cabinet)[work.PieceId]);

    [Fact]
    public void A_piece_of_a_run_shows_the_very_shade_that_is_made_for_it()
    {
        PlannedWork[] works = [Work(TestPlans.Dust("wine-lees")), Work(), Work()];
        var plan = new OmbrePlan(Apricot, TestData.Recipe(), null, [1, 2], [.. works.Select(work => new ShadeUse([work.PieceId], 0))], 0.1, OmbreMethod.SplitStock);
        var flower = Flower(works) with { Ombre = plan };
        var made = PasteDaySheet.Of([flower], Cabinet).Single().Batches();
        foreach (var (i, work) in works.Index())
        {
            var zones = BuildUp.Of(Resolved(work, flower), work.Piece.Shape());
            Assert.All(zones, zone => Assert.Equal(0, DeltaE2000.Between(zone.Colours[0], TestData.ColourOf(made[i].Recipe)), 1e-9));
        }
    }

    [Fact]
    public void Shades_are_compared_with_what_their_pieces_want()
    {
        Lab[] wanted = [new(60, 20, 30), new(75, 12, 22), new(90, 4, 10)];
        PlannedWork[] works = [.. wanted.Select(colour => Work() is var work ? work with { Plan = work.Plan with { PasteTarget = colour } } : work)];
        var plan = new OmbrePlan(Apricot, TestData.Recipe(), null, [1, 1], [.. works.Select(work => new ShadeUse([work.PieceId], 0))], 0.1, OmbreMethod.SplitStock);
        var shades = WantedShades.Of(plan, works);
        Assert.Equal(wanted.Select(colour => (Lab?)colour), shades.Colours);
        Assert.Equal([DeltaE2000.Between(wanted[0], wanted[1]), DeltaE2000.Between(wanted[1], wanted[2])], shades.Steps!);
        Assert.Null(WantedShades.Of(plan with { Uses = [.. plan.Uses.Take(2), new ShadeUse([], 40)] }, works).Steps);
    }

    [Fact]
    public void What_cannot_be_made_as_it_stands_leaves_the_pieces_their_own_pastes()
    {
        var work = Work();
        var gone = Marble(work, 4, Plum, new PasteRecipe("no-such-paste", []));
        Assert.IsType<OwnPaste>(PasteSources.Of([Flower(work) with { Marble = gone }], Cabinet)[work.PieceId]);
        Assert.IsType<MarbledPaste>(PasteSources.Of([Flower(work) with { Marble = Marble(work, 4, Plum, Apricot) }], Cabinet)[work.PieceId]);
    }

    /// <summary>Whatever lies over it: streaks that do not differ are no streaks.</summary>
    [Fact]
    public void A_marble_of_one_colour_is_that_colour_under_every_coat() => Gen.Select(Gen.Double[0.02, 0.4], Gen.Int[0, 3], Gen.Int[0, 12]).Holds(
        (load, kind, folds) =>
        {
            Coat[] coats = kind switch
            {
                0 => [],
                1 => [TestPlans.Dust("wine-lees", load)],
                2 => [TestPlans.Dust("wine-lees", load), TestPlans.Steam, TestPlans.Glaze()],
                _ => [new WashCoat(Guid.NewGuid(), [new Portion("sloe", 1)], "clear-spirit", load / 10, 0.003, Place.Whole, Sides.Both)],
            };
            var work = Work(coats);
            var marbled = Resolved(work, Flower(work) with { Marble = Marble(work, folds, Plum, Plum) });
            var plain = new ResolvedPlan(work.Plan with { Paste = Plum }, Cabinet);
            foreach (var (one, other) in BuildUp.Of(marbled, work.Piece.Shape()).Zip(BuildUp.Of(plain, work.Piece.Shape())))
                Assert.All(one.Colours.Zip(other.Colours), pair => Assert.Equal(0, DeltaE2000.Between(pair.First, pair.Second), 1e-6));
            var (streaked, even) = (PiecePicture.Of(marbled, work.Piece.Shape(), 24, 32).Face, PiecePicture.Of(plain, work.Piece.Shape(), 24, 32).Face);
            Assert.All(streaked.Field.Rgb.Zip(even.Field.Rgb), pair => Assert.InRange(pair.First - pair.Second, -1, 1));
        }, turns: 20);

    [Fact]
    public void Streaks_lie_under_the_coats_and_differ_from_piece_to_piece()
    {
        var work = Work(TestPlans.Dust("wine-lees", 0.03));
        var plan = Resolved(work, Flower(work) with { Marble = Marble(work, 3, Plum, TestData.Recipe()) });
        var shape = work.Piece.Shape();
        byte[] Face(int number) => PiecePicture.Of(plan.Piece(number), shape, 24, 32).Face.Field.Rgb;
        Assert.Equal(Face(0), Face(0));
        Assert.True(Face(0).Zip(Face(1)).Average(pair => Math.Abs(pair.First - pair.Second)) > 3);
        // A light veil hides no streaks; the spread tells how far they lie from the mean that is shown.
        var eye = new ZoneColourEvaluator(plan, shape);
        Assert.True(eye.SpreadOf(Zone.Back) > 5);
        Assert.InRange(new ZoneColourEvaluator(new ResolvedPlan(work.Plan, Cabinet), shape).SpreadOf(Zone.Back), 0, 0.5);
    }

    [Fact]
    public void What_an_eye_takes_together_is_the_mean_of_the_light_of_all_streaks()
    {
        var work = Work();
        var source = Assert.IsType<MarbledPaste>(PasteSources.Of([Flower(work) with { Marble = Marble(work, 4, Plum, TestData.Recipe()) }], Cabinet)[work.PieceId]);
        var zones = BuildUp.Of(new ResolvedPlan(work.Plan, Cabinet, source), work.Piece.Shape());
        // Of bold streaks it is lighter than what they are when they are kneaded through.
        Assert.True(source.Colour.L > source.Sheet.FlatColour.L + 1);
        var shares = source.Sheet.AreaShares();
        var mean = (TestLight(Plum) * shares[0]) + (TestLight(TestData.Recipe()) * shares[1]);
        var bold = PasteSources.Of([Flower(work) with { Marble = Marble(work, 0, Plum, TestData.Recipe()) }], Cabinet)[work.PieceId];
        Assert.Equal(0, DeltaE2000.Between(LabFromXyz.Convert(mean, Illuminant.D65.White), bold.Colour), 1.5);
        Assert.All(zones, zone => Assert.Equal(source.Colour, zone.Colours[0]));

        static Xyz TestLight(PasteRecipe recipe) => Illuminant.D65.XyzOf(PasteOptics.Reflectance(recipe, Cabinet).Values);
    }

    [Fact]
    public void A_piece_from_a_batch_has_the_colour_that_was_measured_and_is_not_mixed_again()
    {
        var measured = new Lab(70, 22, 18);
        var id = Guid.NewGuid();
        var work = Work();
        work = work with { Plan = work.Plan with { BatchId = id } };
        var batch = new BatchPaste(id, "Tin", new MadeBatch(Apricot, 200, measured), 80, Cabinet);
        var source = PasteSources.Of([Flower(work)], Cabinet, new Dictionary<Guid, BatchPaste> { [id] = batch })[work.PieceId];
        Assert.Equal(0, DeltaE2000.Between(measured, new ZoneColourEvaluator(new ResolvedPlan(work.Plan, Cabinet, source), work.Piece.Shape()).See(Zone.Heart)), 0.01);
        Assert.DoesNotContain(PasteDaySheet.Of([Flower(work with { Source = source, Plan = source.Carried(work.Plan) })], Cabinet), block => block.Kind == BlockKind.Paste);
        // Without the batch there is still its own paste.
        Assert.IsType<OwnPaste>(PasteSources.Of([Flower(work)], Cabinet)[work.PieceId]);
    }

    [Fact]
    public void The_planner_plans_over_the_paste_that_is_there()
    {
        var id = Guid.NewGuid();
        var batch = new BatchPaste(id, "Tin", new MadeBatch(Apricot, 200, new Lab(62, 30, 20)), 80, Cabinet);
        var plan = batch.Carried(TestPlans.Plan());
        var planner = new CoatPlanner(plan, TestPlans.Petal, 1, Cabinet, new PlannerRules(Guests.Any), Guid.NewGuid, batch);
        var proposal = planner.Propose(Approach.PasteLed, keepsPaste: true)!;
        var zones = BuildUp.Of(new ResolvedPlan(proposal.Plan, Cabinet, batch), TestPlans.Petal.Shape());
        Assert.Equal(proposal.WorstDeltaE, zones.Max(zone => zone.Difference.DeltaE), 1e-6);
    }
}
