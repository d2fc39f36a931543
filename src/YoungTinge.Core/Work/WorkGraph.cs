using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Work;

/// <summary>A flower that is worked on.</summary>
/// <param name="Assembly">How it is put together; null for as the house would.</param>
public sealed record FlowerWork(FlowerPaste Paste, AssemblyPlan? Assembly)
{
    /// <summary>That it dries in.</summary>
    public Room Room { get; init; } = Room.Usual;
}

/// <summary>
/// Everything that is done for some commissions, once. All sheets are views of it: none has rules, amounts or steps of its own.
/// </summary>
/// <param name="Operations">In an order in which they can be done.</param>
public sealed record WorkGraph(IReadOnlyList<Operation> Operations)
{
    /// <param name="flowers">With their pieces as they are carried out.</param>
    /// <param name="blocks">Their pastes, by <see cref="PasteDaySheet"/>.</param>
    /// <param name="sprays">How each commission's flowers are wired together; as the house would where nothing is said.</param>
    /// <param name="pace">How many times as long hands take as the house figures say.</param>
    public static WorkGraph Of(IReadOnlyList<FlowerWork> flowers, IReadOnlyList<PasteBlock> blocks, Materials materials, IReadOnlyDictionary<Guid, SprayPlan>? sprays = null, double pace = 1) =>
        new([.. flowers.GroupBy(flower => flower.Paste.CommissionId).SelectMany(group => new CommissionWork(group.Key, [.. group], blocks, materials, sprays?.GetValueOrDefault(group.Key)).Operations()).Select(operation => operation.At(pace))]);

    /// <summary>
    /// What is done: what was ticked, and what all that follows from it was done without. Nobody has to tick the shaping of a petal that is
    /// dusted already.
    /// </summary>
    /// <param name="ticked">Ids.</param>
    public IReadOnlySet<string> Done(IReadOnlySet<string> ticked)
    {
        var following = Operations.SelectMany(operation => operation.After.Select(before => (before, operation.Id))).ToLookup(pair => pair.before, pair => pair.Id);
        var done = new HashSet<string>();
        // Each comes after what it needs, so from the end all that follows is known.
        foreach (var operation in Operations.Reverse())
        {
            if (ticked.Contains(operation.Id) || following[operation.Id].Any() && following[operation.Id].All(done.Contains))
                done.Add(operation.Id);
        }

        return done;
    }

    /// <summary>Of putting flowers together, what has to be done before some operations, in order.</summary>
    public IReadOnlyList<Operation> StagesBefore(IEnumerable<Operation> operations)
    {
        var wanted = operations.SelectMany(operation => operation.After).ToHashSet();
        var stages = new List<Operation>();
        foreach (var operation in Operations.Reverse().Where(operation => operation.Phase == WorkPhase.Build && wanted.Contains(operation.Id)))
        {
            wanted.UnionWith(operation.After);
            if (operation.Step is BuildStage)
                stages.Insert(0, operation);
        }

        return stages;
    }

    public Operation? Find(string id) => Operations.FirstOrDefault(operation => operation.Id == id);

    /// <summary>What there is to do for one kind of piece, its paste and its flower's stages with it.</summary>
    public IReadOnlyList<Operation> OfPiece(Guid pieceId)
    {
        var own = Operations.Where(operation => operation.Touches(pieceId)).ToList();
        var pots = own.Select(operation => operation.PotId).OfType<string>().ToHashSet();
        var before = own.SelectMany(operation => operation.After).ToHashSet();
        return [.. Operations.Where(operation => operation.Touches(pieceId) || pots.Contains(operation.Id) || operation.Step is MakeLetDown && before.Contains(operation.Id))];
    }

    /// <summary>What there is to do for one flower, up to where it stands.</summary>
    public IReadOnlyList<Operation> OfFlower(Guid flowerId)
    {
        var own = Operations.Where(operation => operation.Phase != WorkPhase.Build || operation.Step is not (MakeSpray or BoxUp))
            .Where(operation => operation.Lots.Any(lot => lot.FlowerId == flowerId)).ToList();
        var needed = own.Select(operation => operation.PotId).OfType<string>().Concat(own.SelectMany(operation => operation.After)).ToHashSet();
        return [.. Operations.Where(operation => own.Contains(operation) || operation.Step is MakeLetDown or MixPot && needed.Contains(operation.Id))];
    }
}
