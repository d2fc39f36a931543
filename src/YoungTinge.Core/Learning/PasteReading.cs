using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Learning;

/// <summary>How a colour was read.</summary>
public enum ReadBy
{
    /// <summary>A colour reader.</summary>
    Reader,

    /// <summary>A picture beside a white card.</summary>
    Camera,

    /// <summary>Compared by eye with what was predicted.</summary>
    Eye,

    /// <summary>A number that somebody typed, of whatever comes from.</summary>
    Typed,
}

/// <summary>So much of a jar in a paste.</summary>
/// <param name="JarId">The jar itself, not its name: another lot is another jar.</param>
/// <param name="GPer100g">Grams for each 100 g of paste before colour, above 0; of what was counted, by what is written of its unit.</param>
/// <param name="Counted">Null for what was weighed.</param>
public readonly record struct JarDose(string JarId, double GPer100g, Counted? Counted = null)
{
    /// <summary>How far it may be off for being counted: the variance of its logarithm.</summary>
    internal double Scatter => Counted is null ? 0 : UnitPrior.ScatterVariance(Counted.Count);
}

/// <summary>The colour of an opaque paste, as it was read.</summary>
/// <param name="Id">Of its entry in the logbook.</param>
/// <param name="At">When it was read.</param>
/// <param name="Colour">Under daylight.</param>
public sealed record PasteReading(Guid Id, DateTimeOffset At, string BaseId, IReadOnlyList<JarDose> Doses, ReadBy By, Lab Colour)
{
    /// <summary>After a month nobody waits for colour to come out.</summary>
    public const double MostRestedHours = 720;

    /// <summary>Since it was kneaded, 0 to <see cref="MostRestedHours"/>; null when its colour had come out.</summary>
    public double? RestedHours { get; init; }

    /// <summary>That it was looked at in.</summary>
    public LightKind Light { get; init; } = LightKind.Daylight;

    internal PasteUnknowns Unknowns => new(Doses, RestedHours);
}

/// <summary>How far readings of a kind are off by themselves: standard deviations in L, a and b. House figures.</summary>
public static class ReadingNoise
{
    /// <summary>Besides, in another light than day, where colours that are alike in the one are not in the other.</summary>
    private const double InOtherLight = 2;

    /// <param name="light">That it was looked at in. A colour reader brings its own.</param>
    public static double Of(ReadBy by, LightKind light)
    {
        var off = by switch
        {
            ReadBy.Reader => 0.4,
            ReadBy.Camera => 1.5,
            ReadBy.Eye => 3,
            _ => 1.5,
        };
        return by is ReadBy.Camera or ReadBy.Eye && light != LightKind.Daylight ? Math.Sqrt(off * off + InOtherLight * InOtherLight) : off;
    }
}
