using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Advice;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Flowers;

/// <summary>Everything that follows from a plan, whether it is saved or not: colours, picture, amounts, advice. Keeps nothing.</summary>
public static class PreviewPlan
{
    /// <param name="Colours">Paste first, then after each coat.</param>
    /// <param name="Details">Coats that are painted details of it, by their places in the plan.</param>
    /// <param name="Ground">Finished, between its details: what is judged against the target.</param>
    public sealed record ZoneView(Zone Zone, IReadOnlyList<ColourView> Colours, IReadOnlyList<int> Details, ColourView Ground, ColourView Target, Difference Difference)
    {
        /// <summary>How far its streaks lie from the mean that is shown, as a CIEDE2000; null unless the paste is marbled.</summary>
        public double? StreaksDeltaE { get; init; }
    }

    /// <param name="Rgb">Three bytes a point (sRGB), row by row from the tip down, base64.</param>
    public sealed record FieldView(int Columns, int Rows, string Rgb)
    {
        /// <summary>Painted details, to be drawn sharp over it, in order.</summary>
        public IReadOnlyList<MarkView> Marks { get; init; } = [];
    }

    /// <param name="Path">SVG path in a box of width by length millimetres, tip up.</param>
    /// <param name="Field">What is seen where the detail lies.</param>
    public sealed record MarkView(string Path, FieldView Field);

    /// <param name="MainDustId">The dust it is known by; null for what is no dust.</param>
    /// <param name="Load">The named load nearest to its own; null for what is no dust.</param>
    /// <param name="Pot">The coat's own colour; null for steam and a clear glaze.</param>
    /// <param name="Amounts">Of each material, for all pieces and all coats.</param>
    /// <param name="Ml">Of glaze or thinner, for all pieces and all coats; null for the rest.</param>
    public sealed record CoatView(
        Guid Id, string? MainDustId, NamedLoad? Load, ColourView? Pot, IReadOnlyList<HandAmountView> Amounts, double? Ml)
    {
        /// <summary>Of a wash, as it is counted at the bench; null for what is none.</summary>
        public WashStrength? Strength { get; init; }
    }

    /// <param name="OnPurpose">The maker's note where it is gone against on purpose; null where it is not.</param>
    /// <param name="Fixed">The plan with only this mended; null where that is for the maker to say.</param>
    public sealed record AdviceView(AdviceCode Code, Guid? CoatId, string? MaterialId, Zone? Zone, string? OnPurpose, PiecePlan? Fixed);

    /// <param name="Source">What the piece is shaped from.</param>
    /// <param name="Loads">What a hand calls light, medium and heavy.</param>
    public sealed record Answer(
        SourceView Source, IReadOnlyList<ZoneView> Zones, ColourView Ground, ColourView Paste, Difference PasteDifference, BatchView Batch,
        IReadOnlyList<CoatView> Coats, FieldView Face, FieldView Back, IReadOnlyList<AdviceView> Advice,
        IReadOnlyList<NamedLoad> Loads);

    public static void Map(RouteGroupBuilder api) => api.MapPost("/pieces/{id:guid}/preview", Handle)
        .Computes().WithName("previewPlan").Produces<Answer>().ProducesProblems(404, 422);

    /// <param name="light">That the pictures are seen under; daylight by default. Zones are always judged under daylight.</param>
    /// <param name="shown">How many coats lie in the pictures; all by default.</param>
    private static async Task<IResult> Handle(Guid id, PiecePlan plan, QueryWord<LightKind>? light, int? shown, StudioWorks works, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        if (work.Find(id) is not { } planned)
            return ApiProblem.NotFound();
        return PlanProblems.Of(plan, planned, work) is { Count: > 0 } problems
            ? ApiProblem.NotPossible(problems)
            : TypedResults.Ok(Compute(work.With(planned, plan), work.FlowerName, Lights.Of((light ?? default).Value), shown ?? int.MaxValue, work.Materials));
    }

    internal static Answer Compute(PlannedPiece planned, Func<Guid, string?> nameOf, Illuminant light, int shown, Materials materials)
    {
        var (plan, shape) = (planned.Plan, planned.Piece.Shape());
        var quantity = planned.Quantity;
        var batch = DosedRecipe.For(plan.Paste, quantity.BatchG, materials);
        var resolved = planned.Resolve(materials);
        var eye = new ZoneColourEvaluator(resolved, shape);
        var zones = BuildUp.Of(eye);
        // What a rule says of a coat need not be found again by looking.
        var advice = WarningsOf(eye, zones).DistinctBy(one => (one.Code, one.CoatId, one.MaterialId));
        var paste = zones[0].Colours[0];
        var picture = PiecePicture.Of(resolved.With([.. plan.Coats.Take(shown)]), shape, light: light);
        return new Answer(
            SourceView.From(planned.Source, nameOf),
            [.. zones.Select(zone => new ZoneView(zone.Zone, [.. zone.Colours.Select(ColourView.From)], [.. zone.Details], ColourView.From(zone.Ground), ColourView.From(zone.Target), zone.Difference) { StreaksDeltaE = planned.Source is MarbledPaste ? eye.SpreadOf(zone.Zone) : null })],
            ColourView.From(plan.PasteTarget),
            ColourView.From(paste),
            Difference.Of(paste, plan.PasteTarget),
            BatchView.From(batch),
            [.. resolved.Coats.Select(coat => View(coat, shape, quantity.Pieces, materials))],
            View(picture.Face),
            View(picture.Back),
            [.. advice.Select(one =>
                new AdviceView(one.Code, one.CoatId, one.MaterialId, one.Zone, one.OnPurpose, PlanFix.For(resolved, one, Guid.CreateVersion7(), Warnings)))],
            DustLoad.Named);

        IEnumerable<PlanAdvice> Warnings(ResolvedPlan of)
        {
            var its = new ZoneColourEvaluator(of, shape);
            return WarningsOf(its, BuildUp.Of(its));
        }

        IEnumerable<PlanAdvice> WarningsOf(ZoneColourEvaluator its, IReadOnlyList<ZoneHistory> seen) =>
            PlanAdvisor.ForGuests(its.Plan, planned.Guests).Concat(PlanAdvisor.For(its.Plan, batch)).Concat(LookAdvice.For(its, planned.Piece, seen));
    }

    internal static FieldView View(SidePicture side) => View(side.Field) with { Marks = [.. side.Marks.Select(mark => new MarkView(mark.Path, View(mark.Field)))] };

    private static FieldView View(ColourField field) => new(field.Columns, field.Rows, Convert.ToBase64String(field.Rgb));

    internal static CoatView View(ResolvedCoat coat, PieceShape shape, int pieces, Materials materials)
    {
        var dust = coat as ResolvedDust;
        var amount = coat.AmountFor(shape, pieces);
        return new CoatView(coat.Id, dust?.MainDustId, dust is null ? null : DustLoad.Nearest(((DustCoat)coat.Coat).LoadMgPerCm2), ColourView.OfPot(coat),
            [.. amount.Powders.Select(powder => HandAmountView.Of(powder.MaterialId, powder.Grams, materials))], amount.Ml)
        {
            Strength = coat.Coat is WashCoat wash ? WashStrength.Of(wash, materials) : null,
        };
    }
}
