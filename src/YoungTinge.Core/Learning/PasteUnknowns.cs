namespace YoungTinge.Core.Learning;

/// <summary>
/// What the colour of a paste hangs on, no jar in it twice: strength and tilt of the jar of each dose, in their order, after these what each unit is that some of it was
/// counted in, and last, of a paste that still rests, how slowly colours come out.
/// </summary>
/// <param name="restedHours">Null when its colour has come out.</param>
internal sealed class PasteUnknowns(IReadOnlyList<JarDose> doses, double? restedHours)
{
    public IReadOnlyList<JarDose> Doses => doses;

    public double? RestedHours { get; } = doses.Count == 0 ? null : restedHours;

    public IReadOnlyList<OwnUnit> Units { get; } = [.. doses.Select(dose => dose.Counted?.Unit).OfType<OwnUnit>().Distinct()];

    public int Count => 2 * doses.Count + Units.Count + (RestedHours is null ? 0 : 1);

    /// <summary>In all that is solved; null for one that is not.</summary>
    public IEnumerable<int?> In(UnknownPlaces places) =>
    [
        .. doses.Select(dose => places.StrengthOf(dose.JarId)).SelectMany(strength => new[] { strength, strength + 1 }), .. Units.Select(places.Of),
        .. RestedHours is null ? Array.Empty<int?>() : [places.Rest],
    ];

    /// <summary>Of what is taken of one that was never solved.</summary>
    public double PriorVariance(int unknown) => unknown < 2 * doses.Count ? JarPrior.Variance(unknown % 2)
        : unknown < 2 * doses.Count + Units.Count ? UnitPrior.Variance(Units[unknown - 2 * doses.Count]) : RestPrior.Variance;

    /// <summary>By how much each was another in this one paste than on the whole, by their places in it: variances.</summary>
    /// <param name="ageing">Of its jars.</param>
    public IEnumerable<(int Slot, double Variance)> Apart(double ageing) => doses.Select((dose, i) => (Slot: 2 * i, Variance: ageing + dose.Scatter))
        .Concat(RestedHours is null ? [] : [(Slot: Count - 1, Variance: RestPrior.AmongPastes)]).Where(apart => apart.Variance > 0);
}
