using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Marble;
using YoungTinge.Core.Optics;

namespace YoungTinge.Core.Practice;

/// <summary>What is trained.</summary>
public enum Exercise
{
    /// <summary>Which of two is warmer.</summary>
    Warmer,

    /// <summary>Which of two is deeper.</summary>
    Deeper,

    /// <summary>Which of two is duller.</summary>
    Duller,

    /// <summary>Which matt face becomes this when it is glazed.</summary>
    Glaze,

    /// <summary>Which shade is missing in an even run.</summary>
    Steps,

    /// <summary>Two that look alike by day: do they still by candle light?</summary>
    Candle,

    /// <summary>What went into a mix.</summary>
    WentIn,

    /// <summary>Doses until it looks the same.</summary>
    Match,

    /// <summary>A marbled sheet beside one that is wanted: one fold more?</summary>
    Folds,
}

/// <summary>Something to be told apart.</summary>
/// <param name="Level">How far apart the choices are, CIEDE2000.</param>
/// <param name="Shown">What is to be looked at first; empty where the choices stand alone.</param>
/// <param name="Choices">Colours to choose from; empty where it is chosen otherwise.</param>
/// <param name="Mixes">Recipes to choose from, or the one to match; empty for the rest.</param>
/// <param name="Right">Which choice is right; for candle light 0 is yes and 1 is no, for folds 0 is to stop and 1 is one more.</param>
/// <param name="About">The colour that it is about.</param>
public sealed record Question(Exercise Exercise, double Level, IReadOnlyList<Lab> Shown, IReadOnlyList<Lab> Choices, IReadOnlyList<PasteRecipe> Mixes, int Right, Lab About)
{
    /// <summary>A marbled sheet as it is wanted, and as it is now; empty for the rest.</summary>
    public IReadOnlyList<MarblePicture> Sheets { get; init; } = [];
}

/// <summary>Makes questions on simulated pastes. Pure: the same chance makes the same question.</summary>
public sealed class Exercises(Materials cabinet, Random chance)
{
    private const int ShadesInRun = 5;

    /// <summary>Two that differ less by day pass for the same.</summary>
    private const double AlikeByDay = 0.7;

    private readonly Colourant[] colours = [.. cabinet.All.OfType<Colourant>().Where(colour => !colour.Label.IsRetired)];
    private readonly PasteBase paste = cabinet.All.OfType<PasteBase>().First();

    /// <summary>Right by mere chance.</summary>
    public static double GuessRateOf(Exercise exercise) => exercise is Exercise.Glaze or Exercise.Steps or Exercise.WentIn ? 1 / 3.0 : 0.5;

    /// <param name="near">A colour that went wrong before, to begin from; null for any.</param>
    public Question Ask(Exercise exercise, double level, Lab? near) => exercise switch
    {
        Exercise.Warmer => Pair(exercise, DifferenceWay.Warmer, level, near),
        Exercise.Deeper => Pair(exercise, DifferenceWay.Darker, level, near),
        Exercise.Duller => Pair(exercise, DifferenceWay.Duller, level, near),
        Exercise.Glaze => OfGlaze(level, near),
        Exercise.Steps => OfSteps(level, near),
        Exercise.Candle => OfCandle(),
        Exercise.WentIn => OfMix(level),
        Exercise.Folds => FoldQuestion.Ask(level, () => Mix(2), cabinet, chance),
        _ => OfMatch(),
    };

    /// <summary>The same paste twice, one of them a little further one way.</summary>
    private Question Pair(Exercise exercise, DifferenceWay way, double level, Lab? near)
    {
        for (var tries = 0; ; tries++)
        {
            var colour = tries < 3 && near is { } wrong ? wrong : ColourOf(Mix(2));
            if (Step(colour, way, level) is not { } other)
                continue;
            var right = chance.Next(2);
            return new Question(exercise, level, [], right == 0 ? [other, colour] : [colour, other], [], right, colour);
        }
    }

    private Question OfGlaze(double level, Lab? near)
    {
        for (var tries = 0; ; tries++)
        {
            var matt = tries < 3 && near is { } wrong ? wrong : ColourOf(Mix(2));
            // A clear glaze takes the veil of the surface away: the face below it is seen deeper.
            var glaze = cabinet.All.OfType<Glaze>().First();
            var face = ReflectanceFromColour.Convert(matt).Values.ToArray();
            new GlazeFilm(glaze.Optics, 1).LayOn(face);
            var glazed = Illuminant.D65.LabOf(new Spectrum(face));
            Lab?[] others = [Step(matt, DifferenceWay.Darker, level), Step(matt, DifferenceWay.Paler, level)];
            if (others.Contains(null))
                continue;
            return Shuffled(Exercise.Glaze, level, [glazed], [matt, others[0]!.Value, others[1]!.Value], matt);
        }
    }

    /// <summary>A run from pale to deep with one shade missing; the others are too near to one neighbour.</summary>
    private Question OfSteps(double level, Lab? near)
    {
        for (var tries = 0; ; tries++)
        {
            var deep = tries < 3 && near is { } wrong ? wrong : ColourOf(Mix(2));
            var pale = Illuminant.D65.LabOf(KubelkaMunk.Opaque(paste.Optics));
            Lab At(double share) => new(pale.L + share * (deep.L - pale.L), pale.A + share * (deep.A - pale.A), pale.B + share * (deep.B - pale.B));
            if (DeltaE2000.Between(pale, deep) < 4 * ShadesInRun)
                continue;
            var missing = 1 + chance.Next(ShadesInRun - 2);
            var share = (double)missing / (ShadesInRun - 1);
            var (right, off) = (At(share), Shift(At, share, level));
            if (off is not var (lighter, deeper))
                continue;
            return Shuffled(Exercise.Steps, level, [.. Enumerable.Range(0, ShadesInRun).Where(i => i != missing).Select(i => At((double)i / (ShadesInRun - 1)))], [right, lighter, deeper], right);
        }
    }

    /// <summary>Shares a level to either side; null where a neighbour is nearer than that.</summary>
    private static (Lab Lighter, Lab Deeper)? Shift(Func<double, Lab> at, double share, double level)
    {
        double Gone(int way)
        {
            var (low, high) = (0.0, 0.9 / (ShadesInRun - 1));
            if (DeltaE2000.Between(at(share), at(share + way * high)) < level)
                return 0;
            for (var i = 0; i < 30; i++)
            {
                var middle = (low + high) / 2;
                (low, high) = DeltaE2000.Between(at(share), at(share + way * middle)) < level ? (middle, high) : (low, middle);
            }

            return high;
        }

        var (back, on) = (Gone(-1), Gone(1));
        return back == 0 || on == 0 ? null : (at(share - back), at(share + on));
    }

    /// <summary>Two mixes that pass for the same by day, of other colours.</summary>
    private Question OfCandle()
    {
        var best = (Day: double.MaxValue, Candle: 0.0, One: Mix(1), Other: Mix(1));
        var pool = Enumerable.Range(0, 220).Select(_ => Mix(2)).Select(mix => (Mix: mix, Face: PasteOptics.Reflectance(mix, cabinet))).Select(one => (one.Mix, one.Face, Day: Illuminant.D65.LabOf(one.Face))).ToList();
        foreach (var (i, one) in pool.Index())
        {
            foreach (var other in pool.Skip(i + 1).Where(other => Math.Abs(other.Day.L - one.Day.L) < 2 && Math.Abs(other.Day.A - one.Day.A) < 3 && Math.Abs(other.Day.B - one.Day.B) < 3))
            {
                var day = DeltaE2000.Between(one.Day, other.Day);
                if (day < best.Day)
                    best = (day, DeltaE2000.Between(Lights.Of(LightKind.Candle).LabOf(one.Face), Lights.Of(LightKind.Candle).LabOf(other.Face)), one.Mix, other.Mix);
            }
        }

        // Half the time it is the very same paste.
        var isSame = chance.Next(2) == 0;
        var pair = isSame ? (best.One, best.One) : (best.One, best.Other);
        var differs = !isSame && best.Candle > Math.Max(AlikeByDay, best.Day) + 0.5;
        return new Question(Exercise.Candle, Math.Max(0.15, isSame ? best.Day : best.Candle), [ColourOf(pair.Item1), ColourOf(pair.Item2)], [], [pair.Item1, pair.Item2], differs ? 1 : 0, ColourOf(best.One));
    }

    private Question OfMix(double level)
    {
        for (; ; )
        {
            var mix = Mix(2);
            var seen = ColourOf(mix);
            // Others of the same jars but one, whose colour is as far off.
            var others = Enumerable.Range(0, 60).Select(_ => Mix(2)).Where(other => DeltaE2000.Between(seen, ColourOf(other)) is var off && off > level && off < 6 * level + 6)
                .OrderBy(other => DeltaE2000.Between(seen, ColourOf(other))).Take(2).ToList();
            if (others.Count < 2)
                continue;
            PasteRecipe[] all = [mix, .. others];
            chance.Shuffle(all);
            return new Question(Exercise.WentIn, DeltaE2000.Between(seen, ColourOf(others[0])), [seen], [], all, Array.IndexOf(all, mix), seen);
        }
    }

    private Question OfMatch()
    {
        var mix = Mix(2);
        return new Question(Exercise.Match, 0.15, [ColourOf(mix)], [], [mix], 0, ColourOf(mix));
    }

    private Question Shuffled(Exercise exercise, double level, IReadOnlyList<Lab> shown, Lab[] choices, Lab right)
    {
        chance.Shuffle(choices);
        return new Question(exercise, level, shown, choices, [], Array.IndexOf(choices, right), right);
    }

    private Lab ColourOf(PasteRecipe mix) => PasteOptics.ColourOf(mix, cabinet);

    /// <summary>Up to so many colours, each from pale to strong.</summary>
    private PasteRecipe Mix(int most)
    {
        chance.Shuffle(colours);
        return new PasteRecipe(paste.Id, [.. colours.Take(1 + chance.Next(most)).Select(colour => new Dose(colour.Id, Math.Round(colour.LoadLimitGPer100g * 0.03 * Math.Pow(12, chance.NextDouble()), 3)))]);
    }

    private static Lab? Step(Lab colour, DifferenceWay way, double level) =>
        Targets.Neighbours.Of(colour, level).Where(one => one.Way == way).Select(one => (Lab?)one.Colour).FirstOrDefault();
}
