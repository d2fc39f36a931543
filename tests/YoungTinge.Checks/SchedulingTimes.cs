using System.Diagnostics;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Scheduling;
using YoungTinge.Core.Work;

namespace YoungTinge.Checks;

/// <summary>How long it takes to put the work of made-up commissions into time, and how near to the best it comes.</summary>
public static class SchedulingTimes
{
    /// <param name="Faults">What the checker finds broken.</param>
    public sealed record Timed(int Tasks, Schedule Schedule, double Seconds, IReadOnlyList<string> Faults);

    public static Timed Of(int designs, int pieces, int makers, int days, double effort)
    {
        var materials = StarterCabinet.Load();
        var work = WorkInTime.Of([.. Enumerable.Range(0, Math.Min(3, designs)).Select(commission => Commission(commission, [.. Enumerable.Range(0, designs).Where(design => design % 3 == commission)], pieces, days, materials))],
            new Workshop([.. Enumerable.Range(0, makers).Select(maker => Maker.Usual(Guid.NewGuid(), $"maker {maker}"))]), Calendar);
        var clock = Stopwatch.StartNew();
        var schedule = Scheduler.Solve(work.Problem, effort);
        return new Timed(work.Problem.Tasks.Count, schedule, clock.Elapsed.TotalSeconds, schedule.Tasks.Count == 0 ? ["no plan"] : ScheduleChecker.Faults(work.Problem, schedule));
    }

    private static WorkCalendar Calendar { get; } = WorkCalendar.From(new DateTimeOffset(2026, 6, 1, 6, 0, 0, TimeSpan.Zero), TimeZoneInfo.Utc, WorkInTime.StepMin);

    private static CommissionInTime Commission(int number, IReadOnlyList<int> designs, int pieces, int days, Materials materials)
    {
        var id = Guid.NewGuid();
        FlowerPaste[] flowers = [.. designs.Select(design => new FlowerPaste(Guid.NewGuid(), id, [.. Enumerable.Range(0, pieces).Select(piece => new PlannedWork(Guid.NewGuid(), Piece(piece), 6, Plan(design + piece)))], null, null))];
        var graph = WorkGraph.Of([.. flowers.Select(flower => new FlowerWork(flower, null))], Core.Work.PasteDaySheet.Of(flowers, materials), materials);
        return new CommissionInTime(id, graph, new Dictionary<string, DateTimeOffset?>(), new DateOnly(2026, 6, 1).AddDays(days + 2 * number));
    }

    private static Piece Piece(int at)
    {
        var petal = new Piece($"Petal {at}", "round-petal", 20 + 4 * at, 18 + 4 * at, 0.5, false, PartOf.Flower, 8, 0.15);
        return at > 0 ? petal : petal with { Name = "Centre", LengthMm = 9, WidthMm = 8, Solid = true, PerPart = 1, Form = petal.Form with { Role = PieceRole.Centre } };
    }

    private static PiecePlan Plan(int at)
    {
        string[] dusts = ["nettle", "duckweed", "wine-lees", "guelder", "scabious", "furze"], colours = ["fen", "gorse", "ember", "woad", "sloe", "lichen"];
        DustCoat Dust(int i, double load) => new(Guid.NewGuid(), [new(dusts[i % dusts.Length], 1), new("plain-cornstarch", 2)], load, Place.Whole, Sides.Face);
        return new PiecePlan(
            Enum.GetValues<Zone>().ToDictionary(zone => zone, _ => Target.Of(new Lab(80, 5, 10))), new Lab(85, 5, 10), new PasteRecipe("bright-white-paste", [new Dose(colours[at % colours.Length], 0.1 + 0.01 * (at / 6))]),
            [Dust(at, 0.1), Dust(at + 2, 0.2), new SteamCoat(Guid.NewGuid(), 8), new GlazeCoat(Guid.NewGuid(), "satin-veil", 1, Sides.Both)]);
    }
}
