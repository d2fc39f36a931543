using YoungTinge.Core.Cabinet;

namespace YoungTinge.Core.Coats.Model;

public enum Caution
{
    /// <summary>Gloves: colour stains.</summary>
    Gloves,

    /// <summary>Mask, low draught, no blowing.</summary>
    DustInTheAir,

    /// <summary>Steam burns.</summary>
    Steam,

    /// <summary>Glaze and spirit burn and give off fumes.</summary>
    Fumes,

    /// <summary>Blades and wire cut.</summary>
    BladesAndWire,

    /// <summary>Something here is not for eating.</summary>
    DecorativeOnly,
}

/// <summary>One thing to do for all pieces of a kind, with its amounts.</summary>
/// <param name="Key">Names the step as long as its coat exists, so that a tick outlives changes around it.</param>
/// <param name="Cautions">To show with it.</param>
public abstract record RunStep(string Key, IReadOnlyList<Caution> Cautions)
{
    /// <summary>Steps that every plan has, whatever its coats.</summary>
    internal static IReadOnlyList<(Type Type, string Name)> Common { get; } =
    [
        (typeof(ShapePieces), "shapePieces"),
        (typeof(DryPieces), "dryPieces"), (typeof(ComparePieces), "comparePieces"),
    ];

    /// <summary>The same done to whole flowers in one go, where it is done to what stands and not to each piece.</summary>
    /// <param name="steps">Of all kinds of piece that it goes over, this one among them.</param>
    /// <param name="flowers">How many.</param>
    internal virtual RunStep OverFlowers(IReadOnlyList<RunStep> steps, int flowers) => this;

    /// <summary>What it takes out of the cabinet, wires and other supports apart.</summary>
    public virtual IReadOnlyList<MaterialTake> Takes() => [];
}
