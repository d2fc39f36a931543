using Microsoft.Extensions.Diagnostics.HealthChecks;
using Npgsql;
using YoungTinge.Store;

namespace YoungTinge.Web.Hosting;

internal sealed class DatabaseCheck(StudioStore studios) : IHealthCheck
{
    public async Task<HealthCheckResult> CheckHealthAsync(HealthCheckContext context, CancellationToken cancellationToken = default)
    {
        try
        {
            return await studios.FindFirstAsync(cancellationToken) is null
                ? HealthCheckResult.Unhealthy("There is no studio yet.")
                : HealthCheckResult.Healthy();
        }
        catch (NpgsqlException e)
        {
            return HealthCheckResult.Unhealthy("The database does not answer.", e);
        }
    }
}
