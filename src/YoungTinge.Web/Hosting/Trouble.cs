using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;

namespace YoungTinge.Web.Hosting;

/// <summary>What can go wrong with a request. The client has the words for each.</summary>
public enum TroubleCode
{
    NotFound,
    Unreadable,
    TooLarge,
    NotPossible,
    VersionMissing,
    ChangedElsewhere,
    OtherSite,

    /// <summary>A plan or a batch names it.</summary>
    InUse,

    /// <summary>A picture that was only at hand is no longer there.</summary>
    PictureGone,
    DatabaseAway,

    /// <summary>More is asked than can be computed at once.</summary>
    Busy,

    /// <summary>There is no room left to keep anything.</summary>
    DiskFull,
    Unexpected,
}

/// <summary>Something wrong with one field.</summary>
/// <param name="Path">The field, as in the JSON that was sent: <c>coats[1].loadMgPerCm2</c>.</param>
/// <param name="Code">What is wrong with it.</param>
/// <param name="Limit">The limit that was passed, if it is one.</param>
/// <param name="Material">The material that it is about, by id.</param>
public sealed record FieldProblem(string Path, string Code, double? Limit, string? Material);

/// <summary>The answer to a request that failed: RFC 9457 problem details with a code, and a line for each wrong field.</summary>
public sealed class Trouble : ProblemDetails
{
    public required TroubleCode Code { get; init; }

    public IReadOnlyList<FieldProblem> Problems { get; init; } = [];

    public static JsonHttpResult<Trouble> Result(int status, TroubleCode code, IReadOnlyList<FieldProblem>? problems = null) => TypedResults.Json(
        new Trouble { Status = status, Code = code, Title = TitleOf(code), Problems = problems ?? [] },
        contentType: "application/problem+json",
        statusCode: status);

    /// <summary>For a failure that the framework answered with a bare status.</summary>
    public static JsonHttpResult<Trouble> ForStatus(int status) => Result(status, status switch
    {
        StatusCodes.Status404NotFound => TroubleCode.NotFound,
        StatusCodes.Status413PayloadTooLarge => TroubleCode.TooLarge,
        < StatusCodes.Status500InternalServerError => TroubleCode.Unreadable,
        _ => TroubleCode.Unexpected,
    });

    public static JsonHttpResult<Trouble> NotFound() => Result(StatusCodes.Status404NotFound, TroubleCode.NotFound);

    public static JsonHttpResult<Trouble> NotPossible(IReadOnlyList<FieldProblem> problems) =>
        Result(StatusCodes.Status422UnprocessableEntity, TroubleCode.NotPossible, problems);

    private static string TitleOf(TroubleCode code) => code switch
    {
        TroubleCode.NotFound => "There is nothing at this address.",
        TroubleCode.Unreadable => "The request could not be read.",
        TroubleCode.TooLarge => "The request is too large.",
        TroubleCode.NotPossible => "Some of the figures cannot be.",
        TroubleCode.VersionMissing => "Say which version this change was made from (If-Match).",
        TroubleCode.ChangedElsewhere => "It was changed somewhere else in the meantime.",
        TroubleCode.OtherSite => "Another site may not change anything here.",
        TroubleCode.InUse => "Something that is kept names it.",
        TroubleCode.PictureGone => "The picture is no longer at hand.",
        TroubleCode.DatabaseAway => "The database does not answer.",
        TroubleCode.DiskFull => "The disk is full. Nothing was kept; make room and do it again.",
        TroubleCode.Busy => "Much is being computed just now. Try again in a moment.",
        _ => "Something went wrong here.",
    };
}
