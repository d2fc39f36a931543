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
    private static readonly IReadOnlyDictionary<string, Jar> Jars = TestData.Cabinet.All.OfType<Colourant>().SelectMany(colour => new[] { "", "new" }.Select(lot => new Jar(LearnedCabinet.JarId(colour.Id, lot), colour.Id, colour.Optics) { Development = colour.Development })).ToDictionary(jar => jar.Id);

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
    public void Slopes_are_those_of_the_colour() => Gen.Select(Differences, Differences, Gen.Double[0.02, 1], Gen.Double[0.02, 1], Gen.Double[-3, 12]).Holds(made =>
    {
        var (one, other, dose, more, rested) = made;
        double? hours = rested < 0 ? null : rested;
        const double touch = 1.3, slower = 1.2, step = 1e-5;
        var unknowns = new PasteUnknowns([new("frond|", dose, new Counted(Touch, 4)), new("ember|", more, new Counted(Touch, 9))], hours);
        var slopes = new Lab[unknowns.Count];
        Lab Colour(JarDifference first, JarDifference second, double times, double rest) =>
            new PasteSlopes(Bases[White], [first.Of(Jars["frond|"].Listed), second.Of(Jars["ember|"].Listed)], [Jars["frond|"].Development.Times(rest), Jars["ember|"].Development.Times(rest)])
                .ColourAndSlopes([0, 1], unknowns, _ => times, slopes);
        Lab[] beside =
        [
            Colour(one with { Strength = one.Strength + step }, other, touch, slower), Colour(one with { Tilt = one.Tilt + step }, other, touch, slower),
            Colour(one, other with { Strength = other.Strength + step }, touch, slower), Colour(one, other with { Tilt = other.Tilt + step }, touch, slower),
            Colour(one, other, touch * Math.Exp(step), slower), Colour(one, other, touch, slower * Math.Exp(step)),
        ];
        var here = Colour(one, other, touch, slower);
        var real = Mixed([new("frond|", touch * dose), new("ember|", touch * more)], jar => jar == "frond|" ? one : other, hours, slower);
        Assert.Equal(Illuminant.D65.LabOf(KubelkaMunk.Opaque(real)).L, here.L, 1e-9);
        Assert.Equal(hours is null ? 5 : 6, slopes.Length);
        for (var i = 0; i < slopes.Length; i++)
        {
            Assert.Equal((beside[i].L - here.L) / step, slopes[i].L, 0.02);
            Assert.Equal((beside[i].A - here.A) / step, slopes[i].A, 0.02);
            Assert.Equal((beside[i].B - here.B) / step, slopes[i].B, 0.02);
        }
    });

    /// <summary>K and S of a paste as cabinets reckon it: another way than learning does.</summary>
    private static KubelkaMunkSpectra Mixed(JarDose[] doses, Func<string, JarDifference> truth, double? hours, double slower)
    {
        var cabinet = TestData.Cabinet.With(TestData.Cabinet.All.Select(material => material is Colourant colour
            ? colour with { Optics = truth(LearnedCabinet.OpenJar(colour)).Of(colour.Optics), Development = new(colour.Development.ShareAtOnce, slower * colour.Development.TimeConstantHours) } : material));
        return PasteOptics.Mix(new PasteRecipe(White, [.. doses.Select(dose => new Dose(dose.JarId.TrimEnd('|'), dose.GPer100g))]), cabinet, hours);
    }

    /// <summary>Pastes that were read while they rested, in a room where that takes longer or shorter than is listed.</summary>
    private static List<PasteReading> Resting(double slower, int readings, Random random)
    {
        var truth = Jars.Keys.Where(id => id.EndsWith('|')).ToDictionary(id => id, _ => new JarDifference(JarPrior.Strength * Normal(random), JarPrior.Tilt * Normal(random)));
        return [.. Enumerable.Range(0, readings).Select(i =>
        {
            JarDose[] doses = [.. truth.Keys.OrderBy(_ => random.Next()).Take(1 + random.Next(3)).Select(id => new JarDose(id, 0.03 + 0.3 * random.NextDouble()))];
            double? hours = i % 3 == 0 ? null : 0.2 + 5 * random.NextDouble();
            var seen = Illuminant.D65.LabOf(KubelkaMunk.Opaque(Mixed(doses, jar => truth[jar], hours, slower * Math.Exp(0.1 * Normal(random)))));
            return new PasteReading(Guid.NewGuid(), Now, White, doses, ReadBy.Reader, new Lab(seen.L + 0.4 * Normal(random), seen.A + 0.4 * Normal(random), seen.B + 0.4 * Normal(random))) { RestedHours = hours };
        })];
    }

    [Fact]
    public void Pastes_that_still_rest_tell_how_colours_come_out_here()
    {
        var off = new List<double>();
        var within = 0;
        foreach (var seed in Enumerable.Range(1, 40))
        {
            var random = new Random(seed);
            var slower = Math.Exp(0.3 * Normal(random));
            var learned = Learned(Resting(slower, 45, random));
            Assert.Equal(30, learned.Rest!.Readings);
            off.Add(Math.Abs(Math.Log(learned.TimesOfRest / slower)));
            within += learned.Rest.Times.Low <= slower && slower <= learned.Rest.Times.High ? 1 : 0;
            var sheet = TestData.Cabinet.With(learned).Get<Colourant>("ember").Development;
            Assert.Equal(TestData.Cabinet.Get<Colourant>("ember").Development.TimeConstantHours * learned.TimesOfRest, sheet.TimeConstantHours, 0.05 * sheet.TimeConstantHours);
        }

        // Without, it would be a fifth; a quarter of the colour comes out so slowly that no more is seen of it.
        Assert.InRange(off.Order().ElementAt(20), 0, 0.11);
        Assert.InRange(within, 33, 40);
    }

    [Fact]
    public void A_paste_that_was_read_too_early_makes_no_weak_jar() => Gen.Select(Differences, Gen.Double[0.3, 3]).Holds(made =>
    {
        var (truth, hours) = made;
        PasteReading[] early = [.. new[] { 0.1, 0.3, 0.6 }.Select(dose => Early(dose))];
        PasteReading Early(double dose) => Reading("ember", dose, truth) with { Colour = Illuminant.D65.LabOf(KubelkaMunk.Opaque(Mixed([new("ember|", dose)], _ => truth, hours, 1))) };
        var (known, taken) = (Learned([.. early.Select(reading => reading with { RestedHours = hours })]), Learned(early));
        Assert.InRange(Of(known, "ember").Difference.Strength, truth.Strength - 0.1, truth.Strength + 0.1);
        Assert.True(Of(taken, "ember").Difference.Strength < Of(known, "ember").Difference.Strength);
        // The less has come out, the less it tells.
        Assert.True(Of(known, "ember").StrengthDeviation > Of(taken, "ember").StrengthDeviation);
        // What is predicted of it is what was seen, and of a rested paste what will be.
        Assert.InRange(DeltaE2000.Between(early[1].Colour, known.Predict(White, early[1].Doses, hours).Colour), 0, 1);
    });

    private static readonly OwnUnit Touch = new(DoseUnitKind.Touch, false);

    /// <summary>Pastes of two or three jars with hidden strengths, measured in touches that hold more or less than is written.</summary>
    private static List<PasteReading> Counted(double times, bool isWeighed, int readings, Random random)
    {
        var truth = Jars.Keys.Where(id => id.EndsWith('|')).ToDictionary(id => id, _ => new JarDifference(JarPrior.Strength * Normal(), JarPrior.Tilt * Normal()));
        var unit = new OwnUnit(DoseUnitKind.Touch, isWeighed);
        return [.. Enumerable.Range(0, readings).Select(_ =>
        {
            JarDose[] doses = [.. truth.Keys.OrderBy(_ => random.Next()).Take(2 + random.Next(2)).Select(id => new JarDose(id, 0.03 + 0.3 * random.NextDouble(), new Counted(unit, 2 + random.Next(10))))];
            var real = doses.Aggregate(Bases[White], (mix, dose) => mix.With(truth[dose.JarId].Of(Jars[dose.JarId].Listed).Times(dose.GPer100g * times * Math.Exp(0.15 * Normal() / Math.Sqrt(dose.Counted!.Count)))));
            var seen = Illuminant.D65.LabOf(KubelkaMunk.Opaque(real));
            return new PasteReading(Guid.NewGuid(), Now, White, doses, ReadBy.Reader, new Lab(seen.L + 0.4 * Normal(), seen.A + 0.4 * Normal(), seen.B + 0.4 * Normal()));
        })];

        double Normal() => LearnerTests.Normal(random);
    }

    private static double Normal(Random random) => Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());

    [Theory]
    [InlineData(0.7, false)]
    [InlineData(1.4, false)]
    [InlineData(1.1, true)]
    public void Pastes_tell_how_much_a_touch_of_this_hand_holds(double times, bool isWeighed)
    {
        var off = new List<double>();
        var within = 0;
        foreach (var seed in Enumerable.Range(1, 12))
        {
            var learned = Learned(Counted(times, isWeighed, 40, new Random(seed)));
            var touch = Assert.Single(learned.Units);
            Assert.Equal((DoseUnitKind.Touch, isWeighed, 40), (touch.Kind, touch.IsWeighed, touch.Readings));
            off.Add(Math.Abs(Math.Log(touch.Times.Times / times)));
            within += touch.Times.Low <= times && times <= touch.Times.High ? 1 : 0;
        }

        // Of 24 jars with strengths of their own a twentieth is left, whatever is read.
        Assert.InRange(off.Order().ElementAt(6), 0, 0.08);
        Assert.InRange(within, 9, 12);
    }

    [Fact]
    public void Sheets_count_in_the_touches_of_this_hand()
    {
        var learned = Learned(Counted(1.4, false, 40, new Random(5)));
        var (listed, taught) = (TestData.Cabinet, TestData.Cabinet.With(learned));
        foreach (var colour in listed.All.OfType<Colourant>())
        {
            foreach (var (was, now) in colour.Units.Zip(taught.Get<Colourant>(colour.Id).Units))
                Assert.Equal(was.Kind == DoseUnitKind.Touch ? was.MassG * learned.TimesOf(Touch) : was.MassG, now.MassG, 1e-12);
        }

        // What was weighed is as it was written.
        Assert.Equal(1, learned.TimesOf(Touch with { IsWeighed = true }));
        // Counted, a paste is less sure than the same weighed.
        JarDose[] weighed = [new("ember|", 0.2)], counted = [new("ember|", 0.2 / learned.TimesOf(Touch), new Counted(Touch, 5))];
        Assert.Equal(learned.Predict(White, weighed).Colour.B, learned.Predict(White, counted).Colour.B, 1e-9);
        Assert.True(learned.Predict(White, counted).Range > learned.Predict(White, weighed).Range);
    }

    /// <summary>Whatever came first: what is known is the same, but for what nobody sees.</summary>
    [Fact]
    public void One_reading_more_teaches_what_all_teach_together()
    {
        foreach (var seed in Enumerable.Range(1, 12))
        {
            // Few that are learned anew, and many that one is added to; a slip, and a jar that nobody knew.
            var all = Counted(1.2, seed % 2 == 0, seed % 3 == 0 ? 30 : LearnedFrom.FewestToAddTo + 5 * seed, new Random(seed));
            if (seed % 5 == 0)
                all = [.. all.Select((reading, i) => i % 7 < 3 ? reading with { RestedHours = 8 + i % 7 } : reading)];
            if (seed % 4 == 1)
                all[^1] = all[^1] with { Colour = new Lab(all[^1].Colour.L, all[^1].Colour.A + 9, all[^1].Colour.B - 7) };
            if (seed % 6 == 0)
                all.Add(Reading("ember", 0.2, new(0.3, 0.1), lot: "new"));
            var (known, anew) = (Learned([.. all.SkipLast(1)]), Learned(all));
            var more = Learner.Learn(Jars, Bases, all, Now, known);
            Assert.Equal(anew.Trust[all[^1].Id], more.Trust[all[^1].Id], 0.02);
            foreach (var reading in all)
            {
                var (one, other) = (more.Predict(White, reading.Doses), anew.Predict(White, reading.Doses));
                Assert.InRange(DeltaE2000.Between(one.Colour, other.Colour), 0, 0.02);
                Assert.Equal(other.Range, one.Range, 0.02);
            }

            // What was mended, or taken back, leaves no trace.
            PasteReading[] mended = [.. all.Skip(1), all[0] with { By = ReadBy.Eye }];
            Assert.Equal(Learned(mended).TimesOf(all[0].Doses[0].Counted!.Unit), Learner.Learn(Jars, Bases, mended, Now, anew).TimesOf(all[0].Doses[0].Counted!.Unit));
            Assert.Equal(known.TimesOf(all[0].Doses[0].Counted!.Unit), Learner.Learn(Jars, Bases, [.. all.SkipLast(1)], Now, anew).TimesOf(all[0].Doses[0].Counted!.Unit));
        }
    }

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
