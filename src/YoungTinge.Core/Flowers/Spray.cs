namespace YoungTinge.Core.Flowers;

/// <summary>A flower of a spray, as far as laying it asks.</summary>
public sealed record SprayFlower(IReadOnlyList<Piece> Kinds, int Flowers, int Buds);

/// <summary>An open flower in a spray, from its middle.</summary>
/// <param name="Flower">Place in the list that was asked about.</param>
/// <param name="TurnDegrees">Clockwise.</param>
public sealed record SprayBloom(int Flower, double XMm, double YMm, double TurnDegrees);

/// <summary>A leaf, bud or berry that looks out from under the flowers.</summary>
/// <param name="Kind">Place of its kind in its flower's list.</param>
/// <param name="Number">Which one of its kind, from 0.</param>
/// <param name="TurnDegrees">Which way its tip points, clockwise from up.</param>
/// <param name="BaseMm">From the middle to its base.</param>
public sealed record SprayPiece(int Flower, int Kind, int Number, double TurnDegrees, double BaseMm);

/// <summary>
/// Flowers, buds and leaves as a hand lays them on a table: one bloom in the middle, the others round it, wider than high, and leaves
/// looking out between them.
/// </summary>
/// <param name="Beside">Lowest first; they lie under the blooms.</param>
/// <param name="HalfWidthMm">From the middle as far as anything reaches.</param>
/// <param name="HalfHeightMm">From the middle as far as anything reaches.</param>
public sealed record Spray(IReadOnlyList<SprayBloom> Blooms, IReadOnlyList<SprayPiece> Beside, double HalfWidthMm, double HalfHeightMm)
{
    private const double Wide = 1.2;
    private const double High = 0.75;

    /// <summary>From the middle bloom to the others, in reaches of the largest; alone it stays where it is.</summary>
    private const double RingReaches = 1.7;

    private const int MostBlooms = 3;
    private const int MostLeaves = 5;
    private const int MostBuds = 3;

    /// <summary>One bloom is shown for so many.</summary>
    private const int FlowersForABloom = 3;

    /// <summary>How much of a leaf lies under the blooms.</summary>
    private const double HiddenShare = 0.4;

    /// <summary>Blooms are turned, or they look like one stamp.</summary>
    private const double TurnOfABloom = 37;

    public static Spray Of(IReadOnlyList<SprayFlower> flowers)
    {
        var open = flowers.Index().Where(one => one.Item.Flowers > 0 && Bloom.ReachMm(one.Item.Kinds) > 0)
            .SelectMany(one => Enumerable.Repeat(one.Index, Math.Clamp((int)Math.Round((double)one.Item.Flowers / FlowersForABloom), 1, MostBlooms))).ToList();
        var reach = open.Select(flower => Bloom.ReachMm(flowers[flower].Kinds)).DefaultIfEmpty(0).Max();
        var ring = open.Count > 1 ? RingReaches * reach : 0;
        SprayBloom[] blooms = [.. open.Select((flower, i) =>
        {
            var angle = 2 * Math.PI * (i - 1) / Math.Max(1, open.Count - 1);
            var outMm = i == 0 ? 0 : ring;
            return new SprayBloom(flower, Wide * outMm * Math.Sin(angle), -High * outMm * Math.Cos(angle), TurnOfABloom * i);
        })];
        SprayPiece[] beside = [.. LookingOut(flowers, ring, reach)];
        double Farthest(Func<double, double> share) => beside.Select(one =>
        {
            var piece = flowers[one.Flower].Kinds[one.Kind];
            return (one.BaseMm + piece.LengthMm) * Math.Abs(share(one.TurnDegrees * Math.PI / 180)) + piece.WidthMm / 2;
        }).DefaultIfEmpty(0).Max();

        return new Spray(blooms, beside, Math.Max(Wide * ring + reach, Farthest(Math.Sin)), Math.Max(High * ring + reach, Farthest(Math.Cos)));
    }

    /// <summary>One of each kind after the other, so that neighbours differ.</summary>
    private static IEnumerable<SprayPiece> LookingOut(IReadOnlyList<SprayFlower> flowers, double ring, double reach)
    {
        var all = flowers.Index().SelectMany(one => one.Item.Kinds.Index().SelectMany(kind =>
                Enumerable.Range(0, CountOf(kind.Item, one.Item)).Select(number => (Flower: one.Index, Kind: kind.Index, Number: number, Piece: kind.Item))))
            .OrderBy(one => one.Number).ToList();
        for (var i = 0; i < all.Count; i++)
        {
            var turn = i * 360.0 / all.Count;
            var angle = turn * Math.PI / 180;
            var edge = ring * Math.Sqrt(Math.Pow(Wide * Math.Sin(angle), 2) + Math.Pow(High * Math.Cos(angle), 2)) + 0.75 * reach;
            yield return new SprayPiece(all[i].Flower, all[i].Kind, all[i].Number, turn, Math.Max(0, edge - HiddenShare * all[i].Piece.LengthMm));
        }
    }

    private static int CountOf(Piece piece, SprayFlower flower) => piece.PartOf == PartOf.Bud ? Math.Min(MostBuds, flower.Buds)
        : piece.Form.Role is PieceRole.Leaf or PieceRole.Berry ? Math.Min(MostLeaves, piece.PerPart * flower.Flowers) : 0;
}
