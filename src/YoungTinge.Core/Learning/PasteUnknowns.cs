namespace YoungTinge.Core.Learning;

/// <summary>What the colour of a paste hangs on, no jar in it twice: strength and tilt of the jar of each dose, in their order, and after these what each unit is that some of it was counted in.</summary>
internal sealed class PasteUnknowns(IReadOnlyList<JarDose> doses)
{
    public IReadOnlyList<OwnUnit> Units { get; } = [.. doses.Select(dose => dose.Counted?.Unit).OfType<OwnUnit>().Distinct()];

    public int Count => 2 * doses.Count + Units.Count;

    /// <summary>By their places in all that is solved.</summary>
    /// <param name="strengthOf">Of a jar; its tilt comes after it. Null for one that is not solved.</param>
    /// <param name="placeOf">Of a unit, likewise.</param>
    public IEnumerable<int?> Places(Func<string, int?> strengthOf, Func<OwnUnit, int?> placeOf) =>
        [.. doses.Select(dose => strengthOf(dose.JarId)).SelectMany(strength => new[] { strength, strength + 1 }), .. Units.Select(placeOf)];

    /// <summary>Of what is taken of one that was never solved.</summary>
    public double PriorVariance(int unknown) => unknown < 2 * doses.Count ? JarPrior.Variance(unknown % 2) : UnitPrior.Variance(Units[unknown - 2 * doses.Count]);
}
