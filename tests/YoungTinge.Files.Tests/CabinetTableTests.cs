using System.Text;
using System.Text.Json;
using YoungTinge.Core.Cabinet;
using YoungTinge.Files.Tables;

namespace YoungTinge.Files.Tests;

public class CabinetTableTests
{
    private static readonly Materials Cabinet = StarterCabinet.Load();

    private static IReadOnlyList<Line<Material>> Lines(TableResult<Material> result) => Assert.IsType<TableResult<Material>.Read>(result).Lines;

    private static IReadOnlyList<Line<Material>> Csv(string text) => Lines(CabinetTable.ReadCsv(Encoding.UTF8.GetBytes(text), Cabinet));

    private static TableResult<Material>.Refused Refused(byte[] file) => Assert.IsType<TableResult<Material>.Refused>(CabinetTable.ReadCsv(file, Cabinet));

    private static string Written(IEnumerable<Material> materials) => JsonSerializer.Serialize(materials.Select(MaterialRecord.Of), OpenJson.Options);

    [Fact]
    public void What_goes_out_comes_in_the_same_as_table_and_as_json()
    {
        var csv = Encoding.UTF8.GetBytes(CabinetTable.WriteCsv(Cabinet.All));
        var json = Encoding.UTF8.GetBytes(CabinetTable.WriteJson(Cabinet.All));
        foreach (var lines in new[] { Lines(CabinetTable.ReadCsv(csv, Cabinet)), Lines(CabinetTable.ReadJson(json, Cabinet)) })
            Assert.All(lines, line => Assert.Equal(LineState.Same, line.State));
        // Into a cabinet that knows none of it.
        var nothing = new Materials([]);
        foreach (var lines in new[] { Lines(CabinetTable.ReadCsv(csv, nothing)), Lines(CabinetTable.ReadJson(json, nothing)) })
        {
            Assert.All(lines, line => Assert.Equal(LineState.New, line.State));
            Assert.Equal(Written(Cabinet.All), Written(lines.Select(line => line.Value!)));
        }
    }

    [Fact]
    public void The_template_can_be_read_as_it_is() =>
        Assert.All(Csv(CabinetTable.Template()), line => Assert.Equal(LineState.New, line.State));

    [Fact]
    public void Columns_that_are_not_in_the_file_stay_as_they_are()
    {
        var line = Assert.Single(Csv("Name,Kind,Stock g\nRowan,colourant,7.5\n"));
        Assert.Equal((LineState.Changed, "rowan", 7.5), (line.State, line.Value!.Id, line.Value.Supply.StockG));
        var before = Cabinet.Get<Colourant>("rowan");
        Assert.Equal(Written([before]), Written([line.Value with { Supply = before.Supply }]));
    }

    [Theory]
    [InlineData("name;kind;stock_g;price_per_g\nRowan;colourant;7,5;1.234,5\n", 7.5, 1234.5)]
    [InlineData("name\tkind\tstock_g\tprice_per_g\nRowan\tcolourant\t7,5\t0.5\n", 7.5, 0.5)]
    [InlineData("name,kind,stock_g,price_per_g\r\n\"Rowan\",colourant,\"7,5\",\"1 234.5\"\r\n", 7.5, 1234.5)]
    public void Decimal_commas_and_other_separators_are_understood(string text, double stock, double price)
    {
        var supply = Assert.Single(Csv(text)).Value!.Supply;
        Assert.Equal((stock, price), (supply.StockG, supply.PricePerG));
    }

    [Fact]
    public void Other_encodings_are_understood()
    {
        const string text = "name,kind,label_colour\nCrème brûlée,colourant,#c9a05a\n";
        Encoding.RegisterProvider(CodePagesEncodingProvider.Instance);
        byte[][] files =
        [
            Encoding.UTF8.GetBytes(text), [.. Encoding.UTF8.Preamble, .. Encoding.UTF8.GetBytes(text)], Encoding.GetEncoding(1252).GetBytes(text),
            [.. Encoding.Unicode.Preamble, .. Encoding.Unicode.GetBytes(text)], [.. Encoding.BigEndianUnicode.Preamble, .. Encoding.BigEndianUnicode.GetBytes(text)],
        ];
        Assert.All(files, file =>
        {
            var line = Assert.Single(Lines(CabinetTable.ReadCsv(file, Cabinet)));
            Assert.Equal(("Crème brûlée", "creme-brulee", OpticsOrigin.Label), (line.Name, line.Value!.Id, line.Value.Source.Origin));
        });
    }

    [Theory]
    [InlineData("Ochre,colourant,5,,", "label_colour colourMissing")]
    [InlineData("Ochre,dye,5,#aa8833,", "kind unknownWord")]
    [InlineData("Ochre,colourant,a lot,#aa8833,", "stock_g notANumber")]
    [InlineData("Ochre,colourant,-5,#aa8833,", "stock_g outOfRange")]
    [InlineData("Ochre,colourant,5,ochre,", "label_colour notAColour")]
    [InlineData("=cmd|' /C calc'!A0,colourant,5,#aa8833,", "name formula")]
    [InlineData("Ochre,colourant,=1+1,#aa8833,", "stock_g formula")]
    [InlineData("Ochre,colourant,5,#aa8833,31.12.2026", "best_before dateWrong")]
    [InlineData(",colourant,5,#aa8833,", "name nameMissing")]
    [InlineData("Woad,dust,5,#aa8833,", "kind kindFixed")]
    public void A_bad_line_is_named_and_the_good_ones_are_kept_apart(string line, string problem)
    {
        var lines = Csv($"name,kind,stock_g,label_colour,best_before\nRowan,colourant,5,,\n{line}\n");
        Assert.Equal([LineState.Changed, LineState.Bad], lines.Select(one => one.State));
        Assert.Equal(3, lines[1].Number);
        Assert.Contains(problem, lines[1].Problems.Select(one => $"{one.Column} {one.Code}"));
    }

    [Fact]
    public void A_name_stands_for_one_material_only()
    {
        var lines = Csv("id,name,kind,label_colour\nmine,Rowan,colourant,#aa3322\nrowan,Rowan,colourant,\nrowan,Rowan two,colourant,\n");
        Assert.Equal(["nameTaken", "", "twiceInFile"], lines.Select(line => line.Problems.FirstOrDefault()?.Code ?? ""));
    }

    [Fact]
    public void Words_that_a_spreadsheet_would_run_go_out_harmless_and_come_back()
    {
        var sly = new Adhesive(new Label("sly", "=HYPERLINK(\"http://x\")", "@gum", FoodStatus.Edible, "", "+ glue - thin"));
        var csv = CabinetTable.WriteCsv([sly]);
        Assert.DoesNotContain(csv.Split('\n')[1].Split(','), cell => cell.TrimStart('"') is ['=' or '@' or '+', ..]);
        var back = Assert.Single(Lines(CabinetTable.ReadCsv(Encoding.UTF8.GetBytes(csv), Cabinet))).Value!;
        Assert.Equal(Written([sly]), Written([back]));
    }

    [Fact]
    public void A_file_that_cannot_be_read_is_refused_as_a_whole()
    {
        Assert.Equal(["colour", "weight"], Refused("name,kind,colour,weight\nRowan,colourant,red,3\n"u8.ToArray()).Columns);
        Assert.Equal((TableProblem.ColumnsMissing, "kind"), (Refused("name\nRowan\n"u8.ToArray()).Problem, Refused("name\nRowan\n"u8.ToArray()).Columns![0]));
        Assert.Equal(TableProblem.ColumnTwice, Refused("name,kind,name\nRowan,colourant,Rowan\n"u8.ToArray()).Problem);
        Assert.Equal(TableProblem.NotText, Refused([0x89, 0x50, 0x4E, 0x47, 0x0D, 0x0A, 0x1A, 0x0A, 0, 0, 0, 13]).Problem);
        Assert.Equal(TableProblem.Empty, Refused([]).Problem);
        Assert.Equal(TableProblem.Empty, Refused("name,kind\n"u8.ToArray()).Problem);
        Assert.Equal(TableProblem.TooLarge, Refused(new byte[5_000_000]).Problem);
    }

    [Fact]
    public void A_hundred_thousand_lines_are_refused_with_the_limit()
    {
        var text = new StringBuilder("name,kind\n");
        for (var i = 0; i < 100_000; i++)
            text.Append("Glue ").Append(i).Append(",adhesive\n");
        var refused = Refused(Encoding.UTF8.GetBytes(text.ToString()));
        Assert.Equal((TableProblem.TooManyLines, 5000.0), (refused.Problem, refused.Limit));
    }

    [Theory]
    [InlineData("not json")]
    [InlineData("{}")]
    [InlineData("""{"format":"something-else","version":1,"materials":[]}""")]
    [InlineData("""{"format":"young-tinge-cabinet","version":1,"materials":[{"name":"x","kind":"soup"}]}""")]
    public void Json_of_another_kind_is_refused(string text) =>
        Assert.Equal(TableProblem.NotThisKind, Assert.IsType<TableResult<Material>.Refused>(CabinetTable.ReadJson(Encoding.UTF8.GetBytes(text), Cabinet)).Problem);

    [Fact]
    public void The_published_schema_describes_every_field_that_is_written()
    {
        using var schema = JsonDocument.Parse(OpenJson.SchemaOf<CabinetFile>("Cabinet"));
        using var file = JsonDocument.Parse(CabinetTable.WriteJson(Cabinet.All));
        var described = schema.RootElement.GetProperty("properties").GetProperty("materials").GetProperty("items").GetProperty("properties");
        var kinds = described.GetProperty("kind").GetProperty("enum").EnumerateArray().Select(kind => kind.GetString()).ToHashSet();
        foreach (var material in file.RootElement.GetProperty("materials").EnumerateArray())
        {
            Assert.All(material.EnumerateObject(), field => Assert.True(described.TryGetProperty(field.Name, out _), field.Name));
            Assert.Contains(material.GetProperty("kind").GetString(), kinds);
        }

        Assert.Equal(["format", "materials", "version"], schema.RootElement.GetProperty("required").EnumerateArray().Select(name => name.GetString()).Order());
    }
}
