using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.Ombre;

public enum OmbreProblemCode
{
    TooFewShades,
    TooManyShades,

    /// <summary>Steps and uses do not go together.</summary>
    ShadesDoNotMatch,
    StepOutOfRange,
    MiddleNotInside,

    /// <summary>Of the last paste a shade has between nothing and all.</summary>
    ShareOutOfRange,
    EndBeforeBegin,

    /// <summary>Two pastes of the run look the same: there is nothing between them.</summary>
    EndsAlike,

    /// <summary>Too little to weigh with this scale.</summary>
    UnderScale,
    MassOutOfRange,
    ScaleOutOfRange,

    /// <summary>A piece that is not there any more.</summary>
    UnknownPiece,
    PieceTwice,
}

/// <param name="Path">Within the plan: <c>uses[2].otherG</c>.</param>
public sealed record OmbreProblem(string Path, OmbreProblemCode Code, double? Limit = null);

/// <summary>What cannot be in a run of shades. Its recipes are checked as recipes are.</summary>
public static class OmbreCheck
{
    public const double LargestStep = 20;
    public const double SmallestStep = 0.05;

    /// <summary>So many steps of the scale are weighed without a worrying error.</summary>
    private const int FewestScaleSteps = 20;

    /// <summary>CIEDE2000; less is one colour to the eye.</summary>
    private const double Alike = 1;

    /// <param name="works">All pieces that it may name.</param>
    public static IEnumerable<OmbreProblem> Problems(OmbrePlan plan, IReadOnlyList<PieceToMake> works)
    {
        if (plan.Uses.Count < OmbrePlan.FewestShades)
            yield return new("uses", OmbreProblemCode.TooFewShades, OmbrePlan.FewestShades);
        else if (plan.Uses.Count > OmbrePlan.MostShades)
            yield return new("uses", OmbreProblemCode.TooManyShades, OmbrePlan.MostShades);
        else if (plan.Steps.Count != plan.Uses.Count - 1)
            yield return new("steps", OmbreProblemCode.ShadesDoNotMatch);
        foreach (var (i, step) in plan.Steps.Index())
        {
            if (step is not (>= SmallestStep and <= LargestStep))
                yield return new($"steps[{i}]", OmbreProblemCode.StepOutOfRange, LargestStep);
        }

        if (!(plan.Begin is >= 0 and <= OmbrePlan.MaxBegin))
            yield return new("begin", OmbreProblemCode.ShareOutOfRange, 100 * OmbrePlan.MaxBegin);
        else if (!(plan.End > plan.Begin && plan.End <= 1))
            yield return new("end", OmbreProblemCode.EndBeforeBegin, 100);
        if (plan.Middle is { } middle && (middle.At < 1 || middle.At >= plan.Steps.Count))
            yield return new("middle.at", OmbreProblemCode.MiddleNotInside);
        if (!BenchScale.IsPossible(plan.ScaleG))
            yield return new("scaleG", OmbreProblemCode.ScaleOutOfRange, BenchScale.CoarsestG);
        foreach (var problem in OfUses(plan, works))
            yield return problem;
    }

    /// <summary>What only shows once the recipes are known to be good.</summary>
    public static IEnumerable<OmbreProblem> Colours(OmbrePlan plan, Materials materials)
    {
        var stops = plan.Recipes();
        string[] paths = plan.Middle is null ? ["last"] : ["middle.recipe", "last"];
        for (var i = 0; i + 1 < stops.Count; i++)
        {
            if (DeltaE2000.Between(PasteOptics.ColourOf(stops[i], materials), PasteOptics.ColourOf(stops[i + 1], materials)) < Alike)
                yield return new(paths[i], OmbreProblemCode.EndsAlike);
        }
    }

    private static IEnumerable<OmbreProblem> OfUses(OmbrePlan plan, IReadOnlyList<PieceToMake> works)
    {
        var seen = new HashSet<Guid>();
        var grams = plan.GramsFor(works);
        foreach (var (i, use) in plan.Uses.Index())
        {
            foreach (var piece in use.PieceIds)
            {
                if (works.All(work => work.PieceId != piece))
                    yield return new($"uses[{i}].pieceIds", OmbreProblemCode.UnknownPiece);
                else if (!seen.Add(piece))
                    yield return new($"uses[{i}].pieceIds", OmbreProblemCode.PieceTwice);
            }

            if (use.OtherG is not (>= 0 and <= SearchCheck.MostPasteG) || grams[i] > SearchCheck.MostPasteG)
                yield return new($"uses[{i}].otherG", OmbreProblemCode.MassOutOfRange, SearchCheck.MostPasteG);
            else if (BenchScale.IsPossible(plan.ScaleG) && grams[i] < FewestScaleSteps * plan.ScaleG)
                yield return new($"uses[{i}].otherG", OmbreProblemCode.UnderScale, FewestScaleSteps * plan.ScaleG);
        }
    }
}
