namespace YoungTinge.Core.Flowers;

/// <summary>The outlines that the studio cuts, drawn from living flowers and leaves.</summary>
public static class OutlineLibrary
{
    private static readonly Outline[] Outlines =
    [
        new("broad-sepal", VeinPattern.Fan, [
            new(0, 0), new(0.17, 0.012), new(0.50, 0.13), new(0.82, 0.31), new(0.99, 0.54), new(0.94, 0.74),
            new(0.70, 0.895), new(0.38, 0.968), new(0.14, 0.992), new(0, 1)]),
        new("round-petal", VeinPattern.Fan, [
            new(0, 0), new(0.26, 0.012), new(0.62, 0.14), new(0.91, 0.37), new(1, 0.60), new(0.92, 0.80),
            new(0.66, 0.945), new(0.32, 0.998), new(0, 0.988)]),
        new("pointed-petal", VeinPattern.Fan, [
            new(0, 0), new(0.22, 0.02), new(0.58, 0.18), new(0.95, 0.44), new(1, 0.58), new(0.78, 0.76),
            new(0.38, 0.90), new(0.12, 0.97), new(0, 1, true)]),
        new("narrow-bract", VeinPattern.Fan, [
            new(0, 0), new(0.35, 0.03), new(0.72, 0.22), new(1, 0.50), new(0.86, 0.72), new(0.45, 0.90), new(0, 1, true)]),
        new("bud", VeinPattern.Fan, [
            new(0, 0), new(0.45, 0.03), new(0.86, 0.22), new(1, 0.44), new(0.84, 0.68), new(0.46, 0.90), new(0, 1)]),
        new("round", VeinPattern.None, [
            new(0, 0), new(0.383, 0.038), new(0.707, 0.146), new(0.924, 0.309), new(1, 0.5),
            new(0.924, 0.691), new(0.707, 0.854), new(0.383, 0.962), new(0, 1)]),
        new("horn", VeinPattern.None, [
            new(0, 0), new(0.30, 0.02), new(0.42, 0.30), new(0.66, 0.66), new(1, 0.93), new(0.62, 1), new(0, 0.90)]),
        new("stamen", VeinPattern.None, [
            new(0, 0), new(0.16, 0.005), new(0.16, 0.40), new(0.18, 0.74), new(0.55, 0.80), new(1, 0.89), new(0.62, 0.985), new(0, 1)]),
        new("leaflet", VeinPattern.Feather, [
            new(0, 0), new(0.16, 0.02), new(0.52, 0.16), new(0.80, 0.30), new(0.84, 0.335), new(0.99, 0.41, true), new(0.93, 0.43), new(0.96, 0.49),
            new(1, 0.55, true), new(0.90, 0.57), new(0.86, 0.63), new(0.85, 0.685, true), new(0.74, 0.705), new(0.64, 0.77), new(0.60, 0.815, true),
            new(0.44, 0.85), new(0.20, 0.945), new(0, 1, true)]),
        new("ivy-leaf", VeinPattern.Palm, [
            new(0, 0.20, true), new(0.06, 0.09), new(0.20, 0.02), new(0.36, 0), new(0.52, 0.045), new(0.68, 0.06), new(0.80, 0.03, true),
            new(0.78, 0.13), new(0.70, 0.22), new(0.66, 0.285), new(0.72, 0.345), new(0.86, 0.42), new(1, 0.535, true),
            new(0.80, 0.545), new(0.58, 0.545), new(0.43, 0.575), new(0.38, 0.65), new(0.36, 0.75), new(0.24, 0.88), new(0, 1, true)]),
        new("heart-leaf", VeinPattern.Palm, [
            new(0, 0.20, true), new(0.14, 0.06), new(0.42, 0), new(0.76, 0.06), new(0.97, 0.24), new(1, 0.40),
            new(0.80, 0.66), new(0.42, 0.88), new(0.10, 0.975), new(0, 1, true)]),
        new("heart-petal", VeinPattern.Fan, [
            new(0, 0), new(0.20, 0.02), new(0.50, 0.18), new(0.85, 0.45), new(1, 0.68), new(0.90, 0.87), new(0.58, 0.99), new(0.22, 0.97), new(0, 0.88, true)]),
        new("spoon-petal", VeinPattern.Fan, [
            new(0, 0), new(0.20, 0.01), new(0.22, 0.30), new(0.34, 0.52), new(0.78, 0.68), new(1, 0.82), new(0.80, 0.95), new(0.36, 1), new(0, 0.99)]),
        new("strap-petal", VeinPattern.Fan, [
            new(0, 0), new(0.50, 0.01), new(0.90, 0.12), new(1, 0.40), new(0.99, 0.70), new(0.84, 0.90), new(0.42, 0.985), new(0, 1)]),
        new("tongue-petal", VeinPattern.Fan, [
            new(0, 0), new(0.35, 0.02), new(0.76, 0.20), new(1, 0.50), new(0.97, 0.78), new(0.70, 0.94), new(0.45, 0.99), new(0.22, 0.965), new(0, 0.99)]),
        new("ruffled-petal", VeinPattern.Fan, [
            new(0, 0), new(0.22, 0.015), new(0.55, 0.15), new(0.80, 0.32), new(0.86, 0.40), new(0.98, 0.47), new(0.90, 0.55), new(1, 0.64), new(0.87, 0.71),
            new(0.90, 0.80), new(0.72, 0.85), new(0.62, 0.95), new(0.42, 0.93), new(0.30, 1), new(0.14, 0.96), new(0, 0.98)]),
        new("fringed-petal", VeinPattern.Fan, [
            new(0, 0), new(0.16, 0.02), new(0.45, 0.20), new(0.80, 0.50), new(1, 0.72), new(0.92, 0.76, true), new(0.94, 0.84, true), new(0.78, 0.83),
            new(0.74, 0.93, true), new(0.58, 0.89), new(0.50, 0.98, true), new(0.34, 0.93), new(0.22, 1, true), new(0.10, 0.955), new(0, 0.99)]),
        new("lobed-petal", VeinPattern.Fan, [
            new(0, 0), new(0.15, 0.02), new(0.30, 0.28), new(0.62, 0.48), new(0.98, 0.60), new(1, 0.70), new(0.78, 0.76), new(0.50, 0.72, true),
            new(0.48, 0.85), new(0.28, 0.97), new(0, 1)]),
        new("lip-petal", VeinPattern.Fan, [
            new(0, 0), new(0.30, 0.02), new(0.75, 0.10), new(0.90, 0.24), new(0.62, 0.40), new(0.56, 0.50), new(0.92, 0.66), new(1, 0.81), new(0.62, 0.95), new(0, 1)]),
        new("hood", VeinPattern.Fan, [
            new(0, 0), new(0.40, 0.02), new(0.62, 0.25), new(0.86, 0.50), new(1, 0.70), new(0.90, 0.88), new(0.55, 0.985), new(0.22, 0.95), new(0, 0.90)]),
        new("spathe", VeinPattern.Fan, [
            new(0, 0), new(0.45, 0.015), new(0.85, 0.14), new(1, 0.36), new(0.93, 0.58), new(0.62, 0.78), new(0.28, 0.92), new(0.08, 0.985), new(0, 1, true)]),
        new("trumpet", VeinPattern.Fan, [
            new(0, 0), new(0.30, 0.02), new(0.34, 0.20), new(0.42, 0.50), new(0.62, 0.75), new(0.90, 0.90), new(1, 0.97), new(0.70, 1), new(0, 0.97)])
        {
            IsTube = true,
        },
        new("bell", VeinPattern.Fan, [
            new(0, 0), new(0.35, 0.01), new(0.70, 0.12), new(0.86, 0.35), new(0.84, 0.60), new(0.92, 0.86), new(1, 0.97), new(0.72, 0.99), new(0, 0.94)])
        {
            IsTube = true,
        },
        new("lobed-tube", VeinPattern.Fan, [
            new(0, 0), new(0.30, 0.02), new(0.34, 0.25), new(0.40, 0.52), new(0.58, 0.68), new(0.96, 0.80), new(1, 0.86, true), new(0.80, 0.885),
            new(0.62, 0.90, true), new(0.60, 0.965), new(0.42, 1, true), new(0.26, 0.94), new(0.14, 0.905, true), new(0, 0.99, true)])
        {
            IsTube = true,
        },
        // One shoulder is notched: every second one is turned over.
        new("notched-petal", VeinPattern.Fan, [
            new(0, 0), new(0.24, 0.02), new(0.58, 0.16), new(0.90, 0.38), new(1, 0.60), new(0.90, 0.80), new(0.62, 0.95), new(0.26, 1), new(0, 0.985)], [
            new(0, 0), new(0.18, 0.02), new(0.42, 0.18), new(0.64, 0.38), new(0.70, 0.56), new(0.52, 0.64, true), new(0.72, 0.74), new(0.66, 0.90), new(0.30, 0.985), new(0, 0.985)]),
        new("spike", VeinPattern.None, [
            new(0, 0), new(0.80, 0.01), new(1, 0.15), new(1, 0.60), new(0.85, 0.88), new(0.50, 0.985), new(0, 1)]),
        new("cone", VeinPattern.None, [
            new(0, 0), new(0.88, 0.02), new(1, 0.13), new(0.75, 0.45), new(0.40, 0.80), new(0.15, 0.97), new(0, 1)]),
        new("seed-pod", VeinPattern.None, [
            new(0, 0), new(0.50, 0.02), new(1, 0.30), new(0.90, 0.58), new(0.50, 0.78), new(0.36, 0.88), new(0.62, 0.98), new(0, 1)]),
        new("oval-leaf", VeinPattern.Feather, [
            new(0, 0), new(0.15, 0.02), new(0.60, 0.15), new(0.95, 0.38), new(1, 0.52), new(0.85, 0.75), new(0.50, 0.92), new(0.15, 0.985), new(0, 1, true)]),
        new("lance-leaf", VeinPattern.Feather, [
            new(0, 0), new(0.30, 0.03), new(0.75, 0.20), new(1, 0.42), new(0.85, 0.65), new(0.45, 0.86), new(0.12, 0.97), new(0, 1, true)]),
        new("toothed-leaf", VeinPattern.Feather, [
            new(0, 0), new(0.20, 0.03), new(0.50, 0.12), new(0.63, 0.17, true), new(0.61, 0.20), new(0.82, 0.28), new(0.91, 0.33, true), new(0.87, 0.36),
            new(0.96, 0.43), new(1, 0.48, true), new(0.93, 0.50), new(0.92, 0.57), new(0.94, 0.63, true), new(0.82, 0.65), new(0.76, 0.73), new(0.75, 0.77, true),
            new(0.60, 0.79), new(0.48, 0.87), new(0.45, 0.90, true), new(0.30, 0.91), new(0.12, 0.97), new(0, 1, true)]),
        new("oak-leaf", VeinPattern.Feather, [
            new(0, 0), new(0.12, 0.03), new(0.30, 0.14), new(0.42, 0.20), new(0.30, 0.26), new(0.50, 0.32), new(0.74, 0.38), new(0.78, 0.44), new(0.50, 0.48),
            new(0.62, 0.53), new(0.95, 0.60), new(1, 0.67), new(0.66, 0.70), new(0.70, 0.77), new(0.78, 0.83), new(0.62, 0.90), new(0.32, 0.965), new(0, 1)]),
        new("fern-frond", VeinPattern.Feather, [
            new(0, 0), new(0.08, 0.03), new(0.10, 0.08), new(0.70, 0.16, true), new(0.12, 0.19), new(0.14, 0.22), new(0.90, 0.30, true), new(0.14, 0.33),
            new(0.14, 0.37), new(1, 0.46, true), new(0.13, 0.48), new(0.12, 0.52), new(0.86, 0.60, true), new(0.10, 0.62), new(0.10, 0.66), new(0.62, 0.73, true),
            new(0.09, 0.75), new(0.08, 0.79), new(0.36, 0.85, true), new(0.06, 0.88), new(0, 1, true)]),
        new("needle", VeinPattern.Feather, [
            new(0, 0), new(0.70, 0.02), new(1, 0.20), new(1, 0.60), new(0.70, 0.85), new(0.30, 0.97), new(0, 1, true)]),
        new("maple-leaf", VeinPattern.Palm, [
            new(0, 0.12, true), new(0.20, 0.06), new(0.46, 0, true), new(0.42, 0.12), new(0.42, 0.20), new(0.70, 0.22), new(1, 0.30, true), new(0.86, 0.38),
            new(0.70, 0.44), new(0.84, 0.55), new(0.90, 0.70, true), new(0.66, 0.66), new(0.42, 0.62), new(0.36, 0.72), new(0.28, 0.86), new(0, 1, true)]),
        new("arrow-leaf", VeinPattern.Palm, [
            new(0, 0.22, true), new(0.30, 0.14), new(0.70, 0, true), new(0.85, 0.12), new(1, 0.30), new(0.80, 0.50), new(0.45, 0.75), new(0.15, 0.94), new(0, 1, true)]),
    ];

    private static readonly Dictionary<string, Outline> ById = Outlines.ToDictionary(outline => outline.Id);

    public static IReadOnlyList<Outline> All => Outlines;

    public static Outline? Find(string id) => ById.GetValueOrDefault(id);

    /// <exception cref="KeyNotFoundException">No outline of this name.</exception>
    public static Outline Get(string id) =>
        ById.GetValueOrDefault(id) ?? throw new KeyNotFoundException($"There is no outline '{id}'.");
}
