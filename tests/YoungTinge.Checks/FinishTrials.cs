using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Learning;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Learning;

namespace YoungTinge.Checks;

/// <summary>
/// Made-up studios whose dusts and hand have a hidden truth: zones of pieces laid by that hand, no coat just like the last, read with noise and slips, learned from, and asked
/// for zones of other pieces. What is true is seen on the whole piece; what is learned comes from what its entry keeps.
/// </summary>
public static class FinishTrials
{
    private const int DustsInStudio = 8;
    private const int TestsInStudio = 40;
    private const double SlipsOneIn = 25;
    private const double SlipSize = 5;

    /// <summary>Standard deviation of the logarithm of a load between two coats of one hand.</summary>
    private const double HandScatter = 0.06;

    private static readonly Zone[] Zones = Enum.GetValues<Zone>();
    private static readonly Place[] Places = [Place.Whole, new(PlaceKind.Base, 0, 0.2, 0.4), new(PlaceKind.Tip, 0, 0.15, 0.4), new(PlaceKind.Heart, 0, 0.25, 0.45), new(PlaceKind.Rim, 0, 1.5, 5)];

    /// <param name="Before">As planned, by the lists and the house's hand.</param>
    /// <param name="Hand">What the hand truly does, by part, and what is thought of it.</param>
    public sealed record Studio(LearningResult Before, LearningResult After, IReadOnlyList<(double Truth, HandKnowledge Known)> Hand);

    /// <param name="readings">Of zones of finished pieces.</param>
    /// <param name="seed">The same studio for the same.</param>
    public static Studio Of(int readings, int seed, Materials cabinet)
    {
        var random = new Random(seed);
        var dusts = cabinet.All.OfType<Dust>().Where(dust => dust.Kind == DustKind.Matte).ToArray();
        random.Shuffle(dusts);
        dusts = dusts[..DustsInStudio];
        double[] hand = [.. Enum.GetValues<HandPart>().Select(_ => Math.Exp(0.25 * Normal()))];
        var differences = dusts.ToDictionary(dust => dust.Id, _ => new JarDifference(JarPrior.Strength * Normal(), JarPrior.Tilt * Normal()));
        var real = cabinet.With(
            cabinet.All.Select(material => material is Dust dust && differences.TryGetValue(dust.Id, out var difference) ? dust.With(difference) : material),
            new MakersHand([.. DustLoad.Named.Select((load, i) => new HandAt(load.MgPerCm2, hand[i]))], hand[(int)HandPart.Wash]));
        var pastes = Learner.Learn(LearnedCabinet.JarsOf(cabinet, []), cabinet.All.OfType<PasteBase>().ToDictionary(paste => paste.Id, paste => paste.Optics), [], DateTimeOffset.UnixEpoch);

        var read = Enumerable.Range(0, readings).Select(_ =>
        {
            var (zone, seen, _) = Made();
            var noise = random.NextDouble() < 1 / SlipsOneIn ? SlipSize : ReadingNoise.Of(ReadBy.Reader, LightKind.Daylight);
            return new FinishReading(Guid.NewGuid(), DateTimeOffset.UnixEpoch, zone, ReadBy.Reader, new Lab(seen.L + noise * Normal(), seen.A + noise * Normal(), seen.B + noise * Normal()));
        }).ToList();
        var watch = System.Diagnostics.Stopwatch.StartNew();
        var learned = FinishLearner.Learn(cabinet, pastes, read, DateTimeOffset.UnixEpoch);
        var seconds = watch.Elapsed.TotalSeconds;
        var nothing = FinishLearner.Learn(cabinet, pastes, [], DateTimeOffset.UnixEpoch);
        var taught = learned.Taught(cabinet);
        List<double> before = [], after = [];
        var (withinBefore, within) = (0, 0);
        for (var i = 0; i < TestsInStudio; i++)
        {
            var (zone, seen, predict) = Made();
            before.Add(DeltaE2000.Between(predict(cabinet), seen));
            after.Add(DeltaE2000.Between(predict(taught), seen));
            withinBefore += before[^1] <= nothing.Predict(zone).Range ? 1 : 0;
            within += after[^1] <= learned.Predict(zone).Range ? 1 : 0;
        }

        return new Studio(new($"{seed}", 0, before, withinBefore, 0), new($"{seed}", readings, after, within, seconds), [.. hand.Zip(learned.Hand)]);

        (FinishedZone Zone, Lab Seen, Func<Materials, Lab> Predict) Made()
        {
            var piece = new Piece("petal", "broad-sepal", 25 + random.Next(40), 20 + random.Next(35), 0.6, false, PartOf.Flower, 5, 0.2);
            var coats = new List<Coat>();
            for (var count = 1 + random.Next(3); coats.Count < count;)
            {
                var dust = dusts[random.Next(dusts.Length)];
                Portion[] mix = random.Next(2) == 0 ? [new(dust.Id, 1), new("plain-cornstarch", 1 + random.Next(2))] : [new(dust.Id, 2), new(dusts[random.Next(dusts.Length)].Id, 1), new("plain-cornstarch", 2)];
                coats.Add(new DustCoat(Guid.NewGuid(), mix, DustLoad.Named[random.Next(3)].MgPerCm2, Places[random.Next(Places.Length)], Sides.Both));
            }

            if (random.Next(3) == 0)
                coats.Add(new WashCoat(Guid.NewGuid(), [new Portion("ember", 1)], cabinet.All.OfType<Thinner>().First().Id, 0.02, 0.004, Place.Whole, Sides.Both));
            coats.Add(new SteamCoat(Guid.NewGuid(), 8));
            if (random.Next(3) == 0)
                coats.Add(new GlazeCoat(Guid.NewGuid(), "satin-veil", 1, Sides.Both));
            var plan = new PiecePlan(Zones.ToDictionary(zone => zone, _ => Target.Of(new Lab(70, 0, 0))), new Lab(90, 0, 10), new PasteRecipe("bright-white-paste", []), coats);
            var zone = Zones[random.Next(Zones.Length)];
            Lab See(PiecePlan of, Materials with) => new ZoneColourEvaluator(new ResolvedPlan(of, with), piece.Shape()).See(zone);
            var scattered = plan with { Coats = [.. coats.Select(coat => coat is DustCoat dust ? dust with { LoadMgPerCm2 = dust.LoadMgPerCm2 * Math.Exp(HandScatter * Normal()) } : coat)] };
            var laid = new ZoneColourEvaluator(new ResolvedPlan(plan, cabinet), piece.Shape()).AsLaid(zone);
            return (new FinishedZone(plan.Paste.BaseId, [], coats, new Dictionary<string, string>(), laid), See(scattered, real), with => See(plan, with));
        }

        double Normal() => Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
    }
}
