using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Learning;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Learning;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Logbook;

/// <summary>What one entry of the logbook has taught: its jars and the hand before and after, and what of open commissions comes out otherwise for it.</summary>
public static class WhatItTaught
{
    /// <summary>A smaller change nobody sees.</summary>
    private const double Seen = 0.5;

    /// <summary>What hardly shows is moved by next to nothing, and is not told.</summary>
    private const double LeastTold = 0.005;

    /// <param name="MaterialId">Of a colour for paste, or of a dust.</param>
    /// <param name="TimesBefore">How many times as strong as listed it was thought to be without this entry.</param>
    /// <param name="Range">Of a paste of it; null for a dust.</param>
    public sealed record JarView(string MaterialId, double TimesBefore, double TimesAfter, RangeView? Range, int Readings);

    /// <summary>CIEDE2000 that nine of ten come out within, before this entry and after it.</summary>
    public sealed record RangeView(double Before, double After);

    /// <param name="TimesBefore">How many times as heavily as planned it was thought to lay without this entry.</param>
    public sealed record HandView(HandPart Part, double TimesBefore, double TimesAfter);

    /// <param name="TimesBefore">How many times as much as written one of it was thought to be without this entry.</param>
    public sealed record UnitView(DoseUnitKind Kind, double TimesBefore, double TimesAfter);

    /// <param name="TimesBefore">How many times as long as listed colours were thought to take to come out without this entry.</param>
    public sealed record RestView(double TimesBefore, double TimesAfter);

    /// <param name="Subject">Its paste, or the zone that moves farthest.</param>
    /// <param name="Before">As it was predicted without this entry.</param>
    /// <param name="Wanted">That its plan was made for.</param>
    public sealed record PlanView(Guid FlowerId, string FlowerName, Guid PieceId, string PieceName, LogSubject Subject, ColourView Before, ColourView After, ColourView Wanted, double DeltaE);

    /// <param name="Jars">That it has moved.</param>
    /// <param name="Hand">Parts of it that it has moved.</param>
    /// <param name="Units">Of the maker's own, that it has moved.</param>
    /// <param name="Rest">How colours come out here, if it has moved that; null otherwise.</param>
    /// <param name="Zone">Of the zone that was read; null for a paste.</param>
    /// <param name="Plans">Those that come out visibly otherwise; they stay as they are until the maker plans them again.</param>
    public sealed record Answer(IReadOnlyList<JarView> Jars, IReadOnlyList<HandView> Hand, IReadOnlyList<UnitView> Units, RestView? Rest, RangeView? Zone, IReadOnlyList<PlanView> Plans);

    public static void Map(RouteGroupBuilder api) => api.MapGet("/log-entries/{id:guid}/taught", Handle).WithName("getWhatItTaught").Produces<Answer>().ProducesProblems(404);

    private static async Task<IResult> Handle(Guid id, StudioWorks works, CabinetStore cabinet, LogbookStore logbook, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        var listed = await cabinet.ListedAsync(work.Studio.Id, cancel);
        if (await logbook.FindAsync(work.Studio.Id, id, cancel) is not { } entry)
            return ApiProblem.NotFound();
        var (after, jars, finish) = await cabinet.LoadLearnedAsync(work.Studio.Id, cancel);
        var isPaste = jars.Trust.ContainsKey(id);
        if (entry.Mix is null || !isPaste && !finish.Trust.ContainsKey(id))
            return TypedResults.Ok(new Answer([], [], [], null, null, []));
        var readings = await cabinet.ReadingsAsync(work.Studio.Id, listed, cancel);
        var jarsWithout = isPaste ? readings.Learn([.. readings.UsedPastes.Where(reading => reading.Id != id)], readings.At) : jars;
        var without = readings.LearnFinish(jarsWithout, [.. readings.UsedZones.Where(reading => reading.Id != id)], readings.At);
        var before = without.Taught(listed.With(jarsWithout));
        var open = work.Commissions.Where(commission => commission.IsOpen).SelectMany(commission => work.PiecesIn(commission.Id)).ToList();
        return TypedResults.Ok(isPaste
            ? new Answer([.. entry.Mix.Doses.Select(dose => JarOf(dose, entry.Mix.BaseId)).Where(jar => IsMoved(jar.TimesBefore, jar.TimesAfter))], [], [.. Units()], IsMoved(jarsWithout.TimesOfRest, jars.TimesOfRest) ? new RestView(jarsWithout.TimesOfRest, jars.TimesOfRest) : null, null, [.. open.Select(PasteOf).OfType<PlanView>()])
            : new Answer([.. DustsOf(LogbookReadings.ZoneOf(entry))], [.. HandOf(LogbookReadings.ZoneOf(entry))], [], null, RangeOf(LogbookReadings.ZoneOf(entry)), [.. open.Select(ZoneOf).OfType<PlanView>()]));

        JarView JarOf(LoggedDose dose, string baseId)
        {
            var jar = LearnedCabinet.JarId(dose.ColourantId, dose.Lot);
            JarDose[] alone = [new(jar, dose.GPer100g)];
            return new JarView(
                dose.ColourantId, jarsWithout.Of(jar).Difference.Times, jars.Of(jar).Difference.Times, new(jarsWithout.Predict(baseId, alone).Range, jars.Predict(baseId, alone).Range), jars.Of(jar).Readings);
        }

        IEnumerable<UnitView> Units() => LogbookReadings.DosesOf(entry.Mix).Select(dose => dose.Counted?.Unit).OfType<OwnUnit>().Distinct().Select(unit => new UnitView(unit.Kind, jarsWithout.TimesOf(unit), jars.TimesOf(unit)))
            .Where(unit => IsMoved(unit.TimesBefore, unit.TimesAfter));

        IEnumerable<JarView> DustsOf(FinishedZone zone) => zone.DustsIn(listed).Select(dust => (Dust: dust, Jar: zone.JarOf(dust))).Select(one => new JarView(
                one.Dust, without.Of(one.Jar, one.Dust).Difference.Times, finish.Of(one.Jar, one.Dust).Difference.Times, null, finish.Of(one.Jar, one.Dust).Readings))
            .Where(dust => IsMoved(dust.TimesBefore, dust.TimesAfter));

        IEnumerable<HandView> HandOf(FinishedZone zone) => zone.Parts.Select(part => new HandView(part, without.Hand[(int)part].Times.Times, finish.Hand[(int)part].Times.Times))
            .Where(part => IsMoved(part.TimesBefore, part.TimesAfter));

        RangeView RangeOf(FinishedZone zone) => new(without.Predict(zone).Range, finish.Predict(zone).Range);

        static bool IsMoved(double before, double after) => Math.Abs(after - before) >= LeastTold;

        PlanView? PasteOf(PlannedPiece piece)
        {
            if (!before.HasAllOf(piece.Plan.Paste) || !piece.Plan.Paste.Doses.Any(dose => entry.Mix.Doses.Any(own => own.ColourantId == dose.ColourantId)))
                return null;
            return Moved(piece, LogSubject.Paste, PasteOptics.ColourOf(piece.Plan.Paste, before), PasteOptics.ColourOf(piece.Plan.Paste, after), piece.Plan.PasteTarget);
        }

        PlanView? ZoneOf(PlannedPiece piece)
        {
            if (piece.Plan.Coats.Count == 0 || piece.Plan.Coats.Any(coat => coat.Problems("", before).Any()))
                return null;
            var (was, now) = (BuildUp.Of(piece.Resolve(before), piece.Piece.Shape()), BuildUp.Of(piece.Resolve(after), piece.Piece.Shape()));
            return was.Zip(now).Select(zone => Moved(piece, LogSubjects.Of(zone.First.Zone), zone.First.Finished, zone.Second.Finished, zone.First.Target)).OfType<PlanView>().MaxBy(plan => plan.DeltaE);
        }

        PlanView? Moved(PlannedPiece piece, LogSubject subject, Lab was, Lab now, Lab wanted) => DeltaE2000.Between(was, now) is var moved && moved < Seen ? null : new PlanView(
            piece.FlowerId, work.FlowerName(piece.FlowerId) ?? "", piece.Id, piece.Piece.Name, subject, ColourView.From(was), ColourView.From(now), ColourView.From(wanted), moved);
    }
}
