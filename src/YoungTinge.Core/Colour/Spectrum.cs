namespace YoungTinge.Core.Colour;

/// <summary>
/// 36 values on the <see cref="SpectralGrid"/>: a reflectance (0 to 1), an absorption or a scattering, as its holder says.
/// </summary>
public sealed class Spectrum
{
    private readonly double[] values;

    /// <exception cref="ArgumentException">Not 36 values, or one of them not a finite number.</exception>
    public Spectrum(ReadOnlySpan<double> values)
    {
        if (values.Length != SpectralGrid.Bands)
            throw new ArgumentException($"A spectrum has {SpectralGrid.Bands} values, not {values.Length}.", nameof(values));
        foreach (var value in values)
        {
            if (!double.IsFinite(value))
                throw new ArgumentException($"A spectrum cannot hold {value}.", nameof(values));
        }

        this.values = values.ToArray();
    }

    public ReadOnlySpan<double> Values => values;

    public double this[int band] => values[band];

    public static Spectrum From(Func<int, double> valueAtBand)
    {
        Span<double> values = stackalloc double[SpectralGrid.Bands];
        for (var band = 0; band < values.Length; band++)
            values[band] = valueAtBand(band);
        return new Spectrum(values);
    }

    public Spectrum Times(double amount)
    {
        Span<double> times = stackalloc double[SpectralGrid.Bands];
        for (var band = 0; band < times.Length; band++)
            times[band] = values[band] * amount;
        return new Spectrum(times);
    }

    public Spectrum Map(Func<double, double> change) => From(band => change(values[band]));
}
