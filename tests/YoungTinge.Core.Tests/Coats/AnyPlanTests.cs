using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;
using CsCheck;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Advice;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Tests.Work;
using YoungTinge.Core.Work;
using static YoungTinge.Core.Tests.TestPlans;

namespace YoungTinge.Core.Tests.Coats;

/// <summary>What must hold for whatever a maker plans.</summary>
public class AnyPlanTests
{
    private static readonly string[] Dusts = [.. TestData.Cabinet.All.OfType<Dust>().Select(dust => dust.Id)];
    private static readonly string[] Glazes = [.. TestData.Cabinet.All.OfType<Glaze>().Select(glaze => glaze.Id)];

    private static readonly Gen<Place> Places = Gen.Select(Gen.Enum<PlaceKind>(), Gen.Double[0, 0.4], Gen.Double[0, 0.4], Gen.Double[0, 0.6],
        (kind, start, more, feather) => new Place(kind, start, start + more, feather));

    private static readonly Gen<Coat> DustCoats = Gen.Select(
        Gen.Int[0, Dusts.Length - 1], Gen.Double[0.01, 0.5], Places, Gen.Enum<Sides>(),
        (dust, load, place, sides) => (Coat)new DustCoat(Guid.NewGuid(), [new Portion(Dusts[dust], 1)], load, place, sides));

    private static readonly Gen<Coat> OtherCoats = Gen.Select(Gen.Int[0, Glazes.Length], Gen.Int[1, 3], Gen.Enum<Sides>(),
        (i, coats, sides) => i == Glazes.Length ? new SteamCoat(Guid.NewGuid(), 8) : (Coat)new GlazeCoat(Guid.NewGuid(), Glazes[i], coats, sides));

    private static readonly string[] Colours = [.. TestData.Cabinet.All.OfType<Colourant>().Select(colourant => colourant.Id), .. Dusts];

    private static readonly Gen<Coat> Washes = Gen.Select(Gen.Int[0, Colours.Length - 1], Gen.Double[0.001, 0.3], Gen.Double[0.0005, 0.01], Places, Gen.Enum<Sides>(),
        (colour, gPerMl, wet, place, sides) => (Coat)new WashCoat(Guid.NewGuid(), [new Portion(Colours[colour], 1)], "clear-spirit", gPerMl, wet, place, sides));

    private static readonly Gen<Coat> Details = Gen.Select(Washes, Gen.Enum<MarkingKind>(), Gen.Double[0.3, 6], Gen.Double[1, 8], Gen.Double[0, 1],
        (wash, kind, size, spacing, waver) => (Coat)((WashCoat)wash with { Marking = new Marking(kind, size, spacing, waver, (int)(1000 * waver)) }));

    private static readonly Gen<PiecePlan> Plans = Gen.OneOf(DustCoats, DustCoats, OtherCoats, Washes, Details).Array[0, 6].Select(coats => Plan(coats));

    private static readonly PieceShape Shape = Petal.Shape();

    [Fact]
    public void Every_stage_is_a_colour_and_the_last_is_the_finished_piece() => Plans.Holds(
        plan =>
        {
            Assert.Empty(PlanCheck.Problems(plan, TestData.Cabinet));
            Assert.All(BuildUp.Of(new ResolvedPlan(plan, TestData.Cabinet), Shape), history =>
            {
                Assert.Equal(plan.Coats.Count + 1, history.Colours.Count);
                Assert.All(history.Colours, colour => Assert.True(PlanCheck.IsColour(colour), $"{colour}"));
            });
        },
        turns: 60);

    [Fact]
    public void Taking_the_last_coat_away_gives_the_stage_before() => Plans.Where(plan => plan.Coats.Count > 0).Holds(
        plan =>
        {
            var whole = BuildUp.Of(new ResolvedPlan(plan, TestData.Cabinet), Shape);
            var less = BuildUp.Of(new ResolvedPlan(plan with { Coats = [.. plan.Coats.SkipLast(1)] }, TestData.Cabinet), Shape);
            Assert.All(whole.Zip(less), pair => Assert.Equal(pair.First.Colours[^2], pair.Second.Finished));
        },
        turns: 40);

    [Fact]
    public void A_coat_that_lies_nowhere_changes_nothing() => Plans.Holds(
        plan =>
        {
            var nowhere = Dust("jackdaw", 0.4, new Place(PlaceKind.Rim, 39, 40, 0));
            var with = BuildUp.Of(new ResolvedPlan(plan with { Coats = [.. plan.Coats, nowhere] }, TestData.Cabinet), Shape);
            // Not to the last digit: the mean of the zone is added up from other points.
            Assert.All(with, history => Assert.Equal(0, DeltaE2000.Between(history.Colours[^2], history.Colours[^1]), 1e-9));
        },
        turns: 40);

    [Fact]
    public void Steam_on_matte_dust_never_lightens() => Gen.Select(Gen.Int[0, 25], Gen.Double[0.02, 0.6]).Holds((i, load) =>
    {
        var matte = TestData.Cabinet.All.OfType<Dust>().Where(dust => dust.Kind == DustKind.Matte).ElementAt(i);
        var dust = new DustCoat(Guid.NewGuid(), [new Portion(matte.Id, 1)], load, Place.Whole, Sides.Both);
        var heart = BuildUp.Of(new ResolvedPlan(Plan(dust, Steam), TestData.Cabinet), Shape).Single(history => history.Zone == Zone.Heart);
        Assert.True(heart.Colours[2].L <= heart.Colours[1].L + 1e-6, $"{matte.Id} at {load}: {heart.Colours[1]} to {heart.Colours[2]}");
    });

    /// <summary>A detail is never seen outside what lies between no paint and paint all over.</summary>
    [Fact]
    public void A_detail_changes_a_zone_no_more_than_the_same_colour_all_over() => Gen.Select(Details, Gen.Int[0, 4]).Holds(
        (detail, zone) =>
        {
            var marked = (WashCoat)detail with { Place = Place.Whole, Sides = Sides.Both };
            double Moved(Coat coat)
            {
                var eye = new ZoneColourEvaluator(new ResolvedPlan(Plan() with { Coats = [coat] }, TestData.Cabinet), Shape);
                return Math.Abs(eye.See((Zone)zone).L - eye.Paste.L);
            }

            // All over without pooling: a blotch that is larger than the piece.
            var all = marked with { Marking = new Marking(MarkingKind.Blotch, 60, 1, 0, 1) };
            Assert.True(Moved(marked) <= Moved(all with { Marking = all.Marking! with { SizeMm = 60 } }) + 0.6, $"{marked.Marking}");
        },
        turns: 40);

    [Fact]
    public void A_picture_has_a_colour_everywhere_on_the_piece_in_every_light() => Gen.Select(Plans, Gen.Enum<LightKind>()).Holds(
        (plan, light) =>
        {
            var picture = PiecePicture.Of(new ResolvedPlan(plan, TestData.Cabinet), Shape, 24, 32, Lights.Of(light));
            foreach (var side in new[] { picture.Face, picture.Back })
            {
                Assert.Equal(3 * 24 * 32, side.Field.Rgb.Length);
                Assert.All(side.Marks, mark => Assert.Equal(side.Field.Rgb.Length, mark.Field.Rgb.Length));
                // The middle of the piece is never left black by not being painted at all: the paste is pale.
                var middle = side.Field.Rgb.AsSpan(3 * (16 * 24 + 12), 3).ToArray();
                Assert.True(plan.Coats.Count > 0 || middle.All(part => part > 100));
            }

            Assert.Equal(plan.Coats.OfType<WashCoat>().Count(wash => wash.Marking is not null && wash.Sides.Include(Side.Face)), picture.Face.Marks.Count);
        },
        turns: 25);

    [Fact]
    public void A_plan_is_the_same_after_it_was_written_and_read() => Plans.Holds(
        plan =>
        {
            var options = new JsonSerializerOptions(JsonSerializerDefaults.Web)
            {
                Converters = { new JsonStringEnumConverter(JsonNamingPolicy.CamelCase) },
                TypeInfoResolver = new DefaultJsonTypeInfoResolver().WithAddedModifier(CoatKinds.Describe),
            };
            var written = JsonSerializer.Serialize(plan, options);
            var read = JsonSerializer.Deserialize<PiecePlan>(written, options)!;
            Assert.Equal(written, JsonSerializer.Serialize(read, options));
            Assert.All(plan.Coats.OfType<IPlacedCoat>().Zip(read.Coats.OfType<IPlacedCoat>()), pair => Assert.Equal(pair.First.Place, pair.Second.Place));
            Assert.Equal(BuildUp.Of(new ResolvedPlan(plan, TestData.Cabinet), Shape).Select(zone => zone.Finished), BuildUp.Of(new ResolvedPlan(read, TestData.Cabinet), Shape).Select(zone => zone.Finished));
        },
        turns: 25);

    [Fact]
    public void Faults_are_found_in_any_plan_without_falling_over_and_name_what_is_there() => Plans.Holds(
        plan =>
        {
            var eye = new ZoneColourEvaluator(new ResolvedPlan(plan, TestData.Cabinet), Shape);
            var zones = BuildUp.Of(eye);
            Assert.All(LookAdvice.For(eye, Petal, zones), advice =>
            {
                Assert.NotNull(advice.Zone);
                Assert.True(advice.CoatId is null || plan.Coats.Any(coat => coat.Id == advice.CoatId));
                // A cure is a plan that can be, and is another one.
                if (PlanFix.For(new ResolvedPlan(plan, TestData.Cabinet), advice, Guid.NewGuid(), of => Warnings(of.Plan)) is not { } cured)
                    return;
                Assert.Empty(PlanCheck.Problems(cured, TestData.Cabinet));
                Assert.NotEqual(plan.Coats, cured.Coats);
                // One fault less, by rule and by look, and no other instead.
                Assert.DoesNotContain(Warnings(cured), one => (one.Code, one.CoatId) == (advice.Code, advice.CoatId));
                Assert.Empty(Warnings(cured).Select(one => (one.Code, one.CoatId)).Except(Warnings(plan).Select(one => (one.Code, one.CoatId))));
            });
        },
        turns: 30);

    /// <summary>What is laid one on the other, and once for all coats that are left out, is what is laid anew each time.</summary>
    [Fact]
    public void A_zone_is_the_same_whether_it_is_laid_at_once_or_coat_by_coat() => Plans.Holds(
        plan =>
        {
            var resolved = new ResolvedPlan(plan, TestData.Cabinet);
            var eye = new ZoneColourEvaluator(resolved, Shape);
            for (var i = 0; i < plan.Coats.Count; i++)
            {
                var coat = i;
                var upToIt = new ZoneColourEvaluator(resolved.With([.. plan.Coats.Take(i + 1)]), Shape);
                var withoutIt = new ZoneColourEvaluator(resolved.With([.. plan.Coats.Where((_, other) => other != coat)]), Shape);
                foreach (var zone in Enum.GetValues<Zone>())
                {
                    Assert.Equal(0, DeltaE2000.Between(upToIt.See(zone), eye.Stages(zone)[i]), 1e-9);
                    if (plan.Coats[i] is not SteamCoat)
                        Assert.Equal(0, DeltaE2000.Between(withoutIt.See(zone), eye.Without(zone)[i]), 1e-9);
                }
            }
        },
        turns: 60);

    private static IEnumerable<PlanAdvice> Warnings(PiecePlan plan)
    {
        var eye = new ZoneColourEvaluator(new ResolvedPlan(plan, TestData.Cabinet), Shape);
        return PlanAdvisor.For(eye.Plan, PasteBatch).Concat(LookAdvice.For(eye, Petal, BuildUp.Of(eye)));
    }

    private static readonly DosedRecipe PasteBatch = DosedRecipe.For(Plan().Paste, 200, TestData.Cabinet);

    [Fact]
    public void Every_plan_has_a_run_sheet_with_amounts_that_can_be_measured() => Plans.Holds(plan =>
    {
        var graph = TestWork.Graph(plan);
        Assert.Equal(graph.Operations.Count, graph.Operations.Select(operation => operation.Id).Distinct().Count());
        Assert.All(graph.Steps<MixPot>(), step => Assert.True(step.Pot.PowderG >= Math.Min(Pot.SmallestG, step.Pot.NeededG) - 1e-9));
        Assert.All(graph.Steps<GlazePieces>(), step => Assert.True(step.Ml > 0 && step.Cautions.Contains(Caution.Fumes)));
        Assert.All(graph.Steps<MixPot>().Where(step => step.Pot.LiquidId is not null), step => Assert.True(step.Pot.Ml > 0 && step.Cautions.Contains(Caution.Fumes)));
        Assert.All(graph.Steps<BrushDust>(), step => Assert.Contains(Caution.DustInTheAir, step.Cautions));
    });
}
