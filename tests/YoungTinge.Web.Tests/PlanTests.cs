using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using YoungTinge.Testing;

namespace YoungTinge.Web.Tests;

/// <summary>The work in time, as a client asks for it: planned, put in force, and never written over in silence.</summary>
public sealed class PlanTests(DemoApplication application) : ApiTest(application)
{
    private static JsonObject Asked(JsonNode makers, params string[] commissions) => new() { ["makers"] = makers.DeepClone(), ["commissionIds"] = new JsonArray([.. commissions.Select(id => (JsonNode)id)]) };

    [Fact]
    public async Task A_plan_is_found_put_in_force_and_read_again()
    {
        var kept = await GetAsync("/api/plan");
        var small = (await GetAsync("/api/commissions"))["commissions"]!.AsArray().Last(entry => (bool)entry!["commission"]!["isOpen"]!)!["commission"]!["id"]!.ToString();
        var found = await PostAsync("/api/plan/proposals", Asked(kept["makers"]!, small));
        Assert.Equal(0, (int)found["lateMinutes"]!);
        Assert.Equal(small, found["commissions"]!.AsArray().Single()!["commission"]!["id"]!.ToString());
        var parts = found["plan"]!["parts"]!.AsArray();
        var operations = found["operations"]!.AsArray().Select(one => (string)one!["id"]!).ToHashSet();
        Assert.All(parts, part => Assert.Contains((string)part!["operationId"]!, operations));
        // All that is on its run sheet has a time.
        var sheet = await GetAsync($"/api/commissions/{small}/run-sheet");
        var planned = parts.Select(part => (string)part!["operationId"]!).ToHashSet();
        Assert.Subset(planned, sheet["operations"]!.AsArray().Where(one => (string?)one!["tickedAt"] is null).Select(one => (string)one!["id"]!).ToHashSet());

        JsonObject Change() => new() { ["makers"] = kept["makers"]!.DeepClone(), ["plan"] = found["plan"]!.DeepClone(), ["dryingPieces"] = 30 };
        var version = (int)kept["version"]!;
        Assert.Equal(HttpStatusCode.OK, (await Http.PutOverAsync("/api/plan", Change(), version)).StatusCode);
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await Http.PutOverAsync("/api/plan", Change(), version)).StatusCode);
        var now = await GetAsync("/api/plan");
        Assert.Equal(found["plan"]!.ToJsonString(), now["plan"]!.ToJsonString());
        Assert.Equal(30, (int)now["dryingPieces"]!);
        var without = Change();
        without["dryingPieces"] = 0;
        Assert.Equal(["dryingPieces roomOutOfRange"], await ProblemsOf(await Http.PutOverAsync("/api/plan", without, version + 1)));
        // Each sheet says when, and until when what was laid out rests.
        var times = (await GetAsync($"/api/commissions/{small}/run-sheet"))["times"]!.AsObject();
        Assert.Equal(planned.Order(), times.Where(time => time.Value!["from"] is not null).Select(time => time.Key).Order());
        foreach (var own in parts.GroupBy(part => (string)part!["operationId"]!))
        {
            Assert.Equal((string)own.First()!["from"]!, (string)times[own.Key]!["from"]!);
            Assert.Equal(own.Max(part => (DateTimeOffset)part!["to"]!), (DateTimeOffset)times[own.Key]!["to"]!);
        }

        Assert.Contains(times, time => time.Value!["restsUntil"] is { } until && (DateTimeOffset)until > (DateTimeOffset)time.Value!["to"]!);
        // And every other sheet says the same.
        var pastes = (await GetAsync($"/api/paste-day?commissionId={small}"))["times"]!.AsObject();
        Assert.NotEmpty(pastes);
        Assert.All(pastes, paste => Assert.Equal(times[paste.Key]!.ToJsonString(), paste.Value!.ToJsonString()));
        var uses = (await GetAsync($"/api/commissions/{small}/dust-day"))["passes"]!.AsArray().SelectMany(pass => pass!["uses"]!.AsArray()).ToList();
        Assert.NotEmpty(uses);
        Assert.All(uses, use => Assert.Equal(use!["operations"]!.AsArray().Min(one => (DateTimeOffset)times[(string)one!["id"]!]!["from"]!), (DateTimeOffset)use["time"]!["from"]!));
        // The other commissions are in no plan.
        Assert.True((bool)now["isOld"]!);
    }

    [Fact]
    public async Task The_last_day_to_begin_is_that_of_the_plan_on_every_commission()
    {
        var kept = await GetAsync("/api/plan");
        var zone = TimeZoneInfo.FindSystemTimeZoneById((string)kept["timeZone"]!);
        var planned = (await PostAsync("/api/plan/proposals", Asked(kept["makers"]!)))["commissions"]!.AsArray();
        Assert.Contains(planned, one => one!["lastBeginAt"] is not null);
        foreach (var one in planned)
        {
            var said = await GetAsync($"/api/commissions/{one!["commission"]!["id"]}/last-begin");
            var day = one["lastBeginAt"] is { } at ? DateOnly.FromDateTime(TimeZoneInfo.ConvertTime((DateTimeOffset)at, zone).DateTime) : (DateOnly?)null;
            Assert.Equal(day?.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture), (string?)said["on"]);
            Assert.Equal(day is not null ? "byThen" : one["endsAt"] is null ? "nothingToDo" : "tooLate", (string)said["verdict"]!);
        }
    }

    [Fact]
    public async Task What_is_set_stays_and_pins_that_cannot_be_are_told()
    {
        var kept = await GetAsync("/api/plan");
        var small = (await GetAsync("/api/commissions"))["commissions"]!.AsArray().Last(entry => (bool)entry!["commission"]!["isOpen"]!)!["commission"]!["id"]!.ToString();
        var operation = (await GetAsync($"/api/commissions/{small}/run-sheet"))["operations"]!.AsArray().First(one => (string)one!["step"]!["kind"]! == "shapePieces")!["id"]!.ToString();
        JsonObject With(params JsonNode[] pins)
        {
            var asked = Asked(kept["makers"]!, small);
            asked["pins"] = new JsonArray(pins);
            return asked;
        }

        JsonObject Pin(string? at, string? day) => new() { ["operationId"] = operation, ["at"] = at, ["day"] = day };
        var zone = TimeZoneInfo.FindSystemTimeZoneById((string)kept["timeZone"]!);
        var day = DateOnly.FromDateTime(DateTime.UtcNow).AddDays(3);
        while (day.DayOfWeek is DayOfWeek.Saturday or DayOfWeek.Sunday)
            day = day.AddDays(1);
        var found = await PostAsync("/api/plan/proposals", With(Pin(null, $"{day:yyyy-MM-dd}")));
        var from = found["plan"]!["parts"]!.AsArray().Where(part => (string)part!["operationId"]! == operation).Min(part => DateTimeOffset.Parse((string)part!["from"]!));
        Assert.Equal(day, DateOnly.FromDateTime(TimeZoneInfo.ConvertTime(from, zone).DateTime));
        Assert.Equal(operation, (string)found["plan"]!["pins"]![0]!["operationId"]!);

        Assert.Equal("pinnedOutsideHours", (string)(await PostAsync("/api/plan/proposals", With(Pin("2020-01-01T03:00:00Z", null))))["obstacles"]![0]!["obstacle"]!);
        Assert.Equal(["pins[0] notAPlan"], await ProblemsOf(await Http.PostAsJsonAsync("/api/plan/proposals", With(Pin(null, null)))));
        Assert.Equal(["pins notAPlan"], await ProblemsOf(await Http.PostAsJsonAsync("/api/plan/proposals", With(Pin(null, "2030-01-01"), Pin(null, "2030-01-02")))));
    }

    [Fact]
    public async Task A_calendar_shows_the_plan_at_an_address_that_can_be_taken_away()
    {
        var kept = await GetAsync("/api/plan");
        var open = (await GetAsync("/api/commissions"))["commissions"]!.AsArray().Select(entry => entry!["commission"]!).Where(commission => (bool)commission["isOpen"]!).ToList();
        var found = await PostAsync("/api/plan/proposals", Asked(kept["makers"]!, open[^1]["id"]!.ToString()));
        await Http.PutOverAsync("/api/plan", new JsonObject { ["makers"] = kept["makers"]!.DeepClone(), ["plan"] = found["plan"]!.DeepClone() }, (int)kept["version"]!);

        var calendar = Ical.Net.Calendar.Load(await Http.GetStringAsync("/api/plan/calendar.ics"))!;
        var timed = calendar.Events.Where(one => one.Start!.HasTime).ToList();
        var parts = found["plan"]!["parts"]!.AsArray().Where(part => part!["makerId"] is not null).ToList();
        Assert.Equal(parts.Min(part => DateTimeOffset.Parse((string)part!["from"]!).UtcDateTime), timed.Min(one => one.Start!.AsUtc));
        Assert.Equal(parts.Max(part => DateTimeOffset.Parse((string)part!["to"]!).UtcDateTime), timed.Max(one => one.End!.AsUtc));
        Assert.InRange(timed.Count, 1, parts.Count);
        Assert.Equal(2 * open.Count, calendar.Events.Count(one => !one.Start!.HasTime));
        Assert.Equal(calendar.Events.Count, calendar.Events.Select(one => one.Uid).Distinct().Count());

        var first = (string)(await PostAsync("/api/plan/calendar-address", new JsonObject()))["path"]!;
        Assert.StartsWith("BEGIN:VCALENDAR", await Http.GetStringAsync(first));
        var second = (string)(await PostAsync("/api/plan/calendar-address", new JsonObject()))["path"]!;
        Assert.Equal(HttpStatusCode.NotFound, (await Http.GetAsync(first)).StatusCode);
        Assert.NotNull((await GetAsync("/api/plan/calendar-address"))["madeAt"]);
        Assert.Equal(HttpStatusCode.NoContent, (await Http.DeleteAsync("/api/plan/calendar-address")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await Http.GetAsync(second)).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await Http.GetAsync("/api/calendars/guess")).StatusCode);
    }

    [Fact]
    public async Task Hours_that_cannot_be_are_told_at_their_field()
    {
        var makers = (await GetAsync("/api/plan"))["makers"]!.AsArray();
        async Task<IReadOnlyList<string>> Problems(Action<JsonObject> spoil)
        {
            var spoilt = makers.DeepClone().AsArray();
            spoil(spoilt[0]!.AsObject());
            return await ProblemsOf(await Http.PostAsJsonAsync("/api/plan/proposals", Asked(spoilt)));
        }

        Assert.Equal(["makers[0].name nameMissing"], await Problems(maker => maker["name"] = " "));
        Assert.Equal(["makers[0].hours[0].to endsBeforeItBegins"], await Problems(maker => maker["hours"]![0]!["to"] = "08:00:00"));
        Assert.Equal(["makers nobodyWorks"], await ProblemsOf(await Http.PostAsJsonAsync("/api/plan/proposals", Asked(new JsonArray()))));
        var idle = makers.DeepClone().AsArray();
        idle[0]!["hours"] = new JsonArray();
        var none = await PostAsync("/api/plan/proposals", Asked(idle));
        Assert.Null(none["plan"]);
        Assert.Equal("noHours", (string)none["obstacles"]![0]!["obstacle"]!);
    }
}
