using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Advice;
using YoungTinge.Core.Coats.Model;

namespace YoungTinge.Core.Tests.Coats;

public class BeginningsTests
{
    [Fact]
    public void Every_coat_begins_as_one_that_can_be_made()
    {
        var coats = Beginnings.CoatsOf(TestData.Cabinet);
        Assert.Equal(
            TestData.Cabinet.All.Where(one => one is Dust or Colourant or Glaze or Crumb).Select(one => one.Id).Order(), coats.Keys.Order());
        Assert.All(coats, one => Assert.Contains(one.Key, one.Value.MaterialIds()));
        Assert.All(coats.Values, coat => Assert.Empty(PlanCheck.Problems(TestPlans.Plan(coat), TestData.Cabinet)));
    }

    [Fact]
    public void A_matte_dust_begins_with_starch_and_a_lustre_neat()
    {
        var coats = Beginnings.CoatsOf(TestData.Cabinet);
        Assert.Equal(2, Assert.IsType<DustCoat>(coats["haw"]).Mix.Count);
        Assert.Single(Assert.IsType<DustCoat>(coats["moonmilk"]).Mix);
    }

    [Fact]
    public void Each_kind_of_place_and_of_detail_begins_once_and_can_be_painted()
    {
        Assert.Equal(Enum.GetValues<PlaceKind>(), Beginnings.Places.Select(place => place.Kind));
        Assert.Equal(Enum.GetValues<MarkingKind>(), Beginnings.Markings.Select(marking => marking.Kind));
        var wash = (WashCoat)Beginnings.CoatsOf(TestData.Cabinet)["quince"];
        Assert.All(Beginnings.Places, place => Assert.All(Beginnings.Markings, marking => Assert.Empty(PlanCheck.Problems(
            TestPlans.Plan(wash with { Place = place, Marking = marking, GPerMl = Beginnings.DetailGPerMl }), TestData.Cabinet))));
    }

    /// <summary>A jar that is used up and not bought again is nothing to begin with; without a thinner a wash says what it lacks.</summary>
    [Fact]
    public void What_is_no_longer_bought_is_not_taken_up()
    {
        var retired = new Materials(TestData.Cabinet.All.Select(one => one is Thinner or Dust { Kind: DustKind.Extender } ? one with { Label = one.Label with { IsRetired = true } } : one));
        var coats = Beginnings.CoatsOf(retired);
        Assert.Single(Assert.IsType<DustCoat>(coats["haw"]).Mix);
        Assert.Equal(PlanProblemCode.UnknownMaterial, Assert.Single(PlanCheck.Problems(TestPlans.Plan(coats["quince"]), retired)).Code);
    }
}
