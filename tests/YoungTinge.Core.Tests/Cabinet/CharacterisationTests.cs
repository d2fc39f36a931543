using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Cabinet.Characterising;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Tests.Cabinet;

public class CharacterisationTests
{
    private static readonly PasteBase White = TestData.Cabinet.Get<PasteBase>(TestData.White);
    private static readonly Spectrum Below = KubelkaMunk.Opaque(White.Optics);

    private static DabReading Dab(double amount, Spectrum look, bool isRead) =>
        new(amount, Illuminant.D65.LabOf(look), isRead ? look.Values.ToArray() : null);

    private static IReadOnlyList<DabReading> InPaste(string id, bool isRead, params double[] doses) =>
        [.. doses.Select(dose => Dab(dose, DabColour.InPaste(TestData.Cabinet.Get<Colourant>(id).Optics, dose, White.Optics), isRead))];

    private static IReadOnlyList<DabReading> RubbedOut(string id, bool isRead, params double[] loads) =>
        [.. loads.Select(load => Dab(load, DabColour.RubbedOut(TestData.Cabinet.Get<Dust>(id).Optics, load, Below), isRead))];

    private static IEnumerable<Material> Others(string id) => TestData.Cabinet.All.Where(material => material.Id != id);

    [Fact]
    public void A_dab_looks_as_paste_with_its_colour_looks()
    {
        var rowan = TestData.Cabinet.Get<Colourant>("rowan");
        var mixed = PasteOptics.Reflectance(TestData.Recipe(("rowan", 0.37)), TestData.Cabinet);
        var dab = DabColour.InPaste(rowan.Optics, 0.37, White.Optics);
        for (var band = 0; band < SpectralGrid.Bands; band++)
            Assert.Equal(mixed[band], dab[band], 12);
    }

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public void It_tells_the_dabs_and_a_ladder_that_deepens(bool isRead)
    {
        var (learned, told, ladder) = Characterisation.Of(MaterialKind.Colourant, InPaste("woad", isRead, 0.03, 0.12, 0.5, 1.5), White, Others("woad"));
        Assert.Equal(4, told.Count);
        Assert.Contains(learned.Quality, new[] { FitQuality.Good, FitQuality.Fair });
        Assert.Equal(ladder.OrderBy(step => step.Amount), ladder);
        Assert.Equal(ladder.OrderByDescending(step => step.Colour.L), ladder);
        var truth = TestData.ColourOf(TestData.Recipe(("woad", 0.4)));
        Assert.InRange(DeltaE2000.Between(truth, ladder.Single(step => step.Amount == 0.4).Colour), 0, isRead ? 0.3 : 2);
    }

    [Theory]
    [InlineData("wine-lees", true)]
    [InlineData("wine-lees", false)]
    [InlineData("scabious", true)]
    public void A_dust_is_learned_from_rubbing_it_out(string id, bool isRead)
    {
        var (_, _, ladder) = Characterisation.Of(MaterialKind.Dust, RubbedOut(id, isRead, 0.1, 0.25, 0.5, 0.7), White, Others(id));
        var truth = Illuminant.D65.LabOf(DabColour.RubbedOut(TestData.Cabinet.Get<Dust>(id).Optics, 0.3, Below));
        Assert.InRange(DeltaE2000.Between(truth, ladder.Single(step => step.Amount == 0.3).Colour), 0, 1.5);
    }

    [Fact]
    public void Rough_materials_teach_nothing_and_one_dab_is_called_rough()
    {
        var dabs = InPaste("vetch", false, 0.1, 0.6);
        var spoilt = Others("vetch").Select(material => material is Colourant colourant
            ? colourant with { Optics = new KubelkaMunkSpectra(Spectrum.From(_ => 40), Spectrum.From(_ => 3)), Source = new OpticsSource(OpticsOrigin.Label, null) }
            : material);
        var alone = Characterisation.Of(MaterialKind.Colourant, dabs, White, []);
        Assert.Equal(alone.Learned.Optics.Absorption.Values, Characterisation.Of(MaterialKind.Colourant, dabs, White, spoilt).Learned.Optics.Absorption.Values);
        Assert.Equal(FitQuality.Rough, Characterisation.Of(MaterialKind.Colourant, dabs.Take(1).ToList(), White, Others("vetch")).Learned.Quality);
    }

    [Fact]
    public void Dabs_of_which_one_has_no_spectrum_are_taken_by_their_colours()
    {
        IReadOnlyList<DabReading> mixed = [InPaste("frond", true, 0.1)[0], InPaste("frond", false, 0.8)[0]];
        var seen = Characterisation.Of(MaterialKind.Colourant, InPaste("frond", false, 0.1, 0.8), White, Others("frond"));
        Assert.Equal(seen.Learned.Optics.Absorption.Values, Characterisation.Of(MaterialKind.Colourant, mixed, White, Others("frond")).Learned.Optics.Absorption.Values);
    }

    [Fact]
    public void Only_what_colours_is_learned()
    {
        Assert.Throws<ArgumentException>(() => Characterisation.Of(MaterialKind.Glaze, InPaste("rowan", true, 0.1), White, []));
        Assert.Throws<ArgumentException>(() => Characterisation.Of(MaterialKind.Colourant, [], White, []));
        Assert.Equal([MaterialKind.Colourant, MaterialKind.Dust, MaterialKind.Lustre], Enum.GetValues<MaterialKind>().Where(Characterisation.IsFor));
    }
}
