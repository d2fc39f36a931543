using YoungTinge.Checks;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Files.Tests;

/// <summary>Whole ways on the simulated bench, whose materials differ from the cabinet's nominal figures.</summary>
public class LightBoxTests
{
    [Fact]
    public void A_recipe_with_a_colour_learned_from_photographed_dabs_comes_out_near()
    {
        var trials = DabTrials.Run(50, dabs: 4);
        Assert.True(trials.Count(trial => trial.Miss <= 1.5) >= 45, $"{trials.Count(trial => trial.Miss <= 1.5)} of 50");
    }

    [Fact]
    public void With_the_colour_reader_it_comes_out_nearer_still() =>
        Assert.All(DabTrials.Run(20, dabs: 4, withReader: true), trial => Assert.InRange(trial.Miss, 0, 1));

    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public void Every_zone_of_a_photographed_flower_is_found_and_near_its_truth(bool isOfLibrary)
    {
        var trials = isOfLibrary
            ? FlowerPictureTrials.Run(FlowerPictureTrials.Library, FlowerPictureTrials.OfLibrary)
            : FlowerPictureTrials.Run(30, FlowerPictureTrials.Random);
        Assert.All(trials, trial => Assert.All(trial.Misses, zone => Assert.InRange(zone.Value ?? double.NaN, 0, 3)));
        Assert.True(trials.Count(trial => trial.LightDoubts > 0) <= 0.05 * trials.Count);
    }
}
