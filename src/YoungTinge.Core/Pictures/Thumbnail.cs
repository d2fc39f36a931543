using YoungTinge.Core.Colour;
using YoungTinge.Core.Numerics;

namespace YoungTinge.Core.Pictures;

/// <summary>A picture made small by averaging its light: what a whole-picture question needs, without its noise.</summary>
internal sealed class Thumbnail
{
    private readonly LinearRgb[] cells;

    private Thumbnail(int columns, int rows, LinearRgb[] cells) => (Columns, Rows, this.cells) = (columns, rows, cells);

    public int Columns { get; }

    public int Rows { get; }

    public int Cells => cells.Length;

    public LinearRgb this[int cell] => cells[cell];

    public LinearRgb At(int column, int row) => cells[row * Columns + column];

    /// <param name="longest">Cells along the longer side; fewer if the picture has fewer pixels.</param>
    public static Thumbnail Of(Photograph photo, int longest)
    {
        var scale = Math.Min(1.0, (double)longest / Math.Max(photo.Width, photo.Height));
        int columns = Math.Max(1, (int)(photo.Width * scale)), rows = Math.Max(1, (int)(photo.Height * scale));
        var cells = new LinearRgb[columns * rows];
        SideBySide.Do(rows, row =>
        {
            int top = row * photo.Height / rows, bottom = Math.Max(top + 1, (row + 1) * photo.Height / rows);
            for (var column = 0; column < columns; column++)
            {
                int left = column * photo.Width / columns, right = Math.Max(left + 1, (column + 1) * photo.Width / columns);
                cells[row * columns + column] = photo.MeanOver(left, top, right, bottom);
            }
        });
        return new Thumbnail(columns, rows, cells);
    }
}
