using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Advice;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;
using static YoungTinge.Core.Tests.TestPlans;

namespace YoungTinge.Core.Tests.Coats;

public class PlanCheckTests
{
    [Fact]
    public void A_sensible_plan_has_no_problem() => Assert.Empty(PlanCheck.Problems(Plan(Dust("wine-lees"), Steam, Glaze()), TestData.Cabinet));

    [Fact]
    public void Numbers_that_are_none_are_found()
    {
        var plan = Plan(Dust("wine-lees", double.NaN, new Place(PlaceKind.Base, double.NaN, 0.5, double.PositiveInfinity))) with
        {
            PasteTarget = new Lab(double.NaN, 0, 0),
            Paste = new PasteRecipe("bright-white-paste", [new Dose("quince", double.NaN), new Dose("frond", double.PositiveInfinity)]),
        };
        var paths = PlanCheck.Problems(plan, TestData.Cabinet).Select(problem => problem.Path);
        Assert.Equal(
            ["ground", "paste.doses[0].gPer100g", "paste.doses[1].gPer100g", "coats[0].loadMgPerCm2", "coats[0].place.start", "coats[0].place.feather"],
            paths);
    }

    [Fact]
    public void A_missing_target_is_named()
    {
        var plan = Plan() with { Targets = new Dictionary<Zone, Target> { [Zone.Rim] = Target.Of(new Lab(50, 0, 0)) } };
        Assert.Equal(["targets.tip", "targets.heart", "targets.base", "targets.back"], PlanCheck.Problems(plan, TestData.Cabinet).Select(p => p.Path));
    }

    [Fact]
    public void The_limit_of_a_mix_is_that_of_its_parts_by_mass()
    {
        // Half dust (0.8) and half starch (1.0) holds 0.9 mg/cm2.
        Assert.Empty(PlanCheck.Problems(Plan(Dust("wine-lees", 0.89)), TestData.Cabinet));
        var problem = Assert.Single(PlanCheck.Problems(Plan(Dust("wine-lees", 0.91)), TestData.Cabinet));
        Assert.Equal((PlanProblemCode.LoadOverLimit, 0.9), (problem.Code, Math.Round(problem.Limit!.Value, 9)));
    }

    [Fact]
    public void Twice_the_same_is_found()
    {
        var coat = Dust("wine-lees");
        Assert.Contains(PlanCheck.Problems(Plan(coat, coat), TestData.Cabinet), p => p is { Path: "coats[1].id", Code: PlanProblemCode.SameCoatTwice });
        var plan = Plan() with { Paste = new PasteRecipe("bright-white-paste", [new Dose("quince", 0.1), new Dose("quince", 0.2)]) };
        Assert.Equal(PlanProblemCode.SameColourTwice, Assert.Single(PlanCheck.Problems(plan, TestData.Cabinet)).Code);
    }

    [Fact]
    public void A_maker_is_told_what_will_be_regretted()
    {
        var late = Dust("wine-lees");
        var steamLate = new SteamCoat(Guid.NewGuid(), 8);
        Assert.Equal(AdviceCode.DustOverGlaze, Assert.Single(Advise(Steam, Glaze(), late)).Code);
        Assert.Equal(AdviceCode.SteamOverGlaze, Assert.Single(Advise(Glaze("mist-spray"), steamLate)).Code);
        Assert.Equal(AdviceCode.GlazeOverLooseDust, Assert.Single(Advise(late, Glaze("pond-dip"))).Code);
        Assert.Empty(Advise(late, Glaze("mist-spray")));
        Assert.Equal(AdviceCode.HardLine, Assert.Single(Advise(Dust("wine-lees", place: new Place(PlaceKind.Tip, 0, 0.3, 0)))).Code);
        Assert.Equal(AdviceCode.DustNotCut, Assert.Single(Advise(late with { Mix = [new Portion("wine-lees", 1)], LoadMgPerCm2 = 0.3 })).Code);
        Assert.Equal("scabious", Assert.Single(Advise(Dust("scabious"))).MaterialId);

        IReadOnlyList<PlanAdvice> Advise(params Coat[] coats) =>
            PlanAdvisor.For(new ResolvedPlan(Plan(coats), TestData.Cabinet), DosedRecipe.For(Plan().Paste, 200, TestData.Cabinet));
    }
}
