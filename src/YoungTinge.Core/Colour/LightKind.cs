namespace YoungTinge.Core.Colour;

/// <summary>The lights that flowers are looked at in.</summary>
public enum LightKind
{
    Daylight,
    EveningDaylight,
    Lamp,
    Tube,
    WarmLed,
    Candle,
}

public static class Lights
{
    public static Illuminant Of(LightKind kind) => kind switch
    {
        LightKind.Daylight => Illuminant.D65,
        LightKind.EveningDaylight => Illuminant.D50,
        LightKind.Lamp => Illuminant.A,
        LightKind.Tube => Illuminant.F11,
        LightKind.WarmLed => Illuminant.WarmLed,
        LightKind.Candle => Illuminant.Candle,
        _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, "Unknown light."),
    };
}
