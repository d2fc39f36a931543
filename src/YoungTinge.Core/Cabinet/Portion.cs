namespace YoungTinge.Core.Cabinet;

/// <summary>One dust, or starch, in a dust mix.</summary>
/// <param name="Parts">By mass, in any one unit.</param>
public sealed record Portion(string DustId, double Parts);
