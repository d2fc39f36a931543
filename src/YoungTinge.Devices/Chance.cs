namespace YoungTinge.Devices;

internal static class Chance
{
    /// <summary>Normally distributed, mean 0, deviation 1 (Box and Muller 1958).</summary>
    public static double NextNormal(this Random random) =>
        Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());

    public static double Between(this Random random, double low, double high) => low + (high - low) * random.NextDouble();
}
