namespace YoungTinge.Core.Flowers;

/// <summary>A spot on a piece, in coordinates that mean the same on every size.</summary>
/// <param name="Along">u: 0 at the base to 1 at the tip, along the midrib.</param>
/// <param name="Across">v: 0 on the midrib to 1 at the edge.</param>
/// <param name="EdgeMm">Shortest way to the edge.</param>
/// <param name="XMm">Across from the midrib; below 0 on the left half, as one looks at the face.</param>
/// <param name="YMm">Along from the base.</param>
public readonly record struct PiecePoint(double Along, double Across, double EdgeMm, double XMm = 0, double YMm = 0);
