using YoungTinge.Core.Cabinet;
using YoungTinge.Core.CoatPlanning;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Store;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Flowers;

/// <summary>Several pieces of a commission planned together, from as few pastes and pots as do. Keeps nothing.</summary>
public static class ProposeTogether
{
    /// <param name="PieceIds">Pieces of the commission to plan.</param>
    /// <param name="Approach">Of all of them; marbled is no way for many.</param>
    /// <param name="Only">The only jars of their kinds that may be used, by id; of a kind that none is named of, any may.</param>
    /// <param name="KeepPastes">Every piece keeps its paste.</param>
    public sealed record Request(IReadOnlyList<Guid> PieceIds, Approach Approach, IReadOnlyList<string> Only, bool KeepPastes);

    /// <param name="PieceIds">Shaped from it.</param>
    public sealed record PasteRowView(PasteRecipe Recipe, ColourView Colour, IReadOnlyList<Guid> PieceIds);

    /// <param name="PieceId">The piece that is coated.</param>
    /// <param name="CoatIds">Its coats that are laid from the pot.</param>
    public sealed record UseView(Guid PieceId, IReadOnlyList<Guid> CoatIds);

    /// <param name="MaterialIds">What is in it.</param>
    public sealed record PotRowView(PassKind Kind, IReadOnlyList<string> MaterialIds, ColourView Colour, IReadOnlyList<UseView> Uses);

    /// <param name="Changes">What would become of each piece.</param>
    /// <param name="NoWay">Pieces that there is no way for with what may be used.</param>
    /// <param name="Pastes">What is mixed, and for which pieces.</param>
    /// <param name="Pots">What is dusted or painted from, and for which pieces.</param>
    /// <param name="PastesBefore">How many pastes the same pieces are shaped from now.</param>
    /// <param name="PotsBefore">How many pots they take now.</param>
    /// <param name="ReachedDeltaE">Within this a zone counts as reached.</param>
    public sealed record Answer(
        IReadOnlyList<PieceChanges.Change> Changes, IReadOnlyList<Guid> NoWay, IReadOnlyList<PasteRowView> Pastes, IReadOnlyList<PotRowView> Pots, int PastesBefore, int PotsBefore, double ReachedDeltaE);

    public static void Map(RouteGroupBuilder api) => api.MapPost("/commissions/{id:guid}/proposals", Handle)
        .Computes().ForMaker().WithName("proposeTogether").WithSummary("Plans several pieces of a commission together. Keeps nothing.").Produces<Answer>().ProducesProblems(404, 422);

    private static async Task<IResult> Handle(Guid id, Request request, StudioWorks works, CabinetStore cabinet, HttpContext context, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        if (work.FindCommission(id) is null)
            return ApiProblem.NotFound();
        if (Problems(request, id, work) is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        var chosen = PieceChanges.Chosen(id, request.PieceIds, work)!;
        var inUse = ProposePlans.OpenBeside(id, request.PieceIds, work);
        var (learned, dusts) = await cabinet.LearnedAsync(work.Studio.Id, cancel);
        var planner = new JointPlanner(
            [.. chosen.Select(piece => new PieceToPlan(
                piece.Id, piece.Plan, piece.Piece, piece.Parts, piece.Source, piece.Standing, request.KeepPastes || piece.IsPasteSettled,
                new PlannerRules(piece.Guests) { InUse = inUse, Only = JarsOf(request.Only, work.Materials), Learned = learned, LearnedDusts = dusts }))],
            work.Materials, Guid.CreateVersion7);
        return await LongWork.RunAsync(context, (progress, stop) =>
        {
            var found = planner.Propose(request.Approach, stop, progress);
            return View([.. chosen.Where(piece => found.ContainsKey(piece.Id)).Select(piece => (piece, found[piece.Id].Plan))], [.. chosen.Select(piece => piece.Id).Where(one => !found.ContainsKey(one))], work);
        });
    }

    /// <summary>Null for any.</summary>
    private static HashSet<string>? JarsOf(IReadOnlyList<string> only, Materials materials)
    {
        var kinds = only.Select(id => MaterialKinds.Of(materials.Get<Material>(id))).ToHashSet();
        return only.Count == 0 ? null : [.. only, .. materials.All.Where(jar => !kinds.Contains(MaterialKinds.Of(jar))).Select(jar => jar.Id)];
    }

    private static List<FieldProblem> Problems(Request request, Guid commissionId, StudioWork work)
    {
        var problems = new List<FieldProblem>();
        if (PieceChanges.Chosen(commissionId, request.PieceIds, work) is null)
            problems.Add(new FieldProblem("pieceIds", request.PieceIds.Count == 0 ? "nothingChosen" : "unknownPiece", null, null));
        if (request.Approach == Approach.Marbled)
            problems.Add(new FieldProblem("approach", "notTogether", null, null));
        if (request.Only.FirstOrDefault(jar => work.Materials.Find(jar) is null) is { } unknown)
            problems.Add(new FieldProblem("only", "unknownMaterial", null, unknown));
        return problems;
    }

    private static Answer View(IReadOnlyList<(PlannedPiece Piece, PiecePlan Plan)> planned, IReadOnlyList<Guid> noWay, StudioWork work)
    {
        var now = PotTable.Of([.. planned.Select(one => (one.Piece.Id, one.Piece.Resolve(work.Materials)))]);
        var then = PotTable.Of([.. planned.Select(one => (one.Piece.Id, work.With(one.Piece, one.Plan).Resolve(work.Materials)))]);
        return new Answer(
            [.. planned.Select(one => PieceChanges.Of(one.Piece, one.Plan, work))], noWay,
            [.. then.Pastes.Select(row => new PasteRowView(row.Recipe, ColourView.From(row.Colour), row.Pieces))],
            [.. then.Pots.Select(row => new PotRowView(
                row.Kind, row.MaterialIds, ColourView.From(row.Colour), [.. row.Uses.GroupBy(use => use.PieceId).Select(group => new UseView(group.Key, [.. group.Select(use => use.Coat.Id)]))]))],
            now.Pastes.Count, now.Pots.Count, CoatPlanner.ReachedDeltaE);
    }
}
