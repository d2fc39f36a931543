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

/// <summary>What every material is known by.</summary>
/// <param name="Id">Stable within a studio, lower-case words joined by hyphens.</param>
/// <param name="Form">What it comes as: gel, powder, spray ...</param>
/// <param name="DyeFamily">What makes the colour, in words; empty if nothing does.</param>
public sealed record Label(string Id, string Name, string Form, FoodStatus FoodStatus, string DyeFamily = "", string Note = "");

/// <summary>A thing in the cabinet that colours, carries or finishes a piece.</summary>
public abstract record Material(Label Label)
{
    public string Id => Label.Id;
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
public sealed record Dust(Label Label, DustKind Kind, Scatterer Optics, double LoadLimitMgPerCm2) : Material(Label);

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
public sealed record Thinner(Label Label, double DensityGPerMl) : Material(Label);

/// <param name="Reflectance">Of its wrapping, 0 to 1.</param>
public sealed record Wire(Label Label, Spectrum Reflectance) : Material(Label);
