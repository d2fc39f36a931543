using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Learning;
using YoungTinge.Core.Mixing;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Logbook;

/// <summary>What a paste or a zone that is logged is predicted to look like, by what was really done and by what was known when that is asked.</summary>
/// <param name="Mix">That was kneaded; null in a marble, where that was no one recipe.</param>
/// <param name="Laid">What lies in the zone; null for a paste.</param>
/// <param name="Range">CIEDE2000 that nine of ten come out within.</param>
internal sealed record EntryPrediction(LoggedMix? Mix, LoggedZone? Laid, Lab Colour, double Range, LoggedLearning Learned)
{
    /// <summary>Why it cannot be told; empty if it can.</summary>
    /// <param name="piece">Null for a paste of no piece.</param>
    /// <param name="wentIn">Null for as planned.</param>
    public static IReadOnlyList<FieldProblem> Problems(PlannedPiece? piece, LogSubject subject, MeasuredPaste? wentIn, double? restedHours, Materials materials)
    {
        if (piece is null && (wentIn is null || subject != LogSubject.Paste))
            return [new FieldProblem("wentIn", "wentInMissing", null, null)];
        return StudioRules.OfDone(wentIn, restedHours, subject, materials).Lines();
    }

    /// <summary>Of what has no such problem.</summary>
    /// <param name="piece">Carried out on the paste that it is shaped from.</param>
    public static EntryPrediction Of(PlannedPiece? piece, LogSubject subject, MeasuredPaste? wentIn, double? restedHours, Taught taught)
    {
        var mix = wentIn is null ? LoggedMix.Of(piece!.Plan.Paste, taught.Cabinet) : LoggedMix.Of(wentIn, taught.Cabinet, taught.Jars);
        var isMarbled = piece?.Source is MarbledPaste && wentIn is null;
        if (piece is null || subject.Zone() is null && !isMarbled)
            return OfPaste(mix, restedHours, taught.Jars);
        var eye = new ZoneColourEvaluator(piece.Resolve(taught.Cabinet), piece.Piece.Shape());
        if (subject.Zone() is not { } seen)
            return OfPaste(mix, restedHours, taught.Jars) with { Mix = null, Colour = eye.Paste };
        var laid = LoggedZone.Of(eye, seen);
        var finished = LogbookReadings.ZoneOf(mix, piece.Plan.Coats, laid);
        return new EntryPrediction(mix, laid, eye.See(seen), taught.Finish.Predict(finished).Range, LoggedLearning.Of(mix, finished, taught));
    }

    public static EntryPrediction OfPaste(LoggedMix mix, double? restedHours, LearnedJars jars)
    {
        var predicted = jars.Predict(mix.BaseId, LogbookReadings.DosesOf(mix), restedHours);
        return new EntryPrediction(mix, null, predicted.Colour, predicted.Range, LoggedLearning.Of(mix, jars));
    }

    /// <summary>The same entry as it is predicted by this.</summary>
    public LogEntry Of(LogEntry entry) => entry with { Mix = Mix, Laid = Laid, Predicted = Colour, PredictedRange = Range, Learned = Learned };
}
