using SkiaSharp;
using YoungTinge.Core.Pictures;

namespace YoungTinge.Files.Pictures;

/// <summary>A picture made smaller while its rows come in: each pixel of it is the mean of the area that it covers.</summary>
/// <param name="fromWidth">Pixels of the rows that come in.</param>
/// <param name="width">Of the small picture; no wider and no higher than what comes in.</param>
internal sealed class ShrunkPicture(int fromWidth, int fromHeight, int width, int height)
{
    private readonly byte[] rgb = new byte[3 * width * height];

    /// <summary>Of the row of the small picture that is being filled: codes times their share of the area.</summary>
    private readonly double[] sums = new double[3 * width];

    /// <summary>A row that came in, across made small.</summary>
    private readonly double[] across = new double[3 * width];
    private int rowsIn;

    /// <param name="rgba">One or more whole rows, alpha not multiplied in.</param>
    public void Add(ReadOnlySpan<byte> rgba)
    {
        for (; rgba.Length > 0; rgba = rgba[(4 * fromWidth)..])
            AddRow(rgba[..(4 * fromWidth)]);
    }

    private void AddRow(ReadOnlySpan<byte> row)
    {
        ShrinkAcross(row);
        // This row covers from top to bottom, in rows of the small picture; never more than two of those.
        double top = (double)rowsIn * height / fromHeight, bottom = (double)(rowsIn + 1) * height / fromHeight;
        rowsIn++;
        var target = Math.Min(height - 1, (int)top);
        AddTo(Math.Min(bottom, target + 1) - top);
        if (bottom < target + 1 && rowsIn < fromHeight)
            return;
        Finish(target);
        if (bottom > target + 1 && target + 1 < height)
            AddTo(bottom - (target + 1));
    }

    private void ShrinkAcross(ReadOnlySpan<byte> row)
    {
        Array.Clear(across);
        var share = (double)width / fromWidth;
        for (var x = 0; x < fromWidth; x++)
        {
            double left = x * share, right = left + share;
            var column = Math.Min(width - 1, (int)left);
            var within = Math.Min(right, column + 1) - left;
            AddPixel(row.Slice(4 * x, 4), column, within);
            if (right > column + 1 && column + 1 < width)
                AddPixel(row.Slice(4 * x, 4), column + 1, right - (column + 1));
        }
    }

    /// <summary>On white where it is clear.</summary>
    private void AddPixel(ReadOnlySpan<byte> rgba, int column, double share)
    {
        int alpha = rgba[3], white = 255 * (255 - alpha);
        for (var channel = 0; channel < 3; channel++)
            across[3 * column + channel] += share * (alpha == 255 ? rgba[channel] : (rgba[channel] * alpha + white) / 255.0);
    }

    private void AddTo(double share)
    {
        for (var i = 0; i < sums.Length; i++)
            sums[i] += share * across[i];
    }

    private void Finish(int row)
    {
        for (var i = 0; i < sums.Length; i++)
            rgb[row * sums.Length + i] = (byte)Math.Clamp(Math.Round(sums[i]), 0, 255);
        Array.Clear(sums);
    }

    /// <summary>As it was held when it was taken (Exif orientation 1 to 8).</summary>
    public Photograph Upright(SKEncodedOrigin origin)
    {
        var isTurned = origin is SKEncodedOrigin.LeftTop or SKEncodedOrigin.RightTop or SKEncodedOrigin.RightBottom or SKEncodedOrigin.LeftBottom;
        var (columns, rows) = isTurned ? (height, width) : (width, height);
        var upright = new byte[rgb.Length];
        for (var y = 0; y < rows; y++)
        {
            for (var x = 0; x < columns; x++)
            {
                var (column, row) = Source(origin, x, y);
                rgb.AsSpan(3 * (row * width + column), 3).CopyTo(upright.AsSpan(3 * (y * columns + x)));
            }
        }

        return new Photograph(columns, rows, upright);
    }

    private (int Column, int Row) Source(SKEncodedOrigin origin, int x, int y) => origin switch
    {
        SKEncodedOrigin.TopRight => (width - 1 - x, y),
        SKEncodedOrigin.BottomRight => (width - 1 - x, height - 1 - y),
        SKEncodedOrigin.BottomLeft => (x, height - 1 - y),
        SKEncodedOrigin.LeftTop => (y, x),
        SKEncodedOrigin.RightTop => (y, height - 1 - x),
        SKEncodedOrigin.RightBottom => (width - 1 - y, height - 1 - x),
        SKEncodedOrigin.LeftBottom => (width - 1 - y, x),
        _ => (x, y),
    };
}
