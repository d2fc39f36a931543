using YoungTinge.Core.Colour;
using YoungTinge.Core.Ombre;

namespace YoungTinge.Core.Work;

/// <summary>What the whorls of a run should look like as paste, by their own plans.</summary>
/// <param name="Colours">Of each shade, the mean over its pieces; null for one that none is made of.</param>
public sealed record WantedShades(IReadOnlyList<Lab?> Colours)
{
    /// <summary>A step that no eye sees is still a step.</summary>
    private const double LeastStep = 0.5;

    /// <summary>How far each shade should look from the one before, CIEDE2000; null unless every shade has pieces.</summary>
    public IReadOnlyList<double>? Steps => Colours.All(colour => colour is not null)
        ? [.. Colours.Zip(Colours.Skip(1), (one, next) => Math.Max(LeastStep, DeltaE2000.Between(one!.Value, next!.Value)))]
        : null;

    /// <param name="works">All pieces that the run may name.</param>
    public static WantedShades Of(OmbrePlan plan, IReadOnlyList<PlannedWork> works) => new([.. plan.Uses.Select(use =>
    {
        var wanted = works.Where(work => use.PieceIds.Contains(work.PieceId)).Select(work => work.Plan.PasteTarget).ToList();
        return wanted.Count == 0 ? (Lab?)null : new Lab(wanted.Average(colour => colour.L), wanted.Average(colour => colour.A), wanted.Average(colour => colour.B));
    })]);
}
