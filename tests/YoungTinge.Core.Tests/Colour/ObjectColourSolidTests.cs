using CsCheck;
using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Tests.Colour;

public class ObjectColourSolidTests
{
    private static readonly Xyz Middle = Illuminant.D65.White * 0.5;

    [Fact]
    public void Every_surface_is_inside() =>
        Gen.Double[0, 1].Array[SpectralGrid.Bands].Holds(r => Assert.True(ObjectColourSolid.Contain(Illuminant.D65.LabOf(new Spectrum(r)))));

    /// <summary>Surfaces that reflect all or nothing, with two changes along the spectrum, are the most colourful there are (Schroedinger).</summary>
    [Fact]
    public void The_most_colourful_surfaces_are_the_edge() =>
        Gen.Select(Gen.Int[0, 34], Gen.Int[1, 35], Gen.Bool).Where((from, to, _) => from < to).Holds((from, to, inverted) =>
        {
            var surface = Spectrum.From(band => (band >= from && band < to) != inverted ? 1 : 0);
            var edge = Illuminant.D65.XyzOf(surface);
            Assert.True(ObjectColourSolid.Contain(LabFromXyz.Convert(edge, Illuminant.D65.White)));
            var beyond = Middle + (edge + Middle * -1) * 1.001;
            Assert.False(ObjectColourSolid.Contain(LabFromXyz.Convert(beyond, Illuminant.D65.White)));
        });

    [Theory]
    [InlineData(0, 0, 0, true)]
    [InlineData(100, 0, 0, true)]
    [InlineData(100.1, 0, 0, false)]
    [InlineData(50, 127, -128, false)]
    [InlineData(double.NaN, 0, 0, false)]
    [InlineData(50, double.PositiveInfinity, 0, false)]
    public void Edges(double l, double a, double b, bool inside) => Assert.Equal(inside, ObjectColourSolid.Contain(new Lab(l, a, b)));

    [Fact]
    public void The_nearest_possible_colour_is_possible_and_keeps_lightness() =>
        Gen.Select(Gen.Double[1, 99], Gen.Double[-150, 150], Gen.Double[-150, 150]).Holds((l, a, b) =>
        {
            var nearest = ObjectColourSolid.Nearest(new Lab(l, a, b));
            Assert.True(ObjectColourSolid.Contain(nearest));
            Assert.Equal(l, nearest.L);
        });
}
