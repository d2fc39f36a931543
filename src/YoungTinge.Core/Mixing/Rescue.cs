using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Mixing;

/// <summary>One way to bring a batch to its target. Masses are of paste before colour.</summary>
/// <param name="KeepG">Of the batch as it is.</param>
/// <param name="WhiteG">Fresh paste that comes in, by itself and with let-downs.</param>
/// <param name="Add">Colours to put in on top.</param>
/// <param name="TotalG">What there is afterwards.</param>
/// <param name="LeftOverG">Of the batch as it is, not used.</param>
/// <param name="Colour">Rested, under daylight, with every addition as it is really measured.</param>
/// <param name="Cost">Of what is added; null if a price is missing.</param>
public sealed record RescuePlan(
    double KeepG, double WhiteG, IReadOnlyList<DosedColour> Add, double TotalG, double LeftOverG, Lab Colour, Difference Difference, double? Cost)
{
    /// <summary>Fresh paste to knead in by itself: what let-downs do not bring along.</summary>
    public double WeighG => WhiteG - Add.Sum(colour => colour.LetDown?.BroughtG ?? 0);
}

/// <summary>A batch that came out wrong.</summary>
/// <param name="Now">Rested, under daylight.</param>
/// <param name="LeastMass">Makes no more than is needed.</param>
/// <param name="KeepAll">Uses the whole batch, and so makes more; null if that is the same.</param>
/// <param name="Fresh">Starting again, for what is needed.</param>
/// <param name="SavedShare">Share of the cost (or, without prices, of the paste) of starting again that the rescue saves.</param>
/// <param name="IsThere">Nothing needs to be done.</param>
public sealed record Rescue(
    Lab Now, Difference NowDifference, RescuePlan LeastMass, RescuePlan? KeepAll, FoundRecipe Fresh, DosedRecipe FreshBatch, double? FreshCost,
    double SavedShare, bool IsThere)
{
    /// <summary>A rescue that saves less is not worth its kneading.</summary>
    public const double WorthIt = 0.15;

    /// <summary>As near as this counts as rescued, in delta E, where the cabinet can reach the target at all.</summary>
    public const double Near = 0.8;

    /// <summary>Where it cannot, this much farther than a fresh batch would be.</summary>
    private const double NearlyAsFresh = 0.3;

    private const int Halvings = 8;

    /// <summary>So many shares of the batch are tried for the least trouble.</summary>
    private const int Shares = 20;

    public bool StartAgain => !IsThere && SavedShare < WorthIt;

    /// <summary>
    /// What to add, and how much of the batch to keep. Colour cannot be taken out, only diluted: the larger the share of the old
    /// batch in the new one, the less there is to make, and the harder the target is to reach. So the largest share is sought
    /// from which the target can be reached, and at or below it the one that costs the least in paste, colour and counting. No
    /// more paste is made than is needed.
    /// </summary>
    /// <param name="search">Target, mass needed, and which colours may be used. Its first base is the fresh paste.</param>
    /// <exception cref="ArgumentException">The search or the batch cannot be.</exception>
    public static Rescue Of(MadeBatch batch, RecipeSearch search, Materials materials, Action<double>? progress = null, CancellationToken cancel = default)
    {
        if (!(batch.PasteG > 0))
            throw new ArgumentException("A batch has some mass.", nameof(batch));
        var fresh = RecipeFinder.Find(materials, search, share => progress?.Invoke(share * 0.2), cancel)[0];
        var rescuer = new Rescuer(batch, search, fresh.Recipe, materials, cancel);
        var now = rescuer.Now;
        var difference = Difference.Of(now, search.Target);
        var near = Math.Max(Near, fresh.Difference.DeltaE + NearlyAsFresh);

        // The largest share from which the target can be reached, then the least trouble at or below it.
        var most = rescuer.Reach(1) <= near ? 1.0 : 0.0;
        for (double low = 0, high = 1, i = 0; most < 1 && i < Halvings; i++)
        {
            var middle = (low + high) / 2;
            if (rescuer.Reach(middle) <= near)
                low = most = middle;
            else
                high = middle;
            progress?.Invoke(0.2 + 0.4 * (i + 1) / Halvings);
        }

        var shares = Enumerable.Range(1, Shares).Select(i => most * i / Shares).ToList();
        var handiest = most > 0 ? shares.MinBy(share => rescuer.TroubleAt(share, near)) : 0;
        progress?.Invoke(0.9);

        // No more of the batch than there is.
        var least = rescuer.Plan(Math.Min(handiest, batch.PasteG / search.PasteG), search.PasteG, near);
        var all = most > 0 && batch.PasteG / handiest > search.PasteG * 1.01 ? rescuer.Plan(handiest, batch.PasteG / handiest, near) : null;
        var freshBatch = DosedRecipe.For(fresh.Recipe, search.PasteG, materials);
        var freshCost = RecipeEvaluation.CostOf(fresh.Recipe, search.PasteG, materials);
        var saved = least.Cost is { } cost && freshCost is > 0 ? 1 - cost / freshCost.Value : least.KeepG / search.PasteG;
        return new Rescue(now, difference, least, all, fresh, freshBatch, freshCost, saved, difference.DeltaE <= near && batch.PasteG >= search.PasteG);
    }
}
