using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Schedule;

/// <summary>The order in which coats belong: dust, pale first; paint; steam; lustre; glaze; pollen; and what comes once all is assembled.</summary>
internal sealed class CoatOrder(Materials materials)
{
    private readonly Dictionary<string, double> lightness = [];

    /// <summary>Coats that stay keep their order among each other; new ones come after those of their kind that stay, the palest first.</summary>
    public List<Slot> Sorted(IReadOnlyList<Slot> slots) =>
        [.. slots.OrderBy(slot => StageOf(slot.Template)).ThenBy(slot => slot.IsFree ? 1 : 0).ThenByDescending(slot => slot.IsFree ? LightnessOf(slot) : 0)];

    /// <summary>Coats of a lower stage come first.</summary>
    public int StageOf(Coat coat) => coat switch
    {
        DustCoat { AfterAssembly: true } => 6,
        DustCoat dust when DustOptics.IsLustrous(dust.Mix, materials) => 3,
        DustCoat => 0,
        WashCoat => 1,
        SteamCoat => 2,
        GlazeCoat => 4,
        _ => 5,
    };

    /// <summary>Of what is in it, by mass.</summary>
    private double LightnessOf(Slot slot) => slot.Total > 0 ? slot.Materials.Zip(slot.Amounts).Sum(part => LightnessOf(part.First) * part.Second) / slot.Total : 100;

    private double LightnessOf(string materialId) =>
        lightness.TryGetValue(materialId, out var known) ? known : lightness[materialId] = Chip.Of(materials.Get<Material>(materialId), materials)?.L ?? 100;
}
