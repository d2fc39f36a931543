namespace YoungTinge.Files.Tables;

/// <summary>Why a table file cannot be read at all.</summary>
public enum TableProblem
{
    TooLarge,

    /// <summary>No letters and lines: a picture, an archive, a spreadsheet's own format.</summary>
    NotText,
    Empty,
    TooManyLines,
    ColumnsMissing,
    ColumnsUnknown,
    ColumnTwice,

    /// <summary>A JSON file that is not one, or not of this kind.</summary>
    NotThisKind,
}

/// <summary>Why one line cannot be taken in.</summary>
/// <param name="Column">As in the head of the table; empty for the line as a whole.</param>
/// <param name="Code">As <see cref="Core.Cabinet.MaterialRecordProblemCode"/> names it, in camel case, or one of this folder's own.</param>
/// <param name="Said">What stands there, shortened.</param>
public sealed record LineProblem(string Column, string Code, double? Limit = null, string Said = "")
{
    private const int LongestSaid = 60;

    public string Said { get; } = Said.Length > LongestSaid ? $"{Said[..LongestSaid]}…" : Said;
}

public enum LineState
{
    New,
    Changed,
    Same,
    Bad,
}

/// <summary>One line of a file that is to be taken in.</summary>
/// <param name="Number">In the file, from 1; for JSON the place in its list, from 1.</param>
/// <param name="Name">What it is about, to find it again.</param>
/// <param name="Value">Null for a bad line.</param>
public sealed record Line<T>(int Number, string Name, LineState State, T? Value, IReadOnlyList<LineProblem> Problems) where T : class;

public abstract record TableResult<T> where T : class
{
    /// <summary>Every line, good and bad. Nothing has been stored.</summary>
    public sealed record Read(IReadOnlyList<Line<T>> Lines) : TableResult<T>;

    /// <param name="Columns">That it is about.</param>
    public sealed record Refused(TableProblem Problem, double? Limit = null, IReadOnlyList<string>? Columns = null) : TableResult<T>;
}
