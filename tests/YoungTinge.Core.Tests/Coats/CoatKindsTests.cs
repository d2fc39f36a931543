using System.Text.Json;
using CsCheck;
using YoungTinge.Checks;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Advice;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Optics;
using YoungTinge.Core.Tests.Work;
using YoungTinge.Core.Work;
using static YoungTinge.Core.Tests.TestPlans;

namespace YoungTinge.Core.Tests.Coats;

/// <summary>Washes, tinted glazes and pollen, as coats of a plan.</summary>
public class CoatKindsTests
{
    private const string Spirit = "clear-spirit";
    private const string Water = "plain-water";

    private static readonly Spectrum Gold = ReflectanceFromColour.Convert(new Lab(75, 15, 60));

    private static readonly double[] OtherDepthsMm = [0.1];

    private static string ThinnerId(double depthMm) => FormattableString.Invariant($"thinner-{10 * depthMm}");

    /// <summary>The starter cabinet holds no crumbs, no glue, and thinners of two depths only.</summary>
    private static readonly Materials Cabinet = new(TestData.Cabinet.All.Append(new Crumb(new Label("gold-crumb", "Gold crumb", "sugar", FoodStatus.Edible), Gold))
        .Append(new Adhesive(new Label("glue", "Glue", "gum", FoodStatus.Edible)))
        .Concat(OtherDepthsMm.Select(depth => new Thinner(new Label(ThinnerId(depth), ThinnerId(depth), "", FoodStatus.Edible), 0.79, depth))));

    private static WashCoat Wash(string thinner = Spirit, double gPerMl = 0.03, Place? place = null, params Portion[] mix) =>
        new(Guid.NewGuid(), mix.Length > 0 ? mix : [new Portion("rowan", 1)], thinner, gPerMl, 0.003, place ?? Place.Whole, Sides.Face);

    private static PollenCoat Pollen(double coverage = 0.8, Place? place = null) => new(Guid.NewGuid(), "gold-crumb", "glue", coverage, place ?? Place.Whole, Sides.Both);

    private static double[] Face(IReadOnlyList<Coat> coats, KubelkaMunkSpectra paste)
    {
        var face = KubelkaMunk.Opaque(paste).Values.ToArray();
        new LayerStack(paste, [.. coats.Select(coat => coat.IsOn(Side.Face) ? coat.Resolve(Cabinet).Layer : null)]).LayOn(face, _ => 1);
        return face;
    }

    public static TheoryData<string> Stacks() => new(TestData.Json("reference-vectors.json").GetProperty("cases").EnumerateArray()
        .Where(one => one.Text("op") == "stack" ? IsPlanned(one.GetProperty("inputs").GetProperty("paste")) : one.Text("op") == "glaze" && one.GetProperty("inputs").TryGetProperty("tint", out _))
        .Select(one => one.Text("id")));

    /// <summary>A plan counts on paste that is rested and hides its wire.</summary>
    private static bool IsPlanned(JsonElement paste) => !paste.TryGetProperty("restHours", out _) && !paste.TryGetProperty("thicknessMm", out _);

    /// <summary>The independent figures for layers on paste, come by the way of a maker's plan.</summary>
    [Theory]
    [MemberData(nameof(Stacks))]
    public void A_plan_of_coats_agrees_with_the_reference_stacks(string id)
    {
        var vector = TestData.Json("reference-vectors.json").GetProperty("cases").EnumerateArray().First(one => one.Text("id") == id);
        var inputs = vector.GetProperty("inputs");
        var isGlaze = vector.Text("op") == "glaze";
        Coat[] coats = isGlaze ? [CoatOf(inputs)] : [.. inputs.GetProperty("steps").EnumerateArray().Select(CoatOf)];
        var paste = PasteOptics.Mix((isGlaze ? inputs.GetProperty("substrate") : inputs).GetProperty("paste").Recipe(), Cabinet);
        var expected = vector.GetProperty("expected").GetProperty("R").Numbers();
        Assert.All(Face(coats, paste).Zip(expected), band => Assert.Equal(band.Second, band.First, 1e-8));
    }

    private static Coat CoatOf(JsonElement step)
    {
        switch (step.TryGetProperty("op", out var op) ? op.GetString() : "glaze")
        {
            case "dust":
                return new DustCoat(Guid.NewGuid(), Portions(step.GetProperty("mix")), step.Number("load"), Place.Whole, Sides.Both);
            case "steam":
                return Steam;
            case "wash":
                // So much in so thin a film that the skin takes up what the vector says.
                var doses = step.GetProperty("parts").Doses();
                var thinner = step.Number("depthMm") switch { 0.15 => Spirit, 0.22 => Water, var other => ThinnerId(other) };
                const double wetMlPerCm2 = 0.004;
                var gPerMl = doses.Sum(dose => dose.GPer100g) * 1.30 * step.Number("depthMm") / 10 / 100 / wetMlPerCm2;
                return new WashCoat(Guid.NewGuid(), [.. doses.Select(dose => new Portion(dose.ColourantId, dose.GPer100g))], thinner, gPerMl, wetMlPerCm2, Place.Whole, Sides.Both);
            default:
                return new GlazeCoat(Guid.NewGuid(), step.Text("id"), (int)step.Number("coats"), Sides.Both)
                {
                    Tint = step.TryGetProperty("tint", out var tint) && tint.ValueKind == JsonValueKind.Array ? new TintMix(Portions(tint), step.Number("gPer10ml")) : null,
                };
        }
    }

    private static Portion[] Portions(JsonElement mix) => [.. mix.EnumerateArray().Select(part => new Portion(part.Text("id"), part.Number("parts")))];

    [Fact]
    public void Dust_in_a_wash_is_as_much_colour_as_its_mass() =>
        Gen.Select(Gen.Double[0.001, 0.2], Gen.Double[0.0005, 0.01], Gen.Bool).Holds((gPerMl, wetMlPerCm2, isWater) =>
        {
            var thinner = Cabinet.Get<Thinner>(isWater ? Water : Spirit);
            var layer = PaintOptics.Wash([new Portion("wine-lees", 1)], thinner, gPerMl, wetMlPerCm2, Cabinet);
            var mgPerCm2 = 1000 * gPerMl * wetMlPerCm2;
            var dust = Cabinet.Get<Dust>("wine-lees").Optics;
            for (var band = 0; band < SpectralGrid.Bands; band++)
                Assert.Equal(dust.Absorption[band] * mgPerCm2, layer.Colour.Absorption[band] * layer.DepthMm, 1e-9);
        }, turns: 200);

    [Fact]
    public void A_wash_pools_in_the_grooves_that_dust_passes_over()
    {
        foreach (var veins in Enum.GetValues<VeinPattern>())
        {
            var points = (from along in Enumerable.Range(1, 60) from across in Enumerable.Range(0, 60) select new PiecePoint(along / 61.0, across / 60.0, 3)).ToList();
            Assert.All(points, point =>
            {
                Assert.InRange(veins.PoolShareAt(point), 0.5, 1.5);
                Assert.True((veins.LoadShareAt(point) - 1) * (veins.PoolShareAt(point) - 1) <= 0);
            });
            // A ridge takes from a wash what the grooves beside it get.
            Assert.InRange(points.Average(point => veins.PoolShareAt(point)), 0.9, 1.1);
        }
    }

    [Fact]
    public void A_stronger_wash_is_deeper_and_lies_only_where_it_goes()
    {
        Lab Heart(double gPerMl) => BuildUp.Of(new ResolvedPlan(Plan(Wash(gPerMl: gPerMl)), Cabinet), Petal.Shape()).Single(history => history.Zone == Zone.Heart).Finished;
        var lightness = new[] { 0.005, 0.01, 0.02, 0.05, 0.1 }.Select(gPerMl => Heart(gPerMl).L).ToList();
        Assert.Equal(lightness.OrderDescending(), lightness);
        var atFoot = BuildUp.Of(new ResolvedPlan(Plan(Wash(place: new Place(PlaceKind.Base, 0, 0.1, 0.1))), Cabinet), Petal.Shape()).ToDictionary(history => history.Zone);
        Assert.Equal(0, DeltaE2000.Between(atFoot[Zone.Tip].Colours[0], atFoot[Zone.Tip].Finished), 1e-9);
        Assert.Equal(0, DeltaE2000.Between(atFoot[Zone.Back].Colours[0], atFoot[Zone.Back].Finished), 1e-9);
        Assert.True(DeltaE2000.Between(atFoot[Zone.Base].Colours[0], atFoot[Zone.Base].Finished) > 3);
    }

    [Fact]
    public void Pollen_hides_its_share_of_the_face() => Gen.Double[0.01, 1].Holds(coverage =>
    {
        var paste = PasteOptics.Mix(TestData.Recipe(("fen", 0.4)), Cabinet);
        var below = KubelkaMunk.Opaque(paste);
        var face = Face([Pollen(coverage)], paste);
        for (var band = 0; band < SpectralGrid.Bands; band++)
            Assert.Equal(coverage * Gold[band] + (1 - coverage) * below[band], face[band], 1e-12);
    }, turns: 100);

    [Fact]
    public void What_cannot_be_is_named_at_its_field()
    {
        Assert.Empty(PlanCheck.Problems(Plan(Wash(), Pollen(), Glaze() with { Tint = new TintMix([new Portion("furze", 1)], 0.2) }), Cabinet));
        var wrong = new Coat[]
        {
            Wash("satin-veil", double.NaN, new Place(PlaceKind.Tip, 0.5, 0.2, 0), new Portion("gold-crumb", 0)) with { WetMlPerCm2 = 1 },
            Pollen(1.1) with { CrumbId = "glue", AdhesiveId = "gone" },
            Glaze() with { Tint = new TintMix([], 20) },
            Glaze() with { Tint = new TintMix([new Portion("rowan", 1), new Portion("rowan", 1)], 0.1) },
            Wash() with { Mix = [] },
        };
        Assert.Equal(
            [
                "coats[0].mix[0].materialId UnknownMaterial", "coats[0].mix[0].parts PartsOutOfRange", "coats[0].thinnerId UnknownMaterial", "coats[0].gPerMl StrengthOutOfRange",
                "coats[0].wetMlPerCm2 WetOutOfRange", "coats[0].place.end PlaceEndsBeforeStart",
                "coats[1].crumbId UnknownMaterial", "coats[1].adhesiveId UnknownMaterial", "coats[1].coverage CoverageOutOfRange",
                "coats[2].tint.mix EmptyMix", "coats[2].tint.gPer10ml TintOutOfRange",
                "coats[3].tint.mix[0].materialId UnknownMaterial", "coats[3].tint.mix[1].materialId UnknownMaterial", "coats[3].tint.mix[1].materialId SameColourTwice",
                "coats[4].mix EmptyMix",
            ],
            PlanCheck.Problems(Plan(wrong), Cabinet).Select(problem => $"{problem.Path} {problem.Code}"));
    }

    [Fact]
    public void The_order_that_will_be_regretted_is_said_and_a_good_one_is_not()
    {
        var lustre = new DustCoat(Guid.NewGuid(), [new Portion("moonmilk", 1)], 0.1, Place.Whole, Sides.Face);
        Assert.Empty(Codes(Dust("wine-lees"), Wash(), Steam, Glaze(), Pollen()));
        Assert.Equal([AdviceCode.DustOverPaint], Codes(Wash(), Dust("wine-lees")));
        Assert.Empty(Codes(Wash(), Steam, Dust("wine-lees")));
        Assert.Empty(Codes(Wash(), Dust("wine-lees") with { AfterAssembly = true }));
        Assert.Contains(AdviceCode.SteamOverLustre, Codes(lustre, Steam));
        Assert.DoesNotContain(AdviceCode.SteamOverLustre, Codes(Steam, lustre));
        Assert.Equal([AdviceCode.CoatOverPollen, AdviceCode.CoatOverPollen], Codes(Pollen(), Steam, Glaze()));
        Assert.Equal([AdviceCode.WaterOnThinPiece], Codes(Wash(Water)));
        Assert.Equal([AdviceCode.PaintOverGlaze], Codes(Glaze(), Wash()));
        Assert.Equal([AdviceCode.HardLine], Codes(Wash(place: new Place(PlaceKind.Tip, 0, 0.3, 0))));

        List<AdviceCode> Codes(params Coat[] coats) =>
            [.. PlanAdvisor.For(new ResolvedPlan(Plan(coats), Cabinet), DosedRecipe.For(Plan().Paste, 200, Cabinet)).Select(advice => advice.Code).Where(code => code != AdviceCode.DecorativeOnly)];
    }

    [Fact]
    public void The_run_sheet_and_the_needs_count_the_same()
    {
        var tinted = Glaze("pond-dip", 2) with { Tint = new TintMix([new Portion("furze", 2), new Portion("peat", 1)], 0.3) };
        var plan = Plan(Wash(mix: [new Portion("rowan", 3), new Portion("wine-lees", 1)]), Steam, tinted, Pollen(place: new Place(PlaceKind.Base, 0, 0.1, 0.1)));
        var graph = TestWork.Graph(plan, Cabinet);
        var needs = graph.Needs(Cabinet);
        var wash = graph.Steps<MixPot>().Select(step => step.Pot).Single(pot => pot.Kind == PassKind.Wash);
        Assert.Equal(wash.Ml!.Value, needs[Spirit]);
        Assert.Equal([("rowan", 3), ("wine-lees", 1)], wash.Parts.Select(part => (part.MaterialId, part.Parts)));
        Assert.All(wash.Parts, part => Assert.Equal(part.Amount.Grams, needs[part.MaterialId], 1e-12));
        // The strength is that of the plan.
        Assert.Equal(0.03, wash.PowderG / wash.Ml!.Value, 0.001);
        var dip = graph.Steps<MixPot>().Select(step => step.Pot).Single(pot => pot.Kind == PassKind.Glaze);
        Assert.Equal(2, graph.Steps<GlazePieces>().Count);
        Assert.Equal(dip.Ml!.Value, needs["pond-dip"], 1e-9);
        Assert.True(dip.Ml >= graph.Steps<GlazePieces>().Sum(step => step.Ml) - 0.05);
        Assert.Equal(0.3, 10 * dip.PowderG / dip.Ml!.Value, 0.02);
        Assert.Equal(Assert.Single(graph.Steps<StickPollen>()).Grams, needs["gold-crumb"]);
        Assert.Contains(Caution.Fumes, Assert.Single(graph.Steps<BrushWash>()).Cautions);
        // What is poured runs short in ml.
        var almostEmpty = new Materials(Cabinet.All.Select(material => material.Id == Spirit ? material with { Supply = new Supply(null, null) { StockMl = 0.4 } } : material));
        var need = MaterialNeeds.Of(TestWork.Graph(plan, almostEmpty).Operations, almostEmpty).Single(one => one.MaterialId == Spirit);
        Assert.Equal((Measure.Millilitres, wash.Ml!.Value - 0.4), (need.Measure, need.Short!.Value));
    }

    [Fact]
    public void A_mix_of_one_thing_in_parts_is_that_thing_and_its_parts_add_up()
    {
        var rowan = TestData.Cabinet.Get<Colourant>("rowan").Optics;
        Gen.Select(Gen.Double[0.01, 50], Gen.Double[0.01, 50], Gen.Double[0.1, 500]).Holds((one, other, grams) =>
        {
            var amounts = Portion.Of([new Portion("rowan", one), new Portion("ember", other)], grams);
            Assert.Equal(grams, amounts.Sum(amount => amount.Grams), 1e-9);
            Assert.Equal(one / other, amounts[0].Grams / amounts[1].Grams, 1e-6);
            var mean = KubelkaMunkSpectra.Mean([(rowan, one / (one + other)), (rowan, other / (one + other))]);
            for (var band = 0; band < SpectralGrid.Bands; band++)
                Assert.Equal(rowan.Absorption[band], mean.Absorption[band], 1e-12);
        }, turns: 100);
    }

    [Fact]
    public void What_the_pot_of_a_wash_looks_like_is_the_wash_on_white_paste()
    {
        var wash = Wash(gPerMl: 0.02);
        var white = Cabinet.All.OfType<PasteBase>().First().Optics;
        Assert.Equal(Illuminant.D65.LabOf(new Spectrum(Face([wash], white))), wash.Resolve(Cabinet).Pot);
    }

    /// <summary>Every coat that can stand in a wrong place.</summary>
    private static readonly Gen<Coat> AnyCoat = Gen.Int[0, 8].Select(kind => kind switch
    {
        0 => Dust("wine-lees"),
        1 => Dust("nettle", 0.3) with { Mix = [new Portion("nettle", 1)] },
        2 => new DustCoat(Guid.NewGuid(), [new Portion("moonmilk", 1)], 0.1, new Place(PlaceKind.Rim, 0, 2, 0), Sides.Face),
        3 => Wash(),
        4 => Wash(Water, place: new Place(PlaceKind.Base, 0, 0.2, 0)),
        5 => new SteamCoat(Guid.NewGuid(), 8),
        6 => Glaze("pond-dip") with { Id = Guid.NewGuid() },
        7 => Glaze("mist-spray") with { Id = Guid.NewGuid() },
        _ => (Coat)Pollen(),
    });

    /// <summary>Ten thousand lists of coats in any order, and "mend it" pressed until it is not offered any more.</summary>
    [Fact]
    public void Mending_one_fault_after_another_ends_brings_no_new_one_and_loses_no_coat() => AnyCoat.Array[0, 7].Holds(coats =>
    {
        var plan = Plan(coats);
        var (first, steams) = (Keys(plan), coats.Count(coat => coat is SteamCoat));
        for (var presses = 0; ; presses++)
        {
            Assert.True(presses <= first.Count, "It goes round in circles: " + string.Join(", ", plan.Coats.Select(coat => coat.GetType().Name)));
            Assert.Subset(first, Keys(plan));
            var faults = Faults(plan);
            if (faults.Select(advice => PlanFix.For(new ResolvedPlan(plan, Cabinet), advice, Guid.NewGuid(), of => Faults(of.Plan))).FirstOrDefault(mended => mended is not null) is not { } next)
                break;
            plan = next;
        }

        Assert.All(coats, coat => Assert.Contains(plan.Coats, kept => kept.Id == coat.Id));
        Assert.Empty(PlanCheck.Problems(plan, Cabinet));
        Assert.InRange(plan.Coats.Count(coat => coat is SteamCoat), steams, Math.Max(1, steams));
        // What is left is for the maker to say: nothing that has a clear way out.
        var clear = Keys(plan).Select(key => key.Code).Intersect([AdviceCode.HardLine, AdviceCode.DustNotCut, AdviceCode.WaterOnThinPiece, AdviceCode.GlazeOverLooseDust, AdviceCode.DustOverGlaze, AdviceCode.CoatOverPollen]).ToList();
        Assert.True(clear.Count == 0, $"{string.Join(' ', clear)}: {string.Join(", ", plan.Coats)}");
    }, turns: 10_000);

    private static HashSet<(AdviceCode Code, Guid? CoatId)> Keys(PiecePlan plan) => [.. Faults(plan).Select(advice => (advice.Code, advice.CoatId))];

    private static readonly DosedRecipe Batch = DosedRecipe.For(Plan().Paste, 200, Cabinet);

    private static IReadOnlyList<PlanAdvice> Faults(PiecePlan plan) => PlanAdvisor.For(new ResolvedPlan(plan, Cabinet), Batch);

    [Fact]
    public void A_fault_kept_on_purpose_keeps_its_note_and_only_it()
    {
        var hard = Wash(place: new Place(PlaceKind.Tip, 0, 0.3, 0));
        var other = hard with { Id = Guid.NewGuid() };
        var plan = Plan(hard, other) with { OnPurpose = [new AcknowledgedAdvice(AdviceCode.HardLine, hard.Id, "A picotee is sharp.")] };
        Assert.Equal(["A picotee is sharp.", null], Faults(plan).Where(advice => advice.Code == AdviceCode.HardLine).Select(advice => advice.OnPurpose));
        var tooLong = plan with { OnPurpose = [new AcknowledgedAdvice(AdviceCode.HardLine, null, new string('x', 301))] };
        Assert.Equal("onPurpose[0].note NoteTooLong", Assert.Single(PlanCheck.Problems(tooLong, Cabinet).Select(problem => $"{problem.Path} {problem.Code}")));
    }
}
