using YoungTinge.Core.Cabinet;
using YoungTinge.Core.CoatPlanning;
using YoungTinge.Core.Coats.Advice;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using static YoungTinge.Core.Tests.TestPlans;

namespace YoungTinge.Core.Tests.CoatPlanning;

/// <summary>Pieces planned together: fewer pastes and pots than each by itself, and no zone that an eye would miss.</summary>
public class JointPlannerTests
{
    private static readonly Zone[] Zones = Enum.GetValues<Zone>();

    /// <summary>Whorls that go from one colour to another, as those of one flower do.</summary>
    private static List<PieceToPlan> Flower(int number, PlannerRules? rules = null)
    {
        var chance = new Random(number);
        Lab Near(Lab of, double by) => ObjectColourSolid.Nearest(new Lab(of.L + by * (chance.NextDouble() - 0.5), of.A + by * (chance.NextDouble() - 0.5), of.B + by * (chance.NextDouble() - 0.5)));
        var middle = new Lab(45 + 45 * chance.NextDouble(), 50 * (chance.NextDouble() - 0.5), 50 * (chance.NextDouble() - 0.3));
        return [.. Enumerable.Range(0, 3).Select(i => new PieceToPlan(
            Guid.NewGuid(), Plan() with { Targets = Zones.ToDictionary(zone => zone, _ => Target.Of(Near(middle, 14))) }, Petal with { Name = $"{i}", LengthMm = 30 + 10 * i, WidthMm = 25 + 8 * i }, 6,
            null, null, false, rules ?? new PlannerRules(Guests.Any)))];
    }

    private static readonly List<PieceToPlan> One = Flower(1);

    private static readonly Lazy<IReadOnlyDictionary<Guid, Proposal>> OneTogether = new(() => Together(One));

    private static IReadOnlyDictionary<Guid, Proposal> Together(List<PieceToPlan> pieces, Approach approach = Approach.PasteLed) =>
        new JointPlanner(pieces, TestData.Cabinet, Guid.NewGuid).Propose(approach);

    private static Proposal Alone(PieceToPlan piece) => new[] { Approach.PasteLed, Approach.DustLed, Approach.WashLed }
        .Select(way => new CoatPlanner(piece.Plan, piece.Piece, piece.Parts, TestData.Cabinet, piece.Rules, Guid.NewGuid).Propose(way, keepsPaste: false)).First(one => one is not null)!;

    private static PotTable Table(IEnumerable<Proposal> proposals) =>
        PotTable.Of([.. proposals.Select(one => (Guid.NewGuid(), new ResolvedPlan(one.Plan, TestData.Cabinet)))]);

    [Fact]
    public void Together_takes_fewer_pots_and_loses_nothing_that_is_seen()
    {
        var (pots, potsAlone, worst, worstAlone) = (0, 0, 0.0, 0.0);
        for (var i = 0; i < 2; i++)
        {
            var pieces = i == 1 ? One : Flower(i);
            var together = i == 1 ? OneTogether.Value : Together(pieces);
            var alone = pieces.ToDictionary(piece => piece.Id, Alone);
            Assert.Equal(pieces.Select(piece => piece.Id).Order(), together.Keys.Order());
            var (table, apart) = (Table(together.Values), Table(alone.Values));
            pots += table.Pastes.Count + table.Pots.Count;
            potsAlone += apart.Pastes.Count + apart.Pots.Count;
            worst += together.Values.Max(one => one.WorstDeltaE);
            worstAlone += alone.Values.Max(one => one.WorstDeltaE);
            foreach (var proposal in together.Values)
                Assert.Empty(PlanCheck.Problems(proposal.Plan, TestData.Cabinet));
        }

        Assert.True(pots < potsAlone, $"{pots} pots, {potsAlone} alone");
        Assert.True(worst < worstAlone + 4, $"{worst:0.0}, {worstAlone:0.0} alone");
    }

    /// <summary>By trying every other pot at every load for all of its coats: whichever is left out is missed.</summary>
    [Fact]
    public void No_pot_of_dust_can_be_spared()
    {
        var (pieces, together) = (One, OneTogether.Value);
        var uses = together.SelectMany(one => one.Value.Plan.Coats.OfType<DustCoat>().Select(coat => (Piece: one.Key, Coat: coat, Pot: CoatPassKey.KeyOf(coat.Mix)))).ToLookup(use => use.Pot);
        foreach (var pot in uses.Where(pot => pot.All(use => !use.Coat.IsFixed())))
        {
            foreach (var other in uses.Where(other => other.Key != pot.Key).Select(other => other.First().Coat))
            {
                var isMissed = pot.GroupBy(use => use.Piece).Any(its =>
                {
                    var piece = pieces.First(one => one.Id == its.Key);
                    var before = together[its.Key].Zones.Select(zone => zone.Difference.DeltaE).ToArray();
                    // One coat of it in a piece is the usual case, and small enough to try all loads.
                    return its.Count() == 1 && DustLoad.Named.Where(load => load.MgPerCm2 <= DustMix.LoadLimitMgPerCm2(other.Mix, TestData.Cabinet)).All(load =>
                    {
                        var plan = together[its.Key].Plan;
                        var changed = plan with { Coats = [.. plan.Coats.Select(coat => coat.Id == its.First().Coat.Id ? its.First().Coat with { Mix = other.Mix, LoadMgPerCm2 = load.MgPerCm2 } : coat)] };
                        var after = BuildUp.Of(new ResolvedPlan(changed, TestData.Cabinet), piece.Piece.Shape()).Select(zone => zone.Difference.DeltaE).ToArray();
                        return after.Max() - before.Max() > 0.3 || after.Average() - before.Average() > 0.15;
                    });
                }) || pot.GroupBy(use => use.Piece).Any(its => its.Count() > 1);
                Assert.True(isMissed, $"{pot.Key} could be {CoatPassKey.KeyOf(other.Mix)}");
            }
        }
    }

    [Fact]
    public void Only_the_jars_that_were_chosen_are_used()
    {
        HashSet<string> only = ["bright-white-paste", "quince", "lichen", "guelder", "furze", "catkin", "plain-cornstarch"];
        var together = Together(Flower(2, new PlannerRules(Guests.Any) { Only = only })[..2]);
        Assert.NotEmpty(together);
        Assert.All(together.Values, proposal => Assert.Subset(only, PlanAdvisor.MaterialsOf(proposal.Plan).ToHashSet()));
    }

    [Fact]
    public void A_paste_that_is_mixed_already_stays()
    {
        var pieces = Flower(3)[..2].ConvertAll(piece => piece with { KeepsPaste = piece.Piece.Name == "0" });
        var kept = pieces.First(piece => piece.KeepsPaste);
        Assert.Same(kept.Plan.Paste, Together(pieces)[kept.Id].Plan.Paste);
    }

    [Fact]
    public void One_plan_for_pieces_with_the_same_targets()
    {
        var one = Flower(4)[0];
        var table = Table(Together([one, one with { Id = Guid.NewGuid() }]).Values);
        Assert.Single(table.Pastes);
        Assert.All(table.Pots, pot => Assert.True(pot.Uses.Select(use => use.PieceId).Distinct().Count() == 2));
    }
}
