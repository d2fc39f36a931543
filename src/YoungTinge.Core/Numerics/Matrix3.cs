namespace YoungTinge.Core.Numerics;

/// <summary>A 3 by 3 matrix, written row by row.</summary>
internal readonly record struct Matrix3(
    double M11, double M12, double M13,
    double M21, double M22, double M23,
    double M31, double M32, double M33)
{
    public (double X, double Y, double Z) Times(double x, double y, double z) => (
        M11 * x + M12 * y + M13 * z,
        M21 * x + M22 * y + M23 * z,
        M31 * x + M32 * y + M33 * z);

    public Matrix3 Times(Matrix3 o)
    {
        var (a, d, g) = Times(o.M11, o.M21, o.M31);
        var (b, e, h) = Times(o.M12, o.M22, o.M32);
        var (c, f, i) = Times(o.M13, o.M23, o.M33);
        return new Matrix3(a, b, c, d, e, f, g, h, i);
    }

    public static Matrix3 Diagonal(double a, double b, double c) => new(a, 0, 0, 0, b, 0, 0, 0, c);

    public double Determinant =>
        M11 * (M22 * M33 - M23 * M32) - M12 * (M21 * M33 - M23 * M31) + M13 * (M21 * M32 - M22 * M31);

    public Matrix3 Inverse()
    {
        var d = Determinant;
        return new Matrix3(
            (M22 * M33 - M23 * M32) / d, (M13 * M32 - M12 * M33) / d, (M12 * M23 - M13 * M22) / d,
            (M23 * M31 - M21 * M33) / d, (M11 * M33 - M13 * M31) / d, (M13 * M21 - M11 * M23) / d,
            (M21 * M32 - M22 * M31) / d, (M12 * M31 - M11 * M32) / d, (M11 * M22 - M12 * M21) / d);
    }
}
