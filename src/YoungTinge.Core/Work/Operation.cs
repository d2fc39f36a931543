using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;

namespace YoungTinge.Core.Work;

/// <summary>Parts of the work, in the order in which they are begun.</summary>
public enum WorkPhase
{
    Paste,
    Shape,
    Colour,
    Build,
}

/// <summary>So many pieces or flowers that something is done to.</summary>
/// <param name="PieceId">Null for whole flowers.</param>
/// <param name="Count">Pieces with their spares, or flowers as they stand.</param>
public sealed record Lot(Guid FlowerId, Guid? PieceId, int Count);

/// <summary>What has to be begun before what it comes after has gone too far.</summary>
/// <param name="AfterId">Of the operation that opens it.</param>
/// <param name="MostMinutes">After that has ended, its own wait counted in.</param>
public sealed record Window(string AfterId, double MostMinutes);

/// <summary>What has to rest longer before this than before all else that follows it.</summary>
/// <param name="AfterId">Of the operation that has to rest.</param>
/// <param name="LeastMinutes">After that has ended.</param>
public sealed record Rest(string AfterId, double LeastMinutes);

/// <summary>
/// One thing that is done for the work, once, on whichever sheet it is read. Its id is made of what it is about, so a tick outlives changes
/// elsewhere.
/// </summary>
/// <param name="Step">What is to do, with its amounts.</param>
/// <param name="Takes">Out of the cabinet.</param>
/// <param name="SetUpMinutes">Once, however many pieces there are.</param>
/// <param name="HandMinutes">With the pieces.</param>
/// <param name="WaitMinutes">Before what follows may begin.</param>
/// <param name="After">Ids of what has to be done before.</param>
public sealed record Operation(
    string Id, WorkPhase Phase, Guid CommissionId, RunStep Step, IReadOnlyList<Lot> Lots, IReadOnlyList<MaterialTake> Takes, double SetUpMinutes, double HandMinutes,
    double WaitMinutes, IReadOnlyList<string> After)
{
    /// <summary>Of a hand; what is not only dries.</summary>
    public bool IsByHand => SetUpMinutes + HandMinutes > 0;

    /// <summary>How many times as long hands take as the house figures say: its minutes are counted so.</summary>
    public double Pace { get; private init; } = 1;

    /// <summary>Of a hand, by the house figures, whatever was learned.</summary>
    public double HouseMinutes => (SetUpMinutes + HandMinutes) / Pace;

    internal Operation At(double pace) => this with { SetUpMinutes = SetUpMinutes * pace, HandMinutes = HandMinutes * pace, Pace = pace };

    /// <summary>The wait by the house figures, whatever was learned; null where it is no matter of learning.</summary>
    public double? HouseWaitMinutes { get; init; }

    /// <summary>When it has to be begun; empty where there is time.</summary>
    public IReadOnlyList<Window> Windows { get; init; } = [];

    /// <summary>What has to have rested; empty for nothing beyond the usual waits.</summary>
    public IReadOnlyList<Rest> Rests { get; init; } = [];

    /// <summary>Wires, tape and the like that it takes, also those that the cabinet does not hold.</summary>
    public IReadOnlyList<Support> Supports { get; init; } = [];

    /// <summary>Ids of what it uses beside that without measure, as glue.</summary>
    public IReadOnlyList<string> AlsoUses { get; init; } = [];

    /// <summary>The paste that it makes; null for all else.</summary>
    public PasteBlock? Block { get; init; }

    /// <summary>The coat that it lays, and with what that is done in one go; null for all else.</summary>
    public ResolvedCoat? Coat { get; init; }

    /// <summary>What it lays is taken from this pot; null if from a jar, or nothing is laid.</summary>
    public string? PotId { get; init; }

    /// <summary>On flowers as they stand: how many stages with coats of their own come before; null for what is done to loose pieces.</summary>
    public int? StandingRank { get; init; }

    /// <summary>On flowers as they stand, not on loose pieces.</summary>
    public bool IsOnStanding => StandingRank is not null;

    /// <summary>So many standing flowers get it in one go, whatever they have of pieces; null for what is done piece by piece.</summary>
    public int? FlowersAtOnce { get; init; }

    /// <summary>The flower stands, and a brush hardly comes to where this coat goes.</summary>
    public bool IsOutOfReach { get; init; }

    /// <summary>Whether it is done to pieces of this kind.</summary>
    public bool Touches(Guid pieceId) => Lots.Any(lot => lot.PieceId == pieceId);

    /// <summary>Everything that goes out of the cabinet for it.</summary>
    public IEnumerable<MaterialTake> AllTakes() =>
        Takes.Concat(Supports.Where(support => support.MaterialId is not null).Select(support => new MaterialTake(support.MaterialId!, support.Amount)));
}

/// <summary>How operations are called: each kind by what it is about. What was ticked under a name stays ticked, so names never change.</summary>
public static class OperationId
{
    public static string OfPiece(Guid pieceId, string stepKey) => $"piece:{pieceId}:{stepKey}";

    public static string OfLetDown(string blockKey, int part, string colourantId) => $"letDown:{blockKey}:{part}:{colourantId}";

    public static string OfStage(Guid flowerId, Guid stageId) => $"stage:{flowerId}:{stageId}";

    public static string OfFlower(Guid flowerId, string what) => $"{what}:{flowerId}";

    public static string OfPot(Guid commissionId, string mixKey) => $"pot:{commissionId}:{Short(mixKey)}";

    public static string OfCommission(Guid commissionId, string what) => $"{what}:{commissionId}";

    public const int Longest = 200;

    private static string Short(string key) => Convert.ToHexStringLower(System.Security.Cryptography.SHA256.HashData(System.Text.Encoding.UTF8.GetBytes(key)))[..16];
}
