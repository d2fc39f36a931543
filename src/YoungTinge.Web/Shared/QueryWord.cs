namespace YoungTinge.Web.Shared;

/// <summary>A choice in a query, by the word that it has in JSON; a plain enum in a query would have to be written as in the code.</summary>
public readonly record struct QueryWord<T>(T Value) where T : struct, Enum
{
    public static bool TryParse(string? text, out QueryWord<T> word)
    {
        var known = Enum.TryParse<T>(text, ignoreCase: true, out var value) && Enum.IsDefined(value);
        word = new QueryWord<T>(value);
        return known;
    }
}
