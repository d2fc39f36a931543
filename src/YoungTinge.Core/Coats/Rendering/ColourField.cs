namespace YoungTinge.Core.Coats.Rendering;

/// <summary>A side of a piece as a picture over its bounding box, tip up, for a screen to paint.</summary>
/// <param name="Rgb">Three bytes (sRGB) a point, row by row from the tip down, each row from left to right.</param>
public sealed record ColourField(int Columns, int Rows, byte[] Rgb);

/// <summary>A painted detail, to be drawn sharp over the rest of its side.</summary>
/// <param name="Path">SVG path in the box of the piece, in mm, tip up.</param>
/// <param name="Field">What is seen where the detail lies.</param>
public sealed record PaintedMark(string Path, ColourField Field);

/// <summary>One side of a piece: its colours without painted details, and those in order.</summary>
public sealed record SidePicture(ColourField Field, IReadOnlyList<PaintedMark> Marks);
