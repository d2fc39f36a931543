using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Coats.Model;

/// <summary>Time at the bench in minutes, drying left out. House figures for a practised hand; what ticks teach of them is one factor for all (docs/decisions/0050).</summary>
public static class BenchMinutes
{
    internal const double WeighPaste = 4;
    internal const double KneadAColour = 3;
    internal const double MixADust = 3;
    internal const double MixAWash = 4;
    internal const double SetUpSteam = 5;
    internal const double SetUpGlaze = 6;

    /// <summary>A place on one side of a piece as large as a palm; smaller ones go quicker.</summary>
    internal const double BrushASide = 0.7;
    internal const double WashASide = 0.8;
    internal const double PaintADetail = 1.5;
    internal const double SteamAPiece = 0.2;
    internal const double GlazeAPiece = 0.25;
    internal const double StickPollen = 0.8;

    internal const double RollAPiece = 1.4;
    internal const double ShapeASolid = 0.8;
    internal const double SetUpShaping = 6;
    internal const double JoinAPiece = 0.6;
    internal const double SetUpJoining = 4;
    internal const double GatherAFlower = 4;
    internal const double BoxAFlower = 1.5;

    private const double PalmCm2 = 16;

    /// <summary>However little of a side a brush touches, it is put to it, as a share of the time for all of it.</summary>
    internal const double LeastTouch = 0.3;

    /// <summary>However small, a piece is picked up and put down.</summary>
    private const double LeastShare = 0.35;

    public static double ForPaste(int colours) => WeighPaste + KneadAColour * colours;

    /// <param name="pieces">With spares.</param>
    public static double For(ResolvedPlan plan, PieceShape shape, int pieces) =>
        ForPaste(plan.Plan.Paste.Doses.Count) + plan.Coats.Sum(coat => coat.BenchMinutesFor(shape, pieces));

    /// <summary>By how much a side takes longer than that of a palm.</summary>
    internal static double SizeOf(PieceShape shape) => Math.Clamp(Math.Sqrt(shape.SideCm2 / PalmCm2), LeastShare, 2);
}
