using System.Text.Json.Serialization.Metadata;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.Work;

/// <summary>Makes a paste for all pieces that are shaped from it.</summary>
/// <param name="FlowerId">That a run or a marble was planned for, or the first that takes of a paste.</param>
/// <param name="TotalG">All of it.</param>
public sealed record MakePaste(string Key, BlockKind Block, Guid FlowerId, double TotalG) : RunStep(Key, [Caution.Gloves]);

/// <summary>Takes paste from a batch that is there.</summary>
/// <param name="LeftG">Of it, before.</param>
public sealed record TakeBatch(string Key, Guid BatchId, string Name, double Grams, double LeftG) : RunStep(Key, []);

/// <summary>A part of a touch, made measurable before the paste is begun.</summary>
public sealed record MakeLetDown(string Key, string ColourantId, LetDown LetDown) : RunStep(Key, [Caution.Gloves]);

public sealed record MixPot(string Key, Pot Pot, IReadOnlyList<Caution> Cautions) : RunStep(Key, Cautions);

/// <summary>Puts pieces onto what stands already.</summary>
/// <param name="Flowers">How many.</param>
/// <param name="IsFirst">Nothing stands yet.</param>
public sealed record BuildStage(
    string Key, StageKind Stage, string Name, IReadOnlyList<StagePart> Parts, int Flowers, bool IsFirst, Joining Joining, Dryness Dryness, bool OneRowAtATime, DryingPose Pose)
    : RunStep(Key, Joining == Joining.Taped ? [Caution.BladesAndWire] : []);

/// <summary>Small pieces or florets bound together before they go to a stem.</summary>
/// <param name="PieceName">Of leaves or berries; null for flowers.</param>
/// <param name="Each">In a group; the last one may have fewer.</param>
public sealed record GatherGroups(string Key, string? PieceName, int Groups, int Each) : RunStep(Key, [Caution.BladesAndWire]);

/// <summary>What hangs on the stem of a spray, with the name of its piece if it is one.</summary>
public sealed record SprayLine(SprayPart Part, Guid FlowerId, string? PieceName, int Count, double DistanceMm);

/// <summary>Flowers, buds and leaves wired together, from the end of the stem down.</summary>
public sealed record MakeSpray(string Key, int Sprays, IReadOnlyList<SprayLine> Lines) : RunStep(Key, [Caution.BladesAndWire]);

public sealed record BoxUp(string Key, int Flowers) : RunStep(Key, []);

/// <summary>All kinds of step with the names that they have in JSON.</summary>
public static class WorkSteps
{
    private static readonly (Type Type, string Name)[] Steps =
    [
        (typeof(MakePaste), "makePaste"), (typeof(TakeBatch), "takeBatch"), (typeof(MakeLetDown), "makeLetDown"), (typeof(MixPot), "mixPot"),
        (typeof(BuildStage), "buildStage"), (typeof(GatherGroups), "gatherGroups"), (typeof(MakeSpray), "makeSpray"), (typeof(BoxUp), "boxUp"),
    ];

    /// <summary>Tells a serialiser of the kinds: to be added to its resolver as a modifier.</summary>
    public static void Describe(JsonTypeInfo type)
    {
        if (type.Type == typeof(RunStep))
            type.PolymorphismOptions = CoatKinds.OptionsOf([.. RunStep.Common, .. CoatKinds.Steps, .. Steps]);
    }
}
