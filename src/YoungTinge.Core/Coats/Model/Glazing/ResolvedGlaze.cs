using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Coats.Model;

/// <summary>One or more coats of a glaze, clear or tinted.</summary>
public sealed class ResolvedGlaze : ResolvedCoat
{
    /// <summary>Let each coat of glaze dry this long before anything else touches it. House figure.</summary>
    private const double FlashOffMinutes = 20;

    /// <summary>Until it may be touched. House figure.</summary>
    private const double TouchDryMinutes = 180;

    /// <summary>Until nothing sticks to it in a box. House figure.</summary>
    public const double OvernightMinutes = 720;

    /// <summary>Share of a glaze that ends up on the piece: much of a spray passes by, a dip and a brush lose little. House figures.</summary>
    private const double SprayShare = 0.4;
    private const double OtherShare = 0.8;

    private readonly GlazeCoat coat;
    private readonly Glaze glaze;
    private readonly KubelkaMunkSpectra? tint;
    private readonly Lazy<Lab?> pot;

    internal ResolvedGlaze(GlazeCoat coat, Materials cabinet) : base(coat, cabinet)
    {
        this.coat = coat;
        glaze = cabinet.Get<Glaze>(coat.GlazeId);
        tint = coat.Tint is { } mixed ? DustMix.OpticsOf(mixed.Mix, cabinet) : null;
        pot = new Lazy<Lab?>(() => tint is null ? null : SwatchColour.OfDust(tint, cabinet));
    }

    public override Lab? Pot => pot.Value;

    /// <summary>Share of a face that shines under it, 0 to 1.</summary>
    public double GlossyShare => GlazeFilm.GlossyShare(glaze.Optics, coat.Coats, coat.Tint?.GPer10ml ?? 0);

    public override double WaitMinutes => TouchDryMinutes;

    public override double WaitBetweenMinutes => FlashOffMinutes;

    public override CoatSlip OneSlip => new(coat with { Coats = coat.Coats + 1 }, coat.GlazeId);

    public override CoatPassKey Pass
    {
        get
        {
            var mixed = coat.Tint is { } of ? FormattableString.Invariant($" {of.GPer10ml:0.####} {CoatPassKey.KeyOf(of.Mix)}") : "";
            return new CoatPassKey(PassKind.Glaze, null, $"glaze {coat.GlazeId}{mixed}", $"glaze {coat.GlazeId}{mixed}", 0);
        }
    }

    public override CoatAmount AmountFor(PieceShape shape, int pieces)
    {
        var ml = MlPerCoat(shape, pieces);
        return new CoatAmount([.. TintFor(ml).Select(amount => amount with { Grams = coat.Coats * amount.Grams })], coat.GlazeId, coat.Coats * ml);
    }

    public override CoatMix? Mix => coat.Tint is { } mixed ? new CoatMix(mixed.Mix, coat.GlazeId, mixed.GPer10ml / 10) : null;

    /// <summary>Round a piece that is dipped. House figure.</summary>
    private const double DipRoomMm = 8;

    /// <summary>A glass that a piece fits in, and how deep it has to be filled.</summary>
    private DipPot? PotFor(PieceShape shape)
    {
        if (!glaze.IsDipped)
            return null;
        var (acrossMm, deepMm) = (Math.Ceiling(shape.WidthMm + DipRoomMm), Math.Ceiling(shape.LengthMm + DipRoomMm));
        return new DipPot(acrossMm, deepMm, Math.Ceiling(Math.PI / 4 * acrossMm * acrossMm * deepMm / 1000));
    }

    public override double LeastPotMl(PieceShape shape) => PotFor(shape)?.Ml ?? 0;

    public override double SetUpMinutes => coat.Coats * BenchMinutes.SetUpGlaze;

    public override double HandMinutesFor(PieceShape shape, int pieces) => coat.Coats * pieces * BenchMinutes.GlazeAPiece;

    public override IEnumerable<RunStep> StepsFor(PieceShape shape, int pieces)
    {
        var ml = MlPerCoat(shape, pieces);
        for (var number = 1; number <= coat.Coats; number++)
            yield return new GlazePieces($"{Id}:glaze:{number}", Id, coat.GlazeId, number, coat.Coats, ml, tint is not null, coat.Sides, pieces, FlashOffMinutes) { Dip = PotFor(shape) };
    }

    public override IEnumerable<PlanAdvice> AdviceOn(FaceState face)
    {
        if (face.HasLooseDust && !glaze.IsSprayed)
            yield return Advise(AdviceCode.GlazeOverLooseDust, coat.GlazeId);
    }

    public override FaceState LaidOn(FaceState face) => face with { IsGlazed = true };

    protected override Layer ToLayer() => new GlazeLayer(glaze.Optics, coat.Coats, tint is null ? null : new GlazeTint(tint, coat.Tint!.GPer10ml));

    /// <summary>Glaze for one of the coats on all pieces, in ml.</summary>
    private double MlPerCoat(PieceShape shape, int pieces) => pieces * coat.Sides.Count() * shape.SideCm2 * glaze.WetMlPerCm2 / (glaze.IsSprayed ? SprayShare : OtherShare);

    /// <summary>Powder to stir into so much glaze, in g; empty for a clear one.</summary>
    private IReadOnlyList<MaterialAmount> TintFor(double ml) => coat.Tint is { } mixed ? Portion.Of(mixed.Mix, mixed.GPer10ml * ml / 10) : [];
}
