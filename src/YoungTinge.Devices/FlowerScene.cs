using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Pictures;

namespace YoungTinge.Devices;

/// <summary>What a flower in the light box is really coloured like.</summary>
/// <param name="Zones">Under daylight, one for every zone.</param>
public sealed record LitFlower(IReadOnlyDictionary<Zone, Lab> Zones, string OutlineId, int Petals)
{
    /// <summary>Of its middle; yellow where that is not said.</summary>
    public Lab? Middle { get; init; }

    /// <summary>Like it, but no clone: every flower that grows differs a little from the book.</summary>
    public LitFlower Grown(int seed)
    {
        var chance = new Random(seed);
        return this with
        {
            Zones = Zones.ToDictionary(zone => zone.Key, zone => ObjectColourSolid.Nearest(new Lab(
                Math.Clamp(zone.Value.L + 2 * chance.NextNormal(), 4, 96), zone.Value.A + 2 * chance.NextNormal(), zone.Value.B + 2 * chance.NextNormal()))),
        };
    }
}

/// <summary>A whole flower from above, and one petal beside it with its back up; or, for a leaf, one face up and one back up.</summary>
public sealed class FlowerScene : Scene
{
    // Places in Surfaces.
    private const int MatAt = 0;
    private const int CardAt = 1;
    private const int MiddleAt = 2;
    private const int FirstZoneAt = 3;

    private const double PieceWidthMm = 30;
    private const double RimMm = 2.6;

    private static readonly Lab YellowMiddle = new(70, 4, 55);

    private readonly List<Placed> pieces = [];
    private readonly bool isBloom;

    public FlowerScene(LitFlower flower)
        : base(900, 675)
    {
        Surfaces = [Mat, White, ReflectanceFromColour.Convert(flower.Middle ?? YellowMiddle), .. Enum.GetValues<Zone>().Select(zone => ReflectanceFromColour.Convert(flower.Zones[zone]))];
        isBloom = flower.Petals > 1;
        var outline = OutlineLibrary.Get(flower.OutlineId);
        var length = (isBloom ? 0.33 : 0.62) * Height;
        var width = isBloom ? Math.Min(1.0, 2.0 * Math.Sin(Math.PI / flower.Petals) * 0.86) * length : 0.72 * length;
        var face = PieceMap.Of(outline, (int)length, (int)width, Side.Face);
        var back = PieceMap.Of(outline, (int)length, (int)width, Side.Back);
        for (var petal = 0; petal < flower.Petals; petal++)
            pieces.Add(new Placed(face, isBloom ? 0.40 * Width : 0.38 * Width, (isBloom ? 0.54 : 0.86) * Height, 2 * Math.PI * petal / flower.Petals, isBloom ? 0.045 * Height : 0));
        pieces.Add(new Placed(back, (isBloom ? 0.84 : 0.80) * Width, (isBloom ? 0.92 : 0.86) * Height, 0, 0));
        Card = isBloom ? new Box(0.77, 0.28, 0.13, 0.17) : new Box(0.05, 0.40, 0.12, 0.16);
        Subject = isBloom ? new Box(0.10, 0.04, 0.60, 0.94) : new Box(0.20, 0.2, 0.36, 0.7);
    }

    public override Box Card { get; }

    public override Box Subject { get; }

    public override IReadOnlyList<Spectrum> Surfaces { get; }

    public override (int Surface, double Share)[] At(int x, int y)
    {
        if (Covers(Card, x, y))
            return [(CardAt, 1)];
        double fromX = x - 0.40 * Width, fromY = y - 0.54 * Height;
        if (isBloom && Math.Sqrt(fromX * fromX + fromY * fromY) < 0.05 * Height)
            return [(MiddleAt, 1)];
        for (var piece = pieces.Count - 1; piece >= 0; piece--)
        {
            if (pieces[piece].At(x, y) is { } zones)
                return zones;
        }

        return [(MatAt, 1)];
    }

    /// <summary>Soft unevenness, as of a petal that is not quite flat.</summary>
    public override double ShadeAt(int x, int y) => 1 - 0.015 * (1 + Math.Sin(x * 0.021) * Math.Sin(y * 0.017));

    /// <summary>A piece turned about its foot.</summary>
    private sealed record Placed(PieceMap Map, double FootX, double FootY, double Turn, double Out)
    {
        private readonly double sine = Math.Sin(Turn);
        private readonly double cosine = Math.Cos(Turn);

        public (int, double)[]? At(int x, int y)
        {
            double dx = x - FootX, dy = FootY - y;
            var along = dy * cosine + dx * sine - Out;
            var across = dx * cosine - dy * sine;
            return Map.At(along, across);
        }
    }

    /// <summary>Zones of one piece at every pixel of its right half.</summary>
    private sealed class PieceMap
    {
        private readonly (int, double)[]?[,] cells;

        private PieceMap((int, double)[]?[,] cells) => this.cells = cells;

        public (int, double)[]? At(double along, double across)
        {
            int row = (int)Math.Floor(along), column = (int)Math.Abs(across);
            return row < 0 || row >= cells.GetLength(0) || column >= cells.GetLength(1) ? null : cells[row, column];
        }

        public static PieceMap Of(Outline outline, int lengthPx, int widthPx, Side side)
        {
            var mmPerPx = PieceWidthMm / widthPx;
            var shape = new PieceShape(outline, lengthPx * mmPerPx, PieceWidthMm);
            var cells = new (int, double)[]?[lengthPx, widthPx / 2 + 1];
            for (var row = 0; row < lengthPx; row++)
            {
                var across = shape.RowAtMm((row + 0.5) * mmPerPx);
                for (var column = 0; column <= widthPx / 2; column++)
                {
                    var x = (column + 0.5) * mmPerPx;
                    if (across.Contains(x))
                        cells[row, column] = side == Side.Back ? [(At(Zone.Back), 1)] : Mixture(across.PointAt(x, withEdge: true));
                }
            }

            return new PieceMap(cells);
        }

        private static (int, double)[] Mixture(PiecePoint point)
        {
            var foot = 1 - Rise(0.22, 0.30, point.Along);
            var tip = (1 - foot) * Rise(0.86, 0.90, point.Along);
            var rim = (1 - foot - tip) * (1 - Rise(RimMm, RimMm * 1.4, point.EdgeMm));
            return [(At(Zone.Base), foot), (At(Zone.Tip), tip), (At(Zone.Rim), rim), (At(Zone.Heart), 1 - foot - tip - rim)];
        }

        private static int At(Zone zone) => FirstZoneAt + Array.IndexOf(Enum.GetValues<Zone>(), zone);

        private static double Rise(double from, double to, double x) => Math.Clamp((x - from) / (to - from), 0, 1);
    }
}
