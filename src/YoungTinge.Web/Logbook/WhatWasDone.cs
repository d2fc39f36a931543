using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Mixing;
using YoungTinge.Store;
using YoungTinge.Web.Shared;

namespace YoungTinge.Web.Logbook;

/// <summary>What is told of a paste or a zone that is logged: whether that can be, and what it was to look like.</summary>
internal static class WhatWasDone
{
    /// <param name="piece">Null for a paste of no piece.</param>
    public static IReadOnlyList<FieldProblem> Problems(LogSubject subject, PlannedPiece? piece, MeasuredPaste? wentIn, Materials materials)
    {
        if (piece is null && (wentIn is null || subject != LogSubject.Paste))
            return [new FieldProblem("wentIn", "wentInMissing", null, null)];
        return wentIn is null ? [] : StudioRules.Of(wentIn, "wentIn", materials).Lines();
    }

    /// <summary>Of what has no such problem.</summary>
    public static EntryPrediction Predict(LogSubject subject, PlannedPiece? piece, MeasuredPaste? wentIn, double? restedHours, Taught taught) => piece is null
        ? EntryPrediction.OfPaste(LoggedMix.Of(wentIn!, taught.Cabinet, taught.Jars), restedHours, taught.Jars)
        : EntryPrediction.Of(piece, subject, wentIn, restedHours, taught);
}
