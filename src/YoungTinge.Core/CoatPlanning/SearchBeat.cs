namespace YoungTinge.Core.CoatPlanning;

/// <summary>Between two steps of a long search: whether it is still wanted, a word that it goes on, and whether it should come to an end.</summary>
/// <param name="Told">Null to go on in silence.</param>
/// <param name="Late">Whether more has been spent than whoever asks will wait for; null if they wait as long as it takes.</param>
internal readonly record struct SearchBeat(CancellationToken Cancel, Action? Told, Func<bool>? Late)
{
    /// <summary>What there is by now is to do: nothing more is tried to better it.</summary>
    public bool IsLate => Late?.Invoke() ?? false;

    public void Step() => Told?.Invoke();

    /// <exception cref="OperationCanceledException">It is not wanted any more.</exception>
    public void Next()
    {
        Cancel.ThrowIfCancellationRequested();
        Step();
    }
}
