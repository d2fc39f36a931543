namespace YoungTinge.Testing;

/// <summary>How many made-up cases are tried: <c>./test long</c> tries many more, other ones each time.</summary>
internal static class Turns
{
    private const string LongRun = "YOUNG_TINGE_LONG_TESTS";
    private const int TimesLonger = 10;

    public static bool AreMany => Environment.GetEnvironmentVariable(LongRun) is not null;

    public static int Of(int usual) => AreMany ? usual * TimesLonger : usual;
}
