using YoungTinge.Core.Cabinet.Characterising;
using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Cabinet;

public enum MaterialRecordProblemCode
{
    NameMissing,
    TooLong,
    IdWrong,
    NotANumber,
    OutOfRange,
    NotAColour,
    ColourMissing,
    SpectrumWrong,

    /// <summary>Best before the day it was opened.</summary>
    DatesCrossed,
    NotForThisKind,

    /// <summary>A choice that is not one of the listed words.</summary>
    UnknownWord,
    DateWrong,
}

/// <summary>Something in a sheet that cannot be.</summary>
/// <param name="Field">As in the sheet's JSON: <c>stockG</c>.</param>
/// <param name="Limit">The limit that was passed, if it is one.</param>
public sealed record MaterialRecordProblem(string Field, MaterialRecordProblemCode Code, double? Limit = null);

/// <summary>Finds what cannot be in a sheet, before it becomes a material.</summary>
public static class MaterialRecordCheck
{
    public const int LongestName = 120;
    public const int LongestForm = 60;
    public const int LongestNote = 2000;
    public const int LongestLot = 60;
    public const double MostStock = 1_000_000;
    public const double MostPrice = 10_000;

    public const int MostDabs = OpticsEstimator.MostDabs;

    /// <summary>g per 100 g, or mg/cm2.</summary>
    public const double MostDabAmount = 100;

    private const double MostUnitG = 50;

    /// <summary>No dust holds on more of itself.</summary>
    public const double MostLoadMgPerCm2 = 10;

    /// <summary>In any of the units of absorption and scattering.</summary>
    public const double MostOptics = 1000;

    /// <summary>Every figure of a sheet with the range that it must be in, which may go by the kind of material.</summary>
    private static readonly (string Field, Func<MaterialRecord, double?> Of, Func<MaterialKind, (double Least, double Most)> RangeOf)[] Figures =
    [
        Figure("stockG", sheet => sheet.StockG, 0, MostStock), Figure("stockPieces", sheet => sheet.StockPieces, 0, MostStock), Figure("stockMl", sheet => sheet.StockMl, 0, MostStock),
        Figure("pricePerG", sheet => sheet.PricePerG, 0, MostPrice), Figure("pricePerPiece", sheet => sheet.PricePerPiece, 0, MostPrice), Figure("pricePerMl", sheet => sheet.PricePerMl, 0, MostPrice),
        ("loadLimit", sheet => sheet.LoadLimit, kind => kind is MaterialKind.Dust or MaterialKind.Lustre or MaterialKind.Extender ? (0.01, MostLoadMgPerCm2) : (0.001, 100)),
        Figure("touchG", sheet => sheet.TouchG, 1e-6, MostUnitG), Figure("dropG", sheet => sheet.DropG, 1e-6, MostUnitG), Figure("peaG", sheet => sheet.PeaG, 1e-6, MostUnitG),
        Figure("knifeTipG", sheet => sheet.KnifeTipG, 1e-6, MostUnitG), Figure("pinchG", sheet => sheet.PinchG, 1e-6, MostUnitG), Figure("packSize", sheet => sheet.PackSize, 0.001, MostStock),
        Figure("labelGPer100g", sheet => sheet.LabelGPer100g, 0.001, 20), Figure("gauge", sheet => sheet.Gauge, 14, 36), Figure("diameterMm", sheet => sheet.DiameterMm, 0.5, 500), Figure("shareAtOnce", sheet => sheet.ShareAtOnce, 0, 1),
        Figure("timeConstantHours", sheet => sheet.TimeConstantHours, 0.01, 1000), Figure("gloss", sheet => sheet.Gloss, 0, 1),
        Figure("outerReflection", sheet => sheet.OuterReflection, 0, 1), Figure("innerReflection", sheet => sheet.InnerReflection, 0, 0.99),
        Figure("wetMlPerCm2", sheet => sheet.WetMlPerCm2, 1e-6, 1), Figure("densityGPerMl", sheet => sheet.DensityGPerMl, 0.01, 5), Figure("washDepthMm", sheet => sheet.WashDepthMm, 0.001, 5),
        Figure("glintStrength", sheet => sheet.GlintStrength, 0, 1), Figure("glintHalfLoadMgPerCm2", sheet => sheet.GlintHalfLoadMgPerCm2, 0.001, 10), Figure("wetScatter", sheet => sheet.WetScatter, 0, 1), Figure("driesTimes", sheet => sheet.DriesTimes, 0.2, 10),
        Figure("worstDeltaE", sheet => sheet.WorstDeltaE, 0, 200),
    ];

    /// <summary>Every figure of a sheet with the widest range that it may be in, whatever the material.</summary>
    public static IEnumerable<(string Field, double Least, double Most)> Ranges => Figures.Select(figure =>
    {
        var ranges = Enum.GetValues<MaterialKind>().Select(figure.RangeOf).ToList();
        return (figure.Field, ranges.Min(range => range.Least), ranges.Max(range => range.Most));
    });

    private static (string, Func<MaterialRecord, double?>, Func<MaterialKind, (double, double)>) Figure(string field, Func<MaterialRecord, double?> of, double least, double most) =>
        (field, of, _ => (least, most));

    public static IReadOnlyList<MaterialRecordProblem> Problems(MaterialRecord sheet) =>
        [.. Words(sheet), .. Numbers(sheet), .. Colour(sheet), .. Dabs(sheet), .. Dates(sheet)];

    private static IEnumerable<MaterialRecordProblem> Words(MaterialRecord sheet)
    {
        if (string.IsNullOrWhiteSpace(sheet.Name))
            yield return new MaterialRecordProblem("name", MaterialRecordProblemCode.NameMissing);
        if (sheet.Id is { } id && !MaterialId.IsOne(id))
            yield return new MaterialRecordProblem("id", MaterialRecordProblemCode.IdWrong);
        foreach (var (field, text, longest) in new[]
        {
            ("name", sheet.Name, LongestName), ("form", sheet.Form, LongestForm), ("dyeFamily", sheet.DyeFamily, LongestName),
            ("note", sheet.Note, LongestNote), ("lot", sheet.Lot, LongestLot),
        })
        {
            if (text.Length > longest)
                yield return new MaterialRecordProblem(field, MaterialRecordProblemCode.TooLong, longest);
        }

        if (sheet.GlintTint is { } tint && !Srgb.TryParseHex(tint, out _))
            yield return new MaterialRecordProblem("glintTint", MaterialRecordProblemCode.NotAColour);
    }

    private static IEnumerable<MaterialRecordProblem> Numbers(MaterialRecord sheet)
    {
        foreach (var (field, of, rangeOf) in Figures)
        {
            var (least, most) = rangeOf(sheet.Kind);
            if (of(sheet) is { } number && !(number >= least && number <= most))
                yield return new MaterialRecordProblem(field, double.IsFinite(number) ? MaterialRecordProblemCode.OutOfRange : MaterialRecordProblemCode.NotANumber, number < least ? least : most);
        }

        if (sheet.Kind == MaterialKind.Core && sheet.DiameterMm is null)
            yield return new MaterialRecordProblem("diameterMm", MaterialRecordProblemCode.NotANumber);
        if (sheet.Gauge is { } gauge && gauge != Math.Floor(gauge))
            yield return new MaterialRecordProblem("gauge", MaterialRecordProblemCode.NotANumber);
        foreach (var (field, stock, measure) in new[]
        {
            ("stockG", sheet.StockG, Measure.Grams), ("stockMl", sheet.StockMl, Measure.Millilitres), ("stockPieces", sheet.StockPieces, Measure.Pieces),
        })
        {
            if (stock is not null && sheet.Kind.MeasuredIn() != measure)
                yield return new MaterialRecordProblem(field, MaterialRecordProblemCode.NotForThisKind);
        }
    }

    private static IEnumerable<MaterialRecordProblem> Colour(MaterialRecord sheet)
    {
        foreach (var (field, values, most) in new[] { ("absorption", sheet.Absorption, MostOptics), ("scattering", sheet.Scattering, MostOptics), ("reflectance", sheet.Reflectance, 1) })
        {
            if (values is not null && !IsSpectrum(values, most))
                yield return new MaterialRecordProblem(field, MaterialRecordProblemCode.SpectrumWrong, SpectralGrid.Bands);
        }

        if (sheet.LabelColour is { } label && !ObjectColourSolid.Contain(label))
            yield return new MaterialRecordProblem("labelColour", MaterialRecordProblemCode.NotAColour);
        var known = sheet.Kind.HasOptics() ? sheet is { Absorption: not null, Scattering: not null } : !sheet.Kind.HasReflectance() || sheet.Reflectance is not null;
        if (!known && sheet.LabelColour is null)
            yield return new MaterialRecordProblem("labelColour", MaterialRecordProblemCode.ColourMissing);
    }

    private static IEnumerable<MaterialRecordProblem> Dabs(MaterialRecord sheet)
    {
        if (sheet.Dabs.Count > MostDabs || !sheet.Dabs.All(dab => dab.Amount is > 0 and <= MostDabAmount && ObjectColourSolid.Contain(dab.Colour)))
            yield return new MaterialRecordProblem("dabs", MaterialRecordProblemCode.OutOfRange, MostDabs);
        else if (!sheet.Dabs.All(dab => dab.Reflectance is null || IsSpectrum(dab.Reflectance, 1)))
            yield return new MaterialRecordProblem("dabs", MaterialRecordProblemCode.SpectrumWrong, SpectralGrid.Bands);
    }

    private static bool IsSpectrum(IReadOnlyList<double> values, double most) =>
        values.Count == SpectralGrid.Bands && values.All(value => value >= 0 && value <= most);

    private static IEnumerable<MaterialRecordProblem> Dates(MaterialRecord sheet)
    {
        if (sheet is { OpenedOn: { } opened, BestBefore: { } best } && best < opened)
            yield return new MaterialRecordProblem("bestBefore", MaterialRecordProblemCode.DatesCrossed);
    }
}
