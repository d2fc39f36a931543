using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;

namespace YoungTinge.Core.CoatPlanning;

/// <param name="Pieces">That are shaped from it.</param>
public sealed record PasteRow(PasteRecipe Recipe, Lab Colour, IReadOnlyList<Guid> Pieces);

/// <summary>A coat that is laid from a pot.</summary>
public sealed record PotUse(Guid PieceId, Coat Coat);

/// <summary>What is mixed once, or taken from one jar, for all coats that get the same.</summary>
/// <param name="Colour">Of the pot by itself, on white paste.</param>
public sealed record PotRow(PassKind Kind, IReadOnlyList<string> MaterialIds, Lab Colour, IReadOnlyList<PotUse> Uses);

/// <summary>What is mixed for several pieces, and for which of them.</summary>
public sealed record PotTable(IReadOnlyList<PasteRow> Pastes, IReadOnlyList<PotRow> Pots)
{
    /// <summary>As the bench does it: one pot for all that has the same <see cref="CoatPassKey.MixKey"/>, the most used first.</summary>
    public static PotTable Of(IReadOnlyList<(Guid PieceId, ResolvedPlan Plan)> plans)
    {
        var pastes = plans.GroupBy(one => KeyOf(one.Plan.Source))
            .Select(group => new PasteRow(group.First().Plan.Plan.Paste, group.First().Plan.Source.Colour, [.. group.Select(one => one.PieceId)]));
        var pots = plans.SelectMany(one => one.Plan.Coats.Where(coat => coat.Pot is not null).Select(coat => (one.PieceId, Coat: coat))).GroupBy(one => one.Coat.Pass.MixKey)
            .Select(group => new PotRow(group.First().Coat.Pass.Kind, [.. group.First().Coat.Coat.MaterialIds().Distinct()], group.First().Coat.Pot!.Value, [.. group.Select(one => new PotUse(one.PieceId, one.Coat.Coat))]));
        return new PotTable(
            [.. pastes.OrderByDescending(row => row.Pieces.Count).ThenByDescending(row => row.Colour.L)],
            [.. pots.OrderBy(row => row.Kind).ThenByDescending(row => row.Uses.Select(use => use.PieceId).Distinct().Count()).ThenByDescending(row => row.Colour.L)]);
    }

    private static object KeyOf(PasteSource source) => source switch
    {
        ShadePaste shade => (shade.FlowerId, shade.Shade),
        MarbledPaste marble => marble.FlowerId,
        BatchPaste batch => batch.BatchId,
        _ => source.Recipe.Key,
    };
}
