using CsCheck;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.CoatPlanning;
using YoungTinge.Core.Coats.Advice;
using YoungTinge.Core.Coats.Learning;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Learning;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Optics;
using static YoungTinge.Core.Tests.TestPlans;

namespace YoungTinge.Core.Tests.CoatPlanning;

/// <summary>The planner: it reaches what can be reached, leaves what is locked, and keeps the rules of the bench.</summary>
public class PlannerTests
{
    private static readonly Gen<Coat> Dusted = Gen.Select(Gen.Int[0, 9], Gen.Double[0.03, 0.25], Gen.Int[1, 4], Gen.Double[0.1, 0.4]).Select((dust, load, place, fade) => (Coat)new DustCoat(
        Guid.NewGuid(),
        [new(new[] { "catkin", "guelder", "wine-lees", "cockle", "nettle", "sedge", "duckweed", "knapweed", "furze", "hazel-husk" }[dust], 1), new("plain-cornstarch", 2)],
        load, place == 2 ? new Place(PlaceKind.Rim, 0, 1.5, 6) : new Place((PlaceKind)place, 0, 0.15, fade), Sides.Face));

    private static CoatPlanner Planner(PiecePlan plan, PlannerRules? rules = null, Materials? materials = null) =>
        new(plan, Petal, 7, materials ?? TestData.Cabinet, rules ?? new PlannerRules(Guests.Any), Guid.NewGuid);

    /// <summary>What some hand has made can be made again: targets taken from a random plan.</summary>
    private static PiecePlan Made(params Coat[] coats)
    {
        var plan = Plan([.. coats, Steam]);
        return plan with { Targets = BuildUp.Of(new ResolvedPlan(plan, TestData.Cabinet), Petal.Shape()).ToDictionary(zone => zone.Zone, zone => Target.Of(zone.Finished)), Coats = [] };
    }

    [Fact]
    public void A_look_that_was_made_once_is_reached_again()
    {
        foreach (var coats in Dusted.Array[1, 4].Fixed(8))
        {
            var proposal = Planner(Made(coats)).Propose(Approach.PasteLed, keepsPaste: true)!;
            Assert.True(proposal.WorstDeltaE <= CoatPlanner.ReachedDeltaE, $"{proposal.WorstDeltaE:0.0}: {string.Join(' ', proposal.Zones.Select(zone => $"{zone.Zone} {zone.Difference.DeltaE:0.0}"))}");
            Assert.Empty(PlanCheck.Problems(proposal.Plan, TestData.Cabinet));
            Assert.Empty(proposal.Help);
        }
    }

    [Fact]
    public void A_search_tells_that_it_goes_on_from_its_first_step()
    {
        var told = new List<double>();
        Planner(Made(Dust("guelder", 0.2))).Propose(Approach.PasteLed, keepsPaste: false, progress: told.Add);
        Assert.True(told.Count > 10, $"{told.Count} times");
        Assert.InRange(told[0], 0.001, 0.05);
        Assert.Equal(told.Order(), told);
        Assert.All(told, share => Assert.InRange(share, 0, 1));
    }

    /// <summary>Whoever waits no longer gets a plan that is whole, if not the best; and one that can be made, however early it is broken off.</summary>
    [Fact]
    public void A_search_that_is_late_ends_with_a_plan_that_can_be_made()
    {
        var wanted = Made(Dust("guelder", 0.2), Dust("nettle", 0.1, new Place(PlaceKind.Base, 0, 0.15, 0.3)));
        var (steps, stepsWhenLate) = (0, 0);
        var best = Planner(wanted).Propose(Approach.DustLed, keepsPaste: false, progress: _ => steps++)!;
        var late = Planner(wanted).Propose(Approach.DustLed, keepsPaste: false, progress: _ => stepsWhenLate++, patience: 500)!;
        var over = Planner(wanted).Propose(Approach.PasteLed, keepsPaste: false, patience: 0)!;
        Assert.True(stepsWhenLate < steps, $"{stepsWhenLate} of {steps}");
        Assert.InRange(late.WorstDeltaE, 0, best.WorstDeltaE + 4);
        Assert.NotEmpty(late.Plan.Coats.OfType<DustCoat>());
        Assert.All([late, over], proposal => Assert.Empty(PlanCheck.Problems(proposal.Plan, TestData.Cabinet)));
    }

    [Fact]
    public void What_washes_alone_do_not_reach_is_said_so()
    {
        // Paler than the paste: dust of a pale colour lies on it, a wash only sinks in.
        var plan = Plan() with { Paste = new PasteRecipe("bright-white-paste", [new Dose("rowan", 1)]) };
        var wanted = plan with { Targets = Enum.GetValues<Zone>().ToDictionary(zone => zone, _ => Target.Of(new Lab(80, 12, 6))) };
        var washed = Planner(wanted).Propose(Approach.WashLed, keepsPaste: true)!;
        Assert.NotEmpty(washed.Help);
        Assert.Contains(washed.Help, help => help.Help == Help.NotByWashes);
        Assert.DoesNotContain(washed.Help, help => help.Help == Help.OtherTarget && help.DeltaE < washed.Zones.Single(zone => zone.Zone == help.Zone).Difference.DeltaE);
    }

    [Fact]
    public void Every_way_can_be_made_and_breaks_no_order()
    {
        var wanted = Made(Dust("guelder", 0.2), Dust("nettle", 0.2, new Place(PlaceKind.Base, 0, 0.1, 0.25)));
        foreach (var approach in Enum.GetValues<Approach>())
        {
            var proposal = Planner(wanted).Propose(approach, keepsPaste: false)!;
            Assert.Empty(PlanCheck.Problems(proposal.Plan, TestData.Cabinet));
            AdviceCode[] ordered = [AdviceCode.DustOverGlaze, AdviceCode.PaintOverGlaze, AdviceCode.SteamOverGlaze, AdviceCode.SteamOverLustre, AdviceCode.DustOverPaint, AdviceCode.GlazeOverLooseDust, AdviceCode.CoatOverPollen];
            Assert.DoesNotContain(PlanAdvisor.For(new ResolvedPlan(proposal.Plan, TestData.Cabinet), DosedRecipe.For(proposal.Plan.Paste, 100, TestData.Cabinet)), advice => ordered.Contains(advice.Code));
            // What is told of it is what the plan really comes to.
            var seen = BuildUp.Of(new ResolvedPlan(proposal.Plan, TestData.Cabinet), Petal.Shape());
            Assert.Equal(seen.Max(zone => zone.Difference.DeltaE), proposal.WorstDeltaE, 1e-9);
            Assert.True(proposal.MinutesForAll > 0 && proposal.RiskDeltaE > 0);
            Assert.NotNull(TestData.Cabinet.Find(proposal.RiskMaterialId!));
            Assert.Equal(approach == Approach.Marbled, proposal.Marble.Count > 0);
            if (approach == Approach.DustLed)
                Assert.Empty(proposal.Plan.Paste.Doses);
            if (approach == Approach.WashLed)
                Assert.DoesNotContain(proposal.Plan.Coats, coat => coat is DustCoat);
        }
    }

    [Fact]
    public void What_is_locked_or_painted_stays_as_it_is()
    {
        var locked = Dust("scabious", 0.1, new Place(PlaceKind.Tip, 0, 0.2, 0.3)) with { IsLocked = true };
        var freckles = new WashCoat(Guid.NewGuid(), [new("foxberry", 1)], "clear-spirit", 0.15, 0.004, Place.Whole, Sides.Face) { Marking = new Marking(MarkingKind.Dots, 1, 3, 0.8, 3) };
        var loose = Dust("peat", 0.4);
        var wanted = Made(Dust("guelder", 0.1)) with { Coats = [loose, freckles, locked] };
        var coats = Planner(wanted).Propose(Approach.PasteLed, keepsPaste: false)!.Plan.Coats;
        Assert.Contains(locked, coats);
        Assert.Contains(freckles, coats);
        Assert.DoesNotContain(coats, coat => coat.Id == loose.Id);
        // Dust before paint, whatever the order was.
        Assert.True(coats.Index().First(one => one.Item.Id == locked.Id).Index < coats.Index().First(one => one.Item.Id == freckles.Id).Index);
    }

    [Fact]
    public void It_works_back_through_the_glaze_that_the_finish_asks_for()
    {
        var wanted = Made(Dust("guelder", 0.15));
        var gloss = wanted with { Targets = wanted.Targets.ToDictionary(target => target.Key, target => target.Value with { Finish = Finish.Gloss }) };
        var proposal = Planner(gloss).Propose(Approach.PasteLed, keepsPaste: false)!;
        Assert.Contains(proposal.Plan.Coats, coat => coat is GlazeCoat { Sides: Sides.Both });
        Assert.IsNotType<SteamCoat>(proposal.Plan.Coats[^1]);
        Assert.True(proposal.WorstDeltaE <= CoatPlanner.ReachedDeltaE);
        // Before the glaze it is paler than in the end.
        var heart = BuildUp.Of(new ResolvedPlan(proposal.Plan, TestData.Cabinet), Petal.Shape()).Single(zone => zone.Zone == Zone.Heart);
        Assert.True(heart.Colours[^2].L > heart.Finished.L);
        // Pearl at the tip alone brings lustre there, after the steam.
        var pearl = wanted with { Targets = wanted.Targets.ToDictionary(target => target.Key, target => target.Key == Zone.Tip ? target.Value with { Finish = Finish.Pearl } : target.Value) };
        var coats = Planner(pearl).Propose(Approach.PasteLed, keepsPaste: false)!.Plan.Coats;
        var lustre = coats.OfType<DustCoat>().Single(dust => DustMix.IsLustrous(dust.Mix, TestData.Cabinet));
        Assert.Equal(PlaceKind.Tip, lustre.Place.Kind);
        Assert.True(coats.Index().First(one => one.Item is SteamCoat).Index < coats.Index().First(one => one.Item == lustre).Index);
    }

    [Fact]
    public void A_locked_steam_still_gets_the_glaze_that_is_wanted_and_a_locked_glaze_no_second_one()
    {
        var wanted = Made(Dust("guelder", 0.15));
        var gloss = wanted with { Targets = wanted.Targets.ToDictionary(target => target.Key, target => target.Value with { Finish = Finish.Gloss }) };
        var steam = new SteamCoat(Guid.NewGuid(), 20) { IsLocked = true };
        var steamed = Planner(gloss with { Coats = [steam] }).Propose(Approach.PasteLed, keepsPaste: true)!.Plan.Coats;
        Assert.Equal([steam], steamed.OfType<SteamCoat>());
        Assert.Single(steamed.OfType<GlazeCoat>());
        var satin = Glaze("satin-veil") with { Id = Guid.NewGuid(), IsLocked = true };
        var glazed = Planner(gloss with { Coats = [satin] }).Propose(Approach.PasteLed, keepsPaste: true)!.Plan.Coats;
        Assert.Equal([satin], glazed.OfType<GlazeCoat>());
        Assert.Single(glazed.OfType<SteamCoat>());
    }

    [Fact]
    public void A_slip_is_blamed_on_the_colour_and_not_on_its_starch()
    {
        var plan = Plan(new DustCoat(Guid.NewGuid(), [new("wine-lees", 1), new("plain-cornstarch", 6)], 0.1, Place.Whole, Sides.Both)) with { Paste = new PasteRecipe("bright-white-paste", []) };
        Assert.Equal("wine-lees", PlanRisk.Of(new ResolvedPlan(plan, TestData.Cabinet), Petal.Shape(), 100).MaterialId);
    }

    [Fact]
    public void A_zone_that_its_neighbours_hold_back_is_told_so_before_anything_else()
    {
        // A green foot beside a red heart on one small piece, with nothing but washes all over allowed to be long.
        var wanted = Made(Dust("guelder", 0.3, new Place(PlaceKind.Heart, 0, 0.2, 0.3)));
        var torn = wanted with
        {
            Targets = wanted.Targets.ToDictionary(target => target.Key, target => target.Key == Zone.Tip ? Target.Of(new Lab(40, -25, 20)) : target.Key == Zone.Rim ? Target.Of(new Lab(75, 40, 10)) : target.Value),
        };
        var proposal = Planner(torn).Propose(Approach.PasteLed, keepsPaste: true)!;
        Assert.All(proposal.Help.Where(help => help.DeltaE <= CoatPlanner.ReachedDeltaE), help => Assert.Equal(Help.Neighbours, help.Help));
        Assert.All(proposal.Help.Where(help => help.Help == Help.OtherTarget), help => Assert.True(help.DeltaE > CoatPlanner.ReachedDeltaE));
    }

    [Fact]
    public void Guests_and_stock_bound_what_it_takes()
    {
        var wanted = Made(Dust("scabious", 0.2), Dust("bog-myrtle", 0.2, new Place(PlaceKind.Base, 0, 0.1, 0.2)));
        var edible = Planner(wanted, new PlannerRules(new Guests(true, []))).Propose(Approach.PasteLed, keepsPaste: false)!;
        Assert.Equal(FoodStatus.Edible, edible.FoodStatus);
        var without = new Materials(TestData.Cabinet.All.Select(material => material is Dust { Kind: DustKind.Matte } dust && dust.Id != "nettle" ? dust with { Supply = new Supply(0, null) } : material));
        var dusts = Planner(wanted, materials: without).Propose(Approach.DustLed, keepsPaste: false)!.Plan.Coats.OfType<DustCoat>().SelectMany(coat => coat.Mix).Select(portion => portion.MaterialId);
        Assert.All(dusts, id => Assert.Contains(id, new[] { "nettle", "plain-cornstarch" }));
    }

    [Fact]
    public void What_cannot_be_reached_is_said_with_what_would_help()
    {
        // A blazing blue that only a jar that has run out comes near to.
        var wanted = Made(Dust("damselfly", 0.5), Dust("scabious", 0.3));
        var shelf = new Materials(TestData.Cabinet.All.Where(material => material is not Dust { Kind: DustKind.Matte } || material.Id is "furze" or "damselfly" or "scabious")
            .Select(material => material.Id is "damselfly" or "scabious" ? ((Dust)material) with { Supply = new Supply(0, null) } : material));
        var proposal = Planner(wanted, materials: shelf).Propose(Approach.DustLed, keepsPaste: false)!;
        Assert.True(proposal.WorstDeltaE > CoatPlanner.ReachedDeltaE);
        Assert.Equal(proposal.Zones.Where(zone => zone.Difference.DeltaE > CoatPlanner.ReachedDeltaE).Select(zone => zone.Zone), proposal.Help.Select(help => help.Zone));
        Assert.All(proposal.Help.Where(help => help.Help == Help.Restock), help => Assert.Contains(help.MaterialId, new[] { "damselfly", "scabious" }));
        // No cabinet comes to a colour that no surface is.
        var glowing = wanted with { Targets = wanted.Targets.ToDictionary(target => target.Key, _ => Target.Of(new Lab(60, 90, -90))) };
        Assert.All(Planner(glowing).Propose(Approach.PasteLed, keepsPaste: true)!.Help, help => Assert.Equal(Help.OtherTarget, help.Help));
    }

    [Fact]
    public void Without_paste_or_colour_there_is_no_such_way()
    {
        var bare = new Materials([TestData.Cabinet.Get<PasteBase>("bright-white-paste"), TestData.Cabinet.Get<Dust>("nettle")]);
        var plan = Made() with { Paste = new PasteRecipe("bright-white-paste", []) };
        Assert.Null(Planner(plan, materials: bare).Propose(Approach.WashLed, keepsPaste: false));
        Assert.Null(Planner(plan).Propose(Approach.Marbled, keepsPaste: true));
        // White paste and dust is one way, whatever it is asked for as; and a coloured paste that stays is not led by dust.
        Assert.Null(Planner(plan, materials: bare).Propose(Approach.PasteLed, keepsPaste: false));
        Assert.NotNull(Planner(plan, materials: bare).Propose(Approach.DustLed, keepsPaste: false));
        Assert.Null(Planner(Made(Dust("guelder", 0.2))).Propose(Approach.DustLed, keepsPaste: true));
    }

    /// <summary>White paste for a white flower: nothing is dusted on, and nothing steamed.</summary>
    [Fact]
    public void What_is_there_already_is_left_alone()
    {
        var white = new PasteRecipe("bright-white-paste", []);
        var colour = PasteOptics.ColourOf(white, TestData.Cabinet);
        var plan = Plan() with { Paste = white, Coats = [], Targets = Enum.GetValues<Zone>().ToDictionary(zone => zone, _ => Target.Of(colour)) };
        Assert.Empty(Planner(plan).Propose(Approach.PasteLed, keepsPaste: false)!.Plan.Coats);
        Assert.All([Approach.DustLed, Approach.WashLed, Approach.Marbled], approach => Assert.Null(Planner(plan).Propose(approach, keepsPaste: false)));
    }

    /// <summary>Each coat taken out of what was proposed, and all the rest planned anew without opening another jar: it is missed.</summary>
    [Fact]
    public void Every_coat_and_every_colour_earns_its_keep()
    {
        foreach (var coats in Dusted.Array[2, 4].Fixed(3))
        {
            var wanted = Made(coats);
            var proposal = Planner(wanted).Propose(Approach.PasteLed, keepsPaste: true)!;
            var dusts = proposal.Plan.Coats.OfType<DustCoat>().ToList();
            var with = proposal.Zones.Select(zone => zone.Difference.DeltaE).ToList();
            foreach (var dust in dusts)
            {
                // All others as they were: the least that solving them anew could do.
                var without = BuildUp.Of(new ResolvedPlan(proposal.Plan with { Coats = [.. proposal.Plan.Coats.Where(coat => coat.Id != dust.Id)] }, TestData.Cabinet), Petal.Shape());
                Assert.True(MakersWeights.Earns(with, [.. without.Select(zone => zone.Difference.DeltaE)]));
                Assert.All(dust.Mix, portion => Assert.Equal(portion.Parts, Math.Round(portion.Parts)));
                Assert.Contains(dust.LoadMgPerCm2, DustLoad.Named.Select(load => load.MgPerCm2));
            }
        }
    }

    /// <summary>Other jars are not opened for what no eye sees; for what every eye sees they are, and nothing idle is kept for the sake of standing.</summary>
    [Fact]
    public void A_plan_that_is_near_stands_when_its_targets_move_by_a_little()
    {
        static PiecePlan Moved(PiecePlan plan, double lightness) => plan with { Targets = plan.Targets.ToDictionary(target => target.Key, target => target.Value with { Colour = target.Value.Colour with { L = target.Value.Colour.L + lightness } }) };
        var near = 0;
        foreach (var coats in Dusted.Array[1, 2].Fixed(8))
        {
            var before = Planner(Made(coats)).Propose(Approach.PasteLed, keepsPaste: false)!;
            Assert.False(before.Stands);
            // Nearer by as much as other jars are worth is not to be had.
            if (!before.Plan.Coats.OfType<DustCoat>().Any() || before.WorstDeltaE > 2 * MakersWeights.WorthAtTheWorst - 0.3 || before.DeltaEs().Average() > 2 * MakersWeights.WorthInTheMean - 0.3)
                continue;
            near++;
            var after = Planner(Moved(before.Plan, 0.3)).Propose(Approach.PasteLed, keepsPaste: false)!;
            Assert.True(after.Stands);
            Assert.Equal(before.Plan.Paste, after.Plan.Paste);
            Assert.Equal(before.Plan.Coats.OfType<DustCoat>(), after.Plan.Coats.OfType<DustCoat>());
            Assert.InRange(after.WorstDeltaE, 0, before.WorstDeltaE + 0.5);

            Assert.False(Planner(Moved(before.Plan, -12)).Propose(Approach.PasteLed, keepsPaste: false)!.Stands);
            var idle = before.Plan with { Coats = [Dust("cockle", 0.001), .. before.Plan.Coats] };
            Assert.DoesNotContain(Planner(idle).Propose(Approach.PasteLed, keepsPaste: false)!.Plan.Coats, coat => coat.Id == idle.Coats[0].Id);
        }

        Assert.InRange(near, 2, 8);
    }

    [Fact]
    public void Nothing_that_is_proposed_is_scolded_by_the_bench()
    {
        AdviceCode[] bench =
        [
            AdviceCode.DustOverGlaze, AdviceCode.PaintOverGlaze, AdviceCode.SteamOverGlaze, AdviceCode.SteamOverLustre, AdviceCode.DustOverPaint, AdviceCode.GlazeOverLooseDust,
            AdviceCode.CoatOverPollen, AdviceCode.DustNotCut, AdviceCode.WaterOnThinPiece, AdviceCode.HardLine,
        ];
        foreach (var coats in Dusted.Array[1, 3].Fixed(3))
        {
            var wanted = Made(coats);
            foreach (var proposal in Enum.GetValues<Approach>().Select(approach => Planner(wanted).Propose(approach, keepsPaste: false)).OfType<Proposal>())
                Assert.DoesNotContain(PlanAdvisor.For(new ResolvedPlan(proposal.Plan, TestData.Cabinet), DosedRecipe.For(proposal.Plan.Paste, 100, TestData.Cabinet)), advice => bench.Contains(advice.Code));
        }
    }

    /// <summary>Of two dusts that do nearly the same, the one whose jar stands open is taken.</summary>
    [Fact]
    public void A_jar_that_stands_open_is_taken_before_another()
    {
        var wanted = Made(Dust("guelder", 0.2));
        var twin = TestData.Cabinet.Get<Dust>("guelder");
        var shelf = new Materials(TestData.Cabinet.All.Append(twin with { Label = twin.Label with { Id = "guelder-twin", Name = "Guelder twin" } }));
        foreach (var open in new[] { "guelder", "guelder-twin" })
        {
            var proposal = Planner(wanted, new PlannerRules(Guests.Any) { InUse = new HashSet<string> { open } }, shelf).Propose(Approach.PasteLed, keepsPaste: true)!;
            Assert.Contains(proposal.Plan.Coats.OfType<DustCoat>(), coat => coat.Mix.Any(portion => portion.MaterialId == open));
        }
    }

    /// <summary>Two jars of one dust: which was read decides, though neither comes nearer.</summary>
    [Fact]
    public void Of_dusts_that_do_the_same_the_one_that_was_read_is_taken()
    {
        var wanted = Made(Dust("guelder", 0.2));
        var dust = TestData.Cabinet.Get<Dust>("guelder");
        var shelf = new Materials(TestData.Cabinet.All.Append(dust with { Label = dust.Label with { Id = "guelder-twin", Name = "Guelder twin" } }));
        var pastes = Learner.Learn(LearnedCabinet.JarsOf(shelf, []), shelf.All.OfType<PasteBase>().ToDictionary(paste => paste.Id, paste => paste.Optics), [], DateTimeOffset.UnixEpoch);
        foreach (var read in new[] { "guelder", "guelder-twin" })
        {
            var zone = FinishedZone.Coated(shelf.Get<Dust>(read), shelf.All.OfType<PasteBase>().First());
            var asListed = FinishLearner.Learn(shelf, pastes, [], DateTimeOffset.UnixEpoch).Predict(zone).Colour;
            var learned = FinishLearner.Learn(shelf, pastes, [.. Enumerable.Range(0, 4).Select(_ => new FinishReading(Guid.NewGuid(), DateTimeOffset.UnixEpoch, zone, ReadBy.Reader, asListed))], DateTimeOffset.UnixEpoch);
            var rules = new PlannerRules(Guests.Any) { LearnedDusts = learned };
            Assert.InRange(rules.DoubtOf(shelf.Get<Dust>(read)), 0, 0.9);
            Assert.Equal(1, rules.DoubtOf(shelf.Get<Dust>(read == "guelder" ? "guelder-twin" : "guelder")));
            var proposal = Planner(wanted, rules, shelf).Propose(Approach.PasteLed, keepsPaste: true)!;
            Assert.Contains(proposal.Plan.Coats.OfType<DustCoat>(), coat => coat.Mix.Any(portion => portion.MaterialId == read));
        }
    }

    /// <summary>Every other jar was read, and is as its list says: nothing changes but how sure a paste is.</summary>
    [Fact]
    public void Of_pastes_that_no_eye_tells_apart_the_surer_is_taken()
    {
        var cabinet = TestData.Cabinet;
        var jars = LearnedCabinet.JarsOf(cabinet, []);
        var bases = cabinet.All.OfType<PasteBase>().ToDictionary(paste => paste.Id, paste => paste.Optics);
        var white = cabinet.Get<PasteBase>("bright-white-paste");
        var readings = jars.Values.Where((_, i) => i % 2 == 0).SelectMany(jar => new[] { 0.05, 0.2, 0.6 }.Select(dose => new PasteReading(
            Guid.NewGuid(), DateTimeOffset.UnixEpoch, white.Id, [new JarDose(jar.Id, dose)], ReadBy.Reader, Illuminant.D65.LabOf(KubelkaMunk.Opaque(white.Optics.With(jar.Listed.Times(dose)))))));
        var learned = Learner.Learn(jars, bases, [.. readings], DateTimeOffset.UnixEpoch);
        var surer = 0;
        foreach (var (l, a, b) in Gen.Select(Gen.Double[45, 85], Gen.Double[-25, 35], Gen.Double[-25, 35]).Fixed(8))
        {
            var wanted = Plan() with { Targets = Enum.GetValues<Zone>().ToDictionary(zone => zone, _ => Target.Of(new Lab(l, a, b))), Coats = [] };
            PasteRecipe PasteWith(LearnedJars? what) => Planner(wanted, new PlannerRules(Guests.Any) { Learned = what }).Propose(Approach.PasteLed, keepsPaste: false)!.Plan.Paste;
            var (listed, sure) = (PasteWith(null), PasteWith(learned));
            double RangeOf(PasteRecipe paste) => learned.Predict(paste, cabinet).Range;
            double Off(PasteRecipe paste) => DeltaE2000.Between(wanted.Targets[Zone.Heart].Colour, PasteOptics.ColourOf(paste, cabinet));
            Assert.InRange(RangeOf(sure), 0, RangeOf(listed) + 0.1);
            Assert.InRange(Off(sure), 0, Off(listed) + 0.75);
            surer += RangeOf(sure) < RangeOf(listed) - 0.1 ? 1 : 0;
        }

        Assert.InRange(surer, 1, 8);
    }

    [Fact]
    public void What_is_bought_keeps_the_colour_that_it_has()
    {
        var wanted = Made(Dust("guelder", 0.2));
        var stamens = new Piece("Stamens", "stamen", 20, 2, 1, true, PartOf.Flower, 20, 0.1);
        Assert.Equal(BodyKind.Bought, stamens.Body.Kind);
        var proposal = new CoatPlanner(wanted, stamens, 5, TestData.Cabinet, new PlannerRules(Guests.Any), Guid.NewGuid).Propose(Approach.PasteLed, keepsPaste: false);
        Assert.True(proposal is null || proposal.Plan.Paste == wanted.Paste);
    }

    /// <summary>One dust all over, every load and every cut tried: the planner comes as near as the best of them.</summary>
    [Fact]
    public void It_comes_as_near_as_trying_everything() => Gen.Select(Gen.Int[0, 4], Gen.Double[0.05, 0.35], Gen.Double[0.6, 4]).Holds(
        (dust, load, starch) =>
        {
            var ids = new[] { "guelder", "nettle", "cockle", "sedge", "knapweed" };
            DustCoat Coat(string id, double mg, double cut) => new(Guid.NewGuid(), [new(id, 1), new("plain-cornstarch", cut)], mg, Place.Whole, Sides.Both);
            var shelf = new Materials(TestData.Cabinet.All.Where(material => material is not Dust { Kind: DustKind.Matte } || ids.Contains(material.Id)));
            var wanted = Made(Coat(ids[dust], load, starch));
            double Worst(Coat coat)
            {
                var eye = new ZoneColourEvaluator(new ResolvedPlan(wanted with { Coats = [coat, Steam] }, shelf), Petal.Shape());
                return Enum.GetValues<Zone>().Max(zone => DeltaE2000.Between(wanted.Targets[zone].Colour, eye.See(zone)));
            }

            var exhaustive = (from id in ids from mg in Enumerable.Range(1, 20) from cut in new[] { 0.5, 1, 2, 4 } select Worst(Coat(id, 0.02 * mg, cut))).Min();
            var planned = Planner(wanted, materials: shelf).Propose(Approach.PasteLed, keepsPaste: true)!.WorstDeltaE;
            Assert.True(planned <= Math.Max(exhaustive, Difference.ThereBelow) + 0.3, $"{planned:0.00} against {exhaustive:0.00}");
        },
        turns: 4);

    [Fact]
    public void The_risk_is_what_the_worst_slip_really_does()
    {
        var plan = Plan(Dust("wine-lees", 0.1), Steam);
        var (risk, id) = PlanRisk.Of(new ResolvedPlan(plan, TestData.Cabinet), Petal.Shape(), 100);
        Assert.Equal(0, PlanRisk.Of(new ResolvedPlan(Plan() with { Paste = new PasteRecipe("bright-white-paste", []) }, TestData.Cabinet), Petal.Shape(), 100).DeltaE);
        Assert.True(risk > 0);
        Assert.NotNull(TestData.Cabinet.Find(id!));
        // A larger batch forgives a touch more.
        var paste = Plan() with { Paste = new PasteRecipe("bright-white-paste", [new Dose("rowan", 0.1)]) };
        Assert.True(PlanRisk.Of(new ResolvedPlan(paste, TestData.Cabinet), Petal.Shape(), 50).DeltaE >= PlanRisk.Of(new ResolvedPlan(paste, TestData.Cabinet), Petal.Shape(), 500).DeltaE);
    }
}
