namespace YoungTinge.Core.CoatPlanning;

/// <summary>Between two steps of a long search: whether it is still wanted, and a word that it goes on.</summary>
/// <param name="Told">Null to go on in silence.</param>
internal readonly record struct SearchBeat(CancellationToken Cancel, Action? Told)
{
    public void Step() => Told?.Invoke();

    /// <exception cref="OperationCanceledException">It is not wanted any more.</exception>
    public void Next()
    {
        Cancel.ThrowIfCancellationRequested();
        Step();
    }
}
