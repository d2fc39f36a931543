using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Scheduling;
using YoungTinge.Core.Work;
using YoungTinge.Files.Calendars;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Plan;

/// <summary>The plan in force as a calendar: as a file, and at a private address for calendar programs that can be withdrawn.</summary>
public static class PlanCalendar
{
    /// <param name="MadeAt">When the address was made; null if there is none.</param>
    public sealed record AddressState(DateTimeOffset? MadeAt);

    /// <param name="Path">On this server. It is told this once.</param>
    public sealed record Address(string Path);

    /// <summary>Longer gaps part what is done one after the other.</summary>
    private static readonly TimeSpan LongestGap = TimeSpan.FromMinutes(30);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/plan/calendar.ics", Download).WithName("getPlanCalendar").WithSummary("The plan in force as a calendar file.").Produces(200, contentType: CalendarFile.MediaType).ProducesProblems();
        api.MapGet("/plan/calendar-address", State).ForMaker().WithName("getCalendarAddress").WithSummary("Whether the plan has a private address.").Produces<AddressState>().ProducesProblems();
        api.MapPost("/plan/calendar-address", Make).WithName("makeCalendarAddress").WithSummary("Makes a private address for the plan; one that there was leads nowhere from then on.").Produces<Address>().ProducesProblems();
        api.MapDelete("/plan/calendar-address", Withdraw).WithName("withdrawCalendarAddress").WithSummary("Takes the private address of the plan away.").Produces(204).ProducesProblems();
        api.MapGet("/calendars/{token}", AtAddress).WithName("getCalendarAtAddress").WithSummary("The plan in force, for whoever knows its private address.").Produces(200, contentType: CalendarFile.MediaType).ProducesProblems(404)
            .EnteredBy(async (databases, token, cancel) => await CalendarAddressStore.FindAsync(databases.Door, token, cancel) is { } studioId ? databases.Of(studioId) : null);
    }

    private static async Task<IResult> Download(StudioWorks works, WorkPlanStore plans, TimeProvider clock, CancellationToken cancel) =>
        TextDownload.Of(await WriteAsync(works, plans, clock, cancel), CalendarFile.MediaType, "plan.ics");

    private static async Task<IResult> State(CurrentStudio studio, CalendarAddressStore addresses, CancellationToken cancel) =>
        TypedResults.Ok(new AddressState(await addresses.MadeAtAsync(studio.Id, cancel)));

    private static async Task<IResult> Make(CurrentStudio studio, CalendarAddressStore addresses, CancellationToken cancel) =>
        TypedResults.Ok(new Address($"/api/calendars/{await addresses.MakeAsync(studio.Id, cancel)}"));

    private static async Task<IResult> Withdraw(CurrentStudio studio, CalendarAddressStore addresses, CancellationToken cancel)
    {
        await addresses.WithdrawAsync(studio.Id, cancel);
        return TypedResults.NoContent();
    }

    /// <param name="token">The secret part of the address.</param>
    private static async Task<IResult> AtAddress(string token, StudioWorks works, WorkPlanStore plans, TimeProvider clock, CancellationToken cancel) =>
        TypedResults.Text(await WriteAsync(works, plans, clock, cancel), CalendarFile.MediaType);

    private static async Task<string> WriteAsync(StudioWorks works, WorkPlanStore plans, TimeProvider clock, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        var words = CalendarWords.In(work.Studio.Language);
        var kept = await plans.FindAsync(work.Studio.Id, cancel);
        var makers = (kept?.Workshop.Makers ?? []).ToDictionary(maker => maker.Id, maker => maker.Name);
        var parts = (kept?.Plan?.Parts ?? []).Where(part => part.MakerId is not null).Select(part => (Part: part, Operation: work.FindOperation(part.OperationId)))
            .Where(one => one.Operation is not null && !work.DoneOf(one.Operation.CommissionId).Contains(one.Operation.Id)).Select(one => (one.Part, Operation: one.Operation!));
        var days = work.Commissions.Where(commission => commission.IsOpen).SelectMany(commission => new[]
        {
            new CalendarDay($"ready-{commission.Id}", commission.ReadyOn, Said(words.Ready, commission.Details.Name)),
            new CalendarDay($"due-{commission.Id}", commission.Details.DueOn, Said(words.Due, commission.Details.Name)),
        });
        return CalendarFile.Write(Said(words.Plan, work.Studio.Name), parts.GroupBy(one => one.Part.MakerId!.Value).SelectMany(own => Stretches(own, words)).Select(Entry), days, clock.GetUtcNow());

        CalendarEntry Entry(List<(PlannedPart Part, Operation Operation)> stretch)
        {
            var (first, last) = (stretch[0], stretch[^1]);
            var flowers = stretch.SelectMany(one => one.Operation.Lots).Select(lot => work.FlowerName(lot.FlowerId)).OfType<string>().Distinct();
            var who = makers.Count > 1 ? makers.GetValueOrDefault(first.Part.MakerId!.Value, "") + ": " : "";
            return new CalendarEntry(
                $"{Fingerprint.Of(first.Operation.Id)}-{first.Part.Part}", first.Part.From, last.Part.To, $"{who}{KindOf(first.Operation, words)}: {string.Join(", ", flowers)}",
                string.Join('\n', stretch.Where(one => one.Operation.Step is not (MixPot or MakeLetDown)).Select(one => $"{Local(one.Part.From):HH:mm} {KindOf(one.Operation, words)}: {Pieces(one.Operation)}").Distinct()));
        }

        static string Said(string words, string name) => string.Format(System.Globalization.CultureInfo.InvariantCulture, words, name);
        DateTimeOffset Local(DateTimeOffset at) => TimeZoneInfo.ConvertTime(at, TimeZoneInfo.FindSystemTimeZoneById(work.Studio.TimeZone));
        string Pieces(Operation operation) => string.Join(", ", operation.Lots.Select(lot => lot.PieceId is { } piece ? work.Find(piece)?.Piece.Name.ToLowerInvariant() : work.FlowerName(lot.FlowerId)).OfType<string>().Distinct());
    }

    /// <summary>What one pair of hands does of a kind without a pause is one entry: a day of forty lines is no calendar.</summary>
    private static IEnumerable<List<(PlannedPart Part, Operation Operation)>> Stretches(IEnumerable<(PlannedPart Part, Operation Operation)> parts, CalendarWords words)
    {
        var stretch = new List<(PlannedPart Part, Operation Operation)>();
        foreach (var one in parts.OrderBy(one => one.Part.From))
        {
            if (stretch.Count > 0 && (KindOf(one.Operation, words) != KindOf(stretch[^1].Operation, words) || one.Part.From - stretch[^1].Part.To > LongestGap))
            {
                yield return stretch;
                stretch = [];
            }

            stretch.Add(one);
        }

        if (stretch.Count > 0)
            yield return stretch;
    }

    /// <summary>In the words of the bench.</summary>
    private static string KindOf(Operation operation, CalendarWords words) => operation switch
    {
        { Phase: WorkPhase.Paste } => words.Paste,
        { Phase: WorkPhase.Shape } => words.Shape,
        { Coat: ResolvedSteam } => words.Steam,
        { Coat: ResolvedGlaze } => words.Glaze,
        { Coat: ResolvedWash } or { Step: MixPot { Pot.LiquidId: not null } } => words.Paint,
        { Phase: WorkPhase.Colour } or { Coat: not null } => words.Dust,
        { Step: BoxUp } => words.BoxUp,
        _ => words.PutTogether,
    };
}
