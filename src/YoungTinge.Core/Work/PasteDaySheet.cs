using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Marble;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Ombre;

namespace YoungTinge.Core.Work;

/// <summary>A flower with its pieces, and how its pastes are got.</summary>
/// <param name="Ombre">Null if its pieces have pastes of their own.</param>
/// <param name="Marble">Null if nothing of it is marbled.</param>
public sealed record FlowerPaste(Guid FlowerId, Guid CommissionId, IReadOnlyList<PlannedWork> Works, OmbrePlan? Ombre, MarblePlan? Marble);

/// <summary>How much of a paste goes to one kind of piece.</summary>
/// <param name="Ball">Of one piece.</param>
public sealed record PasteUse(Guid PieceId, int Pieces, double PieceG, BenchBall Ball, double Grams);

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
/// <param name="Mixed">Every recipe that is mixed for it: one of a paste, those of a marble in the order in which they are laid, those of a run as they are made.</param>
public sealed record PasteBlock(
    string Key, BlockKind Kind, Guid CommissionId, IReadOnlyList<Guid> FlowerIds, Lab Colour, double TotalG, double RestHours, IReadOnlyList<PasteUse> Uses,
    IReadOnlyList<MixedPart> Mixed)
{
    /// <summary>That goes into a paste; null if nothing does.</summary>
    public LeftoverUse? Leftover { get; init; }

    /// <summary>Null unless it is a run.</summary>
    public OmbreRun? Run { get; init; }

    /// <summary>Null unless it is a run.</summary>
    public OmbreResult? Way { get; init; }

    /// <summary>Null unless it is a marble.</summary>
    public MarblePlan? Marble { get; init; }

    /// <summary>That a marble is rolled to; 0 for the rest.</summary>
    public double ThicknessMm { get; init; }

    /// <summary>What no piece needs, in g.</summary>
    public double RemainsG => Math.Max(0, TotalG - Uses.Sum(use => use.Grams));

    /// <summary>What is taken out of the cabinet for it.</summary>
    public IEnumerable<MaterialTake> Takes() => Mixed.SelectMany(part => PasteTakes.Of(part.Recipe, part.Batch, part.WeighG));

    /// <summary>
    /// What there is when it has been made: a paste with what was counted out for it, every shade of a run, and for a marble the one
    /// paste that it becomes when it is kneaded through.
    /// </summary>
    public IReadOnlyList<MadeBatch> Batches() => this switch
    {
        { Run: { } run } => [.. run.Shades.Select(shade => new MadeBatch(run.RecipeOf(shade), shade.Grams, null))],
        { Marble: not null } => [new MadeBatch(PasteRecipe.Kneaded([.. Mixed.Select(part => (part.Recipe, part.FreshG))]), TotalG, null)],
        // With a leftover in it, its colours are those of the plan, within what was allowed.
        { Leftover: not null } => [new MadeBatch(Mixed[0].Recipe, TotalG, null)],
        _ => [new MadeBatch(Mixed[0].AsCounted(), TotalG, null)],
    };
}

/// <summary>One paste that is mixed by itself.</summary>
/// <param name="FreshG">Paste without colour, weighed and with let-downs; less than the batch if a leftover makes up the rest.</param>
/// <param name="Batch">What is put in, as a hand measures it.</param>
/// <param name="Colour">Of the recipe, daylight, rested.</param>
public sealed record MixedPart(PasteRecipe Recipe, double FreshG, DosedRecipe Batch, Lab Colour)
{
    /// <summary>Of the fresh paste, what let-downs do not bring along, in g.</summary>
    public double WeighG => FreshG - Batch.BroughtG;

    internal static MixedPart Of(PasteRecipe recipe, double grams, Materials materials) => Of(recipe, grams, DosedRecipe.For(recipe, grams, materials), materials);

    internal static MixedPart Of(PasteRecipe recipe, double freshG, DosedRecipe batch, Materials materials) =>
        new(recipe, freshG, batch, PasteOptics.ColourOf(recipe, materials));

    /// <summary>The recipe with every dose as it is really measured.</summary>
    internal PasteRecipe AsCounted() => Recipe with { Doses = [.. Batch.Colours.Select(colour => new Dose(colour.ColourantId, colour.MeasuredG * 100 / Batch.PasteG))] };
}

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
    /// <param name="leftovers">To go into a paste, by its key; null for none. One that does not go into it any more is left out. A tin that several pastes take from is emptied once, by the first of them.</param>
    /// <param name="leftoverDeltaE">A paste with a leftover in it may differ so much from its plan.</param>
    public static IReadOnlyList<PasteBlock> Of(
        IReadOnlyList<FlowerPaste> flowers, Materials materials, IReadOnlyDictionary<string, Leftover>? leftovers = null, double leftoverDeltaE = 2)
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
        var own = works.Where(one => !elsewhere.Contains(one.Work.PieceId) && one.Work.Source is not BatchPaste && one.Work.Parts > 0 && one.Work.Piece.Body.Kind != BodyKind.Bought && materials.HasAllOf(one.Work.Plan.Paste));
        var tinsG = new Dictionary<Guid, double>();
        PasteBlock[] blocks = [.. own.GroupBy(one => (one.Flower.CommissionId, one.Work.Plan.Paste.Key)).Select(group => OfPaste([.. group], materials, leftovers, leftoverDeltaE, tinsG)), .. together];
        return InOrder(blocks);
    }

    /// <summary>In the order that keeps hands and board clean.</summary>
    public static IReadOnlyList<PasteBlock> InOrder(IEnumerable<PasteBlock> blocks) => [.. blocks.OrderBy(block => FamilyOf(block.Colour)).ThenByDescending(block => block.Colour.L)];

    /// <summary>0 for what has hardly a hue, then 1 to 6 round from yellow by red and violet to green.</summary>
    public static int FamilyOf(Lab colour)
    {
        if (colour.Chroma < NeutralChroma)
            return 0;
        var round = (FirstHueDegrees - colour.HueDegrees + 720) % 360;
        return 1 + (int)(round / FamilyDegrees);
    }

    private static PasteBlock OfPaste(
        IReadOnlyList<(FlowerPaste Flower, PlannedWork Work)> group, Materials materials, IReadOnlyDictionary<string, Leftover>? leftovers, double leftoverDeltaE,
        Dictionary<Guid, double> tinsG)
    {
        var recipe = group[0].Work.Plan.Paste;
        PasteUse[] uses = [.. group.Select(one => UseOf(one.Work))];
        var grams = uses.Sum(use => use.Grams);
        var key = $"paste:{group[0].Work.PieceId}";
        var left = leftovers?.GetValueOrDefault(key);
        if (left is { IsTaken: false } && tinsG.TryGetValue(left.BatchId, out var stillG))
            left = left with { Batch = left.Batch with { PasteG = stillG } };
        var leftover = left is { Batch.PasteG: > 0 } ? LeftoverUse.Of(left, recipe, grams, leftoverDeltaE, materials) : null;
        if (left is { IsTaken: false } && leftover is not null)
            tinsG[left.BatchId] = left.Batch.PasteG - leftover.KeepG;
        var mixed = leftover is null ? MixedPart.Of(recipe, grams, materials) : MixedPart.Of(recipe, leftover.FreshG, leftover.Batch, materials);
        return new PasteBlock(
            key, BlockKind.Paste, group[0].Flower.CommissionId, [.. group.Select(one => one.Flower.FlowerId).Distinct()], mixed.Colour, grams,
            RecipeEvaluation.RestHoursOf(recipe, materials), uses, [mixed])
        {
            Leftover = leftover,
        };
    }

    /// <returns>Null if it cannot be made as it stands: something in it is gone, or nothing of it is needed any more.</returns>
    private static PasteBlock? OfOmbre(FlowerPaste flower, OmbrePlan plan, IReadOnlyList<PlannedWork> all, Materials materials)
    {
        if (!PasteSources.CanBeMade(plan, all, materials))
            return null;
        var run = plan.Run(all, materials);
        var way = OmbreResult.Of(run, plan.School, materials, plan.ScaleG);
        return new PasteBlock(
            $"ombre:{flower.FlowerId}", BlockKind.Ombre, flower.CommissionId, [flower.FlowerId], run.Shades.MinBy(shade => shade.Colour.L)!.Colour, way.TotalG,
            plan.Recipes().Max(recipe => RecipeEvaluation.RestHoursOf(recipe, materials)), UsesOf(plan.Uses.SelectMany(use => use.PieceIds), all),
            [.. way.Steps.Where(step => step.Recipe is not null).Select(step => MixedPart.Of(step.Recipe!, step.Grams, step.Batch!, materials))])
        {
            Run = run,
            Way = way,
        };
    }

    private static PasteBlock? OfMarble(FlowerPaste flower, MarblePlan plan, IReadOnlyList<PlannedWork> all, Materials materials)
    {
        if (!PasteSources.CanBeMade(plan, all, materials))
            return null;
        var grams = plan.Grams(all);
        MixedPart[] parts = [.. plan.Stripes.Zip(plan.Shares()).Where(one => one.Second > 0).Select(one => MixedPart.Of(one.First.Recipe, one.Second * grams, materials))];
        return new PasteBlock(
            $"marble:{flower.FlowerId}", BlockKind.Marble, flower.CommissionId, [flower.FlowerId], parts.MinBy(part => part.Colour.L)!.Colour, grams,
            parts.Max(part => RecipeEvaluation.RestHoursOf(part.Recipe, materials)), UsesOf(plan.PieceIds, all), parts)
        {
            Marble = plan,
            ThicknessMm = plan.ThicknessMm(all),
        };
    }

    private static PasteUse[] UsesOf(IEnumerable<Guid> pieceIds, IReadOnlyList<PlannedWork> all) =>
        [.. pieceIds.Select(id => UseOf(all.First(work => work.PieceId == id)))];

    private static PasteUse UseOf(PlannedWork work)
    {
        var quantity = PasteQuantity.For(work.Piece, work.Parts);
        return new PasteUse(work.PieceId, quantity.Pieces, quantity.PieceG, quantity.Ball, quantity.BatchG);
    }
}
