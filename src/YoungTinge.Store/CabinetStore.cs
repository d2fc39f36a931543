using Npgsql;
using NpgsqlTypes;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;

namespace YoungTinge.Store;

public sealed class CabinetStore(NpgsqlDataSource dataSource)
{
    public async Task<Materials> LoadAsync(Guid studioId, CancellationToken cancel)
    {
        await using var batch = dataSource.CreateBatch();
        batch.BatchCommands.Add(ForStudio(studioId, """
            select material_id, kind, mass_g
            from dose_unit
            where studio_id = $1
            order by material_id, mass_g
            """));
        batch.BatchCommands.Add(ForStudio(studioId, """
            select id, kind, name, form, food_status, dye_family, note, absorption, scattering, reflectance,
                load_limit_g_per_100g, load_limit_mg_per_cm2, share_at_once, time_constant_hours,
                gloss, outer_reflection, inner_reflection, wet_ml_per_cm2, density_g_per_ml,
                wash_depth_mm, glint_tint, glint_strength, glint_half_load_mg_per_cm2, stock_g, price_per_g, not_for
            from material
            where studio_id = $1
            order by position
            """));
        await using var reader = await batch.ExecuteReaderAsync(cancel);

        var units = new List<(string MaterialId, DoseUnit Unit)>();
        while (await reader.ReadAsync(cancel))
            units.Add((reader.GetString(0), new DoseUnit(Words.Unit.ValueOf(reader.GetString(1)), reader.GetDouble(2))));
        var unitsOf = units.ToLookup(unit => unit.MaterialId, unit => unit.Unit);

        await reader.NextResultAsync(cancel);
        var materials = new List<Material>();
        while (await reader.ReadAsync(cancel))
            materials.Add(Read(reader, unitsOf));
        return new Materials(materials);
    }

    /// <summary>Puts materials into a studio that has none of these ids, within the caller's transaction.</summary>
    internal static async Task InsertAllAsync(NpgsqlConnection connection, Guid studioId, IReadOnlyList<Material> materials, CancellationToken cancel)
    {
        foreach (var (position, material) in materials.Index())
        {
            await InsertAsync(connection, studioId, material, position, cancel);
            foreach (var unit in material is Colourant colourant ? colourant.Units : [])
                await InsertUnitAsync(connection, studioId, material.Id, unit, cancel);
        }
    }

    private static async Task InsertAsync(NpgsqlConnection connection, Guid studioId, Material material, int position, CancellationToken cancel)
    {
        await using var command = new NpgsqlCommand("""
            insert into material (studio_id, id, position, kind, name, form, food_status, dye_family, note,
                absorption, scattering, reflectance, load_limit_g_per_100g, load_limit_mg_per_cm2, share_at_once, time_constant_hours,
                gloss, outer_reflection, inner_reflection, wet_ml_per_cm2, density_g_per_ml,
                wash_depth_mm, glint_tint, glint_strength, glint_half_load_mg_per_cm2, stock_g, price_per_g, not_for)
            values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, $15, $16, $17, $18, $19, $20, $21, $22, $23, $24, $25, $26, $27, $28)
            """, connection);
        var colourant = material as Colourant;
        var glaze = material as Glaze;
        var optics = OpticsOf(material);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = material.Id });
        command.Parameters.Add(new NpgsqlParameter<int> { TypedValue = position });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = KindOf(material) });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = material.Label.Name });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = material.Label.Form });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = Words.Food.WordFor(material.Label.FoodStatus) });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = material.Label.DyeFamily });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = material.Label.Note });
        command.Parameters.Add(Spectrum(optics?.Absorption));
        command.Parameters.Add(Spectrum(optics?.Scattering));
        command.Parameters.Add(Spectrum((material as Wire)?.Reflectance));
        command.Parameters.Add(Number(colourant?.LoadLimitGPer100g));
        command.Parameters.Add(Number((material as Dust)?.LoadLimitMgPerCm2));
        command.Parameters.Add(Number(colourant?.Development.ShareAtOnce));
        command.Parameters.Add(Number(colourant?.Development.TimeConstantHours));
        command.Parameters.Add(Number(glaze?.Gloss));
        command.Parameters.Add(Number(glaze?.OuterReflection));
        command.Parameters.Add(Number(glaze?.InnerReflection));
        command.Parameters.Add(Number(glaze?.WetMlPerCm2));
        command.Parameters.Add(Number((material as Thinner)?.DensityGPerMl));
        command.Parameters.Add(Number((material as Thinner)?.WashDepthMm));
        var glint = (material as Dust)?.Glint;
        command.Parameters.Add(new NpgsqlParameter { NpgsqlDbType = NpgsqlDbType.Text, Value = glint is null ? DBNull.Value : glint.Tint.ToHex() });
        command.Parameters.Add(Number(glint?.Strength));
        command.Parameters.Add(Number(glint?.HalfLoadMgPerCm2));
        command.Parameters.Add(Number(material.Supply.StockG));
        command.Parameters.Add(Number(material.Supply.PricePerG));
        command.Parameters.Add(new NpgsqlParameter<string[]> { TypedValue = [.. material.Label.NotFor.Select(Words.Diets.WordFor)] });
        await command.ExecuteNonQueryAsync(cancel);
    }

    private static async Task InsertUnitAsync(NpgsqlConnection connection, Guid studioId, string materialId, DoseUnit unit, CancellationToken cancel)
    {
        await using var command = new NpgsqlCommand("""
            insert into dose_unit (studio_id, material_id, kind, mass_g)
            values ($1, $2, $3, $4)
            """, connection);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = materialId });
        command.Parameters.Add(new NpgsqlParameter<string> { TypedValue = Words.Unit.WordFor(unit.Kind) });
        command.Parameters.Add(new NpgsqlParameter<double> { TypedValue = unit.MassG });
        await command.ExecuteNonQueryAsync(cancel);
    }

    private static Material Read(NpgsqlDataReader reader, ILookup<string, DoseUnit> unitsOf) => ReadKind(reader, unitsOf) with
    {
        Supply = new Supply(NumberAt(reader, 23), NumberAt(reader, 24)),
    };

    private static Material ReadKind(NpgsqlDataReader reader, ILookup<string, DoseUnit> unitsOf)
    {
        var label = new Label(
            reader.GetString(0), reader.GetString(2), reader.GetString(3), Words.Food.ValueOf(reader.GetString(4)), reader.GetString(5), reader.GetString(6))
        {
            NotFor = [.. reader.GetFieldValue<string[]>(25).Select(Words.Diets.ValueOf)],
        };
        Scatterer Optics() => new(SpectrumAt(7), SpectrumAt(8));
        Spectrum SpectrumAt(int column) => new(reader.GetFieldValue<double[]>(column));
        var kind = reader.GetString(1);
        return kind switch
        {
            "paste" => new PasteBase(label, Optics()),
            "colourant" => new Colourant(label, Optics(), reader.GetDouble(10), new Development(reader.GetDouble(12), reader.GetDouble(13)))
            {
                Units = [.. unitsOf[label.Id]],
            },
            "dust" => new Dust(label, DustKind.Matte, Optics(), reader.GetDouble(11)),
            "lustre" => new Dust(label, DustKind.Lustre, Optics(), reader.GetDouble(11)) { Glint = GlintAt(reader) },
            "extender" => new Dust(label, DustKind.Extender, Optics(), reader.GetDouble(11)),
            "glaze" => new Glaze(label, reader.GetDouble(14), reader.GetDouble(15), reader.GetDouble(16), reader.GetDouble(17)),
            "thinner" => new Thinner(label, reader.GetDouble(18), reader.GetDouble(19)),
            "wire" => new Wire(label, SpectrumAt(9)),
            _ => throw new InvalidDataException($"Unknown kind of material '{kind}'."),
        };
    }

    private static double? NumberAt(NpgsqlDataReader reader, int column) => reader.IsDBNull(column) ? null : reader.GetDouble(column);

    private static Glint? GlintAt(NpgsqlDataReader reader) =>
        !reader.IsDBNull(20) && Srgb.TryParseHex(reader.GetString(20), out var tint) ? new Glint(tint, reader.GetDouble(21), reader.GetDouble(22)) : null;

    public static string KindOf(Material material) => material switch
    {
        PasteBase => "paste",
        Colourant => "colourant",
        Dust { Kind: DustKind.Matte } => "dust",
        Dust { Kind: DustKind.Lustre } => "lustre",
        Dust => "extender",
        Glaze => "glaze",
        Thinner => "thinner",
        Wire => "wire",
        _ => throw new ArgumentException($"Unknown material {material.GetType().Name}.", nameof(material)),
    };

    private static Scatterer? OpticsOf(Material material) => material switch
    {
        PasteBase paste => paste.Optics,
        Colourant colourant => colourant.Optics,
        Dust dust => dust.Optics,
        _ => null,
    };

    private static NpgsqlBatchCommand ForStudio(Guid studioId, string sql)
    {
        var command = new NpgsqlBatchCommand(sql);
        command.Parameters.Add(new NpgsqlParameter<Guid> { TypedValue = studioId });
        return command;
    }

    private static NpgsqlParameter Spectrum(Spectrum? spectrum) =>
        new() { NpgsqlDbType = NpgsqlDbType.Array | NpgsqlDbType.Double, Value = spectrum is null ? DBNull.Value : spectrum.Values.ToArray() };

    private static NpgsqlParameter Number(double? number) =>
        new() { NpgsqlDbType = NpgsqlDbType.Double, Value = number is { } value ? value : DBNull.Value };
}
