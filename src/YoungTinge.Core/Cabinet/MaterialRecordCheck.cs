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

    public const int MostDabs = 4;

    private const double MostUnitG = 50;

    /// <summary>No dust holds on more of itself.</summary>
    public const double MostLoadMgPerCm2 = 10;

    /// <summary>In any of the units of absorption and scattering.</summary>
    public const double MostOptics = 1000;

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
        var dust = sheet.Kind is MaterialKind.Dust or MaterialKind.Lustre or MaterialKind.Extender;
        foreach (var (field, value, least, most) in new[]
        {
            ("stockG", sheet.StockG, 0, MostStock), ("stockPieces", sheet.StockPieces, 0, MostStock), ("stockMl", sheet.StockMl, 0, MostStock),
            ("pricePerG", sheet.PricePerG, 0, MostPrice), ("pricePerPiece", sheet.PricePerPiece, 0, MostPrice), ("pricePerMl", sheet.PricePerMl, 0, MostPrice),
            ("loadLimit", sheet.LoadLimit, dust ? 0.01 : 0.001, dust ? MostLoadMgPerCm2 : 100),
            ("touchG", sheet.TouchG, 1e-6, MostUnitG), ("dropG", sheet.DropG, 1e-6, MostUnitG),
            ("peaG", sheet.PeaG, 1e-6, MostUnitG), ("knifeTipG", sheet.KnifeTipG, 1e-6, MostUnitG),
            ("pinchG", sheet.PinchG, 1e-6, MostUnitG), ("packSize", sheet.PackSize, 0.001, MostStock),
            ("labelGPer100g", sheet.LabelGPer100g, 0.001, 20), ("gauge", sheet.Gauge, 14, 36),
            ("shareAtOnce", sheet.ShareAtOnce, 0, 1), ("timeConstantHours", sheet.TimeConstantHours, 0.01, 1000),
            ("gloss", sheet.Gloss, 0, 1), ("outerReflection", sheet.OuterReflection, 0, 1), ("innerReflection", sheet.InnerReflection, 0, 0.99),
            ("wetMlPerCm2", sheet.WetMlPerCm2, 1e-6, 1), ("densityGPerMl", sheet.DensityGPerMl, 0.01, 5), ("washDepthMm", sheet.WashDepthMm, 0.001, 5),
            ("glintStrength", sheet.GlintStrength, 0, 1), ("glintHalfLoadMgPerCm2", sheet.GlintHalfLoadMgPerCm2, 0.001, 10),
            ("worstDeltaE", sheet.WorstDeltaE, 0, 200),
        })
        {
            if (value is { } number && !(number >= least && number <= most))
                yield return new MaterialRecordProblem(field, double.IsFinite(number) ? MaterialRecordProblemCode.OutOfRange : MaterialRecordProblemCode.NotANumber, number < least ? least : most);
        }

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
        if (sheet.Dabs.Count > MostDabs || !sheet.Dabs.All(dab => dab.Amount is > 0 and <= 100 && ObjectColourSolid.Contain(dab.Colour)))
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
