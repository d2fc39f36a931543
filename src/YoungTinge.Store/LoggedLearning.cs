using YoungTinge.Core.Coats.Learning;
using YoungTinge.Core.Learning;

namespace YoungTinge.Store;

/// <summary>What was known when a colour was predicted: the state of learning behind it.</summary>
/// <param name="Jars">Of the colours of its paste and the dusts that show.</param>
/// <param name="Hand">Parts of it that show.</param>
/// <param name="RestTimes">How many times as long colours were thought to take to come out as their lists say.</param>
public sealed record LoggedLearning(IReadOnlyList<LoggedJar> Jars, IReadOnlyList<LoggedHand> Hand, double RestTimes)
{
    public static LoggedLearning Of(LoggedMix mix, LearnedJars jars) =>
        new([.. mix.Doses.Select(dose => LoggedJar.Of(dose.ColourantId, dose.Lot, jars.Of(LearnedCabinet.JarId(dose.ColourantId, dose.Lot))))], [], jars.TimesOfRest);

    /// <param name="zone">On a paste of this mix.</param>
    public static LoggedLearning Of(LoggedMix mix, FinishedZone zone, Taught taught)
    {
        var ofPaste = Of(mix, taught.Jars);
        return ofPaste with
        {
            Jars = [.. ofPaste.Jars, .. zone.DustsIn(taught.Cabinet).Select(dust => LoggedJar.Of(dust, zone.Lots.GetValueOrDefault(dust, ""), taught.Finish.Of(zone.JarOf(dust), dust)))],
            Hand = [.. zone.Parts.Select(part => taught.Finish.Hand[(int)part]).Select(part => new LoggedHand(part.Part, part.Times.Times, part.Readings))],
        };
    }
}

/// <summary>What was known of a jar.</summary>
/// <param name="Lot">The maker's mark on the pot; empty if there was none.</param>
/// <param name="Times">How many times as strong as listed it was thought to be.</param>
/// <param name="Tilt">How it was thought to lean: its K is exp(tilt) times the listed one 175 nm above the middle of the spectrum.</param>
/// <param name="Readings">That it had been in.</param>
public sealed record LoggedJar(string MaterialId, string Lot, double Times, double Tilt, int Readings)
{
    internal static LoggedJar Of(string materialId, string lot, JarKnowledge known) => new(materialId, lot, known.Difference.Times, known.Difference.Tilt, known.Readings);
}

/// <summary>What was known of a part of the hand.</summary>
/// <param name="Times">How many times as heavily as planned it was thought to lay.</param>
/// <param name="Readings">Of zones that it had shown in.</param>
public sealed record LoggedHand(HandPart Part, double Times, int Readings);
