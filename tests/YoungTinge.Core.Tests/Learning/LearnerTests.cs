using CsCheck;
using YoungTinge.Checks;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Learning;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Tests.Learning;

/// <summary>What readings teach of jars: near enough, honest about how near, and not spoiled by a slip.</summary>
public class LearnerTests
{
    private const string White = "bright-white-paste";
    private static readonly DateTimeOffset Now = new(2026, 6, 1, 0, 0, 0, TimeSpan.Zero);
    private static readonly IReadOnlyDictionary<string, KubelkaMunkSpectra> Bases = TestData.Cabinet.All.OfType<PasteBase>().ToDictionary(paste => paste.Id, paste => paste.Optics);
    private static readonly IReadOnlyDictionary<string, Jar> Jars = TestData.Cabinet.All.OfType<Colourant>().SelectMany(colour => new[] { "", "new" }.Select(lot => new Jar(LearnedCabinet.JarId(colour.Id, lot), colour.Id, colour.Optics))).ToDictionary(jar => jar.Id);

    private static readonly Gen<JarDifference> Differences = Gen.Select(Gen.Double[-0.4, 0.4], Gen.Double[-0.15, 0.15]).Select((strength, tilt) => new JarDifference(strength, tilt));

    private static PasteReading Reading(string colour, double dose, JarDifference truth, Lab off = default, ReadBy by = ReadBy.Reader, double monthsAgo = 0, string lot = "")
    {
        var jar = Jars[LearnedCabinet.JarId(colour, lot)];
        var real = Illuminant.D65.LabOf(KubelkaMunk.Opaque(Bases[White].With(truth.Of(jar.Listed).Times(dose))));
        return new PasteReading(Guid.NewGuid(), Now.AddDays(-30.44 * monthsAgo), White, [new JarDose(jar.Id, dose)], by, new Lab(real.L + off.L, real.A + off.A, real.B + off.B));
    }

    private static LearnedJars Learned(params IReadOnlyList<PasteReading> readings) => Learner.Learn(Jars, Bases, readings, Now);

    private static JarKnowledge Of(LearnedJars learned, string colour, string lot = "") => learned.Of(LearnedCabinet.JarId(colour, lot));

    [Fact]
    public void The_cases_of_the_file_are_met()
    {
        var all = LearningResult.All([.. LearningCheck.Run(TestData.Json("learning-cases.json"), TestData.Cabinet)]);
        Assert.True(all.Median <= LearningCheck.MostMedian, $"median {all.Median}");
        Assert.True(all.NinetyFive <= LearningCheck.MostNinetyFive, $"95 % {all.NinetyFive}");
        Assert.InRange(all.WithinShare, LearningCheck.LeastWithin, LearningCheck.MostWithin);
    }

    [Theory]
    [InlineData(1, 0.75, 3)]
    [InlineData(3, LearningCheck.MostMedian, LearningCheck.MostNinetyFive)]
    public void So_are_studios_that_nobody_shaped(int readings, double mostMedian, double mostNinetyFive)
    {
        var all = LearningResult.All([.. Enumerable.Range(1, 50).AsParallel().AsOrdered().Select(seed => LearningTrials.Of(readings, seed, TestData.Cabinet))]);
        Assert.True(all.Median <= mostMedian, $"median {all.Median}");
        Assert.True(all.NinetyFive <= mostNinetyFive, $"95 % {all.NinetyFive}");
        Assert.InRange(all.WithinShare, LearningCheck.LeastWithin, LearningCheck.MostWithin);
    }

    [Fact]
    public void Slopes_are_those_of_the_colour() => Gen.Select(Differences, Differences, Gen.Double[0.02, 1], Gen.Double[0.02, 1]).Holds(made =>
    {
        var (one, other, dose, more) = made;
        JarDose[] doses = [new("frond|", dose), new("ember|", more)];
        KubelkaMunkSpectra[] JarsOf(JarDifference first, JarDifference second) => [first.Of(Jars["frond|"].Listed), second.Of(Jars["ember|"].Listed)];
        Lab Colour(JarDifference first, JarDifference second) => new PasteSlopes(Bases[White], JarsOf(first, second)).ColourAndSlopes([0, 1], doses, new Lab[4]);
        var slopes = new Lab[4];
        new PasteSlopes(Bases[White], JarsOf(one, other)).ColourAndSlopes([0, 1], doses, slopes);
        const double step = 1e-5;
        Lab[] beside =
        [
            Colour(one with { Strength = one.Strength + step }, other), Colour(one with { Tilt = one.Tilt + step }, other),
            Colour(one, other with { Strength = other.Strength + step }), Colour(one, other with { Tilt = other.Tilt + step }),
        ];
        var here = Colour(one, other);
        Assert.Equal(PasteOptics.ColourOf(new PasteRecipe(White, [new("frond", dose), new("ember", more)]), TestData.Cabinet.With(Fixed(one, other))).L, here.L, 1e-9);
        for (var i = 0; i < 4; i++)
        {
            Assert.Equal((beside[i].L - here.L) / step, slopes[i].L, 0.02);
            Assert.Equal((beside[i].A - here.A) / step, slopes[i].A, 0.02);
            Assert.Equal((beside[i].B - here.B) / step, slopes[i].B, 0.02);
        }
    });

    /// <summary>Jars that are known to be so, from many exact readings.</summary>
    private static LearnedJars Fixed(JarDifference frond, JarDifference ember) => new(
        Jars, Bases, new() { ["frond|"] = 0, ["ember|"] = 1 }, [new JarKnowledge(frond, 0, 0, 9), new JarKnowledge(ember, 0, 0, 9)], new double[4, 4], 0, new Dictionary<Guid, double>());

    [Fact]
    public void Without_readings_nothing_moves()
    {
        var learned = Learned();
        Assert.All(TestData.Cabinet.With(learned).All.Zip(TestData.Cabinet.All), pair => Assert.Same(pair.Second, pair.First));
        var recipe = new PasteRecipe(White, [new("frond", 0.3), new("ember", 0.1)]);
        var predicted = learned.Predict(recipe, TestData.Cabinet);
        Assert.Equal(PasteOptics.ColourOf(recipe, TestData.Cabinet).A, predicted.Colour.A, 1e-9);
        Assert.InRange(predicted.Range, 2, 12);
    }

    [Fact]
    public void One_slip_spoils_no_jar() => Differences.Holds(truth =>
    {
        PasteReading[] good = [.. new[] { 0.05, 0.12, 0.3, 0.7 }.Select(dose => Reading("ember", dose, truth))];
        var slip = Reading("ember", 0.2, truth, new Lab(9, -7, 8));
        var (without, with) = (Of(Learned(good), "ember"), Learned([.. good, slip]));
        Assert.Equal(without.Difference.Strength, Of(with, "ember").Difference.Strength, 0.04);
        Assert.True(with.Trust[slip.Id] < 0.35, $"{with.Trust[slip.Id]}");
        Assert.All(good, reading => Assert.True(with.Trust[reading.Id] > 0.6));
    });

    [Fact]
    public void Readings_that_contradict_make_it_less_sure_not_wild()
    {
        var agree = Of(Learned([.. Enumerable.Range(0, 6).Select(_ => Reading("ember", 0.2, new(0.2, 0)))]), "ember");
        var learned = Learned([.. Enumerable.Range(0, 6).Select(i => Reading("ember", 0.2, new(i % 2 == 0 ? 0.6 : -0.6, 0)))]);
        var fight = Of(learned, "ember");
        Assert.InRange(fight.Difference.Strength, -0.65, 0.65);
        Assert.True(fight.StrengthDeviation > 2 * agree.StrengthDeviation);
        JarDose[] paste = [new("ember|", 0.2)];
        Assert.True(learned.Predict(White, paste).Range > 2);
    }

    [Fact]
    public void What_was_read_long_ago_says_less_of_today()
    {
        var (old, fresh) = (Learned(Reading("ember", 0.2, new(0.3, 0), monthsAgo: 30)), Learned(Reading("ember", 0.2, new(0.3, 0))));
        Assert.True(Of(old, "ember").StrengthDeviation > 1.3 * Of(fresh, "ember").StrengthDeviation);
        Assert.InRange(Of(old, "ember").Difference.Strength, 0.05, Of(fresh, "ember").Difference.Strength);
    }

    [Fact]
    public void A_new_lot_begins_where_its_name_is_and_is_less_sure()
    {
        var learned = Learned([.. new[] { 0.1, 0.3, 0.6 }.Select(dose => Reading("ember", dose, new(0.3, 0.05)))]);
        Assert.Equal(Of(learned, "ember").Difference.Strength, Of(learned, "ember", "new").Difference.Strength, 1e-9);
        Assert.Equal((JarPrior.Strength, 0), (Of(learned, "ember", "new").StrengthDeviation, Of(learned, "ember", "new").Readings));
        // One reading of it: drawn from where its name is, not from the list.
        var read = Learned([.. new[] { 0.1, 0.3, 0.6 }.Select(dose => Reading("ember", dose, new(0.3, 0.05))), Reading("ember", 0.02, new(0.3, 0.05), by: ReadBy.Eye, lot: "new")]);
        Assert.InRange(Of(read, "ember", "new").Difference.Strength, 0.12, 0.4);
    }

    [Fact]
    public void What_would_teach_most_is_what_is_least_known_and_most_used()
    {
        PasteReading[] known = [.. new[] { 0.1, 0.3, 0.6 }.Select(dose => Reading("ember", dose, default))];
        (string, IReadOnlyList<JarDose>)[] pastes = [(White, [new("ember|", 0.2)]), (White, [new("frond|", 0.2)]), (White, [new("frond|", 0.4), new("ember|", 0.1)]), (White, [])];
        var now = Learned(known);
        var worth = NextReading.Of(pastes, now, reading => Learned([.. known, reading]), at => new PasteReading(Guid.NewGuid(), Now, White, pastes[at].Item2, ReadBy.Reader, now.Predict(White, pastes[at].Item2).Colour));
        Assert.Contains(worth[0].Paste, new[] { 1, 2 });
        Assert.Equal(["frond|"], worth[0].Jars);
        Assert.True(worth[0].Falls > 1);
        Assert.DoesNotContain(worth, one => one.Paste == 3);
    }
}
