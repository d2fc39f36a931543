using YoungTinge.Core.Cabinet;

namespace YoungTinge.Core.Coats.Model;

/// <summary>Finds what cannot be in a mix or a place, whatever the kind of coat.</summary>
public static class MixCheck
{
    public const int MostInMix = 8;
    public const double MostParts = 1000;

    /// <param name="path">Of the coat or tint that has the mix.</param>
    /// <param name="isKnown">Whether the cabinet has it, of a kind that may be in this mix.</param>
    internal static IEnumerable<PlanProblem> Problems(IReadOnlyList<Portion> mix, string path, Func<string, bool> isKnown)
    {
        if (mix.Count == 0)
            yield return new PlanProblem($"{path}.mix", PlanProblemCode.EmptyMix);
        if (mix.Count > MostInMix)
            yield return new PlanProblem($"{path}.mix", PlanProblemCode.TooManyInMix, MostInMix);
        for (var j = 0; j < mix.Count; j++)
        {
            var (id, parts) = mix[j];
            if (!isKnown(id))
                yield return new PlanProblem($"{path}.mix[{j}].materialId", PlanProblemCode.UnknownMaterial);
            if (!(parts > 0 && parts <= MostParts))
                yield return new PlanProblem($"{path}.mix[{j}].parts", PlanProblemCode.PartsOutOfRange, MostParts);
            if (mix.Take(j).Any(other => other.MaterialId == id))
                yield return new PlanProblem($"{path}.mix[{j}].materialId", PlanProblemCode.SameColourTwice, Material: id);
        }
    }
}
