using System.Text.Json.Serialization.Metadata;
using YoungTinge.Core.Cabinet;

namespace YoungTinge.Core.Coats.Model;

/// <summary>The kinds of coat there are, each with the name that it and its steps have in JSON and with how it begins. A new kind is written down here, and nowhere else outside its folder.</summary>
public static class CoatKinds
{
    private static readonly (Type Type, string Name, Func<Material, Materials, Coat?> Begin)[] Coats =
    [
        (typeof(DustCoat), "dust", DustCoat.Begin), (typeof(WashCoat), "wash", WashCoat.Begin), (typeof(SteamCoat), "steam", (_, _) => null),
        (typeof(GlazeCoat), "glaze", GlazeCoat.Begin), (typeof(PollenCoat), "pollen", PollenCoat.Begin),
    ];

    internal static IReadOnlyList<(Type Type, string Name)> Steps { get; } =
    [
        (typeof(BrushDust), "brushDust"), (typeof(BrushWash), "brushWash"),
        (typeof(SteamPieces), "steamPieces"), (typeof(GlazePieces), "glazePieces"), (typeof(StickPollen), "stickPollen"),
    ];

    /// <summary>A first coat of a material, without an id yet; null if no coat is made of it.</summary>
    internal static Coat? Begin(Material material, Materials cabinet) => Coats.Select(kind => kind.Begin(material, cabinet)).FirstOrDefault(coat => coat is not null);

    /// <summary>Tells a serialiser of the kinds: to be added to its resolver as a modifier.</summary>
    public static void Describe(JsonTypeInfo type)
    {
        if (type.Type == typeof(Coat))
            type.PolymorphismOptions = OptionsOf(Coats.Select(kind => (kind.Type, kind.Name)));
    }

    internal static JsonPolymorphismOptions OptionsOf(IEnumerable<(Type Type, string Name)> kinds)
    {
        var options = new JsonPolymorphismOptions { TypeDiscriminatorPropertyName = "kind" };
        foreach (var (type, name) in kinds)
            options.DerivedTypes.Add(new JsonDerivedType(type, name));
        return options;
    }
}
