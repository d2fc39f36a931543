using CsCheck;

namespace YoungTinge.Testing;

/// <summary>
/// Properties that hold for made-up cases. Every run tries the same cases, so that a red test is red again; <c>./test long</c> tries
/// many more, other ones each time.
/// </summary>
internal static class Property
{
    private const int UsualTurns = 100;
    /// <summary>2^64 over the golden ratio: numbers that follow each other become seeds far apart.</summary>
    private const ulong Spread = 0x9E3779B97F4A7C15;

    /// <summary>A stream of chances of its own for every long run; the same one for the others.</summary>
    private static readonly ulong FirstSeed = Turns.AreMany ? (ulong)DateTime.UtcNow.Ticks : 1;

    /// <param name="gen">Makes the cases.</param>
    /// <param name="holds">Fails where the property does not hold.</param>
    /// <param name="turns">How many cases are tried.</param>
    /// <exception cref="CsCheckException">It does not hold; with the simplest case that was found, and the seed of the first one.</exception>
    public static void Holds<T>(this Gen<T> gen, Action<T> holds, int turns = UsualTurns)
    {
        var last = FirstSeed + (ulong)Turns.Of(turns);
        Parallel.For((long)FirstSeed, (long)last, (seed, loop) =>
        {
            if (loop.ShouldExitCurrentIteration) return;
            var chance = new PCG(1, unchecked((ulong)seed * Spread));
            var name = chance.ToString(chance.State);
            try
            {
                holds(gen.Generate(chance, null, out _));
            }
            catch (Exception)
            {
                loop.Stop();
                // Tells of the case, and looks for a simpler one.
                gen.Sample(holds, seed: name, iter: UsualTurns);
                throw;
            }
        });
    }

    public static void Holds<T1, T2>(this Gen<(T1, T2)> gen, Action<T1, T2> holds, int turns = UsualTurns) =>
        gen.Holds(x => holds(x.Item1, x.Item2), turns);

    public static void Holds<T1, T2, T3>(this Gen<(T1, T2, T3)> gen, Action<T1, T2, T3> holds, int turns = UsualTurns) =>
        gen.Holds(x => holds(x.Item1, x.Item2, x.Item3), turns);

    public static void Holds<T1, T2, T3, T4>(this Gen<(T1, T2, T3, T4)> gen, Action<T1, T2, T3, T4> holds, int turns = UsualTurns) =>
        gen.Holds(x => holds(x.Item1, x.Item2, x.Item3, x.Item4), turns);

    public static void Holds<T1, T2, T3, T4, T5>(this Gen<(T1, T2, T3, T4, T5)> gen, Action<T1, T2, T3, T4, T5> holds, int turns = UsualTurns) =>
        gen.Holds(x => holds(x.Item1, x.Item2, x.Item3, x.Item4, x.Item5), turns);

    public static void Holds<T1, T2, T3, T4, T5, T6>(this Gen<(T1, T2, T3, T4, T5, T6)> gen, Action<T1, T2, T3, T4, T5, T6> holds, int turns = UsualTurns) =>
        gen.Holds(x => holds(x.Item1, x.Item2, x.Item3, x.Item4, x.Item5, x.Item6), turns);
}
