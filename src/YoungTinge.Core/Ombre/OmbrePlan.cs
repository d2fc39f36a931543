using System.Text.Json.Serialization;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Core.Ombre;

/// <summary>What a shade is for.</summary>
/// <param name="OtherG">Paste for anything else, 0 or more.</param>
public sealed record ShadeUse(IReadOnlyList<Guid> PieceIds, double OtherG);

/// <summary>A run of shades as it is planned for a flower.</summary>
/// <param name="Steps">How far each shade should look from the one before, in any unit: all the same for an even run.</param>
/// <param name="Uses">Of each shade; one more than there are steps.</param>
/// <param name="ScaleG">Smallest step of the scale.</param>
/// <param name="School">That was chosen.</param>
public sealed record OmbrePlan(
    PasteRecipe First, PasteRecipe Last, MiddleShade? Middle, IReadOnlyList<double> Steps, IReadOnlyList<ShadeUse> Uses, double ScaleG, OmbreMethod School)
    : IPastePlan
{
    public const int FewestShades = 2;
    public const int MostShades = 12;

    private const int ShadesWithoutWhorls = 3;
    private const double UsualG = 50;

    /// <summary>How much of the last paste is in the first shade already, 0 to 0.99 by mass.</summary>
    public double Begin { get; init; }

    public const double MaxBegin = 0.99;

    /// <summary>How much of the last paste the last shade is, above the beginning up to 1; the rest of it is the first paste.</summary>
    public double End { get; init; } = 1;

    /// <summary>The first shade: the first paste, or a mix of the two.</summary>
    [JsonIgnore]
    public PasteRecipe FirstShade => MixOf(Begin);

    [JsonIgnore]
    public PasteRecipe LastShade => MixOf(End);

    private PasteRecipe MixOf(double share) => share <= 0 ? First : share >= 1 ? Last : PasteRecipe.Kneaded([(First, 1 - share), (Last, share)]);

    public IEnumerable<(string Path, Guid PieceId)> NamedPieces() => Uses.SelectMany((use, i) => use.PieceIds.Select(piece => ($"uses[{i}].pieceIds", piece)));

    /// <summary>Pastes that shades are kneaded of.</summary>
    public IReadOnlyList<PasteRecipe> Recipes() => Middle is { } middle ? [FirstShade, middle.Recipe, LastShade] : [FirstShade, LastShade];

    /// <summary>Grams for each shade.</summary>
    /// <param name="works">All pieces that it may name.</param>
    public IReadOnlyList<double> GramsFor(IReadOnlyList<PieceToMake> works) => [.. Uses.Select(use =>
        use.OtherG + works.Where(work => use.PieceIds.Contains(work.PieceId)).Sum(work => PasteQuantity.For(work.Piece, work.Parts).BatchG))];

    public OmbreRun Run(IReadOnlyList<PieceToMake> works, Materials materials) => OmbreRun.Of(FirstShade, LastShade, Middle, Steps, GramsFor(works), materials);

    /// <summary>A run to begin with: the flower's own whorls, from the one whose paste is deepest to the palest.</summary>
    /// <param name="works">The flower's pieces along its stem.</param>
    public static OmbrePlan Suggest(IReadOnlyList<PieceToMake> works, Materials materials)
    {
        var whorls = works.Where(work => !work.Piece.Solid && materials.HasAllOf(work.Paste))
            .GroupBy(work => work.Piece.OutlineId).MaxBy(group => group.Count())?.ToList() ?? [];
        if (whorls.Count < FewestShades)
        {
            var paste = whorls.FirstOrDefault()?.Paste ?? new PasteRecipe(materials.All.OfType<PasteBase>().First().Id, []);
            return new OmbrePlan(
                paste, paste with { Doses = [] }, null, Even(ShadesWithoutWhorls),
                [.. Enumerable.Range(0, ShadesWithoutWhorls).Select(i => new ShadeUse(i == 0 ? [.. whorls.Select(work => work.PieceId)] : [], i == 0 && whorls.Count > 0 ? 0 : UsualG))],
                materials.ScaleG, OmbreMethod.SplitStock);
        }

        double Lightness(PieceToMake work) => PasteOptics.ColourOf(work.Paste, materials).L;
        if (Lightness(whorls[0]) > Lightness(whorls[^1]))
            whorls.Reverse();
        return new OmbrePlan(
            whorls[0].Paste, whorls[^1].Paste, null, Even(whorls.Count), [.. whorls.Select(work => new ShadeUse([work.PieceId], 0))],
            materials.ScaleG, OmbreMethod.SplitStock);
    }

    private static double[] Even(int shades) => [.. Enumerable.Repeat(1.0, shades - 1)];
}
