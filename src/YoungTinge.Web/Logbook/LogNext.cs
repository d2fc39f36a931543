using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Learning;
using YoungTinge.Store;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;

namespace YoungTinge.Web.Logbook;

/// <summary>Which pastes of the open commissions would teach most if they were read.</summary>
public static class LogNext
{
    private const int Most = 5;

    /// <summary>More pastes are not weighed against each other.</summary>
    private const int MostWeighed = 40;

    /// <param name="Falls">By how much the ranges of all pastes of the open commissions together would become narrower, CIEDE2000.</param>
    /// <param name="SurerIds">Ids of the colours whose jars would become surer by a third or more.</param>
    /// <param name="Range">CIEDE2000 that nine of ten such pastes come out within, as far as is known now.</param>
    public sealed record NextView(Guid FlowerId, string FlowerName, Guid PieceId, string PieceName, ColourView Colour, double Range, double Falls, IReadOnlyList<string> SurerIds);

    public static void Map(RouteGroupBuilder api) => api.MapGet("/log-next", Handle).KeepsAnswer().WithName("getLogNext").Produces<IReadOnlyList<NextView>>().ProducesProblems();

    private static async Task<IResult> Handle(StudioWorks works, CabinetStore cabinet, CancellationToken cancel)
    {
        var work = await works.LoadAsync(cancel);
        var listed = await cabinet.ListedAsync(work.Studio.Id, cancel);
        var (learned, jars, _) = await cabinet.LoadLearnedAsync(work.Studio.Id, cancel);
        var pieces = work.Commissions.Where(commission => commission.IsOpen).SelectMany(commission => work.PiecesIn(commission.Id)).Where(piece => learned.HasAllOf(piece.Plan.Paste) && piece.Plan.Paste.Doses.Count > 0)
            .DistinctBy(piece => string.Join('|', piece.Plan.Paste.Doses.OrderBy(dose => dose.ColourantId).Select(dose => $"{dose.ColourantId} {dose.GPer100g:0.000}"))).Take(MostWeighed).ToList();
        List<(string BaseId, IReadOnlyList<JarDose> Doses)> pastes = [.. pieces.Select(piece => (piece.Plan.Paste.BaseId, Doses(piece.Plan.Paste)))];
        var readings = await cabinet.ReadingsAsync(work.Studio.Id, listed, cancel);
        var worth = NextReading.Of(
            pastes, jars, reading => readings.Learn([.. readings.UsedPastes, reading], readings.At),
            at => new PasteReading(Guid.Empty, readings.At, pastes[at].BaseId, pastes[at].Doses, ReadBy.Reader, jars.Predict(pastes[at].BaseId, pastes[at].Doses).Colour));
        return TypedResults.Ok<IReadOnlyList<NextView>>([.. worth.Take(Most).Select(one =>
        {
            var piece = pieces[one.Paste];
            var predicted = jars.Predict(pastes[one.Paste].BaseId, pastes[one.Paste].Doses);
            return new NextView(
                piece.FlowerId, work.FlowerName(piece.FlowerId) ?? "", piece.Id, piece.Piece.Name, ColourView.From(predicted.Colour), predicted.Range, one.Falls,
                [.. piece.Plan.Paste.Doses.Select(dose => dose.ColourantId).Where(id => one.Jars.Contains(LearnedCabinet.OpenJar(listed.Get<Colourant>(id))))]);
        })]);

        IReadOnlyList<JarDose> Doses(PasteRecipe recipe) => [.. recipe.WithoutNothing().Doses.Select(dose => new JarDose(LearnedCabinet.OpenJar(listed.Get<Colourant>(dose.ColourantId)), dose.GPer100g))];
    }
}
