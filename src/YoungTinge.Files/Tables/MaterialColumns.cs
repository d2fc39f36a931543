using System.Globalization;
using System.Text.Json;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;

namespace YoungTinge.Files.Tables;

/// <summary>A column of the cabinet's table: how it is written, and how a cell changes a sheet.</summary>
/// <param name="Field">Of the sheet, as its problems name it.</param>
/// <param name="Put">Null if the cell cannot be read; the code of the problem follows.</param>
/// <param name="InTemplate">False for what only the application writes.</param>
internal sealed record SheetColumn(
    string Name, string Field, Func<MaterialRecord, string> Of, Func<MaterialRecord, string, MaterialRecord?> Put, MaterialRecordProblemCode Wrong, bool InTemplate = true);

/// <summary>The columns of the cabinet's table, in order.</summary>
internal static class MaterialColumns
{
    public static IReadOnlyList<SheetColumn> All { get; } =
    [
        Text("id", "id", s => s.Id ?? "", (s, t) => s with { Id = t == "" ? s.Id : t }),
        Text("name", "name", s => s.Name, (s, t) => s with { Name = t }),
        Choice<MaterialKind>("kind", s => s.Kind, (s, kind) => s with { Kind = kind }),
        Text("form", "form", s => s.Form, (s, t) => s with { Form = t }),
        Choice<FoodStatus>("food_status", s => s.FoodStatus, (s, food) => s with { FoodStatus = food }),
        Text("made_of", "dyeFamily", s => s.DyeFamily, (s, t) => s with { DyeFamily = t }),
        Choices<Ingredient>("contains", s => s.Contains, (s, inside) => s with { Contains = inside }),
        Choices<Diet>("not_for", s => s.NotFor, (s, diets) => s with { NotFor = diets }),
        new("retired", "isRetired", s => s.IsRetired ? "yes" : "no", (s, t) => YesNo(t) is { } yes ? s with { IsRetired = yes } : null, MaterialRecordProblemCode.UnknownWord),
        Number("stock_g", s => s.StockG, (s, n) => s with { StockG = n }),
        Number("stock_pieces", s => s.StockPieces, (s, n) => s with { StockPieces = n }),
        Number("price_per_g", s => s.PricePerG, (s, n) => s with { PricePerG = n }),
        Number("price_per_piece", s => s.PricePerPiece, (s, n) => s with { PricePerPiece = n }),
        Number("stock_ml", s => s.StockMl, (s, n) => s with { StockMl = n }),
        Number("price_per_ml", s => s.PricePerMl, (s, n) => s with { PricePerMl = n }),
        Number("pack_size", s => s.PackSize, (s, n) => s with { PackSize = n }),
        Text("lot", "lot", s => s.Lot, (s, t) => s with { Lot = t }),
        Date("opened_on", s => s.OpenedOn, (s, day) => s with { OpenedOn = day }),
        Date("best_before", s => s.BestBefore, (s, day) => s with { BestBefore = day }),
        Number("load_limit", s => s.LoadLimit, (s, n) => s with { LoadLimit = n }),
        Number("touch_g", s => s.TouchG, (s, n) => s with { TouchG = n }),
        Number("drop_g", s => s.DropG, (s, n) => s with { DropG = n }),
        Number("pea_g", s => s.PeaG, (s, n) => s with { PeaG = n }),
        Number("knife_tip_g", s => s.KnifeTipG, (s, n) => s with { KnifeTipG = n }),
        Number("pinch_g", s => s.PinchG, (s, n) => s with { PinchG = n }),
        Choices<DoseUnitKind>("weighed_units", s => s.WeighedUnits, (s, units) => s with { WeighedUnits = units }),
        Number("gauge", s => s.Gauge, (s, n) => s with { Gauge = n }),
        Number("diameter_mm", s => s.DiameterMm, (s, n) => s with { DiameterMm = n }),
        new("label_colour", "labelColour", _ => "", PutColour, MaterialRecordProblemCode.NotAColour),
        Number("label_g_per_100g", s => s.LabelGPer100g, (s, n) => s with { LabelGPer100g = n }),
        Text("note", "note", s => s.Note, (s, t) => s with { Note = t }),
        Number("share_at_once", s => s.ShareAtOnce, (s, n) => s with { ShareAtOnce = n }, false),
        Number("time_constant_hours", s => s.TimeConstantHours, (s, n) => s with { TimeConstantHours = n }, false),
        Number("gloss", s => s.Gloss, (s, n) => s with { Gloss = n }, false),
        Number("outer_reflection", s => s.OuterReflection, (s, n) => s with { OuterReflection = n }, false),
        Number("inner_reflection", s => s.InnerReflection, (s, n) => s with { InnerReflection = n }, false),
        Number("wet_ml_per_cm2", s => s.WetMlPerCm2, (s, n) => s with { WetMlPerCm2 = n }, false),
        Number("density_g_per_ml", s => s.DensityGPerMl, (s, n) => s with { DensityGPerMl = n }, false),
        Number("wash_depth_mm", s => s.WashDepthMm, (s, n) => s with { WashDepthMm = n }, false),
        Text("glint_tint", "glintTint", s => s.GlintTint ?? "", (s, t) => s with { GlintTint = t == "" ? null : t }, false),
        Number("glint_strength", s => s.GlintStrength, (s, n) => s with { GlintStrength = n }, false),
        Number("glint_half_load_mg_per_cm2", s => s.GlintHalfLoadMgPerCm2, (s, n) => s with { GlintHalfLoadMgPerCm2 = n }, false),
        Number("wet_scatter", s => s.WetScatter, (s, n) => s with { WetScatter = n }, false),
        Number("dries_times", s => s.DriesTimes, (s, n) => s with { DriesTimes = n }, false),
        Choice<OpticsOrigin>("optics_origin", s => s.Origin, (s, origin) => s with { Origin = origin }, false),
        Number("worst_delta_e", s => s.WorstDeltaE, (s, n) => s with { WorstDeltaE = n }, false),
        Spectrum("absorption", s => s.Absorption, (s, values) => s with { Absorption = values }),
        Spectrum("scattering", s => s.Scattering, (s, values) => s with { Scattering = values }),
        Spectrum("reflectance", s => s.Reflectance, (s, values) => s with { Reflectance = values }),
    ];

    private static SheetColumn Text(string name, string field, Func<MaterialRecord, string> of, Func<MaterialRecord, string, MaterialRecord> put, bool inTemplate = true) =>
        new(name, field, of, put, MaterialRecordProblemCode.UnknownWord, inTemplate);

    private static SheetColumn Number(string name, Func<MaterialRecord, double?> of, Func<MaterialRecord, double?, MaterialRecord> put, bool inTemplate = true) => new(
        name, FieldOf(name), sheet => of(sheet) is { } number ? Numbers.Write(number) : "",
        (sheet, cell) => cell == "" ? put(sheet, null) : Numbers.TryRead(cell, out var number) ? put(sheet, number) : null,
        MaterialRecordProblemCode.NotANumber, inTemplate);

    private static SheetColumn Date(string name, Func<MaterialRecord, DateOnly?> of, Func<MaterialRecord, DateOnly?, MaterialRecord> put) => new(
        name, FieldOf(name), sheet => of(sheet)?.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture) ?? "",
        (sheet, cell) => cell == "" ? put(sheet, null) : DateOnly.TryParseExact(cell, "yyyy-MM-dd", out var day) ? put(sheet, day) : null,
        MaterialRecordProblemCode.DateWrong);

    private static SheetColumn Choice<T>(string name, Func<MaterialRecord, T> of, Func<MaterialRecord, T, MaterialRecord> put, bool inTemplate = true) where T : struct, Enum => new(
        name, FieldOf(name), sheet => Word(of(sheet)), (sheet, cell) => Of<T>(cell) is { } value ? put(sheet, value) : null, MaterialRecordProblemCode.UnknownWord, inTemplate);

    private static SheetColumn Choices<T>(string name, Func<MaterialRecord, IReadOnlyList<T>> of, Func<MaterialRecord, IReadOnlyList<T>, MaterialRecord> put) where T : struct, Enum => new(
        name, FieldOf(name), sheet => string.Join(' ', of(sheet).Select(Word)),
        (sheet, cell) => cell.Split([' ', '/', '|', ';'], StringSplitOptions.RemoveEmptyEntries).Select(Of<T>).ToList() is var values && values.All(value => value is not null)
            ? put(sheet, [.. values.Select(value => value!.Value).Distinct()])
            : null,
        MaterialRecordProblemCode.UnknownWord);

    private static SheetColumn Spectrum(string name, Func<MaterialRecord, IReadOnlyList<double>?> of, Func<MaterialRecord, IReadOnlyList<double>?, MaterialRecord> put) => new(
        name, name, sheet => of(sheet) is { } values ? string.Join(' ', values.Select(Numbers.Write)) : "",
        (sheet, cell) =>
        {
            if (cell == "")
                return put(sheet, null);
            var values = new List<double>();
            foreach (var part in cell.Split(' ', StringSplitOptions.RemoveEmptyEntries))
            {
                if (!Numbers.TryRead(part, out var number))
                    return null;
                values.Add(number);
            }

            return put(sheet, values);
        },
        MaterialRecordProblemCode.SpectrumWrong, false);

    private static MaterialRecord? PutColour(MaterialRecord sheet, string cell)
    {
        if (cell == "")
            return sheet;
        return Srgb.TryParseHex(cell, out var colour) ? sheet with { LabelColour = Illuminant.D65.LabOf(colour) } : null;
    }

    /// <summary>decorative_only for DecorativeOnly.</summary>
    internal static string Word<T>(T value) where T : struct, Enum => JsonNamingPolicy.SnakeCaseLower.ConvertName(value.ToString());

    internal static T? Of<T>(string cell) where T : struct, Enum
    {
        var word = cell.Trim().Replace('-', '_').Replace(' ', '_');
        foreach (var value in Enum.GetValues<T>())
        {
            if (Word(value).Equals(word, StringComparison.OrdinalIgnoreCase))
                return value;
        }

        return null;
    }

    private static bool? YesNo(string cell) => cell.Trim().ToLowerInvariant() switch
    {
        "yes" or "true" or "1" => true,
        "no" or "false" or "0" or "" => false,
        _ => null,
    };

    /// <summary>stockG for stock_g.</summary>
    private static string FieldOf(string column) =>
        string.Concat(column.Split('_').Select((word, i) => i == 0 ? word : char.ToUpperInvariant(word[0]) + word[1..]));
}
