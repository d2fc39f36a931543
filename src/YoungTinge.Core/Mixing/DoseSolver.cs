using YoungTinge.Core.Colour;
using YoungTinge.Core.Numerics;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Mixing;

/// <summary>How a solver measures what is missing.</summary>
internal enum ErrorMetric
{
    /// <summary>Lab stretched as CIEDE2000 stretches it round the target: quick, and the same wherever a target is reached.</summary>
    Rough,

    /// <summary>CIEDE2000 itself.</summary>
    Exact,
}

/// <summary>
/// Doses of given colourants that bring a paste nearest to a target: Levenberg-Marquardt (Marquardt 1963) on the three parts
/// of the colour difference, kept between 0 and the load limits.
/// </summary>
internal sealed class DoseSolver(PasteColourModel model, Lab target)
{
    private const int MostSteps = 60;
    private const int MostRoughSteps = 20;

    /// <summary>Colour answers a dose about logarithmically; the solver walks in ln(1 + dose / this), in g per 100 g.</summary>
    private const double LogScale = 0.02;

    /// <summary>A tenth of the smallest delta E anyone reports.</summary>
    private const double GoodEnough = 1e-3;

    private const double SmallestGain = 1e-7;
    private const double SmallestRoughGain = 1e-3;

    /// <summary>Step of the numeric slope of CIEDE2000 in L, a and b.</summary>
    private const double LabStep = 1e-4;

    private readonly Matrix3 stretch = StretchRound(target);

    /// <param name="doses">A first guess, g per 100 g; becomes the answer.</param>
    /// <returns>CIEDE2000 of the answer.</returns>
    public double Improve(ReadOnlySpan<int> chosen, ReadOnlySpan<double> limits, Span<double> doses, ErrorMetric yardstick)
    {
        var exact = yardstick == ErrorMetric.Exact;
        var mostSteps = exact ? MostSteps : MostRoughSteps;
        var smallestGain = exact ? SmallestGain : SmallestRoughGain;
        var n = chosen.Length;
        Span<Lab> slopes = stackalloc Lab[n];
        Span<double> jacobian = stackalloc double[3 * n], normal = stackalloc double[n * n];
        Span<double> gradient = stackalloc double[n], step = stackalloc double[n], trial = stackalloc double[n];

        var colour = model.ColourAndSlopes(chosen, doses, slopes);
        var missing = Missing(colour, exact);
        var error = SumOfSquares(missing);
        var damping = 1e-3;
        for (var iteration = 0; iteration < mostSteps && error > GoodEnough * GoodEnough; iteration++)
        {
            FillJacobian(colour, missing, slopes, doses, jacobian, exact);
            for (var i = 0; i < n; i++)
            {
                gradient[i] = jacobian[i] * missing.Lightness + jacobian[n + i] * missing.Chroma + jacobian[2 * n + i] * missing.Hue;
                for (var j = 0; j < n; j++)
                    normal[i * n + j] = jacobian[i] * jacobian[j] + jacobian[n + i] * jacobian[n + j] + jacobian[2 * n + i] * jacobian[2 * n + j];
            }

            var gained = false;
            for (var tries = 0; tries < 12 && !gained; tries++, damping *= 6)
            {
                SolveDamped(normal, gradient, damping, doses, limits, step);
                for (var i = 0; i < n; i++)
                {
                    var walked = Math.Log(1 + doses[i] / LogScale) + Math.Clamp(step[i], -2, 2);
                    trial[i] = Math.Clamp(LogScale * (Math.Exp(walked) - 1), 0, limits[i]);
                }

                var newColour = model.ColourAndSlopes(chosen, trial, slopes);
                var newMissing = Missing(newColour, exact);
                var newError = SumOfSquares(newMissing);
                if (newError >= error)
                    continue;
                gained = error - newError > smallestGain * error;
                trial.CopyTo(doses);
                (colour, missing, error) = (newColour, newMissing, newError);
                damping = Math.Max(damping / 60, 1e-9);
                if (!gained)
                    return DeltaE2000.Between(target, colour);
            }

            if (!gained)
                break;
        }

        return DeltaE2000.Between(target, colour);
    }

    /// <summary>How the squared rough error changes with each dose, at a point: below 0 where more would help.</summary>
    /// <param name="slopes">Room for one figure per dose.</param>
    public void ErrorSlopes(ReadOnlySpan<int> chosen, ReadOnlySpan<double> doses, Span<double> slopes)
    {
        Span<Lab> colours = stackalloc Lab[chosen.Length];
        var (lightness, chroma, hue) = Missing(model.ColourAndSlopes(chosen, doses, colours), exact: false);
        for (var i = 0; i < colours.Length; i++)
        {
            var (l, c, h) = stretch.Times(colours[i].L, colours[i].A, colours[i].B);
            slopes[i] = lightness * l + chroma * c + hue * h;
        }
    }

    private (double Lightness, double Chroma, double Hue) Missing(Lab colour, bool exact) => exact
        ? DeltaE2000.Terms(target, colour)
        : stretch.Times(colour.L - target.L, colour.A - target.A, colour.B - target.B);

    /// <summary>The weights of CIEDE2000 for small differences from a colour, without its rotation of the blues.</summary>
    private static Matrix3 StretchRound(Lab colour)
    {
        const double apart = 1e-3;
        var (cos, sin) = colour.Chroma > 1 ? (colour.A / colour.Chroma, colour.B / colour.Chroma) : (1.0, 0.0);
        // A grey has no hue to turn along: there both directions count as chroma.
        var across = colour.Chroma > 1 ? colour : colour with { A = 1, B = 0 };
        var light = DeltaE2000.Between(across, across with { L = across.L + apart }) / apart;
        var chroma = DeltaE2000.Between(across, across with { A = across.A + apart * cos, B = across.B + apart * sin }) / apart;
        var hue = DeltaE2000.Between(across, across with { A = across.A - apart * sin, B = across.B + apart * cos }) / apart;
        return new Matrix3(light, 0, 0, 0, chroma * cos, chroma * sin, 0, -hue * sin, hue * cos);
    }

    private void FillJacobian(
        Lab colour, (double Lightness, double Chroma, double Hue) missing, ReadOnlySpan<Lab> slopes, ReadOnlySpan<double> doses, Span<double> jacobian,
        bool exact)
    {
        var n = slopes.Length;
        (double L, double C, double H) byL = exact ? Slope(colour with { L = colour.L + LabStep }) : (stretch.M11, stretch.M21, stretch.M31);
        (double L, double C, double H) byA = exact ? Slope(colour with { A = colour.A + LabStep }) : (stretch.M12, stretch.M22, stretch.M32);
        (double L, double C, double H) byB = exact ? Slope(colour with { B = colour.B + LabStep }) : (stretch.M13, stretch.M23, stretch.M33);
        for (var i = 0; i < n; i++)
        {
            var perWalk = doses[i] + LogScale;
            jacobian[i] = perWalk * (byL.L * slopes[i].L + byA.L * slopes[i].A + byB.L * slopes[i].B);
            jacobian[n + i] = perWalk * (byL.C * slopes[i].L + byA.C * slopes[i].A + byB.C * slopes[i].B);
            jacobian[2 * n + i] = perWalk * (byL.H * slopes[i].L + byA.H * slopes[i].A + byB.H * slopes[i].B);
        }

        (double L, double C, double H) Slope(Lab beside)
        {
            var (l, c, h) = DeltaE2000.Terms(target, beside);
            return ((l - missing.Lightness) / LabStep, (c - missing.Chroma) / LabStep, (h - missing.Hue) / LabStep);
        }
    }

    /// <summary>Solves (JᵀJ + damping) step = -gradient over the doses that are free to move; the others stay at their limit.</summary>
    private static void SolveDamped(
        ReadOnlySpan<double> normal, ReadOnlySpan<double> gradient, double damping, ReadOnlySpan<double> doses, ReadOnlySpan<double> limits, Span<double> step)
    {
        var n = gradient.Length;
        Span<double> a = stackalloc double[n * n];
        normal.CopyTo(a);
        var mean = 0.0;
        for (var i = 0; i < n; i++)
            mean += normal[i * n + i] / n;
        for (var i = 0; i < n; i++)
        {
            a[i * n + i] += damping * (normal[i * n + i] + 1e-3 * mean) + 1e-12;
            step[i] = -gradient[i];
            var held = (doses[i] <= 0 && gradient[i] > 0) || (doses[i] >= limits[i] && gradient[i] < 0);
            if (!held)
                continue;
            for (var j = 0; j < n; j++)
                a[i * n + j] = a[j * n + i] = 0;
            a[i * n + i] = 1;
            step[i] = 0;
        }

        // Cholesky without square roots would save nothing at this size: plain elimination, the matrix is positive definite.
        for (var column = 0; column < n; column++)
        {
            for (var row = column + 1; row < n; row++)
            {
                var factor = a[row * n + column] / a[column * n + column];
                for (var c = column; c < n; c++)
                    a[row * n + c] -= factor * a[column * n + c];
                step[row] -= factor * step[column];
            }
        }

        for (var row = n - 1; row >= 0; row--)
        {
            for (var c = row + 1; c < n; c++)
                step[row] -= a[row * n + c] * step[c];
            step[row] /= a[row * n + row];
        }
    }

    private static double SumOfSquares((double Lightness, double Chroma, double Hue) terms) =>
        terms.Lightness * terms.Lightness + terms.Chroma * terms.Chroma + terms.Hue * terms.Hue;
}
