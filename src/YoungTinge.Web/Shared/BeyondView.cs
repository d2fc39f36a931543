using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Mixing;

namespace YoungTinge.Web.Shared;

/// <param name="Word">The named load nearest to its own.</param>
public sealed record DustPassView(string DustId, double LoadMgPerCm2, LoadWord Word);

/// <summary>What dust, steam and glaze make of a paste.</summary>
/// <param name="GlazeId">One coat; null for none.</param>
public sealed record BeyondView(PasteRecipe Paste, IReadOnlyList<DustPassView> Passes, string? GlazeId, ColourView Colour, Difference Difference)
{
    public static BeyondView From(SurfaceFinish beyond, Lab target) => new(
        beyond.Paste,
        [.. beyond.Passes.Select(pass => new DustPassView(pass.DustId, pass.LoadMgPerCm2, DustLoad.Nearest(pass.LoadMgPerCm2).Word))],
        beyond.GlazeId, ColourView.From(beyond.Colour), Difference.Of(beyond.Colour, target));
}
