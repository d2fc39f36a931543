using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Coats.Model;

/// <summary>What a brush still comes to of a piece that stands in its flower.</summary>
/// <param name="HiddenFoot">How much of its length, from the foot, others cover; 0 to 1.</param>
/// <param name="IsBackOpen">Nothing stands behind it.</param>
public sealed record Reach(double HiddenFoot, bool IsBackOpen)
{
    /// <summary>A brush that comes in from above gets a little way under what covers a foot, and no farther, as a share of the length.</summary>
    private const double Blends = 0.15;

    private const double MostOfIt = 0.5;

    /// <summary>Each way, to look at a place.</summary>
    private const int Cells = 24;

    /// <summary>Share of a coat that arrives there, 0 to 1.</summary>
    public double ShareAt(PiecePoint point) => HiddenFoot <= 0 ? 1 : Math.Clamp((point.Along - HiddenFoot) / Blends + 1, 0, 1);

    /// <summary>Whether most of a coat comes to where it shall lie.</summary>
    public bool Comes(Coat coat, PieceShape shape)
    {
        if (coat is not IPlacedCoat placed)
            return true;
        if (!placed.Sides.Include(Side.Face))
            return IsBackOpen;
        var (wanted, comes) = (0.0, 0.0);
        foreach (var point in shape.Cells(Cells, placed.Place.NeedsEdge))
        {
            var there = placed.Place.MaskAt(point, shape.Veins);
            (wanted, comes) = (wanted + there, comes + there * ShareAt(point));
        }

        return (IsBackOpen || !placed.Sides.Include(Side.Back)) && comes >= MostOfIt * wanted;
    }
}

/// <summary>A kind of piece in the assembly of its flower: which of its coats go on the standing flower, when, and what they reach.</summary>
public sealed class StandingPiece
{
    private readonly Dusting dusting;
    private readonly IReadOnlyList<(Guid StageId, Reach Reach)> stages;

    /// <param name="stages">From the one that it goes on with to the last, in the order in which they are done; empty for what is not put into a flower.</param>
    private StandingPiece(Dusting dusting, IReadOnlyList<(Guid, Reach)> stages) => (this.dusting, this.stages) = (dusting, stages);

    /// <summary>Stages after which a coat can be put on it, in order.</summary>
    public IEnumerable<Guid> StageIds => stages.Select(stage => stage.StageId);

    /// <summary>The first coat that waits for the flower to stand: that one and all after it go onto the standing flower.</summary>
    /// <returns>How many coats there are if none does.</returns>
    public int FirstOf(IReadOnlyList<Coat> coats)
    {
        if (stages.Count == 0 || dusting == Dusting.BeforeAssembly)
            return coats.Count;
        return dusting == Dusting.AfterAssembly ? 0 : coats.Index().Where(coat => coat.Item.AfterAssembly).Select(coat => coat.Index).DefaultIfEmpty(coats.Count).First();
    }

    /// <summary>After which stage each coat goes on; null on the loose piece. No coat goes on before one that lies under it.</summary>
    public IReadOnlyList<Guid?> StagesOf(IReadOnlyList<Coat> coats) => [.. PlacesOf(coats).Select(at => at is { } place ? stages[place].StageId : (Guid?)null)];

    /// <summary>What each coat reaches; null on the loose piece, where it reaches all.</summary>
    public IReadOnlyList<Reach?> ReachOf(IReadOnlyList<Coat> coats) => [.. PlacesOf(coats).Select(at => at is { } place ? stages[place].Reach : null)];

    private IEnumerable<int?> PlacesOf(IReadOnlyList<Coat> coats)
    {
        var (first, latest) = (FirstOf(coats), 0);
        foreach (var (i, coat) in coats.Index())
        {
            if (i < first)
            {
                yield return null;
                continue;
            }

            var named = coat is { AfterAssembly: true, AfterStageId: { } id } ? stages.Index().Where(stage => stage.Item.StageId == id).Select(stage => (int?)stage.Index).FirstOrDefault() : null;
            latest = Math.Max(latest, named ?? stages.Count - 1);
            yield return latest;
        }
    }

    /// <param name="assembly">Without problems for these pieces.</param>
    /// <param name="pieces">All of the flower.</param>
    public static IReadOnlyDictionary<Guid, StandingPiece> Of(AssemblyPlan assembly, IReadOnlyList<PieceOfFlower> pieces)
    {
        var known = pieces.ToDictionary(piece => piece.PieceId, piece => piece.Piece);
        var stages = AssemblyCheck.InOrder(assembly) ?? [];
        return pieces.ToDictionary(piece => piece.PieceId, piece =>
        {
            var own = stages.Index().Where(stage => stage.Item.Parts.Any(part => part.PieceId == piece.PieceId)).Select(stage => stage.Index).DefaultIfEmpty(stages.Count).Last();
            return new StandingPiece(assembly.Dusting, [.. stages.Index().Skip(own).Select(stage => (stage.Item.Id, ReachIn(piece.Piece, [.. stages.Take(stage.Index + 1)
                .SelectMany(there => there.Parts).Where(part => part.PieceId != piece.PieceId).Select(part => known.GetValueOrDefault(part.PieceId)).OfType<Piece>()])))]);
        });
    }

    /// <summary>Others that reach less far stand over its foot; a petal that reaches farther stands behind it.</summary>
    private static Reach ReachIn(Piece piece, IReadOnlyList<Piece> others)
    {
        var (baseMm, lengthMm) = Bloom.SeenFrom(piece);
        var inner = others.Where(other => Bloom.ReachMm(other) < baseMm + lengthMm).Select(Bloom.ReachMm).DefaultIfEmpty(0).Max();
        var isBehindOther = others.Any(other => other.Form.Role == PieceRole.Petal && Bloom.ReachMm(other) > baseMm + lengthMm);
        return new Reach(piece.Solid ? 0 : Math.Clamp(CoveredShare * (inner - baseMm) / lengthMm, 0, MostHidden), !isBehindOther);
    }

    /// <summary>What stands over a foot leans, and a brush comes in under it: this much of the foot stays hidden. House figures.</summary>
    private const double CoveredShare = 0.6;
    private const double MostHidden = 0.6;
}
