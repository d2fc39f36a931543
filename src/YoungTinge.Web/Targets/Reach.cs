using System.Collections.Concurrent;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Targets;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Targets;

/// <summary>What the cabinet of a studio reaches, worked out once for each state of it.</summary>
public sealed class Reach
{
    private readonly ConcurrentDictionary<Guid, (string State, Gamut Map)> known = new();

    public async Task<Gamut> OfAsync(CabinetStore cabinet, Guid studioId, CancellationToken cancel)
    {
        var kept = await cabinet.ListAsync(studioId, cancel);
        var state = CabinetState.Of(studioId, kept);
        if (known.TryGetValue(studioId, out var last) && last.State == state)
            return last.Map;
        var map = Gamut.Of(new Materials(kept.Select(one => one.Material)));
        known[studioId] = (state, map);
        return map;
    }
}
