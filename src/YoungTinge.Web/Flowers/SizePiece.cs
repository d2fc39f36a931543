using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Flowers;

/// <summary>What one piece takes of paste, and how large it is if it is sized by that. Keeps nothing.</summary>
public static class SizePiece
{
    /// <param name="Grams">Paste for one, that it shall be sized by; null to leave its size.</param>
    /// <param name="BallMm">Across the ball that it shall be rolled from, instead of grams.</param>
    public sealed record Request(Piece Piece, double? Grams = null, double? BallMm = null);

    /// <param name="SkinMm">Of a covered core; null for the rest.</param>
    /// <param name="ThicknessMm">Of a solid piece it goes with its width.</param>
    /// <param name="Grams">Paste for one; 0 for what is bought.</param>
    /// <param name="Hole">Of the maker's own sizing holes, from 1; null if none holds it.</param>
    public sealed record Answer(double LengthMm, double WidthMm, double ThicknessMm, double? SkinMm, double Grams, BenchBall Ball, int? Hole);

    public static void Map(RouteGroupBuilder api) => api.MapPost("/piece-sizes", Handle).Computes().WithName("sizePiece")
        .Produces<Answer>().ProducesProblems(422);

    private static async Task<IResult> Handle(Request request, CurrentStudio studio, CancellationToken cancel)
    {
        if (ChangePieces.Problems(request.Piece, sure: true) is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        var piece = request.Piece;
        if ((request.Grams ?? (request.BallMm is { } mm ? BenchBall.GramsOf(mm) : null)) is { } grams)
        {
            if (BallSize.Of(piece, grams) is not { } sized)
                return ApiProblem.NotPossible([new FieldProblem(request.Grams is null ? "ballMm" : "grams", "noSuchSize", null, null)]);
            piece = sized;
        }

        var quantity = PasteQuantity.For(piece, 1);
        var holes = (await studio.GetAsync(cancel)).Measuring.HolesMm;
        return TypedResults.Ok(new Answer(
            Tenth(piece.LengthMm), Tenth(piece.WidthMm), Tenth(piece.ThicknessMm), piece.Form.Body is { Kind: BodyKind.CoveredCore } body ? Tenth(body.SkinMm) : null,
            quantity.PieceG, quantity.Ball, SizingHoles.For(quantity.PieceG, holes)));
    }

    /// <summary>Nobody cuts finer.</summary>
    private static double Tenth(double mm) => Math.Round(mm, 1);
}
