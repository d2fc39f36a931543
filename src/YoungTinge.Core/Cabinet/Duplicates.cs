using YoungTinge.Core.Colour;

namespace YoungTinge.Core.Cabinet;

public enum DuplicateReason
{
    SameName,
    SameColour,
}

/// <summary>Two materials of one kind that may be the same thing entered twice.</summary>
public sealed record Duplicate(string OneId, string OtherId, DuplicateReason Reason);

/// <summary>Suggests what may stand in the cabinet twice. It only suggests: two pots may be alike and still be two.</summary>
public static class Duplicates
{
    /// <summary>Chips this near (CIEDE2000) cannot be told apart side by side.</summary>
    private const double SameBelow = 0.3;

    /// <param name="chipOf">What a material looks like by itself; null for what has no colour.</param>
    public static IReadOnlyList<Duplicate> In(Materials materials, Func<Material, Lab?> chipOf)
    {
        var found = new List<Duplicate>();
        foreach (var shelf in materials.All.Where(material => !material.Label.IsRetired).GroupBy(MaterialKinds.Of))
        {
            var all = shelf.Select(material => (Material: material, Name: Plain(material.Label.Name), Chip: chipOf(material))).ToList();
            for (var i = 0; i < all.Count; i++)
            {
                for (var j = 0; j < i; j++)
                {
                    if (all[i].Name == all[j].Name)
                        found.Add(new Duplicate(all[j].Material.Id, all[i].Material.Id, DuplicateReason.SameName));
                    else if (shelf.Key.HasOptics() && all[i].Chip is { } one && all[j].Chip is { } other && DeltaE2000.Between(one, other) < SameBelow)
                        found.Add(new Duplicate(all[j].Material.Id, all[i].Material.Id, DuplicateReason.SameColour));
                }
            }
        }

        return found;
    }

    private static string Plain(string name) => new([.. name.ToLowerInvariant().Where(char.IsLetterOrDigit)]);
}
