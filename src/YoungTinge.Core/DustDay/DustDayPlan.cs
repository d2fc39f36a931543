using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Optics;
using YoungTinge.Core.Planning;

namespace YoungTinge.Core.DustDay;

public enum PassKind
{
    Dust,
    Wash,
    Steam,
    Glaze,
    Pollen,
}

/// <summary>One coat on all pieces of one kind, within a pass.</summary>
public sealed record PassUse(Guid PieceId, Guid CoatId, int Pieces, double Minutes);

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

    public static DustDayPlan Of(IReadOnlyList<PlannedWork> works, Materials materials)
    {
        var chains = works.Select(work => (Work: work, Tasks: Tasks(work, materials))).Where(chain => chain.Tasks.Count > 0).ToList();
        var order = BrushOrder.For([.. chains.Select(chain => (IReadOnlyList<string>)[.. chain.Tasks.Select(task => task.Station)])]);
        var next = new int[chains.Count];
        var passes = new List<CoatPass>();
        BrushFamily? inHand = null;
        foreach (var station in order)
        {
            // One station at a time, until nothing more can be done at it; within it mix by mix, the palest first.
            while (true)
            {
                var ready = chains.Select((chain, i) => (Chain: i, Task: next[i] < chain.Tasks.Count ? chain.Tasks[next[i]] : null))
                    .Where(one => one.Task?.Station == station).ToList();
                if (ready.Count == 0)
                    break;
                var first = ready.OrderByDescending(one => one.Task!.Lightness).ThenBy(one => one.Task!.MixKey, StringComparer.Ordinal).First().Task!;
                var now = ready.Where(one => one.Task!.MixKey == first.MixKey).ToList();
                passes.Add(Pass(first, [.. now.Select(one => (chains[one.Chain].Work, one.Task!))], inHand, materials));
                inHand = first.Family ?? inHand;
                foreach (var (chain, _) in now)
                    next[chain]++;
            }
        }

        return new DustDayPlan(passes);
    }

    /// <param name="Station">Where it is done: a brush family, the steam, a glaze.</param>
    /// <param name="MixKey">The same for what is mixed or done in one go.</param>
    private sealed record DayTask(Coat Coat, PassKind Kind, BrushFamily? Family, string Station, string MixKey, double Lightness);

    private static List<DayTask> Tasks(PlannedWork work, Materials materials) => [.. work.Plan.Coats.Select(coat => TaskOf(coat, materials))];

    private static DayTask TaskOf(Coat coat, Materials materials)
    {
        switch (coat)
        {
            case DustCoat dust:
                var family = BrushFamilies.Of(dust.Mix, materials);
                var after = dust.AfterAssembly ? " after" : "";
                return new DayTask(coat, PassKind.Dust, family, $"dust {family}{after}", $"dust {KeyOf(dust.Mix)}{after}", Chip.OfDust(DustOptics.Mix(dust.Mix, materials), materials).L);
            case WashCoat wash:
                var washFamily = BrushFamilies.Of(wash, materials);
                return new DayTask(
                    coat, PassKind.Wash, washFamily, $"wash {washFamily}", FormattableString.Invariant($"wash {wash.ThinnerId} {wash.GPerMl:0.####} {KeyOf(wash.Mix)}"),
                    Chip.OfWash(CoatStack.LayerOf(wash, materials), materials).L);
            case GlazeCoat glaze:
                var tint = glaze.Tint is { } mixed ? FormattableString.Invariant($" {mixed.GPer10ml:0.####} {KeyOf(mixed.Mix)}") : "";
                return new DayTask(coat, PassKind.Glaze, null, $"glaze {glaze.GlazeId}{tint}", $"glaze {glaze.GlazeId}{tint}", 0);
            case PollenCoat pollen:
                return new DayTask(coat, PassKind.Pollen, null, $"pollen {pollen.CrumbId}", $"pollen {pollen.CrumbId} {pollen.AdhesiveId}", 0);
            default:
                return new DayTask(coat, PassKind.Steam, null, "steam", "steam", 0);
        }
    }

    /// <summary>Parts in shares, so that one to one is two to two.</summary>
    private static string KeyOf(IReadOnlyList<Portion> mix)
    {
        var whole = mix.Sum(portion => portion.Parts);
        return string.Join('+', mix.OrderBy(portion => portion.MaterialId, StringComparer.Ordinal).Select(portion => FormattableString.Invariant($"{portion.MaterialId}:{portion.Parts / whole:0.###}")));
    }

    private static CoatPass Pass(DayTask task, IReadOnlyList<(PlannedWork Work, DayTask Task)> now, BrushFamily? inHand, Materials materials)
    {
        PassUse[] uses = [.. now.Select(one =>
        {
            var quantity = PasteQuantity.For(one.Work.Piece, one.Work.Parts);
            return new PassUse(one.Work.PieceId, one.Task.Coat.Id, quantity.Pieces, WorkMinutes.ForCoat(one.Task.Coat, one.Work.Piece.Shape(), quantity.Pieces));
        })];
        var amounts = now.SelectMany(one => AmountsOf(one.Work, one.Task.Coat, materials)).GroupBy(amount => amount.MaterialId)
            .Select(group => new MaterialAmount(group.Key, group.Sum(amount => amount.Grams))).ToList();
        return new CoatPass(
            task.Kind, task.Family, task.Family is { } family && family != inHand, amounts, LiquidOf(task.Coat), MlOf(now, materials),
            task.Coat is DustCoat { AfterAssembly: true }, uses, RunSheet.WaitMinutesAfter(task.Coat));
    }

    private static IReadOnlyList<MaterialAmount> AmountsOf(PlannedWork work, Coat coat, Materials materials)
    {
        var (shape, pieces) = (work.Piece.Shape(), PasteQuantity.For(work.Piece, work.Parts).Pieces);
        return coat switch
        {
            DustCoat dust => CoatAmounts.Dust(dust, shape, pieces),
            WashCoat wash => CoatAmounts.Paint(wash, shape, pieces),
            GlazeCoat glaze => [.. CoatAmounts.Tint(glaze, shape, pieces, materials).Select(amount => amount with { Grams = glaze.Coats * amount.Grams })],
            PollenCoat pollen => [new MaterialAmount(pollen.CrumbId, CoatAmounts.CrumbG(pollen, shape, pieces))],
            _ => [],
        };
    }

    private static string? LiquidOf(Coat coat) => coat switch { WashCoat wash => wash.ThinnerId, GlazeCoat glaze => glaze.GlazeId, _ => null };

    private static double? MlOf(IReadOnlyList<(PlannedWork Work, DayTask Task)> now, Materials materials)
    {
        double? Of((PlannedWork Work, DayTask Task) one)
        {
            var (shape, pieces) = (one.Work.Piece.Shape(), PasteQuantity.For(one.Work.Piece, one.Work.Parts).Pieces);
            return one.Task.Coat switch
            {
                WashCoat wash => CoatAmounts.WashMl(wash, shape, pieces),
                GlazeCoat glaze => glaze.Coats * CoatAmounts.GlazeMlPerCoat(glaze, shape, pieces, materials),
                _ => null,
            };
        }

        return now.All(one => Of(one) is null) ? null : now.Sum(one => Of(one) ?? 0);
    }
}
