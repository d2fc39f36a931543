namespace YoungTinge.Core.Flowers;

/// <summary>Which side of a piece.</summary>
public enum Side
{
    Face,
    Back,
}

/// <summary>Which sides a coat goes on.</summary>
public enum Sides
{
    Face,
    Back,
    Both,
}

public static class SidesExtensions
{
    public static bool Include(this Sides sides, Side side) => sides == Sides.Both || (sides == Sides.Face) == (side == Side.Face);

    public static int Count(this Sides sides) => sides == Sides.Both ? 2 : 1;
}
