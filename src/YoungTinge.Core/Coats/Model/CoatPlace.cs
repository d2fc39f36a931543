using YoungTinge.Core.Cabinet;

namespace YoungTinge.Core.Coats.Model;

/// <summary>Where a coat that comes from elsewhere belongs in a plan.</summary>
public static class CoatPlace
{
    /// <summary>
    /// The plan with the coat: after what lies under its kind, painted details last of theirs, and among dusts and washes after what is as pale. The
    /// others keep their order.
    /// </summary>
    public static PiecePlan With(PiecePlan plan, Coat coat, Materials materials)
    {
        var own = KeyOf(coat, materials);
        var at = plan.Coats.Select(one => KeyOf(one, materials)).ToList().FindLastIndex(key => key.CompareTo(own) <= 0) + 1;
        return plan with { Coats = [.. plan.Coats.Take(at), coat, .. plan.Coats.Skip(at)] };
    }

    private static (CoatStage Stage, bool IsDetail, double Depth) KeyOf(Coat coat, Materials materials)
    {
        var resolved = coat.Resolve(materials);
        return (resolved.Stage, coat.IsDetail, resolved.Stage is CoatStage.Dust or CoatStage.Paint ? -(resolved.Pot?.L ?? 0) : 0);
    }
}
