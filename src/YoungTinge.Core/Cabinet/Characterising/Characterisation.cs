using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Cabinet.Characterising;

/// <summary>A material learned from its dabs, and what it does.</summary>
/// <param name="Told">What the model tells for each dab, in their order; under daylight.</param>
/// <param name="Ladder">What it does amount by amount, up to what is usual.</param>
public sealed record Characterisation(LearnedOptics Learned, IReadOnlyList<Lab> Told, IReadOnlyList<(double Amount, Lab Colour)> Ladder)
{
    private static readonly double[] StepsGPer100g = [0.02, 0.05, 0.1, 0.2, 0.4, 0.8, 1.6, 3];
    private static readonly double[] StepsMgPerCm2 = [0.05, 0.1, 0.2, 0.3, 0.45, 0.7];

    /// <summary>A colour is kneaded into paste, a dust or lustre rubbed out on it; nothing else is learned from dabs.</summary>
    public static bool IsFor(MaterialKind kind) => kind is MaterialKind.Colourant or MaterialKind.Dust or MaterialKind.Lustre;

    /// <param name="dabs">One to four. Their spectra count if all have one, else their colours.</param>
    /// <param name="paste">That they were kneaded into or rubbed out on.</param>
    /// <param name="known">Materials that teach what such things are like; what is only roughly known teaches nothing.</param>
    /// <exception cref="ArgumentException">No dab, more than four, an amount that is not above 0, or a kind that is not learned.</exception>
    public static Characterisation Of(MaterialKind kind, IReadOnlyList<DabReading> dabs, PasteBase paste, IEnumerable<Material> known)
    {
        if (!IsFor(kind))
            throw new ArgumentException($"A {kind} is not learned from dabs.", nameof(kind));
        var inPaste = kind == MaterialKind.Colourant;
        var below = KubelkaMunk.Opaque(paste.Optics);
        var teachers = known.Where(material => material.Source.Origin != OpticsOrigin.Label).ToList();
        var learned = inPaste ? Colourant(dabs, paste.Optics, teachers) : Dust(dabs, below, teachers);
        Lab ColourAt(double amount) => Illuminant.D65.LabOf(inPaste
            ? DabColour.InPaste(learned.Optics, amount, paste.Optics)
            : DabColour.RubbedOut(learned.Optics, amount, below));
        return new Characterisation(
            learned, [.. dabs.Select(dab => ColourAt(dab.Amount))], [.. (inPaste ? StepsGPer100g : StepsMgPerCm2).Select(amount => (amount, ColourAt(amount)))]);
    }

    private static LearnedOptics Colourant(IReadOnlyList<DabReading> dabs, KubelkaMunkSpectra paste, List<Material> teachers) => HaveSpectra(dabs)
        ? OpticsEstimator.Colourant([.. dabs.Select(Measured)], paste)
        : SeenOpticsEstimator.Colourant([.. dabs.Select(Seen)], paste, teachers.OfType<Colourant>());

    private static LearnedOptics Dust(IReadOnlyList<DabReading> dabs, Spectrum below, List<Material> teachers) => HaveSpectra(dabs)
        ? OpticsEstimator.Dust([.. dabs.Select(Measured)], below)
        : SeenOpticsEstimator.Dust([.. dabs.Select(Seen)], below, teachers.OfType<Dust>());

    private static bool HaveSpectra(IReadOnlyList<DabReading> dabs) => dabs.All(dab => dab.Reflectance is not null);

    // Nothing is quite black; a reader may say so.
    private static Dab Measured(DabReading dab) => new(dab.Amount, new Spectrum(dab.Reflectance!.Select(value => Math.Max(value, 0.001)).ToArray()));

    private static SeenDab Seen(DabReading dab) => new(dab.Amount, dab.Colour);
}
