namespace YoungTinge.Web.People;

/// <summary>What the keeper of the server has said about its door.</summary>
/// <param name="DemoPassword">Of the demo's owner, for whoever comes to see; null for a server that shows no demo.</param>
/// <param name="AnyoneMayBegin">Whoever comes may begin a studio; else only the first who comes.</param>
public sealed record DoorSettings(string? DemoPassword, bool AnyoneMayBegin)
{
    public static DoorSettings From(IConfiguration configuration) =>
        new(configuration["Demo:Password"] is { Length: > 0 } password ? password : null, configuration.GetValue("Studios:AnyoneMayBegin", false));

    public bool MayBegin(bool hasStudio) => AnyoneMayBegin || !hasStudio;
}
