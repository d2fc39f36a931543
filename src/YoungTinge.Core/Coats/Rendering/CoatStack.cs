using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Coats.Rendering;

/// <summary>The coats of one side of a piece as layers of colour.</summary>
public static class CoatStack
{
    /// <param name="isLaid">Whether the coat at this place is there; all are by default.</param>
    public static LayerStack Of(ResolvedPlan plan, Side side, Func<int, bool>? isLaid = null) =>
        new(plan.Paste, [.. plan.Coats.Select((coat, i) => coat.Coat.IsOn(side) && (isLaid is null || isLaid(i)) ? coat.Layer : null)]);
}
