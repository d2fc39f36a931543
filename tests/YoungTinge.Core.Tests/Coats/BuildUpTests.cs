using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using static YoungTinge.Core.Tests.TestPlans;

namespace YoungTinge.Core.Tests.Coats;

public class BuildUpTests
{
    private static readonly PieceShape Shape = Petal.Shape();

    private static ZoneHistory Of(Zone zone, params Coat[] coats) =>
        BuildUp.Of(new ResolvedPlan(Plan(coats), TestData.Cabinet), Shape).Single(history => history.Zone == zone);

    [Fact]
    public void Without_coats_every_zone_is_the_paste()
    {
        var paste = PasteOptics.ColourOf(Plan().Paste, TestData.Cabinet);
        Assert.All(BuildUp.Of(new ResolvedPlan(Plan(), TestData.Cabinet), Shape), history => Assert.Equal(paste, Assert.Single(history.Colours)));
    }

    [Fact]
    public void A_coat_on_the_back_does_not_show_on_the_face()
    {
        var coat = Dust("wine-lees", sides: Sides.Back);
        Assert.Equal(0, Moved(Of(Zone.Heart, coat)), 1e-9);
        Assert.True(Moved(Of(Zone.Back, coat)) > 5);
    }

    [Fact]
    public void A_coat_shows_in_its_zone_and_hardly_elsewhere()
    {
        var atBase = Dust("nettle", place: new Place(PlaceKind.Base, 0, 0.12, 0.15));
        Assert.True(Moved(Of(Zone.Base, atBase)) > 5);
        Assert.Equal(0, Moved(Of(Zone.Tip, atBase)), 1e-9);
        var atRim = Dust("wine-lees", place: new Place(PlaceKind.Rim, 0, 2, 2));
        Assert.True(Moved(Of(Zone.Rim, atRim)) > 5);
        Assert.True(Moved(Of(Zone.Heart, atRim)) < 1);
    }

    [Fact]
    public void Steam_and_glaze_deepen_what_is_there()
    {
        var history = Of(Zone.Heart, Dust("guelder"), Steam, Glaze());
        Assert.True(history.Colours[2].L < history.Colours[1].L);
        Assert.True(history.Colours[3].L < history.Colours[2].L);
    }

    [Fact]
    public void The_order_of_coats_matters()
    {
        var (red, green) = (Dust("guelder"), Dust("nettle"));
        Assert.True(DeltaE2000.Between(Of(Zone.Heart, red, green).Finished, Of(Zone.Heart, green, red).Finished) > 3);
    }

    [Fact]
    public void A_zone_is_measured_against_its_target()
    {
        var history = Of(Zone.Tip, Dust("jackdaw", 0.4));
        Assert.Equal(DeltaE2000.Between(history.Target, history.Finished), history.Difference.DeltaE, 1e-9);
        Assert.Equal((DifferenceSize.Far, DifferenceWay.Darker), (history.Difference.Size, history.Difference.Way));
    }

    [Fact]
    public void The_picture_agrees_with_the_ribbons()
    {
        var plan = Plan(Dust("wine-lees", place: new Place(PlaceKind.Tip, 0, 0.3, 0.15)), Glaze());
        var picture = PiecePicture.Of(new ResolvedPlan(plan, TestData.Cabinet), Shape);
        var (face, back) = (picture.Face.Field, picture.Back.Field);
        var heart = BuildUp.Of(new ResolvedPlan(plan, TestData.Cabinet), Shape).Single(history => history.Zone == Zone.Heart);
        // Nothing but glaze lies at the heart, so a single point is the zone.
        Assert.Equal(ScreenColour.From(heart.Finished, Illuminant.D65).ToHex(), HexAt(face, 0.58, 0.45));
        Assert.NotEqual(HexAt(face, 0.05, 0.5), HexAt(face, 0.6, 0.5));
        Assert.Equal(HexAt(back, 0.05, 0.5), HexAt(back, 0.6, 0.5));
    }

    [Fact]
    public void Both_halves_of_the_picture_are_alike()
    {
        var face = PiecePicture.Of(new ResolvedPlan(Plan(Dust("wine-lees", place: new Place(PlaceKind.Rim, 0, 1, 5))), TestData.Cabinet), Shape, 48, 64).Face.Field;
        for (var row = 0; row < face.Rows; row++)
        {
            for (var column = 0; column < face.Columns / 2; column++)
                Assert.Equal(HexOf(face, row, column), HexOf(face, row, face.Columns - 1 - column));
        }
    }

    private static double Moved(ZoneHistory history) => DeltaE2000.Between(history.Colours[0], history.Finished);

    /// <param name="down">0 at the tip to 1 at the base.</param>
    private static string HexAt(ColourField field, double down, double across) => HexOf(field, (int)(down * field.Rows), (int)(across * field.Columns));

    private static string HexOf(ColourField field, int row, int column)
    {
        var at = 3 * (row * field.Columns + column);
        return $"#{field.Rgb[at]:x2}{field.Rgb[at + 1]:x2}{field.Rgb[at + 2]:x2}";
    }
}
