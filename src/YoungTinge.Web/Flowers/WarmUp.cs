using System.Text.Json;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Advice;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Store;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Flowers;

/// <summary>
/// Looks at a piece of the library with a coat of each kind as soon as the server runs: code is compiled when it is first used, and a
/// maker's first edit should not wait for that.
/// </summary>
internal sealed class WarmUp(Workers workers, IOptions<JsonOptions> json) : BackgroundService
{
    /// <summary>Until what is used most has been compiled well too.</summary>
    private const int Looks = 4;

    protected override Task ExecuteAsync(CancellationToken stoppingToken) => Task.Factory.StartNew(() => Look(stoppingToken), stoppingToken, TaskCreationOptions.None, workers.Answers);

    private void Look(CancellationToken stopping)
    {
        var materials = StarterCabinet.Load();
        Coat[] coats = [.. Beginnings.CoatsOf(materials).Values.DistinctBy(coat => coat.GetType()).Append(new SteamCoat(Guid.Empty, SteamCoat.UsualSeconds))
            .Select(coat => coat with { Id = Guid.NewGuid() })];
        var plan = NewPlan.For(null, materials)! with { Coats = coats };
        var planned = new PlannedPiece(Guid.Empty, Guid.Empty, FlowerLibrary.All[0].Pieces[0].Piece, 1, plan, 1, Guests.Any);
        for (var look = 0; look < Looks && !stopping.IsCancellationRequested; look++)
        {
            var read = JsonSerializer.Deserialize<PiecePlan>(JsonSerializer.SerializeToUtf8Bytes(plan, json.Value.SerializerOptions), json.Value.SerializerOptions)!;
            _ = PlanCheck.Problems(read, materials).Count();
            JsonSerializer.SerializeToUtf8Bytes(PreviewPlan.Compute(planned with { Plan = read }, _ => null, Illuminant.D65, int.MaxValue, materials), json.Value.SerializerOptions);
        }
    }
}
