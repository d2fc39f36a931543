using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Mixing;

/// <summary>The ages of a paste.</summary>
public enum PasteAge
{
    Kneaded,
    Rested,
    Dried,
}

/// <summary>A paste at one age under the light that was asked for.</summary>
public sealed record AgedColour(PasteAge Age, Lab Colour, Difference Difference);

/// <summary>The rested paste and its target under one light, each relative to that light's white.</summary>
public sealed record LitColour(LightKind Light, Lab Colour, Lab Target, Difference Difference);

/// <summary>What a colour in a recipe mostly does.</summary>
public enum EffectKind
{
    /// <summary>It gives the paste its hue: without it the colour would be another one.</summary>
    Colours,
    Deepens,
    Lightens,
    Mutes,
    Brightens,
    Warms,
    Cools,
    Reddens,
    Greens,
}

/// <summary>The part of one colour in a recipe: the recipe with it against the recipe without it.</summary>
public sealed record ColourEffect(string ColourantId, EffectKind Kind, double Lightness, double Chroma, double DeltaE);

/// <param name="Share">Of the load limit; above 1 paste turns soft and sticky.</param>
public sealed record ColourLoad(string ColourantId, double GPer100g, double LimitGPer100g, double Share);

/// <summary>Everything that follows from a recipe, for the hand and for the eye.</summary>
/// <param name="RestHours">Until the colour has come out.</param>
/// <param name="Cost">Of paste and colour for the batch, in the studio's currency; null if a price is missing.</param>
/// <param name="Reflectance">Of the rested paste.</param>
/// <param name="TargetReflectance">The plainest that looks like the target.</param>
public sealed record RecipeEvaluation(
    IReadOnlyList<AgedColour> Ages, IReadOnlyList<LitColour> UnderLights, IReadOnlyList<ColourEffect> Effects, IReadOnlyList<ColourLoad> Loads,
    DosedRecipe Batch, double RestHours, double? Cost, Spectrum Reflectance, Spectrum TargetReflectance)
{
    /// <summary>Share of its strength that a colour should have reached before the paste is judged.</summary>
    private const double RestedShare = 0.97;

    /// <param name="target">Under daylight.</param>
    /// <param name="pasteG">Paste before colour, above 0.</param>
    /// <param name="light">To see the ages of the paste under.</param>
    public static RecipeEvaluation Of(PasteRecipe recipe, Lab target, double pasteG, LightKind light, Materials materials)
    {
        var wanted = ReflectanceFromColour.Convert(target);
        var rested = PasteOptics.Reflectance(recipe, materials);
        var kneaded = PasteOptics.Reflectance(recipe, materials, restHours: 0);
        var dried = PasteOptics.Dried(recipe, materials);
        return new RecipeEvaluation(
            [Aged(PasteAge.Kneaded, kneaded), Aged(PasteAge.Rested, rested), Aged(PasteAge.Dried, KubelkaMunk.Opaque(dried))],
            [.. Enum.GetValues<LightKind>().Select(Lit)],
            [.. recipe.Doses.Select((_, i) => EffectOf(recipe, i, materials))],
            [.. recipe.Doses.Select(dose => LoadOf(dose, materials))],
            DosedRecipe.For(recipe, pasteG, materials),
            RestHoursOf(recipe, materials),
            CostOf(recipe, pasteG, materials),
            rested,
            wanted);

        AgedColour Aged(PasteAge age, Spectrum face)
        {
            var colour = Lights.Of(light).LabOf(face);
            return new AgedColour(age, colour, Difference.Of(colour, TargetUnder(light)));
        }

        LitColour Lit(LightKind kind)
        {
            var colour = Lights.Of(kind).LabOf(rested);
            return new LitColour(kind, colour, TargetUnder(kind), Difference.Of(colour, TargetUnder(kind)));
        }

        // At the edge of what a surface can be the reflectance falls a little short; its error under daylight is taken off again.
        Lab TargetUnder(LightKind kind)
        {
            var daylight = Illuminant.D65.LabOf(wanted);
            var seen = Lights.Of(kind).LabOf(wanted);
            return new Lab(seen.L + target.L - daylight.L, seen.A + target.A - daylight.A, seen.B + target.B - daylight.B);
        }
    }

    private static ColourEffect EffectOf(PasteRecipe recipe, int place, Materials materials)
    {
        var with = PasteOptics.ColourOf(recipe, materials);
        var without = PasteOptics.ColourOf(recipe with { Doses = [.. recipe.Doses.Where((_, i) => i != place)] }, materials);
        var difference = Difference.Of(with, without);
        return new ColourEffect(
            recipe.Doses[place].ColourantId, KindOf(with, without, difference), with.L - without.L, with.Chroma - without.Chroma, difference.DeltaE);
    }

    private static EffectKind KindOf(Lab with, Lab without, Difference difference)
    {
        // A hue that comes or turns with it is what the eye names first.
        var turned = Math.Abs(Math.IEEERemainder(with.HueDegrees - without.HueDegrees, 360));
        if (with.Chroma > without.Chroma && (without.Chroma < 10 || turned > 60))
            return EffectKind.Colours;
        return difference.Way switch
        {
            DifferenceWay.Darker => EffectKind.Deepens,
            DifferenceWay.Paler => EffectKind.Lightens,
            DifferenceWay.Duller => EffectKind.Mutes,
            DifferenceWay.Stronger => EffectKind.Brightens,
            DifferenceWay.Warmer => EffectKind.Warms,
            DifferenceWay.Cooler => EffectKind.Cools,
            DifferenceWay.Redder => EffectKind.Reddens,
            _ => EffectKind.Greens,
        };
    }

    private static ColourLoad LoadOf(Dose dose, Materials materials)
    {
        var limit = materials.Get<Colourant>(dose.ColourantId).LoadLimitGPer100g;
        return new ColourLoad(dose.ColourantId, dose.GPer100g, limit, dose.GPer100g / limit);
    }

    /// <summary>Whether any colour, or all of them together, is above what the paste takes.</summary>
    public static bool IsTooDeep(PasteRecipe recipe, Materials materials) =>
        recipe.Doses.Any(dose => LoadOf(dose, materials).Share > 1) || PasteLoad.Of(recipe, materials) is { IsTooWet: true } or { IsTooDry: true };

    /// <summary>Until every colour has come out; 0 if there is none.</summary>
    public static double RestHoursOf(PasteRecipe recipe, Materials materials) =>
        recipe.Doses.Select(dose => materials.Get<Colourant>(dose.ColourantId).Development.HoursUntil(RestedShare)).DefaultIfEmpty(0).Max();

    /// <summary>Null if the price of anything in it is not known.</summary>
    public static double? CostOf(PasteRecipe recipe, double pasteG, Materials materials)
    {
        var cost = materials.Get<PasteBase>(recipe.BaseId).Supply.PricePerG * pasteG;
        foreach (var dose in recipe.Doses)
            cost += materials.Get<Colourant>(dose.ColourantId).Supply.PricePerG * dose.GPer100g * pasteG / 100;
        return cost;
    }
}
