namespace YoungTinge.Core.Learning;

/// <summary>Where each unknown of all pastes stands: strengths and tilts of jars first, then units, then how they rest.</summary>
/// <param name="Jars">From 0; each has two unknowns.</param>
/// <param name="Units">Among all unknowns.</param>
/// <param name="Rest">Among all unknowns; null when every paste had rested.</param>
internal sealed record UnknownPlaces(IReadOnlyDictionary<string, int> Jars, IReadOnlyDictionary<OwnUnit, int> Units, int? Rest)
{
    public static UnknownPlaces Of(IReadOnlyCollection<PasteUnknowns> pastes)
    {
        var jars = pastes.SelectMany(paste => paste.Doses).Select(dose => dose.JarId).Distinct().Index().ToDictionary(jar => jar.Item, jar => jar.Index);
        var units = pastes.SelectMany(paste => paste.Units).Distinct().Index().ToDictionary(unit => unit.Item, unit => 2 * jars.Count + unit.Index);
        return new UnknownPlaces(jars, units, pastes.Any(paste => paste.RestedHours is not null) ? 2 * jars.Count + units.Count : null);
    }

    public int Count => 2 * Jars.Count + Units.Count + (Rest is null ? 0 : 1);

    /// <summary>Of a jar; its tilt comes after it. Null for one that is not solved.</summary>
    public int? StrengthOf(string jarId) => Jars.TryGetValue(jarId, out var place) ? 2 * place : null;

    public int? Of(OwnUnit unit) => Units.TryGetValue(unit, out var place) ? place : null;
}
