using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Coats.Model;

/// <summary>Time at the bench, drying left out. House figures for a practised hand; the logbook may learn better ones.</summary>
public static class BenchMinutes
{
    private const double WeighPaste = 4;
    private const double KneadAColour = 3;
    private const double MixADust = 3;
    private const double MixAWash = 4;
    private const double SetUpSteam = 5;
    private const double SetUpGlaze = 6;

    /// <summary>A place on one side of a piece as large as a palm; smaller ones go quicker.</summary>
    private const double BrushASide = 0.7;
    private const double WashASide = 0.8;
    private const double PaintADetail = 1.5;
    private const double SteamAPiece = 0.2;
    private const double GlazeAPiece = 0.25;
    private const double StickPollen = 0.8;

    private const double PalmCm2 = 16;

    /// <summary>However small, a piece is picked up and put down.</summary>
    private const double LeastShare = 0.35;

    public static double ForPaste(int colours) => WeighPaste + KneadAColour * colours;

    /// <param name="pieces">With spares.</param>
    public static double ForCoat(Coat coat, PieceShape shape, int pieces)
    {
        var size = Math.Clamp(Math.Sqrt(shape.AreaCm2 / PalmCm2), LeastShare, 2);
        return coat switch
        {
            DustCoat dust => MixADust + pieces * dust.Sides.Count() * BrushASide * size,
            WashCoat { Marking: not null } wash => MixAWash + pieces * wash.Sides.Count() * PaintADetail * size,
            WashCoat wash => MixAWash + pieces * wash.Sides.Count() * WashASide * size,
            SteamCoat => SetUpSteam + pieces * SteamAPiece,
            GlazeCoat glaze => glaze.Coats * (SetUpGlaze + pieces * GlazeAPiece),
            PollenCoat => MixAWash + pieces * StickPollen,
            _ => 0,
        };
    }

    public static double For(PiecePlan plan, PieceShape shape, int pieces) =>
        ForPaste(plan.Paste.Doses.Count) + plan.Coats.Sum(coat => ForCoat(coat, shape, pieces));
}
