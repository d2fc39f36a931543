namespace YoungTinge.Core.Coats.Model;

/// <summary>What lies on a piece while coats go on: by this the rules of their order are told.</summary>
public readonly record struct FaceState
{
    public bool IsGlazed { get; init; }

    /// <summary>Dust that neither steam nor glaze has set.</summary>
    public bool HasLooseDust { get; init; }

    /// <summary>Paint that nothing has set.</summary>
    public bool IsPainted { get; init; }

    public bool HasLustre { get; init; }

    public bool HasPollen { get; init; }
}
