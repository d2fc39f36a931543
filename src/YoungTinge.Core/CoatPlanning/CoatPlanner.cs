using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Advice;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Learning;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.CoatPlanning;

/// <summary>Proposes, for the targets of one piece, its paste and the coats that bring every zone there after steam and glaze.</summary>
public sealed class CoatPlanner
{
    /// <summary>Within this a zone counts as reached by a plan.</summary>
    public const double ReachedDeltaE = 3;

    /// <summary>How often the paste is sought anew so that it is right under what follows.</summary>
    private const int PasteRounds = 3;

    /// <summary>What a square of CIEDE2000 counts that coats can bring, beside one that they cannot.</summary>
    private const double PriceOfDusting = 0.05;

    /// <summary>A paste within so much lightness of the palest counts as white or cream.</summary>
    private const double NearlyWhite = 5;

    /// <summary>Pastes that an approach is tried on.</summary>
    private const int MostPastes = 5;

    /// <summary>Recipes for a paste among which the surest of equals is sought.</summary>
    private const int AmongRecipes = 5;

    /// <summary>Zones that a paste is mixed for.</summary>
    private const int LargestParts = 2;

    /// <summary>Marbled paste is meant to do most of it by itself.</summary>
    private const int MostCoatsOverMarble = 2;

    private const double ShareOfAStep = 0.02;

    /// <summary>In looks at the whole piece, as many as no more than one search in forty takes: about three seconds of one core.</summary>
    private const int UsualPatience = 20_000;

    /// <summary>Of a piece that takes no paste of its own, for a recipe to look like.</summary>
    private const double AnyPasteG = 100;

    private static readonly Zone[] Zones = Enum.GetValues<Zone>();

    private readonly PiecePlan plan;
    private readonly Piece piece;
    private readonly Materials materials;
    private readonly PlannerRules rules;
    private readonly PieceShape shape;
    private readonly PasteQuantity quantity;
    private readonly List<Material> allowed;
    private readonly List<Coat> kept;
    private readonly Dust? starch;
    private readonly Func<Guid> newId;
    private readonly PasteSource? source;
    private readonly StandingPiece? standing;
    private readonly Lazy<IReadOnlyDictionary<Zone, double>> shareOf;

    /// <param name="plan">Its targets, the coats that stay (locked, painted details, pollen), and its paste if that stays.</param>
    /// <param name="parts">Flowers or buds that the pieces are for, at least 1.</param>
    /// <param name="newId">For each coat that is new; another one at each call, from any thread.</param>
    /// <param name="source">What the piece is shaped from if its paste stays; its own recipe by default.</param>
    /// <param name="standing">How the piece stands in its flower; null for a loose one.</param>
    public CoatPlanner(PiecePlan plan, Piece piece, int parts, Materials materials, PlannerRules rules, Func<Guid> newId, PasteSource? source = null, StandingPiece? standing = null)
    {
        (this.plan, this.piece, this.materials, this.rules, this.newId, this.source, this.standing) = (plan, piece, materials, rules, newId, source, standing);
        shape = piece.Shape();
        quantity = PasteQuantity.For(piece, Math.Max(1, parts));
        allowed = [.. materials.All.Where(rules.Allows)];
        starch = allowed.OfType<Dust>().FirstOrDefault(dust => dust.Kind == DustKind.Extender);
        kept = [.. plan.Coats.Where(coat => coat.IsFixed())];
        // Steam, lustre or glaze that is locked is that part of the finish; the rest follows from what the zones should look like.
        var settled = kept.Select(coat => coat.StageIn(materials)).ToHashSet();
        kept.AddRange(FinishCoats.For(plan.Targets, allowed, materials, newId).Where(coat => !settled.Contains(coat.StageIn(materials))));
        shareOf = new(() => PieceParts.Of(shape));
    }

    /// <param name="keepsPaste">The paste stays too: it is mixed already, or belongs to a run of shades.</param>
    /// <param name="progress">Is told the share done, 0 to 1, from the first step on.</param>
    /// <param name="patience">How much of a search is worth waiting for. It is counted in looks: the same question has the same answer however busy the machine is.</param>
    /// <returns>Null where there is no such way: no paste, nothing to wash with, or nothing of what its name says is left of it in the end.</returns>
    public Proposal? Propose(Approach approach, bool keepsPaste, CancellationToken cancel = default, Action<double>? progress = null, int patience = UsualPatience)
    {
        // What is bought is the colour that it is.
        keepsPaste |= piece.Body.Kind == BodyKind.Bought;
        var steps = 0;
        // How many steps there will be is not known; each one takes a like part of what may be left.
        var simulator = new CoatSimulator(shape, materials, standing);
        var beat = new SearchBeat(cancel, () => progress?.Invoke(1 - Math.Pow(1 - ShareOfAStep, ++steps)), simulator, patience);
        var proposal = approach switch
        {
            Approach.PasteLed => Nearest(approach, keepsPaste ? [plan.Paste] : NearPastes(simulator, beat), paste => Dusted(paste, simulator), beat),
            Approach.DustLed => Nearest(approach, keepsPaste ? [plan.Paste] : PlainPastes(), paste => Dusted(paste, simulator), beat),
            Approach.WashLed => Nearest(approach, keepsPaste ? [plan.Paste] : PlainPastes(), paste => Washed(paste, simulator), beat),
            _ => keepsPaste ? null : Marbled(simulator, beat),
        };
        return proposal is not null && IsTrue(proposal) ? AsItStands(proposal, beat) ?? proposal : null;
    }

    /// <summary>
    /// The colour that stands, under the finish that its targets ask for, where nothing else comes clearly nearer: a target that has moved by a little is no
    /// reason to open other jars. Null where it is no such way or nothing is laid yet, something in it does next to nothing, or the bench has more to say against it.
    /// </summary>
    private Proposal? AsItStands(Proposal other, SearchBeat beat)
    {
        List<Coat> colour = [.. plan.Coats.Where(coat => !coat.IsFixed() && IsColour(coat))];
        if (colour.Count == 0 || other.Approach == Approach.Marbled || source is not (null or OwnPaste) || !PlanAdvisor.MaterialsOf(plan with { Coats = colour }).All(id => allowed.Any(one => one.Id == id)))
            return null;
        PiecePlan With(IEnumerable<Coat> of) =>
            plan with { Coats = WithoutIdleSteam([.. new CoatOrder(materials).Sorted([.. kept.Concat(of).Select(CandidateCoat.Kept)]).Select(one => one.Coat)]) };
        double[] Off(IEnumerable<Coat> of) => [.. Reached(Resolved(With(of))).Select(zone => zone.Difference.DeltaE)];
        var off = Off(colour);
        if (colour.Any(coat => MakersWeights.IsIdle(off, Off(colour.Where(one => one != coat))))
            || MakersWeights.Misses(other.DeltaEs(), off) || ScoldedFor(With(colour)).Except(ScoldedFor(other.Plan)).Any())
            return null;
        var proposal = Finished(other.Approach, plan.Paste, With(colour).Coats, [], beat);
        return IsTrue(proposal) ? proposal with { Stands = AreAlike(proposal.Plan.Coats, plan.Coats) } : null;
    }

    /// <summary>The same coats; steam and glaze are made anew each time, so they are told by what they do.</summary>
    private static bool AreAlike(IReadOnlyList<Coat> some, IReadOnlyList<Coat> others) =>
        some.Count == others.Count && some.Zip(others).All(pair => pair.First.Id == pair.Second.Id || pair.First is SteamCoat or GlazeCoat && pair.First with { Id = pair.Second.Id } == pair.Second);

    private double BatchG => quantity.BatchG > 0 ? quantity.BatchG : AnyPasteG;

    private IEnumerable<AdviceCode> ScoldedFor(PiecePlan of) =>
        PlanAdvisor.For(Resolved(of), DosedRecipe.For(of.Paste, BatchG, materials)).Select(advice => advice.Code);

    /// <summary>Whether a coat is one that a search lays, not one of the finish.</summary>
    private bool IsColour(Coat coat) => coat is WashCoat || coat is DustCoat dust && dust.Mix.All(part => materials.Find(part.MaterialId) is Dust { Kind: not DustKind.Lustre });

    /// <summary>The same on one paste, whatever is nearer: one that is mixed for other pieces too.</summary>
    /// <returns>Null where nothing of the approach's name is left of it.</returns>
    internal Proposal? ProposeOn(PasteRecipe paste, Approach approach, CancellationToken cancel)
    {
        var simulator = new CoatSimulator(shape, materials, standing);
        var beat = new SearchBeat(cancel, null, simulator, UsualPatience);
        var proposal = Nearest(approach, [paste], one => approach == Approach.WashLed ? Washed(one, simulator) : Dusted(one, simulator), beat);
        return proposal is not null && IsTrue(proposal) ? proposal : null;
    }

    /// <summary>
    /// Whether a way is what its name says: dust over paste as it comes is not led by its paste, coloured paste not by its dust, and without a wash
    /// nothing is washed. Paste by itself is led by it.
    /// </summary>
    private bool IsTrue(Proposal proposal)
    {
        var news = proposal.Plan.Coats.Where(coat => !kept.Any(other => other.Id == coat.Id)).ToList();
        return proposal.Approach switch
        {
            Approach.PasteLed => proposal.Plan.Paste.Doses.Count > 0 || news.Count == 0,
            Approach.DustLed => proposal.Plan.Paste.Doses.Count == 0 && news.OfType<DustCoat>().Any(),
            Approach.WashLed => news.OfType<WashCoat>().Any(),
            _ => true,
        };
    }

    /// <summary>On the paste of which a sketch promises most: the likeliest, or one of the next where that does not reach every zone.</summary>
    private Proposal? Nearest(Approach approach, IEnumerable<PasteRecipe> likeliestFirst, Func<PasteRecipe, CoatSearch?> searchOver, SearchBeat beat)
    {
        (PasteRecipe Paste, CoatSearch Search, double Cost)? best = null;
        foreach (var paste in likeliestFirst.Take(MostPastes))
        {
            if (searchOver(paste) is { } search && search.Sketch(beat) is var cost && !(cost >= best?.Cost))
                best = (paste, search, cost);
            if (best?.Search.IsReached == true || beat.IsLate)
                break;
        }

        return best is { } one ? Finished(approach, one.Paste, one.Search.Finish(newId, beat), [], beat) : null;
    }

    /// <summary>The paste that stays is what it is, not only what its recipe says.</summary>
    private PasteSource SourceOf(PasteRecipe paste) => source is not null && ReferenceEquals(paste, plan.Paste) ? source : new OwnPaste(paste, materials);

    private CoatSearch Dusted(PasteRecipe paste, CoatSimulator simulator) => Search(SourceOf(paste), kept, MatteDusts(allowed), simulator);

    private CoatSearch? Washed(PasteRecipe paste, CoatSimulator simulator)
    {
        // The strongest spirit: it soaks in least and is gone soonest.
        List<Material> colours = [.. allowed.OfType<Colourant>()];
        return colours.Count > 0 && allowed.OfType<Thinner>().MinBy(thinner => thinner.WashDepthMm) is { } spirit
            ? Search(SourceOf(paste), WithoutIdleSteam(kept), colours, simulator, spirit)
            : null;
    }

    private CoatSearch Search(PasteSource paste, IEnumerable<Coat> with, IReadOnlyList<Material> colours, CoatSimulator simulator, Thinner? spirit = null) =>
        new(plan.Targets, shape, materials, paste, with, colours, spirit is null ? starch : null, spirit, rules, simulator);

    /// <summary>Steam sets dust; where none lies it only softens. What is locked stays.</summary>
    private static IReadOnlyList<Coat> WithoutIdleSteam(IReadOnlyList<Coat> coats) =>
        [.. coats.Where((coat, i) => coat is not SteamCoat || coat.IsFixed() || coats.Take(i).Any(other => other is DustCoat))];

    private Proposal? Marbled(CoatSimulator simulator, SearchBeat beat)
    {
        var face = Zones.Where(zone => zone != Zone.Back).OrderBy(zone => plan.Targets[zone].Colour.L).ToList();
        var (deep, pale) = (face[0], face[^1]);
        if (RecipeFor(plan.Targets[pale].Colour, simulator, null, beat) is not { } paleRecipe || RecipeFor(plan.Targets[deep].Colour, simulator, paleRecipe.BaseId, beat) is not { } deepRecipe)
            return null;
        if (DeltaE2000.Between(PasteOptics.ColourOf(paleRecipe, materials), PasteOptics.ColourOf(deepRecipe, materials)) < MakersWeights.StreaksFromDeltaE)
            return null;
        // Streaks average out over a zone: the share that suits all zones best.
        var (share, mean) = Enumerable.Range(1, 9).Select(tenth => tenth / 10.0)
            .Select(of => (of, PasteRecipe.Kneaded([(deepRecipe, of), (paleRecipe, 1 - of)])))
            .MinBy(one => Cost(one.Item2));
        var search = Dusted(mean, simulator);
        search.Sketch(beat, MostCoatsOverMarble);
        return Finished(Approach.Marbled, mean, search.Finish(newId, beat), [new MarblePart(deepRecipe, share), new MarblePart(paleRecipe, 1 - share)], beat);
    }

    /// <summary>
    /// Pastes, the one that leaves least to dust first: right by itself for one of the largest parts, or as bright in every band as the
    /// brightest zone there, so that coats only have to take away. Only when none of these does, one for a smaller part, never for the foot.
    /// </summary>
    private IEnumerable<PasteRecipe> NearPastes(CoatSimulator simulator, SearchBeat beat)
    {
        List<Zone> bySize = [.. Zones.Where(zone => zone != Zone.Base).OrderByDescending(zone => shareOf.Value[zone])];
        PasteRecipe? For(Lab colour) => RecipeFor(colour, simulator, null, beat);
        var large = bySize.Take(LargestParts).Select(zone => plan.Targets[zone].Colour).Append(Brightest()).Select(For).OfType<PasteRecipe>().OrderBy(Cost);
        return large.Concat(bySize.Skip(LargestParts).Select(zone => For(plan.Targets[zone].Colour)).OfType<PasteRecipe>());
    }

    private Lab Brightest()
    {
        var wanted = Zones.Select(zone => ReflectanceFromColour.Convert(plan.Targets[zone].Colour)).ToList();
        return Illuminant.D65.LabOf(Spectrum.From(band => wanted.Max(one => one[band])));
    }

    /// <summary>White or cream as it comes, the nearer first.</summary>
    private IEnumerable<PasteRecipe> PlainPastes()
    {
        var plain = allowed.OfType<PasteBase>().Select(paste => new PasteRecipe(paste.Id, []))
            .Select(recipe => (Recipe: recipe, PasteOptics.ColourOf(recipe, materials).L)).ToList();
        return plain.Where(one => one.L >= plain.Max(other => other.L) - NearlyWhite).Select(one => one.Recipe).OrderBy(Cost);
    }

    /// <summary>
    /// What is left to do over a paste under the finish. Most counts what coats cannot do: they take light away in some bands, and
    /// give hardly any back. What they can do counts by how much of the piece it is on.
    /// </summary>
    private double Cost(PasteRecipe recipe)
    {
        var paste = PasteOptics.Reflectance(recipe, materials);
        return Zones.Sum(zone =>
        {
            var target = plan.Targets[zone].Colour;
            var wanted = ReflectanceFromColour.Convert(target);
            var missing = DeltaE2000.Between(target, Illuminant.D65.LabOf(Spectrum.From(band => Math.Min(wanted[band], paste[band]))));
            var different = DeltaE2000.Between(target, Illuminant.D65.LabOf(paste));
            return missing * missing + PriceOfDusting * Zones.Length * shareOf.Value[zone] * different * different;
        });
    }

    /// <summary>The paste that is right under the finish: sought for the target, then for the target less what the finish added.</summary>
    private PasteRecipe? RecipeFor(Lab target, CoatSimulator simulator, string? baseId, SearchBeat beat)
    {
        string[] bases = baseId is null ? [.. allowed.OfType<PasteBase>().Select(paste => paste.Id)] : [baseId];
        if (bases.Length == 0)
            return null;
        var aim = target;
        PasteRecipe? best = null;
        var bestDeltaE = double.PositiveInfinity;
        List<Coat> finish = [.. kept.Where(coat => coat is SteamCoat or GlazeCoat)];
        for (var round = 0; round < (finish.Any(coat => coat is GlazeCoat) ? PasteRounds : 1); round++)
        {
            if (FewestColours(bases, aim, beat) is not { } recipe)
                return new PasteRecipe(bases[0], []);
            var seen = simulator.See(PasteOptics.Mix(recipe, materials), finish, Zone.Heart)[0];
            var deltaE = DeltaE2000.Between(target, seen);
            if (deltaE < bestDeltaE)
                (best, bestDeltaE) = (recipe, deltaE);
            aim = ObjectColourSolid.Nearest(new Lab(aim.L + target.L - seen.L, aim.A + target.A - seen.A, aim.B + target.B - seen.B));
        }

        return best;
    }

    /// <summary>As many colours as earn their keep, in the units that a hand counts.</summary>
    /// <returns>Null if no colour may be used.</returns>
    private PasteRecipe? FewestColours(string[] bases, Lab aim, SearchBeat beat)
    {
        (PasteRecipe Recipe, double DeltaE)? best = null;
        for (var most = 1; most <= RecipeSearch.UsualMostColourants; most++)
        {
            var search = new RecipeSearch(bases, aim, BatchG)
            {
                MostColourants = most,
                Wanted = rules.Learned is null ? 1 : AmongRecipes,
                EdibleOnly = rules.Guests.EatIt,
                Diets = rules.Guests.Diets,
                WithinStock = rules.WithinStock,
                LeaveOut = [.. materials.All.OfType<Colourant>().Where(colour => rules.Only?.Contains(colour.Id) == false).Select(colour => colour.Id)],
            };
            if (!allowed.OfType<Colourant>().Any(colourant => search.LimitOf(colourant) > 0))
                return null;
            var all = RecipeFinder.Find(materials, search, _ => beat.Step(), beat.Cancel);
            var found = rules.Learned is { } jars ? SurestOfEquals.First(all, one => one.Difference.DeltaE, one => jars.Predict(one.Recipe, materials).Range).First() : all[0];
            if (best is not { } known || MakersWeights.Earns([found.Difference.DeltaE], [known.DeltaE]))
                best = (found.Recipe, found.Difference.DeltaE);
            if (best.Value.DeltaE < Difference.ThereBelow)
                break;
        }

        var dosed = DosedRecipe.For(best!.Value.Recipe, BatchG, materials);
        return best.Value.Recipe with { Doses = [.. dosed.Colours.Select(colour => new Dose(colour.ColourantId, Math.Round(colour.MeasuredG * 100 / BatchG, 4))).Where(dose => dose.GPer100g > 0)] };
    }

    private static List<Material> MatteDusts(IEnumerable<Material> of) => [.. of.OfType<Dust>().Where(dust => dust.Kind == DustKind.Matte)];

    private Proposal Finished(Approach approach, PasteRecipe paste, IReadOnlyList<Coat> coats, IReadOnlyList<MarblePart> marble, SearchBeat beat)
    {
        var rounded = ReferenceEquals(paste, plan.Paste) ? paste : paste with { Doses = [.. paste.Doses.Select(dose => dose with { GPer100g = Math.Round(dose.GPer100g, 4) }).Where(dose => dose.GPer100g > 0)] };
        coats = WithoutIdleSteam(coats);
        // The old paste's ground no longer fits another paste; nor do words kept on purpose about coats that are gone.
        var proposed = plan with
        {
            Paste = rounded,
            PasteTarget = PasteOptics.ColourOf(rounded, materials),
            Coats = coats,
            OnPurpose = [.. plan.OnPurpose.Where(note => note.CoatId is null || coats.Any(coat => coat.Id == note.CoatId))],
        };
        return Judged(approach, proposed, marble, beat);
    }

    /// <summary>What becomes of a plan, as it stands.</summary>
    internal Proposal Judged(Approach approach, PiecePlan proposed, IReadOnlyList<MarblePart> marble, SearchBeat beat)
    {
        var resolved = Resolved(proposed);
        var zones = Reached(resolved);
        var used = PlanAdvisor.MaterialsOf(proposed).Select(materials.Get<Material>).ToList();
        var (risk, riskId) = PlanRisk.Of(resolved, shape, quantity.BatchG > 0 ? quantity.BatchG : double.PositiveInfinity);
        return new Proposal(
            approach, proposed, zones, used.Count, BenchMinutes.For(resolved, shape, quantity.Pieces), risk, riskId,
            used.Max(material => material.Label.FoodStatus), [.. zones.Where(zone => zone.Difference.DeltaE > ReachedDeltaE).Select(zone => HelpFor(approach, zone, proposed.Paste, proposed.Coats, beat))], marble);
    }

    /// <summary>How far a plan of this piece brings every zone.</summary>
    internal ZoneReached[] Reached(ResolvedPlan of)
    {
        var eye = new ZoneColourEvaluator(of, shape);
        return [.. Zones.Select(zone =>
        {
            var finished = eye.SeeGround(zone);
            return new ZoneReached(zone, finished, Difference.Of(finished, plan.Targets[zone].Colour));
        })];
    }

    /// <summary>A plan of this piece with all that it names looked up.</summary>
    internal ResolvedPlan Resolved(PiecePlan of) => new(of, materials, SourceOf(of.Paste)) { Standing = standing };

    /// <summary>To look at trials of this piece.</summary>
    internal CoatSimulator Simulator() => new(shape, materials, standing);

    /// <summary>What would bring a missed zone nearer, the least upheaval first.</summary>
    private ZoneHelp HelpFor(Approach approach, ZoneReached missed, PasteRecipe paste, IReadOnlyList<Coat> coats, SearchBeat beat)
    {
        beat.Next();
        var simulator = new CoatSimulator(shape, materials, standing);
        var everything = MatteDusts(materials.All.Where((rules with { WithinStock = false }).Allows));
        (double DeltaE, string? MaterialId) Alone(IEnumerable<Coat> with, List<Material> dusts) =>
            Search(SourceOf(paste), with, dusts, simulator).Alone(missed.Zone);

        var inStock = Alone(coats, MatteDusts(allowed));
        if (approach == Approach.WashLed && inStock.DeltaE < missed.Difference.DeltaE)
        {
            var washed = allowed.OfType<Thinner>().MinBy(thinner => thinner.WashDepthMm) is { } spirit
                ? Search(SourceOf(paste), coats, [.. allowed.OfType<Colourant>()], simulator, spirit).Alone(missed.Zone).DeltaE
                : double.PositiveInfinity;
            return washed <= ReachedDeltaE ? new ZoneHelp(missed.Zone, Help.Neighbours, null, washed) : new ZoneHelp(missed.Zone, Help.NotByWashes, null, inStock.DeltaE);
        }

        if (inStock.DeltaE <= ReachedDeltaE)
            return new ZoneHelp(missed.Zone, Help.Neighbours, null, inStock.DeltaE);
        if (everything.Count > allowed.Count(one => one is Dust { Kind: DustKind.Matte }) && Alone(coats, everything) is { DeltaE: <= ReachedDeltaE, MaterialId: { } restocked } more
            && !allowed.Any(one => one.Id == restocked))
            return new ZoneHelp(missed.Zone, Help.Restock, restocked, more.DeltaE);
        if (coats.OfType<GlazeCoat>().FirstOrDefault() is { } glaze && Alone(coats.Where(coat => coat is not GlazeCoat), MatteDusts(allowed)) is { DeltaE: <= ReachedDeltaE } matt)
            return new ZoneHelp(missed.Zone, Help.NoGlaze, glaze.GlazeId, matt.DeltaE);
        return coats.Any(coat => coat.IsFixed()) && Alone(coats.Where(coat => !coat.IsFixed()), MatteDusts(allowed)) is { DeltaE: <= ReachedDeltaE } unlocked
            ? new ZoneHelp(missed.Zone, Help.Unlock, null, unlocked.DeltaE)
            : new ZoneHelp(missed.Zone, Help.OtherTarget, null, Math.Min(missed.Difference.DeltaE, inStock.DeltaE));
    }
}
