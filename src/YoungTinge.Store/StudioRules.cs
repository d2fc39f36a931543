using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Advice;
using YoungTinge.Core.Learning;
using YoungTinge.Core.Mixing;
using YoungTinge.Store.People;

namespace YoungTinge.Store;

/// <summary>Something in what is to be kept that cannot be.</summary>
/// <param name="Path">The field, as in its JSON.</param>
/// <param name="Limit">The limit that was passed, if it is one.</param>
/// <param name="Material">The material that it is about, by id.</param>
public sealed record Fault(string Path, string Code, double? Limit = null, string? Material = null);

/// <summary>What a studio, its commissions, flowers, batches and log entries may be: asked before they are kept, and of an archive before it is taken in.</summary>
public static class StudioRules
{
    public const int LongestName = 120;
    public const int LongestNote = 2000;
    public const int MostFlowers = 5000;

    public const int LongestPlace = 300;
    public const int LongestKeptIn = 120;
    public const int LongestTimeZone = 60;
    public const int MostMarginDays = 60;
    public const double ColdestCelsius = -10;
    public const double WarmestCelsius = 50;

    /// <summary>No day or moment in a studio lies before it.</summary>
    public static readonly DateOnly Earliest = new(2000, 1, 1);

    /// <summary>None lies on it or after it.</summary>
    public static readonly DateOnly Latest = new(2100, 1, 1);

    public static IEnumerable<Fault> Of(Studio studio)
    {
        foreach (var fault in OfName(studio.Name))
            yield return fault;
        if (studio.Maker.Trim().Length > LongestName)
            yield return new Fault("maker", "nameTooLong", LongestName);
        if (studio.TimeZone.Length > LongestTimeZone || !TimeZoneInfo.TryFindSystemTimeZoneById(studio.TimeZone, out _))
            yield return new Fault("timeZone", "unknownTimeZone");
        // Three letters, as ISO 4217 writes them; whether they name a currency is for the browser, which knows them.
        if (studio.Currency.Length != 3 || !studio.Currency.All(char.IsAsciiLetterUpper))
            yield return new Fault("currency", "unknownCurrency");
        if (!LanguageTag.IsPossible(studio.Language))
            yield return new Fault("language", "unknownWord");
        if (!Enum.IsDefined(studio.Measuring.Measures))
            yield return new Fault("measures", "unknownWord");
        if (!BenchScale.IsPossible(studio.Measuring.ScaleG))
            yield return new Fault("scaleG", "scaleOutOfRange", BenchScale.CoarsestG);
        if (studio.Measuring.LeftoverDeltaE is not (>= Measuring.LeastDeltaE and <= Measuring.MostDeltaE))
            yield return new Fault("leftoverDeltaE", "leftoverDeltaEOutOfRange", Measuring.MostDeltaE);
        var holes = studio.Measuring.HolesMm;
        if (holes.Count > SizingHoles.MaxCount)
            yield return new Fault("holesMm", "tooManyHoles", SizingHoles.MaxCount);
        else if (holes.Any(hole => hole is not (>= SizingHoles.SmallestMm and <= SizingHoles.LargestMm)))
            yield return new Fault("holesMm", "holeOutOfRange", SizingHoles.LargestMm);
        else if (holes.Zip(holes.Skip(1)).Any(pair => pair.First >= pair.Second))
            yield return new Fault("holesMm", "holesNotInOrder");
    }

    /// <param name="path">The field that it stands in.</param>
    public static IEnumerable<Fault> OfName(string name, string path = "name", int longest = LongestName)
    {
        if (string.IsNullOrWhiteSpace(name))
            yield return new Fault(path, "nameMissing");
        else if (name.Trim().Length > longest)
            yield return new Fault(path, "nameTooLong", longest);
    }

    public static IEnumerable<Fault> Of(CommissionDetails details)
    {
        foreach (var fault in OfName(details.Name))
            yield return fault;
        if (details.DueOn < Earliest || details.DueOn >= Latest)
            yield return new Fault("dueOn", "dateOutOfRange");
        foreach (var (path, text, most) in new[] { ("place", details.Place, LongestPlace), ("clientNote", details.ClientNote, LongestNote), ("ownNote", details.OwnNote, LongestNote) })
        {
            if (text.Length > most)
                yield return new Fault(path, "tooLong", most);
        }

        if (details.RoomHumidityPercent is < 0 or > 100)
            yield return new Fault("roomHumidityPercent", "humidityOutOfRange", 100);
        if (details.RoomCelsius is { } celsius && celsius is not (>= ColdestCelsius and <= WarmestCelsius))
            yield return new Fault("roomCelsius", "temperatureOutOfRange", WarmestCelsius);
        if (details.MarginDays is < 0 or > MostMarginDays)
            yield return new Fault("marginDays", "marginOutOfRange", MostMarginDays);
        if (!Enum.IsDefined(details.Light))
            yield return new Fault("light", "unknownWord");
        if (!Enum.IsDefined(details.Status))
            yield return new Fault("status", "unknownWord");
        if (!details.Diets.All(Enum.IsDefined<Diet>))
            yield return new Fault("diets", "unknownWord");
    }

    public static IEnumerable<Fault> OfCounts(int flowers, int buds)
    {
        if (flowers is < 0 or > MostFlowers)
            yield return new Fault("flowers", "flowersOutOfRange", MostFlowers);
        if (buds is < 0 or > MostFlowers)
            yield return new Fault("buds", "flowersOutOfRange", MostFlowers);
        if (flowers == 0 && buds == 0)
            yield return new Fault("flowers", "noFlowers");
    }

    public static IEnumerable<Fault> Of(Batch batch, Materials materials)
    {
        if (string.IsNullOrWhiteSpace(batch.Name))
            yield return new Fault("name", "nameMissing");
        else if (batch.Name.Length > LongestName)
            yield return new Fault("name", "tooLong", LongestName);
        if (!PlanCheck.IsColour(batch.Target))
            yield return new Fault("target", "notAColour");
        if (batch.Measured is { } measured && !PlanCheck.IsColour(measured))
            yield return new Fault("measured", "notAColour");
        if (batch.Note.Length > LongestNote)
            yield return new Fault("note", "tooLong", LongestNote);
        foreach (var fault in OfMass(batch.PasteG, "pasteG").Concat(OfRecipe(batch.Recipe, "recipe", materials)))
            yield return fault;
        if (batch.Made is not { } made)
            yield break;
        if (made.KeptIn.Length > LongestKeptIn)
            yield return new Fault("made.keptIn", "tooLong", LongestKeptIn);
        if (!(made.LeftG >= 0 && made.LeftG <= made.Grams))
            yield return new Fault("made.leftG", "leftOutOfRange", made.Grams);
        foreach (var fault in OfMass(made.Grams, "made.grams").Concat(OfRecipe(made.Recipe, "made.recipe", materials)))
            yield return fault;
    }

    public static IEnumerable<Fault> OfMass(double grams, string path)
    {
        if (grams is not (>= SearchCheck.LeastPasteG and <= SearchCheck.MostPasteG))
            yield return new Fault(path, "massOutOfRange", SearchCheck.MostPasteG);
    }

    /// <summary>A recipe as a hand may try it: doses over their load limit are shown, not refused.</summary>
    public static IEnumerable<Fault> OfRecipe(PasteRecipe recipe, string path, Materials materials)
    {
        foreach (var fault in OfMix(recipe.BaseId, [.. recipe.Doses.Select(dose => dose.ColourantId)], path, materials))
            yield return fault;
        foreach (var (i, dose) in recipe.Doses.Index())
        {
            if (dose.GPer100g is not (>= 0 and <= MadeBatch.MostGPer100g))
                yield return new Fault($"{path}.doses[{i}].gPer100g", "doseEnormous", MadeBatch.MostGPer100g, dose.ColourantId);
        }
    }

    /// <summary>A paste as it was measured: in units that its colours have, and no more than can be kneaded in.</summary>
    public static IEnumerable<Fault> Of(MeasuredPaste paste, string path, Materials materials)
    {
        foreach (var fault in OfMass(paste.PasteG, $"{path}.pasteG").Concat(OfMix(paste.BaseId, [.. paste.Doses.Select(dose => dose.ColourantId)], path, materials)))
            yield return fault;
        foreach (var (i, dose) in paste.Doses.Index())
        {
            if (materials.Find(dose.ColourantId) is not Colourant colour)
                continue;
            if (!dose.CanBeOf(colour))
                yield return new Fault($"{path}.doses[{i}].unit", "unitUnknown", null, dose.ColourantId);
            else if (!(dose.Amount >= 0 && dose.Grams(colour) * 100 <= MadeBatch.MostGPer100g * paste.PasteG) && !OfMass(paste.PasteG, path).Any())
                yield return new Fault($"{path}.doses[{i}].amount", "doseEnormous", MadeBatch.MostGPer100g, dose.ColourantId);
        }
    }

    private static IEnumerable<Fault> OfMix(string baseId, IReadOnlyList<string> colourantIds, string path, Materials materials)
    {
        if (!materials.Has<PasteBase>(baseId))
            yield return new Fault($"{path}.baseId", "unknownMaterial");
        if (colourantIds.Count > PasteRecipe.MostDoses)
            yield return new Fault($"{path}.doses", "tooManyInMix", PasteRecipe.MostDoses);
        foreach (var (i, id) in colourantIds.Index())
        {
            if (!materials.Has<Colourant>(id))
                yield return new Fault($"{path}.doses[{i}].colourantId", "unknownMaterial");
            if (colourantIds.Take(i).Contains(id))
                yield return new Fault($"{path}.doses[{i}].colourantId", "sameColourTwice", null, id);
        }
    }

    /// <summary>What really went into what is logged, and how long it had rested.</summary>
    /// <param name="wentIn">Null for as planned.</param>
    public static IEnumerable<Fault> OfDone(MeasuredPaste? wentIn, double? restedHours, LogSubject subject, Materials materials) =>
        (wentIn is null ? [] : Of(wentIn, "wentIn", materials)).Concat(OfRest(restedHours, subject));

    /// <summary>How long what is logged had rested: a paste, and no longer than colour can take to come out.</summary>
    private static IEnumerable<Fault> OfRest(double? restedHours, LogSubject subject)
    {
        if (restedHours is { } hours && hours is not (>= 0 and <= PasteReading.MostRestedHours))
            yield return new Fault("restedHours", "restedTooLong", PasteReading.MostRestedHours);
        if (restedHours is not null && subject != LogSubject.Paste)
            yield return new Fault("restedHours", "restedNoPaste");
    }

    public static IEnumerable<Fault> Of(LogEntry entry)
    {
        if (!PlanCheck.IsColour(entry.Actual) || !PlanCheck.IsColour(entry.Predicted))
            yield return new Fault("actual", "notAColour");
        if (entry.Note.Length > LongestNote)
            yield return new Fault("note", "tooLong", LongestNote);
        foreach (var fault in OfRest(entry.RestedHours, entry.Subject))
            yield return fault;
        if (entry.Laid is { } zone && !(entry is { Plan: { } plan, Mix: not null } && zone.Laid.CouldBe(plan.Coats.Count)))
            yield return new Fault("laid", "notAZone");
    }
}
