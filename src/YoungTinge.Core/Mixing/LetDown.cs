using YoungTinge.Core.Cabinet;

namespace YoungTinge.Core.Mixing;

/// <summary>One lump of a let-down.</summary>
/// <param name="WhiteG">White paste that the colour, or the part of the lump before, is kneaded into.</param>
/// <param name="PartG">How much of the lump to go on with.</param>
public sealed record Lump(double WhiteG, double PartG);

/// <summary>A dose too small to measure, got by kneading whole units into a weighed lump of white and using a part of it.</summary>
/// <param name="Units">Whole units into the first lump.</param>
/// <param name="Lumps">One, or two where one would have to be very large.</param>
/// <param name="DoseG">Colour that reaches the batch, with every weight rounded to the scale.</param>
/// <param name="BroughtG">White that the part brings along: so much less is weighed for the batch.</param>
/// <param name="WasteG">Lump that is left over; it keeps as a stock for later.</param>
public sealed record LetDown(DoseUnit Unit, int Units, IReadOnlyList<Lump> Lumps, double DoseG, double BroughtG, double WasteG)
{
    /// <summary>So many steps of the scale are weighed without a worrying error.</summary>
    private const int FewestScaleSteps = 20;

    /// <summary>Less paste than this cannot be kneaded even, in g.</summary>
    private const double SmallestLumpG = 5;

    private const double LargestLumpG = 120;
    private const int MostUnits = 3;

    /// <summary>Share by which the dose may be off through rounding.</summary>
    private const double MostOff = 0.03;

    /// <summary>What a further lump costs in work, as grams of waste.</summary>
    private const double PriceOfALump = 12;

    /// <summary>And a further unit to count.</summary>
    private const double PriceOfAUnit = 1;

    /// <summary>The let-down with the least waste whose parts can be weighed.</summary>
    /// <param name="doseG">Colour wanted in the batch, above 0.</param>
    /// <param name="pasteG">Paste of the batch before colour, above 0. No lump is larger.</param>
    /// <param name="scaleG">Smallest step of the scale, above 0.</param>
    /// <param name="roomG">White of the batch that may come with the part, 0 or more; null for all of it.</param>
    /// <returns>Null if the dose is too small for two lumps, or the batch for a part that can be weighed.</returns>
    public static LetDown? For(double doseG, DoseUnit unit, double pasteG, double scaleG = BenchScale.UsualG, double? roomG = null)
    {
        if (!(doseG > 0 && pasteG > 0 && scaleG > 0))
            throw new ArgumentOutOfRangeException(nameof(doseG), doseG, "Dose, batch and scale must be above 0.");
        LetDown? best = null;
        var bestPrice = double.PositiveInfinity;
        for (var units = 1; units <= MostUnits; units++)
        {
            foreach (var lumps in OneLump(doseG, units * unit.MassG, scaleG).Concat(TwoLumps(doseG, units * unit.MassG, scaleG)))
                Consider(units, lumps);
        }

        return best;

        void Consider(int units, Lump[] lumps)
        {
            if (lumps.Aggregate((CarriedG: units * unit.MassG, LargestG: 0.0), (so, lump) => (lump.PartG, Math.Max(so.LargestG, so.CarriedG + lump.WhiteG))).LargestG > pasteG)
                return;
            var letDown = Of(unit, units, lumps);
            var price = letDown.WasteG + PriceOfALump * lumps.Length + PriceOfAUnit * units;
            if (price < bestPrice && letDown.BroughtG <= (roomG ?? pasteG) && Math.Abs(letDown.DoseG / doseG - 1) <= MostOff)
                (best, bestPrice) = (letDown, price);
        }
    }

    private static LetDown Of(DoseUnit unit, int units, Lump[] lumps)
    {
        double carriedG = units * unit.MassG, colourG = carriedG, wasteG = 0;
        foreach (var lump in lumps)
        {
            var lumpG = lump.WhiteG + carriedG;
            colourG *= lump.PartG / lumpG;
            wasteG += lumpG - lump.PartG;
            carriedG = lump.PartG;
        }

        return new LetDown(unit, units, lumps, colourG, carriedG - colourG, wasteG);
    }

    private static IEnumerable<Lump[]> OneLump(double doseG, double colourG, double scaleG)
    {
        foreach (var whiteG in Whites(scaleG))
        {
            var part = Math.Round(doseG / colourG * (whiteG + colourG) / scaleG) * scaleG;
            if (CanBeWeighed(part, whiteG + colourG, scaleG))
                yield return [new Lump(whiteG, part)];
        }
    }

    private static IEnumerable<Lump[]> TwoLumps(double doseG, double colourG, double scaleG)
    {
        var firstPart = FewestScaleSteps * scaleG;
        foreach (var whiteG in Whites(scaleG))
        {
            if (!CanBeWeighed(firstPart, whiteG + colourG, scaleG))
                continue;
            var carried = colourG * firstPart / (whiteG + colourG);
            foreach (var secondG in Whites(scaleG))
            {
                var part = Math.Round(doseG / carried * (secondG + firstPart) / scaleG) * scaleG;
                if (CanBeWeighed(part, secondG + firstPart, scaleG))
                    yield return [new Lump(whiteG, firstPart), new Lump(secondG, part)];
            }
        }
    }

    /// <summary>Lumps in steps of a gram, or of a coarser scale.</summary>
    private static IEnumerable<double> Whites(double scaleG)
    {
        var step = Math.Max(1, scaleG);
        for (var whiteG = Math.Ceiling(SmallestLumpG / step) * step; whiteG <= LargestLumpG; whiteG += step)
            yield return whiteG;
    }

    private static bool CanBeWeighed(double partG, double lumpG, double scaleG) => partG >= FewestScaleSteps * scaleG - 1e-9 && partG <= lumpG;
}
