using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Work;

/// <summary>Coats on loose pieces, stages, and coats on what stands.</summary>
internal sealed partial class CommissionWork
{
    /// <returns>Ids of what the flower's spray comes after.</returns>
    private List<string> AddColourAndBuild(FlowerWork flower, List<PlannedWork> works, Dictionary<Guid, string> shaped, List<Operation> lays)
    {
        var flowerId = flower.Paste.FlowerId;
        var assembly = AssemblyOf(flower, works);
        var stands = StandingPiece.Of(assembly, PiecesOf(works));
        var standing = new List<(Guid StageId, CoatOn On)>();
        var loose = new Dictionary<Guid, string>();
        foreach (var work in works)
        {
            var (stages, reach) = (stands[work.PieceId].StagesOf(work.Plan.Coats), stands[work.PieceId].ReachOf(work.Plan.Coats));
            var last = shaped[work.PieceId];
            foreach (var (i, coat) in work.Plan.Coats.Select(coat => coat.Resolve(materials)).Index())
            {
                if (stages[i] is { } stage)
                    standing.Add((stage, new CoatOn(work, coat, reach[i])));
                else
                    last = AddCoat(flowerId, [new CoatOn(work, coat, null)], [last], rank: null, lays);
            }

            var compare = OperationId.OfPiece(work.PieceId, StepKeys.Compare);
            Add(new Operation(compare, WorkPhase.Colour, commissionId, new ComparePieces(StepKeys.Compare), [new(flowerId, work.PieceId, work.Piece.ToMake(work.Parts))], [], 0, 1, 0, [last]));
            loose[work.PieceId] = compare;
        }

        var ends = AddStages(flower, assembly, works, loose, standing, lays);
        var inFlower = assembly.Stages.SelectMany(stage => stage.Parts).Select(part => part.PieceId).ToHashSet();
        var flowersCount = works.Where(work => inFlower.Contains(work.PieceId)).Select(work => work.Parts).DefaultIfEmpty(0).Max();
        if (assembly.GroupOf is > 1 and var each && flowersCount > 0)
            ends = [AddGroups(OperationId.OfFlower(flowerId, "gather"), new Lot(flowerId, null, flowersCount), null, (flowersCount + each - 1) / each, each, flowersCount, ends)];
        foreach (var work in works.Where(work => !inFlower.Contains(work.PieceId)))
        {
            var last = loose[work.PieceId];
            var needed = work.Piece.Needed(work.Parts);
            ends.Add(work.Piece.Form.GatheredBy is > 1 and var together
                ? AddGroups(OperationId.OfPiece(work.PieceId, "gather"), new Lot(flowerId, work.PieceId, needed), work.Piece.Name, work.Piece.Groups(work.Parts), together, needed, [last])
                : last);
        }

        return ends;
    }

    /// <returns>The id of the operation.</returns>
    private string AddGroups(string id, Lot lot, string? pieceName, int groups, int each, int all, IReadOnlyList<string> after)
    {
        Add(new Operation(id, WorkPhase.Build, commissionId, new GatherGroups(id, pieceName, groups, each), [lot], [], BenchMinutes.SetUpJoining, BenchMinutes.JoinAPiece * all, 0, after));
        return id;
    }

    /// <summary>A coat on one kind of piece.</summary>
    /// <param name="Reach">Of the standing flower; null for a loose piece.</param>
    private sealed record CoatOn(PlannedWork Work, ResolvedCoat Coat, Reach? Reach);

    /// <summary>Stage by stage, each followed by the coats that wait for it.</summary>
    /// <returns>Ids of what ends the flower.</returns>
    private List<string> AddStages(
        FlowerWork flower, AssemblyPlan assembly, List<PlannedWork> works, Dictionary<Guid, string> loose, List<(Guid StageId, CoatOn On)> standing, List<Operation> lays)
    {
        var flowerId = flower.Paste.FlowerId;
        var endsOf = new Dictionary<Guid, List<string>>();
        var built = new List<string>();
        var rank = 0;
        var stages = (AssemblyCheck.InOrder(assembly) ?? []).Select(stage => (Stage: stage, Parts: stage.Parts.Where(part => loose.ContainsKey(part.PieceId)).ToList())).ToList();
        foreach (var (at, (stage, parts)) in stages.Index())
        {
            // Of a stage that has nothing to put on, the coats go on with the one before.
            if (parts.Count == 0)
                continue;
            var count = works.First(work => work.PieceId == parts[0].PieceId).Parts;
            var id = OperationId.OfStage(flowerId, stage.Id);
            var onto = stage.Onto is { } stem && endsOf.TryGetValue(stem, out var below) ? below : null;
            Add(new Operation(
                id, WorkPhase.Build, commissionId,
                new BuildStage(id, stage.Kind, stage.Name, parts, count, onto is null, stage.Joining, stage.Dryness, stage.OneRowAtATime, stage.Pose),
                [.. parts.Select(part => new Lot(flowerId, part.PieceId, part.PerFlower * count))], [], BenchMinutes.SetUpJoining, BenchMinutes.JoinAPiece * parts.Sum(part => part.PerFlower) * count,
                stage.Joining == Joining.Taped ? 0 : SetsMinutes, [.. parts.Select(part => loose[part.PieceId]), .. onto ?? []])
            {
                AlsoUses = stage.Joining is Joining.Glued or Joining.HalfGlued && Glue is { } glue ? [glue] : [],
                Windows = stage.Dryness == Dryness.Leathery ? [.. parts.SelectMany(part => WindowOf(works.First(work => work.PieceId == part.PieceId), flower.Room))] : [],
            });
            built.Add(id);
            HashSet<Guid> now = [stage.Id, .. stages.Skip(at + 1).TakeWhile(later => later.Parts.Count == 0).Select(later => later.Stage.Id)];
            var coats = standing.Where(one => now.Contains(one.StageId)).Select(one => one.On).ToList();
            endsOf[stage.Id] = coats.Count > 0 ? AddStandingCoats(flowerId, coats, [.. onto ?? [], .. built], rank++, lays) : [id];
        }

        // What something else goes onto is no end.
        return [.. endsOf.Where(end => !stages.Any(stage => stage.Parts.Count > 0 && stage.Stage.Onto == end.Key)).SelectMany(end => end.Value)];
    }

    /// <summary>What is leathery goes on while it bends; what had to be firm for its dust bends no more, and has no window.</summary>
    private IEnumerable<Window> WindowOf(PlannedWork work, Room room) => operations.Where(operation => operation.Step is DryPieces { Until: Dryness.Leathery } && operation.Touches(work.PieceId))
        .Select(dry => new Window(dry.Id, dry.WaitMinutes + Drying.BendsForMinutes(work.Piece, PasteTimesOf(work), room)));

    /// <summary>Each kind of piece in the order of its own plan; steam and glaze go over all of them at once where they can.</summary>
    /// <returns>Ids of the last of each kind of piece.</returns>
    private List<string> AddStandingCoats(Guid flowerId, List<CoatOn> coats, IReadOnlyList<string> after, int rank, List<Operation> lays)
    {
        var left = coats.GroupBy(on => on.Work.PieceId).Select(piece => new Queue<CoatOn>(piece)).ToList();
        var last = coats.Select(on => on.Work.PieceId).Distinct().ToDictionary(id => id, _ => after);
        while (left.Count > 0)
        {
            // A coat that another kind of piece gets later waits for that one.
            var next = (left.FirstOrDefault(queue => left.All(other => !other.Skip(1).Any(on => IsSame(on, queue.Peek())))) ?? left[0]).Peek();
            var now = left.Where(queue => queue.Peek() == next || IsSame(queue.Peek(), next)).Select(queue => queue.Dequeue()).ToList();
            string[] done = [AddCoat(flowerId, now, [.. now.SelectMany(on => last[on.Work.PieceId]).Distinct()], rank, lays)];
            foreach (var on in now)
                last[on.Work.PieceId] = done;
            left.RemoveAll(queue => queue.Count == 0);
        }

        return [.. last.Values.SelectMany(ids => ids).Distinct()];

        bool IsSame(CoatOn one, CoatOn other) => one.Coat.Pass.IsOverAll && one.Coat.Pass.MixKey == other.Coat.Pass.MixKey && StepsOf(one, 1).Count == StepsOf(other, 1).Count;
    }

    private static List<RunStep> StepsOf(CoatOn on, int pieces) => [.. on.Coat.StepsFor(on.Work.Piece.Shape(), pieces)];

    /// <summary>The first on the shelf that is still bought; null if there is none.</summary>
    private string? Glue => materials.All.OfType<Adhesive>().FirstOrDefault(adhesive => !adhesive.Label.IsRetired)?.Id;

    /// <summary>Glue holds after half an hour and bears weight after four hours; taped stands at once. House figure.</summary>
    private const double SetsMinutes = 240;

    /// <param name="kinds">Of piece, that get it in one go.</param>
    /// <param name="rank">Of the standing flower; null for loose pieces.</param>
    /// <returns>The id of its last operation.</returns>
    private string AddCoat(Guid flowerId, IReadOnlyList<CoatOn> kinds, IReadOnlyList<string> after, int? rank, List<Operation> lays)
    {
        var isStanding = rank is not null;
        var coat = kinds[0].Coat;
        var potId = coat.Mix is null ? null : OperationId.OfPot(commissionId, coat.Pass.MixKey);
        var each = kinds.Select(on => (On: on, Pieces: isStanding ? on.Work.Piece.Needed(on.Work.Parts) : on.Work.Piece.ToMake(on.Work.Parts)))
            .Select(one => (one.On, one.Pieces, Steps: StepsOf(one.On, one.Pieces), Amount: one.On.Coat.AmountFor(one.On.Work.Piece.Shape(), one.Pieces))).ToList();
        if (potId is not null)
            potUses.AddRange(each.Select(one => (potId, one.On.Coat, one.Amount, one.On.Coat.LeastPotMl(one.On.Work.Piece.Shape()))));
        Lot[] lots = [.. each.Select(one => new Lot(flowerId, one.On.Work.PieceId, one.Pieces))];
        var flowersCount = kinds[0].Work.Parts;
        var isOverAll = isStanding && coat.Pass.IsOverAll;
        var hand = isOverAll ? coat.HandMinutesFor(kinds[0].Work.Piece.Shape(), flowersCount) : each.Sum(one => one.On.Coat.HandMinutesFor(one.On.Work.Piece.Shape(), one.Pieces));
        var steps = each[0].Steps;
        foreach (var (i, own) in steps.Index())
        {
            var step = isOverAll ? own.OverFlowers([.. each.Select(one => one.Steps[i])], flowersCount) : own;
            var id = OperationId.OfPiece(kinds[0].Work.PieceId, step.Key);
            // A dust by itself is taken as it comes; what is mixed is counted with its pot.
            MaterialTake[] takes = potId is null && coat is ResolvedDust ? [.. each[0].Amount.Powders.Select(powder => new MaterialTake(powder.MaterialId, powder.Grams / steps.Count))]
                : potId is null ? [.. step.Takes()] : [];
            var lay = new Operation(id, isStanding ? WorkPhase.Build : WorkPhase.Colour, commissionId, step, lots, takes, 0, hand / steps.Count, i == steps.Count - 1 ? coat.WaitMinutes : coat.WaitBetweenMinutes, after)
            {
                Coat = coat,
                PotId = potId,
                StandingRank = rank,
                FlowersAtOnce = isOverAll ? flowersCount : null,
                IsOutOfReach = kinds.All(on => on.Reach is { } reach && !reach.Comes(on.Coat.Coat, on.Work.Piece.Shape())),
                AlsoUses = step is StickPollen pollen ? [pollen.AdhesiveId] : [],
            };
            Add(lay);
            lays.Add(lay);
            after = [id];
        }

        return after[0];
    }
}
