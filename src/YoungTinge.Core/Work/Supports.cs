using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Advice;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Work;

/// <summary>Something that carries or binds pieces, and is bought by number.</summary>
/// <param name="MaterialId">Of the cabinet; null if there is none that would do.</param>
/// <param name="Gauge">Of a wire; null for the rest.</param>
/// <param name="Amount">Whole wires, rolls of tape (parts of one add up over pieces), stamens, cores.</param>
public sealed record Support(MaterialKind Kind, string? MaterialId, int? Gauge, double Amount)
{
    /// <summary>Of a core; null for the rest.</summary>
    public double? DiameterMm { get; init; }
}

/// <summary>Wires, tape, cores and ready-made stamens that a kind of piece takes. House figures.</summary>
public static class Supports
{
    /// <summary>Pieces that one wire of usual length (36 cm) is cut for: fine ones are cut in three, middling ones in two.</summary>
    private const int ThirdsFromGauge = 26;
    private const int HalvesFromGauge = 22;

    /// <summary>Tape, cut to half its width, that one wired piece takes, and what a roll gives at that width.</summary>
    private const double TapeMmEach = 90;
    private const double TapeMmOfRoll = 54_000;

    /// <summary>A core within so much of what is asked for does.</summary>
    private const double AsLargeMm = 0.5;

    /// <summary>Of the wire that carries such a piece; null if none does.</summary>
    public static int? GaugeOf(PlannedWork work, Materials materials) => work.Piece.IsWired ? WireAdviceFor(work, materials)?.Gauge ?? WireAdvice.GaugeFor(work.Piece) : null;

    public static IReadOnlyList<Support> Of(PlannedWork work, Materials materials)
    {
        var pieces = work.Piece.ToMake(work.Parts);
        if (pieces == 0)
            return [];
        if (work.Piece.Body is { Kind: BodyKind.Bought } bought)
            return [new(MaterialKind.Stamens, bought.MaterialId is { } id && materials.Has<Stamens>(id) ? id : FirstOnShelf(materials.All.OfType<Stamens>()), null, pieces)];
        Support[] cores = work.Piece.Body is { Kind: BodyKind.CoveredCore } body ? [new(MaterialKind.Core, CoreOf(body, materials), null, pieces) { DiameterMm = body.CoreMm }] : [];
        if (!work.Piece.IsWired)
            return cores;
        var advice = WireAdviceFor(work, materials);
        var gauge = advice?.Gauge ?? WireAdvice.GaugeFor(work.Piece);
        return
        [
            .. cores,
            new(MaterialKind.Wire, WireOf(advice, gauge, materials), gauge, Math.Ceiling(pieces / (double)CutsOf(gauge))),
            new(MaterialKind.Tape, FirstOnShelf(materials.All.OfType<Tape>()), null, pieces * TapeMmEach / TapeMmOfRoll),
        ];
    }

    /// <summary>Null if its paste holds something that is gone.</summary>
    public static WireAdvice? WireAdviceFor(PlannedWork work, Materials materials) => work.Source is { } source ? WireAdvice.For(work.Piece, source.Optics, materials)
        : materials.HasAllOf(work.Plan.Paste) ? WireAdvice.For(work.Piece, work.Plan.Paste, materials) : null;

    /// <summary>As its maker says, or else the first that is as large.</summary>
    private static string? CoreOf(PieceBody body, Materials materials) => body.MaterialId is { } id && materials.Has<CoreBall>(id) ? id
        : FirstOnShelf(materials.All.OfType<CoreBall>().Where(core => Math.Abs(core.DiameterMm - body.CoreMm) < AsLargeMm));

    private static int CutsOf(int gauge) => gauge >= ThirdsFromGauge ? 3 : gauge >= HalvesFromGauge ? 2 : 1;

    /// <summary>The wire that shows least, of this gauge where the cabinet says which one it holds.</summary>
    private static string? WireOf(WireAdvice? advice, int gauge, Materials materials)
    {
        var wires = (advice?.Choices ?? []).Select(choice => materials.Get<Wire>(choice.WireId)).ToList();
        return (wires.FirstOrDefault(wire => wire.Gauge == gauge) ?? wires.FirstOrDefault(wire => wire.Gauge is null))?.Id;
    }

    /// <summary>The first on the shelf that is still bought.</summary>
    private static string? FirstOnShelf(IEnumerable<Material> materials) => materials.FirstOrDefault(material => !material.Label.IsRetired)?.Id;
}
