using YoungTinge.Core.Pictures;
using YoungTinge.Files.Pictures;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Pictures;

/// <summary>The colour of a patch.</summary>
/// <param name="Spread">Typical delta E of its pixels from it.</param>
/// <param name="Doubts">Why it cannot be trusted; empty if it can.</param>
public sealed record PatchView(ColourView Colour, double Spread, IReadOnlyList<PatchDoubt> Doubts)
{
    internal static PatchView From(PatchReading reading) => new(ColourView.From(reading.Colour), reading.Spread, reading.Doubts);
}

internal static class PictureProblems
{
    public const int MostBoxes = 60;

    public static IResult Of(PictureResult.Refused refused) => ApiProblem.NotPossible(
        [new FieldProblem("picture", $"picture{refused.Problem}", refused.Limit, null)]);

    /// <summary>Boxes that do not lie in the picture; empty if all do.</summary>
    public static IReadOnlyList<FieldProblem> OfBoxes(PictureLight light, IReadOnlyList<Box> boxes)
    {
        var problems = boxes.Index().Where(box => !box.Item.IsInPicture).Select(box => new FieldProblem($"boxes[{box.Index}]", "outsidePicture", null, null)).ToList();
        if (light.Mark is { IsInPicture: false })
            problems.Add(new FieldProblem("light.mark", "outsidePicture", null, null));
        if (boxes.Count > MostBoxes)
            problems.Add(new FieldProblem("boxes", "tooManyBoxes", MostBoxes, null));
        return problems;
    }
}
