using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Mixing;

/// <summary>What is left of a batch, as it can go into another paste.</summary>
/// <param name="Optics">K and S in 1/mm, by its reading where there is one.</param>
public sealed record Leftover(Guid BatchId, MadeBatch Batch, KubelkaMunkSpectra Optics)
{
    /// <summary>It has been taken out of its tin already: no other paste is the poorer for it.</summary>
    public bool IsTaken { get; init; }

    public static Leftover Of(Guid batchId, MadeBatch batch, Materials materials) => new(batchId, batch, batch.Optics(materials));
}

/// <summary>How what is left of an earlier batch goes into a paste that is to be made.</summary>
/// <param name="KeepG">Of the leftover.</param>
/// <param name="FreshG">Paste without colour to knead in; 0 if the leftover is enough.</param>
/// <param name="Batch">The colours to add, for the whole mass, as a hand measures them.</param>
/// <param name="AsItIs">It is the colour already; the fresh paste is coloured to go with it. Else it is brought there.</param>
/// <param name="Colour">Of the whole, rested, under daylight, with every addition as it is measured.</param>
/// <param name="Difference">From the paste as planned.</param>
public sealed record LeftoverUse(Guid BatchId, double KeepG, double FreshG, DosedRecipe Batch, bool AsItIs, Lab Colour, Difference Difference)
{
    /// <summary>Less of a leftover is not worth fetching, in g.</summary>
    public const double WorthFetchingG = 5;

    /// <summary>A leftover farther than this from the paste only goes in if it holds no colour that is not wanted there: any pale paste could.</summary>
    private const double KinDeltaE = 12;

    /// <summary>Of what the whole may differ by, what one colour's rounding may move it; a colour that would do more is measured finer.</summary>
    private const double ShareForRounding = 0.2;

    private const int Halvings = 12;

    private const int MostOffers = 3;

    /// <summary>The leftovers that may go into a paste, the most useful first: what is its colour already, then what saves most.</summary>
    /// <param name="needG">Of the paste to be made, above 0.</param>
    /// <param name="mostDeltaE">The whole may differ so much from the plan, above 0.</param>
    public static IEnumerable<LeftoverUse> Offers(IEnumerable<Leftover> leftovers, PasteRecipe wanted, double needG, double mostDeltaE, Materials materials) =>
        leftovers.Select(left => Of(left, wanted, needG, mostDeltaE, materials)).OfType<LeftoverUse>()
            .OrderByDescending(use => use.AsItIs).ThenByDescending(use => use.KeepG).Take(MostOffers);

    /// <summary>
    /// As much of the leftover as can go in. Each of its colours makes up for some of what the recipe asks for, and only the rest is
    /// added; where it holds more of a colour than is wanted, that cannot be taken out, and so bounds how much of it can be used.
    /// </summary>
    /// <param name="needG">Of the paste to be made, above 0.</param>
    /// <param name="mostDeltaE">The whole may differ so much from the plan, above 0.</param>
    /// <returns>Null if too little of it could go in to be worth fetching.</returns>
    public static LeftoverUse? Of(Leftover left, PasteRecipe wanted, double needG, double mostDeltaE, Materials materials)
    {
        var target = PasteOptics.ColourOf(wanted, materials);
        var apartDeltaE = DeltaE2000.Between(new PasteLump(1, left.Optics).Colour, target);
        var isKin = left.Batch.Recipe.Doses.All(had => wanted.Doses.Any(dose => dose.ColourantId == had.ColourantId)) || apartDeltaE <= KinDeltaE;
        if (!isKin)
            return null;
        var most = Math.Min(left.Batch.PasteG, needG);
        var keepG = most;
        if (OffAt(most) > mostDeltaE)
        {
            var low = 0.0;
            for (var i = 0; i < Halvings; i++)
            {
                var middle = (low + keepG) / 2;
                if (OffAt(middle) > mostDeltaE)
                    keepG = middle;
                else
                    low = middle;
            }

            // Whole grams, so that it can be weighed and stays within bounds.
            keepG = Math.Floor(low);
        }

        if (keepG < Math.Min(WorthFetchingG, needG))
            return null;
        var batch = DosedRecipe.For(AddedTo(keepG), needG, materials, mostDeltaE * ShareForRounding, needG - keepG);
        var colour = ColourOf(keepG, [.. batch.Colours.Select(one => new Dose(one.ColourantId, one.MeasuredG * 100 / needG))]);
        // Counting in whole touches must not use up more than was allowed for all of it.
        if (DeltaE2000.Between(target, colour) > mostDeltaE)
            return null;
        return new LeftoverUse(left.BatchId, keepG, needG - keepG, batch, apartDeltaE <= mostDeltaE, colour, Difference.Of(colour, target));

        double OffAt(double grams) => DeltaE2000.Between(target, ColourOf(grams, AddedTo(grams).Doses));

        // In g per 100 g of the whole.
        PasteRecipe AddedTo(double grams) => new PasteRecipe(wanted.BaseId, [.. wanted.Doses.Select(dose => dose with
        {
            GPer100g = Math.Max(0, dose.GPer100g - left.Batch.Recipe.Doses.Where(had => had.ColourantId == dose.ColourantId).Sum(had => had.GPer100g) * grams / needG),
        })]).WithoutNothing();

        Lab ColourOf(double grams, IReadOnlyList<Dose> doses)
        {
            var fresh = materials.Get<PasteBase>(wanted.BaseId).Optics;
            var whole = PasteLump.Blend(left.Optics, fresh, (needG - grams) / needG);
            return Illuminant.D65.LabOf(KubelkaMunk.Opaque(whole.With(PasteOptics.Colour(doses, materials))));
        }
    }
}
