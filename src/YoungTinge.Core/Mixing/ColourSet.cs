namespace YoungTinge.Core.Mixing;

/// <summary>Some of the colours at hand, with their doses.</summary>
/// <param name="Chosen">Their places in the list, rising.</param>
/// <param name="Doses">g per 100 g of each.</param>
/// <param name="DeltaE">How far this is from the target, CIEDE2000.</param>
internal sealed record ColourSet(int[] Chosen, double[] Doses, double DeltaE)
{
    /// <summary>The same for the same colours, whatever their doses. Good for up to five of 4,095.</summary>
    public static ulong KeyOf(ReadOnlySpan<int> chosen)
    {
        ulong key = 0;
        foreach (var colour in chosen)
            key = (key << 12) | (uint)(colour + 1);
        return key;
    }

    /// <summary>This set with one more colour, in its place by number.</summary>
    public ColourSet With(int colour, double dose)
    {
        var at = ~Array.BinarySearch(Chosen, colour);
        return new ColourSet([.. Chosen[..at], colour, .. Chosen[at..]], [.. Doses[..at], dose, .. Doses[at..]], DeltaE);
    }

    public ColourSet Without(int place) =>
        new([.. Chosen[..place], .. Chosen[(place + 1)..]], [.. Doses[..place], .. Doses[(place + 1)..]], DeltaE);
}
