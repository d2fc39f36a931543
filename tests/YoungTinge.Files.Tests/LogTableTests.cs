using System.Text;
using CsCheck;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Learning;
using YoungTinge.Files.Tables;

namespace YoungTinge.Files.Tests;

public class LogTableTests
{
    private static readonly Materials Cabinet = StarterCabinet.Load();
    private static readonly PieceName[] Pieces = [new(Guid.NewGuid(), "Supper", "Hellebore", "Sepals"), new(Guid.NewGuid(), "Supper", "Ivy", "Leaves")];

    private static readonly LogRow[] Rows =
    [
        Row(Pieces[0], null, "First batch; rested, \"overnight\".", 84.125), Row(Pieces[1], Zone.Rim, "-2 shades", 41.1), Row(Pieces[1], Zone.Back, "", 60),
    ];

    private static LogRow Row(PieceName piece, Zone? zone, string note, double l) => new(
        Guid.NewGuid(), piece.Id, piece.Commission, piece.Flower, piece.Piece, zone, new Lab(l, -3.3, 12.7), new Lab(l - 1.0 / 3, -3, 13), note,
        new DateTimeOffset(2026, 5, 4, 9, 30, 12, TimeSpan.Zero).AddMilliseconds(123));

    private static IReadOnlyList<Line<LogRow>> Lines(TableResult<LogRow> result) => Assert.IsType<TableResult<LogRow>.Read>(result).Lines;

    private static IReadOnlyList<Line<LogRow>> Csv(string text, params Guid[] known) => Lines(LogTable.ReadCsv(Encoding.UTF8.GetBytes(text), Pieces, known.ToHashSet(), Cabinet));

    [Fact]
    public void What_goes_out_comes_in_the_same()
    {
        Assert.Equal(Rows, Csv(LogTable.WriteCsv(Rows)).Select(line => line.Value));
        Assert.Equal(Rows, Lines(LogTable.ReadJson(Encoding.UTF8.GetBytes(LogTable.WriteJson(Rows)), Pieces, new HashSet<Guid>(), Cabinet)).Select(line => line.Value));
        Assert.Equal([LineState.Same, LineState.New, LineState.New], Csv(LogTable.WriteCsv(Rows), Rows[0].Id).Select(line => line.State));
    }

    [Fact]
    public void A_paste_goes_out_and_comes_in_with_what_went_into_it() => Gen.Select(Gen.Double[0.001, 50], Gen.Double[0, 720], Gen.OneOf(Gen.Char[' ', '~'], Gen.Char['\u00a0', '\u024f']).Array[0, 12]).Holds(made =>
    {
        var (dose, hours, lot) = made;
        var row = Row(Pieces[0], null, "", 70) with
        {
            By = ReadBy.Reader,
            Light = LightKind.Candle,
            RestedHours = hours,
            Mix = new LogMix("bright-white-paste", [new LogMixDose("ember", dose) { Lot = new string(lot).Trim() }, new LogMixDose("frond", dose / 3)]),
        };
        LogRow[] rows = [row, row with { Id = Guid.NewGuid(), PieceId = Guid.Empty, Commission = "", Flower = "", Piece = "" }];
        Assert.Equal(rows, Csv(LogTable.WriteCsv(rows)).Select(line => line.Value));
        Assert.Equal(rows, Lines(LogTable.ReadJson(Encoding.UTF8.GetBytes(LogTable.WriteJson(rows)), Pieces, new HashSet<Guid>(), Cabinet)).Select(line => line.Value));
    });

    private const string Head = "logged_at,flower,piece,of,predicted_l,predicted_a,predicted_b,actual_l,actual_a,actual_b,note\n";

    [Fact]
    public void An_entry_by_hand_finds_its_piece_by_name_and_is_the_same_one_each_time()
    {
        const string text = Head + "2026-05-04 09:30,hellebore, sepals ,heart,80,0,\"1,5\",79,1,2,\n";
        var line = Assert.Single(Csv(text));
        Assert.Equal((Pieces[0].Id, Zone.Heart, 1.5), (line.Value!.PieceId, line.Value.Zone, line.Value.Predicted.B));
        Assert.Equal(LineState.Same, Assert.Single(Csv(text, line.Value.Id)).State);
    }

    [Theory]
    [InlineData("2026-05-04,Hellebore,Sepals,knee,80,0,0,80,0,0,", "of unknownWord")]
    [InlineData("yesterday,Hellebore,Sepals,paste,80,0,0,80,0,0,", "logged_at dateWrong")]
    [InlineData("2026-05-04,Tulip,Petals,paste,80,0,0,80,0,0,", "piece unknownPiece")]
    [InlineData("2026-05-04,Hellebore,Sepals,paste,80,0,0,180,0,0,", "actual_l notAColour")]
    [InlineData("2026-05-04,Hellebore,Sepals,paste,80,,0,80,0,0,", "predicted_a notANumber")]
    [InlineData("2026-05-04,Hellebore,Sepals,paste,80,0,0,80,0,0,=NOW()", "note formula")]
    public void A_bad_line_is_named(string line, string problem) =>
        Assert.Contains(problem, Assert.Single(Csv(Head + line + "\n")).Problems.Select(one => $"{one.Column} {one.Code}"));

    [Theory]
    [InlineData("paste,reader,daylight,2,Bright White Paste,Ember = 0.2; frond=0.1", null)]
    [InlineData("paste,,,,,", null)]
    [InlineData("paste,nose,daylight,,bright-white-paste,ember=0.2", "read_by unknownWord")]
    [InlineData("paste,reader,dusk,,bright-white-paste,ember=0.2", "light unknownWord")]
    [InlineData("paste,reader,daylight,1000,bright-white-paste,ember=0.2", "rested_hours outOfRange")]
    [InlineData("rim,reader,daylight,1,,", "rested_hours onlyOfPaste")]
    [InlineData("rim,reader,daylight,,bright-white-paste,ember=0.2", "paste onlyOfPaste")]
    [InlineData("paste,reader,daylight,,clay,ember=0.2", "paste notInCabinet")]
    [InlineData("paste,reader,daylight,,bright-white-paste,moonshine=0.2", "colours notInCabinet")]
    [InlineData("paste,reader,daylight,,bright-white-paste,ember=-1", "colours outOfRange")]
    [InlineData("paste,reader,daylight,,bright-white-paste,ember", "colours mixWrong")]
    [InlineData("paste,reader,daylight,,bright-white-paste,ember=0.1;Ember=0.2", "colours colourTwice")]
    public void What_went_into_a_paste_is_looked_at(string cells, string? problem) => Assert.Equal(
        problem is null ? [] : [problem],
        Assert.Single(Csv("flower,piece,logged_at,predicted_l,predicted_a,predicted_b,actual_l,actual_a,actual_b,of,read_by,light,rested_hours,paste,colours\nHellebore,Sepals,2026-05-04,80,0,0,80,0,0," + cells + "\n"))
            .Problems.Select(one => $"{one.Column} {one.Code}"));
}
