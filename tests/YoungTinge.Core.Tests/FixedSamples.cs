using CsCheck;

namespace YoungTinge.Core.Tests;

/// <summary>The same made-up values on every run, for what is a measure rather than a law: a slow search that now and then does a little worse.</summary>
internal static class FixedSamples
{
    public static IEnumerable<T> Fixed<T>(this Gen<T> gen, int count, uint stream = 1)
    {
        var random = new PCG(stream, 20_261_127);
        for (var i = 0; i < count; i++)
            yield return gen.Generate(random, null, out _);
    }
}
