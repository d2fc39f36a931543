using System.Globalization;
using System.Text;
using YoungTinge.Core.Colour;
using YoungTinge.Files.Tables;

namespace YoungTinge.Files.Spectra;

/// <summary>One reading of a table of spectra.</summary>
/// <param name="Amount">g per 100 g or mg/cm2, if the table tells.</param>
/// <param name="Reflectance">0 to 1.</param>
public sealed record SpectralReading(string Name, double? Amount, Spectrum Reflectance);

/// <summary>
/// Spectra as a plain-text table in the manner of CGATS.17: keywords, the names of the fields between BEGIN_DATA_FORMAT and
/// END_DATA_FORMAT, the readings between BEGIN_DATA and END_DATA. Reading takes any steps from 380 to 730 nm and brings them to 10 nm,
/// and per cent as well as parts of one.
/// </summary>
public static class SpectralReadings
{
    public const int LargestBytes = 1024 * 1024;
    public const int MostReadings = 500;

    private const string NmPrefix = "SPECTRAL_NM";
    private const double FurthestNm = 40;
    private static readonly string[] Prefixes = [NmPrefix, "SPECTRAL_", "NM_", "NM", "R_", "SPEC_"];

    public static string Write(IReadOnlyList<SpectralReading> readings)
    {
        var text = new StringBuilder("CGATS.17\nORIGINATOR \"Young Tinge\"\nMEASUREMENT_GEOMETRY \"diffuse\"\n");
        string[] fields = ["SAMPLE_ID", "SAMPLE_NAME", "AMOUNT", .. Enumerable.Range(0, SpectralGrid.Bands).Select(band => $"{NmPrefix}{SpectralGrid.WavelengthNm(band)}")];
        text.Append(CultureInfo.InvariantCulture, $"NUMBER_OF_FIELDS {fields.Length}\nBEGIN_DATA_FORMAT\n{string.Join('\t', fields)}\nEND_DATA_FORMAT\n");
        text.Append(CultureInfo.InvariantCulture, $"NUMBER_OF_SETS {readings.Count}\nBEGIN_DATA\n");
        foreach (var (i, (name, amount, reflectance)) in readings.Index())
        {
            var words = name.Replace('"', '\'').ReplaceLineEndings(" ").Replace('\t', ' ');
            var values = reflectance.Values.ToArray().Select(Numbers.Write);
            text.Append(CultureInfo.InvariantCulture, $"{i + 1}\t\"{words}\"\t{(amount is { } dose ? Numbers.Write(dose) : "-")}\t{string.Join('\t', values)}\n");
        }

        return text.Append("END_DATA\n").ToString();
    }

    /// <returns>Null if it is no such table, has no spectra, or its spectra do not reach over what is seen.</returns>
    public static IReadOnlyList<SpectralReading>? Read(byte[] file)
    {
        if (file.Length > LargestBytes || TextFile.Decode(file) is not { } text)
            return null;
        var lines = text.Split('\n').Select(line => line.Trim()).ToList();
        var fields = Between(lines, "BEGIN_DATA_FORMAT", "END_DATA_FORMAT").SelectMany(Words).ToList();
        var bands = fields.Index().Select(field => (field.Index, Nm: NmOf(field.Item))).Where(field => field.Nm is not null)
            .Select(field => (field.Index, Nm: field.Nm!.Value)).OrderBy(field => field.Nm).ToList();
        if (bands.Count < 5 || bands[0].Nm > SpectralGrid.StartNm + FurthestNm || bands[^1].Nm < SpectralGrid.WavelengthNm(SpectralGrid.Bands - 1) - FurthestNm)
            return null;

        var readings = new List<SpectralReading>();
        foreach (var cells in Between(lines, "BEGIN_DATA", "END_DATA").Select(line => Words(line).ToList()))
        {
            var values = new double[bands.Count];
            for (var i = 0; i < values.Length; i++)
            {
                if (bands[i].Index >= cells.Count || !Numbers.TryRead(cells[bands[i].Index], out values[i]))
                    return null;
            }

            if (readings.Count == MostReadings)
                return null;
            string Cell(params string[] names) => names.Select(name => fields.FindIndex(field => field.Equals(name, StringComparison.OrdinalIgnoreCase)))
                .Where(at => at >= 0 && at < cells.Count).Select(at => cells[at]).FirstOrDefault("");
            double? amount = Numbers.TryRead(Cell("AMOUNT", "DOSE", "LOAD"), out var number) ? number : null;
            readings.Add(new SpectralReading(Cell("SAMPLE_NAME", "SAMPLENAME", "SAMPLE_ID"), amount, OnGrid([.. bands.Select(band => band.Nm)], values)));
        }

        // Per cent if anything is clearly more than all light.
        var scale = readings.Any(reading => reading.Reflectance.Values.ToArray().Max() > 2) ? 0.01 : 1;
        return readings.Count == 0 ? null : [.. readings.Select(reading => reading with { Reflectance = reading.Reflectance.Map(value => Math.Clamp(value * scale, 0, 1)) })];
    }

    private static IEnumerable<string> Between(List<string> lines, string begin, string end)
    {
        var from = lines.FindIndex(line => line.Equals(begin, StringComparison.OrdinalIgnoreCase));
        return from < 0 ? [] : lines.Skip(from + 1).TakeWhile(line => !line.Equals(end, StringComparison.OrdinalIgnoreCase)).Where(line => line != "");
    }

    /// <summary>Parted by blanks or tabs; what stands in quotes is one word.</summary>
    private static IEnumerable<string> Words(string line) =>
        line.Split('"').SelectMany((part, i) => i % 2 == 1 ? [part] : part.Split((char[])[' ', '\t'], StringSplitOptions.RemoveEmptyEntries));

    private static double? NmOf(string field)
    {
        var plain = field.ToUpperInvariant();
        foreach (var prefix in Prefixes)
        {
            if (plain.StartsWith(prefix, StringComparison.Ordinal) && Numbers.TryRead(plain[prefix.Length..], out var nm) && nm is >= 300 and <= 1100)
                return nm;
        }

        return null;
    }

    /// <summary>Straight between neighbours; level beyond the ends.</summary>
    private static Spectrum OnGrid(double[] nm, double[] values) => Spectrum.From(band =>
    {
        var at = (double)SpectralGrid.WavelengthNm(band);
        var next = Array.FindIndex(nm, one => one >= at);
        if (next < 0)
            return values[^1];
        if (next == 0 || nm[next] == at)
            return values[next];
        var share = (at - nm[next - 1]) / (nm[next] - nm[next - 1]);
        return (1 - share) * values[next - 1] + share * values[next];
    });
}
