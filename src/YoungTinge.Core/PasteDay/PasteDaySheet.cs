using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Marble;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Ombre;
using YoungTinge.Core.Optics;
using YoungTinge.Core.Planning;

namespace YoungTinge.Core.PasteDay;

/// <summary>A flower with its pieces, and how its pastes are got.</summary>
/// <param name="Ombre">Null if its pieces have pastes of their own.</param>
/// <param name="Marble">Null if nothing of it is marbled.</param>
public sealed record FlowerPaste(Guid FlowerId, Guid CommissionId, IReadOnlyList<PlannedWork> Works, OmbrePlan? Ombre, MarblePlan? Marble);

/// <summary>How much of a paste goes to one kind of piece.</summary>
/// <param name="BallMm">Of one piece.</param>
public sealed record PasteUse(Guid PieceId, int Pieces, double PieceG, double BallMm, double Grams);

public enum BlockKind
{
    /// <summary>One paste, for one or more kinds of piece.</summary>
    Paste,
    Ombre,
    Marble,
}

/// <summary>A piece of work on paste day, done in one go.</summary>
/// <param name="Key">Names it as long as its flower or its first piece is there.</param>
/// <param name="Colour">That it is sorted by: of the paste, the deepest shade, or the first paste of a marble. Daylight, rested.</param>
/// <param name="TotalG">All paste that is made.</param>
/// <param name="RestHours">Until its colour has come out.</param>
public sealed record PasteBlock(
    string Key, BlockKind Kind, Guid CommissionId, IReadOnlyList<Guid> FlowerIds, Lab Colour, double TotalG, double RestHours, IReadOnlyList<PasteUse> Uses)
{
    /// <summary>Null for a run or a marble.</summary>
    public PasteRecipe? Recipe { get; init; }

    /// <summary>The recipe as a hand measures it.</summary>
    public DosedRecipe? Batch { get; init; }

    /// <summary>Null unless it is a run.</summary>
    public OmbreWay? Way { get; init; }

    /// <summary>Null unless it is a marble.</summary>
    public MarblePlan? Marble { get; init; }

    /// <summary>Of a marble, in the order in which they are laid; those with no part left out.</summary>
    public IReadOnlyList<MarblePart> Parts { get; init; } = [];

    /// <summary>That a marble is rolled to; 0 for the rest.</summary>
    public double ThicknessMm { get; init; }
}

/// <summary>One paste of a marbled batch.</summary>
public sealed record MarblePart(PasteRecipe Recipe, double Grams, DosedRecipe Batch, Lab Colour);

/// <summary>All pastes of a day, in the order that keeps hands and board clean.</summary>
public static class PasteDaySheet
{
    /// <summary>Less colourful than this counts as white, cream or grey: first of all, it stains nothing.</summary>
    private const double NeutralChroma = 9;

    /// <summary>Hues in which one paste may follow another without washing up, in degrees.</summary>
    private const double FamilyDegrees = 60;

    /// <summary>Where the round of hues is begun: at yellow, from which warm colours follow, and greens come last.</summary>
    private const double FirstHueDegrees = 105;

    /// <summary>Every paste once, lightest to darkest within a hue family.</summary>
    public static IReadOnlyList<PasteBlock> Of(IReadOnlyList<FlowerPaste> flowers, Materials materials)
    {
        var works = flowers.SelectMany(flower => flower.Works.Select(work => (Flower: flower, Work: work))).ToList();
        var all = works.Select(one => one.Work).ToList();
        PasteBlock[] together =
        [
            .. flowers.Where(flower => flower.Ombre is not null).Select(flower => OfOmbre(flower, flower.Ombre!, all, materials)).OfType<PasteBlock>(),
            .. flowers.Where(flower => flower.Marble is not null).Select(flower => OfMarble(flower, flower.Marble!, all, materials)).OfType<PasteBlock>(),
        ];
        // The pieces of a run or a marble that cannot be made as it stands are mixed by their own plans, rather than not at all.
        var elsewhere = together.SelectMany(block => block.Uses.Select(use => use.PieceId)).ToHashSet();
        var own = works.Where(one => !elsewhere.Contains(one.Work.PieceId) && one.Work.Parts > 0 && materials.HasAllOf(one.Work.Plan.Paste));
        PasteBlock[] blocks = [.. own.GroupBy(one => (one.Flower.CommissionId, Same(one.Work.Plan.Paste))).Select(group => OfPaste([.. group], materials)), .. together];
        return [.. blocks.OrderBy(block => FamilyOf(block.Colour)).ThenByDescending(block => block.Colour.L)];
    }

    /// <summary>0 for what has hardly a hue, then 1 to 6 round from yellow by red and violet to green.</summary>
    public static int FamilyOf(Lab colour)
    {
        if (colour.Chroma < NeutralChroma)
            return 0;
        var round = (FirstHueDegrees - colour.HueDegrees + 720) % 360;
        return 1 + (int)(round / FamilyDegrees);
    }

    private static string Same(PasteRecipe recipe) =>
        recipe.BaseId + string.Concat(recipe.Doses.OrderBy(dose => dose.ColourantId, StringComparer.Ordinal).Select(dose => $"|{dose.ColourantId} {dose.GPer100g:R}"));

    private static PasteBlock OfPaste(IReadOnlyList<(FlowerPaste Flower, PlannedWork Work)> group, Materials materials)
    {
        var recipe = group[0].Work.Plan.Paste;
        PasteUse[] uses = [.. group.Select(one => UseOf(one.Work))];
        var grams = uses.Sum(use => use.Grams);
        return new PasteBlock(
            $"paste:{group[0].Work.PieceId}", BlockKind.Paste, group[0].Flower.CommissionId, [.. group.Select(one => one.Flower.FlowerId).Distinct()],
            PasteOptics.ColourOf(recipe, materials), grams, RecipeLook.RestHoursOf(recipe, materials), uses)
        {
            Recipe = recipe,
            Batch = DosedRecipe.For(recipe, grams, materials),
        };
    }

    /// <returns>Null if it cannot be made as it stands: something in it is gone, or nothing of it is needed any more.</returns>
    private static PasteBlock? OfOmbre(FlowerPaste flower, OmbrePlan plan, IReadOnlyList<PlannedWork> all, Materials materials)
    {
        PasteRecipe[] recipes = plan.Middle is { } middle ? [plan.First, middle.Recipe, plan.Last] : [plan.First, plan.Last];
        if (!recipes.All(materials.HasAllOf) || OmbreCheck.Problems(plan, all).Any() || OmbreCheck.Colours(plan, materials).Any())
            return null;
        var run = plan.Run(all, materials);
        var way = OmbreWay.Of(run, plan.School, materials, plan.ScaleG);
        return new PasteBlock(
            $"ombre:{flower.FlowerId}", BlockKind.Ombre, flower.CommissionId, [flower.FlowerId], run.Shades.MinBy(shade => shade.Colour.L)!.Colour, way.TotalG,
            recipes.Max(recipe => RecipeLook.RestHoursOf(recipe, materials)), UsesOf(plan.Uses.SelectMany(use => use.PieceIds), all))
        {
            Way = way,
        };
    }

    private static PasteBlock? OfMarble(FlowerPaste flower, MarblePlan plan, IReadOnlyList<PlannedWork> all, Materials materials)
    {
        if (!plan.Stripes.All(stripe => materials.HasAllOf(stripe.Recipe)) || MarbleCheck.Problems(plan, all).Any())
            return null;
        var grams = plan.Grams(all);
        MarblePart[] parts = [.. plan.Stripes.Zip(plan.Shares()).Where(one => one.Second > 0).Select(one => new MarblePart(
            one.First.Recipe, one.Second * grams, DosedRecipe.For(one.First.Recipe, one.Second * grams, materials), PasteOptics.ColourOf(one.First.Recipe, materials)))];
        return new PasteBlock(
            $"marble:{flower.FlowerId}", BlockKind.Marble, flower.CommissionId, [flower.FlowerId], parts.MinBy(part => part.Colour.L)!.Colour, grams,
            parts.Max(part => RecipeLook.RestHoursOf(part.Recipe, materials)), UsesOf(plan.PieceIds, all))
        {
            Marble = plan,
            Parts = parts,
            ThicknessMm = plan.ThicknessMm(all),
        };
    }

    private static PasteUse[] UsesOf(IEnumerable<Guid> pieceIds, IReadOnlyList<PlannedWork> all) =>
        [.. pieceIds.Select(id => UseOf(all.First(work => work.PieceId == id)))];

    private static PasteUse UseOf(PlannedWork work)
    {
        var quantity = PasteQuantity.For(work.Piece, work.Parts);
        return new PasteUse(work.PieceId, quantity.Pieces, quantity.PieceG, quantity.BallMm, quantity.BatchG);
    }
}
