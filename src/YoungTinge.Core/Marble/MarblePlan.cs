using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.Marble;

/// <summary>One paste of a marbled batch.</summary>
/// <param name="Parts">By mass, in any one unit.</param>
public sealed record MarbleStripe(PasteRecipe Recipe, double Parts);

/// <summary>A marbled batch as it is planned for a flower.</summary>
/// <param name="Stripes">Two to four pastes, as they are laid side by side.</param>
/// <param name="Repeats">How often that row is laid.</param>
/// <param name="Folds">How often the block is stretched and folded.</param>
/// <param name="Twist">0 for none, 1 for as much as paste bears.</param>
/// <param name="PieceIds">That are cut from it.</param>
/// <param name="OtherG">Paste for anything else, 0 or more.</param>
/// <param name="Seed">The same plan with the same seed gives the same picture.</param>
public sealed record MarblePlan(
    IReadOnlyList<MarbleStripe> Stripes, int Repeats, int Folds, double Twist, IReadOnlyList<Guid> PieceIds, double OtherG, int Seed)
    : IPastePlan
{
    public const int FewestPastes = 2;
    public const int MostPastes = 4;
    public const int MostRepeats = 6;
    public const int MostFolds = 16;
    public const double UsualThicknessMm = 0.6;

    public IEnumerable<(string Path, Guid PieceId)> NamedPieces() => PieceIds.Select(piece => ("pieceIds", piece));

    /// <summary>Of each paste, summing to 1.</summary>
    public IReadOnlyList<double> Shares() => [.. Stripes.Select(stripe => stripe.Parts / Stripes.Sum(one => one.Parts))];

    /// <param name="works">All pieces that it may name.</param>
    public double Grams(IReadOnlyList<PieceToMake> works) => OtherG + Cut(works).Sum(work => PasteQuantity.For(work.Piece, work.Parts).BatchG);

    /// <summary>Rolled as thin as the first piece that is cut from it.</summary>
    public double ThicknessMm(IReadOnlyList<PieceToMake> works) => Cut(works).Select(work => work.Piece).FirstOrDefault(piece => !piece.Solid)?.ThicknessMm ?? UsualThicknessMm;

    public IReadOnlyList<PieceToMake> Cut(IReadOnlyList<PieceToMake> works) => [.. works.Where(work => PieceIds.Contains(work.PieceId))];

    /// <summary>A batch to begin with: the first whorl's own paste with the same paste as it comes.</summary>
    public static MarblePlan Suggest(IReadOnlyList<PieceToMake> works)
    {
        var petals = works.FirstOrDefault(work => !work.Piece.Solid && work.Piece.PartOf == PartOf.Flower) ?? works[0];
        var paste = petals.Paste;
        return new MarblePlan([new(paste, 1), new(paste with { Doses = [] }, 1)], 1, 4, 0.4, [petals.PieceId], 0, 1);
    }
}
