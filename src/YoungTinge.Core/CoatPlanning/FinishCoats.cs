using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.CoatPlanning;

/// <summary>What a piece is set and finished with, from the finish that its zones should have.</summary>
internal static class FinishCoats
{
    private const double LustreMgPerCm2 = 0.12;
    private const int MostGlazeCoats = 3;

    /// <summary>Share of the face that reads as satin, and as gloss.</summary>
    private const double SatinGloss = 0.35;
    private const double FullGloss = 0.9;

    /// <summary>A zone's place for the shine that it has to itself.</summary>
    private static readonly Dictionary<Zone, Place> Places = new()
    {
        [Zone.Base] = new Place(PlaceKind.Base, 0, 0.10, 0.25),
        [Zone.Tip] = new Place(PlaceKind.Tip, 0, 0.08, 0.20),
        [Zone.Rim] = new Place(PlaceKind.Rim, 0, 1, 4),
        [Zone.Heart] = new Place(PlaceKind.Heart, 0, 0.25, 0.40),
    };

    /// <summary>Steam, then lustre, then glaze. Lustre is clouded by steam, and glaze sets nothing that lies loose.</summary>
    public static IReadOnlyList<Coat> For(IReadOnlyDictionary<Zone, Target> targets, IReadOnlyList<Material> allowed, Materials materials, Func<Guid> newId)
    {
        var coats = new List<Coat> { new SteamCoat(newId(), SteamCoat.UsualSeconds) };
        coats.AddRange(Lustre(targets, [.. allowed.OfType<Dust>().Where(dust => dust.Kind == DustKind.Lustre)], materials, newId));
        if (Glaze(targets, [.. allowed.OfType<Glaze>()], newId) is { } glaze)
            coats.Add(glaze);
        return coats;
    }

    private static IEnumerable<Coat> Lustre(IReadOnlyDictionary<Zone, Target> targets, IReadOnlyList<Dust> lustres, Materials materials, Func<Guid> newId)
    {
        var zones = targets.Where(pair => pair.Key != Zone.Back && pair.Value.Finish.Shimmers()).Select(pair => pair.Key).ToList();
        if (lustres.Count == 0 || zones.Count == 0)
            yield break;
        var back = targets[Zone.Back].Finish.Shimmers();
        // Wherever it shimmers, the lustre that is most like what it should look like.
        var all = zones.Count >= Places.Count;
        foreach (var zone in all ? [Zone.Heart] : zones)
        {
            var target = targets[zone].Colour;
            var lustre = lustres.MinBy(one => DeltaE2000.Between(target, SwatchColour.OfDust(one.Optics, materials)))!;
            yield return new DustCoat(
                newId(), [new Portion(lustre.Id, 1)], LustreMgPerCm2, all ? Place.Whole : Places[zone], back ? Sides.Both : Sides.Face);
        }
    }

    private static GlazeCoat? Glaze(IReadOnlyDictionary<Zone, Target> targets, IReadOnlyList<Glaze> glazes, Func<Guid> newId)
    {
        double Wanted(Finish finish) => finish switch { Finish.Satin => SatinGloss, Finish.Gloss => FullGloss, _ => 0 };
        var wanted = targets.Where(pair => pair.Key != Zone.Back).Max(pair => Wanted(pair.Value.Finish));
        if (wanted == 0 || glazes.Count == 0)
            return null;
        var (glaze, coats) = glazes.SelectMany(glaze => Enumerable.Range(1, MostGlazeCoats).Select(coats => (glaze, coats)))
            .MinBy(one => Math.Abs(1 - Math.Pow(1 - one.glaze.Gloss, one.coats) - wanted) + 0.02 * one.coats);
        return new GlazeCoat(newId(), glaze.Id, coats, Wanted(targets[Zone.Back].Finish) > 0 ? Sides.Both : Sides.Face);
    }
}
