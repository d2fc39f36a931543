using System.Diagnostics;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.CoatPlanning;
using YoungTinge.Core.Coats.Advice;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Checks;

/// <summary>
/// How long the planner takes for made-up pieces, all ways together, and how good its plans are. The pieces are the same in every run,
/// so that two states of the code can be compared: half of them can be made (their targets are what a random plan comes to), half are
/// targets that nobody has made.
/// </summary>
public static class PlanningTimes
{
    private static readonly Zone[] Zones = Enum.GetValues<Zone>();

    /// <param name="Cost">Squares of what is missing, summed over the zones.</param>
    public sealed record Planned(int Piece, Approach Approach, double Milliseconds, double WorstDeltaE, double MeanDeltaE, double Cost, int Coats, int Jars);

    public static IEnumerable<Planned> Of(int pieces)
    {
        var materials = StarterCabinet.Load();
        var outlines = LeafAndPetalOutlines();
        for (var i = 0; i < pieces; i++)
        {
            var (piece, plan, _) = MadeUp(i, outlines, materials);
            foreach (var approach in Enum.GetValues<Approach>())
            {
                var watch = Stopwatch.StartNew();
                var proposal = Planner(plan, piece, materials).Propose(approach, keepsPaste: false);
                var took = watch.Elapsed.TotalMilliseconds;
                if (proposal is null) continue;
                var differences = proposal.Zones.Select(zone => zone.Difference.DeltaE).ToList();
                yield return new Planned(i, approach, took, differences.Max(), differences.Average(), differences.Sum(one => one * one), proposal.Plan.Coats.Count, proposal.Materials);
            }
        }
    }

    /// <summary>All ways of each piece beside each other, as a maker asks for them: milliseconds until the last is there.</summary>
    public static IEnumerable<double> SideBySide(int pieces)
    {
        var materials = StarterCabinet.Load();
        var outlines = LeafAndPetalOutlines();
        for (var i = 0; i < pieces; i++)
        {
            var (piece, plan, _) = MadeUp(i, outlines, materials);
            var watch = Stopwatch.StartNew();
            Parallel.ForEach(Enum.GetValues<Approach>(), approach => Planner(plan, piece, materials).Propose(approach, keepsPaste: false));
            yield return watch.Elapsed.TotalMilliseconds;
        }
    }

    private static CoatPlanner Planner(PiecePlan plan, Piece piece, Materials materials) => new(plan, piece, 5, materials, new PlannerRules(Guests.Any), Guid.CreateVersion7);

    /// <summary>What becomes of a plan when every target moves by so little that no eye sees it.</summary>
    /// <param name="WorstMoved">By how much the zone that is farthest off changes, in CIEDE2000.</param>
    /// <param name="IsSame">The same materials.</param>
    public sealed record Moved(int Piece, Approach Approach, double WorstMoved, bool IsSame);

    /// <param name="byDeltaE">CIEDE2000 that each target moves by, each in a direction of its own.</param>
    public static IEnumerable<Moved> Steadiness(int pieces, double byDeltaE)
    {
        var materials = StarterCabinet.Load();
        var outlines = LeafAndPetalOutlines();
        for (var i = 0; i < pieces; i++)
        {
            var (piece, plan, chance) = MadeUp(i, outlines, materials);
            var moved = plan with { Targets = plan.Targets.ToDictionary(target => target.Key, target => target.Value with { Colour = Near(target.Value.Colour, byDeltaE, chance) }) };
            foreach (var approach in new[] { Approach.PasteLed, Approach.DustLed })
            {
                Proposal? Propose(PiecePlan of) => Planner(of, piece, materials).Propose(approach, keepsPaste: false);
                // The plan that was taken stands, and is what is asked about again.
                if (Propose(plan) is { } before && Propose(before.Plan with { Targets = moved.Targets }) is { } after)
                    yield return new Moved(i, approach, Math.Abs(before.WorstDeltaE - after.WorstDeltaE), MaterialsOf(before).SetEquals(MaterialsOf(after)));
            }
        }
    }

    /// <summary>The same piece at each call, with what chance has left for whoever goes on from it.</summary>
    private static (Piece Piece, PiecePlan Plan, Random Chance) MadeUp(int number, List<string> outlines, Materials materials)
    {
        var chance = new Random(number);
        var piece = new Piece($"piece {number}", outlines[chance.Next(outlines.Count)], 20 + chance.Next(50), 15 + chance.Next(40), 0.6, false, PartOf.Flower, 5, 0.2);
        return (piece, number % 2 == 0 ? Made(piece, materials, chance) : Wished(chance), chance);
    }

    private static HashSet<string> MaterialsOf(Proposal proposal) => [.. PlanAdvisor.MaterialsOf(proposal.Plan)];

    private static Lab Near(Lab from, double byDeltaE, Random chance)
    {
        double One() => 2 * chance.NextDouble() - 1;
        var way = (L: One(), A: One(), B: One());
        Lab At(double far) => new(from.L + far * way.L, from.A + far * way.A, from.B + far * way.B);
        var step = 0.01;
        while (DeltaE2000.Between(from, At(step)) < byDeltaE)
            step *= 1.02;
        return At(step);
    }

    private static List<string> LeafAndPetalOutlines() => [.. OutlineLibrary.All.Select(outline => outline.Id).Order(StringComparer.Ordinal)
        .Where(id => new Piece("any", id, 40, 30, 0.6, false, PartOf.Flower, 1, 0) is { Body.Kind: BodyKind.Paste } piece && piece.Shape().Build == PieceBuild.Flat)];

    private static PiecePlan Made(Piece piece, Materials materials, Random chance)
    {
        var dusts = materials.All.OfType<Dust>().Where(dust => dust.Kind == DustKind.Matte).ToList();
        var colours = materials.All.OfType<Colourant>().ToList();
        Place[] places = [Place.Whole, new(PlaceKind.Base, 0, 0.12, 0.28), new(PlaceKind.Tip, 0, 0.10, 0.35), new(PlaceKind.Rim, 0, 1.5, 4), new(PlaceKind.Heart, 0, 0.25, 0.45)];
        Coat[] coats =
        [
            .. Enumerable.Range(0, 2 + chance.Next(3)).Select(_ => new DustCoat(
                Guid.CreateVersion7(), [new Portion(dusts[chance.Next(dusts.Count)].Id, 1)], 0.05 + 0.3 * chance.NextDouble(), places[chance.Next(places.Length)],
                chance.Next(2) == 0 ? Sides.Face : Sides.Both)),
            new SteamCoat(Guid.CreateVersion7(), SteamCoat.UsualSeconds),
        ];
        var paste = new PasteRecipe("bright-white-paste", [new Dose(colours[chance.Next(colours.Count)].Id, 0.02 + 0.2 * chance.NextDouble())]);
        var plan = new PiecePlan(Zones.ToDictionary(zone => zone, _ => Target.Of(new Lab(70, 0, 0))), new Lab(90, 0, 10), paste, coats);
        return plan with
        {
            Targets = BuildUp.Of(new ResolvedPlan(plan, materials), piece.Shape()).ToDictionary(zone => zone.Zone, zone => Target.Of(zone.Finished)),
            Coats = [],
        };
    }

    private static PiecePlan Wished(Random chance)
    {
        Lab Near(Lab middle) => ObjectColourSolid.Nearest(new Lab(middle.L + 30 * (chance.NextDouble() - 0.5), middle.A + 40 * (chance.NextDouble() - 0.5), middle.B + 40 * (chance.NextDouble() - 0.5)));
        var middle = new Lab(40 + 45 * chance.NextDouble(), 60 * (chance.NextDouble() - 0.5), 60 * (chance.NextDouble() - 0.4));
        return new PiecePlan(Zones.ToDictionary(zone => zone, _ => Target.Of(Near(middle))), new Lab(90, 0, 10), new PasteRecipe("bright-white-paste", []), []);
    }
}
