using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Numerics;

namespace YoungTinge.Core.Ombre;

/// <summary>A shade got by dust on the palest paste instead of by a paste of its own.</summary>
/// <param name="Beyond">Null if the paste alone is as near as any dust brings it.</param>
public sealed record DustedShade(SurfaceFinish? Beyond, Lab Colour, double DeltaE)
{
    /// <summary>A dusted petal this near its paste passes for it.</summary>
    private const double NearDeltaE = 2;

    public bool IsNear => DeltaE < NearDeltaE;

    /// <summary>The whole run with one paste only: its palest shade, dusted.</summary>
    public static IReadOnlyList<DustedShade> Of(OmbreRun run, Materials materials, CancellationToken cancel = default)
    {
        var palest = run.Shades.MaxBy(shade => shade.Colour.L)!;
        var paste = palest == run.Shades[0] ? run.Stops[0] : run.Stops[^1];
        return SideBySide.Select(run.Shades, (shade, _) => Of(shade.Colour, paste, materials, cancel), cancel);
    }

    private static DustedShade Of(Lab target, PasteRecipe paste, Materials materials, CancellationToken cancel)
    {
        var alone = PasteOptics.ColourOf(paste, materials);
        return SurfaceFinishSearch.Find([paste], target, materials, material => material is Dust { Label.IsRetired: false }, cancel: cancel) is { } beyond
            ? new DustedShade(beyond, beyond.Colour, beyond.DeltaE)
            : new DustedShade(null, alone, DeltaE2000.Between(target, alone));
    }
}
