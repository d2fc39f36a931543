using YoungTinge.Core.Cabinet;

namespace YoungTinge.Core.Coats.Model;

/// <summary>How strong a wash is, as it is counted at the bench: so many touches of its main colour to so many spoons of spirit.</summary>
/// <param name="Unit">A touch, or the smallest measure that the maker has for the colour.</param>
/// <param name="Count">Whole for one to several spoons, or to a tenth.</param>
/// <param name="Spoons">1 unless one is too much for a spoon.</param>
public sealed record WashStrength(DoseUnitKind Unit, double Count, int Spoons)
{
    public const double SpoonMl = 5;

    /// <summary>A touch of a colour that has no measure of its own.</summary>
    private const double UsualTouchG = 0.01;

    private const int MostSpoons = 4;

    /// <summary>Of the colour there is most of.</summary>
    /// <param name="wash">With at least one part of something.</param>
    public static WashStrength Of(WashCoat wash, Materials cabinet)
    {
        var touch = TouchOf(cabinet.Get<Material>(wash.Mix.MaxBy(portion => portion.Parts)!.MaterialId));
        var toASpoon = wash.GPerMl * SpoonMl / touch.MassG;
        var spoons = toASpoon < 1 ? Math.Min(MostSpoons, (int)Math.Round(1 / toASpoon)) : 1;
        return new WashStrength(touch.Kind, Math.Round(toASpoon * spoons, 1), spoons);
    }

    internal static DoseUnit TouchOf(Material colour) =>
        (colour as Colourant)?.Units.OrderBy(unit => unit.Kind != DoseUnitKind.Touch).ThenBy(unit => unit.MassG).FirstOrDefault() ?? new DoseUnit(DoseUnitKind.Touch, UsualTouchG);
}
