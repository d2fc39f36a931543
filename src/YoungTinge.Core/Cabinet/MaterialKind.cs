namespace YoungTinge.Core.Cabinet;

/// <summary>The shelves of a cabinet.</summary>
public enum MaterialKind
{
    Paste,
    Colourant,
    Dust,
    Lustre,
    Extender,
    Glaze,
    Thinner,
    Crumb,
    Adhesive,
    Wire,
    Tape,
    Stamens,
    Core,
}

public static class MaterialKinds
{
    public static MaterialKind Of(Material material) => material switch
    {
        PasteBase => MaterialKind.Paste,
        Colourant => MaterialKind.Colourant,
        Dust { Kind: DustKind.Matte } => MaterialKind.Dust,
        Dust { Kind: DustKind.Lustre } => MaterialKind.Lustre,
        Dust => MaterialKind.Extender,
        Glaze => MaterialKind.Glaze,
        Thinner => MaterialKind.Thinner,
        Crumb => MaterialKind.Crumb,
        Adhesive => MaterialKind.Adhesive,
        Wire => MaterialKind.Wire,
        Tape => MaterialKind.Tape,
        Stamens => MaterialKind.Stamens,
        CoreBall => MaterialKind.Core,
        _ => throw new ArgumentException($"Unknown material {material.GetType().Name}.", nameof(material)),
    };

    /// <summary>What its stock is counted in.</summary>
    public static Measure MeasuredIn(this MaterialKind kind) => kind switch
    {
        MaterialKind.Wire or MaterialKind.Tape or MaterialKind.Stamens or MaterialKind.Core => Measure.Pieces,
        MaterialKind.Glaze or MaterialKind.Thinner => Measure.Millilitres,
        _ => Measure.Grams,
    };

    /// <summary>Its colour is seen on or in a paste, so it has an absorption and a scattering.</summary>
    public static bool HasOptics(this MaterialKind kind) =>
        kind is MaterialKind.Paste or MaterialKind.Colourant or MaterialKind.Dust or MaterialKind.Lustre or MaterialKind.Extender;

    /// <summary>It has a face of its own colour.</summary>
    public static bool HasReflectance(this MaterialKind kind) =>
        kind is MaterialKind.Crumb or MaterialKind.Wire or MaterialKind.Tape or MaterialKind.Stamens;
}
