namespace YoungTinge.Core.Cabinet;

public enum DoseUnitKind
{
    Touch,
    Drop,
    Pea,
    KnifeTip,
    Pinch,
}

/// <summary>A maker's own measure of one colour.</summary>
/// <param name="MassG">Mean mass of one, above 0.</param>
public sealed record DoseUnit(DoseUnitKind Kind, double MassG)
{
    /// <summary>The maker has weighed some of it; otherwise it is what is usual.</summary>
    public bool IsWeighed { get; init; }
}
