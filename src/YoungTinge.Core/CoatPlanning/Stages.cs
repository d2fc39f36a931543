using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.CoatPlanning;

/// <summary>
/// What every point looks like before each coat, as it was last laid from the paste up: a trial that changes one coat goes on from there.
/// </summary>
internal sealed class Stages
{
    /// <summary>Bits for a point of a zone, also in a key of how the coats lie there; with more coats than fit, each point stands for itself.</summary>
    private const int BitsOfAPoint = 5;
    private const int MaxCoatsInAKey = 64 / BitsOfAPoint;

    /// <summary>By zone, point and layer.</summary>
    private double[] faces = [];
    private bool[] isBare = [];
    private int[] skinFrom = [];
    private KubelkaMunkSpectra? paste;
    private double[] bare = [];
    private ReadyCoat[] coats = [];
    private (int Point, double Weight)[][] points = [];
    private readonly Lab[] seen = new Lab[Enum.GetValues<Zone>().Length];

    /// <summary>Begins anew on the paste, and keeps what it comes by.</summary>
    /// <param name="isKept">Trials go on from it.</param>
    public Run Begin(KubelkaMunkSpectra mix, ReadyCoat[] laid, Func<Zone, int> pointsOf, bool isKept)
    {
        if (!ReferenceEquals(paste, mix))
            bare = [.. KubelkaMunk.Opaque(mix).Values];
        if (!LieAlike(laid))
            points = [.. Enum.GetValues<Zone>().Select(zone => Grouped(zone, pointsOf(zone), laid))];
        (paste, coats) = (mix, laid);
        var places = (1 << BitsOfAPoint) * points.Length * laid.Length;
        if (isKept && isBare.Length < places)
            (faces, isBare, skinFrom) = (new double[places * SpectralGrid.Bands], new bool[places], new int[places]);
        return new Run(this, 0, isKept, null);
    }

    /// <summary>From the one coat that is another; null if there are more, or they lie elsewhere.</summary>
    public Run? SameBelow(KubelkaMunkSpectra mix, ReadyCoat[] laid)
    {
        if (!ReferenceEquals(paste, mix) || laid.Length != coats.Length)
            return null;
        var other = -1;
        for (var i = 0; i < laid.Length; i++)
        {
            if (ReferenceEquals(laid[i], coats[i]))
                continue;
            if (other >= 0 || !ReferenceEquals(laid[i].Lie, coats[i].Lie) || !laid[i].ChangesBelowAs(coats[i]))
                return null;
            other = i;
        }

        return laid.Length == 0 ? null : new Run(this, Math.Max(other, 0), IsKept: false, laid[Math.Max(other, 0)]);
    }

    private Span<double> FaceAt(int place) => faces.AsSpan(place * SpectralGrid.Bands, SpectralGrid.Bands);

    private int PlaceOf(Zone zone, int point, int layer) => (((int)zone << BitsOfAPoint) + point) * coats.Length + layer;

    private bool LieAlike(ReadyCoat[] laid)
    {
        if (points.Length == 0 || laid.Length != coats.Length)
            return false;
        for (var i = 0; i < laid.Length; i++)
        {
            if (!ReferenceEquals(laid[i].Lie, coats[i].Lie))
                return false;
        }

        return true;
    }

    /// <summary>One point for all at which every coat lies alike, with the share that they have of the zone.</summary>
    private static (int, double)[] Grouped(Zone zone, int count, ReadyCoat[] laid)
    {
        if (laid.Length > MaxCoatsInAKey)
            return [.. Enumerable.Range(0, count).Select(point => (point, 1.0 / count))];
        return [.. Enumerable.Range(0, count)
            .GroupBy(point => laid.Aggregate(0UL, (key, coat) => (key << BitsOfAPoint) | (uint)coat.Lie.Alike[(int)zone][point]))
            .Select(alike => (alike.First(), alike.Count() / (double)count))];
    }

    /// <param name="From">The first coat that is to be laid.</param>
    /// <param name="IsKept">What it comes by is kept for trials after it.</param>
    /// <param name="Other">The coat that a trial changes.</param>
    public readonly record struct Run(Stages Of, int From, bool IsKept, ReadyCoat? Other)
    {
        /// <summary>Where the coat on trial does not lie, all is as it was.</summary>
        public Lab? Known(Zone zone) => Other is { } other && !other.Touches(zone) ? Of.seen[(int)zone] : null;

        public Lab See(Zone zone, Lab colour)
        {
            if (IsKept)
                Of.seen[(int)zone] = colour;
            return colour;
        }

        public (int Point, double Weight)[] PointsOf(Zone zone) => Of.points[(int)zone];

        /// <summary>What a point looks like before the first coat to lay.</summary>
        public void Take(Zone zone, int point, ref Spot spot)
        {
            if (From == 0)
            {
                spot.Begin(Of.bare);
                return;
            }

            var place = Of.PlaceOf(zone, point, From);
            var skinFrom = Of.skinFrom[place];
            spot.GoOnFrom(Of.FaceAt(place), Of.FaceAt(Of.PlaceOf(zone, point, Math.Max(skinFrom, 0))), skinFrom, Of.isBare[place]);
        }

        public void Keep(Zone zone, int point, int layer, in Spot spot)
        {
            if (!IsKept)
                return;
            var place = Of.PlaceOf(zone, point, layer);
            spot.Reflectance.CopyTo(Of.FaceAt(place));
            (Of.isBare[place], Of.skinFrom[place]) = (spot.IsBare, spot.SkinFrom);
        }
    }
}
