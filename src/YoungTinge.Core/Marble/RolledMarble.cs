using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Numerics;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Marble;

/// <summary>What a marbled sheet looks like, in a maker's words.</summary>
public enum MarbleLook
{
    BoldRibbons,
    FineVeins,
    SoftHaze,
    Flat,
}

/// <summary>How the mean colours of pieces cut from one sheet compare.</summary>
public enum PiecesAlike
{
    /// <summary>Only their streaks differ.</summary>
    Same,

    /// <summary>Alike, not clones.</summary>
    Alike,
    Different,
}

/// <param name="DeltaE">Mean CIEDE2000 between their mean colours.</param>
public sealed record Likeness(double DeltaE)
{
    private const double SameDeltaE = 0.5;
    private const double AlikeDeltaE = 2;

    public PiecesAlike Word => DeltaE < SameDeltaE ? PiecesAlike.Same : DeltaE < AlikeDeltaE ? PiecesAlike.Alike : PiecesAlike.Different;
}

/// <summary>A picture of a part of the sheet.</summary>
/// <param name="Rgb">Three bytes a point (sRGB), row by row from the top.</param>
public sealed record MarblePicture(int Columns, int Rows, byte[] Rgb);

/// <summary>How a sheet looks as a whole.</summary>
/// <param name="Contrast">Seen at arm's length: CIEDE2000 from the flat colour, root mean square.</param>
/// <param name="StreakMm">Widths that a tenth, half and nine tenths of the streaks stay under.</param>
public sealed record MarbleSeen(int Folds, double Contrast, MarbleLook Look, (double Narrow, double Usual, double Wide) StreakMm);

/// <summary>A marbled batch rolled out.</summary>
public sealed class RolledMarble
{
    /// <summary>What the eye takes together from where a maker holds a petal, in mm: about one and a half arc minutes from 60 cm.</summary>
    private const double ArmsLengthMm = 0.25;

    private const double JustNoticeable = 1;
    private const double RibbonMm = 4;
    private const double VeinMm = 0.6;

    /// <summary>Less contrast than this looks like mist, however wide the streaks.</summary>
    private const double HazeContrast = 6;

    private const int Samples = 2000;
    private const int AreaSamples = 60_000;
    private const int LineSamples = 3000;
    private const double CubicMmPerG = 1000 / PasteBase.DensityGPerCm3;

    private readonly MarbledBlock block;
    private readonly KubelkaMunkSpectra[] pastes;
    private readonly IReadOnlyList<double> shares;
    private readonly int[] screen;
    private readonly Spectrum?[] faces;
    private readonly int seed;
    private readonly int folds;

    private RolledMarble(MarblePlan plan, int folds, double grams, double thicknessMm, Materials materials)
    {
        shares = [.. plan.Shares().Where(share => share > 0)];
        pastes = [.. plan.Stripes.Where(stripe => stripe.Parts > 0).Select(stripe => PasteOptics.Mix(stripe.Recipe, materials))];
        block = new MarbledBlock(shares, plan.Repeats, folds, plan.Twist, Math.Cbrt(grams * CubicMmPerG), plan.Seed);
        SideMm = Math.Sqrt(grams * CubicMmPerG / thicknessMm);
        (seed, this.folds) = (plan.Seed, folds);
        screen = new int[(int)Math.Pow(MixSteps + 1, pastes.Length - 1)];
        faces = new Spectrum?[(int)Math.Pow(FaceSteps + 1, pastes.Length - 1)];
    }

    /// <param name="folds">As planned, or another number to compare.</param>
    /// <param name="grams">Of the whole batch, above 0.</param>
    /// <param name="thicknessMm">Rolled, above 0.</param>
    public static RolledMarble Of(MarblePlan plan, int folds, double grams, double thicknessMm, Materials materials) => new(plan, folds, grams, thicknessMm, materials);

    /// <summary>Of the sheet, taken as square.</summary>
    public double SideMm { get; }

    /// <summary>What it becomes when it is folded too far: the pastes mixed. Daylight, rested.</summary>
    public Lab FlatColour => ColourOf([.. shares]);

    /// <summary>The middle of the sheet: its edges, where the block's ends lie, are cut away.</summary>
    public MarblePicture Picture(double widthMm, double heightMm, int columns)
    {
        var rows = Math.Max(1, (int)Math.Round(columns * heightMm / widthMm));
        double left = (1 - widthMm / SideMm) / 2, top = (1 - heightMm / SideMm) / 2;
        return Paint(columns, rows, (column, row) => (left + column / columns * widthMm / SideMm, top + row / rows * heightMm / SideMm), widthMm / columns / 2);
    }

    /// <summary>One piece cut from it: each from another place, roughly along the streaks.</summary>
    /// <param name="number">From 0.</param>
    public MarblePicture Cut(Piece piece, int number, int rows)
    {
        var place = PlaceOf(number);
        var columns = Math.Max(1, (int)Math.Round(rows * piece.WidthMm / piece.LengthMm));
        return Paint(
            columns, rows, (column, row) => place.On(column / columns * piece.WidthMm - piece.WidthMm / 2, row / rows * piece.LengthMm, SideMm),
            piece.LengthMm / rows / 2);
    }

    /// <summary>The same cut, point by point: for what is laid over it.</summary>
    /// <param name="number">From 0.</param>
    /// <param name="lengthMm">Of the piece.</param>
    public MarbledCut CutOf(int number, double lengthMm) => new(this, PlaceOf(number), lengthMm);

    /// <summary>
    /// K and S of one paste that looks as the streaks do together from afar, in 1/mm: an eye takes the mean of their light, which is
    /// lighter than what they become when they are kneaded through.
    /// </summary>
    public KubelkaMunkSpectra SeenTogether()
    {
        Span<double> light = stackalloc double[SpectralGrid.Bands];
        light.Clear();
        foreach (var (x, y) in Places(Samples))
            SimdKubelkaMunk.Add(light, FaceAt(x, y, 0).Values, 1.0 / Samples);
        var mean = new Spectrum(light);
        var scattering = Spectrum.From(band => pastes.Select((paste, i) => shares[i] * paste.Scattering[band]).Sum());
        return new KubelkaMunkSpectra(Spectrum.From(band => KubelkaMunk.RatioFromReflectance(mean[band]) * scattering[band]), scattering);
    }

    /// <summary>How it looks as a whole.</summary>
    public MarbleSeen Seen()
    {
        var contrast = ContrastAt(ArmsLengthMm, Samples);
        var streaks = Streaks();
        var look = contrast < JustNoticeable ? MarbleLook.Flat
            : contrast < HazeContrast || streaks.Usual < VeinMm ? MarbleLook.SoftHaze
            : streaks.Usual < RibbonMm ? MarbleLook.FineVeins : MarbleLook.BoldRibbons;
        return new MarbleSeen(folds, contrast, look, streaks);
    }

    /// <summary>CIEDE2000 from the flat colour, root mean square.</summary>
    /// <param name="seenMm">Half the width of what an eye takes together.</param>
    /// <param name="places">To look at, at least 1.</param>
    public double ContrastAt(double seenMm, int places)
    {
        var flat = FlatColour;
        double sum = 0;
        Span<double> mix = stackalloc double[pastes.Length];
        foreach (var (x, y) in Places(places))
        {
            block.SharesAt(x, y, seenMm / SideMm, mix);
            sum += Math.Pow(DeltaE2000.Between(flat, ColourOf(mix)), 2);
        }

        return Math.Sqrt(sum / places);
    }

    /// <summary>Of pieces cut from it.</summary>
    /// <param name="pieces">How many to compare, each with each.</param>
    public Likeness LikenessOf(Piece piece, int pieces)
    {
        var shape = piece.Shape();
        var colours = Enumerable.Range(0, pieces).Select(number => MeanOf(shape, PlaceOf(number))).ToList();
        var pairs = from i in Enumerable.Range(0, pieces) from j in Enumerable.Range(0, i) select DeltaE2000.Between(colours[i], colours[j]);
        return new Likeness(pairs.DefaultIfEmpty(0).Average());
    }

    /// <summary>Share of each paste that is in it, over the whole sheet.</summary>
    public IReadOnlyList<double> AreaShares()
    {
        var sums = new double[pastes.Length];
        Span<double> mix = stackalloc double[pastes.Length];
        foreach (var (x, y) in Places(AreaSamples))
        {
            block.SharesAt(x, y, 0, mix);
            for (var i = 0; i < sums.Length; i++)
                sums[i] += mix[i] / AreaSamples;
        }

        return sums;
    }

    private Lab MeanOf(PieceShape shape, CutPlace place)
    {
        const int grid = 14;
        var sums = new double[pastes.Length];
        var inside = 0;
        Span<double> mix = stackalloc double[pastes.Length];
        for (var row = 0; row < grid; row++)
        {
            var along = (row + 0.5) / grid * shape.LengthMm;
            var across = shape.RowAtMm(along);
            for (var column = 0; column < grid; column++)
            {
                var x = ((column + 0.5) / grid - 0.5) * shape.WidthMm;
                if (!across.Contains(Math.Abs(x)))
                    continue;
                inside++;
                var (onX, onY) = place.On(x, along, SideMm);
                block.SharesAt(onX, onY, shape.LengthMm / grid / 2 / SideMm, mix);
                for (var i = 0; i < sums.Length; i++)
                    sums[i] += mix[i];
            }
        }

        return ColourOf([.. sums.Select(sum => inside > 0 ? sum / inside : 1.0 / sums.Length)]);
    }

    /// <summary>Spread evenly over the sheet, in a lattice that lines up with no fold.</summary>
    private static IEnumerable<(double X, double Y)> Places(int count)
    {
        for (var i = 0; i < count; i++)
            yield return ((i + 0.5) / count, i * GoldenPart % 1);
    }

    private const double GoldenPart = 0.6180339887498949;

    /// <summary>Runs of one paste along lines across the sheet.</summary>
    private (double Narrow, double Usual, double Wide) Streaks()
    {
        var widths = new List<double>();
        Span<double> mix = stackalloc double[pastes.Length];
        for (var line = 0; line < 5; line++)
        {
            var y = (line + 0.5) * GoldenPart % 1;
            int before = -1, since = 0;
            for (var i = 0; i < LineSamples; i++)
            {
                block.SharesAt((double)i / LineSamples, y, 0.1 / LineSamples, mix);
                var most = 0;
                for (var paste = 1; paste < mix.Length; paste++)
                {
                    // More than its part of the whole, not simply the most: a thin vein within much ground is a streak too.
                    if (mix[paste] / shares[paste] > mix[most] / shares[most])
                        most = paste;
                }

                if (most == before)
                    continue;
                if (before >= 0)
                    widths.Add((i - since) * SideMm / LineSamples);
                (before, since) = (most, i);
            }
        }

        if (widths.Count == 0)
            return (SideMm, SideMm, SideMm);
        widths.Sort();
        return (widths[widths.Count / 10], widths[widths.Count / 2], widths[widths.Count * 9 / 10]);
    }

    /// <param name="placeAt">Of a point in columns and rows, on the sheet.</param>
    private MarblePicture Paint(int columns, int rows, Func<double, double, (double X, double Y)> placeAt, double seenMm)
    {
        var rgb = new byte[3 * columns * rows];
        SideBySide.Do(rows, row =>
        {
            Span<double> mix = stackalloc double[pastes.Length];
            for (var column = 0; column < columns; column++)
            {
                int red = 0, green = 0, blue = 0;
                foreach (var (across, down) in WithinCell)
                {
                    var (x, y) = placeAt(column + across, row + down);
                    block.SharesAt(x, y, seenMm / SideMm, mix);
                    var seen = ScreenOf(mix);
                    red += seen >> 16 & 255;
                    green += seen >> 8 & 255;
                    blue += seen & 255;
                }

                var at = 3 * (row * columns + column);
                (rgb[at], rgb[at + 1], rgb[at + 2]) = ((byte)(red / WithinCell.Length), (byte)(green / WithinCell.Length), (byte)(blue / WithinCell.Length));
            }
        });
        return new MarblePicture(columns, rows, rgb);
    }

    /// <summary>Where the layers of a fold meet, one point does not stand for its cell.</summary>
    private static readonly (double, double)[] WithinCell = [(0.25, 0.3), (0.75, 0.7)];

    /// <summary>The same mixtures come again and again: each is only computed once, in steps that no eye can tell.</summary>
    private int ScreenOf(ReadOnlySpan<double> mix)
    {
        Span<double> rounded = stackalloc double[mix.Length];
        var key = Rounded(mix, MixSteps, rounded);
        if (screen[key] is not 0 and var known)
            return known;
        var seen = ScreenColour.From(ColourOf(rounded), Illuminant.D65);
        return screen[key] = Srgb.Byte(seen.R) << 16 | Srgb.Byte(seen.G) << 8 | Srgb.Byte(seen.B) | Known;
    }

    /// <summary>Reflectance at a point of the sheet, both in parts of its side.</summary>
    /// <param name="seenMm">Half the width of the spot that is taken together.</param>
    internal Spectrum FaceAt(double x, double y, double seenMm)
    {
        Span<double> mix = stackalloc double[pastes.Length], rounded = stackalloc double[pastes.Length];
        block.SharesAt(x, y, seenMm / SideMm, mix);
        return faces[Rounded(mix, FaceSteps, rounded)] ??= FaceOf(rounded);
    }

    private static int Rounded(ReadOnlySpan<double> mix, int all, Span<double> rounded)
    {
        var (key, rest) = (0, all);
        for (var i = 0; i + 1 < mix.Length; i++)
        {
            var steps = Math.Clamp((int)Math.Round(mix[i] * all), 0, rest);
            key = key * (all + 1) + steps;
            rest -= steps;
            rounded[i] = (double)steps / all;
        }

        rounded[^1] = (double)rest / all;
        return key;
    }

    private const int MixSteps = 96;
    private const int Known = 1 << 24;

    /// <summary>Spectra are dearer to keep than screen colours.</summary>
    private const int FaceSteps = 40;

    private Lab ColourOf(ReadOnlySpan<double> mix) => LabFromXyz.Convert(Illuminant.D65.XyzOf(FaceOf(mix).Values), Illuminant.D65.White);

    private Spectrum FaceOf(ReadOnlySpan<double> mix)
    {
        Span<double> face = stackalloc double[SpectralGrid.Bands];
        for (var band = 0; band < face.Length; band++)
        {
            double k = 0, s = 0;
            for (var i = 0; i < pastes.Length; i++)
            {
                k += mix[i] * pastes[i].Absorption[band];
                s += mix[i] * pastes[i].Scattering[band];
            }

            face[band] = KubelkaMunk.Opaque(k, s);
        }

        return new Spectrum(face);
    }

    private CutPlace PlaceOf(int number)
    {
        var chance = new Random(unchecked(seed * 7919 + number * 104729));
        return new CutPlace(chance.NextDouble(), Edge + (1 - 4 * Edge) * chance.NextDouble(), (chance.NextDouble() - 0.5) * Math.PI / 4);
    }

    /// <summary>Cut away all round, as a part of the side.</summary>
    private const double Edge = 0.1;

    internal sealed record CutPlace(double X, double Y, double Turn)
    {
        /// <param name="alongMm">From the tip down.</param>
        public (double X, double Y) On(double acrossMm, double alongMm, double sideMm) => (
            X + (acrossMm * Math.Cos(Turn) - alongMm * Math.Sin(Turn)) / sideMm, Y + (acrossMm * Math.Sin(Turn) + alongMm * Math.Cos(Turn)) / sideMm);
    }
}
