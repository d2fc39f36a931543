using System.Text.Json.Serialization;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Coats.Model;

/// <summary>One step that changes a piece's colour after the paste.</summary>
/// <param name="Id">Stays with the coat when it is moved or changed.</param>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(DustCoat), "dust")]
[JsonDerivedType(typeof(WashCoat), "wash")]
[JsonDerivedType(typeof(SteamCoat), "steam")]
[JsonDerivedType(typeof(GlazeCoat), "glaze")]
[JsonDerivedType(typeof(PollenCoat), "pollen")]
public abstract record Coat(Guid Id)
{
    /// <summary>The planner leaves it as it is and plans round it.</summary>
    public bool IsLocked { get; init; }
}

/// <summary>A coat that lies on a place of one side or both.</summary>
public interface IPlacedCoat
{
    Place Place { get; }

    Sides Sides { get; }
}

/// <param name="Mix">One or more dusts and starch, in parts by mass.</param>
/// <param name="LoadMgPerCm2">Where the place is full; what stays on the piece, not what leaves the brush.</param>
public sealed record DustCoat(Guid Id, IReadOnlyList<Portion> Mix, double LoadMgPerCm2, Place Place, Sides Sides) : Coat(Id), IPlacedCoat
{
    /// <summary>One last light dusting over the flower as it stands, to draw it together.</summary>
    public bool AfterAssembly { get; init; }
}

/// <summary>Colour let down with spirit or water: brushed on thin, where it pools in grooves and creases, or painted as a marking.</summary>
/// <param name="Mix">One or more colours for paste, or dusts, in parts by mass.</param>
/// <param name="GPerMl">All colour in the thinner.</param>
/// <param name="WetMlPerCm2">Of the thinned colour, where the place is full.</param>
public sealed record WashCoat(
    Guid Id, IReadOnlyList<Portion> Mix, string ThinnerId, double GPerMl, double WetMlPerCm2, Place Place, Sides Sides) : Coat(Id), IPlacedCoat
{
    /// <summary>What is painted with it; null for a wash all over its place.</summary>
    public Marking? Marking { get; init; }
}

/// <summary>The whole piece through steam. It acts on every dust below it.</summary>
public sealed record SteamCoat(Guid Id, int Seconds) : Coat(Id);

public sealed record GlazeCoat(Guid Id, string GlazeId, int Coats, Sides Sides) : Coat(Id)
{
    /// <summary>Dust stirred into the glaze; null for a clear one.</summary>
    public TintMix? Tint { get; init; }
}

/// <param name="Mix">In parts by mass.</param>
/// <param name="GPer10ml">All of it, in 10 ml of glaze.</param>
public sealed record TintMix(IReadOnlyList<Portion> Mix, double GPer10ml);

/// <summary>Tinted crumbs on glue, for the centre and the anthers.</summary>
/// <param name="Coverage">Share of the face that they hide where the place is full, above 0 up to 1.</param>
public sealed record PollenCoat(Guid Id, string CrumbId, string AdhesiveId, double Coverage, Place Place, Sides Sides) : Coat(Id), IPlacedCoat;
