using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Work;
using YoungTinge.Store;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.DustDay;

/// <summary>The coats of a commission as a day's work: all pieces with the first colour, then all with the next.</summary>
public static class GetDustDay
{
    /// <summary>One kind of piece in a pass. It is ticked on the piece's own run sheet, step by step.</summary>
    /// <param name="StepKeys">On that run sheet, with what to send with a tick.</param>
    /// <param name="IsDone">All of them are ticked as they stand now.</param>
    /// <param name="IsOutOfReach">The flower is assembled, and a brush hardly comes there.</param>
    public sealed record UseView(
        Guid PieceId, Guid FlowerId, string FlowerName, string PieceName, int Pieces, double Minutes, LoadWord? Load, Place? Place, Sides? Sides, int? Seconds, int? Coats,
        Marking? Marking, IReadOnlyDictionary<string, string> StepKeys, bool IsDone, bool IsOutOfReach);

    /// <param name="Pot">Colour of the mix; null for what has none.</param>
    public sealed record PassView(CoatPass Pass, ColourView? Pot, IReadOnlyList<UseView> Uses);

    public sealed record Answer(CommissionView Commission, IReadOnlyList<PassView> Passes, double Minutes, int BrushChanges);

    public static void Map(RouteGroupBuilder api) => api.MapGet("/commissions/{id:guid}/dust-day", Handle)
        .KeepsAnswer().WithName("getDustDay").Produces<Answer>().ProducesProblems(404);

    private static async Task<IResult> Handle(
        Guid id, QueryWord<Dusting>? dusting, StudioWorks works, RunSheetStore ticks, TimeProvider clock, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        if (work.FindCommission(id) is not { } commission)
            return ApiProblem.NotFound();
        var materials = work.Materials;
        var names = work.Flowers.Where(flower => flower.CommissionId == id).ToDictionary(flower => flower.Id, flower => flower.Name);
        var planned = work.Pieces.Where(piece => names.ContainsKey(piece.FlowerId) && piece.Parts > 0).ToDictionary(piece => piece.Id);
        var done = await ticks.ListAllAsync([.. planned.Keys], cancel);
        var steps = planned.Values.ToDictionary(piece => piece.Id, piece => RunSheet.For(piece.Plan, piece.Piece, piece.Parts, materials));
        var day = DustDayPlan.Of([.. planned.Values.Select(piece => piece.Work)], materials, (dusting ?? default).Value);
        return TypedResults.Ok(new Answer(
            CommissionView.From(commission, work.Studio, clock.GetUtcNow()),
            [.. day.Passes.Select(pass => new PassView(pass, Pot(pass), [.. pass.Uses.Select(use => View(use, planned[use.PieceId]))]))],
            day.Minutes, day.BrushChanges));

        UseView View(PassUse use, PlannedPiece piece)
        {
            var coat = piece.Plan.Coats.First(one => one.Id == use.CoatId);
            var keys = steps[piece.Id].Where(step => step.Key.StartsWith($"{coat.Id}:", StringComparison.Ordinal)).ToDictionary(step => step.Key, Fingerprint.Of);
            return new UseView(
                piece.Id, piece.FlowerId, names[piece.FlowerId], piece.Piece.Name, use.Pieces, use.Minutes,
                coat is DustCoat dust ? DustLoad.Nearest(dust.LoadMgPerCm2).Word : null, (coat as IPlacedCoat)?.Place, (coat as IPlacedCoat)?.Sides ?? (coat as GlazeCoat)?.Sides,
                (coat as SteamCoat)?.Seconds, (coat as GlazeCoat)?.Coats, (coat as WashCoat)?.Marking, keys,
                keys.All(key => done[piece.Id].Any(tick => tick.StepKey == key.Key && tick.Fingerprint == key.Value)), use.IsOutOfReach);
        }

        ColourView? Pot(CoatPass pass)
        {
            var use = pass.Uses[0];
            return ColourView.OfPot(planned[use.PieceId].Plan.Coats.First(coat => coat.Id == use.CoatId).Resolve(materials));
        }
    }
}
