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
        switch (eye.Plan.Plan.Targets[zone].Finish)
        {
            case Finish.Matt:
                if (shine > MattTo)
                    yield return AdviceCode.TooGlossy;
                if (shimmer > ShimmersFrom)
                    yield return AdviceCode.Shimmers;
                break;
            case Finish.Satin:
                if (shine < SatinFrom)
                    yield return AdviceCode.TooMatt;
                if (shine > SatinTo)
                    yield return AdviceCode.TooGlossy;
                break;
            case Finish.Gloss:
                if (shine < GlossFrom)
                    yield return AdviceCode.TooMatt;
                break;
            default:
                // Pearl, metal and frost are all made with lustre.
                if (shimmer < ShimmersFrom)
                    yield return AdviceCode.NoShimmer;
                break;
        }
    }

    /// <summary>Share of a zone that glazes make shine, 0 to 1. What is dusted over them lies on the shine and takes it away.</summary>
    private static double ShineOf(ZoneColourEvaluator eye, Zone zone)
    {
        var dull = 1.0;
        foreach (var (coat, i) in eye.Plan.Coats.Select((coat, i) => (coat, i)))
        {
            dull = coat switch
            {
                ResolvedGlaze glaze when coat.Coat.IsOn(SideOf(zone)) => dull * (1 - glaze.GlossyShare),
                ResolvedDust when !coat.Coat.IsDetail && eye.ShareIn(zone, i) > CoversFrom => 1,
                ResolvedPollen when eye.ShareIn(zone, i) > CoversFrom => 1,
                _ => dull,
            };
        }

        return 1 - dull;
    }

    /// <summary>Less than this share of a coat on a glaze leaves it shining.</summary>
    private const double CoversFrom = 0.5;

    private static double ShimmerOf(ZoneColourEvaluator eye, Zone zone) => 1 - eye.Plan.Coats.Index()
        .Where(one => one.Item is ResolvedDust { IsLustrous: true })
        .Aggregate(1.0, (dull, one) => dull * (1 - ((ResolvedDust)one.Item).ShimmerAt(((DustCoat)one.Item.Coat).LoadMgPerCm2 * eye.ShareIn(zone, one.Index))));

    private static Side SideOf(Zone zone) => zone == Zone.Back ? Side.Back : Side.Face;
}
