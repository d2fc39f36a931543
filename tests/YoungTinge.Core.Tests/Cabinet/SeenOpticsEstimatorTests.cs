using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Cabinet.Characterising;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Tests.Cabinet;

/// <summary>A colour of which only the looks of its dabs are known: the rest of the cabinet says what colours are like.</summary>
public class SeenOpticsEstimatorTests
{
    private static readonly KubelkaMunkSpectra White = TestData.Cabinet.Get<PasteBase>(TestData.White).Optics;
    private static readonly double[] Doses = [0.03, 0.12, 0.5, 1.5];

    private static readonly string[] Ids = [.. TestData.Cabinet.All.OfType<Colourant>().Select(colourant => colourant.Id)];

    public static TheoryData<string> Colourants => new(Ids);

    private static SeenDab Seen(string id, double dose) => new(dose, TestData.ColourOf(TestData.Recipe((id, dose))));

    private static IEnumerable<Colourant> Others(string id) => TestData.Cabinet.All.OfType<Colourant>().Where(other => other.Id != id);

    private static Lab Told(LearnedOptics learned, double dose) => Illuminant.D65.LabOf(Spectrum.From(band => KubelkaMunk.Opaque(
        White.Absorption[band] + dose * learned.Optics.Absorption[band], White.Scattering[band] + dose * learned.Optics.Scattering[band])));

    [Theory]
    [MemberData(nameof(Colourants))]
    public void Four_looks_tell_what_other_doses_look_like(string id)
    {
        var learned = SeenOpticsEstimator.Colourant([.. Doses.Select(dose => Seen(id, dose))], White, Others(id));
        Assert.False(learned.IsRough);
        Assert.InRange(learned.WorstDeltaE, 0, 2);
        Assert.All(new[] { 0.06, 0.25, 0.8, 2.5 }, dose => Assert.InRange(DeltaE2000.Between(Seen(id, dose).Colour, Told(learned, dose)), 0, 2.5));
        Assert.All(learned.Optics.Absorption.Values.ToArray(), value => Assert.True(value >= 0 && double.IsFinite(value)));
    }

    [Fact]
    public void More_dabs_tell_more()
    {
        double Miss(int dabs) => Ids.Average(id =>
        {
            var learned = SeenOpticsEstimator.Colourant([.. Doses[..dabs].Select(dose => Seen(id, dose))], White, Others(id));
            return DeltaE2000.Between(Seen(id, 2.5).Colour, Told(learned, 2.5));
        });
        Assert.True(Miss(4) < Miss(2) && Miss(2) < Miss(1), $"{Miss(1):0.0} {Miss(2):0.0} {Miss(4):0.0}");
    }

    [Fact]
    public void One_look_is_rough_and_still_comes_out_again()
    {
        var learned = SeenOpticsEstimator.Colourant([Seen("woad", 0.5)], White, Others("woad"));
        Assert.True(learned.IsRough);
        Assert.InRange(DeltaE2000.Between(Seen("woad", 0.5).Colour, Told(learned, 0.5)), 0, 1.5);
    }

    [Fact]
    public void It_works_in_a_cabinet_that_knows_no_colour()
    {
        var learned = SeenOpticsEstimator.Colourant([.. Doses.Select(dose => Seen("rowan", dose))], White, []);
        Assert.InRange(learned.WorstDeltaE, 0, 3);
    }

    [Fact]
    public void No_dab_five_dabs_or_no_amount_is_refused()
    {
        Assert.Throws<ArgumentException>(() => SeenOpticsEstimator.Colourant([], White, []));
        Assert.Throws<ArgumentException>(() => SeenOpticsEstimator.Colourant([.. Enumerable.Range(1, 5).Select(i => Seen("rowan", i))], White, []));
        Assert.Throws<ArgumentException>(() => SeenOpticsEstimator.Dust([new SeenDab(0, new Lab(50, 0, 0))], KubelkaMunk.Opaque(White), []));
    }
}
