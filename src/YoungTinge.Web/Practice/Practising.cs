using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Advice;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Practice;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Practice;

/// <summary>Practice for the eye and the hand: a question at the edge of what the maker sees, what came of it, and how that goes.</summary>
public static class Practising
{
    /// <summary>What was tried longer ago says little of today's eye.</summary>
    private const int MostTrials = 2000;
    private const int TrialsOfThreshold = 60;

    /// <summary>Before that it is mostly chance.</summary>
    private const int FewestTries = 5;

    /// <summary>So often a question begins from a colour that went wrong before.</summary>
    private const double FromMistakes = 0.4;

    /// <summary>A match that is nearer than this is right.</summary>
    private const double MatchedDeltaE = 1;

    private const int MostMoments = 30;

    /// <param name="At">When it was tried.</param>
    /// <param name="Threshold">CIEDE2000 told apart in four of five tries, by all that was tried until then.</param>
    public sealed record MomentView(DateTimeOffset At, double Threshold);

    /// <param name="Threshold">CIEDE2000 told apart in four of five tries; of a match, how far off it is left in the middle. Null while there were too few tries.</param>
    /// <param name="Tries">How many there were.</param>
    /// <param name="Trend">The oldest first; empty while there were too few tries.</param>
    public sealed record ExerciseView(Exercise Exercise, double? Threshold, int Tries, IReadOnlyList<MomentView> Trend);

    /// <param name="Exercises">All there are.</param>
    public sealed record Answer(IReadOnlyList<ExerciseView> Exercises);

    /// <param name="Level">How far apart the choices are, CIEDE2000.</param>
    /// <param name="Shown">What is to be looked at first; empty where the choices stand alone.</param>
    /// <param name="Choices">Colours to choose from; empty where it is chosen otherwise.</param>
    /// <param name="Candle">What is shown, under candle light; empty for the rest.</param>
    /// <param name="Mixes">Recipes to choose from, or the one to match; empty for the rest.</param>
    /// <param name="Sheets">A marbled sheet as it is wanted, and as it is now; empty for the rest.</param>
    /// <param name="Right">Which choice is right, from 0; for candle light 0 is yes and 1 is no, for folds 0 is to stop and 1 is one more.</param>
    /// <param name="About">To send with what came of it.</param>
    public sealed record QuestionView(
        Exercise Exercise, double Level, IReadOnlyList<ColourView> Shown, IReadOnlyList<ColourView> Choices, IReadOnlyList<ColourView> Candle, IReadOnlyList<PasteRecipe> Mixes,
        IReadOnlyList<SheetPicture> Sheets, int Right, Lab About);

    /// <param name="Level">As the question had it; of a match, how far off it was left. CIEDE2000, 0 to 100.</param>
    /// <param name="About">As the question had it.</param>
    public sealed record Tried(Exercise Exercise, double Level, bool IsRight, Lab About);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/practice", Look).WithName("getPractice").WithSummary("How practice goes, exercise by exercise.").Produces<Answer>().ProducesProblems();
        api.MapGet("/practice/{exercise}/question", Ask).WithName("askPractice").WithSummary("A new question, about as hard as the maker can just do.").Produces<QuestionView>().ProducesProblems(404);
        api.MapPut("/practice/trials/{id:guid}", Try).ForHelper().LeavesNoLine().WithName("addPracticeTrial").WithSummary("Keeps what came of a question. Sending it again changes nothing.").Produces(204).ProducesProblems(422);
    }

    private static async Task<IResult> Look(CurrentStudio studio, PracticeStore practice, CancellationToken cancel)
    {
        var trials = await practice.ListAsync(studio.Id, MostTrials, cancel);
        return TypedResults.Ok(new Answer([.. Enum.GetValues<Exercise>().Select(exercise => ViewOf(exercise, [.. trials.Where(trial => trial.Exercise == exercise)]))]));
    }

    private static ExerciseView ViewOf(Exercise exercise, IReadOnlyList<PracticeTrial> own)
    {
        var moments = Enumerable.Range(1, own.Count).Where(count => count == own.Count || count % Math.Max(1, own.Count / MostMoments) == 0)
            .Select(count => new MomentView(own[count - 1].At, ThresholdOf(exercise, own.Take(count)))).ToList();
        return own.Count < FewestTries ? new ExerciseView(exercise, null, own.Count, []) : new ExerciseView(exercise, moments[^1].Threshold, own.Count, moments);
    }

    private static double ThresholdOf(Exercise exercise, IEnumerable<PracticeTrial> own)
    {
        var last = own.TakeLast(TrialsOfThreshold).ToList();
        if (exercise == Exercise.Match)
            return last.Select(trial => trial.Level).Order().ElementAt(last.Count / 2);
        return Staircase.Of(last.Select(Of), Exercises.GuessRateOf(exercise)).Threshold;
    }

    private static Trial Of(PracticeTrial trial) => new(Math.Max(0.01, trial.Level), trial.IsRight);

    /// <param name="exercise">Which.</param>
    private static async Task<IResult> Ask(string exercise, CurrentStudio studio, CabinetStore cabinet, PracticeStore practice, CancellationToken cancel)
    {
        if (!Enum.TryParse<Exercise>(exercise, ignoreCase: true, out var which) || !Enum.IsDefined(which) || int.TryParse(exercise, out _))
            return ApiProblem.NotFound();
        var studioId = studio.Id;
        var materials = await cabinet.LoadAsync(studioId, cancel);
        if (materials.All.OfType<PasteBase>().FirstOrDefault() is null || materials.All.OfType<Glaze>().FirstOrDefault() is null || materials.All.OfType<Colourant>().Count(colour => !colour.Label.IsRetired) < 4)
            materials = StarterCabinet.Load();
        var own = (await practice.ListAsync(studioId, MostTrials, cancel)).Where(trial => trial.Exercise == which).TakeLast(TrialsOfThreshold).ToList();
        var chance = new Random();
        var level = Staircase.Of(own.Select(Of), Exercises.GuessRateOf(which)).NextLevel;
        var wrong = own.Where(trial => !trial.IsRight).ToList();
        Lab? near = wrong.Count > 0 && chance.NextDouble() < FromMistakes ? wrong[chance.Next(wrong.Count)].Colour : null;
        var question = new Exercises(materials, chance).Ask(which, level, near);
        return TypedResults.Ok(new QuestionView(
            which, question.Level, [.. question.Shown.Select(ColourView.From)], [.. question.Choices.Select(ColourView.From)],
            which == Exercise.Candle ? [.. question.Mixes.Select(mix => ColourView.From(Lights.Of(LightKind.Candle).LabOf(PasteOptics.Reflectance(mix, materials)), Lights.Of(LightKind.Candle)))] : [],
            question.Mixes, [.. question.Sheets.Select(SheetPicture.From)], question.Right, question.About));
    }

    private static async Task<IResult> Try(Guid id, Tried tried, CurrentStudio studio, PracticeStore practice, TimeProvider clock, CancellationToken cancel)
    {
        var problems = new List<FieldProblem>();
        if (!(tried.Level is >= 0 and <= PracticeTrial.MostLevel))
            problems.Add(new FieldProblem("level", "levelOutOfRange", PracticeTrial.MostLevel, null));
        if (!PlanCheck.IsColour(tried.About))
            problems.Add(new FieldProblem("about", FieldProblem.NotAColour, null, null));
        if (problems.Count > 0)
            return ApiProblem.NotPossible(problems);
        // Whether a match is right is told by how far off it is.
        var isRight = tried.Exercise == Exercise.Match ? tried.Level <= MatchedDeltaE : tried.IsRight;
        await practice.AddAsync(studio.Id, new PracticeTrial(id, tried.Exercise, tried.Level, isRight, tried.About, clock.GetUtcNow()), cancel);
        return TypedResults.NoContent();
    }
}
