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

        JsonObject Change() => new() { ["makers"] = kept["makers"]!.DeepClone(), ["plan"] = found["plan"]!.DeepClone() };
        var version = (int)kept["version"]!;
        Assert.Equal(HttpStatusCode.OK, (await Http.PutOverAsync("/api/plan", Change(), version)).StatusCode);
        Assert.Equal(HttpStatusCode.PreconditionFailed, (await Http.PutOverAsync("/api/plan", Change(), version)).StatusCode);
        var now = await GetAsync("/api/plan");
        Assert.Equal(found["plan"]!.ToJsonString(), now["plan"]!.ToJsonString());
        // The other commissions are in no plan.
        Assert.True((bool)now["isOld"]!);
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
