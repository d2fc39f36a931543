using MathNet.Numerics;

namespace YoungTinge.Core.Marble;

/// <summary>
/// A block of striped paste that is kneaded: each time it is twisted (a shear), stretched to twice its length and folded, and smeared a
/// little. Every one of these keeps areas. A point of the finished sheet is followed back through all of them to where it lay among
/// the stripes, and with it the patch that it stands for, as a Gaussian: folds stretch it, shears slant it, each smear widens it. So
/// the picture has no grid of its own, and how soft a streak is comes from how often and how finely it was drawn out.
/// </summary>
/// <remarks>The fold is the folded baker's map (V. Arnold, A. Avez 1968); the footprint follows it to first order.</remarks>
internal sealed class MarbledBlock
{
    /// <summary>How far one kneading smears paste into paste, in mm within the block. A house rule: calibrate it by what goes flat when.</summary>
    public const double SmearMm = 0.02;

    /// <summary>No hand folds quite straight, as a share of the block's side.</summary>
    private const double HandShare = 0.012;

    private const double TwistShare = 0.16;
    private const double RolledShare = 0.03;

    private readonly double[] edges;
    private readonly double period;
    private readonly double smear;
    private readonly Kneading[] kneadings;
    private readonly Kneading rolled;

    /// <param name="shares">Of each paste, summing to 1.</param>
    /// <param name="repeats">How often the stripes are laid side by side.</param>
    /// <param name="twist">0 for none, 1 for as much as paste bears.</param>
    /// <param name="sideMm">Of the block, taken as a cube.</param>
    public MarbledBlock(IReadOnlyList<double> shares, int repeats, int folds, double twist, double sideMm, int seed, double smearMm = SmearMm)
    {
        period = 1.0 / repeats;
        edges = new double[shares.Count + 1];
        for (var i = 0; i < shares.Count; i++)
            edges[i + 1] = edges[i] + shares[i] * period;
        smear = smearMm / sideMm;
        var chance = new Random(seed);
        kneadings = [.. Enumerable.Range(0, folds).Select(_ => Kneading.By(chance, HandShare + TwistShare * twist, HandShare))];
        rolled = Kneading.By(chance, RolledShare, RolledShare);
    }

    /// <summary>Share of each paste at a point of the sheet.</summary>
    /// <param name="x">Across the sheet, as a part of its side; goes on periodically.</param>
    /// <param name="seen">How wide a patch the eye takes together there, as a standard deviation in parts of the sheet's side.</param>
    /// <param name="shares">Filled; sums to 1.</param>
    public void SharesAt(double x, double y, double seen, Span<double> shares)
    {
        var at = new Footprint(x, y, seen * seen, 0, seen * seen);
        at = rolled.Undo(at);
        for (var i = kneadings.Length - 1; i >= 0; i--)
        {
            at = at with { Xx = at.Xx + smear * smear, Yy = at.Yy + smear * smear };
            at = Unfold(at);
            at = kneadings[i].Undo(at);
        }

        StripesAt(at.X, Math.Sqrt(at.Xx), shares);
    }

    /// <param name="Xx">Variance across.</param>
    private readonly record struct Footprint(double X, double Y, double Xx, double Xy, double Yy);

    private static Footprint Unfold(Footprint at)
    {
        double x = Wrap(at.X), y = Wrap(at.Y);
        return x < 0.5
            ? new Footprint(2 * x, y / 2, 4 * at.Xx, at.Xy, at.Yy / 4)
            : new Footprint(2 - 2 * x, 1 - y / 2, 4 * at.Xx, at.Xy, at.Yy / 4);
    }

    private static double Wrap(double x) => x - Math.Floor(x);

    /// <summary>The stripes as they were laid, seen through a Gaussian.</summary>
    private void StripesAt(double x, double deviation, Span<double> shares)
    {
        var count = edges.Length - 1;
        if (deviation > period)
        {
            for (var i = 0; i < count; i++)
                shares[i] = (edges[i + 1] - edges[i]) / period;
            return;
        }

        var place = x - Math.Floor(x / period) * period;
        var around = (int)Math.Ceiling(5 * deviation / period);
        for (var i = 0; i < count; i++)
        {
            var sum = 0.0;
            for (var n = -around; n <= around; n++)
                sum += Below(edges[i + 1] + n * period - place, deviation) - Below(edges[i] + n * period - place, deviation);
            shares[i] = sum;
        }
    }

    private static double Below(double distance, double deviation)
    {
        if (distance >= 6 * deviation)
            return 1;
        return distance <= -6 * deviation ? 0 : (1 + SpecialFunctions.Erf(distance / (deviation * Math.Sqrt(2)))) / 2;
    }

    /// <summary>A shear across and one along: what a hand does to a block besides folding it.</summary>
    private sealed record Kneading(Waves Across, Waves Along)
    {
        /// <param name="across">A twist slides layers over each other; along them nothing but an unsteady hand moves paste.</param>
        public static Kneading By(Random chance, double across, double along) => new(
            new Waves(across * (0.7 + 0.6 * chance.NextDouble()), chance), new Waves(along * (0.7 + 0.6 * chance.NextDouble()), chance));

        public Footprint Undo(Footprint at)
        {
            var (along, slope) = Along.At(at.X);
            // y was moved by a wave of x: Jacobian [1 0; -slope 1].
            at = new Footprint(at.X, Wrap(at.Y - along), at.Xx, at.Xy - slope * at.Xx, at.Yy - 2 * slope * at.Xy + slope * slope * at.Xx);
            var (across, lean) = Across.At(at.Y);
            return new Footprint(Wrap(at.X - across), at.Y, at.Xx - 2 * lean * at.Xy + lean * lean * at.Yy, at.Xy - lean * at.Yy, at.Yy);
        }
    }

    /// <summary>A sum of three waves over the block, which goes on periodically.</summary>
    private sealed class Waves
    {
        private const double Turn = 2 * Math.PI;
        private readonly (double Sin, double Cos) first;
        private readonly (double Sin, double Cos) second;
        private readonly (double Sin, double Cos) third;

        public Waves(double amount, Random chance)
        {
            (double, double) Wave(double share)
            {
                var (sin, cos) = Math.SinCos(Turn * chance.NextDouble());
                return (amount * share * sin, amount * share * cos);
            }

            (first, second, third) = (Wave(1), Wave(0.5), Wave(0.3));
        }

        public (double Value, double Slope) At(double at)
        {
            // One sine for all three: the higher waves follow by the rule for sums of angles.
            var (s1, c1) = Math.SinCos(Turn * at);
            double s2 = 2 * s1 * c1, c2 = 2 * c1 * c1 - 1, s3 = s2 * c1 + c2 * s1, c3 = c2 * c1 - s2 * s1;
            return (
                s1 * first.Cos + c1 * first.Sin + s2 * second.Cos + c2 * second.Sin + s3 * third.Cos + c3 * third.Sin,
                Turn * (c1 * first.Cos - s1 * first.Sin + 2 * (c2 * second.Cos - s2 * second.Sin) + 3 * (c3 * third.Cos - s3 * third.Sin)));
        }
    }
}
