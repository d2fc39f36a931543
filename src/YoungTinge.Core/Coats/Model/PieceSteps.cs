using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.Coats.Model;

/// <param name="ThicknessMm">Of a flat piece; null for a solid one.</param>
/// <param name="Body">What they are made of.</param>
/// <param name="Gauge">Of the wire that carries each; null for none.</param>
/// <param name="Cut">What is particular about the cutting; null for nothing.</param>
/// <param name="Hole">Of the maker's own sizing holes, that holds the paste for one; null if none does.</param>
public sealed record ShapePieces(string Key, int Pieces, int Spares, BenchBall Ball, double PieceG, double? ThicknessMm, PieceBody Body, int? Gauge, PieceCut? Cut, int? Hole)
    : RunStep(Key, [Caution.BladesAndWire]);

/// <param name="Until">As dry as what follows asks.</param>
/// <param name="Hours">About so long in its room.</param>
/// <param name="IsTooDamp">The air of its room is so damp that it will not dry there: the hours are those of a room that is just not.</param>
public sealed record DryPieces(string Key, Dryness Until, double Hours, bool IsTooDamp) : RunStep(Key, []);

public sealed record ComparePieces(string Key) : RunStep(Key, []);
