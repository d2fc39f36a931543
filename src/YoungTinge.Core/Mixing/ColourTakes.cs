using YoungTinge.Core.Cabinet;

namespace YoungTinge.Core.Mixing;

/// <summary>What a colour of a paste takes out of the cabinet.</summary>
public static class ColourTakes
{
    /// <param name="measuredG">That goes in, where it needs no let-down.</param>
    /// <param name="besides">Whole units besides the let-down.</param>
    /// <param name="baseId">The paste that a let-down is made with.</param>
    public static IReadOnlyList<MaterialTake> Of(string colourantId, double measuredG, LetDown? letDown, int besides, string baseId) => letDown is null
        ? [new(colourantId, measuredG)]
        : [new(colourantId, (letDown.Units + besides) * letDown.Unit.MassG), new(baseId, letDown.Lumps.Sum(lump => lump.WhiteG))];
}
