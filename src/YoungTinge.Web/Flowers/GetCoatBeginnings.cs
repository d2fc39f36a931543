using YoungTinge.Core.Coats.Model;
using YoungTinge.Store;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Flowers;

/// <summary>How coats, their places and painted details begin when a maker first takes them up.</summary>
public static class GetCoatBeginnings
{
    /// <param name="Coats">By the id of the material that they are made of; each gets an id of its own when it is used.</param>
    /// <param name="Steam">Of no material.</param>
    /// <param name="Places">One of each kind.</param>
    /// <param name="Markings">One of each kind.</param>
    /// <param name="Tint">Of a glaze; null if the cabinet has no dust.</param>
    /// <param name="CrumbTint">Of crumbs; null if the cabinet has no dust.</param>
    /// <param name="WashGPerMl">Strength of a wash all over its place.</param>
    /// <param name="DetailGPerMl">Strength of a painted detail.</param>
    public sealed record Answer(
        IReadOnlyDictionary<string, Coat> Coats, Coat Steam, IReadOnlyList<Place> Places, IReadOnlyList<Marking> Markings, TintMix? Tint, CrumbTint? CrumbTint, double WashGPerMl,
        double DetailGPerMl);

    public static void Map(RouteGroupBuilder api) => api.MapGet("/coat-beginnings", Handle)
        .KeepsAnswer().WithName("getCoatBeginnings").Produces<Answer>().ProducesProblems();

    private static async Task<IResult> Handle(CurrentStudio studio, CabinetStore cabinet, CancellationToken cancel)
    {
        var materials = await cabinet.LoadAsync(studio.Id, cancel);
        return TypedResults.Ok(new Answer(
            Beginnings.CoatsOf(materials), new SteamCoat(Guid.Empty, SteamCoat.UsualSeconds), Beginnings.Places, Beginnings.Markings, TintMix.Begin(materials), CrumbTint.Begin(materials),
            Beginnings.WashGPerMl, Beginnings.DetailGPerMl));
    }
}
