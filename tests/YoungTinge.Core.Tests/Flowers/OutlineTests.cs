using CsCheck;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;
using static YoungTinge.Core.Tests.TestPlans;

namespace YoungTinge.Core.Tests.Flowers;

/// <summary>Every outline with everything that can be laid and painted on it.</summary>
public class OutlineTests
{
    public static TheoryData<string> Outlines() => new(OutlineLibrary.All.Select(outline => outline.Id));

    private static PieceShape Shape(string id, double frill = 0) =>
        new(OutlineLibrary.Get(id), 50, 36, form: PieceForm.Usual(PieceRole.Petal) with { Frill = frill });

    [Theory]
    [MemberData(nameof(Outlines))]
    public void Any_detail_can_be_painted_on_it(string id)
    {
        var shape = Shape(id);
        foreach (var kind in Enum.GetValues<MarkingKind>())
        {
            var shapes = MarkingShapes.Of(new Marking(kind, 1.4, 4, 0.6, 5), Place.Whole, shape);
            if (kind == MarkingKind.Veins && shape.Veins == VeinPattern.None)
            {
                Assert.Empty(shapes);
                continue;
            }

            Assert.NotEmpty(shapes);
            Assert.All(shapes.SelectMany(one => one.Ring), at =>
            {
                // A little past the edge at most: a blotch, a rim and a hand that wavers.
                Assert.InRange(at.X, -shape.WidthMm, shape.WidthMm);
                Assert.InRange(at.Y, -0.2 * shape.LengthMm, 1.2 * shape.LengthMm);
            });
            var path = shape.SvgPathOf(shapes.Select(one => one.Ring));
            Assert.DoesNotContain("NaN", path, StringComparison.Ordinal);
            Assert.Equal(shapes.Count, path.Count(letter => letter == 'Z'));
        }
    }

    [Theory]
    [MemberData(nameof(Outlines))]
    public void Its_zones_can_be_seen_and_its_amounts_told(string id)
    {
        var piece = Petal with { OutlineId = id, LengthMm = 50, WidthMm = 36 };
        var plan = Plan(Dust("wine-lees", 0.1, new Place(PlaceKind.Rim, 0, 1, 4)), Dust("nettle", 0.1, new Place(PlaceKind.Base, 0, 0.2, 0.2), Sides.Both), Steam);
        Assert.All(BuildUp.Of(new ResolvedPlan(plan, TestData.Cabinet), piece.Shape()), zone => Assert.InRange(zone.Finished.L, 1, 100));
        Assert.All(plan.Coats.OfType<DustCoat>(), coat => Assert.True(coat.Resolve(TestData.Cabinet).AmountFor(piece.Shape(), 500).Powders.Sum(amount => amount.Grams) > 0));
        Assert.True(PasteQuantity.For(piece, 3).BatchG > 0);
    }

    [Theory]
    [MemberData(nameof(Outlines))]
    public void A_frill_leaves_it_as_long_and_no_wider(string id)
    {
        var (plain, frilled) = (Shape(id), Shape(id, 1));
        Assert.InRange(frilled.AreaCm2 / plain.AreaCm2, 0.85, 1);
        for (var along = 0.05; along < 1; along += 0.05)
            Assert.InRange(frilled.RowAtMm(along * 50).Contains(0.99 * plain.WidthMm / 2) ? 1 : 0, 0, plain.RowAtMm(along * 50).Contains(0.98 * plain.WidthMm / 2) ? 1 : 1);
    }

    [Fact]
    public void Left_and_right_of_a_point_are_its_sign()
    {
        var row = Shape("broad-sepal").RowAtMm(25);
        Gen.Double[0.1, 15].Holds(x =>
        {
            var (right, left) = (row.PointAt(x), row.PointAt(-x));
            Assert.Equal(right with { XMm = -x }, left);
            Assert.Equal((x, 25), (right.XMm, right.YMm));
        });
    }

    [Fact]
    public void Ridges_lie_where_more_dust_lies_and_grooves_where_less_does() => Gen.Select(Gen.Double[0.05, 0.95], Gen.Double[0, 1]).Holds((along, across) =>
    {
        var point = new PiecePoint(along, across, 5);
        foreach (var veins in new[] { VeinPattern.Fan, VeinPattern.Feather, VeinPattern.Palm })
        {
            var (ridge, groove, load) = (veins.RidgeAt(point), veins.GrooveAt(point), veins.LoadShareAt(point));
            Assert.InRange(ridge, 0, 1);
            Assert.InRange(groove, 0, 1);
            Assert.True(load > 1 ? ridge > 0 : ridge == 0);
            if (veins == VeinPattern.Fan)
                Assert.True(ridge * groove < 1e-9);
        }
    });
}
