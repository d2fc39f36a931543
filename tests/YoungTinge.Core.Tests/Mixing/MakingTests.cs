using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.Tests.Mixing;

public class MakingTests
{
    private static readonly DateTimeOffset Morning = new(2031, 5, 4, 8, 0, 0, TimeSpan.Zero);

    private static Making Made(double leftG) => new(Morning, TestData.Recipe(), 80, leftG, "Tin 1");

    [Theory]
    [InlineData(80, 0, BatchState.Resting)]
    [InlineData(80, 11.9, BatchState.Resting)]
    [InlineData(80, 12, BatchState.Made)]
    // Cut from before it has rested, it is in use all the same.
    [InlineData(79, 1, BatchState.InUse)]
    [InlineData(0.1, 500, BatchState.InUse)]
    [InlineData(0.04, 1, BatchState.UsedUp)]
    [InlineData(0, 0, BatchState.UsedUp)]
    public void A_batch_rests_is_made_is_used_and_is_gone(double leftG, double hoursLater, BatchState state) =>
        Assert.Equal(state, Made(leftG).StateAt(Morning.AddHours(hoursLater), restHours: 12));

    [Theory]
    // One of the mixing table is there for whatever needs it.
    [InlineData(80, false, true)]
    [InlineData(5, false, true)]
    [InlineData(4.9, false, false)]
    // One of the day's sheet waits for its own pieces, until some of it is said to be left.
    [InlineData(80, true, false)]
    [InlineData(79, true, true)]
    [InlineData(0, true, false)]
    public void What_is_left_is_offered_unless_its_own_pieces_wait_for_it(double leftG, bool hasPieces, bool isLeftover) =>
        Assert.Equal(isLeftover, Made(leftG).IsLeftover(hasPieces));
}
