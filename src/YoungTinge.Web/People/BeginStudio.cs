using YoungTinge.Core.Cabinet;
using YoungTinge.Store;
using YoungTinge.Store.Demo;
using YoungTinge.Store.People;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.People;

/// <summary>Begins a studio with somebody who owns it, and signs her in.</summary>
public static class BeginStudio
{
    public enum With
    {
        /// <summary>Nothing in it.</summary>
        EmptyCabinet,

        /// <summary>The jars that most makers have.</summary>
        StarterCabinet,

        /// <summary>Nothing in it, and the demo beside it to look at.</summary>
        Demo,
    }

    /// <param name="Name">Of the studio.</param>
    /// <param name="Maker">Its owner, as others are shown it.</param>
    /// <param name="Language">A BCP 47 tag.</param>
    /// <param name="SignInName">Of its owner.</param>
    public sealed record Request(
        string Name, string Maker, Measures Measures, double ScaleG, string Currency, string Language, string TimeZone, string SignInName, string Password, With With);

    public static void Map(RouteGroupBuilder api) => api.MapPost("/door/studios", Handle).ForAnyone().SignsIn().WithName("beginStudio").Produces(204).ProducesProblems(403, 422);

    private static async Task<IResult> Handle(Request request, HttpContext context, StudioDatabases databases, DoorSettings settings, Passwords passwords, TimeProvider clock, CancellationToken cancel)
    {
        var now = clock.GetUtcNow();
        var studio = new Studio(Guid.CreateVersion7(now), request.Name.Trim(), request.Maker.Trim(), request.TimeZone, request.Currency, new Measuring(request.Measures, request.ScaleG, Measuring.UsualDeltaE), 1)
        {
            Language = request.Language,
        };
        var owner = new Person(Guid.CreateVersion7(now), request.Maker.Trim(), request.SignInName.Trim(), Role.Owner, 1);
        List<Fault> faults =
        [
            .. StudioRules.Of(studio),
            .. PersonRules.OfNames(owner.Name, owner.SignInName, "maker"),
            .. Passwords.Problems(request.Password, owner.SignInName, owner.Name, studio.Name),
        ];
        if (!Enum.IsDefined(request.With) || request.With == With.Demo && settings.DemoPassword is null)
            faults.Add(new Fault("with", "unknownWord"));
        if (faults.Lines() is { Count: > 0 } problems)
            return ApiProblem.NotPossible(problems);
        switch (await StudioBeginning.BeginAsync(databases.Door, studio, owner, passwords.Hash(request.Password), onlyFirst: !settings.AnyoneMayBegin, cancel))
        {
            case BeginStudioResult.NotTheFirst:
                return ApiProblem.Result(StatusCodes.Status403Forbidden, ApiProblemCode.NotAllowed);
            case BeginStudioResult.NameTaken:
                return ApiProblem.NotPossible([new FieldProblem("signInName", "signInNameTaken", null, null)]);
        }

        if (request.With == With.StarterCabinet)
            await databases.Of(studio.Id).Cabinet.SaveAsync(studio.Id, [.. StarterCabinet.Load().All.Select(material => new MaterialChange(material, 0))], cancel);
        if (request.With == With.Demo)
            await BesideAsync(databases, passwords, settings.DemoPassword!, now, cancel);
        await SigningIn.EnterAsync(context, databases, studio.Id, owner.Id, cancel);
        return TypedResults.NoContent();
    }

    /// <summary>Begins the demo, unless there is one.</summary>
    private static async Task BesideAsync(StudioDatabases databases, Passwords passwords, string password, DateTimeOffset now, CancellationToken cancel)
    {
        if ((await new StudioStore(databases.Door).ListAsync(cancel)).Any(one => one.IsDemo))
            return;
        var demo = databases.Of(Guid.CreateVersion7(now));
        await DemoStudio.SeedAsync(demo.DataSource, demo.StudioId, passwords.Hash(password), now, cancel);
    }
}
