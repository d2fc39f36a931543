using System.Diagnostics;
using System.Text.Json;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Checks;

/// <param name="Excess">CIEDE2000 of the finder's best recipe over the best that is known.</param>
public sealed record FinderResult(string How, FoundRecipe Best, double Excess, TimeSpan Took)
{
    /// <summary>How much worse than an exhaustive search a recipe may be, in delta E.</summary>
    public const double Allowance = 0.05;

    public bool Passes => Excess <= Allowance;
}

/// <summary>The recipe finder on targets whose best answer is known.</summary>
public sealed class FinderCheck(JsonElement file, Materials materials)
{
    public IReadOnlyList<FinderResult> Run() => [.. file.GetProperty("cases").EnumerateArray().Select(Check)];

    public FinderResult Check(JsonElement known)
    {
        var search = new RecipeSearch(known.Text("base"), known.GetProperty("targetLab").Lab(), 100)
        {
            MostColourants = known.GetProperty("maxColourants").GetInt32(),
        };
        var clock = Stopwatch.StartNew();
        var best = RecipeFinder.Find(materials, search)[0];
        clock.Stop();
        var how = known.TryGetProperty("how", out var words) ? words.GetString()! : "";
        return new FinderResult(how, best, best.Difference.DeltaE - known.Number("bestDeltaE2000"), clock.Elapsed);
    }
}
