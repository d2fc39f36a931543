using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Coats.Model;

/// <summary>A plan with all that it names looked up in the cabinet, once: what all computing works on.</summary>
public sealed class ResolvedPlan
{
    /// <summary>The plan may name nothing that the cabinet does not have: it is checked before.</summary>
    /// <exception cref="KeyNotFoundException">It names something that is not there.</exception>
    public ResolvedPlan(PiecePlan plan, Materials cabinet)
        : this(plan, cabinet, PasteOptics.Mix(plan.Paste, cabinet), [.. plan.Coats.Select(coat => coat.Resolve(cabinet))])
    {
    }

    private ResolvedPlan(PiecePlan plan, Materials cabinet, KubelkaMunkSpectra paste, IReadOnlyList<ResolvedCoat> coats) =>
        (Plan, Cabinet, Paste, Coats) = (plan, cabinet, paste, coats);

    public PiecePlan Plan { get; }

    /// <summary>That it was resolved against.</summary>
    public Materials Cabinet { get; }

    /// <summary>K and S of the coloured paste when its colour has come out, in 1/mm.</summary>
    public KubelkaMunkSpectra Paste { get; }

    /// <summary>In order, first on the paste.</summary>
    public IReadOnlyList<ResolvedCoat> Coats { get; }

    /// <summary>What the coats of one side do to the light; null where a coat is not on it.</summary>
    public IReadOnlyList<Layer?> LayersOn(Side side) => [.. Coats.Select(coat => coat.Coat.IsOn(side) ? coat.Layer : null)];

    /// <summary>The same paste under other coats; those that were there already are not looked up again.</summary>
    public ResolvedPlan With(IReadOnlyList<Coat> coats) => new(
        Plan with { Coats = coats }, Cabinet, Paste,
        [.. coats.Select(coat => Coats.FirstOrDefault(known => ReferenceEquals(known.Coat, coat)) ?? coat.Resolve(Cabinet))]);

    /// <summary>Another plan of the same piece.</summary>
    public ResolvedPlan With(PiecePlan plan) => ReferenceEquals(plan.Paste, Plan.Paste) ? With(plan.Coats).As(plan) : new ResolvedPlan(plan, Cabinet);

    private ResolvedPlan As(PiecePlan plan) => new(plan, Cabinet, Paste, Coats);
}
