using System.Net.Http.Json;

namespace YoungTinge.Testing;

/// <summary>Changes over the version that was seen, as a client makes them.</summary>
public static class Changes
{
    public static Task<HttpResponseMessage> PutOverAsync(this HttpClient http, string path, object body, int version) => http.SendOverAsync(HttpMethod.Put, path, body, version);

    public static Task<HttpResponseMessage> PostOverAsync(this HttpClient http, string path, object body, int version) => http.SendOverAsync(HttpMethod.Post, path, body, version);

    public static Task<HttpResponseMessage> DeleteOverAsync(this HttpClient http, string path, int version) => http.SendOverAsync(HttpMethod.Delete, path, null, version);

    private static Task<HttpResponseMessage> SendOverAsync(this HttpClient http, HttpMethod method, string path, object? body, int version)
    {
        var request = new HttpRequestMessage(method, path) { Content = body is null ? null : body as HttpContent ?? JsonContent.Create(body, body.GetType()) };
        request.Headers.IfMatch.Add(new($"\"{version}\""));
        return http.SendAsync(request);
    }
}
