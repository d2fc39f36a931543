using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Cabinet.Characterising;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Tests.Cabinet;

/// <summary>A material that is only known by a few dabs of it.</summary>
public class OpticsEstimatorTests
{
    private static readonly KubelkaMunkSpectra White = TestData.Cabinet.Get<PasteBase>(TestData.White).Optics;

    public static TheoryData<string> Colourants => new(TestData.Cabinet.All.OfType<Colourant>().Select(colourant => colourant.Id));

    public static TheoryData<string> Dusts => new(TestData.Cabinet.All.OfType<Dust>().Where(dust => dust.Kind == DustKind.Matte).Select(dust => dust.Id));

    [Theory]
    [MemberData(nameof(Colourants))]
    public void Three_dabs_tell_what_other_doses_give(string id)
    {
        var learned = OpticsEstimator.Colourant([Dab(id, 0.1), Dab(id, 0.5), Dab(id, 2)], White);
        Assert.False(learned.IsRough);
        Assert.InRange(learned.WorstDeltaE, 0, 0.5);
        foreach (var dose in new[] { 0.05, 0.25, 1.0, 3.0 })
        {
            var mix = Spectrum.From(band => KubelkaMunk.Opaque(
                White.Absorption[band] + dose * learned.Optics.Absorption[band], White.Scattering[band] + dose * learned.Optics.Scattering[band]));
            // Half a just-seen step: the dabs lie between and around these doses.
            Assert.InRange(DeltaE2000.Between(TestData.ColourOf(TestData.Recipe((id, dose))), Illuminant.D65.LabOf(mix)), 0, 0.5);
        }
    }

    [Theory]
    [MemberData(nameof(Dusts))]
    public void Three_loads_tell_what_others_give(string id)
    {
        var dust = TestData.Cabinet.Get<Dust>(id).Optics;
        var below = KubelkaMunk.Opaque(White);
        Spectrum Laid(KubelkaMunkSpectra optics, double load) => KubelkaMunk.Layer(optics.Absorption, optics.Scattering, load, below);
        var learned = OpticsEstimator.Dust([.. new[] { 0.1, 0.3, 0.6 }.Select(load => new Dab(load, Laid(dust, load)))], below);
        foreach (var load in new[] { 0.05, 0.2, 0.45 })
        {
            var light = Illuminant.D65;
            Assert.InRange(DeltaE2000.Between(light.LabOf(Laid(dust, load)), light.LabOf(Laid(learned.Optics, load))), 0, 0.7);
        }
    }

    [Fact]
    public void One_dab_is_told_again_exactly_and_called_rough()
    {
        var learned = OpticsEstimator.Colourant([Dab("rowan", 0.4)], White);
        Assert.True(learned.IsRough);
        Assert.InRange(learned.WorstDeltaE, 0, 1e-6);
    }

    [Fact]
    public void No_dab_five_dabs_or_no_dose_is_refused()
    {
        Assert.Throws<ArgumentException>(() => OpticsEstimator.Colourant([], White));
        Assert.Throws<ArgumentException>(() => OpticsEstimator.Colourant([.. Enumerable.Range(1, 5).Select(i => Dab("rowan", i * 0.1))], White));
        Assert.Throws<ArgumentException>(() => OpticsEstimator.Colourant([Dab("rowan", 0.1) with { Amount = 0 }], White));
    }

    private static Dab Dab(string id, double dose) => new(dose, PasteOptics.Reflectance(TestData.Recipe((id, dose)), TestData.Cabinet));
}
