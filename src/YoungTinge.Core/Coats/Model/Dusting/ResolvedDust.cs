using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Coats.Model;

/// <summary>Dust brushed on.</summary>
public sealed class ResolvedDust : ResolvedCoat
{
    /// <summary>Without starch, a load from here on goes on in patches. House figure.</summary>
    private const double NeedsStarchFromMgPerCm2 = 0.12;

    /// <summary>One light pass of a brush. House figure.</summary>
    private const double PassMgPerCm2 = 0.05;

    private readonly DustCoat dust;
    private readonly Materials cabinet;
    private readonly IReadOnlyList<(Dust Dust, double Parts)> mix;

    internal ResolvedDust(DustCoat dust, Materials cabinet) : base(dust, cabinet)
    {
        (this.dust, this.cabinet) = (dust, cabinet);
        mix = [.. dust.Mix.Select(portion => (cabinet.Get<Dust>(portion.MaterialId), portion.Parts))];
        Optics = DustMix.OpticsOf(dust.Mix, cabinet);
        IsLustrous = mix.Any(part => part.Dust.Kind == DustKind.Lustre);
        MainDustId = DustMix.MainOf(dust.Mix, cabinet);
        pot = new Lazy<Lab>(() => SwatchColour.OfDust(Optics, cabinet));
        LaidMgPerCm2 = dust.LoadMgPerCm2 * cabinet.Hand.DustTimes(dust.LoadMgPerCm2);
    }

    private readonly Lazy<Lab> pot;

    /// <summary>K and S of the mix, in cm2/mg.</summary>
    public KubelkaMunkSpectra Optics { get; }

    public bool IsLustrous { get; }

    /// <summary>What the maker's hand lays for the load that is planned, where the place is full.</summary>
    public double LaidMgPerCm2 { get; }

    /// <summary>How much a load of it shimmers, 0 to 1: half of what it can at each glint's half load, more the more of it lies there.</summary>
    public double ShimmerAt(double loadMgPerCm2) =>
        1 - mix.Where(part => part.Dust.Glint is not null)
            .Aggregate(1.0, (dull, part) => dull * Math.Pow(2, -loadMgPerCm2 * part.Parts / mix.Sum(one => one.Parts) / part.Dust.Glint!.HalfLoadMgPerCm2));

    /// <summary>The dust that the mix is known by.</summary>
    public string MainDustId { get; }

    /// <summary>Of the mix, 0 to 1.</summary>
    public double StarchShare => mix.Where(part => part.Dust.Kind == DustKind.Extender).Sum(part => part.Parts) / mix.Sum(part => part.Parts);

    public override Lab? Pot => pot.Value;

    public override bool IsBlendedOut => true;

    public override CoatSlip OneSlip => new(dust with { LoadMgPerCm2 = dust.LoadMgPerCm2 + PassMgPerCm2 }, MainDustId);

    public override CoatPassKey Pass
    {
        get
        {
            // However far it is let down with starch, a brown leaves brown in the brush.
            Portion[] neat = [.. dust.Mix.Where(portion => mix.Any(part => part.Dust.Id == portion.MaterialId && part.Dust.Kind != DustKind.Extender))];
            var family = IsLustrous ? BrushFamily.Lustre : BrushFamilies.Of(neat.Length == dust.Mix.Count || neat.Length == 0 ? pot.Value : SwatchColour.OfDust(DustMix.OpticsOf(neat, cabinet), cabinet));
            return new CoatPassKey(PassKind.Dust, family, $"dust {family}", $"dust {CoatPassKey.KeyOf(dust.Mix)}", pot.Value.L);
        }
    }

    public override CoatAmount AmountFor(PieceShape shape, int pieces) => new(Powders(shape, pieces));

    /// <summary>A dust by itself is taken as it is.</summary>
    public override CoatMix? Mix => dust.Mix.Count > 1 ? new CoatMix(dust.Mix) : null;

    public override double SetUpMinutes => BenchMinutes.MixADust;

    public override double HandMinutesFor(PieceShape shape, int pieces) => pieces * dust.Sides.Count() * BenchMinutes.BrushASide * BenchMinutes.SizeOf(shape) * TimeShareOn(shape);

    public override IEnumerable<RunStep> StepsFor(PieceShape shape, int pieces)
    {
        Caution[] cautions = mix.Any(part => part.Dust.Label.FoodStatus != FoodStatus.Edible) ? [Caution.DustInTheAir, Caution.DecorativeOnly] : [Caution.DustInTheAir];
        yield return new BrushDust($"{Id}:brush", Id, MainDustId, DustLoad.Nearest(dust.LoadMgPerCm2).Word, dust.Place, dust.Sides, pieces, cautions);
    }

    public override IEnumerable<PlanAdvice> AdviceOn(FaceState face)
    {
        if (face.IsGlazed)
            yield return Advise(AdviceCode.DustOverGlaze);
        // A last dusting of the whole flower goes over everything that has dried meanwhile.
        else if (face.IsPainted && !dust.AfterAssembly)
            yield return Advise(AdviceCode.DustOverPaint);
        if (dust.LoadMgPerCm2 >= NeedsStarchFromMgPerCm2 && mix.All(part => part.Dust.Kind == DustKind.Matte))
            yield return Advise(AdviceCode.DustNotCut);
    }

    public override FaceState LaidOn(FaceState face) => face with { HasLooseDust = true, HasLustre = face.HasLustre || IsLustrous };

    protected override Layer ToLayer() => new DustLayer(Optics, DustMix.WetScatteringOf(dust.Mix, cabinet), LaidMgPerCm2);

    private IReadOnlyList<MaterialAmount> Powders(PieceShape shape, int pieces) => Portion.Of(dust.Mix, DustLoad.MixG(LaidMgPerCm2, dust.Sides, shape.SideCm2, MeanShareOn(shape), pieces));
}
