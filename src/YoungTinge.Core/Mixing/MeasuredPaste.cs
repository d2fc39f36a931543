using YoungTinge.Core.Cabinet;

namespace YoungTinge.Core.Mixing;

/// <summary>A paste as it was really measured.</summary>
/// <param name="PasteG">Before colour, above 0.</param>
public sealed record MeasuredPaste(string BaseId, double PasteG, IReadOnlyList<MeasuredDose> Doses)
{
    /// <param name="materials">All that it names is in it, with the units that it was counted in.</param>
    public PasteRecipe Recipe(Materials materials) =>
        new(BaseId, [.. Doses.Select(dose => new Dose(dose.ColourantId, dose.Grams(materials.Get<Colourant>(dose.ColourantId)) * 100 / PasteG))]);
}

/// <summary>So much of a colour, as a hand has measured it.</summary>
/// <param name="Unit">Null for grams.</param>
/// <param name="Amount">Of the unit, or g; 0 or more.</param>
public sealed record MeasuredDose(string ColourantId, DoseUnitKind? Unit, double Amount)
{
    /// <summary>Whether its colour has such a unit.</summary>
    public bool CanBeOf(Colourant colour) => Unit is null || UnitOf(colour) is not null;

    /// <returns>Null for what was weighed.</returns>
    public DoseUnit? UnitOf(Colourant colour) => colour.Units.FirstOrDefault(unit => unit.Kind == Unit);

    /// <param name="colour">That has its unit.</param>
    public double Grams(Colourant colour) => Amount * (UnitOf(colour)?.MassG ?? 1);
}
