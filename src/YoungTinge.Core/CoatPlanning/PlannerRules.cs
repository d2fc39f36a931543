using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Learning;
using YoungTinge.Core.Learning;

namespace YoungTinge.Core.CoatPlanning;

/// <summary>What the planner may use, and for whom.</summary>
public sealed record PlannerRules(Guests Guests)
{
    /// <summary>Only what is not known to have run out. Default yes.</summary>
    public bool WithinStock { get; init; } = true;

    /// <summary>Jars that stand open for the rest of the commission: they are taken before another is opened. Default none.</summary>
    public IReadOnlySet<string> InUse { get; init; } = new HashSet<string>();

    /// <summary>The only jars that may be used; null for any. Default any.</summary>
    public IReadOnlySet<string>? Only { get; init; }

    /// <summary>What readings tell of the colours for paste: of two pastes, or of two washes, that are equals the surer is taken. Null if there are none. Default none.</summary>
    public LearnedJars? Learned { get; init; }

    /// <summary>What readings tell of dusts, likewise. Default none.</summary>
    public LearnedFinish? LearnedDusts { get; init; }

    /// <summary>How little is known of a jar: 1 if nobody has read it, near 0 if it was read often; 0 for all of a kind while nothing is known of any.</summary>
    public double DoubtOf(Material jar) => jar switch
    {
        Colourant when Learned is not null => Learned.Of(LearnedCabinet.OpenJar(jar)).StrengthDeviation / JarPrior.Strength,
        Dust when LearnedDusts is not null => LearnedDusts.Of(LearnedCabinet.OpenJar(jar), jar.Id).StrengthDeviation / JarPrior.Strength,
        _ => 0,
    };

    public bool AllowsAll(IEnumerable<string> materialIds, Materials materials) => materialIds.All(id => Allows(materials.Get<Material>(id)));

    public bool Allows(Material material) =>
        Only?.Contains(material.Id) != false && !material.Label.IsRetired && !(Guests.EatIt && material.Label.FoodStatus != FoodStatus.Edible) && Guests.Diets.All(material.Label.Suits)
        && !(WithinStock && material.Supply.StockIn(material.Measure) is <= 0);
}
