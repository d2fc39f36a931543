using CsCheck;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Tests.Work;
using YoungTinge.Core.Work;
using static YoungTinge.Core.Tests.TestPlans;

namespace YoungTinge.Core.Tests.Coats;

/// <summary>Coats on flowers as they stand: after which stage, where a brush still comes, and in which order.</summary>
public class StandingCoatTests
{
    private static readonly Piece Inner = Petal with { LengthMm = 0.7 * Petal.LengthMm };
    private static readonly PieceOfFlower[] Whorls = [new(Guid.NewGuid(), Inner, 4), new(Guid.NewGuid(), Petal, 4)];

    private static AssemblyPlan Assembly(Dusting dusting = Dusting.AsPlanned) => HouseAssembly.For(Guid.Parse("0b5e8f1c-1d5c-4c59-9a7b-0c9d3b2f4e11"), Whorls) with { Dusting = dusting };

    private static StandingPiece Standing(int whorl, Dusting dusting = Dusting.AsPlanned) => StandingPiece.Of(Assembly(dusting), Whorls)[Whorls[whorl].PieceId];

    private static Lab See(Zone zone, StandingPiece? standing, Piece piece, params Coat[] coats) =>
        new ZoneColourEvaluator(new ResolvedPlan(Plan(coats), TestData.Cabinet) { Standing = standing }, piece.Shape()).See(zone);

    [Fact]
    public void A_standing_flower_takes_nothing_at_covered_feet_nor_behind_other_petals()
    {
        var dust = Dust("wine-lees", 0.4, sides: Sides.Both) with { AfterAssembly = true };
        foreach (var (whorl, piece) in new[] { Inner, Petal }.Index())
        {
            double Moved(Zone zone) => DeltaE2000.Between(See(zone, Standing(whorl), piece), See(zone, Standing(whorl), piece, dust));
            var loose = DeltaE2000.Between(See(Zone.Tip, null, piece), See(Zone.Tip, null, piece, dust));
            Assert.Equal(loose, Moved(Zone.Tip), 1e-9);
            Assert.Equal(whorl == 0, Moved(Zone.Back) < 1e-9);
            Assert.True(whorl == 0 || Moved(Zone.Base) < 0.2 * loose);
        }
    }

    [Fact]
    public void Before_the_whorl_behind_it_is_there_a_back_is_free()
    {
        var stages = AssemblyCheck.InOrder(Assembly())!;
        var dust = Dust("wine-lees", 0.4, sides: Sides.Back) with { AfterAssembly = true };
        Assert.Equal([true], Standing(0).ReachOf([dust with { AfterStageId = stages[0].Id }]).Select(reach => reach!.IsBackOpen));
        Assert.Equal([false], Standing(0).ReachOf([dust]).Select(reach => reach!.IsBackOpen));
        // No coat goes on before one that lies under it, nor after a stage that is not there.
        Assert.Equal([null, stages[1].Id, stages[1].Id], Standing(0).StagesOf([Steam, dust, dust with { AfterStageId = stages[0].Id }]));
        Assert.Equal([stages[1].Id], Standing(1).StagesOf([dust with { AfterStageId = stages[0].Id }]));
        Assert.All(Standing(0, Dusting.BeforeAssembly).ReachOf([dust]), Assert.Null);
        Assert.DoesNotContain(null, Standing(0, Dusting.AfterAssembly).ReachOf([Steam, Glaze()]));
    }

    private static readonly Gen<Coat> Coats = Gen.Int[0, 4].Select(Gen.Int[-1, 3]).Select((kind, stage) => (kind switch
    {
        0 => (Coat)Dust("nettle"),
        1 => new WashCoat(Guid.NewGuid(), [new("rowan", 1)], "clear-spirit", 0.02, 0.003, Place.Whole, Sides.Face),
        2 => Steam with { Id = Guid.NewGuid() },
        3 => Glaze() with { Id = Guid.NewGuid() },
        _ => Dust("wine-lees"),
    }) with
    {
        AfterAssembly = stage >= 0,
        AfterStageId = stage >= 0 && stage < 3 ? Stage(stage) : null,
    });

    private static Guid Stage(int number) => new(number + 1, 0, 0, new byte[8]);

    /// <summary>Every coat of any kind, on three whorls that are put on one after the other: by what follows from the plans alone.</summary>
    [Fact]
    public void A_coat_comes_after_its_stage_and_before_the_next() => Coats.Array[0, 5].Array[3].Holds(plans =>
    {
        PlannedWork[] works = [.. plans.Select((coats, i) => new PlannedWork(Guid.NewGuid(), Petal with { LengthMm = 20 + 10 * i, Form = Petal.Form with { IsWired = false } }, 4, Plan(coats)))];
        var assembly = new AssemblyPlan([.. works.Select((work, i) => new AssemblyStage(
            Stage(i), StageKind.Own, $"{i}", [new(work.PieceId, work.Piece.PerPart)], i == 0 ? null : Stage(i - 1), Joining.Glued, Dryness.Firm, false, DryingPose.Standing))], Dusting.AsPlanned);
        var flower = TestWork.Flower(works);
        var graph = WorkGraph.Of([new FlowerWork(flower, assembly)], PasteDaySheet.Of([flower], TestData.Cabinet), TestData.Cabinet);
        var at = graph.Operations.Index().ToDictionary(one => one.Item.Id, one => one.Index);
        // All that has to be done before an operation, near and far.
        var before = new Dictionary<string, HashSet<string>>();
        foreach (var operation in graph.Operations)
            before[operation.Id] = [.. operation.After, .. operation.After.SelectMany(id => before[id])];
        foreach (var (whorl, work) in works.Index())
        {
            var latest = -1;
            foreach (var coat in work.Plan.Coats)
            {
                if (coat.AfterAssembly || latest >= 0)
                    // A stage at which the piece is not there yet is none for it.
                    latest = Math.Max(latest, Enumerable.Range(whorl, 3 - whorl).Where(stage => coat.AfterAssembly && coat.AfterStageId == Stage(stage)).DefaultIfEmpty(2).First());
                var lay = graph.Operations.First(one => one.Coat is { } laid && one.Touches(work.PieceId) && laid.Pass.MixKey == coat.Resolve(TestData.Cabinet).Pass.MixKey
                    && (laid.Id == coat.Id || one.Lots.Count > 1));
                Assert.Equal(latest >= 0, graph.Operations.First(one => one.Coat?.Id == coat.Id || one.Id == lay.Id).IsOnStanding);
                if (graph.Operations.FirstOrDefault(one => one.Coat?.Id == coat.Id) is not { } own || latest < 0)
                    continue;
                Assert.Contains(OperationId.OfStage(flower.FlowerId, Stage(latest)), before[own.Id]);
                if (latest < 2)
                    Assert.Contains(own.Id, before[OperationId.OfStage(flower.FlowerId, Stage(latest + 1))]);
            }
        }

        // The day lays them in an order that the flowers can be built in.
        var day = DustDayPlan.Of(graph).Passes.SelectMany((pass, i) => pass.Uses.SelectMany(use => use.Operations).Select(one => (one.Id, Pass: i))).ToDictionary(one => one.Id, one => one.Pass);
        Assert.All(day, one => Assert.All(before[one.Key].Where(day.ContainsKey), earlier => Assert.True(day[earlier] <= one.Value)));
        Assert.Equal(graph.Operations.Where(one => one.Coat is not null).Select(one => one.Id).Order(), day.Keys.Order());
    }, turns: 150);

    [Fact]
    public void What_bends_has_to_go_on_while_it_does()
    {
        PlannedWork work = new(Guid.NewGuid(), Petal with { Form = Petal.Form with { IsWired = false } }, 4, Plan());
        var assembly = new AssemblyPlan([new AssemblyStage(Stage(0), StageKind.Own, "", [new(work.PieceId, 5)], null, Joining.Glued, Dryness.Leathery, false, DryingPose.Standing)], Dusting.AsPlanned);
        var flower = TestWork.Flower(work);
        var graph = WorkGraph.Of([new FlowerWork(flower, assembly)], PasteDaySheet.Of([flower], TestData.Cabinet), TestData.Cabinet);
        var window = Assert.Single(graph.Operations.Single(one => one.Step is BuildStage).Windows);
        var dry = graph.Find(window.AfterId)!;
        Assert.IsType<DryPieces>(dry.Step);
        Assert.True(window.MostMinutes > dry.WaitMinutes && window.MostMinutes < dry.WaitMinutes + Drying.MinutesFor(work.Piece, 1, Dryness.Firm, Room.Usual));
    }
}
