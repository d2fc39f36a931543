using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Advice;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
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
    private const int MostPastes = 3;

    /// <summary>Marbled paste is meant to do most of it by itself.</summary>
    private const int MostCoatsOverMarble = 2;

    private const double ShareOfAStep = 0.02;

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
    }

    /// <param name="keepsPaste">The paste stays too: it is mixed already, or belongs to a run of shades.</param>
    /// <param name="progress">Is told the share done, 0 to 1, from the first step on.</param>
    /// <param name="spent">
    /// Share of the time that whoever asks will wait, 1 when it is over: then what is whole is not bettered any more. The core has no clock; without it the
    /// same question has the same answer, however long it takes.
    /// </param>
    /// <returns>Null where the approach cannot be: no paste, nothing to wash with.</returns>
    public Proposal? Propose(Approach approach, bool keepsPaste, CancellationToken cancel = default, Action<double>? progress = null, Func<double>? spent = null)
    {
        var steps = 0;
        // How many steps there will be is not known; each one takes a like part of what may be left.
        var beat = new SearchBeat(cancel, () => progress?.Invoke(1 - Math.Pow(1 - ShareOfAStep, ++steps)), spent);

        var simulator = new CoatSimulator(shape, materials, standing);
        switch (approach)
        {
            case Approach.PasteLed:
                return Nearest(keepsPaste ? [plan.Paste] : NearPastes(simulator, beat), paste => Dusted(approach, paste, simulator, beat), beat);
            case Approach.DustLed:
                return Nearest(keepsPaste ? [] : PlainPastes(), paste => Dusted(approach, paste, simulator, beat), beat);
            case Approach.WashLed:
                return Nearest(keepsPaste ? [plan.Paste] : PlainPastes(), paste => Washed(paste, simulator, beat), beat);
            default:
                return keepsPaste ? null : Marbled(simulator, beat);
        }
    }

    /// <summary>On the likeliest paste; on the next ones only while a zone is not reached.</summary>
    private static Proposal? Nearest(IEnumerable<PasteRecipe> likeliestFirst, Func<PasteRecipe, Proposal?> proposal, SearchBeat beat)
    {
        Proposal? best = null;
        foreach (var paste in likeliestFirst.Take(MostPastes))
        {
            if (proposal(paste) is { } found && (best is null || found.WorstDeltaE < best.WorstDeltaE))
                best = found;
            if (best?.WorstDeltaE <= ReachedDeltaE || beat.IsLate)
                break;
        }

        return best;
    }

    /// <summary>The paste that stays is what it is, not only what its recipe says.</summary>
    private PasteSource SourceOf(PasteRecipe paste) => source is not null && ReferenceEquals(paste, plan.Paste) ? source : new OwnPaste(paste, materials);

    private Proposal Dusted(Approach approach, PasteRecipe paste, CoatSimulator simulator, SearchBeat beat)
    {
        var coats = new CoatSearch(plan.Targets, shape, materials, SourceOf(paste), kept, MatteDusts(allowed), starch, null, simulator).Run(newId, beat: beat);
        return Finished(approach, paste, coats, [], beat);
    }

    private Proposal? Washed(PasteRecipe paste, CoatSimulator simulator, SearchBeat beat)
    {
        // The strongest spirit: it soaks in least and is gone soonest.
        if (allowed.OfType<Thinner>().MinBy(thinner => thinner.WashDepthMm) is not { } spirit)
            return null;
        List<Material> colours = [.. allowed.OfType<Colourant>()];
        if (colours.Count == 0)
            return null;
        var coats = new CoatSearch(plan.Targets, shape, materials, SourceOf(paste), kept, colours, null, spirit, simulator).Run(newId, beat: beat);
        return Finished(Approach.WashLed, paste, coats, [], beat);
    }

    private Proposal? Marbled(CoatSimulator simulator, SearchBeat beat)
    {
        var face = Zones.Where(zone => zone != Zone.Back).OrderBy(zone => plan.Targets[zone].Colour.L).ToList();
        var (deep, pale) = (face[0], face[^1]);
        if (RecipeFor(plan.Targets[pale].Colour, simulator, null, beat) is not { } paleRecipe || RecipeFor(plan.Targets[deep].Colour, simulator, paleRecipe.BaseId, beat) is not { } deepRecipe)
            return null;
        // Streaks average out over a zone: the share that suits all zones best.
        var (share, mean) = Enumerable.Range(1, 9).Select(tenth => tenth / 10.0)
            .Select(of => (of, PasteRecipe.Kneaded([(deepRecipe, of), (paleRecipe, 1 - of)])))
            .MinBy(one => Cost(one.Item2));
        var coats = new CoatSearch(plan.Targets, shape, materials, SourceOf(mean), kept, MatteDusts(allowed), starch, null, simulator).Run(newId, MostCoatsOverMarble, beat);
        return Finished(Approach.Marbled, mean, coats, [new MarblePart(deepRecipe, share), new MarblePart(paleRecipe, 1 - share)], beat);
    }

    /// <summary>
    /// Pastes, the one that leaves least to dust first: right by itself for one of the zones, or as bright in every band as the brightest zone
    /// there, so that coats only have to take away.
    /// </summary>
    private List<PasteRecipe> NearPastes(CoatSimulator simulator, SearchBeat beat) => [.. Zones.Select(zone => plan.Targets[zone].Colour).Append(Brightest())
        .Select(colour => RecipeFor(colour, simulator, null, beat)).OfType<PasteRecipe>().OrderBy(Cost)];

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
    /// give hardly any back.
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
            return missing * missing + PriceOfDusting * different * different;
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
            var search = new RecipeSearch(bases, aim, quantity.BatchG)
            {
                Wanted = 1,
                EdibleOnly = rules.Guests.EatIt,
                Diets = rules.Guests.Diets,
                WithinStock = rules.WithinStock,
            };
            if (!allowed.OfType<Colourant>().Any(colourant => search.LimitOf(colourant) > 0))
                return new PasteRecipe(bases[0], []);
            var recipe = RecipeFinder.Find(materials, search, _ => beat.Step(), beat.Cancel)[0].Recipe;
            var seen = simulator.See(PasteOptics.Mix(recipe, materials), finish, Zone.Heart)[0];
            var deltaE = DeltaE2000.Between(target, seen);
            if (deltaE < bestDeltaE)
                (best, bestDeltaE) = (recipe, deltaE);
            aim = ObjectColourSolid.Nearest(new Lab(aim.L + target.L - seen.L, aim.A + target.A - seen.A, aim.B + target.B - seen.B));
        }

        return best;
    }

    private static List<Material> MatteDusts(IEnumerable<Material> of) => [.. of.OfType<Dust>().Where(dust => dust.Kind == DustKind.Matte)];

    private Proposal Finished(Approach approach, PasteRecipe paste, IReadOnlyList<Coat> coats, IReadOnlyList<MarblePart> marble, SearchBeat beat)
    {
        var rounded = paste with { Doses = [.. paste.Doses.Select(dose => dose with { GPer100g = Math.Round(dose.GPer100g, 4) }).Where(dose => dose.GPer100g > 0)] };
        // The old paste's ground no longer fits another paste; nor do words kept on purpose about coats that are gone.
        var proposed = plan with
        {
            Paste = rounded,
            PasteTarget = PasteOptics.ColourOf(rounded, materials),
            Coats = coats,
            OnPurpose = [.. plan.OnPurpose.Where(note => note.CoatId is null || coats.Any(coat => coat.Id == note.CoatId))],
        };
        var resolved = new ResolvedPlan(proposed, materials, SourceOf(paste)) { Standing = standing };
        var eye = new ZoneColourEvaluator(resolved, shape);
        ZoneReached[] zones = [.. Zones.Select(zone =>
        {
            var finished = eye.SeeGround(zone);
            return new ZoneReached(zone, finished, Difference.Of(finished, plan.Targets[zone].Colour));
        })];
        var used = PlanAdvisor.MaterialsOf(proposed).Select(materials.Get<Material>).ToList();
        var (risk, riskId) = PlanRisk.Of(resolved, shape, quantity.BatchG);
        return new Proposal(
            approach, proposed, zones, used.Count, BenchMinutes.For(resolved, shape, quantity.Pieces), risk, riskId,
            used.Max(material => material.Label.FoodStatus), [.. zones.Where(zone => zone.Difference.DeltaE > ReachedDeltaE).Select(zone => HelpFor(approach, zone, paste, coats, beat))], marble);
    }

    /// <summary>What would bring a missed zone nearer, the least upheaval first.</summary>
    private ZoneHelp HelpFor(Approach approach, ZoneReached missed, PasteRecipe paste, IReadOnlyList<Coat> coats, SearchBeat beat)
    {
        beat.Next();
        var simulator = new CoatSimulator(shape, materials, standing);
        var everything = MatteDusts(materials.All.Where((rules with { WithinStock = false }).Allows));
        (double DeltaE, string? MaterialId) Alone(IEnumerable<Coat> with, List<Material> dusts) =>
            new CoatSearch(plan.Targets, shape, materials, SourceOf(paste), with, dusts, starch, null, simulator).Alone(missed.Zone);

        var inStock = Alone(coats, MatteDusts(allowed));
        if (approach == Approach.WashLed && inStock.DeltaE < missed.Difference.DeltaE)
        {
            var washed = allowed.OfType<Thinner>().MinBy(thinner => thinner.WashDepthMm) is { } spirit
                ? new CoatSearch(plan.Targets, shape, materials, SourceOf(paste), coats, [.. allowed.OfType<Colourant>()], null, spirit, simulator).Alone(missed.Zone).DeltaE
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
