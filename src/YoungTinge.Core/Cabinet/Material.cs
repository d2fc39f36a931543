using YoungTinge.Core.Colour;

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

/// <summary>What every material is known by.</summary>
/// <param name="Id">Stable within a studio, lower-case words joined by hyphens.</param>
/// <param name="Form">What it comes as: gel, powder, spray ...</param>
/// <param name="DyeFamily">What makes the colour, in words; empty if nothing does.</param>
public sealed record Label(string Id, string Name, string Form, FoodStatus FoodStatus, string DyeFamily = "", string Note = "")
{
    /// <summary>Diets that it does not suit, as far as the studio knows.</summary>
    public IReadOnlyList<Diet> NotFor { get; init; } = [];
}

/// <summary>What is left of a material and what it costs; null is not known.</summary>
/// <param name="PricePerG">In the studio's currency.</param>
public sealed record Supply(double? StockG, double? PricePerG);

/// <summary>A thing in the cabinet that colours, carries or finishes a piece.</summary>
public abstract record Material(Label Label)
{
    public string Id => Label.Id;

    public Supply Supply { get; init; } = new(null, null);
}

/// <summary>Paste before colour.</summary>
/// <param name="Optics">In 1/mm.</param>
public sealed record PasteBase(Label Label, Scatterer Optics) : Material(Label);

/// <summary>A colour to knead into paste.</summary>
/// <param name="Optics">In 1/mm for each gram in 100 g of paste before colour.</param>
/// <param name="LoadLimitGPer100g">Above it paste turns soft and sticky.</param>
public sealed record Colourant(Label Label, Scatterer Optics, double LoadLimitGPer100g, Development Development) : Material(Label)
{
    /// <summary>What a maker doses by (drop, touch of a toothpick ...), with the mean mass of one.</summary>
    public IReadOnlyList<DoseUnit> Units { get; init; } = [];
}

/// <summary>A dry colour, or what it is let down with, for brushing on.</summary>
/// <param name="Optics">In cm2/mg.</param>
/// <param name="LoadLimitMgPerCm2">More does not hold on a dry face and falls off.</param>
public sealed record Dust(Label Label, DustKind Kind, Scatterer Optics, double LoadLimitMgPerCm2) : Material(Label)
{
    /// <summary>The sparkle of a lustre in the highlights; null for a matte dust.</summary>
    public Glint? Glint { get; init; }
}

/// <summary>What a lustre adds to the highlights, and only there: it is drawn, and is no part of the diffuse colour.</summary>
/// <param name="Strength">Of a full coat, 0 to 1.</param>
/// <param name="HalfLoadMgPerCm2">Load that gives half of it.</param>
public sealed record Glint(Srgb Tint, double Strength, double HalfLoadMgPerCm2)
{
    /// <summary>Share of the tint to add to a highlight, 0 up to the strength.</summary>
    public double AmountAt(double loadMgPerCm2) => Strength * (1 - Math.Pow(2, -loadMgPerCm2 / HalfLoadMgPerCm2));
}

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
public sealed record Glaze(Label Label, double Gloss, double OuterReflection, double InnerReflection, double WetMlPerCm2) : Material(Label);

/// <summary>What colour is let down with for painting.</summary>
/// <param name="WashDepthMm">How deep a wash with it soaks into paste.</param>
public sealed record Thinner(Label Label, double DensityGPerMl, double WashDepthMm) : Material(Label);

/// <param name="Reflectance">Of its wrapping, 0 to 1.</param>
public sealed record Wire(Label Label, Spectrum Reflectance) : Material(Label);
