using CsCheck;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.CoatPlanning;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using static YoungTinge.Core.Tests.TestPlans;

namespace YoungTinge.Core.Tests.CoatPlanning;

/// <summary>What the planner is put together from, each against something that knows the answer another way.</summary>
public class PlannerPartsTests
{
    private static readonly PieceShape Shape = Petal.Shape();

    private static readonly Gen<Lab> Colours = Gen.Select(Gen.Double[15, 95], Gen.Double[-50, 50], Gen.Double[-50, 50], (l, a, b) => new Lab(l, a, b));

    private static FinishResult Finished(Finish finish, Finish back = Finish.Matt, params Zone[] zones)
    {
        var targets = Enum.GetValues<Zone>().ToDictionary(
            zone => zone,
            zone => Target.Of(new Lab(70, 10, 10)) with { Finish = zone == Zone.Back ? back : zones.Length == 0 || zones.Contains(zone) ? finish : Finish.Matt });
        return new FinishResult(FinishCoats.For(targets, TestData.Cabinet.All, TestData.Cabinet, Guid.NewGuid));
    }

    private sealed record FinishResult(IReadOnlyList<Coat> Coats)
    {
        public GlazeCoat? Glaze => Coats.OfType<GlazeCoat>().SingleOrDefault();

        public IEnumerable<DustCoat> Lustres => Coats.OfType<DustCoat>();

        public double Gloss => Glaze is { } glaze ? 1 - Math.Pow(1 - TestData.Cabinet.Get<Glaze>(glaze.GlazeId).Gloss, glaze.Coats) : 0;
    }

    [Fact]
    public void A_matt_piece_is_steamed_and_no_more() => Assert.IsType<SteamCoat>(Assert.Single(Finished(Finish.Matt).Coats));

    [Fact]
    public void Satin_and_gloss_are_as_glossy_as_the_cabinet_can_make_them()
    {
        var (satin, gloss) = (Finished(Finish.Satin), Finished(Finish.Gloss));
        Assert.InRange(satin.Gloss, 0.25, 0.5);
        Assert.InRange(gloss.Gloss, 0.8, 1);
        Assert.Equal(Sides.Face, satin.Glaze!.Sides);
        Assert.Equal(Sides.Both, Finished(Finish.Gloss, Finish.Gloss).Glaze!.Sides);
        Assert.IsType<SteamCoat>(gloss.Coats[0]);
    }

    [Fact]
    public void Lustre_goes_where_it_is_wanted_and_all_over_where_all_of_it_shimmers()
    {
        Assert.Equal([PlaceKind.Tip], Finished(Finish.Pearl, zones: [Zone.Tip]).Lustres.Select(coat => coat.Place.Kind));
        Assert.Equal([PlaceKind.Base, PlaceKind.Tip], Finished(Finish.Frosted, zones: [Zone.Tip, Zone.Base]).Lustres.Select(coat => coat.Place.Kind).Order());
        var all = Assert.Single(Finished(Finish.Metallic, Finish.Metallic).Lustres);
        Assert.Equal((PlaceKind.Whole, Sides.Both), (all.Place.Kind, all.Sides));
        Assert.Empty(FinishCoats.For(Plan().Targets, [], TestData.Cabinet, Guid.NewGuid).OfType<DustCoat>());
    }

    /// <summary>Three parts whose squares add up to the CIE 1994 difference (graphic arts weights), written out in full here.</summary>
    [Fact]
    public void A_zone_distance_is_the_difference_of_1994() => Gen.Select(Colours, Colours).Holds((target, colour) =>
    {
        Span<double> parts = stackalloc double[3];
        new ZoneDistance(target).Put(colour, parts);
        double dL = colour.L - target.L, da = colour.A - target.A, db = colour.B - target.B;
        // Along the target's own direction, as the solver takes it; the textbook takes the difference of chromas, which agrees nearby.
        var along = target.Chroma > 1e-6 ? (da * target.A + db * target.B) / target.Chroma : da;
        var across2 = Math.Max(0, da * da + db * db - along * along);
        var expected = dL * dL + Math.Pow(along / (1 + 0.045 * target.Chroma), 2) + across2 / Math.Pow(1 + 0.015 * target.Chroma, 2);
        Assert.Equal(expected, parts[0] * parts[0] + parts[1] * parts[1] + parts[2] * parts[2], 1e-6 * (1 + expected));
    });

    [Fact]
    public void Near_a_target_the_distance_is_about_the_difference_that_is_shown() => Gen.Select(
        Gen.Double[30, 85], Gen.Double[-35, 35], Gen.Double[-20, 35], Gen.Double[-1.5, 1.5], Gen.Double[-1.5, 1.5], Gen.Double[-1.5, 1.5]).Holds((l, a, b, dl, da, db) =>
    {
        var target = new Lab(l, a, b);
        var colour = new Lab(l + dl, a + da, b + db);
        Span<double> parts = stackalloc double[3];
        new ZoneDistance(target).Put(colour, parts);
        var rough = Math.Sqrt(parts[0] * parts[0] + parts[1] * parts[1] + parts[2] * parts[2]);
        Assert.InRange(rough - DeltaE2000.Between(target, colour), -2, 2);
    });

    /// <summary>A linear problem within bounds, against coordinate descent until nothing moves.</summary>
    [Fact]
    public void The_solver_finds_the_least_squares_within_bounds() => Gen.Select(Gen.Double[-1, 1].Array[12], Gen.Double[-1, 1].Array[6]).Holds(
        (matrix, wanted) =>
        {
            double[] Miss(double[] x) => [.. Enumerable.Range(0, 6).Select(row => matrix[2 * row] * x[0] + matrix[2 * row + 1] * x[1] - wanted[row])];
            double Cost(double[] x) => Miss(x).Sum(part => part * part);
            double[] most = [0.8, 0.5], x = [0.1, 0.1];
            for (var sweep = 0; sweep < 4000; sweep++)
            {
                for (var i = 0; i < 2; i++)
                {
                    double slope = 0, curve = 0;
                    var miss = Miss(x);
                    for (var row = 0; row < 6; row++)
                        (slope, curve) = (slope + matrix[2 * row + i] * miss[row], curve + matrix[2 * row + i] * matrix[2 * row + i]);
                    x[i] = Math.Clamp(x[i] - slope / (curve + 1e-12), 0, most[i]);
                }
            }

            var solved = AmountSolver.Solve([0.3, 0.3], most, Miss, 60);
            Assert.All(solved.Zip(most), pair => Assert.InRange(pair.First, 0, pair.Second));
            Assert.InRange(Cost(solved) - Cost(x), -1e-6, 0.005);
        },
        turns: 200);

    [Fact]
    public void A_solver_never_ends_worse_than_it_began() => Gen.Select(Gen.Double[0, 1], Gen.Double[0, 1], Gen.Double[0, 3]).Holds((a, b, phase) =>
    {
        double[] Miss(double[] x) => [Math.Sin(5 * x[0] + phase) + x[1], x[0] * x[1] - 0.3, Math.Exp(x[1]) - 1.2];
        var solved = AmountSolver.Solve([a, b], [1, 1], Miss, 30);
        Assert.True(Miss(solved).Sum(part => part * part) <= Miss([a, b]).Sum(part => part * part) + 1e-12);
    });

    /// <summary>Pots in small whole parts, laid as a hand calls it; as near to what was solved as the steps allow.</summary>
    [Fact]
    public void A_dust_by_hand_is_a_named_load_of_whole_parts() => Gen.Select(Gen.Double[0.02, 0.25], Gen.Double[0, 0.1], Gen.Double[0, 0.3]).Holds((one, other, starch) =>
    {
        var solved = new CandidateCoat(Dust("wine-lees"), ["wine-lees", "nettle", "plain-cornstarch"], [one, other, starch]);
        HandCoat[] hands = [.. HandCoat.Of(solved, starchAt: 2, touchGPerMl: 0)];
        // In every load that it fits in, the heaviest at least.
        Assert.Equal(Math.Max(1, DustLoad.Named.Count(load => load.MgPerCm2 >= one + other)), hands.Length);
        Assert.All(hands, hand =>
        {
            var coat = (DustCoat)hand.Coat;
            Assert.Contains(coat.LoadMgPerCm2, DustLoad.Named.Select(load => load.MgPerCm2));
            Assert.All(coat.Mix, portion => Assert.True(portion.Parts is >= 1 and <= 12 && portion.Parts == Math.Floor(portion.Parts)));
            // As much colour lies there as was solved; the starch is what makes up the load.
            Assert.Equal(one + other, hand.Candidate.Amounts[0] + hand.Candidate.Amounts[1], 0.13 * coat.LoadMgPerCm2);
            Assert.All(hand.Neighbours(), near => Assert.InRange(near.Step, 0, DustLoad.Named.Count - 1));
        });
    });

    [Fact]
    public void A_wash_by_hand_is_touches_to_a_spoon()
    {
        const double touchGPerMl = 0.012 / 5;
        var wash = new WashCoat(Guid.NewGuid(), [], "clear-spirit", 0, 0.003, Place.Whole, Sides.Face);
        WashCoat ByHand(params double[] amounts) => (WashCoat)HandCoat.Of(new CandidateCoat(wash, ["rowan", "quince"], amounts), null, touchGPerMl).Single().Coat;
        Assert.Equal(3, ByHand(0.0052, 0.0021).GPerMl / touchGPerMl, 1e-9);
        Assert.Equal(0.5, ByHand(0.0011, 0).GPerMl / touchGPerMl, 1e-9);
        Assert.Equal([new Portion("rowan", 2), new Portion("quince", 1)], ByHand(0.02, 0.01).Mix);
        Assert.Equal([new Portion("rowan", 1)], ByHand(0.02, 0.0001).Mix);
    }

    /// <summary>In the measure that takes the fewest; a weak wash in more spoons.</summary>
    [Theory]
    [InlineData(1, 1, DoseUnitKind.Touch, 1)]
    [InlineData(3, 3, DoseUnitKind.Touch, 1)]
    [InlineData(0.5, 1, DoseUnitKind.Touch, 2)]
    [InlineData(0.25, 1, DoseUnitKind.Touch, 4)]
    [InlineData(40, 2, DoseUnitKind.Pea, 1)]
    [InlineData(43, 2, DoseUnitKind.Pea, 1)]
    [InlineData(50, 5, DoseUnitKind.Pea, 2)]
    [InlineData(66.7, 7, DoseUnitKind.Pea, 2)]
    public void The_strength_of_a_wash_is_counted(double touches, double count, DoseUnitKind unit, int spoons)
    {
        var rowan = TestData.Cabinet.Get<Colourant>("rowan") with { Units = [new DoseUnit(DoseUnitKind.Touch, 0.01), new DoseUnit(DoseUnitKind.Pea, 0.2)] };
        var cabinet = new Materials([rowan]);
        var wash = new WashCoat(Guid.NewGuid(), [new("rowan", 1)], "clear-spirit", touches * 0.01 / WashStrength.SpoonMl, 0.003, Place.Whole, Sides.Face);
        Assert.Equal(new WashStrength(unit, count, spoons), WashStrength.Of(wash, cabinet));
    }

    [Fact]
    public void Washes_come_before_details_that_are_painted()
    {
        WashCoat Wash(Marking? marking) => new(Guid.NewGuid(), [new("rowan", 1)], "clear-spirit", 0.02, 0.003, Place.Whole, Sides.Face) { Marking = marking };
        var (freckles, wash) = (Wash(new Marking(MarkingKind.Dots, 1, 3, 0.8, 3)), new CandidateCoat(Wash(null), ["rowan"], [0.02]));
        Assert.Equal([wash.Coat, freckles], new CoatOrder(TestData.Cabinet).Sorted([CandidateCoat.Kept(freckles), wash]).Select(candidate => candidate.Coat));
    }

    [Fact]
    public void Parts_of_a_piece_add_up_and_its_foot_is_small() => Gen.Select(Gen.Double[10, 80], Gen.Double[10, 80]).Holds((length, width) =>
    {
        var parts = PieceParts.Of((Petal with { LengthMm = length, WidthMm = width }).Shape());
        Assert.Equal(1, parts.Values.Sum(), 1e-9);
        Assert.Equal(0.5, parts[Zone.Back]);
        Assert.True(parts[Zone.Heart] > parts[Zone.Base]);
    });

    [Fact]
    public void A_coat_earns_its_keep_at_the_worst_zone_or_in_the_mean()
    {
        double[] with = [1, 1, 1, 1, 3];
        Assert.True(MakersWeights.Earns(with, [1, 1, 1, 1, 3.8]));
        Assert.False(MakersWeights.Earns(with, [1, 1, 1, 2.5, 3]));
        Assert.True(MakersWeights.Earns(with, [1.5, 1.5, 1.5, 1.5, 3]));
        // What brings one more zone to where an eye accepts it is missed, however little that is.
        Assert.True(MakersWeights.Earns(with, [1, 1, 1, 1, 3.1]));
        Assert.False(MakersWeights.Earns(with, with));
    }

    [Fact]
    public void Coats_are_put_in_the_order_that_the_bench_needs() => Gen.Shuffle(new[] { 0, 1, 2, 3, 4, 5, 6 }).Holds(order =>
    {
        Coat[] coats =
        [
            Dust("wine-lees"), new WashCoat(Guid.NewGuid(), [new("rowan", 1)], "clear-spirit", 0.02, 0.003, Place.Whole, Sides.Face), Steam,
            new DustCoat(Guid.NewGuid(), [new("moonmilk", 1)], 0.1, Place.Whole, Sides.Face), Glaze(),
            new PollenCoat(Guid.NewGuid(), "crumb", "glue", 0.5, Place.Whole, Sides.Face), Dust("guelder") with { AfterAssembly = true },
        ];
        var sorted = new CoatOrder(TestData.Cabinet).Sorted([.. order.Select(i => CandidateCoat.Kept(coats[i]))]);
        Assert.Equal(coats, sorted.Select(candidate => candidate.Coat));
    });

    [Fact]
    public void New_dusts_go_on_pale_before_deep()
    {
        CandidateCoat New(string id) => new(Dust(id), [id], [0.1]);
        var sorted = new CoatOrder(TestData.Cabinet).Sorted([New("jackdaw"), New("catkin"), CandidateCoat.Kept(Dust("peat")), New("guelder")]);
        Assert.Equal(["peat", "catkin", "guelder", "jackdaw"], sorted.Select(candidate => ((DustCoat)candidate.Coat).Mix[0].MaterialId));
    }

    private static readonly Gen<Coat[]> Stacks = Gen.Select(Gen.Int[0, 6], Gen.Double[0.02, 0.3], Gen.Double[0.1, 0.5]).Select((kind, load, fade) => kind switch
    {
        0 => new SteamCoat(Guid.NewGuid(), 8),
        1 => Glaze() with { Id = Guid.NewGuid() },
        2 => new WashCoat(Guid.NewGuid(), [new("rowan", 1)], "clear-spirit", load / 10, 0.003, Place.Whole, Sides.Both),
        _ => (Coat)Dust(new[] { "wine-lees", "nettle", "catkin", "guelder" }[kind - 3], load, new Place((PlaceKind)(kind - 3), 0, 0.2, fade), Sides.Both),
    }).Array[0, 6];

    /// <summary>Fewer points see about what all see: near enough to choose by.</summary>
    [Fact]
    public void The_quick_look_agrees_with_the_full_one() => Stacks.Holds(
        coats =>
        {
            var eye = new ZoneColourEvaluator(new ResolvedPlan(Plan() with { Coats = coats }, TestData.Cabinet), Shape);
            var quick = new CoatSimulator(Shape, TestData.Cabinet).See(PasteOptics.Mix(Plan().Paste, TestData.Cabinet), coats);
            foreach (var zone in Enum.GetValues<Zone>())
            {
                Assert.InRange(DeltaE2000.Between(eye.See(zone), quick[(int)zone]), 0, 6);
                Assert.Equal(quick[(int)zone], new CoatSimulator(Shape, TestData.Cabinet).See(PasteOptics.Mix(Plan().Paste, TestData.Cabinet), coats, zone)[0]);
            }
        },
        turns: 40);

    /// <summary>A coat all over has one load everywhere but for the veins: then a mean of loads sees nearly what a mean of looks does.</summary>
    [Fact]
    public void A_probe_sees_nearly_what_the_piece_shows() => Gen.Select(Gen.Int[0, 3], Gen.Double[0.02, 0.25]).Holds((dust, load) =>
    {
        var id = new[] { "wine-lees", "nettle", "guelder", "cockle" }[dust];
        var mix = PasteOptics.Mix(Plan().Paste, TestData.Cabinet);
        var layup = new CoatSimulator(Shape, TestData.Cabinet);
        Coat[] below = [Dust("catkin", 0.1)], above = [Steam, Glaze()];
        var candidate = new CandidateCoat(Dust(id), [id, "plain-cornstarch"], [load / 2, load / 2]);
        foreach (var zone in new[] { Zone.Heart, Zone.Rim, Zone.Base })
        {
            var probed = layup.Probe(mix, below, above, candidate.Coat, zone).See(candidate, candidate.Amounts);
            var seen = layup.See(mix, [.. below, candidate.Coat, .. above], zone)[0];
            Assert.InRange(DeltaE2000.Between(probed, seen), 0, 2);
        }

        // A coat on the face does nothing to the back.
        var back = layup.Probe(mix, below, above, candidate.Coat, Zone.Back).See(candidate, candidate.Amounts);
        Assert.Equal(0, DeltaE2000.Between(back, layup.See(mix, [.. below, .. above], Zone.Back)[0]), 1e-6);
    });

    [Theory]
    [InlineData(true, false, "moonmilk", false)]
    [InlineData(false, false, "moonmilk", true)]
    [InlineData(true, false, "nettle", true)]
    public void The_rules_allow_what_the_guests_may_have(bool eatIt, bool vegan, string id, bool allowed) =>
        Assert.Equal(allowed, new PlannerRules(new Guests(eatIt, vegan ? [Diet.Vegan] : [])).Allows(TestData.Cabinet.Get<Material>(id)));

    [Fact]
    public void What_has_run_out_or_is_retired_is_not_taken()
    {
        var nettle = TestData.Cabinet.Get<Dust>("nettle");
        var rules = new PlannerRules(Guests.Any);
        Assert.True(rules.Allows(nettle with { Supply = new Supply(null, null) }));
        Assert.False(rules.Allows(nettle with { Supply = new Supply(0, null) }));
        Assert.True((rules with { WithinStock = false }).Allows(nettle with { Supply = new Supply(0, null) }));
        Assert.False(rules.Allows(nettle with { Label = nettle.Label with { IsRetired = true } }));
        Assert.False(new PlannerRules(new Guests(false, [Diet.Vegan])).Allows(nettle with { Label = nettle.Label with { Contains = [Ingredient.Shellac] } }));
    }
}
