using CsCheck;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Tests.Optics;

/// <summary>What the finder spends its time on: fast, without garbage, and the same as the readable way.</summary>
public class HotPathTests
{
    private static readonly Colourant[] Colourants = [.. TestData.Cabinet.All.OfType<Colourant>()];
    private static readonly PasteColourModel Model = new(TestData.Cabinet.Get<PasteBase>(TestData.White).Optics, [.. Colourants.Select(c => c.Optics)]);

    [Fact]
    public void The_fast_paste_reflects_as_the_plain_one_does() =>
        Gen.Select(Gen.Int[0, Colourants.Length - 2], Gen.Double[0, 4], Gen.Double[0, 4]).Holds((first, one, two) =>
        {
            var expected = PasteOptics.Reflectance(TestData.Recipe((Colourants[first].Id, one), (Colourants[first + 1].Id, two)), TestData.Cabinet);
            var actual = new double[SpectralGrid.Bands];
            Model.ReflectanceOf([first, first + 1], [one, two], actual);
            for (var band = 0; band < actual.Length; band++)
                Assert.Equal(expected[band], actual[band], 1e-12);
            // Lab is on a scale of 100.
            var (l, a, b) = Model.ColourOf([first, first + 1], [one, two]);
            var lab = Illuminant.D65.LabOf(expected);
            Assert.Equal(lab.L, l, 1e-10);
            Assert.Equal(lab.A, a, 1e-10);
            Assert.Equal(lab.B, b, 1e-10);
        });

    [Fact]
    public void The_slopes_are_those_of_small_steps() =>
        Gen.Select(Gen.Int[0, Colourants.Length - 1], Gen.Double[0.02, 3]).Holds((colour, dose) =>
        {
            const double step = 1e-5;
            var slopes = new Lab[1];
            var from = Model.ColourAndSlopes([colour], [dose], slopes);
            var to = Model.ColourOf([colour], [dose + step]);
            // The curve bends: a step of 1e-5 g is straight to about a thousandth.
            Assert.Equal((to.L - from.L) / step, slopes[0].L, 1e-3 * (1 + Math.Abs(slopes[0].L)));
            Assert.Equal((to.A - from.A) / step, slopes[0].A, 1e-3 * (1 + Math.Abs(slopes[0].A)));
            Assert.Equal((to.B - from.B) / step, slopes[0].B, 1e-3 * (1 + Math.Abs(slopes[0].B)));
        });

    [Fact]
    public void Neither_paste_nor_dust_leaves_garbage()
    {
        int[] chosen = [2, 5, 9];
        double[] doses = [0.1, 0.2, 0.3];
        var face = new double[SpectralGrid.Bands];
        var film = new DustFilm(TestData.Cabinet.Get<Dust>("nettle").Optics);
        Work();
        var before = GC.GetAllocatedBytesForCurrentThread();
        for (var i = 0; i < 100; i++)
            Work();
        Assert.Equal(before, GC.GetAllocatedBytesForCurrentThread());

        void Work()
        {
            Span<Lab> slopes = stackalloc Lab[3];
            Model.ColourAndSlopes(chosen, doses, slopes);
            film.LayOn(face, 0.1);
        }
    }
}
