using System.Globalization;

namespace YoungTinge.Core.Colour;

/// <summary>A table with a wavelength column and named value columns, as shipped in <c>Colour/Data</c>.</summary>
internal sealed class SpectralTable
{
    private readonly Dictionary<string, double[]> columns = [];

    public double[] this[string column] => columns[column];

    /// <exception cref="InvalidDataException">The table does not stand on the spectral grid.</exception>
    public static SpectralTable Load(string resource)
    {
        var lines = Shipped.Text(resource).Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
            .Where(line => !line.StartsWith('#')).Select(line => line.Split(',')).ToList();
        var header = lines[0];
        var rows = lines.Skip(1).Select(row => Array.ConvertAll(row, cell => double.Parse(cell, CultureInfo.InvariantCulture))).ToList();
        if (rows.Count != SpectralGrid.Bands || rows.Where((row, band) => row[0] != SpectralGrid.WavelengthNm(band)).Any())
            throw new InvalidDataException($"The table {resource} does not stand on the spectral grid.");

        var table = new SpectralTable();
        for (var column = 1; column < header.Length; column++)
            table.columns.Add(header[column], rows.Select(row => row[column]).ToArray());
        return table;
    }
}
