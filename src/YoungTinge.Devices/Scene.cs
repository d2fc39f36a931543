using YoungTinge.Core.Colour;
using YoungTinge.Core.Pictures;

namespace YoungTinge.Devices;

/// <summary>What lies in the light box: at every point a mixture of a few surfaces, and how much light reaches it.</summary>
public abstract class Scene(int width, int height)
{
    /// <summary>The card that ships with the box, as matt white paper.</summary>
    public static Spectrum White { get; } = Spectrum.From(_ => 0.90);

    /// <summary>The mat under everything: a warm grey felt.</summary>
    protected static Spectrum Mat { get; } = Spectrum.From(band => 0.30 + 0.0006 * band);

    public int Width => width;

    public int Height => height;

    /// <summary>Where the white card lies.</summary>
    public abstract Box Card { get; }

    public abstract Box Subject { get; }

    public abstract IReadOnlyList<Spectrum> Surfaces { get; }

    /// <summary>Surfaces at a point by their place in the list, with shares that sum to 1.</summary>
    public abstract (int Surface, double Share)[] At(int x, int y);

    /// <summary>1 in full light.</summary>
    public virtual double ShadeAt(int x, int y) => 1;

    /// <summary>Whether a box covers a pixel's middle.</summary>
    protected bool Covers(Box box, int x, int y)
    {
        double across = (x + 0.5) / width, down = (y + 0.5) / height;
        return across >= box.Left && across < box.Left + box.Width && down >= box.Top && down < box.Top + box.Height;
    }
}
