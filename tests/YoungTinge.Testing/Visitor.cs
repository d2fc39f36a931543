using System.Net.Http.Json;

namespace YoungTinge.Testing;

/// <summary>Keeps cookies as a browser does, and sends with each change the word that pages send.</summary>
public sealed class Visitor : DelegatingHandler
{
    private const string Word = "young-tinge-word";

    private readonly Dictionary<string, string> cookies = [];

    public Visitor()
    {
    }

    private Visitor(HttpMessageHandler inner)
        : base(inner)
    {
    }

    /// <summary>A client of a server that runs by itself.</summary>
    public static (HttpClient Http, Visitor Visitor) Of(Uri server, TimeSpan? timeout = null)
    {
        var visitor = new Visitor(new SocketsHttpHandler { UseCookies = false });
        return (new HttpClient(visitor) { BaseAddress = server, Timeout = timeout ?? TimeSpan.FromSeconds(100) }, visitor);
    }

    public IReadOnlyDictionary<string, string> Cookies => cookies;

    /// <summary>Uses a one-time address up.</summary>
    public static async Task UseCodeAsync(HttpClient http, string code, object? newcomer = null) =>
        (await http.PostAsJsonAsync($"/api/door/codes/{code}", newcomer ?? new { name = "", signInName = "", password = "" })).EnsureSuccessStatusCode();

    /// <summary>Somebody else's cookies.</summary>
    public void Take(IReadOnlyDictionary<string, string> others)
    {
        lock (cookies)
        {
            foreach (var (name, value) in others)
                cookies[name] = value;
        }
    }

    protected override async Task<HttpResponseMessage> SendAsync(HttpRequestMessage request, CancellationToken cancellationToken)
    {
        lock (cookies)
        {
            if (cookies.Count > 0)
                request.Headers.TryAddWithoutValidation("Cookie", string.Join("; ", cookies.Select(cookie => $"{cookie.Key}={cookie.Value}")));
            if (request.Method != HttpMethod.Get && cookies.TryGetValue(Word, out var word) && !request.Headers.Contains("X-Anti-Forgery"))
                request.Headers.TryAddWithoutValidation("X-Anti-Forgery", Uri.UnescapeDataString(word));
        }

        var response = await base.SendAsync(request, cancellationToken);
        if (!response.Headers.TryGetValues("Set-Cookie", out var set))
            return response;
        lock (cookies)
        {
            foreach (var parts in set.Select(cookie => cookie.Split(';')[0].Split('=', 2)))
            {
                if (parts[1].Length == 0)
                    cookies.Remove(parts[0]);
                else
                    cookies[parts[0]] = parts[1];
            }
        }

        return response;
    }
}
