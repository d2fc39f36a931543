using System.Security.Cryptography;
using System.Text;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Devices;

/// <summary>
/// What is really in the jars of the simulated bench: like the cabinet's figures, but not quite. A colour is stronger or weaker,
/// its bands lie a few nanometres off, and it scatters a little more or less; colours come out faster or slower, a touch holds more or less than is written,
/// and the hand lays more or less than is planned. The same seed gives the same truth.
/// </summary>
public sealed class HiddenTruth(int seed)
{
    // As wide as jars of one name are said to differ: the cabinet's own figures "may be off by a factor of two".
    private const double StrengthSpread = 0.22;
    private const double MostOff = 0.5;
    private const double ShiftNm = 6;
    private const double ScatterSpread = 0.12;
    private const double HandSpread = 0.15;
    private const double UnitSpread = 0.3;
    private const double WeighedUnitSpread = 0.1;
    private const double RestSpread = 0.3;

    public Colourant Of(Colourant colourant) => colourant with
    {
        Optics = Of(colourant.Id, colourant.Optics),
        Units = [.. colourant.Units.Select(unit => unit with { MassG = unit.MassG * TimesOf(unit) })],
        Development = colourant.Development.Times(Times(ChanceOf("resting"), RestSpread)),
    };

    public Dust Of(Dust dust) => dust with { Optics = Of(dust.Id, dust.Optics) };

    /// <summary>A whole shelf as it really is, in the hand that really lays it on.</summary>
    public Materials Of(Materials jars) => jars.With(jars.All.Select(jar => jar switch
    {
        Colourant colourant => Of(colourant),
        Dust dust => Of(dust),
        _ => jar,
    }), Hand());

    private MakersHand Hand()
    {
        var chance = ChanceOf("hand");
        return new MakersHand([.. DustLoad.Named.Select(load => new HandAt(load.MgPerCm2, Times(chance, HandSpread)))], Times(chance, HandSpread));
    }

    /// <summary>The same for all colours that are measured by it.</summary>
    private double TimesOf(DoseUnit unit) => Times(ChanceOf($"{unit.Kind}/{unit.IsWeighed}"), unit.IsWeighed ? WeighedUnitSpread : UnitSpread);

    private KubelkaMunkSpectra Of(string id, KubelkaMunkSpectra nominal)
    {
        var chance = ChanceOf(id);
        var strength = Times(chance, StrengthSpread);
        var shift = Math.Clamp(ShiftNm * chance.NextNormal() / 2, -ShiftNm, ShiftNm);
        var scatter = Math.Exp(ScatterSpread * chance.NextNormal());
        return new KubelkaMunkSpectra(Shifted(nominal.Absorption, shift).Map(k => strength * k), nominal.Scattering.Map(s => scatter * s));
    }

    private static double Times(Random chance, double spread) => Math.Exp(Math.Clamp(spread * chance.NextNormal(), -MostOff, MostOff));

    private Random ChanceOf(string id)
    {
        var hash = SHA256.HashData(Encoding.UTF8.GetBytes($"{seed}/{id}"));
        return new Random(BitConverter.ToInt32(hash));
    }

    /// <summary>The spectrum moved along the wavelengths, linear between bands.</summary>
    internal static Spectrum Shifted(Spectrum spectrum, double nm) => Spectrum.From(band =>
    {
        var at = Math.Clamp(band - nm / SpectralGrid.StepNm, 0, SpectralGrid.Bands - 1);
        var low = Math.Min((int)at, SpectralGrid.Bands - 2);
        return spectrum[low] + (at - low) * (spectrum[low + 1] - spectrum[low]);
    });
}
