using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;

namespace YoungTinge.Web.Shared;

/// <summary>What can go wrong with a request. The client has the words for each.</summary>
public enum ApiProblemCode
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
public sealed record FieldProblem(string Path, string Code, double? Limit, string? Material)
{
    /// <summary>What was typed is no colour, or none that there is.</summary>
    public const string NotAColour = "notAColour";
}

/// <summary>The answer to a request that failed: RFC 9457 problem details with a code, and a line for each wrong field.</summary>
public sealed class ApiProblem : ProblemDetails
{
    public required ApiProblemCode Code { get; init; }

    public IReadOnlyList<FieldProblem> Problems { get; init; } = [];

    public static JsonHttpResult<ApiProblem> Result(int status, ApiProblemCode code, IReadOnlyList<FieldProblem>? problems = null) => TypedResults.Json(
        new ApiProblem { Status = status, Code = code, Title = TitleOf(code), Problems = problems ?? [] },
        contentType: "application/problem+json",
        statusCode: status);

    /// <summary>For a failure that the framework answered with a bare status.</summary>
    public static JsonHttpResult<ApiProblem> ForStatus(int status) => Result(status, status switch
    {
        StatusCodes.Status404NotFound => ApiProblemCode.NotFound,
        StatusCodes.Status413PayloadTooLarge => ApiProblemCode.TooLarge,
        < StatusCodes.Status500InternalServerError => ApiProblemCode.Unreadable,
        _ => ApiProblemCode.Unexpected,
    });

    public static JsonHttpResult<ApiProblem> NotFound() => Result(StatusCodes.Status404NotFound, ApiProblemCode.NotFound);

    public static JsonHttpResult<ApiProblem> NotPossible(IReadOnlyList<FieldProblem> problems) =>
        Result(StatusCodes.Status422UnprocessableEntity, ApiProblemCode.NotPossible, problems);

    /// <summary>What a status of a failure means; null for an answer.</summary>
    public static string? WordsFor(string status) => status switch
    {
        "400" => "The request could not be read.",
        "403" => "Another site asked for it.",
        "404" => "There is no such thing in this studio.",
        "409" => "Something that is kept names it, or it names what is gone.",
        "412" => "It was changed somewhere else in the meantime: the version in If-Match is not that which is kept.",
        "413" => "The request or the file is too large.",
        "422" => "Some of the figures cannot be: a line for each field.",
        "428" => "If-Match is missing: say which version the change was made from.",
        "500" => "Something went wrong here; it has been written down under the id of the request.",
        "503" => "The database is away, or too much is being computed: Retry-After says when to ask again.",
        "507" => "There is no room left to keep anything.",
        _ => null,
    };

    private static string TitleOf(ApiProblemCode code) => code switch
    {
        ApiProblemCode.NotFound => "There is nothing at this address.",
        ApiProblemCode.Unreadable => "The request could not be read.",
        ApiProblemCode.TooLarge => "The request is too large.",
        ApiProblemCode.NotPossible => "Some of the figures cannot be.",
        ApiProblemCode.VersionMissing => "Say which version this change was made from (If-Match).",
        ApiProblemCode.ChangedElsewhere => "It was changed somewhere else in the meantime.",
        ApiProblemCode.OtherSite => "Another site may not change anything here.",
        ApiProblemCode.InUse => "Something that is kept names it.",
        ApiProblemCode.PictureGone => "The picture is no longer at hand.",
        ApiProblemCode.DatabaseAway => "The database does not answer.",
        ApiProblemCode.DiskFull => "The disk is full. Nothing was kept; make room and do it again.",
        ApiProblemCode.Busy => "Much is being computed just now. Try again in a moment.",
        _ => "Something went wrong here.",
    };
}
