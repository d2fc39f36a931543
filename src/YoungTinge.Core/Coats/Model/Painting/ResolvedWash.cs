using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Coats.Model;

/// <summary>A wash, or a detail painted with one.</summary>
public sealed class ResolvedWash : ResolvedCoat
{
    /// <summary>A thinner that soaks in so deep is mostly water. House figure.</summary>
    public const double SoftensFromDepthMm = 0.2;

    /// <summary>Spirit is gone from the skin, and steam finds nothing wet to carry off. House figures.</summary>
    private const double SpiritDriesMinutes = 10;
    private const double WaterDriesMinutes = 40;

    /// <summary>A brush keeps some of a wash, and some dries in the dish. House figure.</summary>
    private const double ShareOnPiece = 0.5;

    private readonly WashCoat wash;
    private readonly Thinner thinner;
    private readonly Lazy<Lab> pot;
    private readonly double laidMlPerCm2;

    internal ResolvedWash(WashCoat wash, Materials cabinet) : base(wash, cabinet)
    {
        this.wash = wash;
        thinner = cabinet.Get<Thinner>(wash.ThinnerId);
        // Strokes are drawn, however wet she brushes.
        laidMlPerCm2 = wash.WetMlPerCm2 * (wash.Marking is null ? cabinet.Hand.Wash : 1);
        WashLayer = PaintOptics.Wash(wash.Mix, thinner, wash.GPerMl, laidMlPerCm2, cabinet);
        pot = new Lazy<Lab>(() => SwatchColour.OfWash(WashLayer, cabinet));
    }

    public WashLayer WashLayer { get; }

    public override Lab? Pot => pot.Value;

    public override bool IsBlendedOut => wash.Marking is null;

    public override double WaitMinutes => thinner.WashDepthMm < SoftensFromDepthMm ? SpiritDriesMinutes : WaterDriesMinutes;

    /// <summary>Twice as much water in the brush; a detail is painted with the tip.</summary>
    public override CoatSlip? OneSlip => wash.Marking is null
        ? new CoatSlip(wash with { WetMlPerCm2 = 2 * wash.WetMlPerCm2 }, wash.Mix.MaxBy(portion => portion.Parts)!.MaterialId)
        : null;

    public override CoatPassKey Pass
    {
        get
        {
            var family = BrushFamilies.Of(pot.Value);
            return new CoatPassKey(
                PassKind.Wash, family, $"wash {family}", FormattableString.Invariant($"wash {wash.ThinnerId} {wash.GPerMl:0.####} {CoatPassKey.KeyOf(wash.Mix)}"), pot.Value.L);
        }
    }

    public override CoatAmount AmountFor(PieceShape shape, int pieces)
    {
        var ml = MlFor(shape, pieces);
        return new CoatAmount(Portion.Of(wash.Mix, ml * wash.GPerMl), wash.ThinnerId, ml);
    }

    public override CoatMix Mix => new(wash.Mix, wash.ThinnerId, wash.GPerMl, IsDab: wash.Marking is not null);

    public override double SetUpMinutes => BenchMinutes.MixAWash;

    public override double HandMinutesFor(PieceShape shape, int pieces) => pieces * wash.Sides.Count() * BenchMinutes.SizeOf(shape)
        * (wash.Marking is null ? BenchMinutes.WashASide * TimeShareOn(shape) : BenchMinutes.PaintADetail);

    public override IEnumerable<RunStep> StepsFor(PieceShape shape, int pieces)
    {
        yield return new BrushWash($"{Id}:brush", Id, wash.Mix.MaxBy(portion => portion.Parts)!.MaterialId, wash.Marking, wash.Place, wash.Sides, pieces, WaitMinutes);
    }

    public override IEnumerable<PlanAdvice> AdviceOn(FaceState face)
    {
        if (face.IsGlazed)
            yield return Advise(AdviceCode.PaintOverGlaze);
        if (thinner.WashDepthMm >= SoftensFromDepthMm)
            yield return Advise(AdviceCode.WaterOnThinPiece, wash.ThinnerId);
    }

    public override FaceState LaidOn(FaceState face) => face with { IsPainted = true };

    protected override Layer ToLayer() => WashLayer;

    /// <summary>Thinner on all pieces, in ml.</summary>
    private double MlFor(PieceShape shape, int pieces) =>
        pieces * wash.Sides.Count() * shape.SideCm2 * MeanShareOn(shape) * laidMlPerCm2 / ShareOnPiece;
}
