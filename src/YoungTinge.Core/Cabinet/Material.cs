using YoungTinge.Core.Colour;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Cabinet;

/// <summary>Whether a material may be eaten: a house setting of the studio, not legal advice.</summary>
public enum FoodStatus
{
    Edible,

    /// <summary>Harmless by contact but not for eating.</summary>
    DecorativeOnly,

    /// <summary>A support such as wire: never into cake, always taken off before eating.</summary>
    NotFood,
}

/// <summary>A way of eating or a need that a material can be in the way of.</summary>
public enum Diet
{
    Vegan,
    Vegetarian,
    GlutenFree,
    NutFree,
    DairyFree,
}

/// <summary>Something in a material that people may not bear, avoid, or must be told of.</summary>
public enum Ingredient
{
    Egg,
    Gluten,
    Nuts,
    Milk,
    Soya,
    Gelatine,
    Shellac,
    Carmine,

    /// <summary>A colour that needs a warning on the label in some countries, or is not allowed there.</summary>
    WarnedColour,
}

/// <summary>What every material is known by.</summary>
/// <param name="Id">Stable within a studio, lower-case words joined by hyphens.</param>
/// <param name="Form">What it comes as: gel, powder, spray ...</param>
/// <param name="DyeFamily">What makes the colour, in words; empty if nothing does.</param>
public sealed record Label(string Id, string Name, string Form, FoodStatus FoodStatus, string DyeFamily = "", string Note = "")
{
    /// <summary>Diets that it does not suit, as far as the studio knows, apart from what its ingredients say.</summary>
    public IReadOnlyList<Diet> NotFor { get; init; } = [];

    public IReadOnlyList<Ingredient> Contains { get; init; } = [];

    /// <summary>No longer bought: still known where it was used, no longer offered.</summary>
    public bool IsRetired { get; init; }

    /// <summary>Whether it suits a diet, by what was said of it and by what it contains.</summary>
    public bool Suits(Diet diet) => !NotFor.Contains(diet) && !Contains.Any(ingredient => RuledOutBy(ingredient).Contains(diet));

    private static Diet[] RuledOutBy(Ingredient ingredient) => ingredient switch
    {
        Ingredient.Egg or Ingredient.Shellac => [Diet.Vegan],
        Ingredient.Milk => [Diet.Vegan, Diet.DairyFree],
        Ingredient.Gelatine or Ingredient.Carmine => [Diet.Vegan, Diet.Vegetarian],
        Ingredient.Gluten => [Diet.GlutenFree],
        Ingredient.Nuts => [Diet.NutFree],
        _ => [],
    };
}

/// <summary>What is left of a material and what it costs; null is not known. What is counted has pieces, what is poured ml, the rest grams.</summary>
/// <param name="PricePerG">In the studio's currency.</param>
public sealed record Supply(double? StockG, double? PricePerG)
{
    public double? StockPieces { get; init; }

    /// <summary>In the studio's currency.</summary>
    public double? PricePerPiece { get; init; }

    public double? StockMl { get; init; }

    /// <summary>In the studio's currency.</summary>
    public double? PricePerMl { get; init; }

    /// <summary>What one pack holds, in the measure of the stock; null is not known.</summary>
    public double? PackSize { get; init; }

    public double? StockIn(Measure measure) => measure switch
    {
        Measure.Grams => StockG,
        Measure.Millilitres => StockMl,
        _ => StockPieces,
    };

    public double? PriceOfOne(Measure measure) => measure switch
    {
        Measure.Grams => PricePerG,
        Measure.Millilitres => PricePerMl,
        _ => PricePerPiece,
    };

    /// <summary>The maker's mark on the pot; empty if there is none.</summary>
    public string Lot { get; init; } = "";

    public DateOnly? OpenedOn { get; init; }

    public DateOnly? BestBefore { get; init; }
}

/// <summary>Where a material's optics come from.</summary>
public enum OpticsOrigin
{
    /// <summary>From whoever made the list; a jar may be off by a factor of two.</summary>
    Nominal,

    /// <summary>From one colour on a label: rough.</summary>
    Label,

    /// <summary>From dabs of this very jar.</summary>
    Dabs,
}

/// <param name="WorstDeltaE">Largest CIEDE2000 between a dab and what the model says for it; null without dabs.</param>
public sealed record OpticsSource(OpticsOrigin Origin, double? WorstDeltaE)
{
    public static OpticsSource Nominal { get; } = new(OpticsOrigin.Nominal, null);

    /// <summary>That it was learned from, none to four.</summary>
    public IReadOnlyList<DabReading> Dabs { get; init; } = [];
}

/// <summary>A trial of a material, as it was read.</summary>
/// <param name="Amount">g per 100 g of paste for a colourant, mg/cm2 for a dust; above 0.</param>
/// <param name="Colour">Under daylight.</param>
/// <param name="Reflectance">36 values, 380 to 730 nm every 10 nm, 0 to 1; null if only its colour was read.</param>
public sealed record DabReading(double Amount, Lab Colour, IReadOnlyList<double>? Reflectance);

/// <summary>A thing in the cabinet that colours, carries or finishes a piece.</summary>
public abstract record Material(Label Label)
{
    public string Id => Label.Id;

    public Supply Supply { get; init; } = new(null, null);

    public OpticsSource Source { get; init; } = OpticsSource.Nominal;

    /// <summary>What its stock, packs and price are counted in.</summary>
    public Measure Measure => MaterialKinds.Of(this).MeasuredIn();

    /// <summary>What is missing of it; 0 if there is enough, null if it is not known what is left.</summary>
    public double? ShortFor(double need) => Supply.StockIn(Measure) is { } left ? Math.Max(0, need - left) : null;
}

/// <summary>Paste before colour.</summary>
/// <param name="Optics">In 1/mm.</param>
public sealed record PasteBase(Label Label, KubelkaMunkSpectra Optics) : Material(Label)
{
    /// <summary>Of every paste, coloured or not.</summary>
    public const double DensityGPerCm3 = 1.30;

    /// <summary>How many times as long it dries as flower paste: what is fat or soft longer.</summary>
    public double DriesTimes { get; init; } = 1;
}

/// <summary>A colour to knead into paste.</summary>
/// <param name="Optics">In 1/mm for each gram in 100 g of paste before colour.</param>
/// <param name="LoadLimitGPer100g">Above it paste turns soft and sticky.</param>
public sealed record Colourant(Label Label, KubelkaMunkSpectra Optics, double LoadLimitGPer100g, Development Development) : Material(Label)
{
    /// <summary>What a maker doses by (drop, touch of a toothpick ...), with the mean mass of one.</summary>
    public IReadOnlyList<DoseUnit> Units { get; init; } = [];

    /// <summary>It brings no water or syrup into a paste.</summary>
    public bool IsPowder => Label.Form == "powder";
}

/// <summary>A dry colour, or what it is let down with, for brushing on.</summary>
/// <param name="Optics">In cm2/mg.</param>
/// <param name="LoadLimitMgPerCm2">More does not hold on a dry face and falls off.</param>
public sealed record Dust(Label Label, DustKind Kind, KubelkaMunkSpectra Optics, double LoadLimitMgPerCm2) : Material(Label)
{
    /// <summary>The sparkle of a lustre in the highlights; null for a matte dust.</summary>
    public Glint? Glint { get; init; }

    /// <summary>Share of its scattering that is left where glaze soaks it, 0 to 1.</summary>
    public double WetScatter { get; init; } = Kind == DustKind.Lustre ? DustOptics.LustreWetScatter : DustOptics.WetScatter;

    /// <summary>S where glaze has soaked it, in cm2/mg.</summary>
    public Spectrum WetScattering => Optics.Scattering.Map(s => s * WetScatter);
}

/// <summary>What a lustre adds to the highlights, and only there: it is drawn, and is no part of the diffuse colour.</summary>
/// <param name="Strength">Of a full coat, 0 to 1.</param>
/// <param name="HalfLoadMgPerCm2">Load that gives half of it.</param>
public sealed record Glint(Srgb Tint, double Strength, double HalfLoadMgPerCm2);

public enum DustKind
{
    Matte,
    Lustre,
    Extender,
}

/// <summary>A clear coat.</summary>
/// <param name="Gloss">Share of the face that one coat makes glossy, 0 to 1.</param>
/// <param name="OuterReflection">Share of light turned back at the outer face, 0 to 1.</param>
/// <param name="InnerReflection">Share of light turned back inside the film, 0 to 1.</param>
/// <param name="WetMlPerCm2">Wet film of one coat.</param>
public sealed record Glaze(Label Label, double Gloss, double OuterReflection, double InnerReflection, double WetMlPerCm2) : Material(Label)
{
    public GlazeOptics Optics => new(Gloss, OuterReflection, InnerReflection, WetMlPerCm2);

    /// <summary>It is not touched on: neither dragged over what is loose, nor all of it caught by the piece.</summary>
    public bool IsSprayed => Label.Form == "spray";

    /// <summary>The piece goes into it: a pot of it is needed that the largest fits in, whatever stays on the pieces.</summary>
    public bool IsDipped => Label.Form == "dip";
}

/// <summary>What colour is let down with for painting.</summary>
/// <param name="WashDepthMm">How deep a wash with it soaks into paste.</param>
public sealed record Thinner(Label Label, double DensityGPerMl, double WashDepthMm) : Material(Label);

/// <summary>Tinted crumbs for pollen: fine sugar, gelatine, maize meal.</summary>
/// <param name="Reflectance">0 to 1.</param>
public sealed record Crumb(Label Label, Spectrum Reflectance) : Material(Label);

/// <summary>What holds pieces or pollen: edible glue, egg white.</summary>
public sealed record Adhesive(Label Label) : Material(Label);

/// <param name="Reflectance">Of its wrapping, 0 to 1.</param>
public sealed record Wire(Label Label, Spectrum Reflectance) : Material(Label)
{
    /// <summary>The higher the finer, 14 to 36; null is not known.</summary>
    public int? Gauge { get; init; }
}

/// <summary>What stems are bound with.</summary>
/// <param name="Reflectance">0 to 1.</param>
public sealed record Tape(Label Label, Spectrum Reflectance) : Material(Label);

/// <summary>Ready-made stamens.</summary>
/// <param name="Reflectance">Of their heads, 0 to 1.</param>
public sealed record Stamens(Label Label, Spectrum Reflectance) : Material(Label);

/// <summary>A light ball that paste is laid over: foam, polystyrene.</summary>
/// <param name="DiameterMm">Above 0.</param>
public sealed record CoreBall(Label Label, double DiameterMm) : Material(Label);
