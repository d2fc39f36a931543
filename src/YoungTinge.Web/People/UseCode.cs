using YoungTinge.Store;
using YoungTinge.Store.People;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.People;

/// <summary>What a one-time address leads to: coming in as somebody new, a new password, or being signed in.</summary>
public static class UseCode
{
    /// <param name="Role">Of somebody new; null for one who is there.</param>
    /// <param name="Name">Of the one it is for; empty for somebody new.</param>
    /// <param name="SignInName">Of the one it is for; empty for somebody new.</param>
    public sealed record CodeView(CodeKind Kind, string StudioName, Role? Role, string Name, string SignInName);

    /// <param name="Name">Of somebody new; else empty.</param>
    /// <param name="SignInName">Of somebody new; else empty.</param>
    /// <param name="Password">That is chosen; empty where none is.</param>
    public sealed record Request(string Name, string SignInName, string Password);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/door/codes/{token}", Look).EnteredBy().WithName("getCode").WithSummary("What a one-time address leads to.").Produces<CodeView>().ProducesProblems(404);
        api.MapPost("/door/codes/{token}", Use).EnteredBy().SignsIn().WithName("useCode").WithSummary("Uses a one-time address up, and signs in.").Produces(204).ProducesProblems(404, 422);
    }

    /// <param name="token">The secret part of the address.</param>
    private static async Task<IResult> Look(string token, CurrentStudio studio, OneTimeCodeStore codes, TimeProvider clock, CancellationToken cancel) =>
        await codes.FindAsync(studio.Id, token, clock.GetUtcNow(), cancel) is { } code
            ? TypedResults.Ok(new CodeView(code.Kind, (await studio.GetAsync(cancel)).Name, code.Role, code.Person?.Name ?? "", code.Person?.SignInName ?? ""))
            : Gone();

    /// <param name="token">The secret part of the address.</param>
    private static async Task<IResult> Use(
        string token, Request request, HttpContext context, CurrentStudio studio, StudioDatabases databases, OneTimeCodeStore codes, Passwords passwords, TimeProvider clock, CancellationToken cancel)
    {
        var now = clock.GetUtcNow();
        if (await codes.FindAsync(studio.Id, token, now, cancel) is not { } code)
            return Gone();
        var newcomer = code.Kind == CodeKind.Invite ? new Newcomer(Guid.CreateVersion7(now), request.Name.Trim(), request.SignInName.Trim()) : null;
        List<Fault> faults = [];
        if (newcomer is not null)
            faults.AddRange(PersonRules.OfNames(newcomer.Name, newcomer.SignInName));
        if (code.Kind != CodeKind.Enter)
            faults.AddRange(Passwords.Problems(request.Password, newcomer?.Name ?? code.Person!.Name, newcomer?.SignInName ?? code.Person!.SignInName));
        if (faults.Lines() is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        switch (await codes.UseAsync(studio.Id, token, newcomer, code.Kind == CodeKind.Enter ? null : passwords.Hash(request.Password), now, cancel))
        {
            case UseCodeResult.NameTaken:
                return ApiProblem.NotPossible([new FieldProblem("signInName", "signInNameTaken", null, null)]);
            case UseCodeResult.Used used:
                await SigningIn.EnterAsync(context, databases, studio.Id, used.PersonId, cancel);
                return TypedResults.NoContent();
            default:
                return Gone();
        }
    }

    private static IResult Gone() => ApiProblem.Result(StatusCodes.Status404NotFound, ApiProblemCode.CodeGone);
}
