using System.Globalization;
using CsCheck;
using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Tests.Colour;

public class DeltaE2000Tests
{
    public static TheoryData<Lab, Lab, double> PublishedPairs()
    {
        var pairs = new TheoryData<Lab, Lab, double>();
        foreach (var line in TestData.Text("ciede2000-sharma.csv").Split('\n').Where(line => line.Length > 0 && char.IsDigit(line[0])))
        {
            var n = Array.ConvertAll(line.Split(','), cell => double.Parse(cell, CultureInfo.InvariantCulture));
            pairs.Add(new Lab(n[0], n[1], n[2]), new Lab(n[3], n[4], n[5]), n[6]);
        }

        return pairs;
    }

    [Theory]
    [MemberData(nameof(PublishedPairs))]
    public void Agrees_with_the_published_pairs_both_ways(Lab one, Lab two, double expected)
    {
        // The publication gives four decimals.
        Assert.Equal(expected, DeltaE2000.Between(one, two), 5e-5);
        Assert.Equal(expected, DeltaE2000.Between(two, one), 5e-5);
    }

    [Fact]
    public void All_34_published_pairs_are_there() => Assert.Equal(34, PublishedPairs().Count);

    [Fact]
    public void Is_never_negative_and_zero_only_for_the_same_colour() =>
        Gen.Select(Colours, Colours).Holds((one, two) =>
        {
            Assert.Equal(0, DeltaE2000.Between(one, one), 1e-12);
            Assert.True(DeltaE2000.Between(one, two) >= 0);
        });

    [Fact]
    public void Its_parts_add_up_and_point_the_way() => Gen.Select(Colours, Colours).Holds((one, two) =>
    {
        var (lightness, chroma, hue) = DeltaE2000.Terms(one, two);
        Assert.Equal(DeltaE2000.Between(one, two), Math.Sqrt(lightness * lightness + chroma * chroma + hue * hue), 1e-12);
        Assert.Equal(Math.Sign(two.L - one.L), Math.Sign(lightness));
        // The same hue, more colourful: all of the chroma part, none of the hue part.
        var stronger = one with { A = one.A * 1.2, B = one.B * 1.2 };
        Assert.True(DeltaE2000.Terms(one, stronger).Chroma >= 0);
        Assert.True(Math.Abs(DeltaE2000.Terms(one, stronger).Hue) <= DeltaE2000.Between(one, stronger));
    });

    internal static readonly Gen<Lab> Colours =
        Gen.Select(Gen.Double[1, 99], Gen.Double[-90, 90], Gen.Double[-90, 90], (l, a, b) => new Lab(l, a, b));
}
