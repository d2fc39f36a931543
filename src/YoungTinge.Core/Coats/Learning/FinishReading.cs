using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Learning;

namespace YoungTinge.Core.Coats.Learning;

/// <summary>One zone of a finished piece, as it was made.</summary>
/// <param name="BaseId">Of the paste below.</param>
/// <param name="Doses">In it, by what they weighed.</param>
/// <param name="Coats">In order, first on the paste.</param>
/// <param name="Lots">Of the dusts in them that were open then, by the dust; none for the one without a mark.</param>
public sealed record FinishedZone(string BaseId, IReadOnlyList<JarDose> Doses, IReadOnlyList<Coat> Coats, IReadOnlyDictionary<string, string> Lots, ZoneAsLaid Laid)
{
    /// <summary>Paste as it comes, under a medium coat of one dust from the jar that is open.</summary>
    public static FinishedZone Coated(Dust dust, PasteBase paste) => new(
        paste.Id, [], [new DustCoat(Guid.Empty, [new Portion(dust.Id, 1)], DustLoad.Named[(int)LoadWord.Medium].MgPerCm2, Place.Whole, Sides.Face)],
        new Dictionary<string, string> { [dust.Id] = dust.Supply.Lot }, new ZoneAsLaid([[new Lying(1, 1)]], default));

    private IEnumerable<Coat> Showing => Coats.Where((_, coat) => Laid.Has(coat));

    /// <summary>Parts of the hand that show in it.</summary>
    public IReadOnlyList<HandPart> Parts => [.. HandPrior.Parts.Where(part => Showing.Any(coat => HandPrior.PartsIn(coat).Contains(part)))];

    /// <summary>Dusts that show in it, starch left out.</summary>
    public IReadOnlyList<string> DustsIn(Materials cabinet) => [.. Showing.SelectMany(coat => coat.MaterialIds()).Distinct().Where(id => cabinet.Find(id) is Dust { Kind: not DustKind.Extender })];

    public string JarOf(string dustId) => LearnedCabinet.JarId(dustId, Lots.GetValueOrDefault(dustId, ""));
}

/// <summary>The colour of a zone of a finished piece, as it was read.</summary>
/// <param name="Id">Of its entry in the logbook.</param>
/// <param name="Colour">Under daylight.</param>
public sealed record FinishReading(Guid Id, DateTimeOffset At, FinishedZone Zone, ReadBy By, Lab Colour)
{
    /// <summary>That it was looked at in.</summary>
    public LightKind Light { get; init; } = LightKind.Daylight;
}
