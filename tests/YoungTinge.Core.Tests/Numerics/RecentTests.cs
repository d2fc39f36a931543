using CsCheck;
using YoungTinge.Core.Numerics;

namespace YoungTinge.Core.Tests.Numerics;

public class RecentTests
{
    private const int Kept = 3;

    [Fact]
    public void Only_what_was_not_asked_of_late_is_computed_again() => Gen.Int[0, 5].Array[0, 60].Holds(questions =>
    {
        var computed = new List<int>();
        var recent = new Recent<int, string>(Kept, question =>
        {
            computed.Add(question);
            return $"answer {question}";
        });
        var (latest, expected) = (new List<int>(), new List<int>());
        foreach (var question in questions)
        {
            Assert.Equal($"answer {question}", recent[question]);
            if (!latest.Remove(question))
                expected.Add(question);
            latest.Add(question);
            if (latest.Count > Kept)
                latest.RemoveAt(0);
        }

        Assert.Equal(expected, computed);
    });

    [Fact]
    public void What_is_kept_fits_its_room() => Gen.Int[1, 12].Array[1, 40].Holds(sizes =>
    {
        var computed = 0;
        var recent = new Recent<int, int>(room: 10, size => size + 0 * ++computed, size => size);
        var kept = new List<int>();
        foreach (var size in sizes)
        {
            var before = computed;
            Assert.Equal(size, recent[size]);
            Assert.Equal(kept.Remove(size) ? 0 : 1, computed - before);
            kept.Add(size);
            while (kept.Sum() > 10)
                kept.RemoveAt(0);
        }
    });

    [Fact]
    public void Many_at_once_each_get_their_own_answer_and_may_ask_for_more_while_they_compute()
    {
        Recent<int, int>? recent = null;
        recent = new Recent<int, int>(Kept, question => question == 0 ? 0 : recent![question - 1] + question);
        Parallel.For(0, 4000, i => Assert.Equal(i % 9 * (i % 9 + 1) / 2, recent[i % 9]));
    }
}
