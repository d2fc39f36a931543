namespace YoungTinge.Core.Cabinet;

/// <summary>A studio's materials, to look up by id, what they are weighed with and whose hand lays them on. Ids are unique.</summary>
public sealed class Materials
{
    private readonly Dictionary<string, Material> byId;

    /// <exception cref="ArgumentException">Two materials share an id.</exception>
    public Materials(IEnumerable<Material> materials)
    {
        All = [.. materials];
        byId = All.ToDictionary(material => material.Id);
    }

    public IReadOnlyList<Material> All { get; }

    /// <summary>Smallest step of the scale, in g.</summary>
    public double ScaleG { get; init; } = BenchScale.UsualG;

    /// <summary>Diameters of the maker's own sizing holes, from the smallest up; empty if she has none.</summary>
    public IReadOnlyList<double> HolesMm { get; init; } = [];

    /// <summary>Whose hand lays it on.</summary>
    public MakersHand Hand { get; init; } = MakersHand.House;

    /// <summary>The same house with other jars, and perhaps another hand.</summary>
    public Materials With(IEnumerable<Material> others, MakersHand? hand = null) => new(others) { ScaleG = ScaleG, HolesMm = HolesMm, Hand = hand ?? Hand };

    public bool Has<T>(string id) where T : Material => byId.GetValueOrDefault(id) is T;

    /// <summary>Whether everything that a recipe names is here.</summary>
    public bool HasAllOf(PasteRecipe recipe) => Has<PasteBase>(recipe.BaseId) && recipe.Doses.All(dose => Has<Colourant>(dose.ColourantId));

    /// <exception cref="KeyNotFoundException">No such material of this kind: the caller checks a plan before using it.</exception>
    public T Get<T>(string id) where T : Material =>
        byId.GetValueOrDefault(id) as T ?? throw new KeyNotFoundException($"There is no {typeof(T).Name} '{id}'.");

    public Material? Find(string id) => byId.GetValueOrDefault(id);
}
