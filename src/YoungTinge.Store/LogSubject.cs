using YoungTinge.Core.Flowers;

namespace YoungTinge.Store;

/// <summary>What a log entry is about: the paste, or a zone of the finished piece.</summary>
public enum LogSubject
{
    Paste,
    Rim,
    Tip,
    Heart,
    Base,
    Back,
}

public static class LogSubjects
{
    /// <returns>Null for a paste.</returns>
    public static Zone? Zone(this LogSubject subject) => Enum.TryParse<Zone>($"{subject}", out var zone) ? zone : null;

    public static LogSubject Of(Zone zone) => Enum.Parse<LogSubject>($"{zone}");
}
