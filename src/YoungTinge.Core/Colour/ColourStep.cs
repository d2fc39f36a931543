namespace YoungTinge.Core.Colour;

/// <summary>Finds the colour that lies so far from another along a way.</summary>
internal static class ColourStep
{
    private const int Halvings = 40;

    /// <param name="gone">The colour after going so far along the way; further is never nearer.</param>
    /// <param name="most">As far as the way is looked at.</param>
    /// <returns>At this CIEDE2000 from the colour; null if the way does not lead that far off.</returns>
    public static Lab? Along(Lab colour, Func<double, Lab> gone, double most, double deltaE)
    {
        if (DeltaE2000.Between(colour, gone(most)) < deltaE)
            return null;
        double near = 0, far = most;
        for (var halving = 0; halving < Halvings; halving++)
        {
            var middle = (near + far) / 2;
            if (DeltaE2000.Between(colour, gone(middle)) < deltaE)
                near = middle;
            else
                far = middle;
        }

        return gone(near);
    }
}
