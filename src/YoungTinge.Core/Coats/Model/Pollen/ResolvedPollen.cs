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

    /// <summary>As it is stuck on: reflectance, 0 to 1.</summary>
    private readonly Spectrum look;

    /// <summary>Fine sugar or meal: across a grain in cm, and g/cm3. House figures.</summary>
    private const double GrainCm = 0.04;
    private const double GrainGPerCm3 = 1.5;

    internal ResolvedPollen(PollenCoat pollen, Materials cabinet) : base(pollen, cabinet)
    {
        (this.pollen, crumb) = (pollen, cabinet.Get<Crumb>(pollen.CrumbId));
        look = pollen.Tint is { } tint ? Tinted(cabinet.Get<Dust>(tint.DustId), tint.CrumbsToOne) : crumb.Reflectance;
        // Nothing is computed of the glue, but a plan that names one that is gone is not whole.
        _ = cabinet.Get<Adhesive>(pollen.AdhesiveId);
    }

    public override Lab? Pot => Illuminant.D65.LabOf(look);

    public override double WaitMinutes => 60 * DriesHours;

    public override CoatPassKey Pass
    {
        get
        {
            var mixed = pollen.Tint is { } tint ? $" {tint.DustId} 1:{tint.CrumbsToOne}" : "";
            return new(PassKind.Pollen, null, $"pollen {pollen.CrumbId}{mixed}", $"pollen {pollen.CrumbId}{mixed} {pollen.AdhesiveId}", 0);
        }
    }

    /// <summary>Crumbs that are shaken with dust are made as a mix, and keep.</summary>
    public override CoatMix? Mix => pollen.Tint is { } tint ? new CoatMix([new Portion(pollen.CrumbId, tint.CrumbsToOne), new Portion(tint.DustId, 1)]) : null;

    public override CoatAmount AmountFor(PieceShape shape, int pieces)
    {
        var grams = Grams(shape, pieces);
        return new(Mix is { } mix ? Portion.Of(mix.Parts, grams) : [new MaterialAmount(pollen.CrumbId, grams)]);
    }

    public override double SetUpMinutes => BenchMinutes.MixAWash;

    public override double HandMinutesFor(PieceShape shape, int pieces) => pieces * BenchMinutes.StickPollen;

    public override IEnumerable<RunStep> StepsFor(PieceShape shape, int pieces) =>
        [new StickPollen($"{Id}:pollen", Id, pollen.AdhesiveId, pollen.CrumbId, Grams(shape, pieces), pollen.Place, pieces, DriesHours)];

    public override IEnumerable<PlanAdvice> AdviceOn(FaceState face) => [];

    public override FaceState LaidOn(FaceState face) => face with { HasPollen = true };

    protected override Layer ToLayer() => new CrumbLayer(look, pollen.Coverage);

    /// <summary>All dust lies on the faces of the grains, which are taken for balls.</summary>
    private Spectrum Tinted(Dust dust, int crumbsToOne)
    {
        var cm2PerG = 6 / (GrainCm * GrainGPerCm3);
        var loadMgPerCm2 = 1000.0 / crumbsToOne / cm2PerG;
        return KubelkaMunk.Layer(dust.Optics.Absorption, dust.Optics.Scattering, loadMgPerCm2, crumb.Reflectance);
    }

    /// <summary>Crumbs on all pieces.</summary>
    private double Grams(PieceShape shape, int pieces) =>
        pieces * pollen.Sides.Count() * shape.SideCm2 * MeanShareOn(shape) * pollen.Coverage * CrumbMgPerCm2 / 1000;
}
