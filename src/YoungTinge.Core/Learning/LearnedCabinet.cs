using YoungTinge.Core.Cabinet;

namespace YoungTinge.Core.Learning;

/// <summary>A cabinet as its readings have taught it to be.</summary>
public static class LearnedCabinet
{
    /// <summary>What a jar is called: another lot of a colour is another jar.</summary>
    public static string JarId(string materialId, string lot) => $"{materialId}|{lot}";

    /// <summary>The jar of a colour that is open now.</summary>
    public static string OpenJar(Material material) => JarId(material.Id, material.Supply.Lot);

    /// <summary>Every jar that stands in the cabinet or was read, with what its list says.</summary>
    /// <param name="others">Lots that were read and are not open any more.</param>
    public static IReadOnlyDictionary<string, Jar> JarsOf(Materials listed, IEnumerable<(string ColourantId, string Lot)> others) =>
        listed.All.OfType<Colourant>().Select(colour => (Id: OpenJar(colour), Colour: colour))
            .Concat(others.Where(jar => listed.Has<Colourant>(jar.ColourantId)).Select(jar => (Id: JarId(jar.ColourantId, jar.Lot), Colour: listed.Get<Colourant>(jar.ColourantId))))
            .DistinctBy(jar => jar.Id).ToDictionary(jar => jar.Id, jar => new Jar(jar.Id, jar.Colour.Id, jar.Colour.Optics) { Development = jar.Colour.Development });

    /// <summary>The same cabinet with every jar and every unit as it is thought to be, coming out as colours do here. What nobody has read stays as it is, to the last digit.</summary>
    public static Materials With(this Materials listed, LearnedJars learned) => listed.With(listed.All.Select(material => material is Colourant colour ? With(colour, learned) : material));

    private static Colourant With(Colourant listed, LearnedJars learned)
    {
        var colour = learned.Of(OpenJar(listed)).Difference is var difference && difference != default ? listed with { Optics = difference.Of(listed.Optics) } : listed;
        if (learned.Units.Count > 0)
            colour = colour with { Units = [.. listed.Units.Select(unit => unit with { MassG = unit.MassG * learned.TimesOf(OwnUnit.Of(unit)) })] };
        return learned.Rest is null ? colour : colour with { Development = listed.Development.Times(LearnedFactor.InSteps(learned.TimesOfRest)) };
    }

    /// <summary>A dust that differs so from its list.</summary>
    public static Dust With(this Dust listed, JarDifference difference) => listed with { Optics = difference.Of(listed.Optics) };

    /// <summary>The colour of a rested paste from the jars that are open, and how sure it is.</summary>
    /// <exception cref="KeyNotFoundException">Something in it is not in the cabinet.</exception>
    public static RangedColour Predict(this LearnedJars learned, PasteRecipe recipe, Materials cabinet) => learned.Predict(
        recipe.BaseId, [.. recipe.WithoutNothing().Doses.Select(dose => new JarDose(OpenJar(cabinet.Get<Colourant>(dose.ColourantId)), dose.GPer100g))]);

    /// <summary>How sure a prediction is, in a word.</summary>
    public static Sureness SurenessOf(double range) => range switch
    {
        < 1.2 => Sureness.Sure,
        < 3.5 => Sureness.AboutAShade,
        _ => Sureness.Unsure,
    };
}

/// <summary>How sure a prediction is, as a maker would say it.</summary>
public enum Sureness
{
    Sure,

    /// <summary>About a shade either way.</summary>
    AboutAShade,

    /// <summary>A jar in it was hardly ever read.</summary>
    Unsure,
}
