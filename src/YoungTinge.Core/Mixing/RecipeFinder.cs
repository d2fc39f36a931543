using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Mixing;

/// <summary>
/// Finds paste recipes for a colour. Every set of up to three colourants is solved for its best doses, so no set is missed;
/// then the nearest, and others near it that are really different, are picked.
/// </summary>
public sealed class RecipeFinder
{
    /// <summary>Delta E that nobody sees: within it the steadier, simpler recipe is the better one.</summary>
    private const double SameColour = 0.03;

    /// <summary>How much farther than the best another recipe may be and still be worth showing.</summary>
    private const double StillNear = 1.0;

    /// <summary>How much farther than the best a set may be on the rough yardstick and still be solved exactly, in delta E.</summary>
    private const double RoughMargin = 2.5;

    /// <summary>The two yardsticks part the more, the farther the target is out of reach: added for each delta E of the best.</summary>
    private const double RoughMarginShare = 0.4;

    /// <summary>No more sets than this are solved exactly; far out of reach very many end near each other.</summary>
    private const int MostExact = 400;

    /// <summary>The same for walking it again from elsewhere: more, since it may have gone into a wrong valley.</summary>
    private const double SecondWalkMargin = 6;

    /// <summary>Share of colour that two recipes may have in common and still count as different.</summary>
    private const double MostInCommon = 0.5;

    /// <summary>A dose error that happens at the bench.</summary>
    private const double DoseError = 0.10;

    /// <summary>What each further colour costs against a nearer or steadier recipe, in delta E.</summary>
    private const double PriceOfAColour = 0.15;

    /// <summary>What each g per 100 g costs: a paste with much in it turns soft, and nobody counts twenty knife tips.</summary>
    private const double PriceOfAGram = 1.0;

    /// <summary>Extra starts for a set that missed, g per 100 g of each colourant; the fit of K/S can start in a wrong valley.</summary>
    private static readonly double[] OtherStarts = [0.05, 1.0];

    private readonly RecipeSearch search;
    private readonly IReadOnlyList<Colourant> colourants;
    private readonly PasteColourModel model;
    private readonly double[] ratio;
    private readonly DoseSolver solver;

    private RecipeFinder(Materials materials, RecipeSearch search)
    {
        this.search = search;
        colourants = [.. materials.All.OfType<Colourant>()];
        model = new PasteColourModel(materials.Get<PasteBase>(search.BaseId), colourants);
        var wanted = ReflectanceFromColour.Convert(Illuminant.D65.LinearRgbOf(search.Target));
        ratio = [.. wanted.Values.ToArray().Select(KubelkaMunk.RatioFromReflectance)];
        solver = new DoseSolver(model, search.Target);
    }

    /// <summary>The nearest recipes, best first; none if the cabinet has no colourants.</summary>
    /// <exception cref="KeyNotFoundException">No such base paste.</exception>
    /// <exception cref="ArgumentOutOfRangeException">A target that is not a number, or a batch without mass.</exception>
    /// <exception cref="OperationCanceledException">Stopped by the caller.</exception>
    public static IReadOnlyList<FoundRecipe> Find(Materials materials, RecipeSearch search, CancellationToken cancel = default)
    {
        if (!search.Target.IsFinite)
            throw new ArgumentOutOfRangeException(nameof(search), search.Target, "The target must be a colour.");
        if (!(search.PasteG > 0))
            throw new ArgumentOutOfRangeException(nameof(search), search.PasteG, "A batch needs some paste.");
        ArgumentOutOfRangeException.ThrowIfLessThan(search.MostColourants, RecipeSearch.FewestColourants);
        ArgumentOutOfRangeException.ThrowIfGreaterThan(search.MostColourants, RecipeSearch.MostColourantsEver);
        var finder = new RecipeFinder(materials, search);
        return finder.Pick(finder.SolveEverySet(cancel));
    }

    private sealed record Candidate(int[] Chosen, double[] Limits, double[] Doses, double DeltaE);

    private List<Candidate> SolveEverySet(CancellationToken cancel)
    {
        var rough = new List<Candidate>();
        var best = double.PositiveInfinity;
        foreach (var chosen in Sets(colourants.Count, search.MostColourants))
        {
            cancel.ThrowIfCancellationRequested();
            var candidate = SolveRoughly(chosen, best);
            best = Math.Min(best, candidate.DeltaE);
            rough.Add(candidate);
        }

        var found = new List<Candidate>();
        var margin = RoughMargin + RoughMarginShare * best;
        foreach (var candidate in rough.Where(candidate => candidate.DeltaE <= best + margin).OrderBy(candidate => candidate.DeltaE).Take(MostExact))
        {
            cancel.ThrowIfCancellationRequested();
            var solved = Walk(candidate, double.PositiveInfinity, Yardstick.Exact);
            // A colourant at no dose: the smaller set says the same with less.
            if (solved.Doses.All(dose => dose > 1e-6))
                found.Add(solved);
        }

        best = found.Count > 0 ? found.Min(candidate => candidate.DeltaE) : 0;
        found.RemoveAll(candidate => candidate.DeltaE > best + StillNear);
        return found;
    }

    private Candidate SolveRoughly(int[] chosen, double bestSoFar)
    {
        var limits = chosen.Select(i => colourants[i].LoadLimitGPer100g).ToArray();
        var doses = new double[chosen.Length];
        model.FitRatio(ratio, chosen, limits, doses);
        // Only a set that could still matter is worth a second walk.
        return Walk(new Candidate(chosen, limits, doses, 0), bestSoFar + SecondWalkMargin, Yardstick.Rough);
    }

    /// <summary>Walks from the doses of a candidate, and from others too if that misses the target by less than a limit.</summary>
    private Candidate Walk(Candidate candidate, double againBelow, Yardstick yardstick)
    {
        var best = (double[])candidate.Doses.Clone();
        var deltaE = solver.Improve(candidate.Chosen, candidate.Limits, best, yardstick);
        if (deltaE > SameColour && deltaE < againBelow)
        {
            foreach (var start in OtherStarts)
            {
                var doses = candidate.Limits.Select(limit => Math.Min(start, limit)).ToArray();
                var other = solver.Improve(candidate.Chosen, candidate.Limits, doses, yardstick);
                if (other < deltaE)
                    (best, deltaE) = (doses, other);
            }
        }

        return candidate with { Doses = best, DeltaE = deltaE };
    }

    private IReadOnlyList<FoundRecipe> Pick(List<Candidate> candidates)
    {
        if (candidates.Count == 0)
            return [];
        var best = candidates.Min(candidate => candidate.DeltaE);
        var ranked = candidates.Select(candidate => (Candidate: candidate, Score: Score(candidate))).OrderBy(pair => pair.Score).ToList();
        var first = ranked.First(pair => pair.Candidate.DeltaE <= best + SameColour).Candidate;
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

    /// <summary>Smaller is better: near, steady, simple, and measurable with the units at hand.</summary>
    private double Score(Candidate candidate)
    {
        var rounded = new double[candidate.Doses.Length];
        for (var i = 0; i < rounded.Length; i++)
        {
            var units = UnitChoice.For(colourants[candidate.Chosen[i]], candidate.Doses[i] * search.PasteG / 100);
            rounded[i] = units is null ? candidate.Doses[i] : units.RoundedG * 100 / search.PasteG;
        }

        var roundedDeltaE = DeltaE2000.Between(search.Target, model.ColourOf(candidate.Chosen, rounded));
        return candidate.DeltaE + roundedDeltaE + 0.5 * Unsteadiness(candidate)
            + PriceOfAColour * candidate.Chosen.Length + PriceOfAGram * candidate.Doses.Sum();
    }

    private double Unsteadiness(Candidate candidate)
    {
        var colour = model.ColourOf(candidate.Chosen, candidate.Doses);
        var worst = 0.0;
        var off = (double[])candidate.Doses.Clone();
        for (var i = 0; i < off.Length; i++)
        {
            off[i] *= 1 + DoseError;
            worst = Math.Max(worst, DeltaE2000.Between(colour, model.ColourOf(candidate.Chosen, off)));
            off[i] = candidate.Doses[i];
        }

        return worst;
    }

    /// <summary>Share of their colouring that two recipes have in common, 0 to 1, by absorption.</summary>
    private double InCommon(Candidate one, Candidate other)
    {
        double shared = 0, total = 0;
        foreach (var i in one.Chosen.Union(other.Chosen))
        {
            double a = Weight(one, i), b = Weight(other, i);
            shared += Math.Min(a, b);
            total += Math.Max(a, b);
        }

        return shared / total;

        double Weight(Candidate candidate, int colourant)
        {
            var place = Array.IndexOf(candidate.Chosen, colourant);
            return place < 0 ? 0 : candidate.Doses[place] * colourants[colourant].Optics.Absorption.Values.ToArray().Sum();
        }
    }

    private FoundRecipe Describe(Candidate candidate)
    {
        var doses = candidate.Chosen.Select((colourant, i) => new Dose(colourants[colourant].Id, candidate.Doses[i]))
            .OrderByDescending(dose => dose.GPer100g).ToList();
        var colour = model.ColourOf(candidate.Chosen, candidate.Doses);
        return new FoundRecipe(new PasteRecipe(search.BaseId, doses), colour, Difference.Of(colour, search.Target), Unsteadiness(candidate));
    }

    private static IEnumerable<int[]> Sets(int count, int most)
    {
        for (var a = 0; a < count; a++)
        {
            yield return [a];
            for (var b = a + 1; most > 1 && b < count; b++)
            {
                yield return [a, b];
                for (var c = b + 1; most > 2 && c < count; c++)
                    yield return [a, b, c];
            }
        }
    }
}
