using MathNet.Numerics.Distributions;

namespace YoungTinge.Core.Learning;

/// <summary>Pieces that dried were touched.</summary>
/// <param name="IsDry">As dry as they had to be.</param>
/// <param name="Minutes">Since they were laid out; above 0.</param>
/// <param name="HouseMinutes">That it takes by the house figures for their thickness, their paste and their room; above 0.</param>
public sealed record DryingTouch(bool IsDry, double Minutes, double HouseMinutes);

/// <summary>
/// How many times as long things dry in a studio as the house figures say. A touch only tells that it was dry before, or will be after: probit analysis
/// (Finney 1971) of the logarithm of the times, with what is usual as a prior, over a grid.
/// </summary>
public static class DryingFactor
{
    /// <summary>How far studios differ from the house figures, and pieces within one, as standard deviations of the logarithm. House figures.</summary>
    private const double AmongStudios = 0.35, AmongPieces = 0.15;

    /// <summary>So many touches are wrong: another tray, a key pressed by mistake.</summary>
    private const double Slips = 0.04;

    public static LearnedFactor From(IEnumerable<DryingTouch> touches) =>
        LearnedFactor.From([.. touches.Where(touch => touch is { Minutes: > 0, HouseMinutes: > 0 })], AmongStudios, ChanceOf);

    /// <param name="x">Logarithm of the factor.</param>
    private static double ChanceOf(DryingTouch touch, double x)
    {
        var dry = Normal.CDF(0, AmongPieces, Math.Log(touch.Minutes / touch.HouseMinutes) - x);
        return 0.5 * Slips + (1 - Slips) * (touch.IsDry ? dry : 1 - dry);
    }
}
