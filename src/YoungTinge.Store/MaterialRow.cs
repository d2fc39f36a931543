using System.Text.Json;
using Npgsql;
using NpgsqlTypes;
using YoungTinge.Core.Cabinet;

namespace YoungTinge.Store;

/// <summary>A material as a row: each column with how it is written, in one list, so that reading, adding and changing cannot differ.</summary>
internal static class MaterialRow
{
    private sealed record Column(string Name, NpgsqlDbType Type, Func<MaterialRecord, object?> Of);

    private static readonly Column[] All =
    [
        Text("id", sheet => sheet.Id),
        Text("kind", sheet => Words.Kind.WordFor(sheet.Kind)),
        Text("name", sheet => sheet.Name),
        Text("form", sheet => sheet.Form),
        Text("food_status", sheet => Words.Food.WordFor(sheet.FoodStatus)),
        Text("dye_family", sheet => sheet.DyeFamily),
        Text("note", sheet => sheet.Note),
        new("contains", NpgsqlDbType.Array | NpgsqlDbType.Text, sheet => sheet.Contains.Select(Words.Ingredients.WordFor).ToArray()),
        new("not_for", NpgsqlDbType.Array | NpgsqlDbType.Text, sheet => sheet.NotFor.Select(Words.Diets.WordFor).ToArray()),
        new("is_retired", NpgsqlDbType.Boolean, sheet => sheet.IsRetired),
        Number("stock_g", sheet => sheet.StockG),
        Number("stock_pieces", sheet => sheet.StockPieces),
        Number("price_per_g", sheet => sheet.PricePerG),
        Number("price_per_piece", sheet => sheet.PricePerPiece),
        Number("stock_ml", sheet => sheet.StockMl),
        Number("price_per_ml", sheet => sheet.PricePerMl),
        Number("pack_size", sheet => sheet.PackSize),
        Text("lot", sheet => sheet.Lot),
        new("opened_on", NpgsqlDbType.Date, sheet => sheet.OpenedOn),
        new("best_before", NpgsqlDbType.Date, sheet => sheet.BestBefore),
        Number("load_limit_g_per_100g", sheet => sheet.Kind == MaterialKind.Colourant ? sheet.LoadLimit : null),
        Number("load_limit_mg_per_cm2", sheet => sheet.Kind == MaterialKind.Colourant ? null : sheet.LoadLimit),
        new("gauge", NpgsqlDbType.Integer, sheet => (int?)sheet.Gauge),
        Number("diameter_mm", sheet => sheet.DiameterMm),
        Number("share_at_once", sheet => sheet.ShareAtOnce),
        Number("time_constant_hours", sheet => sheet.TimeConstantHours),
        Number("gloss", sheet => sheet.Gloss),
        Number("outer_reflection", sheet => sheet.OuterReflection),
        Number("inner_reflection", sheet => sheet.InnerReflection),
        Number("wet_ml_per_cm2", sheet => sheet.WetMlPerCm2),
        Number("density_g_per_ml", sheet => sheet.DensityGPerMl),
        Number("wash_depth_mm", sheet => sheet.WashDepthMm),
        Text("glint_tint", sheet => sheet.GlintTint),
        Number("glint_strength", sheet => sheet.GlintStrength),
        Number("glint_half_load_mg_per_cm2", sheet => sheet.GlintHalfLoadMgPerCm2),
        Number("wet_scatter", sheet => sheet.WetScatter),
        Number("dries_times", sheet => sheet.DriesTimes),
        Spectrum("absorption", sheet => sheet.Absorption),
        Spectrum("scattering", sheet => sheet.Scattering),
        Spectrum("reflectance", sheet => sheet.Reflectance),
        Text("optics_origin", sheet => Words.Origin.WordFor(sheet.Origin)),
        Number("worst_delta_e", sheet => sheet.WorstDeltaE),
        new("dabs", NpgsqlDbType.Jsonb, sheet => JsonSerializer.Serialize(sheet.Dabs, PlanJson.Options)),
    ];

    public static readonly string Columns = string.Join(", ", All.Select(column => column.Name));

    // $1 is the studio and $2 the version; the columns follow.
    public static readonly string Insert = $"""
        insert into material (studio_id, version, position, {Columns})
        values ($1, $2 + 1, (select coalesce(max(position), -1) + 1 from material where studio_id = $1), {string.Join(", ", All.Select((_, i) => $"${i + 3}"))})
        on conflict (studio_id, id) do nothing
        """;

    public static readonly string Update = $"""
        update material
        set version = version + 1, {string.Join(", ", All.Select((column, i) => $"{column.Name} = ${i + 3}"))}
        where studio_id = $1 and id = $3 and version = $2
        """;

    public static IEnumerable<NpgsqlParameter> Parameters(MaterialRecord sheet) =>
        All.Select(column => Sql.Maybe(column.Type, column.Of(sheet)));

    public static MaterialRecord Read(NpgsqlDataReader reader)
    {
        string Text(string column) => reader.GetString(reader.GetOrdinal(column));
        T? Maybe<T>(string column) where T : struct => reader.GetOrdinal(column) is var at && reader.IsDBNull(at) ? null : reader.GetFieldValue<T>(at);
        double? Number(string column) => Maybe<double>(column);
        double[]? Spectrum(string column) => reader.GetOrdinal(column) is var at && reader.IsDBNull(at) ? null : reader.GetFieldValue<double[]>(at);
        string[] Words(string column) => reader.GetFieldValue<string[]>(reader.GetOrdinal(column));
        return new MaterialRecord
        {
            Id = Text("id"),
            Kind = Store.Words.Kind.ValueOf(Text("kind")),
            Name = Text("name"),
            Form = Text("form"),
            FoodStatus = Store.Words.Food.ValueOf(Text("food_status")),
            DyeFamily = Text("dye_family"),
            Note = Text("note"),
            Contains = [.. Words("contains").Select(Store.Words.Ingredients.ValueOf)],
            NotFor = [.. Words("not_for").Select(Store.Words.Diets.ValueOf)],
            IsRetired = reader.GetBoolean(reader.GetOrdinal("is_retired")),
            StockG = Number("stock_g"),
            StockPieces = Number("stock_pieces"),
            PricePerG = Number("price_per_g"),
            PricePerPiece = Number("price_per_piece"),
            StockMl = Number("stock_ml"),
            PricePerMl = Number("price_per_ml"),
            PackSize = Number("pack_size"),
            Lot = Text("lot"),
            OpenedOn = Maybe<DateOnly>("opened_on"),
            BestBefore = Maybe<DateOnly>("best_before"),
            LoadLimit = Number("load_limit_g_per_100g") ?? Number("load_limit_mg_per_cm2"),
            Gauge = Maybe<int>("gauge"),
            DiameterMm = Number("diameter_mm"),
            ShareAtOnce = Number("share_at_once"),
            TimeConstantHours = Number("time_constant_hours"),
            Gloss = Number("gloss"),
            OuterReflection = Number("outer_reflection"),
            InnerReflection = Number("inner_reflection"),
            WetMlPerCm2 = Number("wet_ml_per_cm2"),
            DensityGPerMl = Number("density_g_per_ml"),
            WashDepthMm = Number("wash_depth_mm"),
            GlintTint = reader.IsDBNull(reader.GetOrdinal("glint_tint")) ? null : Text("glint_tint"),
            GlintStrength = Number("glint_strength"),
            GlintHalfLoadMgPerCm2 = Number("glint_half_load_mg_per_cm2"),
            WetScatter = Number("wet_scatter"),
            DriesTimes = Number("dries_times"),
            Absorption = Spectrum("absorption"),
            Scattering = Spectrum("scattering"),
            Reflectance = Spectrum("reflectance"),
            Origin = Store.Words.Origin.ValueOf(Text("optics_origin")),
            WorstDeltaE = Number("worst_delta_e"),
            Dabs = JsonSerializer.Deserialize<IReadOnlyList<DabReading>>(Text("dabs"), PlanJson.Options) ?? [],
        };
    }

    private static Column Text(string name, Func<MaterialRecord, string?> of) => new(name, NpgsqlDbType.Text, of);

    private static Column Number(string name, Func<MaterialRecord, double?> of) => new(name, NpgsqlDbType.Double, sheet => of(sheet));

    private static Column Spectrum(string name, Func<MaterialRecord, IReadOnlyList<double>?> of) =>
        new(name, NpgsqlDbType.Array | NpgsqlDbType.Double, sheet => of(sheet)?.ToArray());
}
