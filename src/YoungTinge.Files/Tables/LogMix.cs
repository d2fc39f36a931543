using System.Globalization;
using System.Text.Json.Serialization;

namespace YoungTinge.Files.Tables;

/// <summary>What a paste of the logbook was kneaded from, as a file holds it.</summary>
/// <param name="PasteId">Of the white paste, as in the cabinet's file; or its name.</param>
/// <param name="Doses">Each colour once.</param>
public sealed record LogMix([property: JsonRequired] string PasteId, [property: JsonRequired] IReadOnlyList<LogMixDose> Doses)
{
    public bool Equals(LogMix? other) => other is not null && other.PasteId == PasteId && other.Doses.SequenceEqual(Doses);

    public override int GetHashCode() => PasteId.GetHashCode(StringComparison.Ordinal);

    /// <summary>"rootcellar=0.2; ember@lot%204=0.1", as one cell.</summary>
    public string Colours => string.Join("; ", Doses.Select(dose => $"{dose.ColourId}{(dose.Lot is { } lot ? $"@{Uri.EscapeDataString(lot)}" : "")}={dose.GPer100g.ToString("R", CultureInfo.InvariantCulture)}"));

    /// <returns>Null if that is no list of colours with their doses.</returns>
    internal static IReadOnlyList<LogMixDose>? Read(string colours)
    {
        var doses = new List<LogMixDose>();
        foreach (var text in colours.Split(';', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries))
        {
            var equals = text.LastIndexOf('=');
            if (equals < 1 || !Numbers.TryRead(text[(equals + 1)..].Trim(), out var dose))
                return null;
            var name = text[..equals].Split('@', 2, StringSplitOptions.TrimEntries);
            doses.Add(new LogMixDose(name[0], dose) { Lot = name.Length > 1 ? Uri.UnescapeDataString(name[1]) : null });
        }

        return doses;
    }
}

/// <param name="ColourId">As in the cabinet's file; or its name.</param>
/// <param name="GPer100g">Grams for each 100 g of paste before colour, above 0.</param>
public sealed record LogMixDose([property: JsonRequired] string ColourId, [property: JsonRequired] double GPer100g)
{
    /// <summary>The maker's mark on the pot; null for the one that is open.</summary>
    public string? Lot { get; init; }
}
