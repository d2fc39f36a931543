using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Mixing;

/// <summary>Finds paste recipes for a colour: the nearest, and others near it that are really different.</summary>
public sealed class RecipeFinder
{
    /// <summary>How much farther than the best another recipe may be and still be worth showing.</summary>
    private const double StillNear = 1.0;

    /// <summary>Share of colour that two recipes may have in common and still count as different.</summary>
    private const double MostInCommon = 0.5;

    /// <summary>A dose error that happens at the bench.</summary>
    private const double DoseError = 0.10;

    // What counts against a recipe beside its delta E, each as the delta E that it is worth.
    private const double PriceOfAColour = 0.15;

    /// <summary>For each g per 100 g: a paste with much in it turns soft, and nobody counts twenty knife tips.</summary>
    private const double PriceOfAGram = 1.0;

    /// <summary>Share of the drift under other lights.</summary>
    private const double PriceOfShift = 0.2;

    /// <summary>For each unit of money per 100 g of paste.</summary>
    private const double PriceOfMoney = 0.1;

    /// <summary>A dose below this counts as none, g per 100 g.</summary>
    private const double NoDose = 1e-6;

    /// <summary>The least of a colour that must be used though nothing calls for it.</summary>
    private const double TraceGPer100g = 0.001;

    /// <summary>A dose that moves the colour by less is left out.</summary>
    private const double UnseenDeltaE = 0.005;

    private static readonly LightKind[] OtherLights = [LightKind.Lamp, LightKind.WarmLed];

    private readonly Materials materials;
    private readonly RecipeSearch search;
    private readonly IReadOnlyList<Colourant> colourants;
    private readonly double[] absorption;
    private readonly Spectrum wanted;

    private RecipeFinder(Materials materials, RecipeSearch search)
    {
        this.materials = materials;
        this.search = search;
        colourants = [.. materials.All.OfType<Colourant>()];
        absorption = [.. colourants.Select(colourant => colourant.Optics.Absorption.Values.ToArray().Sum())];
        wanted = ReflectanceFromColour.Convert(search.Target);
    }

    /// <summary>The nearest recipes, best first.</summary>
    /// <param name="progress">Share of the work done, 0 to 1.</param>
    /// <exception cref="ArgumentException">The search cannot be: see <see cref="SearchCheck"/>.</exception>
    /// <exception cref="OperationCanceledException">Stopped by the caller.</exception>
    public static IReadOnlyList<FoundRecipe> Find(
        Materials materials, RecipeSearch search, Action<double>? progress = null, CancellationToken cancel = default)
    {
        // A target that no surface can be still has a nearest recipe; whether to ask for it is for the caller to say.
        if (SearchCheck.Problems(search, materials).FirstOrDefault(problem => problem.Code != SearchProblemCode.NoSurfaceIsThis) is { } problem)
            throw new ArgumentException($"The search cannot be: {problem}.", nameof(search));
        var finder = new RecipeFinder(materials, search);
        var limits = finder.colourants.Select(search.LimitOf).ToArray();
        var must = search.MustUse.Distinct().Select(id => finder.colourants.Index().First(pair => pair.Item.Id == id).Index).Order().ToArray();
        var found = new List<Candidate>();
        foreach (var (i, baseId) in search.BaseIds.Distinct().Index())
        {
            var model = new PasteColourModel(materials.Get<PasteBase>(baseId).Optics, [.. finder.colourants.Select(colourant => colourant.Optics)]);
            var sets = new SetSearch(model, search.Target, limits).Run(
                must, search.MostColourants, share => progress?.Invoke((i + share) / search.BaseIds.Count), cancel);
            found.AddRange(sets.Select(set => new Candidate(baseId, model, set)));
        }

        return finder.Pick(found);
    }

    /// <summary>What dust and glaze can do where paste ends.</summary>
    /// <param name="found">The answer of the search, not empty.</param>
    /// <returns>Null if the best recipe is there, or nothing brings it nearer.</returns>
    public static SurfaceFinish? Beyond(IReadOnlyList<FoundRecipe> found, RecipeSearch search, Materials materials, CancellationToken cancel = default)
    {
        if (found[0].Difference.Size == DifferenceSize.There)
            return null;
        // Dust can do more on a clear middle tone of one colour than on the deepest mix.
        var middles = materials.All.OfType<Colourant>().Where(colourant => search.LimitOf(colourant) > 0)
            .Select(colourant => new PasteRecipe(search.BaseIds[0], [new Dose(colourant.Id, search.LimitOf(colourant) / 6)]));
        return SurfaceFinishSearch.Find([.. found.Select(recipe => recipe.Recipe), .. middles], search.Target, materials, search.Allows, cancel: cancel);
    }

    private sealed record Candidate(string BaseId, PasteColourModel Model, ColourSet Set)
    {
        public double DeltaE => Set.DeltaE;
    }

    private IReadOnlyList<FoundRecipe> Pick(List<Candidate> candidates)
    {
        var best = candidates.Min(candidate => candidate.DeltaE);
        // A colour at no dose: the smaller set says the same with less.
        var ranked = candidates
            .Where(candidate => candidate.DeltaE <= best + StillNear && (HasEveryDose(candidate) || candidate.DeltaE <= best + 1e-9))
            .Select(candidate => (Candidate: candidate, Score: Score(candidate))).OrderBy(pair => pair.Score).ToList();
        var first = ranked.First(pair => pair.Candidate.DeltaE <= best + SetSearch.SameColour).Candidate;
        var picked = new List<Candidate> { first };
        foreach (var (candidate, _) in ranked)
        {
            if (picked.Count == search.Wanted)
                break;
            if (picked.All(other => InCommon(candidate, other) <= MostInCommon))
                picked.Add(candidate);
        }

        // By what is shown: nobody ranks by hundredths.
        var others = picked.Skip(1).OrderBy(candidate => Math.Round(candidate.DeltaE, 1)).ThenBy(Score);
        return [.. others.Prepend(first).Select(Describe)];
    }

    private bool HasEveryDose(Candidate candidate) => candidate.Set.Chosen.Index().All(
        pair => candidate.Set.Doses[pair.Index] > NoDose || search.MustUse.Contains(colourants[pair.Item].Id));

    /// <summary>Smaller is better: near, steady, simple, alike under other lights, cheap, and measurable with the units at hand.</summary>
    private double Score(Candidate candidate)
    {
        var (chosen, doses, deltaE) = candidate.Set;
        var rounded = new double[doses.Length];
        var money = 0.0;
        for (var i = 0; i < rounded.Length; i++)
        {
            var units = UnitChoice.For(colourants[chosen[i]], doses[i] * search.PasteG / 100);
            rounded[i] = units is null ? doses[i] : units.RoundedG * 100 / search.PasteG;
            money += doses[i] * (colourants[chosen[i]].Supply.PricePerG ?? 0);
        }

        var roundedDeltaE = DeltaE2000.Between(search.Target, candidate.Model.ColourOf(chosen, rounded));
        return deltaE + roundedDeltaE + 0.5 * DoseSensitivity(candidate) + PriceOfShift * MetamerismShift(candidate)
            + PriceOfAColour * chosen.Length + PriceOfAGram * doses.Sum() + PriceOfMoney * money;
    }

    private double DoseSensitivity(Candidate candidate)
    {
        var (chosen, doses, _) = candidate.Set;
        var colour = candidate.Model.ColourOf(chosen, doses);
        var worst = 0.0;
        var off = (double[])doses.Clone();
        for (var i = 0; i < off.Length; i++)
        {
            off[i] *= 1 + DoseError;
            worst = Math.Max(worst, DeltaE2000.Between(colour, candidate.Model.ColourOf(chosen, off)));
            off[i] = doses[i];
        }

        return worst;
    }

    /// <summary>How far it parts from the target under other lights.</summary>
    private double MetamerismShift(Candidate candidate)
    {
        Span<double> face = stackalloc double[SpectralGrid.Bands];
        candidate.Model.ReflectanceOf(candidate.Set.Chosen, candidate.Set.Doses, face);
        var worst = 0.0;
        foreach (var kind in OtherLights)
        {
            var light = Lights.Of(kind);
            worst = Math.Max(worst, DeltaE2000.Between(light.LabOf(wanted), LabFromXyz.Convert(light.XyzOf(face), light.White)));
        }

        return worst;
    }

    /// <summary>Share of their colouring that two recipes have in common, 0 to 1, by absorption.</summary>
    private double InCommon(Candidate one, Candidate other)
    {
        double shared = 0, total = 0;
        foreach (var i in one.Set.Chosen.Union(other.Set.Chosen))
        {
            double a = Weight(one.Set, i), b = Weight(other.Set, i);
            shared += Math.Min(a, b);
            total += Math.Max(a, b);
        }

        return total > 0 ? shared / total : 1;

        double Weight(ColourSet set, int colourant)
        {
            var place = Array.IndexOf(set.Chosen, colourant);
            return place < 0 ? 0 : set.Doses[place] * absorption[colourant];
        }
    }

    private FoundRecipe Describe(Candidate candidate)
    {
        var (chosen, exact, _) = candidate.Set;
        var whole = candidate.Model.ColourOf(chosen, exact);
        exact = (double[])exact.Clone();
        for (var i = 0; i < exact.Length; i++)
        {
            if (search.MustUse.Contains(colourants[chosen[i]].Id))
            {
                // What must be there is there, if only as a trace.
                exact[i] = Math.Max(exact[i], TraceGPer100g);
                continue;
            }

            // What is too little to show is not kneaded in: a white is itself by itself.
            var without = (double[])exact.Clone();
            without[i] = 0;
            if (DeltaE2000.Between(whole, candidate.Model.ColourOf(chosen, without)) < UnseenDeltaE)
                exact = without;
        }

        var doses = chosen.Select((colourant, i) => new Dose(colourants[colourant].Id, exact[i])).Where(dose => dose.GPer100g > 0)
            .OrderByDescending(dose => dose.GPer100g).ToList();
        var colour = candidate.Model.ColourOf(chosen, exact);
        return new FoundRecipe(new PasteRecipe(candidate.BaseId, doses), colour, Difference.Of(colour, search.Target), DoseSensitivity(candidate));
    }
}
