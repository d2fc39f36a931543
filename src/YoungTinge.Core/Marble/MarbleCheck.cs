using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.Marble;

public enum MarbleProblemCode
{
    TooFewPastes,
    TooManyPastes,
    PartsOutOfRange,

    /// <summary>All proportions are zero.</summary>
    NothingInIt,
    TooManyFolds,
    TooManyRepeats,
    TwistOutOfRange,

    /// <summary>No piece and no mass.</summary>
    MassOutOfRange,

    /// <summary>A piece that is not there any more.</summary>
    UnknownPiece,
}

/// <param name="Path">Within the plan: <c>stripes[1].parts</c>.</param>
public sealed record MarbleProblem(string Path, MarbleProblemCode Code, double? Limit = null);

/// <summary>What cannot be in a marbled batch. Its recipes are checked as recipes are.</summary>
public static class MarbleCheck
{
    public const double MostParts = 1000;
    private const double SmallestG = 5;

    /// <param name="works">All pieces that it may name.</param>
    public static IEnumerable<MarbleProblem> Problems(MarblePlan plan, IReadOnlyList<PieceToMake> works)
    {
        if (plan.Stripes.Count < MarblePlan.FewestPastes)
            yield return new("stripes", MarbleProblemCode.TooFewPastes, MarblePlan.FewestPastes);
        if (plan.Stripes.Count > MarblePlan.MostPastes)
            yield return new("stripes", MarbleProblemCode.TooManyPastes, MarblePlan.MostPastes);
        foreach (var (i, stripe) in plan.Stripes.Index())
        {
            if (stripe.Parts is not (>= 0 and <= MostParts))
                yield return new($"stripes[{i}].parts", MarbleProblemCode.PartsOutOfRange, MostParts);
        }

        if (plan.Stripes.Count(stripe => stripe.Parts > 0) < MarblePlan.FewestPastes && plan.Stripes.Count >= MarblePlan.FewestPastes)
            yield return new("stripes", MarbleProblemCode.NothingInIt);
        if (plan.Folds is < 0 or > MarblePlan.MostFolds)
            yield return new("folds", MarbleProblemCode.TooManyFolds, MarblePlan.MostFolds);
        if (plan.Repeats is < 1 or > MarblePlan.MostRepeats)
            yield return new("repeats", MarbleProblemCode.TooManyRepeats, MarblePlan.MostRepeats);
        if (plan.Twist is not (>= 0 and <= 1))
            yield return new("twist", MarbleProblemCode.TwistOutOfRange, 1);
        if (plan.PieceIds.Any(piece => works.All(work => work.PieceId != piece)))
            yield return new("pieceIds", MarbleProblemCode.UnknownPiece);
        if (plan.OtherG is not (>= 0 and <= SearchCheck.MostPasteG) || plan.Grams(works) is not (>= SmallestG and <= SearchCheck.MostPasteG))
            yield return new("otherG", MarbleProblemCode.MassOutOfRange, SearchCheck.MostPasteG);
    }
}
