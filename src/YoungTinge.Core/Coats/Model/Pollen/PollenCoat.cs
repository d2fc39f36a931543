using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Coats.Model;

/// <summary>Tinted crumbs on glue, for the centre and the anthers.</summary>
/// <param name="Coverage">Share of the face that they hide where the place is full, above 0 up to 1.</param>
public sealed record PollenCoat(Guid Id, string CrumbId, string AdhesiveId, double Coverage, Place Place, Sides Sides) : Coat(Id), IPlacedCoat
{
    private const double FirstCoverage = 0.8;

    /// <summary>Dust that the crumbs are shaken with first; null for as they are.</summary>
    public CrumbTint? Tint { get; init; }

    /// <summary>On the tip of an anther, as bees find it.</summary>
    internal static Coat? Begin(Material material, Materials cabinet) => material is Crumb crumb
        ? new PollenCoat(Guid.Empty, crumb.Id, Beginnings.AtHand<Adhesive>(cabinet)?.Id ?? "", FirstCoverage, Beginnings.PlaceOf(PlaceKind.Tip), Sides.Both)
        : null;

    /// <summary>Crumbs are stuck on last of all, and cover what lies there whatever its colour.</summary>
    public override bool IsFixed() => true;

    protected override CoatStage LooseStageIn(Materials cabinet) => CoatStage.Pollen;

    public override bool IsOn(Side side) => Sides.Include(side);

    public override IEnumerable<string> MaterialIds() => Tint is { } tint ? [AdhesiveId, CrumbId, tint.DustId] : [AdhesiveId, CrumbId];

    public override IEnumerable<PlanProblem> Problems(string path, Materials cabinet)
    {
        if (!cabinet.Has<Crumb>(CrumbId))
            yield return new PlanProblem($"{path}.crumbId", PlanProblemCode.UnknownMaterial);
        if (!cabinet.Has<Adhesive>(AdhesiveId))
            yield return new PlanProblem($"{path}.adhesiveId", PlanProblemCode.UnknownMaterial);
        if (!(Coverage is > 0 and <= 1))
            yield return new PlanProblem($"{path}.coverage", PlanProblemCode.CoverageOutOfRange, 1);
        if (Tint is { } tint)
        {
            if (!cabinet.Has<Dust>(tint.DustId))
                yield return new PlanProblem($"{path}.tint.dustId", PlanProblemCode.UnknownMaterial);
            if (tint.CrumbsToOne is < CrumbTint.FewestToOne or > CrumbTint.MostToOne)
                yield return new PlanProblem($"{path}.tint.crumbsToOne", PlanProblemCode.TintPartsOutOfRange, CrumbTint.MostToOne);
        }

        foreach (var problem in PlaceCheck.Problems(Place, $"{path}.place"))
            yield return problem;
    }

    public override ResolvedCoat Resolve(Materials cabinet) => new ResolvedPollen(this, cabinet);

    public override double ShareAt(PiecePoint point, VeinPattern veins, double dustShare) => Place.MaskAt(point, veins);
}

/// <summary>Dust that colours crumbs.</summary>
/// <param name="CrumbsToOne">Parts of crumbs to one part of dust, by mass.</param>
public sealed record CrumbTint(string DustId, int CrumbsToOne)
{
    public const int FewestToOne = 4;
    public const int MostToOne = 30;

    private const int FirstToOne = 15;

    /// <summary>The first dust at hand; null if there is none.</summary>
    public static CrumbTint? Begin(Materials cabinet) =>
        cabinet.All.OfType<Dust>().FirstOrDefault(dust => dust.Kind == DustKind.Matte && !dust.Label.IsRetired) is { } dust ? new(dust.Id, FirstToOne) : null;
}
