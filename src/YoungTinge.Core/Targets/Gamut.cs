using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Targets;

/// <summary>What makes a colour possible.</summary>
public enum ReachedBy
{
    /// <summary>Rested paste by itself.</summary>
    Paste,

    /// <summary>Dust over paste, steamed.</summary>
    Dust,

    Nothing,
}

/// <summary>
/// Which colours a cabinet can come to. For each lightness and hue it knows the most colourful mix of two or three colours in
/// paste, and of dust over such paste; what is calmer can be mixed too. An overview for picking by eye: the recipe
/// finder has the last word.
/// </summary>
public sealed class Gamut
{
    public const double LightnessStep = 4;
    private const int HueStepDegrees = 10;
    private const int Lightnesses = (int)(100 / LightnessStep) + 1;
    private const int Hues = 360 / HueStepDegrees;
    private const int DosesPerColour = 7;
    private const double SmallestDoseShare = 0.002;

    private static readonly double[] ThirdDoseShares = [0.02, 0.06, 0.2, 0.6];

    private static readonly double[] LoadShares = [0.15, 0.4, 1];
    private static readonly double[] PasteDoseShares = [0.05, 0.3];

    private readonly double[,] mostByPaste = Empty();
    private readonly double[,] mostByDust = Empty();

    private Gamut()
    {
    }

    public static Gamut Of(Materials materials)
    {
        var map = new Gamut();
        var colourants = materials.All.OfType<Colourant>().Where(colourant => !colourant.Label.IsRetired).ToArray();
        var films = materials.All.OfType<Dust>().Where(dust => dust.Kind == DustKind.Matte && !dust.Label.IsRetired)
            .Select(dust => (dust.LoadLimitMgPerCm2, Film: new DustFilm(DustOptics.Steamed(dust.Optics)))).ToArray();
        foreach (var paste in materials.All.OfType<PasteBase>().Where(paste => !paste.Label.IsRetired))
            map.Add(new PasteColourModel(paste.Optics, [.. colourants.Select(colourant => colourant.Optics)]), [.. colourants.Select(colourant => colourant.LoadLimitGPer100g)], films);
        return map;
    }

    /// <summary>What is needed at least for a colour.</summary>
    public ReachedBy By(Lab colour) =>
        colour.Chroma <= Most(mostByPaste, colour) ? ReachedBy.Paste
        : colour.Chroma <= Most(mostByDust, colour) ? ReachedBy.Dust
        : ReachedBy.Nothing;

    private void Add(PasteColourModel model, double[] limits, (double Limit, DustFilm Film)[] films)
    {
        Keep(mostByPaste, model.ColourOf([], []));
        Dusted(model, [], [], films);
        var doses = new double[DosesPerColour];
        for (var i = 0; i < doses.Length; i++)
            doses[i] = Math.Pow(SmallestDoseShare, 1 - i / (doses.Length - 1.0));
        // The best two colours of each cell.
        var bestTwo = new Dictionary<(int, int), (double Chroma, int[] Chosen, double[] Doses)>();
        for (var one = 0; one < limits.Length; one++)
        {
            foreach (var dose in doses)
            {
                Keep(mostByPaste, model.ColourOf([one], [dose * limits[one]]));
                for (var other = 0; other < one; other++)
                {
                    foreach (var more in doses)
                    {
                        var colour = model.ColourOf([one, other], [dose * limits[one], more * limits[other]]);
                        Keep(mostByPaste, colour);
                        if (colour.Chroma > bestTwo.GetValueOrDefault(CellOf(colour)).Chroma)
                            bestTwo[CellOf(colour)] = (colour.Chroma, [one, other], [dose * limits[one], more * limits[other]]);
                    }
                }
            }

            foreach (var share in PasteDoseShares)
                Dusted(model, [one], [share * limits[one]], films);
        }

        foreach (var (_, chosen, two) in bestTwo.Values)
        {
            for (var third = 0; third < limits.Length; third++)
            {
                if (chosen.Contains(third))
                    continue;
                foreach (var share in ThirdDoseShares)
                    Keep(mostByPaste, model.ColourOf([.. chosen, third], [.. two, share * limits[third]]));
            }
        }
    }

    private void Dusted(PasteColourModel model, int[] chosen, double[] doses, (double Limit, DustFilm Film)[] films)
    {
        Span<double> face = stackalloc double[SpectralGrid.Bands];
        foreach (var (limit, film) in films)
        {
            foreach (var share in LoadShares)
            {
                model.ReflectanceOf(chosen, doses, face);
                film.LayOn(face, share * limit * DustOptics.SteamKeep);
                Keep(mostByDust, LabFromXyz.Convert(Illuminant.D65.XyzOf(face), Illuminant.D65.White));
            }
        }
    }

    private static void Keep(double[,] most, Lab colour)
    {
        var (row, column) = CellOf(colour);
        if (row >= 0 && row < Lightnesses)
            most[row, column] = Math.Max(most[row, column], colour.Chroma);
    }

    private static (int Row, int Column) CellOf(Lab colour) =>
        ((int)Math.Round(colour.L / LightnessStep), (int)(colour.HueDegrees / HueStepDegrees) % Hues);

    /// <summary>Between the four cells round a colour. Nothing is known beyond the lightest and darkest cell that was ever met.</summary>
    private static double Most(double[,] most, Lab colour)
    {
        var (row, column) = (Math.Clamp(colour.L / LightnessStep, 0, Lightnesses - 1), colour.HueDegrees / HueStepDegrees - 0.5 + Hues);
        int above = (int)row, left = (int)column;
        double down = row - above, along = column - left;
        double At(int r, int c) => most[Math.Min(r, Lightnesses - 1), c % Hues];
        return (1 - down) * ((1 - along) * At(above, left) + along * At(above, left + 1)) + down * ((1 - along) * At(above + 1, left) + along * At(above + 1, left + 1));
    }

    private static double[,] Empty()
    {
        var empty = new double[Lightnesses, Hues];
        for (var i = 0; i < Lightnesses; i++)
        {
            for (var j = 0; j < Hues; j++)
                empty[i, j] = -1;
        }

        return empty;
    }
}
