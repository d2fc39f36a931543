using YoungTinge.Core.Colour;

namespace YoungTinge.Web.Hosting;

/// <summary>A light in a query, by the word that it has in JSON; a plain enum in a query would have to be written as in the code.</summary>
public readonly record struct SeenIn(LightKind Kind)
{
    public Illuminant Light => Lights.Of(Kind);

    public static bool TryParse(string? text, out SeenIn light)
    {
        var known = Enum.TryParse<LightKind>(text, ignoreCase: true, out var kind) && Enum.IsDefined(kind);
        light = new SeenIn(kind);
        return known;
    }
}
