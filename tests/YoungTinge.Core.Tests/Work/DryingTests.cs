using YoungTinge.Core.Flowers;
using YoungTinge.Core.Work;
using static YoungTinge.Core.Tests.TestPlans;

namespace YoungTinge.Core.Tests.Work;

/// <summary>How long pieces dry, against the house figures and the law that they follow, written out here.</summary>
public class DryingTests
{
    [Theory]
    [InlineData(0.6, 50, 20, Dryness.Leathery, 12)]
    [InlineData(0.6, 50, 20, Dryness.Firm, 180)]
    [InlineData(0.6, 50, 20, Dryness.BoneDry, 840)]
    [InlineData(1.2, 50, 20, Dryness.Firm, 475.02)]
    [InlineData(0.6, 65, 20, Dryness.Firm, 360)]
    [InlineData(0.6, 50, 32, Dryness.Firm, 90)]
    public void It_goes_by_thickness_air_and_warmth(double thicknessMm, double humidityPercent, double celsius, Dryness until, double minutes)
    {
        var found = Drying.MinutesFor(Petal with { ThicknessMm = thicknessMm }, 1, until, new Room(humidityPercent, celsius));
        // As it is read off a clock: never less, and at most one step more.
        Assert.InRange(found, minutes, minutes + (minutes < 60 ? 5 : minutes < 360 ? 15 : 60));
    }

    [Fact]
    public void Of_a_solid_the_radius_counts_of_a_bought_one_nothing()
    {
        var bud = Petal with { Solid = true, LengthMm = 30, WidthMm = 12 };
        Assert.Equal(Drying.MinutesFor(Petal with { ThicknessMm = 6 }, 1, Dryness.Firm, Room.Usual), Drying.MinutesFor(bud, 1, Dryness.Firm, Room.Usual));
        Assert.Equal(0, Drying.MinutesFor(Petal with { Form = Petal.Form with { Body = new PieceBody(BodyKind.Bought) } }, 1, Dryness.Firm, Room.Usual));
    }

    [Fact]
    public void A_damp_room_is_slower_and_from_78_per_cent_on_too_damp()
    {
        var rooms = Enumerable.Range(0, 100).Select(percent => new Room(percent, 20)).ToList();
        Assert.Equal(rooms.Where(room => room.HumidityPercent >= 78), rooms.Where(room => room.IsTooDamp));
        Assert.All(rooms.Zip(rooms.Skip(1)), pair => Assert.True(pair.First.SlowerThanUsual <= pair.Second.SlowerThanUsual));
        Assert.All(rooms, room => Assert.True(double.IsFinite(room.SlowerThanUsual) && room.SlowerThanUsual > 0));
    }

    [Fact]
    public void A_slow_paste_and_what_was_learned_take_their_times_as_long()
    {
        double For(double pasteTimes, double learned) => Drying.MinutesFor(Petal with { ThicknessMm = 1.2 }, pasteTimes, Dryness.BoneDry, Room.Usual with { LearnedFactor = learned });
        Assert.InRange(For(1.5, 1) / For(1, 1), 1.45, 1.55);
        Assert.InRange(For(1.5, 1.2) / For(1, 1), 1.75, 1.85);
        Assert.Equal(For(1.5, 1), Drying.MinutesFor(Petal with { ThicknessMm = 1.2 }, 1.5, Dryness.BoneDry, (Room.Usual with { LearnedFactor = 1.2 }).AsTheHouseSays));
        Assert.True(Drying.BendsForMinutes(Petal, 1.5, Room.Usual) > Drying.BendsForMinutes(Petal, 1, Room.Usual));
    }
}
