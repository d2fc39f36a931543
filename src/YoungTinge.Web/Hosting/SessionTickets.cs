using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using YoungTinge.Store;
using YoungTinge.Store.People;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Hosting;

/// <summary>
/// Who has signed in stands in the database, and only its name in the cookie: signing out ends it everywhere, and what somebody may do is
/// looked up with every request.
/// </summary>
internal sealed class SessionTickets(StudioDatabases databases, TimeProvider clock) : ITicketStore
{
    public async Task<string> StoreAsync(AuthenticationTicket ticket)
    {
        var studio = databases.Of(ticket.Principal.StudioId()!.Value);
        return await new SessionStore(studio.DataSource).BeginAsync(studio.StudioId, ticket.Principal.PersonId()!.Value, clock.GetUtcNow(), CancellationToken.None);
    }

    public async Task RenewAsync(string key, AuthenticationTicket ticket)
    {
        if (await databases.FindAsync(key, CancellationToken.None) is { } studio)
            await new SessionStore(studio.DataSource).RenewAsync(studio.StudioId, key, clock.GetUtcNow(), CancellationToken.None);
    }

    public async Task<AuthenticationTicket?> RetrieveAsync(string key)
    {
        if (await databases.FindAsync(key, CancellationToken.None) is not { } studio
            || await new SessionStore(studio.DataSource).FindAsync(studio.StudioId, key, clock.GetUtcNow(), CancellationToken.None) is not { } session)
            return null;
        var properties = new AuthenticationProperties { IsPersistent = true, IssuedUtc = session.RenewedAt, ExpiresUtc = session.RenewedAt + SessionStore.Longest };
        SignedIn.Keep(properties, key);
        return new AuthenticationTicket(
            SignedIn.Of(studio.StudioId, session.PersonId, session.Name, session.Role),
            properties,
            CookieAuthenticationDefaults.AuthenticationScheme);
    }

    public async Task RemoveAsync(string key)
    {
        if (await databases.FindAsync(key, CancellationToken.None) is { } studio)
            await new SessionStore(studio.DataSource).EndAsync(studio.StudioId, key, CancellationToken.None);
    }
}
