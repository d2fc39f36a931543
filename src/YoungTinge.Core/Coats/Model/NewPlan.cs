using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Targets;

namespace YoungTinge.Core.Coats.Model;

/// <summary>The plan that a new piece begins with: what it should look like, on paste as it comes.</summary>
public static class NewPlan
{
    private static readonly Lab Unplanned = new(88, 0, 6);

    /// <param name="colouring">Id of a natural colouring, or one colour for all zones as #rrggbb; anything else is a plain cream.</param>
    /// <returns>Null if the cabinet has no paste.</returns>
    public static PiecePlan? For(string? colouring, Materials materials)
    {
        if (materials.All.OfType<PasteBase>().FirstOrDefault(paste => !paste.Label.IsRetired) is not { } paste)
            return null;
        var recipe = new PasteRecipe(paste.Id, []);
        return new PiecePlan(TargetsFor(colouring), PasteOptics.ColourOf(recipe, materials), recipe, []);
    }

    /// <param name="colouring">As in <see cref="For"/>.</param>
    public static IReadOnlyDictionary<Zone, Target> TargetsFor(string? colouring)
    {
        if (StartingPoints.All.FirstOrDefault(start => start.Id == colouring) is { } start)
            return start.Targets;
        var colour = colouring is not null && Srgb.TryParseHex(colouring, out var rgb) ? Illuminant.D65.LabOf(rgb) : Unplanned;
        return Enum.GetValues<Zone>().ToDictionary(zone => zone, _ => Target.Of(colour));
    }
}
