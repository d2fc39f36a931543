using System.Globalization;
using System.Threading.RateLimiting;
using Microsoft.AspNetCore.RateLimiting;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Hosting;

/// <summary>
/// So many requests in a row, from one person, or from one address before anybody has signed in. Far above what pages and a bench ask; a program that has gone
/// wild is told to wait. Each server counts for itself. Passwords have a slower count of their own, in the database.
/// </summary>
internal static class RequestLimits
{
    private const int PersonBurst = 2000;
    private const int PersonPerSecond = 600;
    private const int StrangerBurst = 300;
    private const int StrangerPerSecond = 20;

    public static void Configure(RateLimiterOptions options)
    {
        options.RejectionStatusCode = StatusCodes.Status429TooManyRequests;
        options.OnRejected = async (rejected, _) =>
        {
            rejected.HttpContext.Response.Headers.RetryAfter = 1.ToString(CultureInfo.InvariantCulture);
            await ApiProblem.Result(StatusCodes.Status429TooManyRequests, ApiProblemCode.TooOften).ExecuteAsync(rejected.HttpContext);
        };
        options.GlobalLimiter = PartitionedRateLimiter.Create<HttpContext, string>(context =>
        {
            if (!context.Request.IsApi())
                return RateLimitPartition.GetNoLimiter("");
            return context.User.PersonId() is { } person
                ? Bucket($"person {person}", PersonBurst, PersonPerSecond)
                : Bucket($"address {context.Connection.RemoteIpAddress}", StrangerBurst, StrangerPerSecond);
        });
    }

    private static RateLimitPartition<string> Bucket(string key, int burst, int perSecond) => RateLimitPartition.GetTokenBucketLimiter(key, _ => new TokenBucketRateLimiterOptions
    {
        TokenLimit = burst,
        TokensPerPeriod = perSecond,
        ReplenishmentPeriod = TimeSpan.FromSeconds(1),
        QueueLimit = 0,
    });
}
