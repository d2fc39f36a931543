using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Marble;
using YoungTinge.Core.Numerics;

namespace YoungTinge.Core.Practice;

/// <summary>A marbled sheet beside one that is wanted: is it there, or does it take one fold more?</summary>
internal static class FoldQuestion
{
    private const double BatchG = 60;
    private const double WidthMm = 64;
    private const double HeightMm = 44;
    private const int Columns = 200;

    /// <summary>Before, there are a few broad ribbons, and after it hardly anything is left.</summary>
    private const int FewestFolds = 4, MostFolds = 8;

    private const int MostTries = 6;
    private const int Halvings = 8;
    private const int Places = 300;

    /// <summary>Half of what an eye takes together: from what it sees at arm's length to a sheet from across the room.</summary>
    private static readonly double[] SeenMm = [0.25, 0.6, 1.5, 4];

    /// <param name="level">About how much the fold should change, CIEDE2000.</param>
    /// <param name="mix">Another paste at each call.</param>
    public static Question Ask(double level, Func<PasteRecipe> mix, Materials cabinet, Random chance)
    {
        var (sheet, change) = SheetFor(level, mix, cabinet, chance);
        var right = chance.Next(2);
        // The one that is wanted is another sheet of the same pastes: no two come out the same.
        return new Question(Exercise.Folds, change, [], [], [], right, Sheet(sheet, cabinet).FlatColour)
        {
            Sheets = [Picture(sheet with { Seed = sheet.Seed + 1, Folds = sheet.Folds + right }), Picture(sheet)],
        };

        MarblePicture Picture(MarblePlan plan) => Sheet(plan, cabinet).Picture(WidthMm, HeightMm, Columns);
    }

    /// <summary>Streaks of a colour with a paler one of it, as pale as makes one fold more as plain as was asked for.</summary>
    private static (MarblePlan Plan, double Change) SheetFor(double level, Func<PasteRecipe> mix, Materials cabinet, Random chance)
    {
        (MarblePlan Plan, double Change)? best = null;
        for (var tries = 0; tries < MostTries; tries++)
        {
            var (colour, parts, folds, twist, seed) = (mix(), 1 + chance.Next(3), chance.Next(FewestFolds, MostFolds + 1), 0.6 * chance.NextDouble(), chance.Next(1, 10_000));
            MarblePlan Of(double white) =>
                new([new(colour, 1), new(PasteRecipe.Kneaded([(colour, 1 - white), (colour with { Doses = [] }, white)]), parts)], 1, folds, twist, [], BatchG, seed);
            if (Change(Of(1), cabinet) is var most && most < level)
            {
                if (!(most <= best?.Change))
                    best = (Of(1), most);
                continue;
            }

            var (few, many) = (0.0, 1.0);
            for (var i = 0; i < Halvings; i++)
            {
                var middle = (few + many) / 2;
                (few, many) = Change(Of(middle), cabinet) < level ? (middle, many) : (few, middle);
            }

            return (Of(many), Change(Of(many), cabinet));
        }

        return best!.Value;
    }

    /// <summary>What one fold more takes from the streaks, in the width in which that is seen most: CIEDE2000.</summary>
    private static double Change(MarblePlan plan, Materials cabinet)
    {
        var (now, then) = (Sheet(plan, cabinet), Sheet(plan with { Folds = plan.Folds + 1 }, cabinet));
        return SideBySide.Select(SeenMm, (seen, _) => Math.Abs(now.ContrastAt(seen, Places) - then.ContrastAt(seen, Places))).Max();
    }

    private static RolledMarble Sheet(MarblePlan plan, Materials cabinet) => RolledMarble.Of(plan, plan.Folds, BatchG, MarblePlan.UsualThicknessMm, cabinet);
}
