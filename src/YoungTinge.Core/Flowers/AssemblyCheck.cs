namespace YoungTinge.Core.Flowers;

public enum AssemblyProblemCode
{
    NameTooLong,
    TooManyStages,

    /// <summary>Two stages have one id.</summary>
    SameStageTwice,

    /// <summary>It goes onto a stage that is not there.</summary>
    UnknownStage,

    /// <summary>Each goes onto the other.</summary>
    CircleOfStages,

    /// <summary>Two stages begin by themselves: the flower falls apart.</summary>
    NotJoined,
    StageIsEmpty,
    UnknownPiece,
    CountOutOfRange,

    /// <summary>More than one flower has of them.</summary>
    MoreThanMade,

    /// <summary>Nobody holds so many together.</summary>
    GroupOutOfRange,

    /// <summary>Some of them are in no stage.</summary>
    PieceInNoStage,
}

/// <param name="Path">Within the plan: <c>stages[1].parts[0].perFlower</c>.</param>
/// <param name="PieceId">That it is about; null where it is about none.</param>
public sealed record AssemblyProblem(string Path, AssemblyProblemCode Code, double? Limit = null, Guid? PieceId = null);

/// <summary>What cannot be in the way a flower is put together.</summary>
public static class AssemblyCheck
{
    /// <param name="pieces">All of the flower.</param>
    public static IReadOnlyList<AssemblyProblem> Problems(AssemblyPlan plan, IReadOnlyList<PieceOfFlower> pieces)
    {
        var found = new List<AssemblyProblem>();
        var stages = plan.Stages;
        if (stages.Count > AssemblyPlan.MostStages)
            return [new("stages", AssemblyProblemCode.TooManyStages, AssemblyPlan.MostStages)];
        if (plan.GroupOf is < 1 or > AssemblyPlan.MaxGroup)
            found.Add(new("groupOf", AssemblyProblemCode.GroupOutOfRange, AssemblyPlan.MaxGroup));
        var ids = stages.Select(stage => stage.Id).ToHashSet();
        if (ids.Count < stages.Count)
            return [new("stages", AssemblyProblemCode.SameStageTwice)];
        foreach (var (i, stage) in stages.Index())
        {
            if (stage.Name.Length > AssemblyPlan.LongestName)
                found.Add(new($"stages[{i}].name", AssemblyProblemCode.NameTooLong, AssemblyPlan.LongestName));
            if (stage.Parts.Count == 0)
                found.Add(new($"stages[{i}].parts", AssemblyProblemCode.StageIsEmpty));
            if (stage.Onto is { } onto && !ids.Contains(onto))
                found.Add(new($"stages[{i}].onto", AssemblyProblemCode.UnknownStage));
            foreach (var (at, part) in stage.Parts.Index())
            {
                if (pieces.FirstOrDefault(piece => piece.PieceId == part.PieceId) is not { } piece)
                    found.Add(new($"stages[{i}].parts[{at}].pieceId", AssemblyProblemCode.UnknownPiece));
                else if (part.PerFlower < 1 || part.PerFlower > PieceCheck.MostPerPart)
                    found.Add(new($"stages[{i}].parts[{at}].perFlower", AssemblyProblemCode.CountOutOfRange, PieceCheck.MostPerPart, piece.PieceId));
                else if (UsedUpTo(stages, i, at, part.PieceId) > piece.Piece.PerPart)
                    found.Add(new($"stages[{i}].parts[{at}].perFlower", AssemblyProblemCode.MoreThanMade, piece.Piece.PerPart, piece.PieceId));
            }
        }

        if (found.Count > 0)
            return found;
        if (InOrder(plan) is null)
            return [new("stages", AssemblyProblemCode.CircleOfStages)];
        if (stages.Count(stage => stage.Onto is null) > 1)
            return [new($"stages[{stages.Index().Last(stage => stage.Item.Onto is null).Index}].onto", AssemblyProblemCode.NotJoined)];
        return [.. pieces.Where(piece => HouseAssembly.InFlower(piece.Piece) && Used(stages, piece.PieceId) < piece.Piece.PerPart)
            .Select(piece => new AssemblyProblem("stages", AssemblyProblemCode.PieceInNoStage, piece.Piece.PerPart - Used(stages, piece.PieceId), piece.PieceId))];
    }

    /// <summary>Stages as they follow each other, each after the one that it goes onto; null if they go in a circle.</summary>
    public static IReadOnlyList<AssemblyStage>? InOrder(AssemblyPlan plan)
    {
        var ordered = new List<AssemblyStage>();
        var left = plan.Stages.ToList();
        while (left.Count > 0)
        {
            // Of those that can be done, the first on the list.
            if (left.FirstOrDefault(stage => stage.Onto is not { } onto || ordered.Any(done => done.Id == onto)) is not { } next)
                return null;
            ordered.Add(next);
            left.Remove(next);
        }

        return ordered;
    }

    private static int Used(IReadOnlyList<AssemblyStage> stages, Guid pieceId) => stages.SelectMany(stage => stage.Parts).Where(part => part.PieceId == pieceId).Sum(part => part.PerFlower);

    private static long UsedUpTo(IReadOnlyList<AssemblyStage> stages, int stage, int part, Guid pieceId) =>
        stages.Take(stage).SelectMany(one => one.Parts).Concat(stages[stage].Parts.Take(part + 1)).Where(one => one.PieceId == pieceId).Sum(one => (long)one.PerFlower);
}
