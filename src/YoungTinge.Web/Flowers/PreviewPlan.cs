using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Optics;
using YoungTinge.Core.Planning;
using YoungTinge.Store;
using YoungTinge.Web.Hosting;
using YoungTinge.Web.Mixing;

namespace YoungTinge.Web.Flowers;

/// <summary>Everything that follows from a plan, whether it is saved or not: colours, picture, amounts, advice. Keeps nothing.</summary>
public static class PreviewPlan
{
    /// <param name="Colours">Paste first, then after each coat.</param>
    public sealed record ZoneView(Zone Zone, IReadOnlyList<ColourView> Colours, ColourView Target, Difference Difference);

    /// <param name="Rgb">Three bytes a point (sRGB), row by row from the tip down, base64.</param>
    public sealed record FieldView(int Columns, int Rows, string Rgb);

    /// <param name="MainDustId">The dust it is known by; null for what is no dust.</param>
    /// <param name="Load">The named load nearest to its own; null for what is no dust.</param>
    /// <param name="Pot">The coat's own colour; null for steam and a clear glaze.</param>
    /// <param name="Amounts">Of each material, to mix for all pieces and all coats.</param>
    /// <param name="Ml">Of glaze or thinner, for all pieces and all coats; null for the rest.</param>
    public sealed record CoatView(
        Guid Id, string? MainDustId, NamedLoad? Load, ColourView? Pot, IReadOnlyList<MaterialAmount> Amounts, double? Ml);

    /// <param name="OnPurpose">The maker's note where it is gone against on purpose; null where it is not.</param>
    /// <param name="Fixed">The plan with only this mended; null where that is for the maker to say.</param>
    public sealed record AdviceView(AdviceCode Code, Guid? CoatId, string? MaterialId, string? OnPurpose, PiecePlan? Fixed);

    /// <param name="Loads">What a hand calls light, medium and heavy.</param>
    public sealed record Answer(
        IReadOnlyList<ZoneView> Zones, ColourView Ground, ColourView Paste, Difference PasteDifference, BatchView Batch,
        IReadOnlyList<CoatView> Coats, FieldView Face, FieldView Back, IReadOnlyList<AdviceView> Advice,
        IReadOnlyList<NamedLoad> Loads);

    public static void Map(RouteGroupBuilder api) => api.MapPost("/pieces/{id:guid}/preview", Handle)
        .WithName("previewPlan").Produces<Answer>().Fails(404, 422, 503);

    private static async Task<IResult> Handle(Guid id, PiecePlan plan, CurrentStudio studio, PieceStore pieces, CabinetStore cabinet, CancellationToken cancel)
    {
        var studioId = await studio.IdAsync(cancel);
        if (await pieces.FindAsync(studioId, id, cancel) is not { } planned)
            return Trouble.NotFound();
        var materials = await cabinet.LoadAsync(studioId, cancel);
        return PlanProblems.Of(plan, materials) is { Count: > 0 } problems
            ? Trouble.NotPossible(problems)
            : TypedResults.Ok(Compute(plan, planned, materials));
    }

    private static Answer Compute(PiecePlan plan, PlannedPiece planned, Materials materials)
    {
        var shape = planned.Piece.Shape();
        var quantity = PasteQuantity.For(planned.Piece, planned.Parts);
        var batch = DosedRecipe.For(plan.Paste, quantity.BatchG, materials);
        var zones = BuildUp.Of(plan, shape, materials);
        var paste = zones[0].Colours[0];
        var (face, back) = ColourField.Of(plan, shape, materials);
        return new Answer(
            [.. zones.Select(zone => new ZoneView(zone.Zone, [.. zone.Colours.Select(ColourView.From)], ColourView.From(zone.Target), zone.Difference))],
            ColourView.From(plan.Ground),
            ColourView.From(paste),
            Difference.Of(paste, plan.Ground),
            BatchView.From(batch),
            [.. plan.Coats.Select(coat => View(coat, shape, quantity.Pieces, materials))],
            View(face),
            View(back),
            [.. PlanAdvice.For(plan, batch, materials).Select(advice =>
                new AdviceView(advice.Code, advice.CoatId, advice.MaterialId, advice.OnPurpose, PlanFix.For(plan, advice, materials, Guid.CreateVersion7())))],
            DustLoad.Named);
    }

    private static FieldView View(ColourField field) => new(field.Columns, field.Rows, Convert.ToBase64String(field.Rgb));

    private static CoatView View(Coat coat, PieceShape shape, int pieces, Materials materials) => coat switch
    {
        DustCoat dust => new CoatView(
            coat.Id, DustOptics.MainOf(dust.Mix, materials), DustLoad.Nearest(dust.LoadMgPerCm2),
            ColourView.From(Chip.OfDust(DustOptics.Mix(dust.Mix, materials), materials)), CoatAmounts.Dust(dust, shape, pieces), null),
        WashCoat wash => new CoatView(
            coat.Id, null, null, ColourView.From(Chip.OfWash(CoatStack.LayerOf(wash, materials), materials)), CoatAmounts.Paint(wash, shape, pieces), CoatAmounts.WashMl(wash, shape, pieces)),
        GlazeCoat glaze => new CoatView(
            coat.Id, null, null, glaze.Tint is { } tint ? ColourView.From(Chip.OfDust(DustOptics.Mix(tint.Mix, materials), materials)) : null,
            [.. CoatAmounts.Tint(glaze, shape, pieces, materials).Select(amount => amount with { Grams = glaze.Coats * amount.Grams })],
            glaze.Coats * CoatAmounts.GlazeMlPerCoat(glaze, shape, pieces, materials)),
        PollenCoat pollen => new CoatView(
            coat.Id, null, null, Chip.Of(materials.Get<Crumb>(pollen.CrumbId), materials) is { } chip ? ColourView.From(chip) : null,
            [new MaterialAmount(pollen.CrumbId, CoatAmounts.CrumbG(pollen, shape, pieces))], null),
        _ => new CoatView(coat.Id, null, null, null, [], null),
    };
}
