using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Pictures;

/// <summary>Tells what stands in a picture from what lies behind it: colours that fill its edges are behind, colours of its middle stand.</summary>
internal sealed class Foreground
{
    private const int Groups = 14;

    /// <summary>Groups nearer than this (CIELAB) are one thing in slightly different light.</summary>
    private const double OneThing = 6;

    /// <summary>Cells along an edge that count as its border, as a share of that side.</summary>
    private const double BorderShare = 0.05;

    private const double SmallestShare = 0.004;

    /// <summary>CIELAB from one cell to its neighbour, and from the tapped place, within one flower.</summary>
    private const double NextCell = 7;
    private const double FromTap = 26;

    private readonly int[] componentOf;

    private Foreground(int columns, int rows, int[] componentOf, IReadOnlyList<Component> components, bool isOnPlainMat) =>
        (Columns, Rows, this.componentOf, Components, IsOnPlainMat) = (columns, rows, componentOf, components, isOnPlainMat);

    public int Columns { get; }

    public int Rows { get; }

    /// <summary>What stands together, the most important first.</summary>
    public IReadOnlyList<Component> Components { get; }

    /// <summary>Whether the flower was laid on a plain cloth or card.</summary>
    public bool IsOnPlainMat { get; }

    public bool Contains(Component component, int column, int row) =>
        column >= 0 && row >= 0 && column < Columns && row < Rows && componentOf[row * Columns + column] == component.Number;

    /// <summary>
    /// What is like a place that was pointed at though nothing seems to stand there: from cell to cell as long as the colour changes
    /// gently and stays near.
    /// </summary>
    public Component Around(int cell, IReadOnlyList<Lab> colours)
    {
        var number = Components.Count + 1_000;
        var cells = new List<int>();
        var seen = new HashSet<int> { cell };
        var waiting = new Queue<int>([cell]);
        while (waiting.TryDequeue(out var at))
        {
            cells.Add(at);
            componentOf[at] = number;
            int column = at % Columns, row = at / Columns;
            foreach (var (x, y) in new[] { (column - 1, row), (column + 1, row), (column, row - 1), (column, row + 1) })
            {
                var next = y * Columns + x;
                if (x >= 0 && y >= 0 && x < Columns && y < Rows && !seen.Contains(next)
                    && PatchReader.Distance(colours[at], colours[next]) < NextCell && PatchReader.Distance(colours[cell], colours[next]) < FromTap)
                {
                    seen.Add(next);
                    waiting.Enqueue(next);
                }
            }
        }

        return new Component(number, cells);
    }

    public sealed record Component(int Number, IReadOnlyList<int> Cells);

    /// <summary>A colour with less of the border than this is not what lies behind the flower.</summary>
    private const double FewAtBorder = 0.12;

    /// <summary>Cells between what lies apart and everything else.</summary>
    private const int Gap = 1;

    /// <param name="colours">Of every cell, row by row.</param>
    /// <param name="ignored">Cells that are neither: a card, or what lies outside the part that was asked for.</param>
    public static Foreground Of(IReadOnlyList<Lab> colours, int columns, int rows, Func<int, bool> ignored)
    {
        var seen = Enumerable.Range(0, colours.Count).Where(cell => !ignored(cell)).ToList();
        if (seen.Count == 0)
            return new Foreground(columns, rows, new int[colours.Count], [], false);
        int left = seen.Min(cell => cell % columns), right = seen.Max(cell => cell % columns), top = seen.Min(cell => cell / columns), bottom = seen.Max(cell => cell / columns);
        bool IsBorder(int cell)
        {
            double across = (cell % columns - left + 0.5) / (right - left + 1), down = (cell / columns - top + 0.5) / (bottom - top + 1);
            return Math.Min(Math.Min(across, 1 - across), Math.Min(down, 1 - down)) < BorderShare;
        }

        var fewAtBorder = new bool[colours.Count];
        var onMat = PlainMat.StandsOut(colours, columns, seen, IsBorder);
        var stands = onMat ?? ByGroups(colours, columns, seen, (left, right, top, bottom), IsBorder, fewAtBorder);
        stands = Filled(Smooth(stands, columns, rows), columns, rows);
        var componentOf = new int[colours.Count];
        var components = new List<Component>();
        for (var cell = 0; cell < stands.Length; cell++)
        {
            if (!stands[cell] || componentOf[cell] != 0 || ignored(cell))
                continue;
            var cells = Flood(cell, stands, componentOf, components.Count + 1, columns, rows);
            components.Add(new Component(components.Count + 1, cells));
        }

        components.AddRange(LyingApart(Smooth(fewAtBorder, columns, rows), stands, componentOf, components.Count + 1, columns, rows));
        var large = components.Where(one => one.Cells.Count > SmallestShare * colours.Count && !IsCard(one, colours, columns))
            .OrderByDescending(one => Importance(one, columns, rows)).ToList();
        return new Foreground(columns, rows, componentOf, large, onMat is not null);
    }

    /// <summary>What lies behind has many colours, but they fill the edges of the picture more than its middle.</summary>
    /// <param name="fewAtBorder">Set for what is taken to lie behind though little of the border is like it.</param>
    private static bool[] ByGroups(IReadOnlyList<Lab> colours, int columns, List<int> seen, (int Left, int Right, int Top, int Bottom) edges, Func<int, bool> isBorder, bool[] fewAtBorder)
    {
        var groupOf = ColourGroups.Merged([.. seen.Select(cell => colours[cell])], Groups, OneThing);

        var border = new double[Groups];
        var middle = new double[Groups];
        var all = new double[Groups];
        foreach (var (i, cell) in seen.Index())
        {
            double across = (cell % columns - edges.Left + 0.5) / (edges.Right - edges.Left + 1), down = (cell / columns - edges.Top + 0.5) / (edges.Bottom - edges.Top + 1);
            var group = groupOf[i];
            all[group]++;
            if (isBorder(cell))
                border[group]++;
            if (across is > 0.25 and < 0.75 && down is > 0.25 and < 0.75)
                middle[group]++;
        }

        Normalise(border);
        Normalise(middle);
        Normalise(all);
        var stands = new bool[colours.Count];
        foreach (var (i, cell) in seen.Index())
        {
            var group = groupOf[i];
            stands[cell] = middle[group] > 1.1 * border[group] || border[group] < 0.25 * all[group];
        }

        // A close picture that the flower fills to the edges: then all of it stands.
        if (stands.Count(one => one) < 0.02 * seen.Count)
        {
            foreach (var cell in seen)
                stands[cell] = true;
        }

        foreach (var (i, cell) in seen.Index())
            fewAtBorder[cell] = !stands[cell] && border[groupOf[i]] < FewAtBorder;
        return stands;
    }

    /// <summary>
    /// A piece laid down near the edge, its back up: of a colour that neither the flower nor much of the border has, whole, and apart
    /// from both. What touches the edge of the picture or the flower is taken for what lies behind.
    /// </summary>
    private static IEnumerable<Component> LyingApart(bool[] maybe, bool[] stands, int[] componentOf, int number, int columns, int rows)
    {
        var open = Enumerable.Range(0, maybe.Length).Select(cell => maybe[cell] && !stands[cell]).ToArray();
        for (var cell = 0; cell < open.Length; cell++)
        {
            if (!open[cell] || componentOf[cell] != 0)
                continue;
            var cells = Flood(cell, open, componentOf, number, columns, rows);
            if (cells.All(one => IsFree(one % columns, one / columns)))
                yield return new Component(number, cells);
            number++;
        }

        bool IsFree(int column, int row)
        {
            if (column < Gap || row < Gap || column >= columns - Gap || row >= rows - Gap)
                return false;
            for (var y = row - Gap; y <= row + Gap; y++)
            {
                for (var x = column - Gap; x <= column + Gap; x++)
                {
                    if (stands[y * columns + x])
                        return false;
                }
            }

            return true;
        }
    }

    private static void Normalise(double[] counts)
    {
        var total = Math.Max(1, counts.Sum());
        for (var i = 0; i < counts.Length; i++)
            counts[i] /= total;
    }

    /// <summary>Size, and more so in the middle of the picture.</summary>
    private static double Importance(Component component, int columns, int rows) => component.Cells.Sum(cell =>
    {
        double across = 2.0 * (cell % columns) / columns - 1, down = 2.0 * (cell / columns) / rows - 1;
        return Math.Exp(-1.5 * (across * across + down * down));
    });

    /// <summary>Pale, without colour and a full rectangle: a card that was laid beside the flower.</summary>
    private static bool IsCard(Component component, IReadOnlyList<Lab> colours, int columns)
    {
        var cells = component.Cells;
        int width = cells.Max(cell => cell % columns) - cells.Min(cell => cell % columns) + 1, height = cells.Max(cell => cell / columns) - cells.Min(cell => cell / columns) + 1;
        return cells.Count > 0.9 * width * height && PatchReader.Median(cells.Select(cell => colours[cell].L)) > 75
            && PatchReader.Median(cells.Select(cell => colours[cell].Chroma)) < 6;
    }

    /// <summary>A cell goes with most of those round it: specks vanish and small holes close.</summary>
    private static bool[] Smooth(bool[] stands, int columns, int rows)
    {
        var smooth = new bool[stands.Length];
        for (var row = 0; row < rows; row++)
        {
            for (var column = 0; column < columns; column++)
            {
                int count = 0, standing = 0;
                for (var y = Math.Max(0, row - 1); y <= Math.Min(rows - 1, row + 1); y++)
                {
                    for (var x = Math.Max(0, column - 1); x <= Math.Min(columns - 1, column + 1); x++)
                    {
                        count++;
                        standing += stands[y * columns + x] ? 1 : 0;
                    }
                }

                smooth[row * columns + column] = 2 * standing > count;
            }
        }

        return smooth;
    }

    /// <summary>What is enclosed belongs to what encloses it, whatever its colour: the eye of a flower may be as green as the leaves behind.</summary>
    private static bool[] Filled(bool[] stands, int columns, int rows)
    {
        var behind = stands.Select(one => !one).ToArray();
        var reached = new int[stands.Length];
        for (var cell = 0; cell < stands.Length; cell++)
        {
            int column = cell % columns, row = cell / columns;
            if ((column == 0 || row == 0 || column == columns - 1 || row == rows - 1) && behind[cell] && reached[cell] == 0)
                Flood(cell, behind, reached, 1, columns, rows);
        }

        return [.. reached.Select(one => one == 0)];
    }

    private static List<int> Flood(int start, bool[] within, int[] componentOf, int number, int columns, int rows)
    {
        var cells = new List<int>();
        var waiting = new Stack<int>([start]);
        componentOf[start] = number;
        while (waiting.TryPop(out var cell))
        {
            cells.Add(cell);
            int column = cell % columns, row = cell / columns;
            foreach (var (x, y) in new[] { (column - 1, row), (column + 1, row), (column, row - 1), (column, row + 1) })
            {
                if (x < 0 || y < 0 || x >= columns || y >= rows)
                    continue;
                var next = y * columns + x;
                if (!within[next] || componentOf[next] != 0)
                    continue;
                componentOf[next] = number;
                waiting.Push(next);
            }
        }

        return cells;
    }
}
