using System.Globalization;
using System.Reflection;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.Net.Http.Headers;

namespace YoungTinge.Web.Shared;

/// <summary>What a change came to.</summary>
/// <param name="Version">Of what was changed, to be sent with the next change.</param>
public sealed record NewVersion(int Version);

/// <summary>The version that a change was made from, as <c>If-Match</c> carries it. A change is only made over that one.</summary>
/// <param name="Version">As it came with what is changed; 0 for what was never kept.</param>
public sealed record MadeFrom(int Version) : IEndpointParameterMetadataProvider
{
    /// <exception cref="BadHttpRequestException">The request does not say, or says no number.</exception>
    public static ValueTask<MadeFrom?> BindAsync(HttpContext context) =>
        int.TryParse(context.Request.Headers.IfMatch.ToString().Trim('"'), NumberStyles.None, CultureInfo.InvariantCulture, out var version)
            ? ValueTask.FromResult<MadeFrom?>(new MadeFrom(version))
            : throw new BadHttpRequestException("No version.", StatusCodes.Status428PreconditionRequired);

    /// <summary>Whoever asks for it may answer that it is missing, or no longer the newest.</summary>
    public static void PopulateMetadata(ParameterInfo parameter, EndpointBuilder builder)
    {
        foreach (var status in new[] { StatusCodes.Status412PreconditionFailed, StatusCodes.Status428PreconditionRequired })
            builder.Metadata.Add(new ProducesResponseTypeMetadata(status, typeof(ApiProblem), ["application/problem+json"]));
    }

    /// <summary>The answer to a change that was made.</summary>
    public static Ok<NewVersion> Saved(HttpResponse response, int version)
    {
        Tell(response, version);
        return TypedResults.Ok(new NewVersion(version));
    }

    /// <summary>Tells the version that there is now, to be sent with the next change.</summary>
    public static void Tell(HttpResponse response, int version) => response.Headers.ETag = new EntityTagHeaderValue($"\"{version}\"").ToString();
}
