using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Learning;
using YoungTinge.Core.Optics;

namespace YoungTinge.Checks;

/// <summary>Made-up studios whose jars have a hidden truth: read with noise and slips, learned from, and asked for new mixes.</summary>
public static class LearningTrials
{
    private const int JarsInStudio = 24;
    private const int TestsInStudio = 80;
    private const double SlipsOneIn = 25;
    private const double SlipSize = 4;

    /// <param name="readingsOfAJar">That each jar is in, at least.</param>
    /// <param name="seed">The same studio for the same.</param>
    public static LearningResult Of(int readingsOfAJar, int seed, Materials cabinet)
    {
        var random = new Random(seed);
        var colours = cabinet.All.OfType<Colourant>().ToArray();
        random.Shuffle(colours);
        colours = colours[..Math.Min(JarsInStudio, colours.Length)];
        var paste = cabinet.All.OfType<PasteBase>().First();
        var truth = colours.ToDictionary(colour => colour.Id, colour => new JarDifference(JarPrior.Strength * Normal(), JarPrior.Tilt * Normal()).Of(colour.Optics));
        var count = colours.ToDictionary(colour => colour.Id, _ => 0);
        var readings = new List<PasteReading>();
        while (readingsOfAJar > 0 && count.Values.Any(one => one < readingsOfAJar))
        {
            // What was hardly used comes sooner; that is how a cabinet is used up.
            var mix = Mix([.. colours.OrderBy(colour => count[colour.Id] + 1.5 * random.NextDouble())]);
            foreach (var dose in mix)
                count[dose.JarId]++;
            var (seen, noise) = (Seen(mix), random.NextDouble() < 1 / SlipsOneIn ? SlipSize : 0.4);
            readings.Add(new PasteReading(Guid.NewGuid(), DateTimeOffset.UnixEpoch, paste.Id, mix, ReadBy.Reader, new Lab(seen.L + noise * Normal(), seen.A + noise * Normal(), seen.B + noise * Normal())));
        }

        (IReadOnlyList<JarDose>, Lab)[] tests = [.. Enumerable.Range(0, TestsInStudio).Select(_ => Mix([.. colours.OrderBy(_ => random.Next())])).Select(mix => ((IReadOnlyList<JarDose>)mix, Seen(mix)))];
        return LearningCheck.Of($"{seed}", paste.Id, readings, tests, cabinet, DateTimeOffset.UnixEpoch);

        // 1 to 3 jars, each from hardly seen to deep.
        JarDose[] Mix(Colourant[] order) => [.. order.Take(1 + random.Next(3)).Select(colour => new JarDose(colour.Id, colour.LoadLimitGPer100g * 0.03 * Math.Pow(15, random.NextDouble())))];

        Lab Seen(JarDose[] mix)
        {
            double[] k = [.. paste.Optics.Absorption.Values], s = [.. paste.Optics.Scattering.Values];
            foreach (var dose in mix)
            {
                for (var band = 0; band < k.Length; band++)
                    (k[band], s[band]) = (k[band] + dose.GPer100g * truth[dose.JarId].Absorption[band], s[band] + dose.GPer100g * truth[dose.JarId].Scattering[band]);
            }

            return Illuminant.D65.LabOf(KubelkaMunk.Opaque(new Spectrum(k), new Spectrum(s)));
        }

        double Normal() => Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
    }
}
