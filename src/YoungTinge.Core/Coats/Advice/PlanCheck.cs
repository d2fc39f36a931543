using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Coats.Advice;

public enum PlanProblemCode
{
    MissingTarget,
    NotAColour,
    SpreadOutOfRange,
    UnknownMaterial,
    DoseNotAboveZero,
    DoseOverLimit,
    SameColourTwice,
    EmptyMix,
    PartsOutOfRange,
    LoadNotAboveZero,
    LoadOverLimit,
    PlaceOutOfRange,
    PlaceEndsBeforeStart,
    TooManyPlaces,
    MarkSizeOutOfRange,
    SpacingOutOfRange,
    WaverOutOfRange,
    CoatsOutOfRange,
    SecondsOutOfRange,
    TooManyCoats,
    TooManyInMix,
    SameCoatTwice,
    StrengthOutOfRange,
    WetOutOfRange,
    TintOutOfRange,
    CoverageOutOfRange,
    NoteTooLong,
    TooManyOnPurpose,
}

/// <summary>Something in a plan that cannot be.</summary>
/// <param name="Path">The field, as in the plan's JSON: <c>coats[1].loadMgPerCm2</c>.</param>
/// <param name="Limit">The limit that was passed, if it is one.</param>
/// <param name="Material">The material whose limit it is, by id.</param>
public sealed record PlanProblem(string Path, PlanProblemCode Code, double? Limit = null, string? Material = null);

/// <summary>Finds what cannot be in a plan, before anything is computed or kept.</summary>
public static class PlanCheck
{
    public const int MostCoats = 24;
    public const int MostInMix = 8;
    public const double MostParts = 1000;
    public const int MostGlazeCoats = 5;
    public const int MostSteamSeconds = 60;

    public const int LongestNote = 300;
    public const int MostOnPurpose = 100;

    /// <summary>More colour in 1 ml of thinner is a paste again, in g.</summary>
    public const double MostGPerMl = 1;

    /// <summary>More of a wash runs off, in ml/cm2.</summary>
    public const double MostWetMlPerCm2 = 0.02;

    /// <summary>Closer than this no brush sets one stroke beside the other.</summary>
    public const double SmallestSpacingMm = 0.5;

    /// <summary>More powder in 10 ml of glaze does not stir in, in g.</summary>
    public const double MostTintGPer10ml = 5;

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

        if (!IsColour(plan.Ground))
            yield return new PlanProblem("ground", PlanProblemCode.NotAColour);
    }

    /// <summary>Inside what any surface can be, with a little room for measuring error.</summary>
    public static bool IsColour(Lab lab) => lab is { L: >= 0 and <= 100, A: >= -150 and <= 150, B: >= -150 and <= 150 };

    private static IEnumerable<PlanProblem> Paste(PasteRecipe paste, Materials materials)
    {
        if (!materials.Has<PasteBase>(paste.BaseId))
            yield return new PlanProblem("paste.baseId", PlanProblemCode.UnknownMaterial);
        if (paste.Doses.Count > MostInMix)
            yield return new PlanProblem("paste.doses", PlanProblemCode.TooManyInMix, MostInMix);
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
            var problems = coats[i] switch
            {
                DustCoat dust => Dust(dust, path, materials),
                WashCoat wash => Wash(wash, path, materials),
                GlazeCoat glaze => Glaze(glaze, path, materials),
                PollenCoat pollen => Pollen(pollen, path, materials),
                SteamCoat steam when steam.Seconds is < 1 or > MostSteamSeconds =>
                    [new PlanProblem($"{path}.seconds", PlanProblemCode.SecondsOutOfRange, MostSteamSeconds)],
                _ => [],
            };
            foreach (var problem in coats[i] is IPlacedCoat placed ? problems.Concat(PlaceProblems(placed.Place, $"{path}.place")) : problems)
                yield return problem;
        }
    }

    private static IEnumerable<PlanProblem> Dust(DustCoat dust, string path, Materials materials)
    {
        var total = dust.Mix.Sum(portion => portion.Parts);
        foreach (var problem in Mix(dust.Mix, path, materials.Has<Dust>))
            yield return problem;
        if (!(dust.LoadMgPerCm2 > 0))
            yield return new PlanProblem($"{path}.loadMgPerCm2", PlanProblemCode.LoadNotAboveZero);
        else if (total > 0 && dust.Mix.All(portion => materials.Has<Dust>(portion.MaterialId)))
        {
            // A mix holds as its parts do, by mass.
            var limit = dust.Mix.Sum(portion => portion.Parts / total * materials.Get<Dust>(portion.MaterialId).LoadLimitMgPerCm2);
            if (!(dust.LoadMgPerCm2 <= limit + 1e-9))
                yield return new PlanProblem($"{path}.loadMgPerCm2", PlanProblemCode.LoadOverLimit, limit);
        }
    }

    private static IEnumerable<PlanProblem> Mix(IReadOnlyList<Portion> mix, string path, Func<string, bool> isKnown)
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

    private static IEnumerable<PlanProblem> Wash(WashCoat wash, string path, Materials materials)
    {
        foreach (var problem in Mix(wash.Mix, path, id => materials.Has<Colourant>(id) || materials.Has<Dust>(id)))
            yield return problem;
        if (!materials.Has<Thinner>(wash.ThinnerId))
            yield return new PlanProblem($"{path}.thinnerId", PlanProblemCode.UnknownMaterial);
        if (!(wash.GPerMl is > 0 and <= MostGPerMl))
            yield return new PlanProblem($"{path}.gPerMl", PlanProblemCode.StrengthOutOfRange, MostGPerMl);
        if (!(wash.WetMlPerCm2 is > 0 and <= MostWetMlPerCm2))
            yield return new PlanProblem($"{path}.wetMlPerCm2", PlanProblemCode.WetOutOfRange, MostWetMlPerCm2);
        if (wash.Marking is null)
            yield break;
        foreach (var problem in MarkingProblems(wash.Marking, $"{path}.marking"))
            yield return problem;
    }

    private static IEnumerable<PlanProblem> Pollen(PollenCoat pollen, string path, Materials materials)
    {
        if (!materials.Has<Crumb>(pollen.CrumbId))
            yield return new PlanProblem($"{path}.crumbId", PlanProblemCode.UnknownMaterial);
        if (!materials.Has<Adhesive>(pollen.AdhesiveId))
            yield return new PlanProblem($"{path}.adhesiveId", PlanProblemCode.UnknownMaterial);
        if (!(pollen.Coverage is > 0 and <= 1))
            yield return new PlanProblem($"{path}.coverage", PlanProblemCode.CoverageOutOfRange, 1);
    }

    /// <param name="path">Of the place.</param>
    private static IEnumerable<PlanProblem> PlaceProblems(Place place, string path, bool isPart = false)
    {
        if (place.Kind != PlaceKind.Whole)
        {
            foreach (var (name, distance) in new[] { ("start", place.Start), ("end", place.End), ("feather", place.Feather) })
            {
                if (!(distance >= 0 && distance <= place.LargestDistance))
                    yield return new PlanProblem($"{path}.{name}", PlanProblemCode.PlaceOutOfRange, place.LargestDistance);
            }

            if (place.End < place.Start)
                yield return new PlanProblem($"{path}.end", PlanProblemCode.PlaceEndsBeforeStart);
        }

        // One level deep: nobody pictures a place made of places made of places.
        if (place.Also.Count > (isPart ? 0 : Place.MostAlso))
            yield return new PlanProblem($"{path}.also", PlanProblemCode.TooManyPlaces, isPart ? 0 : Place.MostAlso);
        else if (isPart && place.Within is not null)
            yield return new PlanProblem($"{path}.within", PlanProblemCode.TooManyPlaces, 0);
        else
        {
            foreach (var problem in place.Also.Index().SelectMany(one => PlaceProblems(one.Item, $"{path}.also[{one.Index}]", isPart: true)))
                yield return problem;
            if (place.Within is not null)
            {
                foreach (var problem in PlaceProblems(place.Within, $"{path}.within", isPart: true))
                    yield return problem;
            }
        }
    }

    private static IEnumerable<PlanProblem> MarkingProblems(Marking marking, string path)
    {
        if (!(marking.SizeMm is >= Marking.SmallestMm and <= Marking.LargestMm))
            yield return new PlanProblem($"{path}.sizeMm", PlanProblemCode.MarkSizeOutOfRange, Marking.LargestMm);
        if (marking.IsSpaced && !(marking.SpacingMm is >= SmallestSpacingMm and <= Marking.LargestMm))
            yield return new PlanProblem($"{path}.spacingMm", PlanProblemCode.SpacingOutOfRange, Marking.LargestMm);
        if (!(marking.Waver is >= 0 and <= 1))
            yield return new PlanProblem($"{path}.waver", PlanProblemCode.WaverOutOfRange, 1);
    }

    private static IEnumerable<PlanProblem> Glaze(GlazeCoat glaze, string path, Materials materials)
    {
        if (!materials.Has<Glaze>(glaze.GlazeId))
            yield return new PlanProblem($"{path}.glazeId", PlanProblemCode.UnknownMaterial);
        if (glaze.Coats is < 1 or > MostGlazeCoats)
            yield return new PlanProblem($"{path}.coats", PlanProblemCode.CoatsOutOfRange, MostGlazeCoats);
        if (glaze.Tint is not { } tint)
            yield break;
        foreach (var problem in Mix(tint.Mix, $"{path}.tint", materials.Has<Dust>))
            yield return problem;
        if (!(tint.GPer10ml is > 0 and <= MostTintGPer10ml))
            yield return new PlanProblem($"{path}.tint.gPer10ml", PlanProblemCode.TintOutOfRange, MostTintGPer10ml);
    }
}
