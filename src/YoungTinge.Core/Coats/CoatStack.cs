using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Coats;

/// <summary>
/// The coats of one side of a piece, made ready to be laid on many points. Steam looks back: a dust below it lies as steamed,
/// a dust above it does not, and a second steaming changes nothing more.
/// </summary>
public sealed class CoatStack
{
    private readonly List<(int Coat, DustFilm? Dust, double LoadMgPerCm2, GlazeFilm? Glaze)> films = [];

    /// <param name="coats">In order, first on the paste. The materials they name must be in the cabinet.</param>
    public CoatStack(IReadOnlyList<Coat> coats, Materials materials, Side side)
    {
        var lastSteam = coats.Select((coat, i) => coat is SteamCoat ? i : -1).DefaultIfEmpty(-1).Max();
        for (var i = 0; i < coats.Count; i++)
        {
            switch (coats[i])
            {
                case DustCoat dust when dust.Sides.Include(side):
                    var optics = DustOptics.Mix(dust.Mix, materials);
                    var steamed = i < lastSteam;
                    films.Add((i, new DustFilm(steamed ? DustOptics.Steamed(optics) : optics), dust.LoadMgPerCm2 * (steamed ? DustOptics.SteamKeep : 1), null));
                    break;
                case GlazeCoat glaze when glaze.Sides.Include(side):
                    films.Add((i, null, 0, new GlazeFilm(materials.Get<Glaze>(glaze.GlazeId), glaze.Coats)));
                    break;
            }
        }
    }

    /// <summary>Lays every coat on a face, in place.</summary>
    /// <param name="reflectance">36 values of the paste, 0 to 1; becomes the finished face.</param>
    /// <param name="shareOfCoat">How much of the load of the coat at this place in the list lies here, 0 or more.</param>
    public void LayOn(Span<double> reflectance, Func<int, double> shareOfCoat)
    {
        foreach (var (coat, dust, load, glaze) in films)
        {
            dust?.LayOn(reflectance, load * shareOfCoat(coat));
            glaze?.LayOn(reflectance);
        }
    }
}
