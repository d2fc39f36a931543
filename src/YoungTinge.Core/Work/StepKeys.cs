namespace YoungTinge.Core.Work;

/// <summary>Steps of a piece that are no coats, by the names under which they are ticked.</summary>
internal static class StepKeys
{
    public const string Shape = "shape";
    public const string Dry = "dry";
    public const string Compare = "compare";
}
