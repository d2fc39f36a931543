using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Learning;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Coats.Learning;

/// <summary>A finished zone by what its dusts are like and how heavily a hand lays them, with slopes.</summary>
internal sealed class ZoneLook
{
    private const double Step = 1e-4;

    private readonly FinishedZone zone;
    private readonly Material[] named;
    private readonly LearnedJars jars;
    private readonly KubelkaMunkSpectra paste;
    private readonly Material?[] dusts;

    /// <param name="cabinet">All that the coats name is in it.</param>
    /// <param name="jars">What is known of the paste below.</param>
    public ZoneLook(FinishedZone zone, Materials cabinet, LearnedJars jars)
    {
        (this.zone, this.jars) = (zone, jars);
        named = [.. zone.Coats.SelectMany(coat => coat.MaterialIds()).Distinct().Select(id => cabinet.Find(id) ?? throw new KeyNotFoundException($"There is no '{id}'."))];
        paste = jars.MixOf(zone.BaseId, zone.Doses, dose => jars.Of(zone.Doses[dose].JarId).Difference);
        Parts = zone.Parts;
        Dusts = zone.DustsIn(cabinet);
        dusts = [.. Dusts.Select(id => named.First(material => material.Id == id))];
    }

    /// <summary>Parts of the hand that it depends on.</summary>
    public IReadOnlyList<HandPart> Parts { get; }

    /// <summary>Dusts that lie in it, starch left out.</summary>
    public IReadOnlyList<string> Dusts { get; }

    /// <param name="hand">Logarithms by part.</param>
    /// <param name="differences">Of its dusts, in their order.</param>
    /// <param name="slopes">By each of its parts, then by strength and tilt of each of its dusts.</param>
    public Lab ColourAndSlopes(ReadOnlySpan<double> hand, IReadOnlyList<JarDifference> differences, Span<Lab> slopes)
    {
        var trial = hand.ToArray();
        var layers = LayersOf(MaterialsWith(hand, differences));
        var here = Look(paste, layers);
        var slot = 0;
        foreach (var part in Parts)
        {
            trial[(int)part] += Step;
            slopes[slot++] = Slope(here, Look(paste, With(MaterialsWith(trial, differences), coat => HandPrior.PartsIn(coat).Contains(part))));
            trial[(int)part] -= Step;
        }

        for (var dust = 0; dust < Dusts.Count; dust++)
        {
            for (var which = 0; which < 2; which++)
            {
                JarDifference[] moved = [.. differences];
                moved[dust] = Moved(moved[dust], which);
                slopes[slot++] = Slope(here, Look(paste, With(MaterialsWith(hand, moved), coat => coat.MaterialIds().Contains(Dusts[dust]))));
            }
        }

        var uneven = zone.Laid.Unevenness;
        return new Lab(here.L + uneven.L, here.A + uneven.A, here.B + uneven.B);

        Layer?[] With(Materials materials, Func<Coat, bool> isOther) => [.. layers.Select((layer, i) => layer is not null && isOther(zone.Coats[i]) ? zone.Coats[i].Resolve(materials).Layer : layer)];
    }

    /// <summary>How far it may be off by what is not known of the paste below: 3 by 3, in L, a and b.</summary>
    public double[] SpreadOfPaste()
    {
        var layers = LayersOf(MaterialsWith(new double[HandPrior.Parts.Length], new JarDifference[Dusts.Count]));
        var here = Look(paste, layers);
        Lab[] slopes = [.. zone.Doses.SelectMany((_, dose) => new[] { 0, 1 }.Select(which => Slope(here, Look(
            jars.MixOf(zone.BaseId, zone.Doses, other => jars.Of(zone.Doses[other].JarId).Difference is var known && other == dose ? Moved(known, which) : known), layers))))];
        var spread = new double[9];
        Spread.Add(spread, slopes, jars.CovarianceOf(new PasteUnknowns(zone.Doses, null)));
        return spread;
    }

    private Layer?[] LayersOf(Materials materials) => [.. zone.Coats.Select((coat, i) => zone.Laid.Has(i) ? coat.Resolve(materials).Layer : null)];

    private static JarDifference Moved(JarDifference jar, int which) => which == 0 ? jar with { Strength = jar.Strength + Step } : jar with { Tilt = jar.Tilt + Step };

    private Lab Look(KubelkaMunkSpectra below, Layer?[] layers) => ZoneAsLaid.LookOf(below, layers, zone.Laid.Spots);

    private Materials MaterialsWith(ReadOnlySpan<double> hand, IReadOnlyList<JarDifference> differences) =>
        new(named.Select(material => Array.IndexOf(dusts, material) is var at and >= 0 ? ((Dust)material).With(differences[at]) : material)) { Hand = HandPrior.Of(hand) };

    private static Lab Slope(Lab here, Lab there) => new((there.L - here.L) / Step, (there.A - here.A) / Step, (there.B - here.B) / Step);
}
