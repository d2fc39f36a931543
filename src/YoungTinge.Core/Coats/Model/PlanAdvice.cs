using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Coats.Model;

/// <summary>Something that can be done as planned, but will be regretted.</summary>
/// <param name="CoatId">The coat it is about, if it is one.</param>
/// <param name="MaterialId">The material it is about, if it is one.</param>
public sealed record PlanAdvice(AdviceCode Code, Guid? CoatId = null, string? MaterialId = null)
{
    /// <summary>Where it will be seen, if it was found by looking at a zone.</summary>
    public Zone? Zone { get; init; }

    /// <summary>The maker's note where it is gone against on purpose; null where it is not.</summary>
    public string? OnPurpose { get; init; }
}
