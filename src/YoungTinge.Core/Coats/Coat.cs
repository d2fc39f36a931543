using System.Text.Json.Serialization;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Flowers;

namespace YoungTinge.Core.Coats;

/// <summary>One step that changes a piece's colour after the paste.</summary>
/// <param name="Id">Stays with the coat when it is moved or changed.</param>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "kind")]
[JsonDerivedType(typeof(DustCoat), "dust")]
[JsonDerivedType(typeof(SteamCoat), "steam")]
[JsonDerivedType(typeof(GlazeCoat), "glaze")]
public abstract record Coat(Guid Id);

/// <param name="Mix">One or more dusts and starch, in parts by mass.</param>
/// <param name="LoadMgPerCm2">Where the place is full; what stays on the piece, not what leaves the brush.</param>
public sealed record DustCoat(Guid Id, IReadOnlyList<Portion> Mix, double LoadMgPerCm2, Place Place, Sides Sides) : Coat(Id);

/// <summary>The whole piece through steam. It acts on every dust below it.</summary>
public sealed record SteamCoat(Guid Id, int Seconds) : Coat(Id);

public sealed record GlazeCoat(Guid Id, string GlazeId, int Coats, Sides Sides) : Coat(Id);
