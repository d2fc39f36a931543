using System.Globalization;
using Microsoft.AspNetCore.Antiforgery;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Http.HttpResults;
using YoungTinge.Core.Cabinet;
using YoungTinge.Store;
using YoungTinge.Store.Demo;
using YoungTinge.Store.People;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.People;

/// <summary>Coming in by name and password, and going out.</summary>
public static class SigningIn
{
    /// <summary>An address that many people share, such as that of a school, may fail so many times as often as one name.</summary>
    private const double ShareOfAddress = 0.1;

    /// <param name="HasStudio">There is one to sign in to, be it the demo.</param>
    /// <param name="MayBegin">Whoever comes may begin one.</param>
    /// <param name="MayHaveDemo">A demo can be begun beside it.</param>
    /// <param name="UsualScaleG">Smallest step of most makers' scales: what a new studio begins with.</param>
    /// <param name="Demo">Fills the form in, where this server shows its demo to whoever comes; else null.</param>
    public sealed record DoorView(bool HasStudio, bool MayBegin, bool MayHaveDemo, double UsualScaleG, DemoAccount? Demo);

    public sealed record DemoAccount(string Name, string Password);

    /// <param name="Name">To sign in with.</param>
    public sealed record Request(string Name, string Password);

    /// <param name="Everywhere">Out of every browser that she has signed in with.</param>
    public sealed record OutRequest(bool Everywhere);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/door", Look).ForAnyone().WithName("getDoor").WithSummary("What whoever comes can do here.").Produces<DoorView>().ProducesProblems();
        api.MapPost("/door/sign-in", SignIn).ForAnyone().SignsIn().WithName("signIn").WithSummary("Signs somebody in by name and password.").Produces(204).ProducesProblems(401, 429);
        api.MapPost("/door/sign-out", SignOut).ForHelper().WithName("signOut").WithSummary("Signs out, of this browser or of all.").Produces(204).ProducesProblems();
    }

    private static async Task<IResult> Look(StudioDatabases databases, DoorSettings settings, CancellationToken cancel)
    {
        var studios = await new StudioStore(databases.Door).ListAsync(cancel);
        return TypedResults.Ok(new DoorView(
            studios.Count > 0, settings.MayBegin(studios.Any(studio => !studio.IsDemo)), settings.DemoPassword is not null, BenchScale.UsualG,
            settings.DemoPassword is { } password && studios.Any(studio => studio.IsDemo) ? new DemoAccount(DemoStudio.SignInName, password) : null));
    }

    private static async Task<IResult> SignIn(Request request, HttpContext context, StudioDatabases databases, Passwords passwords, TimeProvider clock, CancellationToken cancel)
    {
        var name = request.Name.Trim();
        if (await WaitAsync(context, databases, name, clock, cancel) is { } wait)
            return wait;
        var found = await PersonStore.FindByNameAsync(databases.Door, name, cancel);
        if (!passwords.IsRight(found?.PasswordHash, request.Password))
            return ApiProblem.Result(StatusCodes.Status401Unauthorized, ApiProblemCode.WrongPassword);
        await WentWellAsync(context, databases, name, clock, cancel);
        await EnterAsync(context, databases, found!.StudioId, found.PersonId, cancel);
        return TypedResults.NoContent();
    }

    private static async Task<IResult> SignOut(OutRequest request, HttpContext context, CurrentStudio studio, SessionStore sessions, CancellationToken cancel)
    {
        if (request.Everywhere)
            await sessions.EndAllAsync(studio.Id, context.User.PersonId()!.Value, cancel);
        await context.SignOutAsync(CookieAuthenticationDefaults.AuthenticationScheme);
        context.Response.Cookies.Delete(ForgeryWord.Cookie);
        return TypedResults.NoContent();
    }

    /// <summary>Signs somebody in in this browser.</summary>
    internal static async Task EnterAsync(HttpContext context, StudioDatabases databases, Guid studioId, Guid personId, CancellationToken cancel)
    {
        var person = await new PersonStore(databases.Of(studioId).DataSource).FindAsync(studioId, personId, cancel) ?? throw new NoStudioException();
        var principal = SignedIn.Of(studioId, personId, person.Name, person.Role);
        // Whoever was signed in here is not any more.
        if (SignsIn.HadBefore(context) is { } had && await databases.FindAsync(had, cancel) is { } other)
            await new SessionStore(other.DataSource).EndAsync(other.StudioId, had, cancel);
        await context.SignInAsync(CookieAuthenticationDefaults.AuthenticationScheme, principal, new AuthenticationProperties { IsPersistent = true });
        context.User = principal;
        context.RequestServices.GetRequiredService<CurrentStudio>().Enter(databases.Of(studioId));
        ForgeryWord.Tell(context, context.RequestServices.GetRequiredService<IAntiforgery>());
    }

    /// <summary>Counts a try; the answer where it is one too many, else null.</summary>
    internal static async Task<IResult?> WaitAsync(HttpContext context, StudioDatabases databases, string name, TimeProvider clock, CancellationToken cancel)
    {
        foreach (var (key, share) in new[] { (NameKey(name), 1.0), (AddressKey(context), ShareOfAddress) })
        {
            if (await new SignInTries(databases.Door).TakeAsync(key, share, clock.GetUtcNow(), cancel) is { } wait)
                return TooOften(context, wait);
        }

        return null;
    }

    /// <summary>The password was right.</summary>
    internal static async Task WentWellAsync(HttpContext context, StudioDatabases databases, string name, TimeProvider clock, CancellationToken cancel)
    {
        var tries = new SignInTries(databases.Door);
        await tries.ForgetAsync(NameKey(name), clock.GetUtcNow(), cancel);
        // Who knows one password has not thereby tried those of others less often.
        await tries.TakeBackAsync(AddressKey(context), cancel);
    }

    private static string NameKey(string name) => $"name {Fingerprint.Of(name.ToLowerInvariant())}";

    private static string AddressKey(HttpContext context) => $"address {context.Connection.RemoteIpAddress}";

    private static JsonHttpResult<ApiProblem> TooOften(HttpContext context, TimeSpan wait)
    {
        var seconds = Math.Ceiling(wait.TotalSeconds);
        context.Response.Headers.RetryAfter = seconds.ToString(CultureInfo.InvariantCulture);
        return ApiProblem.Result(StatusCodes.Status429TooManyRequests, ApiProblemCode.TooOften, [new FieldProblem("password", "waitSeconds", seconds, null)]);
    }
}
