using System.Text.Json;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Tests.Cabinet;

public class MaterialRecordTests
{
    private static MaterialRecord Sheet(MaterialKind kind) => new() { Name = "New", Kind = kind, LabelColour = new Lab(55, 30, 20), DiameterMm = kind == MaterialKind.Core ? 20 : null };

    [Fact]
    public void A_material_written_out_and_read_back_is_the_same() => Assert.All(TestData.Cabinet.All, material =>
    {
        var sheet = MaterialRecord.Of(material);
        Assert.Empty(MaterialRecordCheck.Problems(sheet));
        var back = MaterialFromRecord.Convert(sheet, "unused");
        Assert.Equal(JsonSerializer.Serialize(sheet), JsonSerializer.Serialize(MaterialRecord.Of(back)));
        Assert.Equal(material.GetType(), back.GetType());
    });

    [Fact]
    public void Every_kind_can_be_made_from_a_name_and_a_label() => Assert.All(Enum.GetValues<MaterialKind>(), kind =>
    {
        Assert.Empty(MaterialRecordCheck.Problems(Sheet(kind)));
        var material = MaterialFromRecord.Convert(Sheet(kind), "new");
        Assert.Equal((kind, "new"), (MaterialKinds.Of(material), material.Id));
        Assert.Equal(kind.HasOptics() || kind.HasReflectance() ? OpticsOrigin.Label : OpticsOrigin.Nominal, material.Source.Origin);
    });

    [Fact]
    public void A_label_colour_comes_out_at_the_dose_it_shows()
    {
        var label = new Lab(62, 35, 18);
        var rough = (Colourant)MaterialFromRecord.Convert(Sheet(MaterialKind.Colourant) with { LabelColour = label, LabelGPer100g = 0.4 }, "new");
        var cabinet = new Materials([.. TestData.Cabinet.All, rough]);
        Assert.InRange(DeltaE2000.Between(label, TestData.ColourOf(TestData.Recipe(("new", 0.4)), cabinet)), 0, 0.5);
    }

    [Fact]
    public void What_cannot_be_is_named_at_its_field()
    {
        IEnumerable<string> Problems(MaterialRecord sheet) => MaterialRecordCheck.Problems(sheet).Select(problem => $"{problem.Field} {problem.Code}");
        var sheet = Sheet(MaterialKind.Colourant);
        Assert.Equal(["name NameMissing"], Problems(sheet with { Name = " " }));
        Assert.Equal(["labelColour ColourMissing"], Problems(sheet with { LabelColour = null }));
        Assert.Equal(["labelColour NotAColour"], Problems(sheet with { LabelColour = new Lab(50, 150, 150) }));
        Assert.Equal(["stockG OutOfRange"], Problems(sheet with { StockG = -1 }));
        Assert.Equal(["stockG NotANumber"], Problems(sheet with { StockG = double.NaN }));
        Assert.Equal(["stockPieces NotForThisKind"], Problems(sheet with { StockPieces = 3 }));
        Assert.Equal(["bestBefore DatesCrossed"], Problems(sheet with { OpenedOn = new DateOnly(2026, 3, 1), BestBefore = new DateOnly(2026, 2, 1) }));
        Assert.Equal(["absorption SpectrumWrong"], Problems(sheet with { Absorption = [1, 2, 3] }));
        Assert.Equal(["gauge OutOfRange"], Problems(Sheet(MaterialKind.Wire) with { Gauge = 99 }));
    }

    [Fact]
    public void Whom_it_does_not_suit_follows_from_what_is_in_it()
    {
        var label = new Label("x", "X", "", FoodStatus.Edible) { Contains = [Ingredient.Carmine, Ingredient.Nuts], NotFor = [Diet.GlutenFree] };
        Assert.Equal([Diet.DairyFree], Enum.GetValues<Diet>().Where(label.Suits));
    }

    [Fact]
    public void Jars_of_one_name_or_one_colour_are_suggested_as_twice_the_same()
    {
        var rowan = TestData.Cabinet.Get<Colourant>("rowan");
        var twin = rowan with { Label = rowan.Label with { Id = "twin", Name = "Second pot" } };
        var namesake = TestData.Cabinet.Get<Colourant>("woad") with { Label = rowan.Label with { Id = "namesake", Name = "rowan " } };
        var cabinet = new Materials([.. TestData.Cabinet.All, twin, namesake]);
        var found = Duplicates.In(cabinet, material => SwatchColour.Of(material, cabinet));
        Assert.Contains(new Duplicate("rowan", "twin", DuplicateReason.SameColour), found);
        Assert.Contains(new Duplicate("rowan", "namesake", DuplicateReason.SameName), found);
        Assert.Empty(Duplicates.In(TestData.Cabinet, material => SwatchColour.Of(material, TestData.Cabinet)));
    }

    [Theory]
    [InlineData("Crème Brûlée No. 5", "creme-brulee-no-5")]
    [InlineData("  ", "material")]
    [InlineData("Rowan", "rowan-2")]
    public void An_id_is_made_from_the_name(string name, string id) => Assert.Equal(id, MaterialId.From(name, taken => taken == "rowan"));

    [Fact]
    public void Ten_touches_give_the_mean_of_one() => Assert.Equal(0.0135, UnitWeighing.Together(0.135, 10).MeanG, 12);
}
