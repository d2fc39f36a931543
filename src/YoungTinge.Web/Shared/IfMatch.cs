using Microsoft.Net.Http.Headers;

namespace YoungTinge.Web.Shared;

/// <summary>The version that a change was made from, and that it made, as <c>If-Match</c> and <c>ETag</c> carry it.</summary>
internal static class IfMatch
{
    /// <returns>Null if it does not say.</returns>
    public static int? VersionOf(HttpRequest request) => int.TryParse(request.Headers.IfMatch.ToString().Trim('"'), out var version) ? version : null;

    public static void Tell(HttpResponse response, int version) => response.Headers.ETag = new EntityTagHeaderValue($"\"{version}\"").ToString();

    public static IResult Missing() => ApiProblem.Result(StatusCodes.Status428PreconditionRequired, ApiProblemCode.VersionMissing);

    public static IResult Changed() => ApiProblem.Result(StatusCodes.Status412PreconditionFailed, ApiProblemCode.ChangedElsewhere);
}
