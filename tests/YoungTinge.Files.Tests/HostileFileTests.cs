using System.Text;
using YoungTinge.Core.Cabinet;
using YoungTinge.Files.Palettes;
using YoungTinge.Files.Pictures;
using YoungTinge.Files.Spectra;
using YoungTinge.Files.Tables;

namespace YoungTinge.Files.Tests;

/// <summary>Files as large as they may be, made to keep a reader busy: nested, repeated, without an end.</summary>
public class HostileFileTests
{
    private const int LargestTable = 5 * 1024 * 1024;

    private static readonly Materials Cabinet = StarterCabinet.Load();

    private static readonly (string Name, int LargestBytes, Action<byte[]> Read)[] Readers =
    [
        ("palette", Palette.LargestBytes, file => Palette.Read(file)),
        ("spectra", SpectralReadings.LargestBytes, file => SpectralReadings.Read(file)),
        ("cabinet CSV", LargestTable, file => CabinetTable.ReadCsv(file, Cabinet)),
        ("cabinet JSON", LargestTable, file => CabinetTable.ReadJson(file, Cabinet)),
        ("logbook CSV", LargestTable, file => LogTable.ReadCsv(file, [], new HashSet<Guid>(), Cabinet)),
        ("logbook JSON", LargestTable, file => LogTable.ReadJson(file, [], new HashSet<Guid>(), Cabinet)),
        ("picture", LargestTable, file => PictureFile.Read(file)),
    ];

    /// <summary>A beginning, and what is then repeated to the end.</summary>
    private static readonly (string Begin, string Again, string End)[] Files =
    [
        ("<svg>", "<g>", ""), ("<svg>", "<rect fill='#123456'><title>", ""), ("<svg>", "<rect fill='#123456'><title>x</title></rect>", "</svg>"),
        ("<svg><rect style='", "; fill ", "'/></svg>"), ("<svg><rect style='", " ", "'/></svg>"), ("<svg><title>", "x", "</title></svg>"), ("<svg ", "a='1' ", "/>"),
        ("GIMP Palette\n", "1 2 3 x\n", ""), ("GIMP Palette\n", " ", ""), ("GIMP Palette\n", "\n", ""), ("GIMP Palette\nName:", "x", ""),
        ("", "[", ""), ("{\"materials\":", "[", ""), ("{\"materials\":[", "{},", "{}]}"), ("{\"entries\":[", "{\"note\":\"x\"},", "{}]}"), ("{", "\"a\":1,", "\"b\":1}"), ("{\"materials\":[{\"name\":\"", "x", "\"}]}"),
        ("name,kind,stock_g\n", "a,dust,1\n", ""), ("name,kind,stock_g\n", "\"", ""), ("name,kind,stock_g\n", ",", ""), ("name", ",name", "\na\n"), ("name,kind\n\"", "a\n", "\",dust\n"), ("name,kind,stock_g\n", "Rowan,colourant,1\n", ""),
        ("logged_at,flower,piece,of,predicted_l,predicted_a,predicted_b,actual_l,actual_a,actual_b,note\n", "2026-05-04,Hellebore,Sepals,paste,90,-4,12,89,-4,13,x\n", ""),
        ("CGATS.17\nNUMBER_OF_FIELDS 99999999\nBEGIN_DATA_FORMAT\n", "SPEC_380 ", "\nEND_DATA_FORMAT\nBEGIN_DATA\n"), ("CGATS.17\nBEGIN_DATA\n", "0.5 ", "\nEND_DATA"), ("CGATS.17\n", "BEGIN_DATA\n", ""), ("", "0.5 0.5\n", ""),
        ("\u00ff\u00d8\u00ff\u00e1", "\u00ff\u00ff", ""), ("\u00ff\u00d8", "\u00ff\u00e1\u0000\u0002", ""), ("\u0089PNG\r\n\u001a\n", "\u0000\u0000\u0000\u0000tEXt\u0000\u0000\u0000\u0000", ""),
    ];

    public static TheoryData<string> Names => new(Readers.Select(reader => reader.Name));

    [Theory]
    [MemberData(nameof(Names))]
    public void A_file_of_the_largest_size_keeps_no_reader_for_long(string name)
    {
        var (_, largest, read) = Readers.Single(reader => reader.Name == name);
        var slow = new List<string>();
        foreach (var (begin, again, end) in Files)
        {
            var times = Math.Max(1, (largest - begin.Length - end.Length) / again.Length);
            var file = Encoding.Latin1.GetBytes(begin + string.Concat(Enumerable.Repeat(again, times)) + end);
            var cpu = CpuOfThread();
            read(file);
            // Time that this thread computed, so that a busy machine changes nothing.
            if (CpuOfThread() - cpu is var seconds && seconds > 2)
                slow.Add($"{begin}{again}: {seconds:0.0} s");
        }

        Assert.Empty(slow);
    }

    private static double CpuOfThread()
    {
        var ticks = File.ReadAllText("/proc/thread-self/stat").Split(") ")[^1].Split(' ');
        return (long.Parse(ticks[11]) + long.Parse(ticks[12])) / 100.0;
    }
}
