using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Coats.Model;

/// <summary>Crumbs stuck on.</summary>
public sealed class ResolvedPollen : ResolvedCoat
{
    /// <summary>Sooner, crumbs shed. House figure.</summary>
    private const double DriesHours = 12;

    /// <summary>Crumbs in one layer; what sheds is brushed up and used again. House figure.</summary>
    private const double CrumbMgPerCm2 = 25;

    private readonly PollenCoat pollen;
    private readonly Crumb crumb;

    internal ResolvedPollen(PollenCoat pollen, Materials cabinet) : base(pollen, cabinet)
    {
        (this.pollen, crumb) = (pollen, cabinet.Get<Crumb>(pollen.CrumbId));
        // Nothing is computed of the glue, but a plan that names one that is gone is not whole.
        _ = cabinet.Get<Adhesive>(pollen.AdhesiveId);
    }

    public override Lab? Pot => Illuminant.D65.LabOf(crumb.Reflectance);

    public override double WaitMinutes => 60 * DriesHours;

    public override CoatPassKey Pass => new(PassKind.Pollen, null, $"pollen {pollen.CrumbId}", $"pollen {pollen.CrumbId} {pollen.AdhesiveId}", 0);

    public override CoatAmount AmountFor(PieceShape shape, int pieces) => new([new MaterialAmount(pollen.CrumbId, Grams(shape, pieces))]);

    public override double SetUpMinutes => BenchMinutes.MixAWash;

    public override double HandMinutesFor(PieceShape shape, int pieces) => pieces * BenchMinutes.StickPollen;

    public override IEnumerable<RunStep> StepsFor(PieceShape shape, int pieces) =>
        [new StickPollen($"{Id}:pollen", Id, pollen.AdhesiveId, pollen.CrumbId, Grams(shape, pieces), pollen.Place, pieces, DriesHours)];

    public override IEnumerable<PlanAdvice> AdviceOn(FaceState face) => [];

    public override FaceState LaidOn(FaceState face) => face with { HasPollen = true };

    protected override Layer ToLayer() => new CrumbLayer(crumb.Reflectance, pollen.Coverage);

    /// <summary>Crumbs on all pieces.</summary>
    private double Grams(PieceShape shape, int pieces) =>
        pieces * pollen.Sides.Count() * shape.SideCm2 * MeanShareOn(shape) * pollen.Coverage * CrumbMgPerCm2 / 1000;
}
