using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Mixing;

/// <summary>A spoiled batch, to be mixed with fresh paste in any share and coloured on from there.</summary>
internal sealed class Rescuer
{
    // In money, for 100 g of paste: what a colour to fetch, a gram to count out, and a step of colour are worth.
    private const double PriceOfAColour = 0.10;
    private const double PriceOfAGram = 0.50;
    private const double PriceOfDeltaE = 0.20;

    // Where the cabinet has no price.
    private const double UsualPastePrice = 0.015;
    private const double UsualColourPrice = 0.20;

    /// <summary>Beyond what a fresh batch takes, g per 100 g: nobody kneads in powder by the spoonful to save some paste.</summary>
    private const double MostExtraGPer100g = 0.5;

    /// <summary>A dose below this counts as none, g per 100 g.</summary>
    private const double NoDose = 1e-6;

    private readonly MadeBatch batch;
    private readonly RecipeSearch search;
    private readonly Materials materials;
    private readonly CancellationToken cancel;
    private readonly KubelkaMunkSpectra optics;
    private readonly PasteBase fresh;
    private readonly double mostAddedGPer100g;
    private readonly IReadOnlyList<Colourant> colourants;
    private readonly IReadOnlyList<KubelkaMunkSpectra> colours;

    /// <param name="freshRecipe">What starting again would take.</param>
    public Rescuer(MadeBatch batch, RecipeSearch search, PasteRecipe freshRecipe, Materials materials, CancellationToken cancel)
    {
        mostAddedGPer100g = freshRecipe.Doses.Sum(dose => dose.GPer100g) + MostExtraGPer100g;
        this.batch = batch;
        this.search = search;
        this.materials = materials;
        this.cancel = cancel;
        optics = batch.Optics(materials);
        fresh = materials.Get<PasteBase>(search.BaseIds[0]);
        colourants = [.. materials.All.OfType<Colourant>()];
        colours = [.. colourants.Select(colourant => colourant.Optics)];
    }

    public Lab Now => Illuminant.D65.LabOf(KubelkaMunk.Opaque(optics));

    /// <summary>How near the target can be brought, CIEDE2000.</summary>
    /// <param name="share">Of the old batch in the new one, 0 to 1.</param>
    public double Reach(double share) => Additions(share).Min(set => set.DeltaE);

    /// <summary>What mixing the old batch in this share would cost, in money and in counting; infinite if it does not come near.</summary>
    /// <param name="near">Delta E that counts as near.</param>
    public double TroubleAt(double share, double near) => Best(share, near) is var set && set.DeltaE <= near
        ? (1 - share) * (fresh.Supply.PricePerG ?? UsualPastePrice) * 100 + Trouble(set)
        : double.PositiveInfinity;

    /// <summary>The handiest additions of those that come near; the nearest if none does.</summary>
    private ColourSet Best(double share, double near)
    {
        var sets = Additions(share);
        var nearest = sets.MinBy(set => set.DeltaE)!;
        return nearest.DeltaE > near ? nearest : sets.Where(set => set.DeltaE <= near).MinBy(set => PriceOfDeltaE * set.DeltaE + Trouble(set))!;
    }

    /// <summary>For 100 g: what the colours cost, and the counting.</summary>
    private double Trouble(ColourSet set)
    {
        var trouble = 0.0;
        for (var i = 0; i < set.Doses.Length; i++)
        {
            if (set.Doses[i] > NoDose)
                trouble += PriceOfAColour + set.Doses[i] * (PriceOfAGram + (colourants[set.Chosen[i]].Supply.PricePerG ?? UsualColourPrice));
        }

        return trouble;
    }

    /// <summary>Nothing at all, and every set of colours that is worth a thought.</summary>
    private List<ColourSet> Additions(double share)
    {
        var model = new PasteColourModel(Blend(share), colours);
        var sets = new List<ColourSet> { new([], [], DeltaE2000.Between(search.Target, model.ColourOf([], []))) };
        var limits = colourants.Select(colourant => Math.Max(0, search.LimitOf(colourant) - share * DoseOf(colourant))).ToArray();
        if (limits.Any(limit => limit > 0))
            sets.AddRange(new SetSearch(model, search.Target, limits).Run([], search.MostColourants, null, cancel).Where(set => set.Doses.Sum() <= mostAddedGPer100g));
        return sets;
    }

    public RescuePlan Plan(double share, double totalG, double near)
    {
        var set = Best(share, near);
        var wanted = set.Chosen.Select((colour, i) => new Dose(colourants[colour].Id, set.Doses[i])).Where(dose => dose.GPer100g > NoDose);
        var keepG = share * totalG;
        var add = DosedRecipe.MeasureAll(wanted, totalG, materials, totalG - keepG);
        var measured = new PasteColourModel(Blend(share), [.. add.Select(colour => materials.Get<Colourant>(colour.ColourantId).Optics)]);
        var doses = add.Select(colour => colour.MeasuredG * 100 / totalG).ToArray();
        int[] all = [.. Enumerable.Range(0, add.Count)];
        var colour = measured.ColourOf(all, doses);
        var cost = fresh.Supply.PricePerG * (totalG - keepG);
        foreach (var one in add)
            cost += materials.Get<Colourant>(one.ColourantId).Supply.PricePerG * one.Grams;
        return new RescuePlan(
            keepG, totalG - keepG, [.. add.Select((one, i) => one with { OneUnitMore = OneMore(i) })],
            totalG, Math.Max(0, batch.PasteG - keepG), colour, Difference.Of(colour, search.Target), cost);

        double? OneMore(int place)
        {
            if (add[place].Units is not { } units)
                return null;
            var more = (double[])doses.Clone();
            more[place] += units.Unit.MassG * 100 / totalG;
            return DeltaE2000.Between(colour, measured.ColourOf(all, more));
        }
    }

    private KubelkaMunkSpectra Blend(double share) => PasteLump.Blend(fresh.Optics, optics, share);

    private double DoseOf(Colourant colourant) => batch.Recipe.Doses.Where(dose => dose.ColourantId == colourant.Id).Sum(dose => dose.GPer100g);
}
