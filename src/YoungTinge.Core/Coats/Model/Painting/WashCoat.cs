using System.Text.Json.Serialization;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Coats.Model;

/// <summary>Colour let down with spirit or water: brushed on thin, where it pools in grooves and creases, or painted as a marking.</summary>
/// <param name="Mix">One or more colours for paste, or dusts, in parts by mass.</param>
/// <param name="GPerMl">All colour in the thinner.</param>
/// <param name="WetMlPerCm2">Of the thinned colour, where the place is full.</param>
public sealed record WashCoat(
    Guid Id, IReadOnlyList<Portion> Mix, string ThinnerId, double GPerMl, double WetMlPerCm2, Place Place, Sides Sides) : Coat(Id), IPlacedCoat
{
    /// <summary>More colour in 1 ml of thinner is a paste again, in g.</summary>
    public const double MostGPerMl = 1;

    /// <summary>More of a wash runs off, in ml/cm2.</summary>
    public const double MostWetMlPerCm2 = 0.02;

    private const double FirstWetMlPerCm2 = 0.003;

    /// <summary>A thin one all over the face.</summary>
    internal static Coat? Begin(Material material, Materials cabinet) => material is Colourant colour
        ? new WashCoat(
            Guid.Empty, [new Portion(colour.Id, 1)], Beginnings.AtHand<Thinner>(cabinet)?.Id ?? "", Beginnings.WashGPerMl, FirstWetMlPerCm2, Place.Whole, Sides.Face)
        : null;

    /// <summary>What is painted with it; null for a wash all over its place.</summary>
    public Marking? Marking { get; init; }

    /// <summary>A drawing is the maker's own.</summary>
    public override bool IsFixed() => base.IsFixed() || Marking is not null;

    protected override CoatStage LooseStageIn(Materials cabinet) => CoatStage.Paint;

    [JsonIgnore]
    public override bool IsDetail => Marking is not null;

    public override bool IsOn(Side side) => Sides.Include(side);

    public override IEnumerable<string> MaterialIds() => Mix.Select(part => part.MaterialId).Append(ThinnerId);

    public override IEnumerable<PlanProblem> Problems(string path, Materials cabinet)
    {
        foreach (var problem in MixCheck.Problems(Mix, path, id => cabinet.Has<Colourant>(id) || cabinet.Has<Dust>(id)))
            yield return problem;
        if (!cabinet.Has<Thinner>(ThinnerId))
            yield return new PlanProblem($"{path}.thinnerId", PlanProblemCode.UnknownMaterial);
        if (!(GPerMl is > 0 and <= MostGPerMl))
            yield return new PlanProblem($"{path}.gPerMl", PlanProblemCode.StrengthOutOfRange, MostGPerMl);
        if (!(WetMlPerCm2 is > 0 and <= MostWetMlPerCm2))
            yield return new PlanProblem($"{path}.wetMlPerCm2", PlanProblemCode.WetOutOfRange, MostWetMlPerCm2);
        foreach (var problem in Marking is null ? [] : MarkingCheck.Problems(Marking, $"{path}.marking"))
            yield return problem;
        foreach (var problem in PlaceCheck.Problems(Place, $"{path}.place"))
            yield return problem;
    }

    public override ResolvedCoat Resolve(Materials cabinet) => new ResolvedWash(this, cabinet);

    /// <summary>The strokes of a detail have thinned out where its place fades; a wash pools.</summary>
    public override double ShareAt(PiecePoint point, VeinPattern veins, double dustShare) =>
        Marking is null ? Place.MaskAt(point, veins) * veins.PoolShareAt(point) : 1;

    public override PaintedDetail? DetailOn(PieceShape shape) => Marking is null ? null : PaintedDetail.On(shape, Marking, Place);

    public override Coat Strayed(double share, int seed) => Marking is null
        ? this with { WetMlPerCm2 = share * WetMlPerCm2 }
        : this with { Marking = Marking with { Seed = unchecked(Marking.Seed + 7919 * seed) } };
}
