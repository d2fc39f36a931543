using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Targets;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Targets;

/// <summary>What the cabinet reaches, worked out once for each state of it.</summary>
public sealed class Reach(CabinetStore cabinet)
{
    private (string State, Gamut Map)? known;

    public async Task<Gamut> OfAsync(Guid studioId, CancellationToken cancel)
    {
        var kept = await cabinet.ListAsync(studioId, cancel);
        var state = CabinetState.Of(studioId, kept);
        if (known is { } last && last.State == state)
            return last.Map;
        var map = Gamut.Of(new Materials(kept.Select(one => one.Material)));
        known = (state, map);
        return map;
    }
}
