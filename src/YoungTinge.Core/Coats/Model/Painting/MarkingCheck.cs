namespace YoungTinge.Core.Coats.Model;

/// <summary>Finds what no hand can paint.</summary>
internal static class MarkingCheck
{
    public static IEnumerable<PlanProblem> Problems(Marking marking, string path)
    {
        if (!(marking.SizeMm is >= Marking.SmallestMm and <= Marking.LargestMm))
            yield return new PlanProblem($"{path}.sizeMm", PlanProblemCode.MarkSizeOutOfRange, Marking.LargestMm);
        if (marking.IsSpaced && !(marking.SpacingMm is >= Marking.SmallestSpacingMm and <= Marking.LargestMm))
            yield return new PlanProblem($"{path}.spacingMm", PlanProblemCode.SpacingOutOfRange, Marking.LargestMm);
        if (!(marking.Waver is >= 0 and <= 1))
            yield return new PlanProblem($"{path}.waver", PlanProblemCode.WaverOutOfRange, 1);
    }
}
