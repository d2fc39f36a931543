using System.Text.Json.Serialization;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Coats.Model;

/// <summary>How one kind of piece gets its colour: what it should look like, its paste, and the coats in order.</summary>
/// <param name="Targets">Of the finished piece; one for every zone.</param>
/// <param name="PasteTarget">What the paste alone should be, under daylight.</param>
public sealed record PiecePlan(IReadOnlyDictionary<Zone, Target> Targets, [property: JsonPropertyName("ground")] Lab PasteTarget, PasteRecipe Paste, IReadOnlyList<Coat> Coats)
{
    /// <summary>A batch that was made, to shape the pieces from instead of the paste above; null for that paste.</summary>
    public Guid? BatchId { get; init; }

    /// <summary>Advice that the maker goes against on purpose.</summary>
    public IReadOnlyList<AcknowledgedAdvice> OnPurpose { get; init; } = [];
}

/// <param name="CoatId">The coat it is about, if it is one.</param>
/// <param name="Note">Why, in the maker's words; may be empty.</param>
public sealed record AcknowledgedAdvice(AdviceCode Code, Guid? CoatId, string Note);
