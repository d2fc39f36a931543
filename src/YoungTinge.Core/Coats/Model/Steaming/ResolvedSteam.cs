using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Coats.Model;

/// <summary>A pass through steam.</summary>
public sealed class ResolvedSteam : ResolvedCoat
{
    /// <summary>A steamed face is tacky for a while. House figure.</summary>
    private const double DriesMinutes = 15;

    private readonly SteamCoat steam;

    internal ResolvedSteam(SteamCoat steam, Materials cabinet) : base(steam, cabinet) => this.steam = steam;

    public override double WaitMinutes => DriesMinutes;

    public override CoatPassKey Pass => new(PassKind.Steam, null, "steam", "steam", 0);

    public override CoatAmount AmountFor(PieceShape shape, int pieces) => new([]);

    public override double SetUpMinutes => BenchMinutes.SetUpSteam;

    public override double HandMinutesFor(PieceShape shape, int pieces) => pieces * BenchMinutes.SteamAPiece;

    public override IEnumerable<RunStep> StepsFor(PieceShape shape, int pieces) => [new SteamPieces($"{Id}:steam", Id, steam.Seconds, pieces)];

    public override IEnumerable<PlanAdvice> AdviceOn(FaceState face)
    {
        if (face.IsGlazed)
            yield return Advise(AdviceCode.SteamOverGlaze);
        if (face.HasLustre)
            yield return Advise(AdviceCode.SteamOverLustre);
    }

    public override FaceState LaidOn(FaceState face) => face with { HasLooseDust = false, IsPainted = false };

    protected override Layer ToLayer() => new SteamLayer();
}
