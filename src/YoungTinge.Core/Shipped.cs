namespace YoungTinge.Core;

/// <summary>Data files that are part of the build.</summary>
internal static class Shipped
{
    /// <exception cref="InvalidDataException">There is no such file in the build.</exception>
    public static string Text(string name)
    {
        using var stream = typeof(Shipped).Assembly.GetManifestResourceStream(name) ?? throw new InvalidDataException($"{name} is not part of the build.");
        using var reader = new StreamReader(stream);
        return reader.ReadToEnd();
    }
}
