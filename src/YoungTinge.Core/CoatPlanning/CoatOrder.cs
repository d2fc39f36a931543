using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;

namespace YoungTinge.Core.CoatPlanning;

/// <summary>The order in which coats belong: dust, pale first; washes, then painted details; steam; lustre; glaze; pollen; and what comes once all is assembled.</summary>
internal sealed class CoatOrder(Materials materials)
{
    private readonly Dictionary<string, Lab?> colours = [];

    /// <summary>Coats that stay keep their order among each other; new ones come after those of their kind that stay, the palest first.</summary>
    public List<CandidateCoat> Sorted(IReadOnlyList<CandidateCoat> candidates) =>
        [.. candidates.OrderBy(candidate => candidate.Template.StageIn(materials)).ThenBy(candidate => candidate.Template.IsDetail).ThenBy(candidate => candidate.IsFree ? 1 : 0).ThenByDescending(candidate => candidate.IsFree ? LightnessOf(candidate) : 0)];

    /// <summary>Of what is in it, by mass.</summary>
    private double LightnessOf(CandidateCoat candidate) => candidate.Total > 0 ? candidate.Materials.Zip(candidate.Amounts).Sum(part => LightnessOf(part.First) * part.Second) / candidate.Total : 100;

    private double LightnessOf(string materialId) => ColourOf(materialId)?.L ?? 100;

    /// <summary>As a jar looks; null for what has no colour of its own.</summary>
    public Lab? ColourOf(string materialId) => colours.TryGetValue(materialId, out var known) ? known : colours[materialId] = SwatchColour.Of(materials.Get<Material>(materialId), materials);
}
