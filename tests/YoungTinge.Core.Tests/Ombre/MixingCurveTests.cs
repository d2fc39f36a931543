using CsCheck;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Ombre;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Tests.Ombre;

/// <summary>The way from one paste into another, and lumps kneaded together.</summary>
public class MixingCurveTests
{
    private static readonly string[] Ids = ["ember", "fen", "woad", "sloe", "gorse", "ragged-robin"];

    private static Gen<PasteRecipe> Pastes => Gen.Select(
        Gen.Int[0, Ids.Length - 1], Gen.Double[0.2, 1.5], (id, dose) => TestData.Recipe((Ids[id], dose)));

    private static KubelkaMunkSpectra Optics(PasteRecipe recipe) => PasteOptics.Mix(recipe, TestData.Cabinet);

    [Fact]
    public void Places_rise_from_one_end_to_the_other_whatever_steps_are_wanted() =>
        Gen.Select(Pastes, Pastes, Gen.Double[0.2, 5].Array[1, 9]).Where(drawn => drawn.Item1.Doses[0].ColourantId != drawn.Item2.Doses[0].ColourantId)
            .Holds((from, to, steps) =>
            {
                var curve = new MixingCurve(Optics(from), Optics(to));
                var places = curve.PlacesFor(steps);
                Assert.Equal(steps.Length + 1, places.Count);
                Assert.Equal((0, 1), (places[0], places[^1]));
                Assert.Equal(places.Order(), places);
                var seen = OmbreRun.StepsOf([.. places.Select(curve.ColourAt)]);
                Assert.All(seen.Zip(steps), step => Assert.Equal(seen[0] / steps[0], step.First / step.Second, 0.01 * seen[0] / steps[0]));
            }, turns: 60);

    [Fact]
    public void A_run_turned_round_is_the_same_run_from_the_other_end() => Gen.Select(Pastes, Gen.Int[2, 7]).Holds((paste, count) =>
    {
        double[] steps = [.. Enumerable.Repeat(1.0, count)];
        var there = new MixingCurve(Optics(paste), Optics(TestData.Recipe())).PlacesFor(steps);
        var back = new MixingCurve(Optics(TestData.Recipe()), Optics(paste)).PlacesFor(steps);
        Assert.All(there.Zip(back.Reverse()), place => Assert.Equal(1 - place.Second, place.First, 1e-6));
    }, turns: 40);

    [Fact]
    public void Its_length_is_never_shorter_than_the_straight_way() => Gen.Select(Pastes, Pastes).Holds((from, to) =>
    {
        var curve = new MixingCurve(Optics(from), Optics(to));
        // CIEDE2000 is no metric: over long ways it counts less than the sum of small steps, never much more.
        Assert.InRange(curve.Length, 0.9 * DeltaE2000.Between(curve.ColourAt(0), curve.ColourAt(1)), double.PositiveInfinity);
    }, turns: 60);

    [Fact]
    public void Kneading_lumps_keeps_their_mass_and_does_not_ask_for_an_order() =>
        Gen.Select(Pastes, Pastes, Pastes, Gen.Double[0.5, 200].Array[3]).Holds((a, b, c, grams) =>
        {
            PasteLump[] lumps = [new(grams[0], Optics(a)), new(grams[1], Optics(b)), new(grams[2], Optics(c))];
            var oneWay = lumps[0].With(lumps[1]).With(lumps[2]);
            var another = lumps[2].With(lumps[0]).With(lumps[1]);
            Assert.Equal(grams.Sum(), oneWay.Grams, 1e-9);
            Assert.InRange(DeltaE2000.Between(oneWay.Colour, another.Colour), 0, 1e-6);
        }, turns: 60);

    /// <summary>Two pastes of one base kneaded together are the recipe with their doses in between.</summary>
    [Fact]
    public void A_mixture_of_pastes_is_the_mixture_of_their_recipes() => Gen.Select(Pastes, Gen.Double[0, 1]).Holds((paste, share) =>
    {
        var mixed = new MixingCurve(Optics(paste), Optics(TestData.Recipe())).ColourAt(share);
        var recipe = paste with { Doses = [paste.Doses[0] with { GPer100g = (1 - share) * paste.Doses[0].GPer100g }] };
        Assert.InRange(DeltaE2000.Between(TestData.ColourOf(recipe), mixed), 0, 1e-6);
    }, turns: 100);
}
