using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Marble;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Coats.Model;

/// <summary>What the paste of a piece looks like before any coat, point by point: the same all over, or with the streaks of its marble.</summary>
public sealed class PasteFace
{
    private readonly Spectrum even;
    private readonly MarbledCut? cut;

    /// <param name="number">Which piece of the whorl, from 0: no two are cut from the same place.</param>
    public PasteFace(PasteSource paste, PieceShape shape, int number = 0)
    {
        even = KubelkaMunk.Opaque(paste.Optics);
        cut = (paste as MarbledPaste)?.Sheet.CutOf(number, shape.LengthMm);
    }

    /// <summary>Whether every point has a colour of its own.</summary>
    public bool IsStreaked => cut is not null;

    /// <summary>Reflectance, 0 to 1.</summary>
    /// <param name="seenMm">Half the width of the spot that an eye takes together there.</param>
    public Spectrum At(PiecePoint point, double seenMm) => cut?.FaceAt(point.XMm, point.YMm, seenMm) ?? even;

    /// <summary>The mean over a cell of a picture: where the layers of a fold meet, one point does not stand for it.</summary>
    public void Over(PiecePoint point, double acrossMm, double alongMm, Span<double> face)
    {
        if (cut is null)
        {
            even.Values.CopyTo(face);
            return;
        }

        face.Clear();
        foreach (var (across, along) in WithinCell)
            SimdKubelkaMunk.Add(face, cut.FaceAt(point.XMm + across * acrossMm, point.YMm + along * alongMm, acrossMm / 3).Values, 1.0 / WithinCell.Length);
    }

    private static readonly (double Across, double Along)[] WithinCell = [(-0.3, -0.15), (0.3, 0.15), (-0.05, 0.35), (0.05, -0.35)];
}
