namespace YoungTinge.Core.CoatPlanning;

/// <summary>Between two steps of a long search: whether it is still wanted, a word that it goes on, and whether it should come to an end.</summary>
/// <param name="Told">Null to go on in silence.</param>
/// <param name="Spent">Share of what whoever asks will wait for, 1 when all of it is spent; null if they wait as long as it takes.</param>
internal readonly record struct SearchBeat(CancellationToken Cancel, Action? Told, Func<double>? Spent)
{
    /// <summary>A plan is not left half done before so many times that are spent.</summary>
    private const double Patience = 2;

    /// <summary>A plan that is whole is good enough by now: nothing more is tried to better it.</summary>
    public bool IsLate => Spent?.Invoke() >= 1;

    /// <summary>What there is by now is to do, whole or not.</summary>
    public bool IsOver => Spent?.Invoke() >= Patience;

    public void Step() => Told?.Invoke();

    /// <exception cref="OperationCanceledException">It is not wanted any more.</exception>
    public void Next()
    {
        Cancel.ThrowIfCancellationRequested();
        Step();
    }
}
