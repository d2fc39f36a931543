namespace YoungTinge.Core.CoatPlanning;

/// <summary>Between two steps of a long search: whether it is still wanted, a word that it goes on, and whether it should come to an end.</summary>
/// <param name="Told">Null to go on in silence.</param>
/// <param name="At">What is looked at in the search.</param>
/// <param name="Patience">Looks after which more are not worth it.</param>
internal readonly record struct SearchBeat(CancellationToken Cancel, Action? Told, CoatSimulator At, int Patience)
{
    /// <summary>A plan is not left half done before its patience is spent so many times.</summary>
    private const int Times = 2;

    /// <summary>A plan that is whole is good enough by now: nothing more is tried to better it.</summary>
    public bool IsLate => At.Looks >= Patience;

    /// <summary>What there is by now is to do, whole or not.</summary>
    public bool IsOver => At.Looks >= Times * Patience;

    public void Step() => Told?.Invoke();

    /// <exception cref="OperationCanceledException">It is not wanted any more.</exception>
    public void Next()
    {
        Cancel.ThrowIfCancellationRequested();
        Step();
    }
}
