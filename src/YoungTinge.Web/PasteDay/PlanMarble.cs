using System.Text.Json;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Marble;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Numerics;
using YoungTinge.Core.Work;
using YoungTinge.Store;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.PasteDay;

/// <summary>A marbled batch for a flower: as it was kept or as a beginning, its sheet and pieces, what each fold makes of it, and keeping it.</summary>
public static class PlanMarble
{
    /// <param name="Version">0 while it was never kept.</param>
    /// <param name="Uses">All pieces of the commission.</param>
    public sealed record Answer(string FlowerName, CommissionView Commission, MarblePlan Plan, int Version, IReadOnlyList<PasteUseView> Uses);

    public sealed record SaveRequest(MarblePlan Plan);

    /// <param name="Grams">To make of this paste.</param>
    public sealed record StripeView(ColourView Colour, double Grams, BatchView Batch);

    /// <param name="SheetWidthMm">Of the part that is shown; the sheet goes on.</param>
    /// <param name="Piece">That the cuts are of.</param>
    /// <param name="Likeness">Of ten pieces; null if none is cut from it.</param>
    public sealed record LookView(
        double TotalG, double ThicknessMm, double SheetSideMm, double SheetWidthMm, double SheetHeightMm, SheetPicture Sheet, PieceView? Piece, IReadOnlyList<SheetPicture> Cuts,
        MarbleSeenView Seen, ColourView Flat, Likeness? Likeness, IReadOnlyList<StripeView> Stripes);

    /// <param name="Contrast">At arm's length, CIEDE2000 from the flat colour.</param>
    /// <param name="NarrowMm">A tenth of the streaks is narrower.</param>
    /// <param name="WideMm">A tenth of them is wider.</param>
    public sealed record MarbleSeenView(int Folds, double Contrast, MarbleLook Look, double NarrowMm, double UsualMm, double WideMm)
    {
        internal static MarbleSeenView From(MarbleSeen seen) => new(seen.Folds, seen.Contrast, seen.Look, seen.StreakMm.Narrow, seen.StreakMm.Usual, seen.StreakMm.Wide);
    }

    public sealed record FoldView(MarbleSeenView Seen, SheetPicture Picture);

    /// <param name="FlatAt">The first number of folds at which it is flat; null if not even the most are enough.</param>
    public sealed record FoldsView(IReadOnlyList<FoldView> Folds, int? FlatAt);

    private const double SheetWidthMm = 150;
    private const double SheetHeightMm = 96;
    private const double MostOfSheet = 0.8;
    private const int SheetColumns = 260;
    private const int Cuts = 6;
    private const int CutRows = 120;
    private const int AlikePieces = 10;
    private const double FoldMm = 60;
    private const int FoldColumns = 72;

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/flowers/{id:guid}/marble", Get).KeepsLook().WithName("getMarble")
            .WithSummary("The marbled batch of a flower: as it was kept, or one to begin with.").Produces<Answer>().ProducesProblems(404);
        api.MapPost("/flowers/{id:guid}/marble/look", Look).Computes().WithName("lookAtMarble")
            .WithSummary("The sheet and the pieces that come of a marbled batch. Keeps nothing.").Produces<LookView>().ProducesProblems(404, 422);
        api.MapPost("/flowers/{id:guid}/marble/folds", Folds).Computes().WithName("foldMarble")
            .WithSummary("What each fold makes of a marbled batch.").Produces<FoldsView>().ProducesProblems(404, 422);
        api.MapPut("/flowers/{id:guid}/marble", Save).WithName("saveMarble")
            .WithSummary("Keeps a marbled batch, over the version it was made from.").Produces<NewVersion>().ProducesProblems(404, 422);
        api.MapDelete("/flowers/{id:guid}/marble", Remove).WithName("removeMarble")
            .WithSummary("Takes the marbled batch out; the pieces have their own pastes again.").Produces(204).ProducesProblems(404);
    }

    private static async Task<IResult> Get(
        Guid id, CurrentStudio studio, FlowerWorksLoader works, PastePlanStore plans, CabinetStore cabinet, TimeProvider clock, CancellationToken cancel)
    {
        var current = await studio.GetAsync(cancel);
        if (await works.FindAsync(id, cancel) is not { OfFlower.Count: > 0 } flower)
            return ApiProblem.NotFound();
        var materials = await cabinet.LoadAsync(current.Id, cancel);
        var kept = (await plans.ListAsync<MarblePlan>(current.Id, id, cancel)).SingleOrDefault();
        return TypedResults.Ok(new Answer(
            flower.Flower.Name, CommissionView.From(flower.Commission, current, clock.GetUtcNow()),
            kept?.Plan ?? MarblePlan.Suggest(flower.OfFlower), kept?.Version ?? 0, flower.Uses(materials)));
    }

    private static Task<IResult> Look(Guid id, MarblePlan plan, FlowerPastePlans plans, CancellationToken cancel) =>
        plans.LookAsync(id, plan, Problems, (flower, materials) =>
        {
            var grams = plan.Grams(flower.All);
            var thicknessMm = plan.ThicknessMm(flower.All);
            var sheet = RolledMarble.Of(plan, plan.Folds, grams, thicknessMm, materials);
            // All but its edges, if the sheet is small.
            var shown = Math.Min(1, MostOfSheet * sheet.SideMm / SheetWidthMm);
            var cut = flower.Pieces.FirstOrDefault(piece => plan.PieceIds.Contains(piece.Id) && !piece.Piece.Solid);
            return TypedResults.Ok(new LookView(
                grams, thicknessMm, sheet.SideMm, shown * SheetWidthMm, shown * SheetHeightMm,
                SheetPicture.From(sheet.Picture(shown * SheetWidthMm, shown * SheetHeightMm, SheetColumns)),
                cut is null ? null : PieceView.From(cut, materials),
                cut is null ? [] : [.. Enumerable.Range(0, Cuts).Select(number => SheetPicture.From(sheet.Cut(cut.Piece, number, CutRows)))],
                MarbleSeenView.From(sheet.Seen()), ColourView.From(sheet.FlatColour), cut is null ? null : sheet.LikenessOf(cut.Piece, AlikePieces),
                [.. plan.Stripes.Zip(plan.Shares(), (stripe, share) => new StripeView(
                    ColourView.From(PasteOptics.ColourOf(stripe.Recipe, materials)), share * grams,
                    BatchView.From(DosedRecipe.For(stripe.Recipe, Math.Max(share * grams, LeastG), materials))))]));
        }, cancel);

    /// <summary>A paste with no part in the batch is still shown with its recipe.</summary>
    private const double LeastG = 1;

    private static Task<IResult> Folds(Guid id, MarblePlan plan, FlowerPastePlans plans, CancellationToken cancel) =>
        plans.LookAsync(id, plan, Problems, (flower, materials) =>
        {
            var grams = plan.Grams(flower.All);
            var thicknessMm = plan.ThicknessMm(flower.All);
            var folds = SideBySide.Select([.. Enumerable.Range(0, MarblePlan.MostFolds + 1)], (number, _) =>
            {
                var sheet = RolledMarble.Of(plan, number, grams, thicknessMm, materials);
                return new FoldView(MarbleSeenView.From(sheet.Seen()), SheetPicture.From(sheet.Picture(Math.Min(FoldMm, MostOfSheet * sheet.SideMm), Math.Min(FoldMm, MostOfSheet * sheet.SideMm) * 3 / 4, FoldColumns)));
            }, cancel);
            var flat = Array.FindIndex(folds, fold => fold.Seen.Look == MarbleLook.Flat);
            return TypedResults.Ok(new FoldsView(flat < 0 ? folds : folds[..(flat + 1)], flat < 0 ? null : flat));
        }, cancel);

    private static Task<IResult> Save(Guid id, SaveRequest request, MadeFrom madeFrom, HttpResponse response, FlowerPastePlans plans, CancellationToken cancel) =>
        plans.SaveAsync(id, request.Plan, madeFrom, response, Problems, cancel);

    private static Task<IResult> Remove(Guid id, FlowerPastePlans plans, CancellationToken cancel) => plans.RemoveAsync<MarblePlan>(id, cancel);

    private static List<FieldProblem> Problems(MarblePlan plan, IReadOnlyList<PlannedWork> works, Materials materials) =>
    [
        .. MarbleCheck.Problems(plan, works)
            .Select(problem => new FieldProblem(problem.Path, JsonNamingPolicy.CamelCase.ConvertName(problem.Code.ToString()), problem.Limit, null)),
        .. plan.Stripes.Take(MarblePlan.MostPastes).SelectMany((stripe, i) => StudioRules.OfRecipe(stripe.Recipe, $"stripes[{i}].recipe", materials).Lines()),
    ];
}
