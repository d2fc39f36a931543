using System.Collections.Concurrent;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Checks;

/// <summary>The finder against solving every set of colourants, on random screen colours. Slow: for a well-filled shelf, hours.</summary>
public sealed class AgreementCheck(Materials materials, int most)
{
    private const string Base = "bright-white-paste";

    private readonly Exhaustive exhaustive = new(materials, Base, most);

    /// <param name="seed">The same seed gives the same colours.</param>
    public static IEnumerable<Lab> RandomTargets(int count, int seed = 1)
    {
        var random = new Random(seed);
        return [.. Enumerable.Range(0, count).Select(_ => Illuminant.D65.LabOf(new Srgb(random.NextDouble(), random.NextDouble(), random.NextDouble())))];
    }

    /// <summary>Targets that some recipe of the cabinet gives: doses from a hundredth of a gram to a gram in 100 g, evenly in their logarithm.</summary>
    public static IEnumerable<Lab> RecipeTargets(int count, Materials materials, int most, int seed = 1)
    {
        var random = new Random(seed);
        var colourants = materials.All.OfType<Colourant>().ToArray();
        return [.. Enumerable.Range(0, count).Select(_ =>
        {
            random.Shuffle(colourants);
            var doses = colourants.Take(random.Next(1, most + 1)).Select(colourant => new Dose(colourant.Id, Math.Pow(10, -2 * random.NextDouble())));
            return PasteOptics.ColourOf(new PasteRecipe(Base, [.. doses]), materials);
        })];
    }

    public IReadOnlyList<FinderResult> Run(int targets, Action<string> say)
    {
        var results = new ConcurrentBag<FinderResult>();
        Parallel.ForEach(RandomTargets(targets), target =>
        {
            var clock = System.Diagnostics.Stopwatch.StartNew();
            var best = RecipeFinder.Find(materials, new RecipeSearch(Base, target, 100) { MostColourants = most })[0];
            var took = clock.Elapsed;
            // Nothing can be nearer than there: then the search need not be made.
            var deltaE = best.Difference.DeltaE;
            var result = new FinderResult(target.ToString(), best, deltaE <= FinderResult.Allowance ? 0 : deltaE - exhaustive.Best(target), took);
            results.Add(result);
            if (!result.Passes)
                say($"FAILED {target}: {result.Excess:0.000} over the exhaustive search");
        });
        say($"{results.Count(result => result.Best.Difference.DeltaE > FinderResult.Allowance)} of {targets} out of reach, worst excess {results.Max(result => result.Excess):0.0000}, median time {results.Select(result => result.Took.TotalMilliseconds).Order().ElementAt(targets / 2):0} ms");
        return [.. results];
    }
}
