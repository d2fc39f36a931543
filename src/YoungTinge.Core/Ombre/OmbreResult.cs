using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Ombre;

/// <summary>How makers get from one deep paste to many paler ones.</summary>
public enum OmbreMethod
{
    /// <summary>One deep batch; more white is kneaded into what remains for each next shade.</summary>
    CutBack,

    /// <summary>One strong stock, let down with white in measured parts.</summary>
    SplitStock,

    /// <summary>Each shade is coloured by itself.</summary>
    DoseEach,
}

/// <summary>A shade as it really comes out.</summary>
/// <param name="Colour">Daylight, rested, with every weight and dose rounded as a hand measures.</param>
/// <param name="OffDeltaE">From the exact shade.</param>
/// <param name="TouchDeltaE">How far one touch too many at the very start moves it.</param>
/// <param name="GramDeltaE">How far a gram too much at the first letting-down moves it.</param>
public sealed record MadeShade(Lab Colour, double OffDeltaE, double TouchDeltaE, double GramDeltaE);

/// <summary>A run made by one school.</summary>
/// <param name="TotalG">All paste that is made, with what let-downs leave.</param>
/// <param name="LeftOverG">Of it, what no piece needs.</param>
/// <param name="Unevenness">Largest step against the smallest, as made.</param>
public sealed record OmbreResult(
    OmbreMethod School, IReadOnlyList<OmbreStep> Steps, IReadOnlyList<MadeShade> Shades, double TotalG, double LeftOverG, int Kneadings, int Weighings,
    double Unevenness)
{
    /// <summary>Less paste than this cannot be kneaded even, in g.</summary>
    private const double SmallestLumpG = 5;

    /// <param name="scaleG">Smallest step of the scale, above 0.</param>
    public static OmbreResult Of(OmbreRun run, OmbreMethod school, Materials materials, double scaleG)
    {
        OmbreBench Done(Slip slip)
        {
            var bench = new OmbreBench(run, materials, scaleG, slip);
            switch (school)
            {
                case OmbreMethod.CutBack:
                    CutBack(run, bench);
                    break;
                case OmbreMethod.SplitStock:
                    SplitStock(run, bench);
                    break;
                default:
                    DoseEach(run, bench);
                    break;
            }

            return bench;
        }

        var (done, touched, slipped) = (Done(Slip.None), Done(Slip.OneTouch), Done(Slip.OneGram));
        Lab[] colours = [.. done.Shades.Select(shade => shade.Colour)];
        return new OmbreResult(
            school, done.Steps,
            [.. colours.Select((colour, i) => new MadeShade(
                colour, DeltaE2000.Between(run.Shades[i].Colour, colour),
                DeltaE2000.Between(colour, touched.Shades[i].Colour), DeltaE2000.Between(colour, slipped.Shades[i].Colour)))],
            done.MadeG, done.MadeG - run.Shades.Sum(shade => shade.Grams), done.Kneadings, done.Weighings, run.UnevennessOf(colours));
    }

    /// <summary>
    /// Backwards from the palest: what must be left over from a shade so that the next ones come out of it, with nothing to spare unless
    /// so little would be left that it could not be kneaded.
    /// </summary>
    private static void CutBack(OmbreRun run, OmbreBench bench)
    {
        var segments = Enumerable.Range(0, run.Stops.Count).Select(stop => run.Shades.Index().Where(shade => shade.Item.Stop == stop).ToList()).ToList();
        var startG = new double[segments.Count];
        var keptG = new double[run.Shades.Count];
        var addedG = new double[run.Shades.Count];
        for (var stop = 0; stop < segments.Count; stop++)
        {
            var members = segments[stop];
            var needG = members[^1].Item.Grams;
            for (var i = members.Count - 1; i > 0; i--)
            {
                double before = 1 - members[i - 1].Item.Share, now = 1 - members[i].Item.Share;
                var kept = bench.OnScaleUp(Math.Max(needG * now / before, SmallestLumpG));
                keptG[members[i - 1].Index] = kept;
                addedG[members[i].Index] = bench.OnScale(kept * (before / now - 1));
                needG = members[i - 1].Item.Grams + kept;
            }

            startG[stop] = bench.OnScaleUp(needG);
        }

        // What is kneaded in must be there before: a paste of the run serves as the next one's start and to let down the one before.
        var lumps = run.Stops.Select((recipe, stop) => bench.Make(
            recipe, startG[stop] + (stop > 0 ? segments[stop - 1].Sum(shade => addedG[shade.Index]) : 0), stop)).ToList();
        for (var stop = 0; stop < segments.Count; stop++)
        {
            var lump = lumps[stop].Part(startG[stop]);
            foreach (var (shade, (index, wanted)) in segments[stop].Index())
            {
                if (shade > 0)
                {
                    bench.Note(new OmbreStep(OmbreAct.AddPaste, index, addedG[index], stop + 1));
                    bench.Weigh();
                    lump = bench.Add(lump, lumps[stop + 1], addedG[index]);
                }

                bench.Put(index, lump.Part(wanted.Grams));
                bench.Note(new OmbreStep(OmbreAct.SetAside, index, wanted.Grams));
                bench.Weigh();
                var over = lump.Grams - wanted.Grams - keptG[index];
                if (bench.OnScale(over) > 0)
                {
                    bench.Note(new OmbreStep(OmbreAct.LeftOver, index, over));
                    bench.Weigh();
                }

                lump = lump.Part(keptG[index]);
            }
        }
    }

    private static void SplitStock(OmbreRun run, OmbreBench bench)
    {
        var laterG = run.Shades.Select(shade => bench.OnScale(shade.Share * shade.Grams)).ToList();
        var needG = new double[run.Stops.Count];
        foreach (var (i, shade) in run.Shades.Index())
        {
            needG[shade.Stop] += shade.Grams - laterG[i];
            if (laterG[i] > 0)
                needG[shade.Stop + 1] += laterG[i];
        }

        var stocks = run.Stops.Select((recipe, stop) => bench.Make(recipe, bench.OnScaleUp(needG[stop]), stop)).ToList();
        foreach (var (i, shade) in run.Shades.Index())
        {
            var part = stocks[shade.Stop].Part(shade.Grams - laterG[i]);
            bench.Weigh();
            if (laterG[i] > 0)
            {
                bench.Note(new OmbreStep(OmbreAct.MixParts, i, shade.Grams, null, [new(shade.Stop, part.Grams), new(shade.Stop + 1, laterG[i])]));
                bench.Weigh();
                bench.Put(i, bench.Add(part, stocks[shade.Stop + 1], laterG[i]));
            }
            else
            {
                bench.Note(new OmbreStep(OmbreAct.SetAside, i, shade.Grams));
                bench.Put(i, part);
            }
        }

        foreach (var (stop, stock) in stocks.Index())
        {
            if (bench.OnScale(stock.Grams - needG[stop]) is > 0 and var over)
                bench.Note(new OmbreStep(OmbreAct.LeftOver, null, over, stop));
        }
    }

    private static void DoseEach(OmbreRun run, OmbreBench bench)
    {
        foreach (var (i, shade) in run.Shades.Index())
        {
            var recipe = run.Stops[shade.Stop];
            if (shade.Share == 0)
            {
                bench.Put(i, bench.Make(recipe, shade.Grams, null, i));
                continue;
            }

            // All colours go into the larger part, where they can be counted; a second paste is kneaded in as it comes.
            var next = run.Stops[shade.Stop + 1];
            var laterG = bench.OnScale(shade.Share * shade.Grams);
            var firstG = shade.Grams - laterG;
            var isOnePaste = recipe.BaseId == next.BaseId;
            var (baseId, baseG, otherId, otherG) = isOnePaste ? (recipe.BaseId, shade.Grams, "", 0)
                : firstG >= laterG ? (recipe.BaseId, firstG, next.BaseId, laterG) : (next.BaseId, laterG, recipe.BaseId, firstG);
            var blended = new PasteRecipe(baseId, []);
            foreach (var dose in recipe.Doses)
                blended = blended.With(dose with { GPer100g = (1 - shade.Share) * shade.Grams / baseG * dose.GPer100g });
            foreach (var dose in next.Doses)
                blended = blended.With(dose with { GPer100g = shade.Share * shade.Grams / baseG * dose.GPer100g });
            var lump = bench.Make(blended, baseG, null, i);
            bench.Put(i, otherG > 0 ? bench.Add(lump, bench.Make(new PasteRecipe(otherId, []), otherG, null, i), otherG) : lump);
        }
    }
}
