using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Work;

namespace YoungTinge.Core.Tests.Work;

/// <summary>The graph of some flowers, for tests to look at.</summary>
internal static class TestWork
{
    public static FlowerPaste Flower(params PlannedWork[] works) => new(Guid.NewGuid(), Guid.NewGuid(), works, null, null);

    /// <param name="blocks">Their pastes; by the sheet of the day by default.</param>
    public static WorkGraph Graph(IReadOnlyList<FlowerPaste> flowers, Materials? cabinet = null, Dusting dusting = Dusting.AsPlanned, IReadOnlyList<PasteBlock>? blocks = null)
    {
        var materials = cabinet ?? TestData.Cabinet;
        var sources = PasteSources.Of(flowers, materials);
        FlowerPaste[] carried = [.. flowers.Select(flower => flower with { Works = [.. flower.Works.Select(work => sources.TryGetValue(work.PieceId, out var source) ? work with { Plan = source.Carried(work.Plan), Source = source } : work)] })];
        return WorkGraph.Of([.. carried.Select(flower => new FlowerWork(flower, dusting == Dusting.AsPlanned ? null : new AssemblyPlan([], dusting)))], blocks ?? PasteDaySheet.Of(carried, materials), materials);
    }

    public static WorkGraph Graph(PiecePlan plan, Materials? cabinet = null, int parts = 7) => Graph([Flower(new PlannedWork(Guid.NewGuid(), TestPlans.Petal, parts, plan))], cabinet);

    public static IReadOnlyList<T> Steps<T>(this WorkGraph graph) where T : RunStep => [.. graph.Operations.Select(operation => operation.Step).OfType<T>()];

    /// <summary>The one paste that is mixed.</summary>
    public static MixedPart Paste(this WorkGraph graph) => graph.Operations.Single(operation => operation.Block is not null).Block!.Mixed.Single();

    public static Dictionary<string, double> Needs(this WorkGraph graph, Materials? cabinet = null) =>
        MaterialNeeds.Of(graph.Operations, cabinet ?? TestData.Cabinet).ToDictionary(need => need.MaterialId, need => need.Amount);
}
