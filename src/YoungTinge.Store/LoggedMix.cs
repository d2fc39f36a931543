using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Learning;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Store;

/// <summary>So much of a jar, and which lot of it was open.</summary>
/// <param name="Lot">The maker's mark on the pot; empty if there was none.</param>
/// <param name="GPer100g">Of what was counted, by what its unit was thought to be then.</param>
public sealed record LoggedDose(string ColourantId, string Lot, double GPer100g)
{
    /// <summary>Null for what was weighed, and where that is not known.</summary>
    public LoggedCount? Counted { get; init; }
}

/// <summary>How a dose was counted.</summary>
/// <param name="IsWeighed">The maker had weighed some of the unit.</param>
/// <param name="TimesWritten">What one was thought to be then, against what was written of it.</param>
public sealed record LoggedCount(DoseUnitKind Unit, bool IsWeighed, double Count, double TimesWritten);

/// <summary>A paste as it was kneaded.</summary>
public sealed record LoggedMix(string BaseId, IReadOnlyList<LoggedDose> Doses)
{
    /// <summary>Before colour; null where that is not known.</summary>
    public double? PasteG { get; init; }

    public static LoggedMix Of(PasteRecipe recipe, Materials materials) =>
        new(recipe.BaseId, [.. recipe.WithoutNothing().Doses.Select(dose => new LoggedDose(dose.ColourantId, materials.Find(dose.ColourantId)?.Supply.Lot ?? "", dose.GPer100g))]);

    /// <param name="taught">The cabinet as the logbook has taught it to be.</param>
    /// <param name="known">What it has taught of units.</param>
    public static LoggedMix Of(MeasuredPaste measured, Materials taught, LearnedJars known)
    {
        var mix = Of(measured.Recipe(taught), taught);
        return mix with { PasteG = measured.PasteG, Doses = [.. mix.Doses.Select(dose => dose with { Counted = CountedOf(measured.Doses.First(one => one.ColourantId == dose.ColourantId)) })] };

        LoggedCount? CountedOf(MeasuredDose dose) =>
            dose.UnitOf(taught.Get<Colourant>(dose.ColourantId)) is { } unit ? new LoggedCount(unit.Kind, unit.IsWeighed, dose.Amount, known.TimesOf(OwnUnit.Of(unit))) : null;
    }

    /// <summary>The same jars where this names the same colours.</summary>
    public LoggedMix FromTheJarsOf(LoggedMix other) =>
        this with { Doses = [.. Doses.Select(dose => other.Doses.FirstOrDefault(one => one.ColourantId == dose.ColourantId) is { } same ? dose with { Lot = same.Lot } : dose)] };

    /// <summary>As it was measured; by weight where that is not known, and then for 100 g.</summary>
    public MeasuredPaste Measured => new(BaseId, PasteG ?? UnitG, [.. Doses.Select(dose => dose.Counted is { } counted && PasteG is not null
        ? new MeasuredDose(dose.ColourantId, counted.Unit, counted.Count) : new MeasuredDose(dose.ColourantId, null, dose.GPer100g * (PasteG ?? UnitG) / UnitG))]);

    private const double UnitG = 100;

    public PasteRecipe Recipe => new(BaseId, [.. Doses.Select(dose => new Dose(dose.ColourantId, dose.GPer100g))]);
}
