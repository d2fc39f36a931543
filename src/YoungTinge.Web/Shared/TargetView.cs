using YoungTinge.Core.Flowers;

namespace YoungTinge.Web.Shared;

/// <summary>What a zone should look like, to show.</summary>
public sealed record TargetView(Zone Zone, ColourView Colour, double Spread, Finish Finish)
{
    internal static IReadOnlyList<TargetView> From(IReadOnlyDictionary<Zone, Target> targets) => [.. targets.OrderBy(target => target.Key)
        .Select(target => new TargetView(target.Key, ColourView.From(target.Value.Colour), target.Value.Spread, target.Value.Finish))];
}
