using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using YoungTinge.Store;
using YoungTinge.Store.People;
using YoungTinge.Testing;

namespace YoungTinge.Web.Tests;

/// <summary>Every endpoint, asked by everybody: the list is the API's own, so that a new one is asked too.</summary>
public sealed class AccessTests(DemoApplication application) : ApiTest(application)
{
    private static readonly string[] Levels = ["anyone", "helper", "maker", "owner"];

    private static string Least(ApiOperation operation) => (string)operation.Description["x-least-role"]!;

    private static HttpRequestMessage Ask(ApiOperation operation)
    {
        // Whoever may ask is answered that there is no such thing, or that the body is none: nothing is changed by asking.
        var path = string.Join('/', operation.Path.Split('/').Select(part => part switch
        {
            "{state}" => "99",
            "{exercise}" => "warmer",
            _ => part.StartsWith('{') ? "3fa85f64-5717-4562-b3fc-2c963f66afa6" : part,
        }));
        return new HttpRequestMessage(new HttpMethod(operation.Method), path) { Content = operation.Method == "GET" ? null : new StringContent("[", System.Text.Encoding.UTF8, "application/json") };
    }

    /// <summary>Those that need nothing more to do what they do.</summary>
    private static bool ChangesAtOnce(ApiOperation operation) => operation.Method != "GET" && operation.Description["requestBody"] is null;

    [Fact]
    public async Task Everybody_is_let_to_what_the_table_of_roles_says_and_to_nothing_else()
    {
        using var stranger = Stranger();
        using var helper = await ClientAsync(Role.Helper);
        using var maker = await ClientAsync(Role.Maker);
        HttpClient[] asking = [stranger, helper, maker, Http];
        var wrong = new List<string>();
        foreach (var operation in ApiDocument.Operations)
        {
            var least = Array.IndexOf(Levels, Least(operation));
            Assert.True(least >= 0, operation.Path);
            foreach (var (level, http) in asking.Index())
            {
                if (level >= least && ChangesAtOnce(operation))
                    continue;
                var status = (await http.SendAsync(Ask(operation))).StatusCode;
                var isRight = level >= least ? status is not (HttpStatusCode.Unauthorized or HttpStatusCode.Forbidden) && (int)status < 500
                    : status == (level == 0 ? HttpStatusCode.Unauthorized : HttpStatusCode.Forbidden);
                if (!isRight)
                    wrong.Add($"{Levels[level]} {operation.Method} {operation.Path}: {(int)status}");
            }
        }

        Assert.Equal([], wrong);
    }

    [Fact]
    public async Task Another_studio_sees_nothing_of_this_one_and_changes_nothing_in_it()
    {
        var ids = await StudioIds.ReadAsync(Http);
        var before = await Demo.DataSource.CountsAsync();
        using var theirs = await OtherStudioAsync();
        var leaks = new List<string>();
        foreach (var operation in ApiDocument.Operations.Where(operation => operation.Path.Contains('{', StringComparison.Ordinal) && Least(operation) != "anyone"))
        {
            foreach (var id in new[] { ids.Commissions[0], ids.Flowers[0], ids.Pieces[0], ids.Materials[0], ids.Batches[0], ids.LogEntries[0] })
            {
                var path = string.Join('/', operation.Path.Split('/').Select(part => part is "{state}" or "{exercise}" ? "1" : part.StartsWith('{') ? id : part));
                var request = new HttpRequestMessage(new HttpMethod(operation.Method), path) { Content = operation.Method == "GET" ? null : JsonContent.Create(new { }) };
                request.Headers.IfMatch.Add(new("\"1\""));
                var answer = await theirs.SendAsync(request);
                if ((int)answer.StatusCode is >= 200 and < 300 && !IsOwn(operation))
                    leaks.Add($"{operation.Method} {path}: {(int)answer.StatusCode} {await answer.Content.ReadAsStringAsync()}");
                Assert.True((int)answer.StatusCode < 500, $"{operation.Method} {path}");
            }
        }

        Assert.True(leaks.Count == 0, string.Join('\n', leaks));
        Assert.Equal(before, await Demo.DataSource.CountsAsync());
        Assert.Empty((await theirs.GetFromJsonAsync<JsonNode>("/api/commissions"))!["commissions"]!.AsArray());
    }

    /// <summary>What stands at an address that anybody may make up, in whose studio it is asked; pictures of a flower that is not there are none.</summary>
    private static bool IsOwn(ApiOperation operation) => operation.Path is "/api/flowers/{flowerId}/pictures" or "/api/dab-pictures/{id}" or "/api/paste-day/{block}/leftover" or "/api/practice/{exercise}/question"
        || operation.Path.StartsWith("/api/commissions/{id}/guest-address", StringComparison.Ordinal);

    [Theory]
    [InlineData("select count(*) from commission")]
    [InlineData("select count(*) from live_piece")]
    [InlineData("select count(*) from person")]
    [InlineData("select count(*) from session")]
    [InlineData("select count(*) from picture_file")]
    public async Task The_database_shows_another_studio_nothing_whatever_is_asked(string sql)
    {
        await OtherStudioAsync();
        var other = (await new StudioStore(Demo.Databases.Door).ListAsync(CancellationToken.None)).Single(studio => !studio.IsDemo);
        await using var mine = Demo.Databases.Of(other.Id).DataSource.CreateCommand(sql);
        await using var all = Demo.Owner.CreateCommand(sql);
        var (seen, there) = ((long)(await mine.ExecuteScalarAsync())!, (long)(await all.ExecuteScalarAsync())!);
        Assert.True(seen <= (sql.Contains("person", StringComparison.Ordinal) || sql.Contains("session", StringComparison.Ordinal) ? 1 : 0) && seen <= there);
        // Nor may it write there.
        await using var write = Demo.Databases.Of(other.Id).DataSource.CreateCommand($"insert into audit_entry (studio_id, id, person_name, action) values ('{Demo.StudioId}', gen_random_uuid(), 'x', 'x')");
        await Assert.ThrowsAsync<Npgsql.PostgresException>(() => write.ExecuteNonQueryAsync());
    }

    [Fact]
    public async Task Every_change_carries_the_word_of_its_page()
    {
        using var other = Stranger();
        await Demo.SignInAsync(other);
        var request = new HttpRequestMessage(HttpMethod.Post, "/api/people/invitations") { Content = JsonContent.Create(new { role = "owner" }) };
        request.Headers.Add("X-Anti-Forgery", "something else");
        var refused = await other.SendAsync(request);
        Assert.Equal((HttpStatusCode.Forbidden, "oldPage"), (refused.StatusCode, (string)(await refused.Content.ReadFromJsonAsync<JsonNode>())!["code"]!));
    }

    [Fact]
    public void The_table_of_roles_in_the_documents_is_the_one_that_is_enforced()
    {
        var table = string.Join('\n', ApiDocument.Operations
            .Select(operation => $"| {operation.Method} | `{operation.Path}` | {Least(operation)} | {operation.Description["summary"]} |"));
        var file = Path.Combine(Repository.Folder, "docs", "roles.md");
        var text = File.ReadAllText(file);
        var head = text[..text.IndexOf("| GET |", StringComparison.Ordinal)];
        if (!text.EndsWith(table + "\n", StringComparison.Ordinal))
            File.WriteAllText(file, $"{head}{table}\n");
        Assert.True(text.EndsWith(table + "\n", StringComparison.Ordinal), "docs/roles.md was not that of the API. It is now: look and commit it.");
    }

    private async Task<HttpClient> OtherStudioAsync()
    {
        var http = Stranger();
        (await http.PostAsJsonAsync("/api/door/studios", new
        {
            name = "Quay Room",
            maker = "Ida Marsh",
            measures = "metric",
            scaleG = 0.1,
            currency = "NOK",
            language = "en",
            timeZone = "Europe/Oslo",
            signInName = "ida",
            password = "paper boats at noon",
            with = "emptyCabinet",
        })).EnsureSuccessStatusCode();
        return http;
    }
}

internal static class Counting
{
    /// <summary>How many rows of each kind a studio has.</summary>
    public static async Task<string> CountsAsync(this Npgsql.NpgsqlDataSource database)
    {
        await using var command = database.CreateCommand("""
            select (select count(*) from live_commission) || ' ' || (select count(*) from live_flower) || ' ' || (select count(*) from live_piece) || ' ' || (select count(*) from material) || ' ' || (select count(*) from batch)
                || ' ' || (select count(*) from log_entry) || ' ' || (select count(*) from paste_plan) || ' ' || (select sum(version) from piece)
            """);
        return (string)(await command.ExecuteScalarAsync())!;
    }
}
