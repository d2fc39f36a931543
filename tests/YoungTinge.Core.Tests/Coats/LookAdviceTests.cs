using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Advice;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;
using static YoungTinge.Core.Tests.TestPlans;

namespace YoungTinge.Core.Tests.Coats;

/// <summary>Faults that are found by looking, each where it is and not where it is not.</summary>
public class LookAdviceTests
{
    private static IReadOnlyList<PlanAdvice> Look(PiecePlan plan, Piece? piece = null)
    {
        var shape = (piece ?? Petal).Shape();
        var eye = new ZoneColourEvaluator(new ResolvedPlan(plan, TestData.Cabinet), shape);
        return LookAdvice.For(eye, piece ?? Petal, BuildUp.Of(eye));
    }

    private static PiecePlan Wanting(Lab colour, PiecePlan plan) => plan with { Targets = plan.Targets.ToDictionary(target => target.Key, _ => Target.Of(colour)) };

    private static PlanAdvice? Of(AdviceCode code, PiecePlan plan, Piece? piece = null) => Look(plan, piece).FirstOrDefault(advice => advice.Code == code);

    [Fact]
    public void A_steep_fade_of_a_strong_coat_reads_as_a_line_and_a_soft_or_pale_one_does_not()
    {
        DustCoat At(double feather, double load) => Dust("wine-lees", load, new Place(PlaceKind.Base, 0, 0.3, feather));
        var hard = Of(AdviceCode.HardLine, Plan(At(0.03, 0.4)));
        Assert.Equal(Zone.Base, hard!.Zone);
        Assert.Null(Of(AdviceCode.HardLine, Plan(At(0.4, 0.4))));
        Assert.Null(Of(AdviceCode.HardLine, Plan(At(0.03, 0.01))));
        // A place that covers all of the piece has no edge on it.
        Assert.Null(Of(AdviceCode.HardLine, Plan(Dust("wine-lees", 0.4))));
    }

    [Fact]
    public void A_pale_dust_under_a_deep_one_is_lost()
    {
        var pale = Dust("furze", 0.2);
        var deep = new DustCoat(Guid.NewGuid(), [new("jackdaw", 3), new("plain-cornstarch", 1)], 0.7, Place.Whole, Sides.Face);
        Assert.Equal(pale.Id, Of(AdviceCode.Vanishes, Plan(pale, deep))!.CoatId);
        Assert.Null(Of(AdviceCode.Vanishes, Plan(pale)));
        Assert.Null(Of(AdviceCode.Vanishes, Plan(deep, Steam)));
    }

    [Fact]
    public void Black_over_a_clear_colour_that_was_wanted_is_muddy()
    {
        var yellow = Plan() with { Paste = new PasteRecipe("bright-white-paste", [new Dose("gorse", 1.5)]) };
        var clear = BuildUp.Of(new ResolvedPlan(yellow, TestData.Cabinet), Petal.Shape())[0].Finished;
        var soot = new DustCoat(Guid.NewGuid(), [new("jackdaw", 1), new("plain-cornstarch", 1)], 0.25, Place.Whole, Sides.Face);
        var muddied = Wanting(clear, yellow) with { Coats = [soot] };
        Assert.Equal(soot.Id, Of(AdviceCode.Muddy, muddied)!.CoatId);
        // The same look on purpose is no fault.
        var wanted = BuildUp.Of(new ResolvedPlan(muddied, TestData.Cabinet), Petal.Shape())[0].Finished;
        Assert.Null(Of(AdviceCode.Muddy, Wanting(wanted, muddied)));
    }

    [Fact]
    public void A_green_stronger_than_leaves_is_neon_unless_it_is_wanted()
    {
        var neon = Plan() with { Paste = new PasteRecipe("bright-white-paste", [new Dose("gorse", 1.2), new Dose("frond", 0.8)]) };
        var seen = BuildUp.Of(new ResolvedPlan(neon, TestData.Cabinet), Petal.Shape())[0].Finished;
        Assert.InRange(seen.HueDegrees, 105, 165);
        Assert.True(seen.Chroma > 42);
        Assert.NotNull(Of(AdviceCode.NeonGreen, Wanting(new Lab(seen.L, seen.A * 0.5, seen.B * 0.5), neon)));
        Assert.Null(Of(AdviceCode.NeonGreen, Wanting(seen, neon)));
    }

    [Fact]
    public void A_deep_leaf_green_and_straw_are_never_neon()
    {
        foreach (var green in new[] { new Lab(40, -38, 34), new Lab(45, -30, 40), new Lab(82, -4, 55) })
        {
            var painted = Plan() with { Paste = RecipeFinder.Find(TestData.Cabinet, new RecipeSearch(TestData.White, green, 100))[0].Recipe, Coats = [] };
            Assert.Null(Of(AdviceCode.NeonGreen, Wanting(new Lab(green.L, green.A * 0.6, green.B * 0.6), painted)));
        }
    }

    [Fact]
    public void Shine_and_shimmer_are_compared_with_what_was_wanted()
    {
        PiecePlan With(Finish finish, params Coat[] coats) =>
            Plan(coats) with { Targets = Plan().Targets.ToDictionary(target => target.Key, target => target.Value with { Finish = target.Key == Zone.Back ? Finish.Matt : finish }) };
        AdviceCode[] Said(PiecePlan plan) => [.. Look(plan).Select(advice => advice.Code).Where(code => code is AdviceCode.TooMatt or AdviceCode.TooGlossy or AdviceCode.NoShimmer or AdviceCode.Shimmers)];
        var (dip, satin) = (Glaze("pond-dip", 2) with { Sides = Sides.Face }, Glaze("satin-veil") with { Sides = Sides.Face });
        var lustre = new DustCoat(Guid.NewGuid(), [new("moonmilk", 1)], 0.15, Place.Whole, Sides.Face);
        Assert.Empty(Said(With(Finish.Matt)));
        Assert.Empty(Said(With(Finish.Satin, satin)));
        Assert.Empty(Said(With(Finish.Gloss, dip)));
        Assert.Empty(Said(With(Finish.Pearl, lustre)));
        Assert.Equal([AdviceCode.TooMatt], Said(With(Finish.Gloss, satin)));
        Assert.Equal([AdviceCode.TooMatt], Said(With(Finish.Satin)));
        Assert.Equal([AdviceCode.TooGlossy], Said(With(Finish.Matt, dip)));
        Assert.Equal([AdviceCode.TooGlossy], Said(With(Finish.Satin, dip)));
        Assert.Equal([AdviceCode.NoShimmer], Said(With(Finish.Frosted, dip)));
        Assert.Equal([AdviceCode.Shimmers], Said(With(Finish.Matt, lustre)));
        // Dust over the shine lies matt on it.
        Assert.Equal([AdviceCode.TooMatt], Said(With(Finish.Gloss, dip, Dust("guelder", 0.2))));
    }

    [Fact]
    public void A_strong_dust_without_starch_is_blotchy_and_cut_it_is_not()
    {
        DustCoat Mixed(double starch) => new(Guid.NewGuid(), [new("wine-lees", 1), new("plain-cornstarch", starch)], 0.1, Place.Whole, Sides.Face);
        Assert.NotNull(Of(AdviceCode.DustNotCut, Plan(Mixed(0.01)))!.Zone);
        Assert.Null(Of(AdviceCode.DustNotCut, Plan(Mixed(1))));
    }

    [Fact]
    public void A_wire_that_shows_through_is_said_for_thin_petals_only()
    {
        var thin = Petal with { ThicknessMm = 0.15, LengthMm = 100 };
        Assert.NotNull(Of(AdviceCode.WireShows, Plan(), thin) ?? Of(AdviceCode.WireShows, Plan() with { Paste = new PasteRecipe("bright-white-paste", []) }, thin with { ThicknessMm = 0.1 }));
        Assert.Null(Of(AdviceCode.WireShows, Plan(), Petal with { ThicknessMm = 4 }));
        Assert.Null(Of(AdviceCode.WireShows, Plan(), Petal with { Solid = true, ThicknessMm = 20 }));
    }

    [Fact]
    public void What_is_kept_on_purpose_carries_its_note()
    {
        var hard = Dust("wine-lees", 0.4, new Place(PlaceKind.Base, 0, 0.3, 0.03));
        var plan = Plan(hard) with { OnPurpose = [new AcknowledgedAdvice(AdviceCode.HardLine, hard.Id, "A sharp eye.")] };
        Assert.Equal("A sharp eye.", Of(AdviceCode.HardLine, plan)!.OnPurpose);
    }

    [Fact]
    public void Guests_who_eat_it_or_keep_a_diet_are_warned_of_at_the_coat()
    {
        var lustre = new DustCoat(Guid.NewGuid(), [new("moonmilk", 1)], 0.1, Place.Whole, Sides.Face);
        var glaze = Glaze("pond-dip");
        var plan = Plan(lustre, glaze);
        Assert.Empty(PlanAdvisor.ForGuests(new ResolvedPlan(plan, TestData.Cabinet), Guests.Any));
        var eaten = Assert.Single(PlanAdvisor.ForGuests(new ResolvedPlan(plan, TestData.Cabinet), new Guests(true, [])));
        Assert.Equal((AdviceCode.MustBeEdible, lustre.Id, "moonmilk"), (eaten.Code, eaten.CoatId!.Value, eaten.MaterialId));
        // Shellac for vegans.
        var shellac = new Materials(TestData.Cabinet.All.Select(material => material.Id == "pond-dip" ? material with { Label = material.Label with { Contains = [Ingredient.Shellac] } } : material));
        var vegan = PlanAdvisor.ForGuests(new ResolvedPlan(plan, shellac), new Guests(false, [Diet.Vegan])).Where(advice => advice.MaterialId == "pond-dip");
        Assert.Equal((AdviceCode.NotForGuests, glaze.Id), vegan.Select(advice => (advice.Code, advice.CoatId!.Value)).Single());
    }

    [Fact]
    public void Pieces_of_a_whorl_differ_by_about_the_spread_of_their_targets()
    {
        var plan = Plan(Dust("wine-lees", 0.12), Dust("cockle", 0.1, new Place(PlaceKind.Rim, 0, 2, 6)), Steam) with
        {
            Targets = Plan().Targets.ToDictionary(target => target.Key, target => target.Value with { Spread = 3 }),
        };
        var looks = WhorlLooks.Of(new ResolvedPlan(plan, TestData.Cabinet), Petal.Shape());
        Assert.Equal(WhorlLooks.Looks, looks.Count);
        Assert.Same(plan, looks[1].Plan);
        Lab Face(PiecePlan of) => new ZoneColourEvaluator(new ResolvedPlan(of, TestData.Cabinet), Petal.Shape()).See(Zone.Heart);
        Assert.InRange(DeltaE2000.Between(Face(looks[0].Plan), Face(plan)), 1.2, 6);
        Assert.InRange(DeltaE2000.Between(Face(looks[2].Plan), Face(plan)), 1.2, 6);
        Assert.All(looks, look => Assert.Empty(PlanCheck.Problems(look.Plan, TestData.Cabinet)));
        Assert.Single(WhorlLooks.Of(new ResolvedPlan(Plan(), TestData.Cabinet), Petal.Shape()));
    }
}
