using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Learning;

namespace YoungTinge.Store;

/// <summary>What came out. Colours are under daylight.</summary>
/// <param name="PieceId">Null when that is gone for good: what was logged outlives it.</param>
public sealed record LogEntry(Guid Id, Guid? PieceId, LogSubject Subject, Lab Predicted, Lab Actual, string Note, DateTimeOffset LoggedAt)
{
    /// <summary>What was kneaded then; null for entries of earlier builds, of which nothing is learned.</summary>
    public LoggedMix? Mix { get; init; }

    /// <summary>The plan of the piece as it was then; null for what is no piece.</summary>
    public PiecePlan? Plan { get; init; }

    /// <summary>The piece as it was then, to be made again; null for what is no piece, and of earlier builds.</summary>
    public Piece? Piece { get; init; }

    /// <summary>What lay in the zone; null for a paste, and where that is not known: nothing is learned of it then.</summary>
    public LoggedZone? Laid { get; init; }

    public ReadBy By { get; init; } = ReadBy.Typed;

    /// <summary>That it was looked at in.</summary>
    public LightKind Light { get; init; } = LightKind.Daylight;

    /// <summary>Of a paste that was read before its colour had come out: since it was kneaded. Null for all others.</summary>
    public double? RestedHours { get; init; }

    /// <summary>What was known when it was predicted; null where that is not known.</summary>
    public LoggedLearning? Learned { get; init; }

    /// <summary>CIEDE2000 that nine of ten were to come out within; null where nobody knew.</summary>
    public double? PredictedRange { get; init; }

    /// <summary>Empty if that is not known.</summary>
    public string LoggedBy { get; init; } = "";

    /// <summary>Nothing is learned of it.</summary>
    public bool IsLeftOut { get; init; }

    /// <summary>Not shown, and nothing is learned of it, until it is put back.</summary>
    public bool IsTakenOut { get; init; }

    /// <summary>As it was read and noted before it was mended last; null if it never was, or that was taken back.</summary>
    public LoggedReading? Before { get; init; }

    /// <summary>Counts the saves.</summary>
    public int Version { get; init; } = 1;

    /// <summary>All of it that can be mended, and what follows from that.</summary>
    public LoggedReading Reading => new(Actual, Note, By, Light, RestedHours, Mix, Predicted, PredictedRange, Learned);

    public LogEntry With(LoggedReading reading) => this with
    {
        Actual = reading.Actual,
        Note = reading.Note,
        By = reading.By,
        Light = reading.Light,
        RestedHours = reading.RestedHours,
        Mix = reading.Mix,
        Predicted = reading.Predicted,
        PredictedRange = reading.PredictedRange,
        Learned = reading.Learned,
    };
}

/// <summary>What was read and noted of an entry, with what was predicted of that.</summary>
public sealed record LoggedReading(
    Lab Actual, string Note, ReadBy By, LightKind Light, double? RestedHours, LoggedMix? Mix, Lab Predicted, double? PredictedRange, LoggedLearning? Learned);
