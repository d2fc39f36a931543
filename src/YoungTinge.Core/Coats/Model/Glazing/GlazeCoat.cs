using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Coats.Model;

public sealed record GlazeCoat(Guid Id, string GlazeId, int Coats, Sides Sides) : Coat(Id)
{
    public const int MostCoats = 5;

    /// <summary>More powder in 10 ml of glaze does not stir in, in g.</summary>
    public const double MostTintGPer10ml = 5;

    internal static Coat? Begin(Material material, Materials cabinet) => material is Glaze glaze ? new GlazeCoat(Guid.Empty, glaze.Id, Coats: 1, Sides.Both) : null;

    /// <summary>Dust stirred into the glaze; null for a clear one.</summary>
    public TintMix? Tint { get; init; }

    protected override CoatStage LooseStageIn(Materials cabinet) => CoatStage.Glaze;

    public override bool IsOn(Side side) => Sides.Include(side);

    public override IEnumerable<string> MaterialIds() => (Tint?.Mix ?? []).Select(portion => portion.MaterialId).Prepend(GlazeId);

    public override IEnumerable<PlanProblem> Problems(string path, Materials cabinet)
    {
        if (!cabinet.Has<Glaze>(GlazeId))
            yield return new PlanProblem($"{path}.glazeId", PlanProblemCode.UnknownMaterial);
        if (Coats is < 1 or > MostCoats)
            yield return new PlanProblem($"{path}.coats", PlanProblemCode.CoatsOutOfRange, MostCoats);
        if (Tint is not { } tint)
            yield break;
        foreach (var problem in MixCheck.Problems(tint.Mix, $"{path}.tint", cabinet.Has<Dust>))
            yield return problem;
        if (!(tint.GPer10ml is > 0 and <= MostTintGPer10ml))
            yield return new PlanProblem($"{path}.tint.gPer10ml", PlanProblemCode.TintOutOfRange, MostTintGPer10ml);
    }

    public override ResolvedCoat Resolve(Materials cabinet) => new ResolvedGlaze(this, cabinet);
}

/// <param name="Mix">In parts by mass.</param>
/// <param name="GPer10ml">All of it, in 10 ml of glaze.</param>
public sealed record TintMix(IReadOnlyList<Portion> Mix, double GPer10ml)
{
    private const double FirstGPer10ml = 0.1;

    /// <summary>A trace of the first dust at hand; null if there is none.</summary>
    public static TintMix? Begin(Materials cabinet) =>
        cabinet.All.OfType<Dust>().FirstOrDefault(dust => dust.Kind == DustKind.Matte && !dust.Label.IsRetired) is { } dust ? new([new Portion(dust.Id, 1)], FirstGPer10ml) : null;
}
