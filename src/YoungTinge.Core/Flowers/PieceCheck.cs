namespace YoungTinge.Core.Flowers;

public enum PieceProblemCode
{
    NameMissing,
    NameTooLong,
    UnknownOutline,
    SizeOutOfRange,
    ThicknessOutOfRange,
    PerPartOutOfRange,
    SparesOutOfRange,
    OpenOutOfRange,
    InsetOutOfRange,
    ShareOutOfRange,
    GaugeOutOfRange,
    CoreOutOfRange,

    /// <summary>The core is larger than what it is the core of.</summary>
    CoreTooLarge,
    SkinOutOfRange,

    /// <summary>A rim cannot be thicker than the middle, or thinner than anybody rolls.</summary>
    RimOutOfRange,
    LobesOutOfRange,

    /// <summary>A ball or cone is not cut: it has no lobes.</summary>
    LobesOfASolid,
    NubOutOfRange,
    GatheredOutOfRange,

    /// <summary>It is taken from something that the cabinet does not have, or that is no such thing.</summary>
    NotInCabinet,

    // Possible, but hardly meant.
    /// <summary>The cabinet has fewer than are to be made.</summary>
    ReallyMoreThanInStock,
    ReallySoThick,
    ReallySoLarge,
    ReallySoMany,
}

/// <summary>Something in a piece that cannot be.</summary>
/// <param name="Path">The field, as in the piece's JSON: <c>form.cup</c>.</param>
/// <param name="Limit">The limit that was passed, if it is one.</param>
public sealed record PieceProblem(string Path, PieceProblemCode Code, double? Limit = null);

/// <summary>Finds what cannot be in a piece, before it is kept.</summary>
public static class PieceCheck
{
    public const int LongestName = 120;
    public const double SmallestMm = 1;
    public const double LargestMm = 500;
    public const double ThinnestMm = 0.1;
    public const double ThickestMm = 50;
    public const int MostPerPart = 400;
    public const int CoarsestGauge = 14;
    public const int FinestGauge = 36;
    public const double MostSpares = 2;

    /// <summary>Kinds of piece in one flower; more is a whole wreath.</summary>
    public const int MostKinds = 40;

    // A flat piece beyond this is no petal, leaf or bract that anybody cuts.
    private const double ThickFlatMm = 3;
    private const double LargeMm = 220;
    private const int ManyPerPart = 150;

    /// <summary>What stands in the way of keeping a piece: what cannot be, or else, until the maker says that it is so, what is only asked about.</summary>
    public static IEnumerable<PieceProblem> Problems(Piece piece, bool isSure)
    {
        var wrong = Problems(piece).ToList();
        return wrong.Count > 0 || isSure ? wrong : Questions(piece);
    }

    /// <summary>What can be, but what no flower reaches: to be asked about before it is kept.</summary>
    public static IEnumerable<PieceProblem> Questions(Piece piece)
    {
        if (!piece.Solid && piece.ThicknessMm > ThickFlatMm)
            yield return new PieceProblem("thicknessMm", PieceProblemCode.ReallySoThick, ThickFlatMm);
        foreach (var (name, size) in new[] { ("lengthMm", piece.LengthMm), ("widthMm", piece.WidthMm) })
        {
            if (size > LargeMm)
                yield return new PieceProblem(name, PieceProblemCode.ReallySoLarge, LargeMm);
        }

        if (piece.PerPart > ManyPerPart)
            yield return new PieceProblem("perPart", PieceProblemCode.ReallySoMany, ManyPerPart);
    }

    public static IEnumerable<PieceProblem> Problems(Piece piece)
    {
        if (string.IsNullOrWhiteSpace(piece.Name))
            yield return new PieceProblem("name", PieceProblemCode.NameMissing);
        else if (piece.Name.Length > LongestName)
            yield return new PieceProblem("name", PieceProblemCode.NameTooLong, LongestName);
        if (OutlineLibrary.Find(piece.OutlineId) is null)
            yield return new PieceProblem("outlineId", PieceProblemCode.UnknownOutline);
        foreach (var (name, size) in new[] { ("lengthMm", piece.LengthMm), ("widthMm", piece.WidthMm) })
        {
            if (!(size is >= SmallestMm and <= LargestMm))
                yield return new PieceProblem(name, PieceProblemCode.SizeOutOfRange, LargestMm);
        }

        if (!(piece.ThicknessMm is >= ThinnestMm and <= ThickestMm))
            yield return new PieceProblem("thicknessMm", PieceProblemCode.ThicknessOutOfRange, ThickestMm);
        if (piece.PerPart is < 1 or > MostPerPart)
            yield return new PieceProblem("perPart", PieceProblemCode.PerPartOutOfRange, MostPerPart);
        if (!(piece.SpareShare is >= 0 and <= MostSpares))
            yield return new PieceProblem("spareShare", PieceProblemCode.SparesOutOfRange, 100 * MostSpares);
        if (!(piece.Form.OpenDegrees is >= 0 and <= PieceForm.MostOpenDegrees))
            yield return new PieceProblem("form.openDegrees", PieceProblemCode.OpenOutOfRange, PieceForm.MostOpenDegrees);
        if (!(piece.Form.InsetMm is >= 0 and <= PieceForm.MostInsetMm))
            yield return new PieceProblem("form.insetMm", PieceProblemCode.InsetOutOfRange, PieceForm.MostInsetMm);
        if (piece.Form.Gauge is < CoarsestGauge or > FinestGauge)
            yield return new PieceProblem("form.gauge", PieceProblemCode.GaugeOutOfRange, FinestGauge);
        if (piece.Form.GatheredBy is < 1 or > PieceForm.MostGathered)
            yield return new PieceProblem("form.gatheredBy", PieceProblemCode.GatheredOutOfRange, PieceForm.MostGathered);
        foreach (var problem in OfCut(piece))
            yield return problem;
        if (piece.Form.Body is { Kind: BodyKind.CoveredCore } body)
        {
            if (!(body.CoreMm is > 0 and <= LargestMm))
                yield return new PieceProblem("form.body.coreMm", PieceProblemCode.CoreOutOfRange, LargestMm);
            else if (body.CoreMm > Math.Min(piece.LengthMm, piece.WidthMm))
                yield return new PieceProblem("form.body.coreMm", PieceProblemCode.CoreTooLarge, Math.Min(piece.LengthMm, piece.WidthMm));
            if (!(body.SkinMm is > 0 and <= PieceBody.ThickestSkinMm))
                yield return new PieceProblem("form.body.skinMm", PieceProblemCode.SkinOutOfRange, PieceBody.ThickestSkinMm);
        }

        foreach (var (name, share) in new[] { ("form.cup", piece.Form.Cup), ("form.frill", piece.Form.Frill) })
        {
            if (!(share is >= 0 and <= 1))
                yield return new PieceProblem(name, PieceProblemCode.ShareOutOfRange, 1);
        }
    }

    private static IEnumerable<PieceProblem> OfCut(Piece piece)
    {
        var cut = piece.Cut;
        if (cut.RimMm is { } rim && !(rim >= PieceCut.ThinnestRimMm && rim <= piece.ThicknessMm))
            yield return new PieceProblem("form.cut.rimMm", PieceProblemCode.RimOutOfRange, piece.ThicknessMm);
        if (cut.Lobes is < 1 or > PieceCut.MostLobes)
            yield return new PieceProblem("form.cut.lobes", PieceProblemCode.LobesOutOfRange, PieceCut.MostLobes);
        else if (cut.Lobes > 1 && piece.Solid)
            yield return new PieceProblem("form.cut.lobes", PieceProblemCode.LobesOfASolid);
        if (cut.NubMm is { } nub && !(nub is > 0 and <= PieceCut.LargestNubMm))
            yield return new PieceProblem("form.cut.nubMm", PieceProblemCode.NubOutOfRange, PieceCut.LargestNubMm);
    }
}
