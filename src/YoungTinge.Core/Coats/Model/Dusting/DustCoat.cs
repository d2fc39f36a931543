using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Coats.Model;

/// <param name="Mix">One or more dusts and starch, in parts by mass.</param>
/// <param name="LoadMgPerCm2">Where the place is full; what stays on the piece, not what leaves the brush.</param>
public sealed record DustCoat(Guid Id, IReadOnlyList<Portion> Mix, double LoadMgPerCm2, Place Place, Sides Sides) : Coat(Id), IPlacedCoat
{
    /// <summary>A light one at the foot. A matte dust is let down with starch, as at the bench; a lustre goes on neat.</summary>
    internal static Coat? Begin(Material material, Materials cabinet)
    {
        if (material is not Dust dust)
            return null;
        Portion[] starch = dust.Kind == DustKind.Matte && cabinet.All.OfType<Dust>().FirstOrDefault(one => one.Kind == DustKind.Extender && !one.Label.IsRetired) is { } found
            ? [new Portion(found.Id, 1)]
            : [];
        return new DustCoat(Guid.Empty, [new Portion(dust.Id, 1), .. starch], DustLoad.Named[0].MgPerCm2, Beginnings.PlaceOf(PlaceKind.Base), Sides.Face);
    }

    protected override CoatStage LooseStageIn(Materials cabinet) => DustMix.IsLustrous(Mix, cabinet) ? CoatStage.Lustre : CoatStage.Dust;

    public override bool IsOn(Side side) => Sides.Include(side);

    public override IEnumerable<string> MaterialIds() => Mix.Select(portion => portion.MaterialId);

    public override IEnumerable<PlanProblem> Problems(string path, Materials cabinet)
    {
        foreach (var problem in MixCheck.Problems(Mix, path, cabinet.Has<Dust>))
            yield return problem;
        var total = Mix.Sum(portion => portion.Parts);
        if (!(LoadMgPerCm2 > 0))
            yield return new PlanProblem($"{path}.loadMgPerCm2", PlanProblemCode.LoadNotAboveZero);
        else if (total > 0 && Mix.All(portion => cabinet.Has<Dust>(portion.MaterialId)))
        {
            var limit = DustMix.LoadLimitMgPerCm2(Mix, cabinet);
            if (!(LoadMgPerCm2 <= limit + 1e-9))
                yield return new PlanProblem($"{path}.loadMgPerCm2", PlanProblemCode.LoadOverLimit, limit);
        }

        foreach (var problem in PlaceCheck.Problems(Place, $"{path}.place"))
            yield return problem;
    }

    public override ResolvedCoat Resolve(Materials cabinet) => new ResolvedDust(this, cabinet);

    public override double ShareAt(PiecePoint point, VeinPattern veins, double dustShare) => Place.MaskAt(point, veins) * dustShare;

    public override Coat Strayed(double share, int seed) => this with { LoadMgPerCm2 = share * LoadMgPerCm2 };
}
