using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.CoatPlanning;

/// <summary>
/// Looks for few coats over a given paste that bring every zone to its target after all that follows them: coat by coat for the
/// zone that is farthest off, each time every amount solved anew together, and at the end without each coat and each colour that does not
/// earn its keep (<see cref="MakersWeights"/>).
/// </summary>
internal sealed class CoatSearch
{
    private const int MostNewCoats = 7;

    /// <summary>A little inside what counts as reached, for what rounding takes.</summary>
    private const double BeyondDeltaE = CoatPlanner.ReachedDeltaE - 0.6;
    private const double PriceOfBeyond = 16;

    /// <summary>A heavy coat; more is hard to brush on evenly.</summary>
    private static readonly double HeavyMgPerCm2 = DustLoad.Named[^1].MgPerCm2;

    private const double NearlyHeavy = 0.85;

    /// <summary>Colours that are tried with every other.</summary>
    private const int Followed = 3;

    /// <summary>Coats that are solved of all that a first look has found.</summary>
    private const int Solved = 8;

    /// <summary>How often every coat is put to the test again while a zone is not reached.</summary>
    private const int MostExchanges = 3;

    private const int StepsForACoat = 6;
    private const int StepsForAll = 12;
    private const int StepsForRounding = 3;
    private const int MostRounds = 8;

    private const double WhiteFromL = 90;
    private const double WhiteBelowChroma = 8;

    private static readonly Zone[] Zones = Enum.GetValues<Zone>();

    /// <summary>As shares of the most that a colour may be.</summary>
    private static readonly double[] TriedAmounts = [0.03, 0.07, 0.15, 0.3, 0.55, 0.9];
    private static readonly double[] TriedRatios = [0.25, 1, 4];

    /// <summary>Of two together, as shares of the best amount of the first alone.</summary>
    private static readonly double[] TriedBesides = [0.6, 1, 1.7];

    private static readonly double[] FirstLook = [1];
    private const int LookedAtCloser = 6;

    /// <summary>With less starch a dust goes on in blotches.</summary>
    private const double LeastStarchShare = 0.2;

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
    private readonly IReadOnlySet<string> inUse;
    private readonly IReadOnlyDictionary<string, double> doubts;
    private readonly Lab pasteColour;

    /// <summary>First on the paste first.</summary>
    private List<CandidateCoat> candidates;
    private int mostCoats = MostNewCoats;

    /// <param name="kept">Coats that stay as they are, in their order, those of the finish among them.</param>
    /// <param name="colours">Dusts to brush on, or colours to let down as washes.</param>
    /// <param name="spirit">For washes; null for dusts.</param>
    /// <param name="rules">What stands open for the rest of the commission, and how much is known of the jars.</param>
    public CoatSearch(
        IReadOnlyDictionary<Zone, Target> targets, PieceShape shape, Materials materials, PasteSource paste, IEnumerable<Coat> kept,
        IReadOnlyList<Material> colours, Dust? starch, Thinner? spirit, PlannerRules rules, CoatSimulator simulator)
    {
        (this.targets, this.shape, this.materials, this.starch, this.spirit, this.simulator) = (targets, shape, materials, starch, spirit, simulator);
        (inUse, doubts) = (rules.InUse, colours.ToDictionary(colour => colour.Id, rules.DoubtOf));
        (mix, pasteColour) = (paste.Optics, paste.Colour);
        this.colours = [.. colours.Where(colour => colour is not Dust dust || !IsLike(dust, paste))];
        distances = [.. Zones.Select(zone => new ZoneDistance(targets[zone].Colour))];
        order = new CoatOrder(materials);
        candidates = order.Sorted([.. kept.Select(CandidateCoat.Kept)]);
    }

    /// <summary>Dust of the paste's own colour is work that nobody sees.</summary>
    private static bool IsLike(Dust dust, PasteSource paste)
    {
        var covered = KubelkaMunk.Layer(dust.Optics.Absorption, dust.Optics.Scattering, dust.LoadLimitMgPerCm2, KubelkaMunk.Opaque(paste.Optics));
        return DeltaE2000.Between(paste.Colour, Illuminant.D65.LabOf(covered)) < MakersWeights.OwnColourDeltaE;
    }

    /// <summary>A first plan, to see what may become of this paste.</summary>
    /// <returns>What it misses and takes: less is better.</returns>
    public double Sketch(SearchBeat beat, int mostCoats = MostNewCoats)
    {
        this.mostCoats = mostCoats;
        if (colours.Count > 0)
            Grow(beat);
        return Weighed(candidates);
    }

    /// <summary>Whether the sketch brings every zone there.</summary>
    public bool IsReached => DeltaEs(Seen(candidates)).Max() <= CoatPlanner.ReachedDeltaE;

    /// <summary>All coats in order as a hand makes them, worked out from the sketch.</summary>
    /// <param name="newId">For each coat that is new; another one at each call.</param>
    public IReadOnlyList<Coat> Finish(Func<Guid> newId, SearchBeat beat)
    {
        for (var round = 0; round < MostExchanges && !beat.IsLate && candidates.Any(candidate => candidate.IsFree); round++)
        {
            // What is reached is only looked through once.
            if (!Exchange(beat) || round > 0 && IsReached)
                break;
            Grow(beat);
        }

        candidates = Laid(candidates);
        var hands = Rounded(candidates);
        // What has been rounded is what is made, so that is what each coat must earn its keep in.
        while (Spared(hands, beat) is { } fewer)
            (candidates, hands) = fewer;
        return [.. candidates.Select(candidate => hands.TryGetValue(candidate, out var hand) ? hand.Coat with { Id = newId() } : candidate.Coat)];
    }

    /// <summary>Less than this no hand can lay.</summary>
    private List<CandidateCoat> Laid(IEnumerable<CandidateCoat> of) => [.. of.Where(candidate => !candidate.IsFree || candidate.Total > Nothing)];

    /// <summary>Without one coat, or one colour of one, that does not earn its keep: the one that is missed least. Null if each does.</summary>
    private (List<CandidateCoat> Coats, Dictionary<CandidateCoat, HandCoat> Hands)? Spared(Dictionary<CandidateCoat, HandCoat> hands, SearchBeat beat)
    {
        var now = DeltaEs(Seen(ByHand(candidates, hands)));
        foreach (var (fewer, _) in Fewer().Select(fewer => (fewer, Cost: Cost(Seen(fewer)))).OrderBy(one => one.Cost))
        {
            beat.Cancel.ThrowIfCancellationRequested();
            var solved = Laid(order.Sorted(Solve(fewer, candidate => candidate.IsFree, StepsForACoat)));
            // Rounding seldom brings anything nearer: what is clearly missed before it need not be rounded.
            if (MakersWeights.Earns(now, [.. DeltaEs(Seen(solved)).Select(deltaE => deltaE - MakersWeights.WorthInTheMean)]))
                continue;
            var rounded = Rounded(solved);
            if (!MakersWeights.Earns(now, DeltaEs(Seen(ByHand(solved, rounded)))))
                return (solved, rounded);
        }

        return null;
    }

    /// <summary>The coats that there are, less one of them or one colour of one.</summary>
    private IEnumerable<List<CandidateCoat>> Fewer()
    {
        foreach (var candidate in candidates.Where(candidate => candidate.IsFree))
        {
            yield return [.. candidates.Where(other => !ReferenceEquals(other, candidate))];
            var isColour = candidate.Materials.Zip(candidate.Amounts).Select(part => part.First != starch?.Id && part.Second > 0).ToArray();
            for (var i = 0; i < isColour.Length && isColour.Count(one => one) > 1; i++)
            {
                if (isColour[i])
                    yield return [.. candidates.Select(other => ReferenceEquals(other, candidate) ? candidate.Without(i) : other)];
            }
        }
    }

    /// <summary>Coat by coat for the zone that is farthest off, as long as one earns its keep.</summary>
    private void Grow(SearchBeat beat)
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
            if (Better(worst, open, seen) is { } better && SolveAll(better) is var solved && MakersWeights.Earns(DeltaEs(Seen(solved)), DeltaEs(seen)))
                candidates = solved;
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
            var (before, cost) = (candidates, Weighed(candidates));
            candidates = [.. before.Where(other => !ReferenceEquals(other.Template, candidate.Template))];
            var without = SolveAll(candidates);
            var seen = Seen(candidates);
            var better = Better(Zones.MaxBy(zone => DeltaE(zone, seen)), Zones, seen) is { } found && SolveAll(found) is var solved && Weighed(solved) < Weighed(without) ? solved : without;
            if (Weighed(better) < cost - MakersWeights.PotMore / 2)
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

    private double[] DeltaEs(Lab[] seen) => [.. Zones.Select(zone => DeltaE(zone, seen))];

    /// <summary>Squares of what is missing; beyond what still counts as reached it weighs several times.</summary>
    private double Cost(Lab[] seen) => Zones.Sum(zone =>
    {
        var (missing, beyond) = (DeltaE(zone, seen), Math.Max(0, DeltaE(zone, seen) - BeyondDeltaE));
        return missing * missing + PriceOfBeyond * beyond * beyond;
    });

    /// <summary>What is missing, and what each coat is to her who makes it.</summary>
    private double Weighed(List<CandidateCoat> of) => Cost(Seen(of)) + of.Where(candidate => candidate.IsFree).Sum(candidate => PriceOf(candidate, of));

    /// <summary>The coats with the one more that helps most; null if none is worth it.</summary>
    private List<CandidateCoat>? Better(Zone worst, IReadOnlyList<Zone> open, Lab[] seen)
    {
        List<CandidateCoat>? best = null;
        var bestCost = Cost(seen);
        // A first look at all of them as they come, full and half; a closer one at the likeliest.
        var likeliest = Candidates(worst, open)
            .Select(candidate => (Candidate: candidate, Cost: PriceOf(candidate, candidates) + Math.Min(Cost(Seen(Added(candidate))), Cost(Seen(Added(candidate.Times(0.5)))))))
            .OrderBy(one => one.Cost).Take(Solved);
        foreach (var (candidate, _) in likeliest)
        {
            var solved = Solve(Added(candidate), other => ReferenceEquals(other, candidate), StepsForACoat);
            var cost = Cost(Seen(solved)) + PriceOf(candidate, candidates);
            if (cost < bestCost)
                (best, bestCost) = (solved, cost);
        }

        return best;
    }

    private double PriceOf(CandidateCoat candidate, List<CandidateCoat> beside)
    {
        var price = MakersWeights.PotMore;
        foreach (var (id, _) in candidate.Materials.Zip(candidate.Amounts).Where(part => part.First != starch?.Id && part.Second > 0))
        {
            var jar = materials.Get<Material>(id);
            price += MakersWeights.PriceOf(jar, inUse.Contains(id) || beside.Any(other => !ReferenceEquals(other.Template, candidate.Template) && other.Materials.Contains(id)));
            price += MakersWeights.UnreadJar * doubts.GetValueOrDefault(id);
            if (jar is Dust && pasteColour.Chroma > WhiteBelowChroma && order.ColourOf(id) is { L: > WhiteFromL, Chroma: < WhiteBelowChroma })
                price += MakersWeights.WhiteOverColour;
        }

        return price;
    }

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

    /// <summary>Nothing new lies there yet, or one coat that is as heavy as one goes: then a second may go over it.</summary>
    private bool IsFreeAt((Place Place, Sides Sides) where)
    {
        var there = candidates.Where(candidate => candidate.IsFree && candidate.Template is IPlacedCoat coat && coat.Place == where.Place && coat.Sides == where.Sides).ToList();
        return there.Count == 0 || there.Count == 1 && spirit is null && there[0].Total > NearlyHeavy * HeavyMgPerCm2;
    }

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
        ZoneProbe probe, Zone zone, (Place Place, Sides Sides) where, IReadOnlyList<Material> of, IReadOnlyList<double> ratio, double unit, double[] tried)
    {
        var (target, whole) = (targets[zone].Colour, ratio.Sum());
        // Only what is best is made a coat of: a zone is probed with hundreds of mixes.
        var trial = NewCandidate(where, of, new double[of.Count]);
        double[] amounts = [.. trial.Amounts], best = [.. amounts];
        var least = double.PositiveInfinity;
        foreach (var share in tried)
        {
            var sum = 0.0;
            for (var i = 0; i < of.Count; i++)
                sum += amounts[i] = Math.Min(MostOf(of[i]), share * unit * ratio[i] / whole);
            if (amounts.Length > of.Count)
                amounts[^1] = sum;
            if (DeltaE2000.Between(target, probe.See(trial, amounts)) is var deltaE && deltaE < least)
                (least, best, amounts) = (deltaE, amounts, best);
        }

        return (trial.With(best), least);
    }

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
            50 * Math.Max(0, candidate.Total - 0.98 * limit) + 40 * Math.Max(0, candidate.Total - HeavyMgPerCm2) + MakersWeights.MgPerCm2 * candidate.Total,
            4 * Math.Max(0, LeastStarchShare - cut));
    }

    private double Nothing => spirit is null ? NothingMgPerCm2 : NothingGPerMl;

    /// <summary>
    /// Every new coat as a hand makes it: one after the other, all others solved anew each time, then each moved step by step to where all of them
    /// together come nearest.
    /// </summary>
    private Dictionary<CandidateCoat, HandCoat> Rounded(List<CandidateCoat> of)
    {
        var hands = new Dictionary<CandidateCoat, HandCoat>();
        var now = of;
        foreach (var at in Enumerable.Range(0, of.Count).Where(i => of[i].IsFree).OrderByDescending(i => of[i].Total))
        {
            double CostOf(HandCoat other) => Cost(Seen([.. now.Select((one, i) => i == at ? other.Candidate : one)]));
            var hand = hands[of[at]] = HandsOf(now[at].Total > Nothing ? now[at] : of[at]).Select(start => Nearest(start, CostOf)).MinBy(CostOf)!;
            now = [.. now.Select((one, i) => i == at ? hand.Candidate : one)];
            if (hands.Count < of.Count(candidate => candidate.IsFree))
                now = Solve(now, candidate => candidate.IsFree && now.IndexOf(candidate) is var i && !hands.ContainsKey(of[i]), StepsForRounding);
        }

        for (var round = 0; round < MostRounds; round++)
        {
            var was = hands.Values.ToList();
            foreach (var candidate in hands.Keys.ToList())
            {
                hands[candidate] = Nearest(hands[candidate], other =>
                {
                    hands[candidate] = other;
                    return Cost(Seen(ByHand(of, hands)));
                });
            }

            if (was.SequenceEqual(hands.Values))
                break;
        }

        return hands;
    }

    /// <summary>As much colour as was solved, in each load that it fits in.</summary>
    private IEnumerable<HandCoat> HandsOf(CandidateCoat solved) => HandCoat.Of(solved, StarchIn(solved), spirit is null ? 0 : WashStrength.TouchOf(materials.Get<Material>(MainOf(solved))).MassG / WashStrength.SpoonMl)
        .Select(hand => IsLayable(hand.Candidate) ? hand : Layable(hand));

    /// <summary>The best of what is a step away, step by step, until none is better.</summary>
    private HandCoat Nearest(HandCoat from, Func<HandCoat, double> cost)
    {
        var (best, least) = (from, cost(from));
        for (var isBetter = true; isBetter;)
        {
            isBetter = false;
            foreach (var other in best.Neighbours().Where(other => IsLayable(other.Candidate)).ToList())
            {
                if (cost(other) is var now && now < least - 1e-3)
                    (best, least, isBetter) = (other, now, true);
            }
        }

        return best;
    }

    private static List<CandidateCoat> ByHand(List<CandidateCoat> of, Dictionary<CandidateCoat, HandCoat> hands) =>
        [.. of.Select(candidate => hands.TryGetValue(candidate, out var hand) ? hand.Candidate : candidate)];

    private int? StarchIn(CandidateCoat candidate)
    {
        var at = candidate.Materials.ToList().IndexOf(starch?.Id ?? "");
        return at < 0 ? null : at;
    }

    /// <summary>It holds on the face, and has the starch to go on without blotches.</summary>
    private bool IsLayable(CandidateCoat candidate) => DustFaults(candidate) is { Uncut: 0 } && HoldsAll(candidate);

    private bool HoldsAll(CandidateCoat candidate) =>
        spirit is not null || candidate.Total <= candidate.Materials.Zip(candidate.Amounts).Sum(part => part.Second / candidate.Total * materials.Get<Dust>(part.First).LoadLimitMgPerCm2);

    /// <summary>The first steps from there to one that can be laid; as it is if none leads there.</summary>
    private HandCoat Layable(HandCoat hand)
    {
        var near = new List<HandCoat> { hand };
        for (var steps = 0; steps < 4; steps++)
        {
            near = [.. near.SelectMany(one => one.Neighbours()).DistinctBy(one => (one.Step, string.Join(' ', one.Parts)))];
            if (near.Where(one => IsLayable(one.Candidate)).ToList() is { Count: > 0 } layable)
                return layable.MinBy(one => one.Candidate.Amounts.Zip(hand.Candidate.Amounts, (a, b) => Math.Abs(a - b)).Sum())!;
        }

        return hand;
    }
}
