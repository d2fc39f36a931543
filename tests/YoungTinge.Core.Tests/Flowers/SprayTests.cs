using CsCheck;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Tests.Flowers;

/// <summary>Flowers as they are laid together.</summary>
public class SprayTests
{
    private static readonly SprayFlower Rose = Of("rose", 9, 0);
    private static readonly SprayFlower Cherry = Of("cherry-blossom", 6, 4);
    private static readonly SprayFlower Ivy = Of("ivy", 3, 0);

    private static SprayFlower Of(string id, int flowers, int buds) => new([.. FlowerLibrary.Find(id)!.Pieces.Select(piece => piece.Piece)], flowers, buds);

    private static readonly Gen<SprayFlower[]> Commissions = Gen.Select(Gen.Int[0, FlowerLibrary.All.Count - 1], Gen.Int[0, 40], Gen.Int[0, 9])
        .Select((flower, flowers, buds) => Of(FlowerLibrary.All[flower].Id, flowers, buds)).Array[0, 6];

    [Fact]
    public void The_first_bloom_lies_in_the_middle_and_the_others_round_it()
    {
        var spray = Spray.Of([Rose, Cherry]);
        Assert.Equal([0, 0, 0, 1, 1], spray.Blooms.Select(bloom => bloom.Flower));
        Assert.Equal((0, 0), (spray.Blooms[0].XMm, spray.Blooms[0].YMm));
        Assert.All(spray.Blooms.Skip(1), bloom => Assert.True(Math.Abs(bloom.XMm) + Math.Abs(bloom.YMm) > 10));
        // Evenly round: they balance.
        Assert.Equal(0, spray.Blooms.Sum(bloom => bloom.XMm), 1e-9);
        Assert.Equal(0, spray.Blooms.Sum(bloom => bloom.YMm), 1e-9);
    }

    [Fact]
    public void Leaves_and_buds_look_out_and_petals_do_not()
    {
        var spray = Spray.Of([Rose, Cherry, Ivy]);
        SprayFlower[] flowers = [Rose, Cherry, Ivy];
        Assert.All(spray.Beside, one =>
        {
            var piece = flowers[one.Flower].Kinds[one.Kind];
            Assert.True(piece.PartOf == PartOf.Bud || piece.Form.Role is PieceRole.Leaf or PieceRole.Berry);
        });
        Assert.Equal(3, spray.Beside.Count(one => flowers[one.Flower].Kinds[one.Kind].PartOf == PartOf.Bud));
        // Neighbours are of different kinds as long as there are others.
        Assert.NotEqual((spray.Beside[0].Flower, spray.Beside[0].Kind), (spray.Beside[1].Flower, spray.Beside[1].Kind));
    }

    [Fact]
    public void Foliage_alone_is_laid_round_its_middle()
    {
        var spray = Spray.Of([Ivy]);
        Assert.Empty(spray.Blooms);
        Assert.Equal(15, spray.Beside.Count);
        Assert.All(spray.Beside, one => Assert.Equal(0, one.BaseMm));
        Assert.Empty(Spray.Of([]).Beside);
    }

    [Fact]
    public void Nothing_reaches_past_what_is_shown_and_every_leaf_is_seen() => Commissions.Holds(flowers =>
    {
        var spray = Spray.Of(flowers);
        foreach (var bloom in spray.Blooms)
        {
            var reach = Bloom.ReachMm(flowers[bloom.Flower].Kinds);
            Assert.True(Math.Abs(bloom.XMm) + reach <= spray.HalfWidthMm + 1e-9 && Math.Abs(bloom.YMm) + reach <= spray.HalfHeightMm + 1e-9);
        }

        Assert.All(spray.Beside, one =>
        {
            Assert.True(one.BaseMm >= 0);
            var (tipMm, angle) = (one.BaseMm + flowers[one.Flower].Kinds[one.Kind].LengthMm, one.TurnDegrees * Math.PI / 180);
            Assert.InRange(Math.Abs(tipMm * Math.Sin(angle)), 0, spray.HalfWidthMm + 1e-9);
            Assert.InRange(Math.Abs(tipMm * Math.Cos(angle)), 0, spray.HalfHeightMm + 1e-9);
            Assert.InRange(one.Number, 0, 4);
        });
        Assert.Equal(spray.Beside.Count, spray.Beside.Distinct().Count());
        // The same flowers are laid the same way.
        Assert.Equal(spray.Blooms, Spray.Of(flowers).Blooms);
    });

    [Fact]
    public void Leaves_lie_evenly_round_an_open_flower()
    {
        var leaves = Bloom.LeavesOf(Rose.Kinds);
        Assert.Equal(5, leaves.Count);
        Assert.All(leaves, leaf => Assert.Equal(PieceRole.Leaf, Rose.Kinds[leaf.Kind].Form.Role));
        Assert.Equal([72, 72, 72, 72], leaves.Zip(leaves.Skip(1), (one, next) => next.TurnDegrees - one.TurnDegrees));
        Assert.Empty(Bloom.LeavesOf(Cherry.Kinds));
        // However many there are, no more than a dozen of a kind are drawn.
        Assert.Equal(12, Bloom.LeavesOf([Rose.Kinds.Single(piece => piece.Form.Role == PieceRole.Leaf) with { PerPart = 60 }]).Count);
    }

    [Fact]
    public void A_cupped_piece_is_darker_at_its_foot()
    {
        Piece Cupped(double cup) => Rose.Kinds[0] with { Form = Rose.Kinds[0].Form with { Cup = cup } };
        double Foot(double cup) => Bloom.Of([Cupped(cup)])[0] is var piece ? piece.FootShade - piece.Shade : 0;
        Assert.True(Foot(0) > 0);
        Assert.True(Foot(1) > Foot(0.3) && Foot(0.3) > Foot(0));
    }
}
