using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Marble;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Ombre;

namespace YoungTinge.Core.Work;

/// <summary>What each piece is shaped from. In one place, so that the sheet of the day and the pictures of a piece cannot disagree.</summary>
public static class PasteSources
{
    /// <summary>By piece; a piece whose own recipe holds something that is gone has none.</summary>
    /// <param name="flowers">All whose pieces a run or a marble may name.</param>
    /// <param name="made">Batches that lie ready, by id.</param>
    public static IReadOnlyDictionary<Guid, PasteSource> Of(
        IReadOnlyList<FlowerPaste> flowers, Materials materials, IReadOnlyDictionary<Guid, BatchPaste>? made = null)
    {
        var all = flowers.SelectMany(flower => flower.Works).ToList();
        var found = new Dictionary<Guid, PasteSource>();
        foreach (var flower in flowers)
        {
            if (flower.Ombre is { } ombre && CanBeMade(ombre, all, materials))
            {
                var run = ombre.Run(all, materials);
                foreach (var (shade, use) in ombre.Uses.Index())
                {
                    foreach (var piece in use.PieceIds)
                        found.TryAdd(piece, new ShadePaste(flower.FlowerId, shade, ombre.Uses.Count, run.RecipeOf(run.Shades[shade]), materials));
                }
            }

            if (flower.Marble is { } marble && CanBeMade(marble, all, materials))
            {
                var paste = new MarbledPaste(flower.FlowerId, marble, RolledMarble.Of(marble, marble.Folds, marble.Grams(all), marble.ThicknessMm(all), materials));
                foreach (var piece in marble.PieceIds)
                    found.TryAdd(piece, paste);
            }
        }

        foreach (var work in all)
        {
            if (work.Plan.BatchId is { } id && made?.GetValueOrDefault(id) is { } batch)
                found.TryAdd(work.PieceId, batch);
            else if (materials.HasAllOf(work.Plan.Paste))
                found.TryAdd(work.PieceId, new OwnPaste(work.Plan.Paste, materials));
        }

        return found;
    }

    /// <summary>False if something in it is gone, or nothing of it is needed any more: then its pieces are mixed by their own recipes, rather than not at all.</summary>
    /// <param name="all">All pieces that it may name.</param>
    public static bool CanBeMade(OmbrePlan plan, IReadOnlyList<PieceToMake> all, Materials materials) =>
        plan.Recipes().All(materials.HasAllOf) && !OmbreCheck.Problems(plan, all).Any() && !OmbreCheck.Colours(plan, materials).Any();

    /// <inheritdoc cref="CanBeMade(OmbrePlan, IReadOnlyList{PieceToMake}, Materials)"/>
    public static bool CanBeMade(MarblePlan plan, IReadOnlyList<PieceToMake> all, Materials materials) =>
        plan.Stripes.All(stripe => materials.HasAllOf(stripe.Recipe)) && !MarbleCheck.Problems(plan, all).Any();
}
