using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Learning;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Store;

/// <summary>A zone of a finished piece as it was laid, beside the coats of its plan.</summary>
/// <param name="Lots">Of the dusts in its coats, by the dust; one without a mark has none.</param>
public sealed record LoggedZone(IReadOnlyDictionary<string, string> Lots, ZoneAsLaid Laid)
{
    /// <param name="eye">Of the piece as it is planned and predicted.</param>
    public static LoggedZone Of(ZoneColourEvaluator eye, Zone zone) => new(
        eye.Plan.Plan.Coats.SelectMany(coat => coat.MaterialIds()).Distinct().Select(eye.Plan.Cabinet.Find).OfType<Dust>().Where(dust => dust.Supply.Lot.Length > 0).ToDictionary(dust => dust.Id, dust => dust.Supply.Lot),
        eye.AsLaid(zone));
}
