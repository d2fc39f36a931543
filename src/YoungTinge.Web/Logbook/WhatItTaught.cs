using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Learning;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Logbook;

/// <summary>What one entry of the logbook has taught: its jars before and after, and the pastes of open commissions that come out otherwise for it.</summary>
public static class WhatItTaught
{
    /// <summary>A smaller change nobody sees.</summary>
    private const double Seen = 0.5;

    /// <param name="TimesBefore">How many times as strong as listed it was thought to be without this entry.</param>
    /// <param name="RangeBefore">CIEDE2000 of a middling paste of it, before.</param>
    public sealed record JarView(string ColourantId, double TimesBefore, double TimesAfter, double RangeBefore, double RangeAfter, int Readings);

    /// <param name="Before">The paste of the piece as it was predicted without this entry.</param>
    /// <param name="Wanted">That its plan was made for.</param>
    public sealed record PlanView(Guid FlowerId, string FlowerName, Guid PieceId, string PieceName, ColourView Before, ColourView After, ColourView Wanted, double DeltaE);

    /// <param name="Plans">Those whose paste comes out visibly otherwise; they stay as they are until the maker plans them again.</param>
    public sealed record Answer(IReadOnlyList<JarView> Jars, IReadOnlyList<PlanView> Plans);

    public static void Map(RouteGroupBuilder api) => api.MapGet("/log-entries/{id:guid}/taught", Handle).WithName("getWhatItTaught").Produces<Answer>().ProducesProblems(404);

    private static async Task<IResult> Handle(Guid id, StudioWorks works, CabinetStore cabinet, LogbookStore logbook, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        var listed = await cabinet.ListedAsync(work.Studio.Id, cancel);
        if (await logbook.FindAsync(work.Studio.Id, id, cancel) is not { } entry)
            return ApiProblem.NotFound();
        var (after, jars) = await cabinet.LoadLearnedAsync(work.Studio.Id, cancel);
        if (entry.Mix is null || !jars.Trust.ContainsKey(id))
            return TypedResults.Ok(new Answer([], []));
        var readings = await cabinet.JarReadingsAsync(work.Studio.Id, listed, cancel);
        var without = readings.Learn([.. readings.Used.Where(reading => reading.Id != id)], readings.At);
        var before = listed.With(without);
        return TypedResults.Ok(new Answer(
            [.. entry.Mix.Doses.Select(dose => JarOf(dose, entry.Mix.BaseId))],
            [.. work.Commissions.Where(commission => commission.IsOpen).SelectMany(commission => work.PiecesIn(commission.Id)).Select(PlanOf).OfType<PlanView>()]));

        JarView JarOf(LoggedDose dose, string baseId)
        {
            var jar = LearnedCabinet.JarId(dose.ColourantId, dose.Lot);
            JarDose[] alone = [new(jar, dose.GPer100g)];
            return new JarView(dose.ColourantId, without.Of(jar).Difference.Times, jars.Of(jar).Difference.Times, without.Predict(baseId, alone).Range, jars.Predict(baseId, alone).Range, jars.Of(jar).Readings);
        }

        PlanView? PlanOf(PlannedPiece piece)
        {
            if (!before.HasAllOf(piece.Plan.Paste) || !piece.Plan.Paste.Doses.Any(dose => entry.Mix.Doses.Any(own => own.ColourantId == dose.ColourantId)))
                return null;
            var (was, now, wanted) = (PasteOptics.ColourOf(piece.Plan.Paste, before), PasteOptics.ColourOf(piece.Plan.Paste, after), piece.Plan.PasteTarget);
            return DeltaE2000.Between(was, now) is var moved && moved < Seen ? null : new PlanView(
                piece.FlowerId, work.FlowerName(piece.FlowerId) ?? "", piece.Id, piece.Piece.Name, ColourView.From(was), ColourView.From(now), ColourView.From(wanted),
                moved);
        }
    }
}
