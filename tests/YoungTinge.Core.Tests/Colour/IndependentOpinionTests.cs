using System.Diagnostics;
using System.Text.Json;
using YoungTinge.Checks;
using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Tests.Colour;

/// <summary>Lab, OKLab and CIEDE2000 against a colour library in another language, over ten thousand random pairs of colours.</summary>
public class IndependentOpinionTests
{
    private const int Pairs = 10_000;

    [Fact]
    public void Culori_agrees()
    {
        var random = new Random(20);
        double[] Colour() => [random.NextDouble(), random.NextDouble(), random.NextDouble()];
        double[][][] pairs = [.. Enumerable.Range(0, Pairs).Select(_ => new[] { Colour(), Colour() })];
        var opinions = Ask(pairs);
        Assert.Equal(Pairs, opinions.Length);
        var white = new Xyz(0.3127 / 0.3290, 1, (1 - 0.3127 - 0.3290) / 0.3290);
        for (var i = 0; i < Pairs; i++)
        {
            var opinion = opinions[i];
            var srgb = new Srgb(pairs[i][0][0], pairs[i][0][1], pairs[i][0][2]);
            var lab = opinion.GetProperty("lab").Lab();

            // Its XYZ to Lab and back, about its own white.
            var (x, y, z) = opinion.GetProperty("xyz").Numbers() switch { [var a, var b, var c] => (a, b, c), _ => throw new InvalidDataException() };
            AssertNear(lab, LabFromXyz.Convert(new Xyz(x, y, z), white), 1e-9);
            var back = XyzFromLab.Convert(lab, white);
            AssertNear(new Lab(x, y, z), new Lab(back.X, back.Y, back.Z), 1e-9);

            // Ours goes by the white of the 10 nm tables, a hair from the textbook's: adapted, the two differ by less than an eye can tell.
            Assert.InRange(DeltaE2000.Between(lab, Illuminant.D65.LabOf(srgb)), 0, 0.02);

            // Its matrices have ten digits.
            var ok = OkLab.FromLinearRgb(srgb.ToLinear());
            AssertNear(opinion.GetProperty("oklab").Lab(), new Lab(ok.L, ok.A, ok.B), 1e-6);

            Assert.Equal(opinion.Number("deltaE2000"), DeltaE2000.Between(lab, opinion.GetProperty("labBeside").Lab()), 1e-9);
        }
    }

    private static void AssertNear(Lab expected, Lab actual, double tolerance)
    {
        Assert.Equal(expected.L, actual.L, tolerance);
        Assert.Equal(expected.A, actual.A, tolerance);
        Assert.Equal(expected.B, actual.B, tolerance);
    }

    private static JsonElement[] Ask(double[][][] pairs)
    {
        var client = Path.Combine(Repository.Folder, "client");
        using var node = Process.Start(new ProcessStartInfo("node", ["checks/colours.mjs"])
        {
            WorkingDirectory = client,
            RedirectStandardInput = true,
            RedirectStandardOutput = true,
        })!;
        var answer = node.StandardOutput.ReadToEndAsync();
        using (var input = node.StandardInput)
            input.Write(JsonSerializer.Serialize(pairs));
        node.WaitForExit();
        Assert.Equal(0, node.ExitCode);
        return [.. JsonDocument.Parse(answer.Result).RootElement.EnumerateArray()];
    }
}
