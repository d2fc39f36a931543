using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Coats.Advice;

/// <summary>Finds what cannot be in a plan, before anything is computed or kept.</summary>
public static class PlanCheck
{
    public const int MostCoats = 24;

    public const int LongestNote = 300;
    public const int MostOnPurpose = 100;

    public static IReadOnlyList<PlanProblem> Problems(PiecePlan plan, Materials materials) =>
        [.. Targets(plan), .. Paste(plan.Paste, materials), .. Coats(plan.Coats, materials), .. OnPurpose(plan.OnPurpose)];

    private static IEnumerable<PlanProblem> OnPurpose(IReadOnlyList<AcknowledgedAdvice> kept)
    {
        if (kept.Count > MostOnPurpose)
            yield return new PlanProblem("onPurpose", PlanProblemCode.TooManyOnPurpose, MostOnPurpose);
        foreach (var (i, one) in kept.Index())
        {
            if (one.Note.Length > LongestNote)
                yield return new PlanProblem($"onPurpose[{i}].note", PlanProblemCode.NoteTooLong, LongestNote);
        }
    }

    private static IEnumerable<PlanProblem> Targets(PiecePlan plan)
    {
        foreach (var zone in Enum.GetValues<Zone>())
        {
            var path = $"targets.{char.ToLowerInvariant(zone.ToString()[0])}{zone.ToString()[1..]}";
            if (!plan.Targets.TryGetValue(zone, out var target))
                yield return new PlanProblem(path, PlanProblemCode.MissingTarget);
            else if (!IsColour(target.Colour))
                yield return new PlanProblem($"{path}.colour", PlanProblemCode.NotAColour);
            else if (!(target.Spread is >= 0 and <= Target.MostSpread))
                yield return new PlanProblem($"{path}.spread", PlanProblemCode.SpreadOutOfRange, Target.MostSpread);
        }

        if (!IsColour(plan.PasteTarget))
            yield return new PlanProblem("ground", PlanProblemCode.NotAColour);
    }

    /// <summary>Inside what any surface can be, with a little room for measuring error.</summary>
    public static bool IsColour(Lab lab) => lab is { L: >= 0 and <= 100, A: >= -150 and <= 150, B: >= -150 and <= 150 };

    private static IEnumerable<PlanProblem> Paste(PasteRecipe paste, Materials materials)
    {
        if (!materials.Has<PasteBase>(paste.BaseId))
            yield return new PlanProblem("paste.baseId", PlanProblemCode.UnknownMaterial);
        if (paste.Doses.Count > MixCheck.MostInMix)
            yield return new PlanProblem("paste.doses", PlanProblemCode.TooManyInMix, MixCheck.MostInMix);
        for (var i = 0; i < paste.Doses.Count; i++)
        {
            var (id, dose) = paste.Doses[i];
            var path = $"paste.doses[{i}]";
            if (!materials.Has<Colourant>(id))
                yield return new PlanProblem($"{path}.colourantId", PlanProblemCode.UnknownMaterial);
            else if (!(dose > 0))
                yield return new PlanProblem($"{path}.gPer100g", PlanProblemCode.DoseNotAboveZero);
            else if (materials.Get<Colourant>(id).LoadLimitGPer100g is var limit && dose > limit)
                yield return new PlanProblem($"{path}.gPer100g", PlanProblemCode.DoseOverLimit, limit, id);
            if (paste.Doses.Take(i).Any(other => other.ColourantId == id))
                yield return new PlanProblem($"{path}.colourantId", PlanProblemCode.SameColourTwice, Material: id);
        }
    }

    private static IEnumerable<PlanProblem> Coats(IReadOnlyList<Coat> coats, Materials materials)
    {
        if (coats.Count > MostCoats)
            yield return new PlanProblem("coats", PlanProblemCode.TooManyCoats, MostCoats);
        for (var i = 0; i < coats.Count; i++)
        {
            var path = $"coats[{i}]";
            if (coats.Take(i).Any(other => other.Id == coats[i].Id))
                yield return new PlanProblem($"{path}.id", PlanProblemCode.SameCoatTwice);
            foreach (var problem in coats[i].Problems(path, materials))
                yield return problem;
        }
    }
}
