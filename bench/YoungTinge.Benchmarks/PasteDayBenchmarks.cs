using BenchmarkDotNet.Attributes;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Coats.Model;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Marble;
using YoungTinge.Core.Ombre;
using YoungTinge.Core.Work;

namespace YoungTinge.Benchmarks;

/// <summary>What paste day computes, from one run of shades to a commission of thirty designs with six pieces each.</summary>
public class PasteDayBenchmarks
{
    private const string White = "bright-white-paste";

    private readonly Materials materials = StarterCabinet.Load();
    private readonly FlowerPaste[] designs;
    private readonly MarblePlan marble;
    private readonly OmbreRun run;
    private readonly WorkGraph forty;

    public PasteDayBenchmarks()
    {
        string[] colours = ["fen", "gorse", "ember", "woad", "sloe", "lichen"];
        var commission = Guid.NewGuid();
        designs = [.. Enumerable.Range(0, 30).Select(design =>
        {
            PlannedWork[] works = [.. Enumerable.Range(0, 6).Select(piece => new PlannedWork(
                Guid.NewGuid(), new Piece("Petal", "round-petal", 20 + 4 * piece, 18 + 4 * piece, 0.5, false, PartOf.Flower, 8, 0.15), 6,
                new PiecePlan(
                    Enum.GetValues<Zone>().ToDictionary(zone => zone, _ => Target.Of(new Lab(80, 5, 10))), new Lab(85, 5, 10),
                    new PasteRecipe(White, [new Dose(colours[design % colours.Length], 0.05 + 0.05 * (6 - piece)), new Dose("bracken", 0.01 + 0.001 * design)]), Coats(design + piece))))];
            return new FlowerPaste(Guid.NewGuid(), commission, works, design % 2 == 0 ? OmbrePlan.Suggest(works, materials) : null, null);
        })];
        marble = new MarblePlan([new(new PasteRecipe(White, [new Dose("woad", 1)]), 2), new(new PasteRecipe(White, []), 1)], 1, 5, 0.4, [], 110, 1);
        forty = Forty(materials);
        run = designs[0].Ombre!.Run(designs[0].Works, materials);
    }

    private static Coat[] Coats(int at)
    {
        string[] dusts = ["nettle", "duckweed", "wine-lees", "guelder", "scabious", "furze"];
        DustCoat Dust(int i, double load) => new(Guid.NewGuid(), [new(dusts[i % dusts.Length], 1), new("plain-cornstarch", 2)], load, Place.Whole, Sides.Face);
        return [Dust(at, 0.1), Dust(at + 2, 0.2), new SteamCoat(Guid.NewGuid(), 8), new GlazeCoat(Guid.NewGuid(), "satin-veil", 1, Sides.Both)];
    }

    /// <summary>Every second design as a run of six shades.</summary>
    [Benchmark]
    public IReadOnlyList<PasteBlock> ThirtyDesignsOfSixPieces() => PasteDaySheet.Of(designs, materials);

    /// <summary>Everything that is done for them, paste and all, and its dust day.</summary>
    [Benchmark]
    public DustDayPlan GraphOfThirtyDesigns() => DustDayPlan.Of(WorkGraph.Of([.. designs.Select(design => new FlowerWork(design, null))], PasteDaySheet.Of(designs, materials), materials));

    /// <summary>The order of a day of forty brush passes: ten kinds of piece with four dusts each, all of other families.</summary>
    [Benchmark]
    public DustDayPlan DayOfFortyPasses() => DustDayPlan.Of(forty);

    private static WorkGraph Forty(Materials materials)
    {
        string[] dusts = ["nettle", "wine-lees", "scabious", "furze", "peat", "moonmilk", "guelder", "duckweed", "chalk-down", "vixen"];
        PlannedWork[] works = [.. Enumerable.Range(0, 10).Select(piece => new PlannedWork(
            Guid.NewGuid(), new Piece($"Petal {piece}", "round-petal", 20 + 3 * piece, 18 + 3 * piece, 0.5, false, PartOf.Flower, 5, 0.15), 6,
            new PiecePlan(
                Enum.GetValues<Zone>().ToDictionary(zone => zone, _ => Target.Of(new Lab(80, 5, 10))), new Lab(85, 5, 10), new PasteRecipe(White, []),
                [.. Enumerable.Range(0, 4).Select(at => new DustCoat(Guid.NewGuid(), [new(dusts[(piece * 7 + at * (3 + piece % 4)) % dusts.Length], 1), new("plain-cornstarch", 1 + piece)], 0.1, Place.Whole, Sides.Face))])))];
        var flower = new FlowerPaste(Guid.NewGuid(), Guid.NewGuid(), works, null, null);
        return WorkGraph.Of([new FlowerWork(flower, null)], PasteDaySheet.Of([flower], materials), materials);
    }

    /// <summary>As each change of a run asks for it.</summary>
    [Benchmark]
    public OmbreResult[] ThreeSchools() => [.. Enum.GetValues<OmbreMethod>().Select(school => OmbreResult.Of(run, school, materials, 0.1))];

    [Benchmark]
    public MarblePicture MarbledSheet() => RolledMarble.Of(marble, 5, 110, 0.6, materials).Picture(150, 96, 260);

    [Benchmark]
    public MarbleSeen LookOfAMarble() => RolledMarble.Of(marble, 5, 110, 0.6, materials).Seen();
}
