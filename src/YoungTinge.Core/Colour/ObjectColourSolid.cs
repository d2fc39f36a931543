namespace YoungTinge.Core.Colour;

/// <summary>
/// The colours that a surface can have at all: every reflectance lies between 0 and 1 in each band (Schroedinger 1920, MacAdam
/// 1935). In XYZ they fill a body with flat faces, each spanned by two bands; a colour is inside if it is inside all of them.
/// </summary>
public static class ObjectColourSolid
{
    /// <summary>Rounding must not shut out black, white and pure bands.</summary>
    private const double Slack = 1e-9;

    private static readonly (Xyz Normal, double HalfWidth)[] Faces = FacesUnder(Illuminant.D65);

    /// <summary>Whether some surface looks like this under daylight.</summary>
    /// <remarks>NaN is no colour.</remarks>
    public static bool Contain(Lab colour)
    {
        if (!colour.IsFinite)
            return false;
        var white = Illuminant.D65.White;
        var fromMiddle = XyzFromLab.Convert(colour, white) + white * -0.5;
        return Faces.All(face => Math.Abs(Dot(face.Normal, fromMiddle)) <= face.HalfWidth * (1 + Slack) + Slack);
    }

    /// <summary>The nearest colour towards the grey of the same lightness that a surface can have; the same one if it can.</summary>
    public static Lab Nearest(Lab colour)
    {
        var light = colour with { L = Math.Clamp(colour.L, 0, 100) };
        if (Contain(light))
            return light;
        double inside = 0, outside = 1;
        for (var halving = 0; halving < 30; halving++)
        {
            var middle = (inside + outside) / 2;
            if (Contain(At(middle)))
                inside = middle;
            else
                outside = middle;
        }

        return At(inside);

        Lab At(double share) => new(light.L, light.A * share, light.B * share);
    }

    private static (Xyz Normal, double HalfWidth)[] FacesUnder(Illuminant light)
    {
        var bands = Enumerable.Range(0, SpectralGrid.Bands).Select(i => new Xyz(light.XWeights[i], light.YWeights[i], light.ZWeights[i])).ToArray();
        var faces = new List<(Xyz, double)>();
        for (var i = 0; i < bands.Length; i++)
        {
            for (var j = i + 1; j < bands.Length; j++)
            {
                var normal = Cross(bands[i], bands[j]);
                var length = Math.Sqrt(Dot(normal, normal));
                if (length < 1e-12)
                    continue;
                normal *= 1 / length;
                faces.Add((normal, bands.Sum(band => Math.Abs(Dot(normal, band))) / 2));
            }
        }

        return [.. faces];
    }

    private static double Dot(Xyz a, Xyz b) => a.X * b.X + a.Y * b.Y + a.Z * b.Z;

    private static Xyz Cross(Xyz a, Xyz b) => new(a.Y * b.Z - a.Z * b.Y, a.Z * b.X - a.X * b.Z, a.X * b.Y - a.Y * b.X);
}
