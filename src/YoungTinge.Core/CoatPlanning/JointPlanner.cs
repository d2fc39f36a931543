using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Advice;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Numerics;

namespace YoungTinge.Core.CoatPlanning;

/// <summary>A piece that is planned together with others.</summary>
/// <param name="Plan">Its targets, the coats that stay, and its paste if that stays.</param>
/// <param name="Parts">Flowers or buds that the pieces are for, at least 1.</param>
/// <param name="Source">What it is shaped from if its paste stays; its own recipe by default.</param>
/// <param name="Standing">How it stands in its flower; null for a loose one.</param>
/// <param name="KeepsPaste">It is mixed already, or planned elsewhere.</param>
public sealed record PieceToPlan(Guid Id, PiecePlan Plan, Piece Piece, int Parts, PasteSource? Source, StandingPiece? Standing, bool KeepsPaste, PlannerRules Rules);

/// <summary>
/// Plans the pieces of a flower or a commission together: the largest first, each from jars that the ones before have open, then one paste
/// and one pot for as many pieces as do not miss their own (<see cref="MakersWeights.Misses"/>).
/// </summary>
public sealed class JointPlanner
{
    /// <summary>Pastes that are farther apart are not tried for each other.</summary>
    private const double AlikeDeltaE = 15;

    /// <summary>Pastes of other pieces that one is tried on.</summary>
    private const int MostTried = 3;

    /// <summary>What planning each by itself takes of the time, about; the rest is trying them on each other's paste.</summary>
    private const double ShareOfPlanning = 0.8;

    /// <summary>Pieces that are planned side by side, from the same open jars: however many cores there are, the same plans.</summary>
    private const int AtATime = 2;

    private static readonly Approach[] Approaches = [Approach.PasteLed, Approach.DustLed, Approach.WashLed];

    private readonly IReadOnlyList<PieceToPlan> pieces;
    private readonly Materials materials;
    private readonly Func<Guid> newId;

    /// <param name="newId">For each coat that is new; another one at each call.</param>
    public JointPlanner(IReadOnlyList<PieceToPlan> pieces, Materials materials, Func<Guid> newId) => (this.pieces, this.materials, this.newId) = (pieces, materials, newId);

    /// <param name="approach">Of all of them; a piece that it is no way for takes another. Marbled is a way for one piece, not for many.</param>
    /// <param name="progress">Is told the share done, 0 to 1.</param>
    /// <returns>By piece; one that there is no way for is not among them.</returns>
    public IReadOnlyDictionary<Guid, Proposal> Propose(Approach approach, CancellationToken cancel = default, Action<double>? progress = null)
    {
        Approach[] order = [approach, .. Approaches.Where(other => other != approach)];
        var plans = new Dictionary<Guid, Joined>();
        var open = new HashSet<string>(pieces.SelectMany(piece => piece.Rules.InUse));
        var shares = new double[pieces.Count];
        foreach (var beside in pieces.OrderByDescending(GramsOf).Index().Chunk(AtATime))
        {
            var inUse = open.ToHashSet();
            var planned = SideBySide.Select(beside, (one, _) => Planned(one.Item, inUse, order, cancel, share => Tell(one.Index, share)), cancel);
            foreach (var joined in planned.OfType<Joined>())
            {
                plans[joined.Piece.Id] = joined;
                open.UnionWith(PlanAdvisor.MaterialsOf(joined.Now.Plan));
            }
        }

        void Tell(int i, double share)
        {
            shares[i] = share;
            progress?.Invoke(ShareOfPlanning * shares.Average());
        }

        SharePastes(plans, cancel, share => progress?.Invoke(ShareOfPlanning + (1 - ShareOfPlanning) * share));
        new SharedPots(materials).Share(plans, cancel);
        progress?.Invoke(1);
        return plans.ToDictionary(one => one.Key, one => one.Value.Now);
    }

    /// <summary>By itself, the way that was asked for or else another; null if there is none.</summary>
    private Joined? Planned(PieceToPlan piece, IReadOnlySet<string> inUse, IEnumerable<Approach> order, CancellationToken cancel, Action<double> progress)
    {
        var planner = new CoatPlanner(piece.Plan, piece.Piece, Math.Max(1, piece.Parts), materials, piece.Rules with { InUse = inUse }, newId, piece.Source, piece.Standing);
        var proposal = order.Select(way => planner.Propose(way, piece.KeepsPaste, cancel, progress)).FirstOrDefault(one => one is not null);
        progress(1);
        return proposal is null ? null : new Joined(piece, planner, proposal, proposal, GramsOf(piece));
    }

    private static double GramsOf(PieceToPlan piece) => PasteQuantity.For(piece.Piece, Math.Max(1, piece.Parts)).BatchG;

    /// <summary>Every paste but the largest is put to the test: whether its pieces would miss it on another that is mixed anyway.</summary>
    private void SharePastes(Dictionary<Guid, Joined> plans, CancellationToken cancel, Action<double> progress)
    {
        var mixed = plans.Values.Where(one => !one.Piece.KeepsPaste && one.Grams > 0).GroupBy(one => one.Now.Plan.Paste.Key).OrderBy(group => group.Sum(one => one.Grams)).Select(group => group.Key).ToList();
        foreach (var (i, key) in mixed.Index())
        {
            progress(i / (double)mixed.Count);
            var its = plans.Values.Where(one => !one.Piece.KeepsPaste && one.Now.Plan.Paste.Key == key).ToList();
            var colour = PasteOptics.ColourOf(its[0].Now.Plan.Paste, materials);
            var others = plans.Values.Where(one => !one.Piece.KeepsPaste && one.Grams > 0 && one.Now.Plan.Paste.Key != key).Select(one => one.Now.Plan.Paste).DistinctBy(paste => paste.Key)
                .Select(paste => (Paste: paste, DeltaE: DeltaE2000.Between(colour, PasteOptics.ColourOf(paste, materials)))).Where(one => one.DeltaE < AlikeDeltaE).OrderBy(one => one.DeltaE).Take(MostTried);
            foreach (var (paste, _) in others)
            {
                var on = its.Select(one => (one.Piece.Id, Joined: OnPaste(one, paste, cancel))).TakeWhile(one => one.Joined is not null).ToList();
                if (on.Count < its.Count)
                    continue;
                foreach (var (id, joined) in on)
                    plans[id] = joined!;
                break;
            }
        }
    }

    /// <summary>Null if the piece would miss its own, or takes a coat more.</summary>
    private Joined? OnPaste(Joined one, PasteRecipe paste, CancellationToken cancel)
    {
        return one.Piece.Rules.AllowsAll([paste.BaseId, .. paste.Doses.Select(dose => dose.ColourantId)], materials) && one.Planner.ProposeOn(paste, one.Now.Approach, cancel) is { } proposal && proposal.Plan.Coats.Count <= one.Now.Plan.Coats.Count
            && !MakersWeights.Misses(one.Alone.DeltaEs(), proposal.DeltaEs())
            ? one with { Now = proposal }
            : null;
    }
}

/// <summary>A piece with its plan while what it shares with others is sought.</summary>
/// <param name="Alone">As it would be by itself, with a paste and pots of its own.</param>
/// <param name="Grams">Of paste that it takes.</param>
internal sealed record Joined(PieceToPlan Piece, CoatPlanner Planner, Proposal Alone, Proposal Now, double Grams);
