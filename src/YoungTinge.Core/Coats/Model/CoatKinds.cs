using System.Text.Json.Serialization.Metadata;

namespace YoungTinge.Core.Coats.Model;

/// <summary>The kinds of coat there are, each with the name that it and its steps have in JSON. A new kind is written down here, and nowhere else outside its folder.</summary>
public static class CoatKinds
{
    private static readonly (Type Type, string Name)[] Coats =
        [(typeof(DustCoat), "dust"), (typeof(WashCoat), "wash"), (typeof(SteamCoat), "steam"), (typeof(GlazeCoat), "glaze"), (typeof(PollenCoat), "pollen")];

    private static readonly (Type Type, string Name)[] Steps =
    [
        (typeof(MixDust), "mixDust"), (typeof(BrushDust), "brushDust"), (typeof(MixWash), "mixWash"), (typeof(BrushWash), "brushWash"),
        (typeof(SteamPieces), "steamPieces"), (typeof(GlazePieces), "glazePieces"), (typeof(StickPollen), "stickPollen"),
    ];

    /// <summary>Tells a serialiser of the kinds: to be added to its resolver as a modifier.</summary>
    public static void Describe(JsonTypeInfo type)
    {
        if (type.Type == typeof(Coat))
            type.PolymorphismOptions = OptionsOf(Coats);
        else if (type.Type == typeof(RunStep))
            type.PolymorphismOptions = OptionsOf([.. RunStep.Common, .. Steps]);
    }

    private static JsonPolymorphismOptions OptionsOf(IEnumerable<(Type Type, string Name)> kinds)
    {
        var options = new JsonPolymorphismOptions { TypeDiscriminatorPropertyName = "kind" };
        foreach (var (type, name) in kinds)
            options.DerivedTypes.Add(new JsonDerivedType(type, name));
        return options;
    }
}
