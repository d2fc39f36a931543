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

    /// <summary>A change of a face by so much tells the slope of what lies over it, to about as many digits.</summary>
    private const double Nudge = 1e-6;

    /// <summary>By zone, point and layer; the last one is the finished point.</summary>
    private double[] faces = [];
    private bool[] isBare = [];

    /// <summary>How much of a change of that face comes through to the finished point, in each band.</summary>
    private double[] passes = [];
    private readonly bool[] hasPasses = new bool[Enum.GetValues<Zone>().Length];
    private readonly double[][] means = [.. Enum.GetValues<Zone>().Select(_ => new double[SpectralGrid.Bands])];
    private KubelkaMunkSpectra? paste;
    private double[] bare = [];
    private ReadyCoat[] coats = [];
    private int lastSteam;
    private (int Point, double Weight)[][] points = [];
    private readonly Lab[] seen = new Lab[Enum.GetValues<Zone>().Length];

    /// <summary>Begins anew on the paste, and keeps what it comes by.</summary>
    /// <param name="isKept">Trials go on from it.</param>
    public Run Begin(KubelkaMunkSpectra mix, ReadyCoat[] laid, int steamedUpTo, Func<Zone, int> pointsOf, bool isKept)
    {
        if (!ReferenceEquals(paste, mix))
            bare = [.. KubelkaMunk.Opaque(mix).Values];
        if (!LieAlike(laid))
            points = [.. Enum.GetValues<Zone>().Select(zone => Grouped(zone, pointsOf(zone), laid))];
        (paste, coats, lastSteam) = (mix, laid, steamedUpTo);
        var places = (1 << BitsOfAPoint) * points.Length * (laid.Length + 1);
        if (isKept && isBare.Length < places)
            (faces, isBare, passes) = (new double[places * SpectralGrid.Bands], new bool[places], new double[places * SpectralGrid.Bands]);
        hasPasses.AsSpan().Clear();
        return new Run(this, 0, isKept, null);
    }

    /// <summary>From the one coat that is another; null if there are more, or they lie elsewhere.</summary>
    public Run? SameBelow(KubelkaMunkSpectra mix, ReadyCoat[] laid, int steamedUpTo)
    {
        if (!ReferenceEquals(paste, mix) || laid.Length != coats.Length || steamedUpTo != lastSteam)
            return null;
        if (laid.AsSpan().SequenceEqual(coats))
            return laid.Length == 0 ? null : new Run(this, 0, IsKept: false, laid[0]);
        return OneOther(coats, laid) is { } other ? new Run(this, other, IsKept: false, laid[other]) : null;
    }

    /// <summary>Whether it is what was last laid from the paste up.</summary>
    public bool Is(KubelkaMunkSpectra mix, ReadyCoat[] laid, int steamedUpTo) => ReferenceEquals(paste, mix) && steamedUpTo == lastSteam && laid.AsSpan().SequenceEqual(coats);

    /// <summary>The place of the one coat that is another and lies alike; null if there is none, or more.</summary>
    public static int? OneOther(ReadyCoat[] from, ReadyCoat[] to)
    {
        if (from.Length != to.Length)
            return null;
        int? other = null;
        for (var i = 0; i < to.Length; i++)
        {
            if (ReferenceEquals(from[i], to[i]))
                continue;
            if (other is not null || !ReferenceEquals(from[i].Lie, to[i].Lie))
                return null;
            other = i;
        }

        return other;
    }

    public Lab SeenOf(Zone zone) => seen[(int)zone];

    /// <summary>Works out how much of a change at each layer comes through to the top; once for what is kept.</summary>
    public void Pass<TLies>(Zone zone, LayerStack stack, Func<int, TLies> liesAt) where TLies : struct, ILayerCoverage
    {
        if (hasPasses[(int)zone])
            return;
        hasPasses[(int)zone] = true;
        Span<double> nudged = stackalloc double[SpectralGrid.Bands];
        foreach (var (point, _) in points[(int)zone])
        {
            var lies = liesAt(point);
            PassOf(zone, point, coats.Length).Fill(1);
            for (var layer = coats.Length - 1; layer >= 0; layer--)
            {
                Span<double> face = FaceOf(zone, point, layer), above = FaceOf(zone, point, layer + 1), through = PassOf(zone, point, layer + 1), into = PassOf(zone, point, layer);
                for (var band = 0; band < SpectralGrid.Bands; band++)
                    nudged[band] = face[band] + Nudge;
                var bare = isBare[PlaceOf(zone, point, layer)];
                stack.LayOn(nudged, lies, layer, layer + 1, ref bare);
                for (var band = 0; band < SpectralGrid.Bands; band++)
                    into[band] = through[band] * (nudged[band] - above[band]) / Nudge;
            }
        }
    }

    /// <summary>The zone with another film for one coat.</summary>
    /// <param name="film">Null for a coat of nothing.</param>
    public Lab SeeOther<TLies>(Zone zone, int other, Laying? film, Func<int, TLies> liesAt) where TLies : struct, ILayerCoverage
    {
        var stack = new LayerStack([.. Enumerable.Repeat<Laying?>(null, other), film]);
        Span<double> face = stackalloc double[SpectralGrid.Bands], mean = stackalloc double[SpectralGrid.Bands];
        means[(int)zone].CopyTo(mean);
        foreach (var (point, weight) in points[(int)zone])
        {
            FaceOf(zone, point, other).CopyTo(face);
            var bare = isBare[PlaceOf(zone, point, other)];
            stack.LayOn(face, liesAt(point), other, other + 1, ref bare);
            Span<double> was = FaceOf(zone, point, other + 1), through = PassOf(zone, point, other + 1);
            for (var band = 0; band < SpectralGrid.Bands; band++)
                mean[band] += weight * through[band] * (face[band] - was[band]);
        }

        return LabOf(mean);
    }

    private Span<double> FaceOf(Zone zone, int point, int layer) => faces.AsSpan(PlaceOf(zone, point, layer) * SpectralGrid.Bands, SpectralGrid.Bands);

    private Span<double> PassOf(Zone zone, int point, int layer) => passes.AsSpan(PlaceOf(zone, point, layer) * SpectralGrid.Bands, SpectralGrid.Bands);

    /// <summary>An eye takes the mean of the light, which is linear in it.</summary>
    private static Lab LabOf(ReadOnlySpan<double> mean) => LabFromXyz.Convert(Illuminant.D65.XyzOf(mean), Illuminant.D65.White);

    private int PlaceOf(Zone zone, int point, int layer) => (((int)zone << BitsOfAPoint) + point) * (coats.Length + 1) + layer;

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

        /// <param name="mean">Of all points, in each band.</param>
        public Lab See(Zone zone, ReadOnlySpan<double> mean)
        {
            var colour = LabOf(mean);
            if (!IsKept)
                return colour;
            mean.CopyTo(Of.means[(int)zone]);
            return Of.seen[(int)zone] = colour;
        }

        public (int Point, double Weight)[] PointsOf(Zone zone) => Of.points[(int)zone];

        /// <summary>What a point looks like before the first coat to lay.</summary>
        /// <returns>Whether nothing but paste and washes lies there.</returns>
        public bool Take(Zone zone, int point, Span<double> reflectance)
        {
            if (From == 0)
            {
                Of.bare.CopyTo(reflectance);
                return true;
            }

            Of.FaceOf(zone, point, From).CopyTo(reflectance);
            return Of.isBare[Of.PlaceOf(zone, point, From)];
        }

        public void Keep(Zone zone, int point, int layer, ReadOnlySpan<double> reflectance, bool isBare)
        {
            if (!IsKept)
                return;
            reflectance.CopyTo(Of.FaceOf(zone, point, layer));
            Of.isBare[Of.PlaceOf(zone, point, layer)] = isBare;
        }
    }
}
