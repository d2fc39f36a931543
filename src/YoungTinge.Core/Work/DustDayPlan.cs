using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.Work;

/// <summary>One coat on all pieces of one kind, within a pass.</summary>
/// <param name="IsOutOfReach">The flower is assembled, and the brush hardly comes to where this coat goes.</param>
public sealed record PassUse(Guid PieceId, Guid CoatId, int Pieces, double Minutes, bool IsOutOfReach);

/// <summary>Whether coats go on before flowers are assembled or after.</summary>
public enum Dusting
{
    /// <summary>What a plan says is for after assembly comes after it, all else before.</summary>
    AsPlanned,
    BeforeAssembly,
    AfterAssembly,
}

/// <summary>One mix on everything that gets it now.</summary>
/// <param name="Family">Of the brush that it takes; null for what takes none.</param>
/// <param name="NewBrush">A clean brush: the one before was in another family.</param>
/// <param name="Amounts">Of each material for all pieces of the pass, what a brush loses counted in.</param>
/// <param name="Ml">Of glaze or thinner; null for the rest.</param>
/// <param name="AfterAssembly">On the flowers as they stand.</param>
/// <param name="WaitMinutes">Until these pieces may be touched again; 0 for none.</param>
public sealed record CoatPass(
    PassKind Kind, BrushFamily? Family, bool NewBrush, IReadOnlyList<MaterialAmount> Amounts, string? ThinnerOrGlazeId, double? Ml, bool AfterAssembly,
    IReadOnlyList<PassUse> Uses, double WaitMinutes)
{
    public double Minutes => Uses.Sum(use => use.Minutes);
}

/// <summary>
/// A commission's coats as a day's work: all pieces with the first colour, then all with the next, each piece in the order of its own
/// plan, and a brush changed as seldom as the plans allow.
/// </summary>
public sealed record DustDayPlan(IReadOnlyList<CoatPass> Passes)
{
    /// <summary>How often a clean brush is taken up.</summary>
    public int BrushChanges => Passes.Count(pass => pass.NewBrush);

    public double Minutes => Passes.Sum(pass => pass.Minutes);

    /// <param name="dusting">As each plan says by default.</param>
    public static DustDayPlan Of(IReadOnlyList<PlannedWork> works, Materials materials, Dusting dusting = Dusting.AsPlanned)
    {
        var chains = works.Select(work => new Chain(work, [.. work.Plan.Coats.Select(coat => coat.Resolve(materials)).Select(coat => new DayTask(coat, coat.Pass))])).ToList();
        // Flowers are assembled once: what comes after waits for all that comes before.
        var splits = chains.ConvertAll(chain => AssembledAt(chain, dusting));
        var before = PassesOf([.. chains.Zip(splits, (chain, at) => chain with { Tasks = chain.Tasks[..at] })], isAssembled: false, null);
        var inHand = before.LastOrDefault(pass => pass.Family is not null)?.Family;
        return new DustDayPlan([.. before, .. PassesOf([.. chains.Zip(splits, (chain, at) => chain with { Tasks = chain.Tasks[at..] })], isAssembled: true, inHand)]);
    }

    /// <param name="Tasks">Coats of one kind of piece, in their order.</param>
    private sealed record Chain(PlannedWork Work, List<DayTask> Tasks);

    /// <summary>How many coats come before the flowers are assembled.</summary>
    private static int AssembledAt(Chain chain, Dusting dusting) => dusting switch
    {
        Dusting.BeforeAssembly => chain.Tasks.Count,
        Dusting.AfterAssembly => 0,
        _ => chain.Tasks.FindIndex(task => task.Coat.Stage == CoatStage.Assembled) is var at and >= 0 ? at : chain.Tasks.Count,
    };

    private static List<CoatPass> PassesOf(List<Chain> chains, bool isAssembled, BrushFamily? inHand)
    {
        var order = BrushOrder.For([.. chains.Select(chain => (IReadOnlyList<string>)[.. chain.Tasks.Select(task => task.Pass.Station)])]);
        var next = new int[chains.Count];
        var passes = new List<CoatPass>();
        foreach (var station in order)
        {
            // One station at a time, until nothing more can be done at it; within it mix by mix, the palest first.
            while (true)
            {
                var ready = chains.Select((chain, i) => (Chain: i, Task: next[i] < chain.Tasks.Count ? chain.Tasks[next[i]] : null))
                    .Where(one => one.Task?.Pass.Station == station).ToList();
                if (ready.Count == 0)
                    break;
                var first = ready.OrderByDescending(one => one.Task!.Pass.Lightness).ThenBy(one => one.Task!.Pass.MixKey, StringComparer.Ordinal).First().Task!;
                var now = ready.Where(one => one.Task!.Pass.MixKey == first.Pass.MixKey).ToList();
                passes.Add(Pass(first, [.. now.Select(one => (chains[one.Chain].Work, one.Task!))], isAssembled, inHand));
                inHand = first.Pass.Family ?? inHand;
                foreach (var (chain, _) in now)
                    next[chain]++;
            }
        }

        return passes;
    }

    private sealed record DayTask(ResolvedCoat Coat, CoatPassKey Pass);

    private static CoatPass Pass(DayTask task, IReadOnlyList<(PlannedWork Work, DayTask Task)> now, bool isAssembled, BrushFamily? inHand)
    {
        var uses = new List<PassUse>();
        var amounts = new List<CoatAmount>();
        foreach (var (work, one) in now)
        {
            var (shape, pieces) = (work.Piece.Shape(), PasteQuantity.For(work.Piece, work.Parts).Pieces);
            uses.Add(new PassUse(work.PieceId, one.Coat.Id, pieces, one.Coat.BenchMinutesFor(shape, pieces), isAssembled && IsOutOfReach(one.Coat.Coat)));
            amounts.Add(one.Coat.AmountFor(shape, pieces));
        }

        return new CoatPass(
            task.Pass.Kind, task.Pass.Family, task.Pass.Family is { } family && family != inHand,
            [.. amounts.SelectMany(amount => amount.Powders).GroupBy(powder => powder.MaterialId).Select(group => new MaterialAmount(group.Key, group.Sum(powder => powder.Grams)))],
            amounts[0].LiquidId, amounts[0].Ml is null ? null : amounts.Sum(amount => amount.Ml), isAssembled, uses, task.Coat.WaitMinutes);
    }

    /// <summary>In an assembled flower a brush hardly comes to feet and backs.</summary>
    private static bool IsOutOfReach(Coat coat) => coat is IPlacedCoat placed && (placed.Sides.Include(Side.Back) || placed.Place.Parts.Any(part => part.Kind == PlaceKind.Base));
}
