using YoungTinge.Store.People;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.People;

/// <summary>Who works in the studio: asking somebody in, what each may do, and taking somebody out. For owners.</summary>
public static class ManagePeople
{
    /// <param name="IsMe">It is whoever asks.</param>
    /// <param name="HasPassword">She has been in.</param>
    /// <param name="Version">To send with a change (If-Match).</param>
    public sealed record PersonView(Guid Id, string Name, string SignInName, Role Role, DateTimeOffset MadeAt, bool HasPassword, bool IsMe, int Version);

    public sealed record InviteRequest(Role Role);

    public sealed record RoleRequest(Role Role);

    /// <summary>An address that is told once, to be handed on.</summary>
    public sealed record CodeAnswer(string Address, DateTimeOffset ExpiresAt);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/people", List).ForOwner().WithName("listPeople").WithSummary("Who works in the studio.").Produces<IReadOnlyList<PersonView>>().ProducesProblems();
        api.MapPost("/people/invitations", Invite).ForOwner().WithName("invitePerson").WithSummary("Makes an address by which somebody new comes in, once.").Produces<CodeAnswer>().ProducesProblems(422);
        api.MapPut("/people/{id:guid}/role", ChangeRole).ForOwner().WithName("changeRole").WithSummary("Changes what somebody may do.").Produces(204).ProducesProblems(404, 409, 422);
        api.MapDelete("/people/{id:guid}", Remove).ForOwner().WithName("removePerson").WithSummary("Takes somebody out of the studio, and signs her out everywhere.").Produces(204).ProducesProblems(404, 409);
        api.MapPost("/people/{id:guid}/code", MakeCode).ForOwner().WithName("makePasswordCode").WithSummary("Makes an address by which she chooses a new password, once.").Produces<CodeAnswer>().ProducesProblems(404);
        api.MapPost("/people/{id:guid}/sign-out", SignOut).ForOwner().WithName("signPersonOut").WithSummary("Signs somebody out of every browser.").Produces(204).ProducesProblems(404);
    }

    private static async Task<IResult> List(HttpContext context, CurrentStudio studio, PersonStore people, CancellationToken cancel) => TypedResults.Ok<IReadOnlyList<PersonView>>(
        [.. (await people.ListAsync(studio.Id, cancel)).Select(person => new PersonView(
            person.Id, person.Name, person.SignInName, person.Role, person.MadeAt, person.HasPassword, person.Id == context.User.PersonId(), person.Version))]);

    private static async Task<IResult> Invite(InviteRequest request, CurrentStudio studio, OneTimeCodeStore codes, TimeProvider clock, CancellationToken cancel) =>
        Enum.IsDefined(request.Role) ? Told(await codes.MakeAsync(studio.Id, request.Role, clock.GetUtcNow(), cancel), clock) : UnknownRole();

    private static async Task<IResult> ChangeRole(Guid id, RoleRequest request, MadeFrom madeFrom, CurrentStudio studio, PersonStore people, CancellationToken cancel) =>
        Enum.IsDefined(request.Role) ? Answered(await people.ChangeRoleAsync(studio.Id, id, madeFrom.Version, request.Role, cancel)) : UnknownRole();

    private static async Task<IResult> Remove(Guid id, MadeFrom madeFrom, CurrentStudio studio, PersonStore people, CancellationToken cancel) =>
        Answered(await people.RemoveAsync(studio.Id, id, madeFrom.Version, cancel));

    private static async Task<IResult> MakeCode(Guid id, CurrentStudio studio, PersonStore people, OneTimeCodeStore codes, TimeProvider clock, CancellationToken cancel) =>
        await people.FindAsync(studio.Id, id, cancel) is null ? ApiProblem.NotFound() : Told(await codes.MakeAsync(studio.Id, CodeKind.Password, id, clock.GetUtcNow(), cancel), clock);

    private static async Task<IResult> SignOut(Guid id, CurrentStudio studio, PersonStore people, SessionStore sessions, CancellationToken cancel)
    {
        if (await people.FindAsync(studio.Id, id, cancel) is null)
            return ApiProblem.NotFound();
        await sessions.EndAllAsync(studio.Id, id, cancel);
        return TypedResults.NoContent();
    }

    private static IResult Told(string code, TimeProvider clock) => TypedResults.Ok(new CodeAnswer($"/in/{code}", clock.GetUtcNow() + OneTimeCodeStore.Lasts));

    private static IResult UnknownRole() => ApiProblem.NotPossible([new FieldProblem("role", "unknownWord", null, null)]);

    private static IResult Answered(ChangePersonResult result) => result switch
    {
        ChangePersonResult.Changed => TypedResults.NoContent(),
        ChangePersonResult.NotFound => ApiProblem.NotFound(),
        ChangePersonResult.LastOwner => ApiProblem.Result(StatusCodes.Status409Conflict, ApiProblemCode.LastOwner),
        _ => ApiProblem.ChangedElsewhere(),
    };
}
