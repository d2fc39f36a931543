using CsCheck;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Targets;

namespace YoungTinge.Core.Tests.Targets;

public class TargetTests
{
    [Fact]
    public void The_library_holds_enough_colourings_of_flowers_and_leaves_and_palettes()
    {
        var natural = StartingPoints.All.Where(one => one.Kind == StartingPointKind.Natural).ToList();
        var fantasy = StartingPoints.All.Where(one => one.Kind == StartingPointKind.Fantasy).ToList();
        Assert.True(natural.Count >= 40 && fantasy.Count >= 12, $"{natural.Count} and {fantasy.Count}");
        Assert.True(natural.Count(one => one.IsLeaf) >= 20);
        // Several variants of nearly every plant.
        var plants = natural.GroupBy(one => (one.Name, one.IsLeaf)).ToList();
        Assert.True(plants.Count(plant => plant.Count() > 1) > 0.6 * plants.Count);
        Assert.Equal(StartingPoints.All.Count, StartingPoints.All.Select(one => one.Id).Distinct().Count());
        Assert.All(natural, one => Assert.True(one.SeenIn.Contains(',') && one.Variant != ""));
        Assert.All(StartingPoints.All, one => Assert.Equal(Enum.GetValues<Zone>(), one.Targets.Keys.Order()));
        Assert.All(StartingPoints.All.SelectMany(one => one.Targets.Values), target => Assert.True(ObjectColourSolid.Contain(target.Colour)));
        Assert.All(fantasy, one => Assert.Contains(one.Targets.Values, target => target.Finish != Finish.Matt));
    }

    [Theory]
    [InlineData(70, 20, 15)]
    [InlineData(40, -15, 20)]
    [InlineData(55, 3, -30)]
    [InlineData(80, 0, 0)]
    [InlineData(25, 12, -4)]
    public void A_neighbour_lies_one_step_off_in_its_way(double l, double a, double b)
    {
        var colour = new Lab(l, a, b);
        var neighbours = Neighbours.Of(colour, 2.5);
        Assert.True(neighbours.Count >= 6);
        Assert.All(neighbours, one => Assert.Equal(2.5, DeltaE2000.Between(colour, one.Colour), 3));
        Lab Of(DifferenceWay way) => neighbours.Single(one => one.Way == way).Colour;
        Assert.True(Of(DifferenceWay.Darker).L < l && Of(DifferenceWay.Paler).L > l);
        Assert.True(Of(DifferenceWay.Stronger).Chroma > colour.Chroma);
        if (colour.Chroma > 5)
            Assert.Equal(DifferenceWay.Duller, Difference.Of(Of(DifferenceWay.Duller), colour).Way);
        Assert.True(Of(DifferenceWay.Warmer).B > b && Of(DifferenceWay.Cooler).B < b);
    }

    [Theory]
    [InlineData(2, 8, 1)]
    [InlineData(0.5, 30, 2)]
    [InlineData(10, 12, 3)]
    public void Pieces_of_a_whorl_differ_by_the_spread_and_are_no_clones(double spread, int pieces, int seed)
    {
        var target = new Target(new Lab(68, 24, 10), spread, Finish.Matt);
        var whorl = Variety.Of(target, pieces, seed);
        var off = whorl.Select(colour => DeltaE2000.Between(target.Colour, colour)).ToList();
        Assert.Equal(spread, Math.Sqrt(off.Average(one => one * one)), 2);
        Assert.Equal(pieces, whorl.Distinct().Count());
        Assert.Equal(whorl, Variety.Of(target, pieces, seed));
        Assert.NotEqual(whorl, Variety.Of(target, pieces, seed + 1));
        // Their middle is still the target.
        Assert.True(DeltaE2000.Between(target.Colour, new Lab(whorl.Average(w => w.L), whorl.Average(w => w.A), whorl.Average(w => w.B))) < 0.5 * spread);
    }

    [Fact]
    public void What_the_map_says_can_be_mixed_the_finder_mixes()
    {
        var map = Gamut.Of(TestData.Cabinet);
        var chance = new Random(11);
        double near = 0, far = 0;
        int inside = 0, outside = 0, rightInside = 0, rightOutside = 0;
        while (inside < 25 || outside < 25)
        {
            var colour = new Lab(8 + 88 * chance.NextDouble(), 120 * (chance.NextDouble() - 0.5), 120 * (chance.NextDouble() - 0.5));
            if (!ObjectColourSolid.Contain(colour))
                continue;
            var isInside = map.By(colour) == ReachedBy.Paste;
            if ((isInside ? inside : outside) >= 25)
                continue;
            var found = RecipeFinder.Find(TestData.Cabinet, new RecipeSearch("bright-white-paste", colour, 200))[0].Difference.DeltaE;
            (inside, outside) = isInside ? (inside + 1, outside) : (inside, outside + 1);
            (near, far) = isInside ? (near + found, far) : (near, far + found);
            rightInside += isInside && found < 2 ? 1 : 0;
            rightOutside += !isInside && found > 1 ? 1 : 0;
        }

        Assert.True(rightInside >= 23 && rightOutside >= 23, $"{rightInside} and {rightOutside} of 25, mean {near / 25:0.00} and {far / 25:0.00}");
    }

    [Fact]
    public void A_retired_colour_reaches_nothing()
    {
        var one = TestData.Cabinet.All.OfType<PasteBase>().First();
        var retired = new Materials([one, .. TestData.Cabinet.All.OfType<Colourant>().Select(c => c with { Label = c.Label with { IsRetired = true } })]);
        Assert.Equal(ReachedBy.Nothing, Gamut.Of(retired).By(new Lab(50, 20, 20)));
    }

    private static readonly Dictionary<Zone, Lab> Petal = Enum.GetValues<Zone>().ToDictionary(zone => zone, zone => new Lab(70, 35 + (int)zone, -5));
    private static readonly Dictionary<Zone, Lab> Leaf = Enum.GetValues<Zone>().ToDictionary(zone => zone, zone => new Lab(42, -20, 22 + (int)zone));

    [Fact]
    public void Petal_and_leaf_without_a_shared_accent_get_one_proposed_that_ties_them()
    {
        CohesionPart[] parts = [new(Guid.NewGuid(), "flower", 40, Petal), new(Guid.NewGuid(), "leaves", 30, Leaf)];
        var pair = Assert.Single(Cohesion.Of(parts));
        Assert.False(pair.IsTied);
        Assert.Equal(2, pair.Accents.Count);
        foreach (var accent in pair.Accents)
        {
            var after = parts.Select(part => part.Id != accent.Place.PieceId ? part : part with
            {
                Colours = new Dictionary<Zone, Lab>(part.Colours) { [accent.Place.Zone] = accent.Then },
            });
            Assert.True(Assert.Single(Cohesion.Of([.. after])).IsTied);
            Assert.NotEqual(Zone.Heart, accent.Place.Zone);
        }
    }

    [Fact]
    public void A_small_green_part_does_not_tie_a_flower_to_its_leaves()
    {
        var pair = Assert.Single(Cohesion.Of([new(Guid.NewGuid(), "flower", 40, Petal), new(Guid.NewGuid(), "flower", 1, Leaf), new(Guid.NewGuid(), "leaves", 30, Leaf)]));
        Assert.False(pair.IsTied);
    }

    /// <summary>Of many small parts none stands out: the eye takes them all, and finds the one that ties.</summary>
    [Fact]
    public void A_flower_of_many_small_parts_is_compared_by_all_of_them()
    {
        var small = Enumerable.Range(0, 9).Select(i => new CohesionPart(Guid.NewGuid(), "flower", 2, i == 4 ? Leaf : Petal));
        Assert.True(Assert.Single(Cohesion.Of([.. small, new(Guid.NewGuid(), "leaves", 30, Leaf)])).IsTied);
    }

    [Fact]
    public void A_hint_of_the_petal_on_the_leaf_ties_them()
    {
        var hinted = new Dictionary<Zone, Lab>(Leaf) { [Zone.Rim] = new Lab(60, 33, -4) };
        var pair = Assert.Single(Cohesion.Of([new(Guid.NewGuid(), "flower", 40, Petal), new(Guid.NewGuid(), "leaves", 30, hinted)]));
        Assert.True(pair.IsTied);
        Assert.Equal(Zone.Rim, pair.EchoIn.Zone);
        Assert.Empty(pair.Accents);
    }

    private static readonly Gen<Lab> Surfaces = Gen.Select(Gen.Double[10, 92], Gen.Double[-60, 60], Gen.Double[-60, 60], (l, a, b) => ObjectColourSolid.Nearest(new Lab(l, a, b)));

    private static readonly Gen<Dictionary<Zone, Lab>> Faces = Surfaces.Array[5].Select(colours => Enum.GetValues<Zone>().Zip(colours).ToDictionary(pair => pair.First, pair => pair.Second));

    [Fact]
    public void Of_any_two_groups_each_proposal_ties_them_and_touches_no_heart() => Gen.Select(Faces, Faces).Holds((one, other) =>
    {
        CohesionPart[] parts = [new(Guid.NewGuid(), "one", 10, one), new(Guid.NewGuid(), "other", 20, other)];
        var pair = Assert.Single(Cohesion.Of(parts));
        Assert.Equal(pair.Distance <= Cohesion.TiedWithin, pair.IsTied);
        Assert.True(!pair.IsTied || pair.Accents.Count == 0);
        foreach (var accent in pair.Accents)
        {
            Assert.NotEqual(Zone.Heart, accent.Place.Zone);
            Assert.True(ObjectColourSolid.Contain(accent.Then));
            var after = parts.Select(part => part.Id != accent.Place.PieceId ? part : part with
            {
                Colours = new Dictionary<Zone, Lab>(part.Colours) { [accent.Place.Zone] = accent.Then },
            });
            Assert.True(Assert.Single(Cohesion.Of([.. after])).IsTied);
        }
    }, turns: 60);

    [Fact]
    public void Any_colour_has_neighbours_at_the_step_and_a_whorl_of_its_spread() => Gen.Select(Surfaces, Gen.Double[0.3, 8], Gen.Int[2, 20]).Holds((colour, step, pieces) =>
    {
        Assert.All(Neighbours.Of(colour, step), one =>
        {
            Assert.InRange(DeltaE2000.Between(colour, one.Colour), step - 1e-6, step + 1e-6);
            Assert.True(ObjectColourSolid.Contain(one.Colour));
        });
        var whorl = Variety.Of(new Target(colour, step, Finish.Satin), pieces, 5);
        Assert.All(whorl, one => Assert.True(ObjectColourSolid.Contain(one)));
        // At the edge of what surfaces can be, pieces may come out nearer than asked.
        Assert.True(Math.Sqrt(whorl.Average(one => Math.Pow(DeltaE2000.Between(colour, one), 2))) <= step + 0.02);
    }, turns: 100);

    [Fact]
    public void More_jars_never_reach_less()
    {
        var all = TestData.Cabinet;
        var few = new Materials([.. all.All.Where(material => material is not Colourant), .. all.All.OfType<Colourant>().Take(6)]);
        var (small, large) = (Gamut.Of(few), Gamut.Of(all));
        var gained = 0;
        Surfaces.Array[200].Single().ToList().ForEach(colour =>
        {
            Assert.True(large.By(colour) <= small.By(colour), $"{colour}");
            gained += large.By(colour) < small.By(colour) ? 1 : 0;
        });
        Assert.True(gained > 5);
    }
}
