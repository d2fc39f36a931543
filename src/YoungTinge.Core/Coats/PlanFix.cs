using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Coats;

/// <summary>What an experienced maker would change, where that is clear.</summary>
public static class PlanFix
{
    // How a hand fades an edge out: a fifth of the piece, or a few millimetres of a rim.
    private const double UsualFeather = 0.2;
    private const double UsualRimFeatherMm = 4;

    private const int UsualSteamSeconds = 8;

    /// <param name="newId">For a coat that has to be put in.</param>
    /// <returns>The plan with only that mended; null where it is for the maker to say.</returns>
    public static PiecePlan? For(PiecePlan plan, Advice advice, Materials materials, Guid newId)
    {
        var coats = plan.Coats.ToList();
        var at = coats.FindIndex(coat => coat.Id == advice.CoatId);
        if (at < 0)
            return null;
        var coat = coats[at];
        return advice.Code switch
        {
            AdviceCode.DustOverGlaze or AdviceCode.PaintOverGlaze or AdviceCode.SteamOverGlaze => Moved(Before<GlazeCoat>()),
            AdviceCode.DustOverPaint => Moved(Before<WashCoat>()),
            AdviceCode.CoatOverPollen => Moved(Before<PollenCoat>()),
            AdviceCode.SteamOverLustre => Moved(coats.FindIndex(IsLustre)),
            // Steam would cloud a lustre: only a spray leaves it as it lies.
            AdviceCode.GlazeOverLooseDust when coats.Take(at).Any(IsLustre) =>
                coat is GlazeCoat glaze && Spray() is { } spray ? Changed(glaze with { GlazeId = spray.Id }) : null,
            AdviceCode.GlazeOverLooseDust => plan with { Coats = [.. coats.Take(at), new SteamCoat(newId, UsualSteamSeconds), .. coats.Skip(at)] },
            AdviceCode.DustNotCut when coat is DustCoat dust && Starch() is { } starch => Changed(dust with { Mix = [.. dust.Mix, new Portion(starch.Id, dust.Mix.Sum(part => part.Parts))] }),
            AdviceCode.HardLine => coat switch
            {
                DustCoat dust => Changed(dust with { Place = Faded(dust.Place) }),
                WashCoat wash => Changed(wash with { Place = Faded(wash.Place) }),
                _ => null,
            },
            AdviceCode.WaterOnThinPiece when coat is WashCoat wash && Spirit() is { } spirit => Changed(wash with { ThinnerId = spirit.Id }),
            _ => null,
        };

        int Before<T>() where T : Coat => coats.FindIndex(other => other is T);

        PiecePlan? Moved(int to)
        {
            if (to < 0 || to >= at)
                return null;
            coats.RemoveAt(at);
            coats.Insert(to, coat);
            return plan with { Coats = coats };
        }

        PiecePlan Changed(Coat to) => plan with { Coats = [.. coats.Select(other => other.Id == to.Id ? to : other)] };

        bool IsLustre(Coat other) => other is DustCoat dust && DustOptics.IsLustrous(dust.Mix, materials);

        Glaze? Spray() => materials.All.OfType<Glaze>().FirstOrDefault(glaze => glaze.IsSprayed && !glaze.Label.IsRetired);

        Dust? Starch() => materials.All.OfType<Dust>().FirstOrDefault(dust => dust.Kind == DustKind.Extender && !dust.Label.IsRetired);

        Thinner? Spirit() => materials.All.OfType<Thinner>().FirstOrDefault(thinner => thinner.WashDepthMm < PlanAdvice.SoftensFromDepthMm && !thinner.Label.IsRetired);
    }

    private static Place Faded(Place place) => place with { Feather = place.IsInMm ? UsualRimFeatherMm : UsualFeather };
}
