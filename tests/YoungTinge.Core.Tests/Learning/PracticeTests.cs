using YoungTinge.Core.Colour;
using YoungTinge.Core.Practice;

namespace YoungTinge.Core.Tests.Learning;

/// <summary>Practice: the edge of what an eye sees is found, and every question has one right answer.</summary>
public class PracticeTests
{
    /// <summary>An eye that tells so much apart in four of five, tried always where the staircase says.</summary>
    private static EyeThreshold Trained(double threshold, double guessRate, int tries, int seed)
    {
        var random = new Random(seed);
        var trials = new List<Trial>();
        for (var i = 0; i < tries; i++)
        {
            var level = Staircase.Of(trials, guessRate).NextLevel;
            trials.Add(new Trial(level, random.NextDouble() < Staircase.RightAt(level, threshold, guessRate)));
        }

        return Staircase.Of(trials, guessRate);
    }

    [Theory]
    [InlineData(0.6)]
    [InlineData(1.2)]
    [InlineData(2)]
    public void The_threshold_of_a_simulated_eye_is_found(double threshold)
    {
        var found = Enumerable.Range(1, 30).Select(seed => Trained(threshold, 0.5, 60, seed)).ToList();
        var off = found.Select(one => Math.Abs(one.Threshold - threshold)).Order().ToList();
        Assert.True(off[15] < 0.3, $"median off {off[15]}");
        Assert.True(off[26] < 0.3 + 0.25 * threshold, $"nine of ten off {off[26]}");
        // It says how sure it is: nine of ten lie within.
        Assert.InRange(found.Count(one => Math.Abs(Math.Log(one.Threshold / threshold)) < 1.645 * one.Deviation), 23, 30);
    }

    [Theory]
    [InlineData(0.5)]
    [InlineData(1.5)]
    [InlineData(4)]
    public void Every_question_has_one_right_answer_as_far_apart_as_was_asked(double level)
    {
        foreach (var seed in Enumerable.Range(1, 25))
        {
            var exercises = new Exercises(TestData.Cabinet, new Random(seed));
            foreach (var (exercise, moreOf) in new (Exercise, Func<Lab, double>)[] { (Exercise.Deeper, lab => -lab.L), (Exercise.Duller, lab => -lab.Chroma) })
            {
                var question = exercises.Ask(exercise, level, null);
                Assert.Equal(question.Right, question.Choices.Index().MaxBy(choice => moreOf(choice.Item)).Index);
                Assert.Equal(level, DeltaE2000.Between(question.About, question.Choices[question.Right]), 0.02);
            }

            var steps = exercises.Ask(Exercise.Steps, level, null);
            Assert.All(steps.Choices.Index().Where(choice => choice.Index != steps.Right), choice => Assert.Equal(level, DeltaE2000.Between(steps.Choices[steps.Right], choice.Item), 0.05));
            var glaze = exercises.Ask(Exercise.Glaze, level, null);
            // Glaze deepens, so what it becomes is darker than the matt one.
            Assert.True(glaze.Shown[0].L < glaze.Choices[glaze.Right].L + 1e-9);
            Assert.Equal(3, glaze.Choices.Distinct().Count());
            var mix = exercises.Ask(Exercise.WentIn, level, null);
            Assert.Equal(3, mix.Mixes.Count);
            Assert.True(mix.Level > level);
        }
    }

    [Fact]
    public void What_went_wrong_comes_again()
    {
        var wrong = new Lab(62, 18, 24);
        Assert.Equal(wrong, new Exercises(TestData.Cabinet, new Random(3)).Ask(Exercise.Warmer, 1, wrong).About);
    }

    [Theory]
    [InlineData(1)]
    [InlineData(4)]
    public void One_fold_more_changes_about_what_was_asked(double level)
    {
        foreach (var seed in Enumerable.Range(1, 6))
        {
            var question = new Exercises(TestData.Cabinet, new Random(seed)).Ask(Exercise.Folds, level, null);
            Assert.InRange(question.Level, 0.7 * level, 1.3 * level);
            Assert.Contains(question.Right, new[] { 0, 1 });
            Assert.Equal(2, question.Sheets.Count);
            Assert.NotEqual(question.Sheets[0].Rgb, question.Sheets[1].Rgb);
        }
    }

    [Fact]
    public void Alike_by_day_is_alike()
    {
        foreach (var seed in Enumerable.Range(1, 6))
        {
            var question = new Exercises(TestData.Cabinet, new Random(seed)).Ask(Exercise.Candle, 1, null);
            Assert.True(DeltaE2000.Between(question.Shown[0], question.Shown[1]) < 1.5);
            Assert.True(question.Right == 0 || question.Mixes[0] != question.Mixes[1]);
        }
    }
}
