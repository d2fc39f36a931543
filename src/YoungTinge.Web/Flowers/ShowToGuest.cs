using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Work;
using YoungTinge.Store.People;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Flowers;

/// <summary>One commission for the client who ordered it: pictures of its flowers and what is in them; no prices, and nothing else of the studio.</summary>
public static class ShowToGuest
{
    /// <summary>A client looks until after the feast.</summary>
    internal const int MostDays = 400;

    /// <param name="Food">With what is not edible by its name.</param>
    /// <param name="Language">The studio's: a BCP 47 tag.</param>
    public sealed record Answer(
        string StudioName, string CommissionName, DateOnly DueOn, string Language, IReadOnlyList<ShowBloom.FlowerView> Flowers, Spray Spray, FoodFacts Food);

    /// <summary>An address mostly leads somewhere for so long after the day of the feast.</summary>
    private const int UsualDaysAfter = 30;

    /// <param name="ExpiresAt">Null if there is none, or it has expired.</param>
    /// <param name="UsualDays">That a new one mostly leads somewhere.</param>
    public sealed record AddressState(DateTimeOffset? ExpiresAt, int UsualDays);

    /// <param name="Days">That it leads somewhere, 1 to 400.</param>
    public sealed record AddressRequest(int Days);

    /// <summary>An address that is told once, to be handed on.</summary>
    public sealed record Address(string Path, DateTimeOffset ExpiresAt);

    public static void Map(RouteGroupBuilder api)
    {
        api.MapGet("/guest/{token}", Look).EnteredBy()
            .WithName("getForGuest").Produces<Answer>().ProducesProblems(404);
        api.MapGet("/commissions/{id:guid}/guest-address", State).ForMaker().WithName("getGuestAddress").WithSummary("Whether a commission has a private address for its client.").Produces<AddressState>().ProducesProblems(404);
        api.MapPost("/commissions/{id:guid}/guest-address", Make).WithName("makeGuestAddress").WithSummary("Makes a private address for the client; one that there was leads nowhere from then on.").Produces<Address>().ProducesProblems(404, 422);
        api.MapDelete("/commissions/{id:guid}/guest-address", Withdraw).WithName("withdrawGuestAddress").WithSummary("Takes the client's private address away.").Produces(204).ProducesProblems();
    }

    /// <param name="token">The secret part of the address.</param>
    private static async Task<IResult> Look(string token, QueryWord<LightKind>? light, CurrentStudio studio, GuestAddressStore addresses, StudioWorks works, TimeProvider clock, CancellationToken cancel)
    {
        if (await addresses.CommissionOfAsync(studio.Id, token, clock.GetUtcNow(), cancel) is not { } id)
            return ApiProblem.NotFound();
        var work = await works.LoadAsync(cancel);
        if (work.FindCommission(id) is not { } commission)
            return ApiProblem.NotFound();
        var (flowers, spray) = ShowBloom.SprayOf(work, id, Lights.Of((light ?? default).Value));
        var food = work.FoodOf(id);
        return TypedResults.Ok(new Answer(
            work.Studio.Name, commission.Details.Name, commission.Details.DueOn, work.Studio.Language, flowers, spray,
            food with { NotEdible = [.. food.NotEdible.Select(material => work.Materials.All.First(one => one.Id == material).Label.Name)] }));
    }

    private static async Task<IResult> State(Guid id, CurrentStudio studio, StudioWorks works, GuestAddressStore addresses, TimeProvider clock, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        if (work.FindCommission(id) is not { } commission)
            return ApiProblem.NotFound();
        var now = clock.GetUtcNow();
        return TypedResults.Ok(new AddressState(
            await addresses.ExpiryAsync(studio.Id, id, now, cancel), Math.Clamp(CommissionView.From(commission, work.Studio, now).DueInDays + UsualDaysAfter, UsualDaysAfter, MostDays)));
    }

    private static async Task<IResult> Make(Guid id, AddressRequest request, CurrentStudio studio, GuestAddressStore addresses, TimeProvider clock, CancellationToken cancel)
    {
        if (request.Days is < 1 or > MostDays)
            return ApiProblem.NotPossible([new FieldProblem("days", "daysOutOfRange", MostDays, null)]);
        var now = clock.GetUtcNow();
        var expiresAt = now.AddDays(request.Days);
        return await addresses.MakeAsync(studio.Id, id, now, expiresAt, cancel) is { } secret ? TypedResults.Ok(new Address($"/guest/{secret}", expiresAt)) : ApiProblem.NotFound();
    }

    private static async Task<IResult> Withdraw(Guid id, CurrentStudio studio, GuestAddressStore addresses, CancellationToken cancel)
    {
        await addresses.WithdrawAsync(studio.Id, id, cancel);
        return TypedResults.NoContent();
    }
}
