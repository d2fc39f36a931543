using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Coats.Advice;

/// <summary>Whether zones shine and shimmer as they were to. What share of a face must shine to be called so are house figures.</summary>
internal static class FinishAdvice
{
    private const double SatinFrom = 0.15;
    private const double SatinTo = 0.8;
    private const double GlossFrom = 0.55;

    /// <summary>A first thin spray on a matt face is not seen as shine.</summary>
    private const double MattTo = 0.4;

    private const double ShimmersFrom = 0.2;

    private static readonly Zone[] Zones = Enum.GetValues<Zone>();

    /// <summary>Each fault once, at the zone that is looked at most of those that have it.</summary>
    public static IEnumerable<PlanAdvice> For(ZoneColourEvaluator eye) => Zones.OrderBy(zone => zone != Zone.Heart)
        .SelectMany(zone => FaultsOf(eye, zone).Select(code => new PlanAdvice(code) { Zone = zone }))
        .DistinctBy(advice => advice.Code);

    private static IEnumerable<AdviceCode> FaultsOf(ZoneColourEvaluator eye, Zone zone)
    {
        var (shine, shimmer) = (ShineOf(eye, zone), ShimmerOf(eye, zone));
        var finish = eye.Plan.Plan.Targets[zone].Finish;
        if (finish.Shimmers())
            return shimmer < ShimmersFrom ? [AdviceCode.NoShimmer] : [];
        var (least, most) = finish switch { Finish.Satin => (SatinFrom, SatinTo), Finish.Gloss => (GlossFrom, 1), _ => (0, MattTo) };
        return
        [
            .. shine < least ? [AdviceCode.TooMatt] : shine > most ? [AdviceCode.TooGlossy] : Array.Empty<AdviceCode>(),
            .. finish == Finish.Matt && shimmer > ShimmersFrom ? [AdviceCode.Shimmers] : Array.Empty<AdviceCode>(),
        ];
    }

    /// <summary>Share of a zone that glazes make shine, 0 to 1. What lies over most of them takes it away.</summary>
    private static double ShineOf(ZoneColourEvaluator eye, Zone zone)
    {
        var dull = 1.0;
        foreach (var (i, coat) in eye.Plan.Coats.Index())
        {
            dull = coat switch
            {
                ResolvedGlaze glaze when coat.Coat.IsOn(zone.Side()) => dull * (1 - glaze.GlossyShare),
                ResolvedDust or ResolvedPollen when eye.ShareIn(zone, i) > ZoneColourEvaluator.HidesMost => 1,
                _ => dull,
            };
        }

        return 1 - dull;
    }

    private static double ShimmerOf(ZoneColourEvaluator eye, Zone zone) => 1 - eye.Plan.Coats.Index()
        .Select(one => one.Item is ResolvedDust { IsLustrous: true } dust ? dust.ShimmerAt(dust.LaidMgPerCm2 * eye.ShareIn(zone, one.Index)) : 0)
        .Aggregate(1.0, (dull, shimmer) => dull * (1 - shimmer));
}
