namespace YoungTinge.Core.Cabinet;

/// <summary>So much of a material, in its own measure.</summary>
public sealed record MaterialTake(string MaterialId, double Amount);
