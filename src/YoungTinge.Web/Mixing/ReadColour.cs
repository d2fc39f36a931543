using System.Globalization;
using System.Text.RegularExpressions;
using YoungTinge.Core.Colour;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Mixing;

/// <summary>Reads a colour as a maker types or picks it: <c>#c9d8a0</c>, or L, a and b as three numbers.</summary>
public static partial class ReadColour
{
    public sealed record Request(string Text);

    public static void Map(RouteGroupBuilder api) => api.MapPost("/colours/read", Handle)
        .Computes().WithName("readColour").Produces<ColourView>().ProducesProblems(422);

    private static IResult Handle(Request request)
    {
        if (!TryRead(request.Text, out var lab))
            return ApiProblem.NotPossible([new FieldProblem("text", FieldProblem.NotAColour, null, null)]);
        return SearchProblems.OfTarget(lab, "text") is { Count: > 0 } problems ? ApiProblem.NotPossible(problems) : TypedResults.Ok(ColourView.From(lab));
    }

    internal static bool TryRead(string text, out Lab lab)
    {
        lab = default;
        if (text.Length > 100)
            return false;
        if (Srgb.TryParseHex(text, out var rgb))
        {
            lab = Illuminant.D65.LabOf(rgb);
            return true;
        }

        if (ThreeNumbers().Match(text) is not { Success: true } match)
            return false;
        var numbers = Enumerable.Range(1, 3).Select(i => double.Parse(match.Groups[i].Value, CultureInfo.InvariantCulture)).ToArray();
        lab = new Lab(numbers[0], numbers[1], numbers[2]);
        return lab.IsFinite;
    }

    [GeneratedRegex(@"^\s*(?:lab)?\s*\(?\s*L?\*?\s*[:=]?\s*([-+]?\d+(?:\.\d+)?)\s*[,;\s]\s*a?\*?\s*[:=]?\s*([-+]?\d+(?:\.\d+)?)\s*[,;\s]\s*b?\*?\s*[:=]?\s*([-+]?\d+(?:\.\d+)?)\s*\)?\s*$", RegexOptions.IgnoreCase)]
    private static partial Regex ThreeNumbers();
}
