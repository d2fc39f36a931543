using System.Text.Json.Serialization;

namespace YoungTinge.Web.Bench;

/// <summary>Something that was done at the bench.</summary>
/// <param name="At">When it was done, by the clock of the device.</param>
/// <param name="By">Whose hands; empty for the maker of the studio.</param>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(TickNote), "tick")]
[JsonDerivedType(typeof(TakeBackNote), "takeBack")]
[JsonDerivedType(typeof(StartTimerNote), "startTimer")]
[JsonDerivedType(typeof(StopTimerNote), "stopTimer")]
[JsonDerivedType(typeof(TouchedNote), "touched")]
public abstract record BenchNote(DateTimeOffset At, string By);

/// <summary>An operation is done.</summary>
/// <param name="At">When it was done, by the clock of the device.</param>
/// <param name="By">Whose hands; empty for the maker of the studio.</param>
/// <param name="OperationId">That is done.</param>
/// <param name="Fingerprint">Of the operation as the maker saw it.</param>
public sealed record TickNote(DateTimeOffset At, string By, string OperationId, string Fingerprint) : BenchNote(At, By);

/// <summary>An operation is not done after all.</summary>
/// <param name="At">When it was said, by the clock of the device.</param>
/// <param name="By">Whose hands; empty for the maker of the studio.</param>
/// <param name="OperationId">That is to do again.</param>
public sealed record TakeBackNote(DateTimeOffset At, string By, string OperationId) : BenchNote(At, By);

/// <summary>A timer was started.</summary>
/// <param name="At">When it was started, by the clock of the device.</param>
/// <param name="By">Whose hands; empty for the maker of the studio.</param>
/// <param name="TimerId">That the device gave it.</param>
/// <param name="OperationId">That it is for; null for one of the maker's own.</param>
/// <param name="Name">In her words; empty for that of the operation.</param>
/// <param name="Seconds">1 to 86,400.</param>
public sealed record StartTimerNote(DateTimeOffset At, string By, Guid TimerId, string? OperationId, string Name, int Seconds) : BenchNote(At, By);

/// <summary>A timer is over, or was stopped.</summary>
/// <param name="At">When it was stopped, by the clock of the device.</param>
/// <param name="By">Whose hands; empty for the maker of the studio.</param>
/// <param name="TimerId">That the device gave it.</param>
public sealed record StopTimerNote(DateTimeOffset At, string By, Guid TimerId) : BenchNote(At, By);

/// <summary>Pieces that dry were touched; those that are as dry as they have to be are ticked with it.</summary>
/// <param name="At">When they were touched, by the clock of the device.</param>
/// <param name="By">Whose hands; empty for the maker of the studio.</param>
/// <param name="OperationId">Of the drying.</param>
/// <param name="Fingerprint">Of the operation as the maker saw it.</param>
/// <param name="IsDry">As dry as they have to be.</param>
/// <param name="Minutes">Since they were laid out, 0 or more; null if that is not known.</param>
public sealed record TouchedNote(DateTimeOffset At, string By, string OperationId, string Fingerprint, bool IsDry, double? Minutes) : BenchNote(At, By);
