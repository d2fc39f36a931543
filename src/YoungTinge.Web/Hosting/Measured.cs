using Npgsql;
using OpenTelemetry;
using OpenTelemetry.Metrics;
using OpenTelemetry.Resources;
using OpenTelemetry.Trace;

namespace YoungTinge.Web.Hosting;

/// <summary>
/// Tells an OpenTelemetry collector how requests, the database and the runtime fare, if a setting names one: the usual
/// <c>OTEL_EXPORTER_OTLP_ENDPOINT</c>. Nothing is measured or sent without it.
/// </summary>
internal static class Measured
{
    private const string Endpoint = "OTEL_EXPORTER_OTLP_ENDPOINT";

    public static void Add(WebApplicationBuilder builder)
    {
        if (string.IsNullOrEmpty(builder.Configuration[Endpoint]))
            return;
        builder.Services.AddOpenTelemetry()
            .ConfigureResource(resource => resource.AddService("young-tinge"))
            .WithTracing(tracing => tracing.AddAspNetCoreInstrumentation().AddNpgsql())
            .WithMetrics(metrics => metrics.AddAspNetCoreInstrumentation().AddMeter("System.Runtime", "Npgsql"))
            .UseOtlpExporter();
    }
}
