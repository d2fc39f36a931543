using YoungTinge.Core.Cabinet;

namespace YoungTinge.Core.Coats.Model;

/// <summary>How strong a wash is, as it is counted at the bench: so many touches of its main colour to so many spoons of spirit.</summary>
/// <param name="Unit">A touch, or the smallest measure that the maker has for the colour.</param>
/// <param name="Count">Whole for one to several spoons, or to a tenth.</param>
/// <param name="Spoons">1 unless one is too much for a spoon, or only several take a whole number.</param>
public sealed record WashStrength(DoseUnitKind Unit, double Count, int Spoons)
{
    public const double SpoonMl = 5;

    /// <summary>A touch of a colour that has no measure of its own.</summary>
    private const double UsualTouchG = 0.01;

    private const int MostSpoons = 4;

    private const double MostCounted = 12;

    /// <summary>So far off, as a share, a count still passes for whole.</summary>
    private const double NearlyWhole = 0.08;

    /// <summary>Of the colour there is most of, in the measure that takes the fewest: nobody counts forty touches.</summary>
    /// <param name="wash">With at least one part of something.</param>
    public static WashStrength Of(WashCoat wash, Materials cabinet)
    {
        var colour = cabinet.Get<Material>(wash.Mix.MaxBy(portion => portion.Parts)!.MaterialId);
        var gramsToASpoon = wash.GPerMl * SpoonMl;
        // Seven knife tips to two spoons are counted; 3.3 to one are not.
        var (unit, spoonsOfIt, count) = ((colour as Colourant)?.Units ?? []).SelectMany(unit => Enumerable.Range(1, MostSpoons).Select(spoons => (unit, Spoons: spoons, Count: spoons * gramsToASpoon / unit.MassG)))
            .Where(one => one.Count >= 1 - NearlyWhole && (one.Spoons == 1 || IsNearlyWhole(one.Count)))
            .OrderBy(one => one.Count > MostCounted).ThenBy(one => !IsNearlyWhole(one.Count)).ThenBy(one => one.Spoons).ThenBy(one => one.Count).FirstOrDefault();
        if (unit is not null)
            return new WashStrength(unit.Kind, Math.Round(count, IsNearlyWhole(count) ? 0 : 1), spoonsOfIt);
        var touch = TouchOf(colour);
        var toASpoon = gramsToASpoon / touch.MassG;
        var spoons = toASpoon < 1 ? Math.Min(MostSpoons, (int)Math.Round(1 / toASpoon)) : 1;
        return new WashStrength(touch.Kind, Math.Round(toASpoon * spoons, 1), spoons);
    }

    private static bool IsNearlyWhole(double count) => Math.Round(count) > 0 && Math.Abs(count / Math.Round(count) - 1) <= NearlyWhole;

    internal static DoseUnit TouchOf(Material colour) =>
        (colour as Colourant)?.Units.OrderBy(unit => unit.Kind != DoseUnitKind.Touch).ThenBy(unit => unit.MassG).FirstOrDefault() ?? new DoseUnit(DoseUnitKind.Touch, UsualTouchG);
}
