using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.CoatPlanning;

/// <summary>
/// Looks for few coats over a given paste that bring every zone to its target after all that follows them: coat by coat for the
/// zone that is farthest off, each time every amount solved anew together, and at the end without each coat that can be spared.
/// </summary>
internal sealed class CoatSearch
{
    private const int MostNewCoats = 7;

    /// <summary>What a coat must bring at least, in squares of CIEDE2000 summed over the zones.</summary>
    private const double PriceOfACoat = 2.0;

    /// <summary>A little inside what counts as reached, for what rounding takes.</summary>
    private const double BeyondDeltaE = CoatPlanner.ReachedDeltaE - 0.4;
    private const double PriceOfBeyond = 8;

    /// <summary>What a second colour in it must bring.</summary>
    private const double PriceOfAColour = 0.6;

    /// <summary>What a colour that is not for eating must bring more than one that is.</summary>
    private const double PriceOfNotEating = 0.8;

    /// <summary>What a full mg on each cm2 counts as, in CIEDE2000: a hand takes the lighter coat of two that do the same.</summary>
    private const double PriceOfAMg = 1.0;

    /// <summary>A heavy coat; more is hard to brush on evenly.</summary>
    private const double HeavyMgPerCm2 = 0.4;

    /// <summary>Colours that are tried with every other.</summary>
    private const int Followed = 4;

    /// <summary>How often every coat is put to the test again.</summary>
    private const int Exchanges = 2;

    private const int StepsForACoat = 6;
    private const int StepsForAll = 25;

    private static readonly Zone[] Zones = Enum.GetValues<Zone>();

    /// <summary>As shares of the most that a colour may be.</summary>
    private static readonly double[] TriedAmounts = [0.03, 0.07, 0.15, 0.3, 0.55, 0.9];
    private static readonly double[] TriedRatios = [0.25, 1, 4];

    /// <summary>Of two together, as shares of the best amount of the first alone.</summary>
    private static readonly double[] TriedBesides = [0.6, 1, 1.7];

    private static readonly double[] FirstLook = [1];
    private const int LookedAtCloser = 14;

    /// <summary>With less starch a dust goes on in blotches.</summary>
    private const double LeastStarchShare = 0.3;

    // Less than this no hand can lay.
    private const double NothingMgPerCm2 = 0.012;
    private const double NothingGPerMl = 0.0015;

    /// <summary>Stronger than this a wash is a paint.</summary>
    private const double StrongestWashGPerMl = 0.10;
    private const double UsualWetMlPerCm2 = 0.003;

    /// <summary>A foot of another colour is left out: nothing paler covers what lies there once.</summary>
    private static readonly Place AllButTheFoot = new(PlaceKind.Tip, 0, 0.72, 0.22);

    private readonly IReadOnlyDictionary<Zone, Target> targets;
    private readonly PieceShape shape;
    private readonly Materials materials;
    private readonly KubelkaMunkSpectra mix;
    private readonly CoatSimulator simulator;
    private readonly ZoneDistance[] distances;
    private readonly IReadOnlyList<Material> colours;
    private readonly Dust? starch;
    private readonly Thinner? spirit;
    private readonly CoatOrder order;

    /// <summary>First on the paste first.</summary>
    private List<CandidateCoat> candidates;

    /// <param name="kept">Coats that stay as they are, in their order, those of the finish among them.</param>
    /// <param name="colours">Dusts to brush on, or colours to let down as washes.</param>
    /// <param name="spirit">For washes; null for dusts.</param>
    public CoatSearch(
        IReadOnlyDictionary<Zone, Target> targets, PieceShape shape, Materials materials, PasteSource paste, IEnumerable<Coat> kept,
        IReadOnlyList<Material> colours, Dust? starch, Thinner? spirit, CoatSimulator simulator)
    {
        (this.targets, this.shape, this.materials, this.colours, this.starch, this.spirit, this.simulator) = (targets, shape, materials, colours, starch, spirit, simulator);
        mix = paste.Optics;
        distances = [.. Zones.Select(zone => new ZoneDistance(targets[zone].Colour))];
        order = new CoatOrder(materials);
        candidates = order.Sorted([.. kept.Select(CandidateCoat.Kept)]);
    }

    /// <summary>All coats in order, amounts as a hand measures them.</summary>
    /// <param name="newId">For each coat that is new; another one at each call.</param>
    public IReadOnlyList<Coat> Run(Func<Guid> newId, int mostCoats = MostNewCoats, SearchBeat beat = default)
    {
        Grow(mostCoats, beat);
        for (var round = 0; round < Exchanges; round++)
        {
            if (beat.IsLate || !Exchange(beat))
                break;
            Grow(mostCoats, beat);
        }

        PruneCoats();
        candidates = [.. candidates.Where(candidate => !candidate.IsFree || candidate.Total > Nothing)];
        Round();
        return [.. candidates.Select(candidate => candidate.IsFree ? candidate.Coat with { Id = newId() } : candidate.Coat)];
    }

    /// <summary>Coat by coat for the zone that is farthest off, as long as one is worth it.</summary>
    private void Grow(int mostCoats, SearchBeat beat)
    {
        var given = new HashSet<Zone>();
        while (candidates.Count(candidate => candidate.IsFree) < mostCoats && !beat.IsOver)
        {
            beat.Next();
            var seen = Seen(candidates);
            var open = Zones.Where(zone => !given.Contains(zone)).ToList();
            if (open.Count == 0)
                return;
            var worst = open.MaxBy(zone => DeltaE(zone, seen));
            if (DeltaE(worst, seen) < Difference.ThereBelow)
                return;
            if (Better(worst, open, seen) is { } better)
                candidates = SolveAll(better);
            else
                given.Add(worst);
        }
    }

    /// <summary>Takes each coat out for once, to see whether what is best now is another one.</summary>
    private bool Exchange(SearchBeat beat)
    {
        var any = false;
        foreach (var candidate in candidates.Where(candidate => candidate.IsFree).ToList())
        {
            beat.Next();
            if (beat.IsLate)
                break;
            // Others have been solved anew since: the coat goes by what it was made from.
            var (before, cost) = (candidates, Cost(Seen(candidates)));
            candidates = [.. before.Where(other => !ReferenceEquals(other.Template, candidate.Template))];
            var seen = Seen(candidates);
            var worst = Zones.MaxBy(zone => DeltaE(zone, seen));
            var without = SolveAll(candidates);
            var better = Better(worst, Zones, seen) is { } found ? SolveAll(found) : without;
            if (Cost(Seen(better)) < cost - PriceOfACoat / 2)
                (candidates, any) = (better, true);
            else
                candidates = before;
        }

        return any;
    }

    /// <summary>How near one zone can be brought if no other mattered, and with which colour.</summary>
    public (double DeltaE, string? MaterialId) Alone(Zone zone)
    {
        var best = Places(zone).Take(1).SelectMany(place => Best(zone, place)).MinBy(candidate => DeltaE2000.Between(targets[zone].Colour, SeenOne(Added(candidate), zone)));
        var without = DeltaE2000.Between(targets[zone].Colour, SeenOne(candidates, zone));
        return best is null ? (without, null) : (Math.Min(without, DeltaE2000.Between(targets[zone].Colour, SeenOne(Added(best), zone))), MainOf(best));
    }

    private string MainOf(CandidateCoat candidate) => candidate.Materials.Zip(candidate.Amounts).Where(part => part.First != starch?.Id).MaxBy(part => part.Second).First;

    private Lab[] Seen(IReadOnlyList<CandidateCoat> of) => simulator.See(mix, [.. of.Select(candidate => candidate.Coat)]);

    private Lab SeenOne(IReadOnlyList<CandidateCoat> of, Zone zone) => simulator.See(mix, [.. of.Select(candidate => candidate.Coat)], zone)[0];

    private double DeltaE(Zone zone, Lab[] seen) => DeltaE2000.Between(targets[zone].Colour, seen[(int)zone]);

    /// <summary>Squares of what is missing; beyond what still counts as reached it weighs several times.</summary>
    private double Cost(Lab[] seen) => Zones.Sum(zone =>
    {
        var (missing, beyond) = (DeltaE(zone, seen), Math.Max(0, DeltaE(zone, seen) - BeyondDeltaE));
        return missing * missing + PriceOfBeyond * beyond * beyond;
    });

    /// <summary>The coats with the one more that helps most; null if none is worth it.</summary>
    private List<CandidateCoat>? Better(Zone worst, IReadOnlyList<Zone> open, Lab[] seen)
    {
        List<CandidateCoat>? best = null;
        var bestCost = Cost(seen) - PriceOfACoat;
        foreach (var candidate in Candidates(worst, open))
        {
            var solved = Solve(Added(candidate), other => ReferenceEquals(other, candidate), StepsForACoat);
            var cost = Cost(Seen(solved)) + PriceOf(candidate);
            if (cost < bestCost)
                (best, bestCost) = (solved, cost);
        }

        return best;
    }

    private double PriceOf(CandidateCoat candidate) => candidate.Materials.Where(id => id != starch?.Id)
        .Sum(id => PriceOfAColour + (materials.Get<Material>(id).Label.FoodStatus == FoodStatus.Edible ? 0 : PriceOfNotEating));

    /// <summary>For the worst zone from its places; before there is a foundation, for any zone as a foundation too.</summary>
    private IEnumerable<CandidateCoat> Candidates(Zone worst, IReadOnlyList<Zone> open)
    {
        var others = candidates.Any(candidate => candidate.IsFree) ? [] : open.Where(zone => zone != worst).SelectMany(zone => Foundations(zone).Select(place => (Zone: zone, Place: place)));
        return Places(worst).Select(place => (Zone: worst, Place: place)).Concat(others).SelectMany(pair => Best(pair.Zone, pair.Place));
    }

    /// <summary>Places from which a hand reaches a zone, with the sides that it does in one go.</summary>
    private IEnumerable<(Place Place, Sides Sides)> Places(Zone zone)
    {
        var rimFeather = Math.Clamp(0.16 * shape.WidthMm, 1.5, 7);
        (Place, Sides)[] own = zone switch
        {
            Zone.Heart => [(new Place(PlaceKind.Heart, 0, 0.25, 0.45), Sides.Face)],
            Zone.Base => [(new Place(PlaceKind.Base, 0, 0.12, 0.28), Sides.Face), (new Place(PlaceKind.Base, 0, 0.12, 0.28), Sides.Both)],
            Zone.Tip => [(new Place(PlaceKind.Tip, 0, 0.10, 0.35), Sides.Face), (new Place(PlaceKind.Tip, 0, 0.10, 0.35), Sides.Both)],
            Zone.Rim => [(new Place(PlaceKind.Rim, 0, Math.Min(1.5, 0.04 * shape.WidthMm), rimFeather), Sides.Face)],
            _ => [(Place.Whole, Sides.Back)],
        };
        return own.Where(IsFreeAt).Concat(Foundations(zone));
    }

    /// <summary>All over, where nothing lies all over yet.</summary>
    private IEnumerable<(Place Place, Sides Sides)> Foundations(Zone zone)
    {
        (Place, Sides)[] whole = [(Place.Whole, zone == Zone.Back ? Sides.Back : Sides.Face), (Place.Whole, Sides.Both)];
        (Place, Sides)[] butTheFoot = zone is Zone.Base or Zone.Back ? [] : [(AllButTheFoot, Sides.Face), (AllButTheFoot, Sides.Both)];
        return whole.Concat(butTheFoot).Where(IsFreeAt);
    }

    private bool IsFreeAt((Place Place, Sides Sides) where) =>
        !candidates.Any(candidate => candidate.IsFree && candidate.Template is IPlacedCoat coat && coat.Place == where.Place && coat.Sides == where.Sides);

    /// <summary>The colours, alone or in twos, that bring one zone nearest from one place.</summary>
    private List<CandidateCoat> Best(Zone zone, (Place Place, Sides Sides) where)
    {
        var probe = ProbeFor(zone, where);
        var singles = colours.Select(colour => BestAmount(probe, zone, where, [colour], [1], MostOf(colour), TriedAmounts)).OrderBy(one => one.DeltaE).ToList();
        var pairs = singles.Take(Followed).SelectMany(single =>
        {
            var (first, amount) = (materials.Get<Material>(single.CandidateCoat.Materials[0]), single.CandidateCoat.Amounts[0]);
            // A first look at every other; a closer one at those that come near.
            return colours.Where(other => other.Id != first.Id)
                .Select(other => (Other: other, BestAmount(probe, zone, where, [first, other], [1, 1], amount, FirstLook).DeltaE)).OrderBy(one => one.DeltaE).Take(LookedAtCloser)
                .SelectMany(one => TriedRatios.Select(ratio => BestAmount(probe, zone, where, [first, one.Other], [1, ratio], amount, TriedBesides)));
        }).OrderBy(one => one.DeltaE);
        return [.. singles.Take(2).Concat(pairs.Take(2)).Select(one => one.CandidateCoat)];
    }

    /// <summary>After all coats of its kind that are there: where exactly, its colour decides in the end.</summary>
    private ZoneProbe ProbeFor(Zone zone, (Place Place, Sides Sides) where)
    {
        var trial = NewCandidate(where, [colours[0]], [1]);
        var all = Added(trial);
        var at = all.IndexOf(trial);
        List<Coat> coats = [.. all.Select(candidate => candidate.Coat)];
        return simulator.Probe(mix, [.. coats.Take(at).Where(ReadyCoat.IsThere)], [.. coats.Skip(at + 1).Where(ReadyCoat.IsThere)], coats[at], zone);
    }

    /// <param name="unit">That the amounts are shares of.</param>
    private (CandidateCoat CandidateCoat, double DeltaE) BestAmount(
        ZoneProbe probe, Zone zone, (Place Place, Sides Sides) where, IReadOnlyList<Material> of, IReadOnlyList<double> ratio, double unit, double[] tried) => tried.Select(share =>
    {
        var candidate = NewCandidate(where, of, [.. ratio.Zip(of, (part, material) => Math.Min(MostOf(material), share * unit * part / ratio.Sum()))]);
        return (candidate, DeltaE2000.Between(targets[zone].Colour, probe.See(candidate)));
    }).MinBy(one => one.Item2);

    private CandidateCoat NewCandidate((Place Place, Sides Sides) where, IReadOnlyList<Material> of, IReadOnlyList<double> amounts)
    {
        string[] ids = [.. of.Select(one => one.Id)];
        if (spirit is not null)
            return new CandidateCoat(new WashCoat(Guid.Empty, [], spirit.Id, 0, UsualWetMlPerCm2, where.Place, where.Sides), ids, amounts);
        // A dust goes on cut with starch; a paste that is to be paled gets starch or a white dust alone.
        return new CandidateCoat(
            new DustCoat(Guid.Empty, [], 0, where.Place, where.Sides),
            starch is null ? ids : [.. ids, starch.Id],
            starch is null ? amounts : [.. amounts, amounts.Sum()]);
    }

    private double MostOf(Material material) => material is Dust dust && spirit is null ? dust.LoadLimitMgPerCm2 : StrongestWashGPerMl;

    /// <summary>With a coat more, in its place in the order: pale dusts before deep ones.</summary>
    private List<CandidateCoat> Added(CandidateCoat candidate) => order.Sorted([.. candidates, candidate]);

    private List<CandidateCoat> SolveAll(List<CandidateCoat> of) => order.Sorted(Solve(of, candidate => candidate.IsFree, StepsForAll));

    private List<CandidateCoat> Solve(List<CandidateCoat> of, Func<CandidateCoat, bool> isFree, int steps)
    {
        var free = of.Where(isFree).ToList();
        var recent = free.ToDictionary(candidate => candidate, candidate => new RecentCoats(candidate));
        double[] most = [.. free.SelectMany(candidate => candidate.Materials.Select(id => MostOf(materials.Get<Material>(id))))];
        double[] start = [.. free.SelectMany(candidate => candidate.Amounts).Zip(most, Math.Min)];
        if (start.Length == 0)
            return of;
        var amounts = AmountSolver.Solve(start, most, trial => Miss(Filled(trial)), steps);
        return Filled(amounts);

        List<CandidateCoat> Filled(double[] trial)
        {
            var at = 0;
            return [.. of.Select(candidate =>
            {
                if (!isFree(candidate))
                    return candidate;
                var amounts = trial.AsSpan(at, candidate.Materials.Count);
                at += candidate.Materials.Count;
                return recent[candidate].With(amounts);
            })];
        }
    }

    /// <summary>What is missing in every zone, and what speaks against each coat.</summary>
    private double[] Miss(List<CandidateCoat> of)
    {
        var seen = Seen(of);
        var free = of.Where(candidate => candidate.IsFree).ToList();
        var miss = new double[ZoneDistance.Parts * Zones.Length + 2 * free.Count];
        foreach (var zone in Zones)
            distances[(int)zone].Put(seen[(int)zone], miss.AsSpan(ZoneDistance.Parts * (int)zone, ZoneDistance.Parts));
        for (var i = 0; i < free.Count; i++)
        {
            var (over, uncut) = DustFaults(free[i]);
            (miss[ZoneDistance.Parts * Zones.Length + 2 * i], miss[ZoneDistance.Parts * Zones.Length + 2 * i + 1]) = (over, uncut);
        }

        return miss;
    }

    /// <summary>More than holds, and less starch than a dust needs to spread; each 0 where there is nothing to say.</summary>
    private (double Over, double Uncut) DustFaults(CandidateCoat candidate)
    {
        if (spirit is not null || candidate.Total <= 0)
            return (0, 0);
        var limit = candidate.Materials.Zip(candidate.Amounts).Sum(part => part.Second / candidate.Total * materials.Get<Dust>(part.First).LoadLimitMgPerCm2);
        var cut = starch is null ? 1 : candidate.Materials.Zip(candidate.Amounts).Where(part => part.First == starch.Id).Sum(part => part.Second) / candidate.Total;
        return (
            50 * Math.Max(0, candidate.Total - 0.98 * limit) + 8 * Math.Max(0, candidate.Total - HeavyMgPerCm2) + PriceOfAMg * candidate.Total,
            4 * Math.Max(0, LeastStarchShare - cut));
    }

    /// <summary>Leaves out every coat without which all zones come as near.</summary>
    private void PruneCoats()
    {
        candidates = [.. candidates.Where(candidate => !candidate.IsFree || candidate.Total > Nothing)];
        foreach (var candidate in candidates.Where(candidate => candidate.IsFree).OrderBy(candidate => candidate.Total).ToList())
        {
            var worst = Worst(Seen(candidates));
            var cost = Cost(Seen(candidates));
            var without = SolveAll([.. candidates.Where(other => !ReferenceEquals(other, candidate))]);
            var seen = Seen(without);
            if (Worst(seen) <= Math.Max(Difference.ThereBelow, worst) && Cost(seen) < cost + PriceOfACoat && candidates.Contains(candidate))
                candidates = without;
        }
    }

    private double Nothing => spirit is null ? NothingMgPerCm2 : NothingGPerMl;

    private double Worst(Lab[] seen) => Zones.Max(zone => DeltaE(zone, seen));

    /// <summary>Parts in whole numbers and loads in steps that a hand can keep, then each load one step up or down where that is nearer.</summary>
    private void Round()
    {
        var step = spirit is null ? 0.005 : 0.001;
        candidates = [.. candidates.Select(candidate => candidate.IsFree ? BenchRounding.Rounded(candidate, step) : candidate)];
        for (var round = 0; round < 4; round++)
        {
            var moved = false;
            for (var i = 0; i < candidates.Count; i++)
            {
                var candidate = candidates[i];
                foreach (var by in candidate.IsFree ? new[] { step, -step } : [])
                {
                    var total = candidate.Total;
                    if (total + by < step || DustFaults(BenchRounding.Scaled(candidate, total + by)).Over > HeavyMgPerCm2 + 1)
                        continue;
                    List<CandidateCoat> trial = [.. candidates];
                    trial[i] = BenchRounding.Scaled(candidate, total + by);
                    if (Cost(Seen(trial)) < Cost(Seen(candidates)) - 1e-6)
                        (candidates, moved, candidate) = (trial, true, trial[i]);
                }
            }

            if (!moved)
                break;
        }
    }
}
