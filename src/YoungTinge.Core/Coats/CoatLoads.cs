using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Coats;

/// <summary>How much of each coat's load lies at one point: where the coat is, times what the veins there take.</summary>
public readonly struct CoatLoads(IReadOnlyList<Coat> coats, VeinPattern veins, PiecePoint point)
{
    public double ShareOf(int coat) => coats[coat] switch
    {
        DustCoat dust => dust.Place.MaskAt(point) * veins.LoadShareAt(point),
        WashCoat wash => wash.Place.MaskAt(point) * veins.PoolShareAt(point),
        PollenCoat pollen => pollen.Place.MaskAt(point),
        _ => 1,
    };
}
