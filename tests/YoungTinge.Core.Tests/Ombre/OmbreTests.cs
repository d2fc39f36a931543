using CsCheck;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Ombre;
using YoungTinge.Core.Work;

namespace YoungTinge.Core.Tests.Ombre;

public class OmbreTests
{
    private const double ScaleG = 0.1;

    private static readonly PasteRecipe Apricot = TestData.Recipe(("saffron-thread", 0.34), ("ember", 0.28), ("lichen", 0.05));
    private static readonly PasteRecipe Cream = new("soft-cream-paste", [new Dose("lantern", 0.008)]);
    private static readonly PasteRecipe White = TestData.Recipe();
    private static readonly PasteRecipe Plum = TestData.Recipe(("sloe", 0.6), ("ragged-robin", 0.5));

    private static double[] Even(int shades) => [.. Enumerable.Repeat(1.0, shades - 1)];

    private static OmbreRun Run(PasteRecipe first, PasteRecipe last, params double[] grams) => OmbreRun.Of(first, last, null, Even(grams.Length), grams, TestData.Cabinet);

    /// <summary>Recipes deep enough that a run from them is a run.</summary>
    private static Gen<(PasteRecipe First, PasteRecipe Last, double[] Grams)> Runs =>
        Gen.Select(
            Gen.Int[0, 2], Gen.Bool, Gen.Double[0.5, 2], Gen.Double[20, 150].Array[3, 7],
            (kind, toCream, strength, grams) =>
            {
                var deep = new[] { Apricot, Plum, TestData.Recipe(("fen", 0.5), ("gorse", 0.4)) }[kind];
                return (deep with { Doses = [.. deep.Doses.Select(dose => dose with { GPer100g = strength * dose.GPer100g })] }, toCream ? Cream : White, grams);
            });

    [Fact]
    public void Shades_start_and_end_where_they_should_and_stand_evenly_apart() => Runs.Holds(run =>
    {
        var (first, last, grams) = run;
        var shades = Run(first, last, grams).Shades;
        Assert.Equal(TestData.ColourOf(first), shades[0].Colour);
        Assert.Equal(TestData.ColourOf(last), shades[^1].Colour);
        var steps = OmbreRun.StepsOf([.. shades.Select(shade => shade.Colour)]);
        Assert.InRange(steps.Max() / steps.Min(), 1, 1.001);
    }, turns: 60);

    /// <summary>Whatever is made is set aside for a shade or said to be left over, to the scale's step; nothing is dropped.</summary>
    [Fact]
    public void No_paste_of_a_run_is_lost() => Gen.Select(Runs, Gen.Enum<OmbreMethod>(), Gen.Int[0, 2]).Holds((run, school, coarse) =>
    {
        var scaleG = new[] { 0.1, 1, 5 }[coarse];
        var grams = run.Grams.Select(g => Math.Ceiling(Math.Max(g, 20 * scaleG) / scaleG) * scaleG).ToArray();
        var made = Run(run.First, run.Last, grams);
        var way = OmbreResult.Of(made, school, TestData.Cabinet, scaleG);
        var wasteG = way.Steps.Sum(step => step.Batch?.Colours.Sum(colour => colour.LetDown?.WasteG ?? 0) ?? 0);
        var keptG = grams.Sum() + way.Steps.Where(step => step.Act == OmbreAct.LeftOver).Sum(step => step.Grams);
        Assert.Equal(way.TotalG - wasteG, keptG, scaleG * (run.Grams.Length + 1));
    }, turns: 60);

    /// <summary>The same two pastes: as far along the way as was asked, with even steps between.</summary>
    [Fact]
    public void A_run_begins_and_ends_at_any_mix_of_its_pastes() => Gen.Select(Runs, Gen.Double[0, 0.4], Gen.Double[0.6, 1]).Holds((run, begin, end) =>
    {
        var (first, last, grams) = run;
        var plan = new OmbrePlan(first, last, null, Even(grams.Length), [.. grams.Select(g => new ShadeUse([], g))], ScaleG, OmbreMethod.SplitStock) { Begin = begin, End = end };
        var shades = plan.Run([], TestData.Cabinet).Shades;
        var curve = new MixingCurve(PasteOptics.Mix(first, TestData.Cabinet), PasteOptics.Mix(last, TestData.Cabinet));
        // Whites are nearly alike: a mix of two goes by the larger part.
        var tolerance = first.BaseId == last.BaseId ? 1e-6 : 0.6;
        Assert.Equal(0, DeltaE2000.Between(curve.ColourAt(begin), shades[0].Colour), tolerance);
        Assert.Equal(0, DeltaE2000.Between(curve.ColourAt(end), shades[^1].Colour), tolerance);
        var steps = OmbreRun.StepsOf([.. shades.Select(shade => shade.Colour)]);
        Assert.InRange(steps.Max() / steps.Min(), 1, 1.001);
        Assert.Empty(OmbreCheck.Problems(plan, []));
        Assert.Equal(["end"], OmbreCheck.Problems(plan with { End = begin }, []).Select(problem => problem.Path));
        Assert.Equal(["begin"], OmbreCheck.Problems(plan with { Begin = double.NaN }, []).Select(problem => problem.Path));
    }, turns: 60);

    [Fact]
    public void Steps_are_even_to_the_eye_and_not_in_parts()
    {
        var shares = Run(Apricot, White, 40, 40, 40, 40, 40).Shares();
        // The colour of white answers to the first grams of a deep paste: the palest step takes a small part of the way in parts.
        Assert.InRange(shares[1] - shares[0], 0.4, 0.9);
        Assert.InRange(shares[4] - shares[3], 0.005, 0.08);
    }

    [Fact]
    public void A_finer_search_finds_no_evener_run()
    {
        // Every pair of inner places in steps of a two-hundredth, for four shades.
        var curve = new MixingCurve(PasteOptics.Mix(Plum, TestData.Cabinet), PasteOptics.Mix(White, TestData.Cabinet));
        var colours = Enumerable.Range(0, 201).Select(i => curve.ColourAt(i / 200.0)).ToArray();
        var best = (from i in Enumerable.Range(1, 198) from j in Enumerable.Range(i + 1, 199 - i) select Unevenness(colours[0], colours[i], colours[j], colours[200])).Min();
        var places = curve.PlacesFor(Even(4));
        Assert.InRange(Unevenness([.. places.Select(curve.ColourAt)]), 1, best + 1e-6);

        static double Unevenness(params Lab[] shades)
        {
            var steps = OmbreRun.StepsOf(shades);
            return steps.Max() / steps.Min();
        }
    }

    [Fact]
    public void Steps_are_as_uneven_as_they_are_wanted()
    {
        double[] wanted = [1, 3, 0.5, 2];
        var run = OmbreRun.Of(Apricot, Cream, null, wanted, [50, 50, 50, 50, 50], TestData.Cabinet);
        var steps = OmbreRun.StepsOf([.. run.Shades.Select(shade => shade.Colour)]);
        Assert.All(steps.Zip(wanted), step => Assert.Equal(steps[0] * step.Second, step.First, 1e-3));
        Assert.Equal(1, run.Unevenness, 1e-3);
    }

    [Fact]
    public void A_fixed_shade_is_where_and_what_it_should_be()
    {
        var run = OmbreRun.Of(Plum, Cream, new MiddleShade(Apricot, 2), Even(5), [30, 40, 50, 60, 70], TestData.Cabinet);
        Assert.Equal(TestData.ColourOf(Apricot), run.Shades[2].Colour);
        Assert.Equal([0, 0, 1, 1, 2], run.Shades.Select(shade => shade.Stop));
        foreach (var school in Enum.GetValues<OmbreMethod>())
            Assert.All(OmbreResult.Of(run, school, TestData.Cabinet, ScaleG).Shades, shade => Assert.InRange(shade.OffDeltaE, 0, 1.2));
    }

    [Fact]
    public void Every_school_makes_every_shade_in_its_mass_and_near_its_colour() => Runs.Holds(drawn =>
    {
        var run = Run(drawn.First, drawn.Last, drawn.Grams);
        foreach (var school in Enum.GetValues<OmbreMethod>())
        {
            var way = OmbreResult.Of(run, school, TestData.Cabinet, ScaleG);
            // What is made covers what is needed; the rest is what is said to be left over.
            Assert.Equal(way.TotalG, drawn.Grams.Sum() + way.LeftOverG, 1e-6);
            Assert.InRange(way.LeftOverG, -0.1 * drawn.Grams.Length, 400);
            Assert.InRange(way.Unevenness, 1, 1.4);
            Assert.All(way.Shades, shade => Assert.InRange(shade.OffDeltaE, 0, 2.5));
        }
    }, turns: 60);

    /// <summary>The steps of a cut-back are done by hand here, gram by gram, and must leave each shade its mass.</summary>
    [Fact]
    public void A_cut_back_done_step_by_step_leaves_each_shade_its_mass_and_nothing_else()
    {
        var run = Run(Apricot, Cream, 11, 25, 50, 61, 53);
        var way = OmbreResult.Of(run, OmbreMethod.CutBack, TestData.Cabinet, ScaleG);
        var onHand = way.Steps.First(step => step is { Act: OmbreAct.MakePaste, Stop: 0 }).Grams;
        var palest = way.Steps.First(step => step is { Act: OmbreAct.MakePaste, Stop: 1 }).Grams;
        var setAside = new double[5];
        foreach (var step in way.Steps.Where(step => step.Act != OmbreAct.MakePaste))
        {
            if (step is { Act: OmbreAct.AddPaste, Grams: var added })
                (onHand, palest) = (onHand + added, palest - added);
            else if (step is { Act: OmbreAct.SetAside, Shade: 4 })
                (setAside[4], palest) = (step.Grams, palest - step.Grams);
            else
                onHand -= step.Act == OmbreAct.SetAside ? setAside[step.Shade!.Value] = step.Grams : step.Grams;
        }

        Assert.Equal([11, 25, 50, 61, 53], setAside);
        Assert.InRange(onHand, -0.3, 0.8);
        Assert.Equal(0, palest, 1e-6);
    }

    [Fact]
    public void Whatever_is_weighed_the_scale_can_show() =>
        Gen.Select(Runs, Gen.Int[0, 2]).Holds((drawn, kind) =>
        {
            var scaleG = new[] { 0.1, 0.5, 1 }[kind];
            double[] grams = [.. drawn.Grams.Select(mass => Math.Round(mass))];
            foreach (var school in new[] { OmbreMethod.CutBack, OmbreMethod.SplitStock })
            {
                var weighed = OmbreResult.Of(Run(drawn.First, drawn.Last, grams), school, TestData.Cabinet, scaleG).Steps
                    .Where(step => step.Act != OmbreAct.LeftOver).SelectMany(step => step.Parts?.Select(part => part.Grams) ?? [step.Grams]);
                Assert.All(weighed, mass => Assert.Equal(mass, Math.Round(mass / scaleG) * scaleG, 1e-6));
            }
        }, turns: 40);

    [Fact]
    public void No_smaller_first_batch_makes_the_same_cut_back()
    {
        // Two shades and white: what is kept for the second is the only choice there is.
        var run = Run(Plum, White, 40, 60, 30);
        var kept = 60 * (1 - run.Shades[1].Share);
        var way = OmbreResult.Of(run, OmbreMethod.CutBack, TestData.Cabinet, ScaleG);
        Assert.Equal(40 + kept, way.Steps[0].Grams, ScaleG);
    }

    /// <summary>
    /// Every way to keep whole grams from shade to shade of a run of three, tried one by one: what is kept must be enough to knead and
    /// must give each next shade its mass.
    /// </summary>
    [Theory]
    [InlineData(40, 60, 50)]
    [InlineData(12, 6, 70)]
    [InlineData(90, 30, 3)]
    public void No_other_cut_back_leaves_less_over(double first, double second, double third)
    {
        const double smallestLumpG = 5;
        var run = Run(Apricot, Cream, first, second, third, 40);
        double[] stays = [.. run.Shades.Take(3).Select(shade => 1 - shade.Share)];
        var least = double.PositiveInfinity;
        for (var kept = smallestLumpG; kept <= 300; kept++)
        {
            // What the first keeps becomes the second; of that, what is not needed is kept again or left over.
            var made = kept * stays[0] / stays[1];
            for (var again = smallestLumpG; again <= made - second; again++)
            {
                var last = again * stays[1] / stays[2];
                if (last >= third)
                    least = Math.Min(least, made - second - again + last - third);
            }
        }

        var way = OmbreResult.Of(run, OmbreMethod.CutBack, TestData.Cabinet, ScaleG);
        var letDownWasteG = way.Steps.Sum(step => step.Batch?.Colours.Sum(colour => colour.LetDown?.WasteG ?? 0) ?? 0);
        // Whole grams against tenths: the search may round up what the plan need not.
        Assert.InRange(way.LeftOverG - letDownWasteG, -0.2, least + 0.5);
    }

    [Fact]
    public void An_early_slip_carries_on_as_far_as_the_school_lets_it()
    {
        var run = Run(Apricot, White, 40, 40, 60, 60, 80);
        MadeShade[] Made(OmbreMethod school) => [.. OmbreResult.Of(run, school, TestData.Cabinet, ScaleG).Shades];
        // A touch in the stock reaches every shade that has stock in it; dosed each, only the first.
        Assert.All(Made(OmbreMethod.SplitStock).Take(4), shade => Assert.True(shade.TouchDeltaE > 0.05));
        Assert.All(Made(OmbreMethod.DoseEach).Skip(1), shade => Assert.Equal(0, shade.TouchDeltaE, 1e-9));
        // A gram too much in the first letting-down stays in a cut-back, and stays where it fell in a split stock.
        Assert.All(Made(OmbreMethod.CutBack).Skip(1).Take(3), shade => Assert.True(shade.GramDeltaE > 0.01));
        Assert.All(Made(OmbreMethod.SplitStock).Skip(2), shade => Assert.Equal(0, shade.GramDeltaE, 1e-9));
    }

    [Fact]
    public void What_cannot_be_is_said_at_its_field()
    {
        var piece = new PlannedWork(Guid.NewGuid(), TestPlans.Petal, 5, TestPlans.Plan());
        OmbrePlan Plan(int shades, double scaleG = ScaleG, double otherG = 40) => new(
            Apricot, White, null, Even(Math.Max(2, shades)), [.. Enumerable.Range(0, shades).Select(_ => new ShadeUse([], otherG))], scaleG, OmbreMethod.CutBack);
        OmbreProblemCode[] Codes(OmbrePlan plan) => [.. OmbreCheck.Problems(plan, [piece]).Select(problem => problem.Code).Distinct()];

        Assert.Empty(Codes(Plan(5)));
        Assert.Equal([OmbreProblemCode.TooFewShades], Codes(Plan(1)));
        Assert.Equal([OmbreProblemCode.TooManyShades], Codes(Plan(40)));
        Assert.Equal([OmbreProblemCode.UnderScale], Codes(Plan(3, otherG: 0)));
        Assert.Equal([OmbreProblemCode.UnderScale], Codes(Plan(3, scaleG: 5)));
        Assert.Equal([OmbreProblemCode.ScaleOutOfRange], Codes(Plan(3, scaleG: 0)));
        Assert.Equal([OmbreProblemCode.MassOutOfRange], Codes(Plan(3, otherG: double.NaN)));
        Assert.Equal([OmbreProblemCode.StepOutOfRange], Codes(Plan(3) with { Steps = [1, -1] }));
        Assert.Equal([OmbreProblemCode.MiddleNotInside], Codes(Plan(3) with { Middle = new MiddleShade(Plum, 2) }));
        Assert.Equal([OmbreProblemCode.UnknownPiece], Codes(Plan(2) with { Uses = [new([Guid.NewGuid()], 40), new([], 40)], Steps = [1] }));
        Assert.Equal([OmbreProblemCode.PieceTwice], Codes(Plan(2) with { Uses = [new([piece.PieceId], 0), new([piece.PieceId], 0)], Steps = [1] }));
        Assert.Single(OmbreCheck.Colours(Plan(3) with { Last = Apricot }, TestData.Cabinet));
    }

    [Fact]
    public void A_beginning_takes_the_whorls_from_deep_to_pale()
    {
        PlannedWork Whorl(PasteRecipe paste) => new(Guid.NewGuid(), TestPlans.Petal, 5, TestPlans.Plan() with { Paste = paste });
        PlannedWork[] works = [Whorl(Cream), Whorl(TestData.Recipe(("ember", 0.1))), Whorl(Apricot)];
        var plan = OmbrePlan.Suggest(works, TestData.Cabinet);
        Assert.Equal((Apricot, Cream), (plan.First, plan.Last));
        Assert.Equal(works.Reverse().Select(work => work.PieceId), plan.Uses.Select(use => use.PieceIds.Single()));
        Assert.Empty(OmbreCheck.Problems(plan, works));
        // More flowers, more paste.
        Assert.True(plan.GramsFor([.. works.Select(work => work with { Parts = 10 })])[0] > 1.8 * plan.GramsFor(works)[0]);
        Assert.Equal(3, OmbrePlan.Suggest([works[0]], TestData.Cabinet).Uses.Count);
    }

    [Fact]
    public void Dust_alone_reaches_the_pale_shades_first()
    {
        var run = Run(Plum, White, 40, 40, 40, 40);
        var dusted = DustedShade.Of(run, TestData.Cabinet);
        Assert.InRange(dusted[^1].DeltaE, 0, 1e-6);
        Assert.True(dusted[0].DeltaE > dusted[^1].DeltaE);
        Assert.All(dusted.Zip(run.Shades), pair => Assert.True(
            pair.First.DeltaE <= DeltaE2000.Between(pair.Second.Colour, TestData.ColourOf(White)) + 1e-9));
    }
}

internal static class OmbreRuns
{
    /// <summary>Of the second paste, for every shade of a run between two.</summary>
    public static IReadOnlyList<double> Shares(this OmbreRun run) => [.. run.Shades.Select(shade => shade.Stop + shade.Share)];
}
