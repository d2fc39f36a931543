using System.Runtime.CompilerServices;
using System.Runtime.InteropServices;
using System.Runtime.Intrinsics;

namespace YoungTinge.Core.Optics;

/// <summary>
/// A layer over a face in four bands at once, without allocating: the hot path of pictures and planner. It answers as
/// <see cref="KubelkaMunk.Layer(double, double, double, double)"/> does.
/// </summary>
internal static class SimdKubelkaMunk
{
    /// <summary>Below this depth the series to t⁶ is exact to 1e-16; above it 1 - exp(-2t) keeps 14 digits.</summary>
    private const double SeriesBelow = 0.02;

    private const double Ln2 = 0.6931471805599453;

    /// <summary>3 times 2^51: a double near it has no bits left for a fraction.</summary>
    private const double NoFraction = 6755399441055744;

    /// <param name="depth">sqrt(K (K + 2 S)) times the thickness or load, 0 or more.</param>
    /// <param name="scattered">S times it.</param>
    /// <param name="total">K + S times it.</param>
    /// <param name="face">Reflectance below, 0 to 1.</param>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static Vector256<double> LayerOver(Vector256<double> depth, Vector256<double> scattered, Vector256<double> total, Vector256<double> face)
    {
        var square = depth * depth;
        var series = Vector256<double>.One + square * (Vector256.Create(1.0 / 3)
            + square * (Vector256.Create(-1.0 / 45) + square * (2.0 / 945)));
        var decay = Decay(depth);
        // depth coth(depth) as a fraction, so that all is divided once at the end: dividing takes longer than all the rest.
        var isThin = Vector256.LessThan(depth, Vector256.Create(SeriesBelow));
        var over = Vector256.ConditionalSelect(isThin, series, depth * (Vector256<double>.One + decay));
        var under = Vector256.ConditionalSelect(isThin, Vector256<double>.One, Vector256<double>.One - decay);
        var laid = ((scattered - face * total) * under + face * over) / ((total - face * scattered) * under + over);
        return Vector256.Min(Vector256.Max(laid, Vector256<double>.Zero), Vector256<double>.One);
    }

    /// <summary>
    /// exp(-2 depth), to the last digit but one: 2 to a whole power, times the Taylor series of the rest. The runtime's own looks for
    /// what cannot be here: negative depths and NaN.
    /// </summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    private static Vector256<double> Decay(Vector256<double> depth)
    {
        var halvings = Vector256.Max(depth * (-2 / Ln2), Vector256.Create(-1000.0));
        // Adding what has no digits behind the point rounds; the whole number then stands in the lowest bits.
        var whole = halvings + Vector256.Create(NoFraction);
        var rest = (halvings - (whole - Vector256.Create(NoFraction))) * Ln2;
        var sum = Vector256.Create(1.0 / 39916800);
        sum = Vector256.MultiplyAddEstimate(sum, rest, Vector256.Create(1.0 / 3628800));
        sum = Vector256.MultiplyAddEstimate(sum, rest, Vector256.Create(1.0 / 362880));
        sum = Vector256.MultiplyAddEstimate(sum, rest, Vector256.Create(1.0 / 40320));
        sum = Vector256.MultiplyAddEstimate(sum, rest, Vector256.Create(1.0 / 5040));
        sum = Vector256.MultiplyAddEstimate(sum, rest, Vector256.Create(1.0 / 720));
        sum = Vector256.MultiplyAddEstimate(sum, rest, Vector256.Create(1.0 / 120));
        sum = Vector256.MultiplyAddEstimate(sum, rest, Vector256.Create(1.0 / 24));
        sum = Vector256.MultiplyAddEstimate(sum, rest, Vector256.Create(1.0 / 6));
        sum = Vector256.MultiplyAddEstimate(sum, rest, Vector256.Create(1.0 / 2));
        sum = Vector256.MultiplyAddEstimate(sum, rest, Vector256<double>.One);
        sum = Vector256.MultiplyAddEstimate(sum, rest, Vector256<double>.One);
        return (sum.AsInt64() + Vector256.ShiftLeft(whole.AsInt64(), 52)).AsDouble();
    }

    /// <summary>Adds a share of one spectrum to another, in place.</summary>
    public static void Add(Span<double> to, ReadOnlySpan<double> spectrum, double share)
    {
        var sums = MemoryMarshal.Cast<double, Vector256<double>>(to);
        var parts = MemoryMarshal.Cast<double, Vector256<double>>(spectrum);
        for (var i = 0; i < sums.Length; i++)
            sums[i] += parts[i] * share;
    }

    /// <summary>Goes from one spectrum a share of the way to another, in place of the other.</summary>
    public static void Blend(Span<double> to, ReadOnlySpan<double> from, double share)
    {
        var ends = MemoryMarshal.Cast<double, Vector256<double>>(to);
        var starts = MemoryMarshal.Cast<double, Vector256<double>>(from);
        for (var i = 0; i < ends.Length; i++)
            ends[i] = starts[i] + share * (ends[i] - starts[i]);
    }

    /// <summary>Lays one layer over a face, in place.</summary>
    /// <param name="face">36 reflectances below, 0 to 1.</param>
    /// <param name="absorbed">K times the load, without unit.</param>
    /// <param name="scattered">S times the load.</param>
    public static void LayOver(Span<double> face, ReadOnlySpan<double> absorbed, ReadOnlySpan<double> scattered)
    {
        var faces = MemoryMarshal.Cast<double, Vector256<double>>(face);
        var ks = MemoryMarshal.Cast<double, Vector256<double>>(absorbed);
        var ss = MemoryMarshal.Cast<double, Vector256<double>>(scattered);
        for (var i = 0; i < faces.Length; i++)
        {
            var k = Vector256.Max(ks[i], Vector256<double>.Zero);
            faces[i] = LayerOver(Vector256.Sqrt(k * (k + 2 * ss[i])), ss[i], k + ss[i], faces[i]);
        }
    }
}
