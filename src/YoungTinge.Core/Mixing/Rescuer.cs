using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Mixing;

/// <summary>A spoiled batch, to be mixed with fresh paste in any share and coloured on from there.</summary>
internal sealed class Rescuer
{
    /// <summary>A colour more in a rescue must bring it this much nearer, in delta E.</summary>
    private const double WorthAColour = 0.15;

    private readonly MadeBatch batch;
    private readonly RecipeSearch search;
    private readonly Materials materials;
    private readonly CancellationToken cancel;
    private readonly Scatterer optics;
    private readonly PasteBase fresh;
    private readonly IReadOnlyList<Colourant> colourants;
    private readonly IReadOnlyList<Scatterer> colours;

    public Rescuer(MadeBatch batch, RecipeSearch search, Materials materials, CancellationToken cancel)
    {
        this.batch = batch;
        this.search = search;
        this.materials = materials;
        this.cancel = cancel;
        optics = batch.Optics(materials);
        fresh = materials.Get<PasteBase>(search.BaseIds[0]);
        colourants = [.. materials.All.OfType<Colourant>()];
        colours = [.. colourants.Select(colourant => colourant.Optics)];
    }

    public Lab Now => Illuminant.D65.LabOf(KubelkaMunk.Opaque(optics.Absorption, optics.Scattering));

    /// <summary>The simplest additions that come about as near as any.</summary>
    /// <param name="share">Of the old batch in the new one, 0 to 1.</param>
    public ColourSet Nearest(double share)
    {
        var model = new PasteColourModel(Blend(share), colours);
        var nothing = new ColourSet([], [], DeltaE2000.Between(search.Target, model.ColourOf([], [])));
        var limits = colourants.Select(colourant => Math.Max(0, search.LimitOf(colourant) - share * DoseOf(colourant))).ToArray();
        if (!limits.Any(limit => limit > 0))
            return nothing;
        var sets = new SetSearch(model, search.Target, limits).Run([], search.MostColourants, null, cancel);
        var simplest = nothing;
        foreach (var bySize in sets.GroupBy(set => set.Doses.Count(dose => dose > 1e-6)).OrderBy(group => group.Key))
        {
            var nearest = bySize.MinBy(set => set.DeltaE)!;
            if (nearest.DeltaE < simplest.DeltaE - WorthAColour)
                simplest = nearest;
        }

        return simplest;
    }

    public RescuePlan Plan(double share, double totalG)
    {
        var set = Nearest(share);
        var add = set.Chosen.Select((colour, i) => new Dose(colourants[colour].Id, set.Doses[i])).Where(dose => dose.GPer100g > 1e-6)
            .Select(dose => DosedRecipe.Measure(dose, totalG, materials)).ToList();
        var measured = new PasteColourModel(Blend(share), [.. add.Select(colour => materials.Get<Colourant>(colour.ColourantId).Optics)]);
        var doses = add.Select(colour => colour.MeasuredG * 100 / totalG).ToArray();
        int[] all = [.. Enumerable.Range(0, add.Count)];
        var colour = measured.ColourOf(all, doses);
        var keepG = share * totalG;
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

    private Scatterer Blend(double share) => new(
        Spectrum.From(band => share * optics.Absorption[band] + (1 - share) * fresh.Optics.Absorption[band]),
        Spectrum.From(band => share * optics.Scattering[band] + (1 - share) * fresh.Optics.Scattering[band]));

    private double DoseOf(Colourant colourant) => batch.Recipe.Doses.Where(dose => dose.ColourantId == colourant.Id).Sum(dose => dose.GPer100g);
}
