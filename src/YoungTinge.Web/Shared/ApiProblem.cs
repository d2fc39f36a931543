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

    /// <summary>Nobody has signed in.</summary>
    SignedOut,

    /// <summary>Somebody has signed in who may not do this.</summary>
    NotAllowed,

    /// <summary>The page is from before somebody signed in or out.</summary>
    OldPage,

    /// <summary>Name and password do not belong together; which of the two is wrong is not told.</summary>
    WrongPassword,

    /// <summary>Too many tries, or requests, in a row.</summary>
    TooOften,

    /// <summary>A studio has an owner at any time.</summary>
    LastOwner,

    /// <summary>The one-time address was used, or is too old.</summary>
    CodeGone,

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
/// <param name="Material">The material that it is about, by id, or the piece, by name.</param>
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
        StatusCodes.Status401Unauthorized => ApiProblemCode.SignedOut,
        StatusCodes.Status403Forbidden => ApiProblemCode.NotAllowed,
        StatusCodes.Status404NotFound => ApiProblemCode.NotFound,
        StatusCodes.Status413PayloadTooLarge => ApiProblemCode.TooLarge,
        StatusCodes.Status428PreconditionRequired => ApiProblemCode.VersionMissing,
        StatusCodes.Status429TooManyRequests => ApiProblemCode.TooOften,
        < StatusCodes.Status500InternalServerError => ApiProblemCode.Unreadable,
        _ => ApiProblemCode.Unexpected,
    });

    public static JsonHttpResult<ApiProblem> NotFound() => Result(StatusCodes.Status404NotFound, ApiProblemCode.NotFound);

    /// <summary>Somebody else was quicker: the change was made from an older version.</summary>
    public static JsonHttpResult<ApiProblem> ChangedElsewhere() => Result(StatusCodes.Status412PreconditionFailed, ApiProblemCode.ChangedElsewhere);

    public static JsonHttpResult<ApiProblem> NotPossible(IReadOnlyList<FieldProblem> problems) =>
        Result(StatusCodes.Status422UnprocessableEntity, ApiProblemCode.NotPossible, problems);

    /// <summary>What may be meant by a status of a failure, in the titles that its answer has; null for an answer that is none.</summary>
    public static string? TitlesOf(int status) => status < StatusCodes.Status400BadRequest ? null : string.Join(
        " ", Enum.GetValues<ApiProblemCode>().Where(code => StatusOf(code) == status).Select(TitleOf).DefaultIfEmpty(TitleOf(ApiProblemCode.Unexpected)));

    private static int StatusOf(ApiProblemCode code) => code switch
    {
        ApiProblemCode.NotFound or ApiProblemCode.PictureGone or ApiProblemCode.CodeGone => StatusCodes.Status404NotFound,
        ApiProblemCode.Unreadable => StatusCodes.Status400BadRequest,
        ApiProblemCode.TooLarge => StatusCodes.Status413PayloadTooLarge,
        ApiProblemCode.NotPossible => StatusCodes.Status422UnprocessableEntity,
        ApiProblemCode.VersionMissing => StatusCodes.Status428PreconditionRequired,
        ApiProblemCode.ChangedElsewhere => StatusCodes.Status412PreconditionFailed,
        ApiProblemCode.SignedOut or ApiProblemCode.WrongPassword => StatusCodes.Status401Unauthorized,
        ApiProblemCode.OtherSite or ApiProblemCode.NotAllowed or ApiProblemCode.OldPage => StatusCodes.Status403Forbidden,
        ApiProblemCode.TooOften => StatusCodes.Status429TooManyRequests,
        ApiProblemCode.InUse or ApiProblemCode.LastOwner => StatusCodes.Status409Conflict,
        ApiProblemCode.DatabaseAway or ApiProblemCode.Busy => StatusCodes.Status503ServiceUnavailable,
        ApiProblemCode.DiskFull => StatusCodes.Status507InsufficientStorage,
        _ => StatusCodes.Status500InternalServerError,
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
        ApiProblemCode.SignedOut => "Sign in first.",
        ApiProblemCode.NotAllowed => "This is not for you to do.",
        ApiProblemCode.OldPage => "The page is from before somebody signed in or out. Ask who has signed in, and do it again.",
        ApiProblemCode.WrongPassword => "Name and password do not belong together.",
        ApiProblemCode.TooOften => "Too many tries in a row. Wait a little.",
        ApiProblemCode.LastOwner => "A studio needs an owner.",
        ApiProblemCode.CodeGone => "This address was used already, or is too old.",
        ApiProblemCode.InUse => "Something that is kept names it.",
        ApiProblemCode.PictureGone => "The picture is no longer at hand.",
        ApiProblemCode.DatabaseAway => "The database does not answer.",
        ApiProblemCode.DiskFull => "The disk is full. Nothing was kept; make room and do it again.",
        ApiProblemCode.Busy => "Much is being computed just now. Try again in a moment.",
        _ => "Something went wrong here.",
    };
}
