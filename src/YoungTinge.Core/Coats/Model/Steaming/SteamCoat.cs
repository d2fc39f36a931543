using YoungTinge.Core.Cabinet;

namespace YoungTinge.Core.Coats.Model;

/// <summary>The whole piece through steam. It acts on every dust below it.</summary>
public sealed record SteamCoat(Guid Id, int Seconds) : Coat(Id)
{
    /// <summary>Enough to set a dust; longer, thin sugar softens. House figure.</summary>
    public const int UsualSeconds = 8;

    public const int MostSeconds = 60;

    protected override CoatStage LooseStageIn(Materials cabinet) => CoatStage.Steam;

    public override IEnumerable<string> MaterialIds() => [];

    public override IEnumerable<PlanProblem> Problems(string path, Materials cabinet) =>
        Seconds is < 1 or > MostSeconds ? [new PlanProblem($"{path}.seconds", PlanProblemCode.SecondsOutOfRange, MostSeconds)] : [];

    public override ResolvedCoat Resolve(Materials cabinet) => new ResolvedSteam(this, cabinet);
}
