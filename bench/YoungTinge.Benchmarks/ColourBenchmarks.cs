using BenchmarkDotNet.Attributes;
using YoungTinge.Checks;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Coats.Rendering;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Optics;

namespace YoungTinge.Benchmarks;

/// <summary>What an edit and a search cost: see <c>bench/RESULTS.md</c>.</summary>
[MemoryDiagnoser]
public class ColourBenchmarks
{
    private readonly Materials materials = StarterCabinet.Load();
    private readonly PieceShape shape = new(OutlineLibrary.Get("broad-sepal"), 48, 42);
    private readonly PasteRecipe recipe = new("bright-white-paste", [new Dose("quince", 0.2), new Dose("lichen", 0.05)]);
    private readonly Materials full = WideCabinet.With(60);
    private readonly PasteColourModel model;
    private readonly int[] chosen = [2, 5, 9];
    private readonly double[] doses = [0.1, 0.2, 0.3];
    private readonly PiecePlan plan;
    private readonly DustFilm film;
    private readonly double[] face = new double[SpectralGrid.Bands];

    public ColourBenchmarks()
    {
        model = new PasteColourModel(
            materials.Get<PasteBase>("bright-white-paste").Optics, [.. materials.All.OfType<Colourant>().Select(colourant => colourant.Optics)]);
        film = new DustFilm(materials.Get<Dust>("wine-lees").Optics);
        plan = new PiecePlan(
            Enum.GetValues<Zone>().ToDictionary(zone => zone, _ => Target.Of(new Lab(70, 10, 10))), new Lab(90, -5, 12), recipe, EightCoats());
    }

    /// <summary>What the finder asks for, with slopes: three colourants, no garbage.</summary>
    [Benchmark]
    public Lab PasteColourFast()
    {
        Span<Lab> slopes = stackalloc Lab[3];
        return model.ColourAndSlopes(chosen, doses, slopes);
    }

    /// <summary>The readable reference, spectrum to Lab.</summary>
    [Benchmark]
    public Lab PasteColour() => Illuminant.D65.LabOf(PasteOptics.Reflectance(recipe, materials));

    [Benchmark]
    public void DustLayer()
    {
        face.AsSpan().Fill(0.8);
        film.LayOn(face, 0.15);
    }

    [Benchmark]
    public IReadOnlyList<ZoneHistory> BuildUpOfEightCoats() => BuildUp.Of(new ResolvedPlan(plan, materials), shape);

    /// <summary>Face and back together.</summary>
    [Benchmark]
    public PiecePicture FieldsOfEightCoats() => PiecePicture.Of(new ResolvedPlan(plan, materials), shape);

    [Benchmark]
    public PiecePicture FieldsOfEightCoats48X64() => PiecePicture.Of(new ResolvedPlan(plan, materials), shape, 48, 64);

    /// <summary>24 colourants, at most 3 of them, within reach.</summary>
    [Benchmark]
    public IReadOnlyList<FoundRecipe> FindWithinReach() =>
        RecipeFinder.Find(materials, new RecipeSearch("bright-white-paste", new Lab(65.6, 11.7, 10.5), 100));

    /// <summary>The same, for a colour that paste cannot be: every set is walked to its limits.</summary>
    [Benchmark]
    public IReadOnlyList<FoundRecipe> FindOutOfReach() =>
        RecipeFinder.Find(materials, new RecipeSearch("bright-white-paste", new Lab(51.3, 56.8, -33.3), 100));

    /// <summary>60 colourants, at most 4 of them, within reach.</summary>
    [Benchmark]
    public IReadOnlyList<FoundRecipe> FindOnAFullShelf() =>
        RecipeFinder.Find(full, new RecipeSearch("bright-white-paste", new Lab(65.6, 11.7, 10.5), 100) { MostColourants = 4 });

    [Benchmark]
    public IReadOnlyList<FoundRecipe> FindOnAFullShelfOutOfReach() =>
        RecipeFinder.Find(full, new RecipeSearch("bright-white-paste", new Lab(51.3, 56.8, -33.3), 100) { MostColourants = 4 });

    /// <summary>Everything about a recipe, as each move of a dose asks for it.</summary>
    [Benchmark]
    public RecipeEvaluation LookAtRecipe() => RecipeEvaluation.Of(recipe, new Lab(88, -6, 16), 180, LightKind.Lamp, materials);

    [Benchmark]
    public Rescue RescueABatch() => Rescue.Of(
        new MadeBatch(recipe with { Doses = [.. recipe.Doses, new Dose("rowan", 0.05)] }, 180, null),
        new RecipeSearch("bright-white-paste", new Lab(88, -6, 16), 180), materials);

    internal static Coat[] EightCoats()
    {
        PlaceKind[] places = [PlaceKind.Base, PlaceKind.Rim, PlaceKind.Heart, PlaceKind.Tip, PlaceKind.Whole, PlaceKind.Rim];
        string[] dusts = ["nettle", "cockle", "wine-lees", "guelder", "catkin", "vixen"];
        return
        [
            .. places.Select((place, i) => new DustCoat(
                Guid.NewGuid(), [new Portion(dusts[i], 1), new Portion("plain-cornstarch", 1)], 0.1, new Place(place, 0, 0.3, 0.3), Sides.Both)),
            new SteamCoat(Guid.NewGuid(), 8),
            new GlazeCoat(Guid.NewGuid(), "satin-veil", 1, Sides.Both),
        ];
    }
}
