using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Cabinet.Characterising;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Pictures;
using YoungTinge.Devices;
using YoungTinge.Files.Pictures;

namespace YoungTinge.Checks;

/// <param name="Miss">CIEDE2000 between what a recipe with the learned colour is predicted to be and what it really is.</param>
public sealed record DabTrial(int Seed, string Colour, double Miss, double WorstFit);

/// <summary>
/// The whole way of a colour of one's own, on the simulated bench: dabs photographed beside a white card, read, learned from; then a
/// recipe is found with it for some target, and compared with what the bench really gives.
/// </summary>
public static class DabTrials
{
    private const string PasteId = "bright-white-paste";
    private static readonly double[] Doses = [0.03, 0.12, 0.5, 1.5];

    public static IReadOnlyList<DabTrial> Run(int trials, int dabs, bool withReader = false) =>
        [.. Enumerable.Range(1, trials).AsParallel().AsOrdered().Select(seed => One(seed, Doses[..dabs], withReader))];

    private static DabTrial One(int seed, double[] doses, bool withReader)
    {
        var cabinet = StarterCabinet.Load();
        var paste = cabinet.Get<PasteBase>(PasteId);
        var chance = new Random(seed);
        var colourants = cabinet.All.OfType<Colourant>().ToList();
        var own = colourants[chance.Next(colourants.Count)];
        var truth = new HiddenTruth(seed);
        // The cabinet knows nothing of the jar: the other colours only say what colours are like.
        var others = colourants.Where(colourant => colourant.Id != own.Id).ToList();

        var spectra = doses.Select(dose => (Dose: dose, Spectrum: Dabs.InPaste(own, dose, paste, truth))).ToList();
        var learned = withReader
            ? OpticsEstimator.Colourant([.. spectra.Select((dab, i) => new Dab(dab.Dose, new PocketReader(dab.Spectrum, 100 * seed + i).ReadAsync(default).Result))], paste.Optics)
            : SeenOpticsEstimator.Colourant([.. spectra.Select((dab, i) => new SeenDab(dab.Dose, Photographed(dab.Spectrum, 100 * seed + i)))], paste.Optics, others);

        var mine = new Materials(cabinet.All.Select(material => material.Id == own.Id ? own with { Optics = learned.Optics } : material));
        var real = new Materials(cabinet.All.Select(material => material.Id == own.Id ? truth.Of(own) : material));
        var second = others[chance.Next(others.Count)];
        double Dose() => 0.03 * Math.Pow(30, chance.NextDouble());
        var target = PasteOptics.ColourOf(new PasteRecipe(PasteId, [new Dose(own.Id, Dose()), new Dose(second.Id, Dose())]), mine);
        var recipe = RecipeFinder.Find(mine, new RecipeSearch(PasteId, target, 200) { MustUse = [own.Id], MostColourants = 3 })[0].Recipe;
        return new DabTrial(seed, own.Id, DeltaE2000.Between(PasteOptics.ColourOf(recipe, mine), PasteOptics.ColourOf(recipe, real)), learned.WorstDeltaE);
    }

    private static Lab Photographed(Spectrum dab, int seed)
    {
        var shot = new LightBoxCamera(new DabScene(dab), seed).TakeAsync(default).Result;
        var photo = ((PictureResult.Read)PictureFile.Read(shot.Jpeg)).Photo;
        var light = LightReading.Of(photo, new PictureLight(shot.Card, NeutralKind.WhiteCard));
        return PatchReader.Read(photo, shot.Subject!.Value, light.Cast).Colour;
    }
}
