using YoungTinge.Core.Cabinet;
using YoungTinge.Files.Tables;

namespace YoungTinge.Files.Tests;

public class ShoppingTableTests
{
    private static readonly Materials Cabinet = StarterCabinet.Load();

    [Fact]
    public void A_line_says_what_is_needed_what_is_there_and_what_is_missing()
    {
        var packed = new Materials(Cabinet.All.Select(material => material.Id == "ember" ? material with { Supply = new Supply(1, 0.2) { PackSize = 2.5 } } : material));
        var csv = ShoppingTable.WriteCsv([new("ember", MaterialKind.Colourant, null, Measure.Grams, 1.23456, 1, 0.23456, 1, 0.5), new("satin-veil", MaterialKind.Glaze, null, Measure.Millilitres, 12.3, null, null, null, null), new(null, MaterialKind.Tape, null, Measure.Pieces, 0.2, 0, 0.2, null, null), new("white-wire", MaterialKind.Wire, 28, Measure.Pieces, 15, null, null, null, null), new(null, MaterialKind.Core, null, Measure.Pieces, 6, 0, 6, null, null) { DiameterMm = 25 }], packed, "EUR");
        var lines = csv.Split('\n', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries);
        Assert.Equal("material,gauge,diameter_mm,measure,need,stock,short,pack_size,packs,cost,currency", lines[0]);
        Assert.Equal("Ember,,,g,1.235,1,0.235,2.5,1,0.5,EUR", lines[1]);
        Assert.Equal("Satin Veil,,,ml,12.3,,,,,,", lines[2]);
        Assert.Equal("tape,,,pieces,0.2,0,0.2,,,,", lines[3]);
        Assert.Equal("White Paper-Wrapped Wire,28,,pieces,15,,,,,,", lines[4]);
        Assert.Equal("core,,25,pieces,6,0,6,,,,", lines[5]);
    }

    [Fact]
    public void A_name_that_a_spreadsheet_would_run_is_written_as_a_name()
    {
        var odd = new Materials(Cabinet.All.Select(material => material.Id == "ember" ? material with { Label = material.Label with { Name = "=2+3, \"hot\"" } } : material));
        var line = ShoppingTable.WriteCsv([new("ember", MaterialKind.Colourant, null, Measure.Grams, 1, null, null, null, null)], odd, "EUR").Split('\n')[1];
        Assert.DoesNotContain(line, start => line.StartsWith('='));
        Assert.Contains("\"\"hot\"\"", line);
    }
}
