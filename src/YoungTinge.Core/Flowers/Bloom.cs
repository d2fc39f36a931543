namespace YoungTinge.Core.Flowers;

/// <summary>One piece of an open flower as it is seen, from above or from the side.</summary>
/// <param name="Kind">Place of its kind in the list that was asked about.</param>
/// <param name="Number">Which one of its kind, from 0.</param>
/// <param name="AngleDegrees">Which way its tip points, clockwise from up.</param>
/// <param name="BaseMm">From the middle of the flower to its base.</param>
/// <param name="LengthShare">How long it looks, as a share of its length; the steeper it stands, the shorter.</param>
/// <param name="WidthShare">How wide it looks, as a share of its width; from above always all of it.</param>
/// <param name="EndOn">A ball or a tube that one looks down on: seen round, not in its outline.</param>
/// <param name="Shade">Share of light that it loses by standing steep and by what stands over it, 0 to 1.</param>
/// <param name="FootShade">The same at its foot, where a cupped piece is darker still.</param>
public sealed record BloomPiece(int Kind, int Number, double AngleDegrees, double BaseMm, double LengthShare, double Shade, double FootShade, bool EndOn, double WidthShare = 1)
{
    /// <summary>Cut the other way round: left is right.</summary>
    public bool IsTurnedOver { get; init; }
}

/// <summary>An open flower from above or from the side, put together from its real pieces. A drawing of how they stand, not of how they bend.</summary>
public static class Bloom
{
    /// <summary>Bigger flowers are shown with fewer of their smallest pieces.</summary>
    public const int MostPieces = 400;

    /// <summary>Of each kind, round an open flower.</summary>
    private const int MostLeaves = 12;
    private const double LeafBaseShare = 0.05;

    /// <summary>Where nothing stands in the middle, leaves leave room there: of the longest leaf.</summary>
    private const double FoliageBaseShare = 0.3;
    private const double FirstLeafDegrees = 24;

    private const double GoldenAngleDegrees = 137.507764;

    /// <summary>An upright piece is still seen a little: it leans, and it is cupped.</summary>
    private const double LeastLengthShare = 0.22;

    /// <summary>A petal that is seen edge-on is still cupped.</summary>
    private const double LeastWidthShare = 0.45;

    /// <summary>Steeper than this one looks into a tube, or down on a ball.</summary>
    private const double EndOnBelowDegrees = 45;

    /// <summary>What a piece that stands upright loses of the light from above.</summary>
    private const double SteepShade = 0.30;

    /// <summary>What a foot loses among the others, and what a full cup adds to that.</summary>
    private const double FootShade = 0.10;
    private const double CupShade = 0.15;

    /// <summary>What each whorl over a piece takes of its light.</summary>
    private const double CoveredShade = 0.035;
    private const double MostCoveredShade = 0.16;

    /// <summary>In the order in which they are drawn: what lies lowest first.</summary>
    /// <param name="kinds">The pieces of the flower. Buds, stems and leaves of the stem are not seen in it.</param>
    public static IReadOnlyList<BloomPiece> Of(IReadOnlyList<Piece> kinds)
    {
        var whorls = kinds.Index().Where(kind => IsSeen(kind.Item))
            .OrderBy(kind => Height(kind.Item.Form.Role)).ThenByDescending(kind => ReachMm(kind.Item)).ToList();
        var pieces = new List<BloomPiece>();
        foreach (var (at, (kind, piece)) in whorls.Index())
        {
            var over = Math.Min(MostCoveredShade, CoveredShade * (whorls.Count - 1 - at));
            for (var number = 0; number < piece.SeenPerPart && pieces.Count < MostPieces; number++)
                pieces.Add(Placed(kind, piece, number, at, over));
        }

        return pieces;
    }

    /// <summary>As the flower is known by its picture: from above, or from the side.</summary>
    public static IReadOnlyList<BloomPiece> Of(IReadOnlyList<Piece> kinds, KnownFrom view)
    {
        var above = Of(kinds);
        return view switch
        {
            KnownFrom.Above => above,
            KnownFrom.Front => [.. above.Select(piece => piece with { AngleDegrees = piece.AngleDegrees + 180 })],
            _ => [.. above.Select(piece => (Piece: piece, Depth: DepthOf(piece, kinds[piece.Kind]))).OrderByDescending(one => one.Depth)
                .Select(one => FromSide(one.Piece, kinds[one.Piece.Kind], isHanging: view == KnownFrom.SideHanging))],
        };
    }

    /// <summary>How far behind the stem a piece leans, seen from the side; below 0 towards who looks.</summary>
    private static double DepthOf(BloomPiece above, Piece piece) =>
        Math.Sin(piece.Form.OpenDegrees * Math.PI / 180) * Math.Cos(above.AngleDegrees * Math.PI / 180);

    private static BloomPiece FromSide(BloomPiece above, Piece piece, bool isHanging)
    {
        var (open, turn) = (piece.Form.OpenDegrees * Math.PI / 180, above.AngleDegrees * Math.PI / 180);
        double across = Math.Sin(open) * Math.Sin(turn), up = Math.Cos(open);
        var isRound = IsRound(piece);
        return above with
        {
            AngleDegrees = Math.Atan2(across, up) * 180 / Math.PI + (isHanging ? 180 : 0),
            BaseMm = 0.3 * piece.Form.InsetMm,
            LengthShare = isRound ? 1 : Math.Max(2 * LeastLengthShare, Math.Sqrt(across * across + up * up)),
            WidthShare = isRound ? 1 : Math.Max(LeastWidthShare, Math.Abs(Math.Cos(turn))),
            EndOn = false,
        };
    }

    /// <summary>Leaves that look out from under an open flower, evenly round; each with its base a little off the middle.</summary>
    public static IReadOnlyList<SprayPiece> LeavesOf(IReadOnlyList<Piece> kinds)
    {
        var leaves = kinds.Index().Where(kind => kind.Item.Form.Role == PieceRole.Leaf)
            .SelectMany(kind => Enumerable.Range(0, Math.Min(MostLeaves, kind.Item.PerPart)).Select(number => (kind.Index, Number: number))).ToList();
        var baseMm = IsFoliage(kinds) ? FoliageBaseShare * leaves.Select(leaf => kinds[leaf.Index].LengthMm).DefaultIfEmpty(0).Max() : LeafBaseShare * ReachMm(kinds);
        return [.. leaves.Select((leaf, i) => new SprayPiece(0, leaf.Index, leaf.Number, i * 360.0 / leaves.Count + FirstLeafDegrees, baseMm))];
    }

    /// <summary>From the middle of the flower to its farthest tip as seen from above; 0 for one of which nothing is seen.</summary>
    public static double ReachMm(IReadOnlyList<Piece> kinds) => kinds.Where(IsSeen).Select(ReachMm).DefaultIfEmpty(0).Max();

    internal static double ReachMm(Piece piece)
    {
        var (baseMm, lengthMm) = SeenFrom(piece);
        return baseMm + lengthMm;
    }

    /// <summary>How far each piece of a whorl covers the next one at its widest, 0 for a gap to 1; 0 for what does not stand in a ring.</summary>
    public static double OverlapOf(Piece piece)
    {
        if (piece.SeenPerPart < 2 || piece.Form.Arrangement != Arrangement.Ring)
            return 0;
        var outMm = piece.Form.InsetMm + 0.6 * piece.LengthMm * Math.Max(LeastLengthShare, Math.Sin(piece.Form.OpenDegrees * Math.PI / 180));
        var gapMm = 2 * outMm * Math.Sin(Math.PI / piece.SeenPerPart);
        return Math.Clamp(1 - gapMm / piece.WidthMm, 0, 1);
    }

    /// <summary>Whether there is nothing of a flower in it: leaves and berries on a stem, which nobody counts as flowers.</summary>
    public static bool IsFoliage(IReadOnlyCollection<Piece> kinds) => kinds.Count > 0 && kinds.All(kind => kind.Form.Role is PieceRole.Leaf or PieceRole.Berry or PieceRole.Stem);

    private static bool IsSeen(Piece piece) => piece.PartOf == PartOf.Flower && piece.Form.Role is not (PieceRole.Bud or PieceRole.Stem or PieceRole.Leaf or PieceRole.Berry);

    private static int Height(PieceRole role) => role switch { PieceRole.Calyx => 0, PieceRole.Petal => 1, PieceRole.Stamen => 2, _ => 3 };

    private static BloomPiece Placed(int kind, Piece piece, int number, int whorl, double coveredShade)
    {
        var form = piece.Form;
        var turn = form.Arrangement switch
        {
            // Two stand to the left and the right.
            Arrangement.Ring when piece.SeenPerPart == 2 => 90 + 180 * number,
            Arrangement.Ring => (number + (whorl % 2) * 0.5) * 360 / piece.SeenPerPart,
            Arrangement.Spiral => number * GoldenAngleDegrees,
            _ => 180 + (number - (piece.SeenPerPart - 1) / 2.0) * 24,
        };
        // Florets of a spiral fill the middle evenly.
        var spread = form.Arrangement == Arrangement.Spiral && piece.SeenPerPart > 1 ? Math.Sqrt((number + 0.5) / piece.SeenPerPart) : 1;
        var steep = Math.Clamp(1 - Math.Sin(Math.Min(form.OpenDegrees, 90) * Math.PI / 180), 0, 1);
        var (baseMm, lengthMm) = SeenFrom(piece);
        var isRound = IsRound(piece);
        var shade = (isRound ? 0 : SteepShade * steep) + coveredShade;
        return new BloomPiece(
            kind, number, turn % 360, baseMm - form.InsetMm * (1 - spread), lengthMm / piece.LengthMm,
            shade, shade + FootShade + CupShade * form.Cup, isRound && form.OpenDegrees < EndOnBelowDegrees)
        {
            IsTurnedOver = piece.Cut.InBothHands && number % 2 == 1,
        };
    }

    private static bool IsRound(Piece piece) => piece.Solid || OutlineLibrary.Find(piece.OutlineId) is { IsTube: true };

    /// <summary>From the middle to the base, and on to the tip. What is round is seen as wide as it is, however steep it stands.</summary>
    internal static (double BaseMm, double LengthMm) SeenFrom(Piece piece)
    {
        var open = Math.Clamp(piece.Form.OpenDegrees, 0, 150) * Math.PI / 180;
        if (!IsRound(piece))
            return (piece.Form.InsetMm, piece.LengthMm * Math.Max(LeastLengthShare, Math.Sin(open)));
        var endOn = Math.Max(0, Math.Cos(open)) * piece.WidthMm;
        return (piece.Form.InsetMm - endOn / 2, piece.LengthMm * Math.Sin(open) + endOn);
    }
}
