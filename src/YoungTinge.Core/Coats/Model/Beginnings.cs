using YoungTinge.Core.Cabinet;

namespace YoungTinge.Core.Coats.Model;

/// <summary>
/// How a coat, a place or a painted detail begins when it is first taken up, to be changed from there. All figures are house figures:
/// what most makers would try first.
/// </summary>
public static class Beginnings
{
    /// <summary>A wash is thin at first.</summary>
    public const double WashGPerMl = 0.02;

    /// <summary>A detail is painted with a stronger colour than a wash, or it does not show.</summary>
    public const double DetailGPerMl = 0.15;

    /// <summary>Where a place of each kind lies at first.</summary>
    public static IReadOnlyList<Place> Places { get; } =
    [
        Place.Whole, new(PlaceKind.Base, 0, 0.2, 0.3), new(PlaceKind.Tip, 0, 0.15, 0.3), new(PlaceKind.Rim, 0, 2, 5), new(PlaceKind.Heart, 0, 0.2, 0.4),
        new(PlaceKind.Bar, 0, 1.5, 1.5),
    ];

    /// <summary>How each kind of detail is drawn at first.</summary>
    public static IReadOnlyList<Marking> Markings { get; } =
    [
        new(MarkingKind.Stripes, 0.8, 4, 0.4, Seed: 1), new(MarkingKind.CentreBar, 4, 4, 0.2, Seed: 1), new(MarkingKind.Veins, 0.7, 4, 0.2, Seed: 1),
        new(MarkingKind.Dots, 1, 2.5, 0.9, Seed: 1), new(MarkingKind.PicoteeRim, 1.5, 4, 0.4, Seed: 1), new(MarkingKind.Blotch, 10, 4, 0.6, Seed: 1),
        new(MarkingKind.CrossBars, 0.8, 4, 0.4, Seed: 1),
    ];

    /// <summary>A coat of each material that coats are made of, without an id yet.</summary>
    public static IReadOnlyDictionary<string, Coat> CoatsOf(Materials cabinet) => cabinet.All
        .Select(material => (material.Id, Coat: CoatKinds.Begin(material, cabinet))).Where(one => one.Coat is not null)
        .ToDictionary(one => one.Id, one => one.Coat!);

    internal static Place PlaceOf(PlaceKind kind) => Places.First(place => place.Kind == kind);

    /// <summary>What is at hand of a kind: the first that is still bought.</summary>
    internal static T? AtHand<T>(Materials cabinet) where T : Material => cabinet.All.OfType<T>().FirstOrDefault(one => !one.Label.IsRetired);
}
