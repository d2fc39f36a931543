using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Work;
using static YoungTinge.Core.Tests.TestPlans;

namespace YoungTinge.Core.Tests.Work;

public class MaterialNeedsTests
{
    [Fact]
    public void What_two_plans_use_is_added_up_and_what_runs_short_is_told()
    {
        var plan = Plan(Dust("wine-lees"), Glaze());
        PlannedWork[] works = [new(Guid.NewGuid(), Petal, 6, plan), new(Guid.NewGuid(), Petal, 4, plan)];
        var batchG = works.Sum(work => PasteQuantity.For(Petal, work.Parts).BatchG);
        var materials = new Materials(TestData.Cabinet.All.Select(material => material.Id switch
        {
            "quince" => material with { Supply = new Supply(0.1, null) },
            "lichen" => material with { Supply = new Supply(500, null) },
            _ => material,
        }));
        var graph = TestWork.Graph([TestWork.Flower(works)], materials);
        var needs = MaterialNeeds.Of(graph.Operations, materials).ToDictionary(need => need.MaterialId);
        Assert.Equal(["bright-white-paste", "lichen", "plain-cornstarch", "quince", "satin-veil", "white-wire", "wine-lees"], needs.Keys.Order());
        Assert.Equal(batchG, needs["bright-white-paste"].Amount, 1.0);
        Assert.Null(needs["bright-white-paste"].Short);
        // Counted in whole touches.
        Assert.Equal(0.2 * batchG / 100, needs["quince"].Amount, 0.05);
        Assert.Equal(needs["quince"].Amount - 0.1, needs["quince"].Short!.Value, 9);
        Assert.Equal(0, needs["lichen"].Short);
        Assert.Equal(needs["wine-lees"].Amount, needs["plain-cornstarch"].Amount, 9);
        Assert.True(needs["satin-veil"] is { Amount: > 0, Measure: Measure.Millilitres });
        Assert.Equal(works.Select(work => (Guid?)work.PieceId), needs["quince"].Uses.Select(use => use.PieceId));
    }
}
