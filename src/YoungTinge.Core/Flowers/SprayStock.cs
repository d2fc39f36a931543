namespace YoungTinge.Core.Flowers;

/// <summary>What there is to make sprays of.</summary>
/// <param name="Made">Without spares; groups where they are gathered.</param>
/// <param name="ReachMm">How large one is, from its middle or its foot to its farthest tip.</param>
public sealed record SprayStock(SprayPart Part, Guid FlowerId, Guid? PieceId, int Made, double ReachMm)
{
    /// <param name="pieces">Of one flower, with how many flowers or buds they are for.</param>
    public static IEnumerable<SprayStock> Of(Guid flowerId, IReadOnlyList<PieceOfFlower> pieces)
    {
        var buds = pieces.Where(piece => piece.Piece.PartOf == PartOf.Bud && piece.Parts > 0).ToList();
        if (buds.Count > 0)
            yield return new SprayStock(SprayPart.Buds, flowerId, null, buds[0].Parts, buds.Max(piece => piece.Piece.LengthMm));
        var open = pieces.Where(piece => piece.Parts > 0 && HouseAssembly.InFlower(piece.Piece)).ToList();
        if (open.Count > 0)
            yield return new SprayStock(SprayPart.Flowers, flowerId, null, open[0].Parts, Bloom.ReachMm([.. open.Select(piece => piece.Piece)]));
        foreach (var leaf in pieces.Where(piece => piece.Parts > 0 && piece.Piece.PartOf == PartOf.Flower && piece.Piece.Form.Role is PieceRole.Leaf or PieceRole.Berry))
            yield return new SprayStock(SprayPart.Leaves, flowerId, leaf.PieceId, leaf.Piece.Groups(leaf.Parts), leaf.Piece.LengthMm);
    }
}
