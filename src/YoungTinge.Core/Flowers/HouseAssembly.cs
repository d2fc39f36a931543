using System.Security.Cryptography;
using System.Text;

namespace YoungTinge.Core.Flowers;

/// <summary>A kind of piece of a flower.</summary>
/// <param name="Parts">Flowers or buds.</param>
public sealed record PieceOfFlower(Guid PieceId, Piece Piece, int Parts);

/// <summary>How the house would put a flower together, going by what its pieces are: from the middle outward, the calyx last.</summary>
public static class HouseAssembly
{
    /// <param name="flowerId">Stages keep their ids as long as their pieces are there.</param>
    /// <param name="pieces">Along the stem.</param>
    public static AssemblyPlan For(Guid flowerId, IReadOnlyList<PieceOfFlower> pieces)
    {
        var own = pieces.Where(piece => piece.Parts > 0 && InFlower(piece.Piece)).ToList();
        var stages = new List<AssemblyStage>();
        Add(StageKind.Centre, own.Where(piece => piece.Piece.Form.Role is PieceRole.Centre), Joining.Hooked, Dryness.Firm);
        Add(StageKind.Stamens, own.Where(piece => piece.Piece.Form.Role is PieceRole.Stamen), Joining.Taped, Dryness.Firm);
        // Inner whorls first: the farther a petal reaches, the later it goes on.
        foreach (var whorl in own.Where(piece => piece.Piece.Form.Role is PieceRole.Petal).OrderBy(piece => Bloom.ReachMm([piece.Piece])))
        {
            if (!whorl.Piece.IsWired)
                Add(StageKind.Whorl, [whorl], Joining.Glued, Dryness.Firm, isByRows: true, DryingPose.Hanging);
            else
                Add(StageKind.Whorl, [whorl], Joining.Taped, Dryness.Firm);
        }

        Add(StageKind.Calyx, own.Where(piece => piece.Piece.Form.Role is PieceRole.Calyx), Joining.Glued, Dryness.Firm, pose: DryingPose.Hanging);
        return new AssemblyPlan(stages, Dusting.AsPlanned);

        void Add(StageKind kind, IEnumerable<PieceOfFlower> of, Joining joining, Dryness dryness, bool isByRows = false, DryingPose pose = DryingPose.Standing)
        {
            StagePart[] parts = [.. of.Select(piece => new StagePart(piece.PieceId, piece.Piece.PerPart))];
            if (parts.Length > 0)
                stages.Add(new AssemblyStage(IdOf(flowerId, kind, parts), kind, "", parts, stages.Count > 0 ? stages[^1].Id : null, joining, dryness, isByRows, pose));
        }
    }

    /// <summary>How a flower is put together: as its maker says, unless its pieces have left that behind; else as the house would.</summary>
    public static AssemblyPlan InForce(Guid flowerId, AssemblyPlan? own, IReadOnlyList<PieceOfFlower> pieces)
    {
        if (own is not null && AssemblyCheck.Problems(own, pieces).Count == 0)
            return own;
        var house = For(flowerId, pieces);
        return own is null ? house : house with { Dusting = own.Dusting };
    }

    /// <summary>Whether a piece is put into its flower; buds, leaves, berries and stems are only gathered in a spray.</summary>
    public static bool InFlower(Piece piece) => piece.PartOf == PartOf.Flower && piece.Form.Role is not (PieceRole.Leaf or PieceRole.Berry or PieceRole.Stem or PieceRole.Bud);

    private static Guid IdOf(Guid flowerId, StageKind kind, StagePart[] parts) =>
        new(SHA256.HashData(Encoding.UTF8.GetBytes($"{flowerId} {kind} {parts[0].PieceId}"))[..16]);
}
