using Microsoft.AspNetCore.Antiforgery;
using YoungTinge.Store;
using YoungTinge.Store.People;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.People;

/// <summary>Whoever has signed in: who she is, and how she sees the pages.</summary>
public static class Me
{
    /// <param name="IsDemo">The studio is the demo.</param>
    /// <param name="StudioLanguage">That the pages are in where she has chosen none.</param>
    /// <param name="Version">To send with a change (If-Match).</param>
    public sealed record View(Guid Id, string Name, string SignInName, Role Role, string StudioName, bool IsDemo, string StudioLanguage, Preferences Preferences, int Version);

    public sealed record SaveRequest(string Name, Preferences Preferences);

    /// <param name="Old">That she signs in with so far.</param>
    public sealed record PasswordRequest(string Old, string Password);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/me", Look).WithName("getMe").WithSummary("Who has signed in. Gives the word that changes are sent with, in a cookie.").Produces<View>().ProducesProblems();
        api.MapPut("/me", Save).ForHelper().LeavesNoLine().WithName("saveMe").WithSummary("Changes her name and how she sees the pages.").Produces<View>().ProducesProblems(422);
        api.MapPut("/me/password", SetPassword).ForHelper().WithName("setMyPassword").WithSummary("Changes her password; every other browser is signed out.").Produces(204).ProducesProblems(401, 422, 429);
    }

    private static async Task<IResult> Look(HttpContext context, CurrentStudio studio, PersonStore people, IAntiforgery antiforgery, CancellationToken cancel)
    {
        ForgeryWord.Tell(context, antiforgery);
        return TypedResults.Ok(await ViewAsync(context, studio, people, cancel));
    }

    private static async Task<IResult> Save(SaveRequest request, MadeFrom madeFrom, HttpContext context, CurrentStudio studio, PersonStore people, CancellationToken cancel)
    {
        var me = await people.FindAsync(studio.Id, context.User.PersonId()!.Value, cancel) ?? throw new NoStudioException();
        var changed = me with { Name = request.Name.Trim(), Preferences = request.Preferences, Version = madeFrom.Version };
        if (PersonRules.OfNames(changed.Name, changed.SignInName).Concat(PersonRules.Of(changed.Preferences)).Lines() is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        return await people.SaveAsync(studio.Id, changed, cancel) ? TypedResults.Ok(await ViewAsync(context, studio, people, cancel)) : ApiProblem.ChangedElsewhere();
    }

    private static async Task<IResult> SetPassword(
        PasswordRequest request, HttpContext context, CurrentStudio studio, StudioDatabases databases, PersonStore people, SessionStore sessions, Passwords passwords, TimeProvider clock, CancellationToken cancel)
    {
        var me = await people.FindAsync(studio.Id, context.User.PersonId()!.Value, cancel) ?? throw new NoStudioException();
        if (await SigningIn.WaitAsync(context, databases, me.SignInName, clock, cancel) is { } wait)
            return wait;
        if (!passwords.IsRight(await people.PasswordHashAsync(studio.Id, me.Id, cancel), request.Old))
            return ApiProblem.NotPossible([new FieldProblem("old", "passwordWrong", null, null)]);
        await SigningIn.WentWellAsync(context, databases, me.SignInName, clock, cancel);
        if (Passwords.Problems(request.Password, me.Name, me.SignInName).Lines() is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        await people.SetPasswordAsync(studio.Id, me.Id, passwords.Hash(request.Password), cancel);
        await sessions.EndOthersAsync(studio.Id, me.Id, SignedIn.SessionOf(context) ?? "", cancel);
        return TypedResults.NoContent();
    }

    private static async Task<View> ViewAsync(HttpContext context, CurrentStudio studio, PersonStore people, CancellationToken cancel)
    {
        var me = await people.FindAsync(studio.Id, context.User.PersonId()!.Value, cancel) ?? throw new NoStudioException();
        var own = await studio.GetAsync(cancel);
        return new View(me.Id, me.Name, me.SignInName, me.Role, own.Name, own.IsDemo, own.Language, me.Preferences, me.Version);
    }
}
