namespace YoungTinge.Core.Cabinet;

/// <summary>What stock, packs and prices of a material are counted in.</summary>
public enum Measure
{
    Grams,
    Millilitres,
    Pieces,
}
