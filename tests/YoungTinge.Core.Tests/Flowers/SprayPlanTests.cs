using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Tests.Flowers;

/// <summary>Sprays wired from what a commission makes.</summary>
public class SprayPlanTests
{
    private static IReadOnlyList<SprayStock> StockOf(LibraryFlower flower, int parts) =>
        [.. SprayStock.Of(Guid.NewGuid(), [.. flower.Pieces.Select(piece => new PieceOfFlower(Guid.NewGuid(), piece.Piece, parts))])];

    [Fact]
    public void The_house_wires_all_that_every_flower_of_the_library_has_smallest_buds_first()
    {
        foreach (var flower in FlowerLibrary.All)
        {
            var stock = StockOf(flower, 4);
            var plan = HouseSpray.For(stock);
            Assert.Empty(SprayCheck.Problems(plan, stock));
            Assert.Equal(stock.Sum(one => one.Made), plan.Items.Sum(item => item.Count));
            var heads = plan.Items.Where(item => item.Part != SprayPart.Leaves).ToList();
            Assert.Equal(heads.OrderBy(item => item.Part).ThenBy(item => stock.Single(one => (one.Part, one.FlowerId) == (item.Part, item.FlowerId)).ReachMm), heads);
            // No wire of a hand's length between two flowers, and none that lies on the other.
            Assert.All(plan.Items.Skip(1), item => Assert.InRange(item.DistanceMm, 10, 80));
        }
    }

    [Fact]
    public void Leaves_of_a_cluster_count_as_one()
    {
        var rose = FlowerLibrary.Find("rose")!;
        var leaves = rose.Pieces.Single(piece => piece.Piece.Form.Role == PieceRole.Leaf).Piece;
        Assert.Equal((20, 4, 1), (leaves.Needed(4), leaves.Groups(4), (leaves with { PerPart = 3 }).Groups(1)));
        Assert.Equal(4, StockOf(rose, 4).Single(one => one.Part == SprayPart.Leaves).Made);
    }

    [Fact]
    public void What_no_spray_can_have_is_told_at_its_row()
    {
        var stock = StockOf(FlowerLibrary.Find("rose")!, 4);
        var (flowers, leaves) = (stock.Single(one => one.Part == SprayPart.Flowers), stock.Single(one => one.Part == SprayPart.Leaves));
        SprayItem Item(SprayStock of, int count, double mm = 20) => new(of.Part, of.FlowerId, of.PieceId, count, mm);
        List<string> Told(int sprays, params SprayItem[] items) => [.. SprayCheck.Problems(new SprayPlan(sprays, items), stock).Select(problem => $"{problem.Path} {problem.Code} {problem.Limit}")];
        Assert.Empty(Told(2, Item(flowers, 2), Item(leaves, 1)));
        Assert.Equal(["items[1].count MoreThanMade 4"], Told(2, Item(flowers, 1), Item(flowers, 2)));
        Assert.Equal(["items[0].count CountOutOfRange 400", "items[1].distanceMm DistanceOutOfRange 300"], Told(1, Item(flowers, 0), Item(leaves, 1, double.NaN)));
        Assert.Equal(["items[0].count UnknownPart "], Told(1, Item(flowers, 1) with { FlowerId = Guid.NewGuid() }));
        Assert.Equal(["sprays SpraysOutOfRange 100"], Told(0));
        // What is left behind by a change of numbers is worked the house's way.
        var own = new SprayPlan(5, [Item(flowers, 1)]);
        Assert.Equal(HouseSpray.For(stock).Items, HouseSpray.InForce(own, stock).Items);
        Assert.Same(own, HouseSpray.InForce(own, [.. stock.Select(one => one with { Made = 5 })]));
    }
}
