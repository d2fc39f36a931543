using CsCheck;
using YoungTinge.Checks;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Learning;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Learning;

namespace YoungTinge.Core.Tests.Coats;

/// <summary>What finished zones teach of dusts and of the hand: near enough, honest about how near, and not spoiled by a slip.</summary>
public class FinishLearnerTests
{
    private static readonly DateTimeOffset Now = new(2026, 6, 1, 0, 0, 0, TimeSpan.Zero);
    private static readonly LearnedJars Pastes = Learner.Learn(
        LearnedCabinet.JarsOf(TestData.Cabinet, []), TestData.Cabinet.All.OfType<PasteBase>().ToDictionary(paste => paste.Id, paste => paste.Optics), [], Now);

    private static MakersHand Hand(params double[] times) => new([.. DustLoad.Named.Select((load, i) => new HandAt(load.MgPerCm2, times[i]))], times[3]);

    private static ZoneColourEvaluator Eye(PiecePlan plan, Materials with) => new(new ResolvedPlan(plan, with), TestPlans.Petal.Shape());

    private static FinishedZone ZoneOf(PiecePlan plan, Zone zone, string lot = "") => new(
        plan.Paste.BaseId, [.. plan.Paste.Doses.Select(dose => new JarDose(LearnedCabinet.JarId(dose.ColourantId, ""), dose.GPer100g))], plan.Coats,
        plan.Coats.SelectMany(coat => coat.MaterialIds()).Distinct().ToDictionary(id => id, _ => lot), Eye(plan, TestData.Cabinet).AsLaid(zone));

    private static FinishReading Reading(PiecePlan plan, Materials truth, Zone zone = Zone.Heart, Lab off = default, string lot = "")
    {
        var seen = Eye(plan, truth).See(zone);
        return new FinishReading(Guid.NewGuid(), Now, ZoneOf(plan, zone, lot), ReadBy.Reader, new Lab(seen.L + off.L, seen.A + off.A, seen.B + off.B));
    }

    private static LearnedFinish Learned(params IReadOnlyList<FinishReading> readings) => FinishLearner.Learn(TestData.Cabinet, Pastes, readings, Now);

    private static Materials Heavy => TestData.Cabinet.With(TestData.Cabinet.All, Hand(1.3, 1.3, 1.3, 1));

    /// <summary>Many dusts by one hand: what they have in common is the hand's.</summary>
    private static PiecePlan[] Various => [.. new[] { "nettle", "guelder", "furze", "scabious", "damselfly" }.SelectMany(dust => DustLoad.Named.Select(load => TestPlans.Plan(TestPlans.Dust(dust, load.MgPerCm2), TestPlans.Steam)))];

    /// <summary>Studios that nobody shaped, none of whose coats is just like the last: as near as docs/decisions/0051 says, with some room for chance.</summary>
    [Fact]
    public void Studios_with_a_hidden_hand_and_hidden_dusts_are_found_out()
    {
        var all = Enumerable.Range(1, 24).AsParallel().AsOrdered().Select(seed => FinishTrials.Of(20, seed, TestData.Cabinet)).ToList();
        var (before, after) = (LearningResult.All([.. all.Select(one => one.Before)]), LearningResult.All([.. all.Select(one => one.After)]));
        Assert.True(after.Median < before.Median / 3, $"{after.Median} of {before.Median}");
        Assert.True(after.NinetyFive < before.NinetyFive / 2, $"{after.NinetyFive} of {before.NinetyFive}");
        Assert.InRange(before.WithinShare, 0.85, 0.99);
        Assert.InRange(after.WithinShare, 0.85, 0.99);
        Assert.True(all.SelectMany(one => one.Hand).Average(one => one.Truth >= one.Known.Times.Low && one.Truth <= one.Known.Times.High ? 1 : 0) > 0.8);
    }

    [Fact]
    public void Without_readings_nothing_moves()
    {
        var learned = Learned();
        Assert.Same(TestData.Cabinet, learned.Taught(TestData.Cabinet));
        Assert.All(learned.Hand, part => Assert.Equal((1, 0), (part.Times.Times, part.Readings)));
        Assert.InRange(learned.Predict(ZoneOf(Various[2], Zone.Heart)).Range, 1.5, 15);
    }

    [Fact]
    public void What_all_dusts_have_in_common_is_the_hand()
    {
        var learned = Learned([.. Various.Select(plan => Reading(plan, Heavy))]);
        Assert.All(learned.Hand.Where(part => part.Part != HandPart.Wash), part => Assert.InRange(part.Times.Times, 1.15, 1.4));
        Assert.All(new[] { "nettle", "guelder", "furze" }, dust => Assert.InRange(learned.Of($"{dust}|", dust).Difference.Times, 0.85, 1.2));
        Assert.True(learned.Hand[(int)HandPart.Wash] is { Times.Times: 1, Readings: 0 });
    }

    [Fact]
    public void What_one_dust_does_alone_is_its_own()
    {
        var strong = TestData.Cabinet.With(TestData.Cabinet.All.Select(material => material is Dust { Id: "scabious" } dust ? dust.With(new JarDifference(0.35, 0)) : material));
        var learned = Learned([.. Various.Select(plan => Reading(plan, strong))]);
        Assert.InRange(learned.Of("scabious|", "scabious").Difference.Strength, 0.22, 0.4);
        Assert.All(learned.Hand.Where(part => part.Part != HandPart.Wash), part => Assert.InRange(part.Times.Times, 0.9, 1.12));
    }

    [Fact]
    public void One_slip_spoils_nothing()
    {
        FinishReading[] good = [.. Various.Select(plan => Reading(plan, Heavy))];
        var slip = Reading(Various[1], Heavy, off: new Lab(14, -12, 10));
        var (without, with) = (Learned(good), Learned([.. good, slip]));
        Assert.Equal(without.Hand[1].Times.Times, with.Hand[1].Times.Times, 0.04);
        Assert.True(with.IsOutlier(slip.Id));
        Assert.DoesNotContain(good, reading => with.IsOutlier(reading.Id));
    }

    [Fact]
    public void A_new_lot_of_a_dust_begins_where_its_name_is()
    {
        var strong = TestData.Cabinet.With(TestData.Cabinet.All.Select(material => material is Dust { Id: "scabious" } dust ? dust.With(new JarDifference(0.35, 0)) : material));
        var learned = Learned([.. Various.Where(plan => plan.Coats[0].MaterialIds().Contains("scabious")).Select(plan => Reading(plan, strong, lot: "A"))]);
        var (old, fresh) = (learned.Of("scabious|A", "scabious"), learned.Of("scabious|B", "scabious"));
        Assert.True(old.Difference.Strength > 0.1);
        Assert.Equal(old.Difference, fresh.Difference);
        Assert.Equal((JarPrior.Strength, 0), (fresh.StrengthDeviation, fresh.Readings));
    }

    /// <summary>An entry keeps only a few spots of where coats lie: they must tell, for another hand too, what the piece itself would: all but a quarter of what it moves by.</summary>
    [Fact]
    public void What_an_entry_keeps_tells_what_the_piece_would() => Gen.Select(Gen.Double[0.75, 1.35], Gen.Double[0.75, 1.35], Gen.Int[0, 4], Gen.Int[0, 2], Gen.Bool, Gen.Double[0.1, 0.5]).Holds(made =>
    {
        var (light, heavy, zone, load, isGlazed, along) = made;
        var plan = TestPlans.Plan([
            TestPlans.Dust("nettle", DustLoad.Named[load].MgPerCm2, new Place(PlaceKind.Base, 0, along, along + 0.3), Sides.Both), TestPlans.Dust("guelder", 0.05, sides: Sides.Both), TestPlans.Steam,
            .. isGlazed ? [TestPlans.Glaze()] : Array.Empty<Coat>()]);
        var hand = Hand(light, Math.Sqrt(light * heavy), heavy, 1);
        var real = Eye(plan, TestData.Cabinet.With(TestData.Cabinet.All, hand)).See((Zone)zone);
        var asLaid = Eye(plan, TestData.Cabinet).AsLaid((Zone)zone);
        var (mix, uneven) = (PasteOptics.Mix(plan.Paste, TestData.Cabinet), asLaid.Unevenness);
        var side = ((Zone)zone).Side();
        var told = ZoneAsLaid.LookOf(mix, [.. new ResolvedPlan(plan, TestData.Cabinet.With(TestData.Cabinet.All, hand)).LayersOn(side)], asLaid.Spots);
        var moved = DeltaE2000.Between(real, Eye(plan, TestData.Cabinet).See((Zone)zone));
        var off = DeltaE2000.Between(real, new Lab(told.L + uneven.L, told.A + uneven.A, told.B + uneven.B));
        Assert.True(off < 0.3 + 0.25 * moved, $"{off} of {moved}");
        Assert.True(asLaid.CouldBe(plan.Coats.Count));
    });

    [Fact]
    public void Between_named_loads_a_hand_goes_by_ratio()
    {
        var hand = Hand(0.8, 1.2, 1.5, 1);
        Assert.Equal((0.8, 0.8, 1.5), (hand.DustTimes(0.01), hand.DustTimes(0.05), hand.DustTimes(0.9)));
        Assert.Equal(Math.Sqrt(0.8 * 1.2), hand.DustTimes(Math.Sqrt(0.05 * 0.15)), 1e-9);
        Assert.Equal(1, MakersHand.House.DustTimes(0.2));
    }
}
