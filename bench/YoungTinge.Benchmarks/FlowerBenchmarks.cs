using BenchmarkDotNet.Attributes;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.CoatPlanning;
using YoungTinge.Core.Coats.Advice;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Benchmarks;

/// <summary>What a flower costs: an edit of one piece, all of a flower's pieces, a plan of its coats.</summary>
public class FlowerBenchmarks
{
    private const int PiecesOfAFlower = 12;

    private readonly Materials materials = StarterCabinet.Load();
    private readonly Piece piece = new("Sepals", "broad-sepal", 48, 42, 0.6, false, PartOf.Flower, 5, 0.2);
    private readonly PiecePlan plan;
    private readonly PiecePlan wanted;

    public FlowerBenchmarks()
    {
        Coat[] coats =
        [
            .. ColourBenchmarks.EightCoats().Take(5),
            new WashCoat(Guid.NewGuid(), [new Portion("foxberry", 1)], "clear-spirit", 0.15, 0.004, Place.Whole, Sides.Face) { Marking = new Marking(MarkingKind.Dots, 1, 2.6, 0.9, 1) },
            .. ColourBenchmarks.EightCoats().Skip(6),
        ];
        plan = new PiecePlan(
            Enum.GetValues<Zone>().ToDictionary(zone => zone, _ => Target.Of(new Lab(70, 10, 10))), new Lab(90, -5, 12), new PasteRecipe("bright-white-paste", [new Dose("quince", 0.2)]), coats);
        wanted = plan with { Targets = BuildUp.Of(new ResolvedPlan(plan, materials), piece.Shape()).ToDictionary(zone => zone.Zone, zone => Target.Of(zone.Finished)) };
    }

    /// <summary>Ribbons, faults and both pictures of one piece with eight coats, freckles among them.</summary>
    [Benchmark]
    public int OneEdit()
    {
        var shape = piece.Shape();
        var eye = new ZoneColourEvaluator(new ResolvedPlan(plan, materials), shape);
        var zones = BuildUp.Of(eye);
        return LookAdvice.For(eye, piece, zones).Count + PiecePicture.Of(eye.Plan, shape).Face.Marks.Count;
    }

    /// <summary>Face and back of twelve pieces with eight coats each.</summary>
    [Benchmark]
    public int AFullFlower()
    {
        var marks = 0;
        for (var i = 0; i < PiecesOfAFlower; i++)
            marks += PiecePicture.Of(new ResolvedPlan(plan, materials), piece.Shape()).Face.Marks.Count;
        return marks;
    }

    /// <summary>Paste and coats for five zones, round freckles that stay.</summary>
    [Benchmark]
    public Proposal? PlanTheCoats() => new CoatPlanner(wanted, piece, 7, materials, new PlannerRules(Guests.Any), Guid.CreateVersion7).Propose(Approach.PasteLed, keepsPaste: false);
}
