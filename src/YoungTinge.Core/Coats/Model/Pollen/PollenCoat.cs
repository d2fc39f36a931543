using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Coats.Model;

/// <summary>Tinted crumbs on glue, for the centre and the anthers.</summary>
/// <param name="Coverage">Share of the face that they hide where the place is full, above 0 up to 1.</param>
public sealed record PollenCoat(Guid Id, string CrumbId, string AdhesiveId, double Coverage, Place Place, Sides Sides) : Coat(Id), IPlacedCoat
{
    private const double FirstCoverage = 0.8;

    /// <summary>On the tip of an anther, as bees find it.</summary>
    internal static Coat? Begin(Material material, Materials cabinet) => material is Crumb crumb
        ? new PollenCoat(Guid.Empty, crumb.Id, Beginnings.AtHand<Adhesive>(cabinet)?.Id ?? "", FirstCoverage, Beginnings.PlaceOf(PlaceKind.Tip), Sides.Both)
        : null;

    /// <summary>Crumbs are stuck on last of all, and cover what lies there whatever its colour.</summary>
    public override bool IsFixed() => true;

    public override CoatStage StageIn(Materials cabinet) => CoatStage.Pollen;

    public override bool IsOn(Side side) => Sides.Include(side);

    public override IEnumerable<string> MaterialIds() => [AdhesiveId, CrumbId];

    public override IEnumerable<PlanProblem> Problems(string path, Materials cabinet)
    {
        if (!cabinet.Has<Crumb>(CrumbId))
            yield return new PlanProblem($"{path}.crumbId", PlanProblemCode.UnknownMaterial);
        if (!cabinet.Has<Adhesive>(AdhesiveId))
            yield return new PlanProblem($"{path}.adhesiveId", PlanProblemCode.UnknownMaterial);
        if (!(Coverage is > 0 and <= 1))
            yield return new PlanProblem($"{path}.coverage", PlanProblemCode.CoverageOutOfRange, 1);
        foreach (var problem in PlaceCheck.Problems(Place, $"{path}.place"))
            yield return problem;
    }

    public override ResolvedCoat Resolve(Materials cabinet) => new ResolvedPollen(this, cabinet);

    public override double ShareAt(PiecePoint point, VeinPattern veins, double dustShare) => Place.MaskAt(point, veins);
}
