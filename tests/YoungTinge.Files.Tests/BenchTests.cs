using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Cabinet.Characterising;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Optics;
using YoungTinge.Core.Pictures;
using YoungTinge.Core.Targets;
using YoungTinge.Devices;
using YoungTinge.Files.Pictures;

namespace YoungTinge.Files.Tests;

/// <summary>The simulated bench must be as unlike the cabinet, and as noisy, as a real one; and the same each time.</summary>
public class BenchTests
{
    private static readonly Materials Cabinet = StarterCabinet.Load();
    private static readonly PasteBase White = Cabinet.Get<PasteBase>("bright-white-paste");

    private static Photograph Photo(Shot shot) => ((PictureResult.Read)PictureFile.Read(shot.Jpeg)).Photo;

    private static Task<Shot> ShootAsync(Scene scene, int seed) => new LightBoxCamera(scene, seed).TakeAsync(default);

    [Fact]
    public void A_measure_is_off_alike_for_all_colours_and_less_when_it_was_weighed()
    {
        static double[] OffOf(HiddenTruth truth, bool isWeighed) => [.. Cabinet.All.OfType<Colourant>()
            .Select(colour => colour with { Units = [new DoseUnit(DoseUnitKind.Touch, 0.02) { IsWeighed = isWeighed }] })
            .Select(colour => truth.Of(colour).Units.Single().MassG / 0.02).Distinct()];
        var truths = Enumerable.Range(0, 60).Select(seed => new HiddenTruth(seed)).ToList();
        double SpreadOf(bool isWeighed) => Math.Sqrt(truths.Average(truth => Math.Pow(Math.Log(Assert.Single(OffOf(truth, isWeighed))), 2)));
        Assert.InRange(SpreadOf(isWeighed: false), 0.2, 0.4);
        Assert.InRange(SpreadOf(isWeighed: true), 0.06, 0.14);
    }

    [Fact]
    public void Jars_differ_from_the_list_and_each_seed_has_its_own_truth()
    {
        var off = new List<double>();
        foreach (var colourant in Cabinet.All.OfType<Colourant>())
        {
            var (one, again, other) = (new HiddenTruth(1).Of(colourant), new HiddenTruth(1).Of(colourant), new HiddenTruth(2).Of(colourant));
            Assert.Equal(one.Optics.Absorption.Values, again.Optics.Absorption.Values);
            Assert.NotEqual(one.Optics.Absorption.Values.ToArray(), other.Optics.Absorption.Values.ToArray());
            var listed = Illuminant.D65.LabOf(Dabs.InPaste(colourant, 0.3, White, new HiddenTruth(1)));
            var nominal = SwatchColour.Of(colourant, Cabinet)!.Value;
            off.Add(DeltaE2000.Between(listed, nominal));
            Assert.All(one.Optics.Absorption.Values.ToArray(), value => Assert.True(value >= 0));
        }

        Assert.True(off.Average() > 1.5, $"{off.Average():0.0}");
    }

    [Fact]
    public async Task A_shot_is_the_same_for_one_seed_and_has_a_cast_that_the_card_takes_out()
    {
        var rose = ReflectanceFromColour.Convert(new Lab(60, 35, 12));
        var (raw, corrected) = (new List<double>(), new List<double>());
        for (var seed = 1; seed <= 12; seed++)
        {
            var shot = await ShootAsync(new DabScene(rose), seed);
            Assert.Equal(shot.Jpeg, (await ShootAsync(new DabScene(rose), seed)).Jpeg);
            var photo = Photo(shot);
            var light = LightReading.Of(photo, new PictureLight(shot.Card, NeutralKind.WhiteCard));
            raw.Add(DeltaE2000.Between(new Lab(60, 35, 12), PatchReader.Read(photo, shot.Subject!.Value, WhiteBalance.None).Colour));
            corrected.Add(DeltaE2000.Between(new Lab(60, 35, 12), PatchReader.Read(photo, shot.Subject!.Value, light.Cast).Colour));
        }

        Assert.True(raw.Average() > 5, $"{raw.Average():0.0}");
        Assert.All(corrected, miss => Assert.InRange(miss, 0, 3));
        Assert.True(corrected.Average() < 1.5, $"{corrected.Average():0.0}");
    }

    [Fact]
    public async Task The_reader_is_a_little_off_and_another_time_otherwise()
    {
        var truth = Dabs.InPaste(Cabinet.Get<Colourant>("rowan"), 0.3, White, new HiddenTruth(4));
        var (one, two) = (await new PocketReader(truth, 1).ReadAsync(default), await new PocketReader(truth, 2).ReadAsync(default));
        Assert.NotEqual(one.Values.ToArray(), two.Values.ToArray());
        foreach (var read in new[] { one, two })
            Assert.InRange(DeltaE2000.Between(Illuminant.D65.LabOf(truth), Illuminant.D65.LabOf(read)), 0.01, 1);
    }

    [Fact]
    public async Task A_dust_rubbed_out_is_learned_from_its_picture()
    {
        var truth = new HiddenTruth(9);
        var misses = new List<double>();
        var below = KubelkaMunk.Opaque(White.Optics);
        foreach (var dust in Cabinet.All.OfType<Dust>().Where(dust => dust.Kind == DustKind.Matte).Take(8))
        {
            var seen = new List<SeenDab>();
            foreach (var load in new[] { 0.1, 0.25, 0.5, 0.7 })
            {
                var shot = await ShootAsync(new DabScene(Dabs.RubbedOut(dust, load, White, truth)), (int)(load * 100));
                var photo = Photo(shot);
                var cast = LightReading.Of(photo, new PictureLight(shot.Card, NeutralKind.WhiteCard)).Cast;
                seen.Add(new SeenDab(load, PatchReader.Read(photo, shot.Subject!.Value, cast).Colour));
            }

            var others = Cabinet.All.OfType<Dust>().Where(other => other.Kind == DustKind.Matte && other.Id != dust.Id);
            var learned = SeenOpticsEstimator.Dust(seen, below, others);
            foreach (var load in new[] { 0.15, 0.4 })
            {
                var told = KubelkaMunk.Layer(learned.Optics.Absorption, learned.Optics.Scattering, load, below);
                var real = Dabs.RubbedOut(dust, load, White, truth);
                misses.Add(DeltaE2000.Between(Illuminant.D65.LabOf(real), Illuminant.D65.LabOf(told)));
            }
        }

        // A strong yellow is more than a picture can hold.
        Assert.True(misses.Count(miss => miss < 1.5) >= 0.75 * misses.Count && misses.Max() < 5, string.Join(' ', misses.Select(miss => $"{miss:0.0}")));
    }

    [Fact]
    public void A_flower_that_grows_is_like_the_book_but_no_clone()
    {
        var book = StartingPoints.All.First(one => one.Name == "Peony");
        var flower = new LitFlower(book.Targets.ToDictionary(one => one.Key, one => one.Value.Colour), "round-petal", 6);
        var grown = flower.Grown(3);
        Assert.Equal(grown.Zones, flower.Grown(3).Zones);
        Assert.All(Enum.GetValues<Zone>(), zone => Assert.InRange(DeltaE2000.Between(flower.Zones[zone], grown.Zones[zone]), 0.01, 10));
    }

    [Fact]
    public async Task A_flower_is_found_on_grounds_that_are_not_grey()
    {
        // The same shot with its mat taken for grass, slate, wood and linen.
        var flower = new LitFlower(Enum.GetValues<Zone>().ToDictionary(zone => zone, zone => new Lab(72 - 3 * (int)zone, 28 - 2 * (int)zone, 6)), "round-petal", 6);
        var shot = await ShootAsync(new FlowerScene(flower), 5);
        var photo = Photo(shot);
        foreach (var ground in new[] { (60, 95, 40), (58, 62, 70), (120, 85, 55), (205, 196, 178) })
        {
            var division = FlowerDivision.Of(OnGround(photo, ground, seed: 7), new LightReading(WhiteBalance.None, []), SeenAs.Bloom, card: shot.Card);
            Assert.True(division.Zones.Count >= 4, $"{ground}: {division.Zones.Count} zones");
            Assert.All(division.Zones.Where(zone => zone.Zone != Zone.Back), zone =>
            {
                // Inside the flower, which stands in the left of the picture.
                var (x, y) = zone.Box.Middle;
                Assert.True(x is > 0.1 and < 0.7, $"{ground}: {zone.Zone} at {x:0.00} {y:0.00}");
                Assert.True(zone.Reading.Colour.A > 8, $"{ground}: {zone.Zone} is {zone.Reading.Colour}");
            });
        }
    }

    /// <summary>
    /// Pictures of the light box with strongly coloured grounds and large flowers of one hue, without anything neutral in them: what is
    /// called sure lies where the picture itself has it.
    /// </summary>
    [Fact]
    public async Task What_is_called_sure_on_a_strong_ground_is_what_the_picture_shows()
    {
        var sure = 0;
        foreach (var (seed, hue) in new[] { (3, 62.0), (8, 18.0), (11, 330.0), (15, 280.0), (21, 100.0) })
        {
            var flower = new LitFlower(Enum.GetValues<Zone>().ToDictionary(zone => zone, zone => zone == Zone.Tip ? Lab.OfHue(88, 14, 85) : Lab.OfHue(62 - 3 * (int)zone, 46 - 3 * (int)zone, hue)), "round-petal", 6);
            var shot = await ShootAsync(new FlowerScene(flower), seed);
            foreach (var ground in new[] { (12, 60, 66), (90, 20, 30), (24, 34, 92), (140, 110, 20) })
            {
                // The card goes the way of the mat: it is taken for the ground too.
                var photo = OnGround(Photo(shot), ground, seed, alsoPale: true);
                var light = LightReading.Of(photo, PictureLight.Estimated);
                foreach (var zone in FlowerDivision.Of(photo, light, SeenAs.Bloom, new MeantFlower(new PicturePoint(0.40, 0.36), [])).Zones.Where(zone => zone.IsSure))
                {
                    sure++;
                    var own = PatchReader.Read(photo, zone.Box, WhiteBalance.None).Colour;
                    Assert.True(DeltaE2000.Between(own, zone.Reading.Colour) < 5, $"{seed} on {ground}: {zone.Zone} {own} became {zone.Reading.Colour}");
                }
            }
        }

        Assert.True(sure > 20, $"only {sure} places were sure");
    }

    /// <summary>Changes what is grey in a picture into another ground, a little mottled.</summary>
    private static Photograph OnGround(Photograph photo, (int R, int G, int B) ground, int seed, bool alsoPale = false)
    {
        var chance = new Random(seed);
        var rgb = photo.Rgb.ToArray();
        for (var i = 0; i < rgb.Length; i += 3)
        {
            if (Math.Max(rgb[i], Math.Max(rgb[i + 1], rgb[i + 2])) - Math.Min(rgb[i], Math.Min(rgb[i + 1], rgb[i + 2])) > 34 || (rgb[i] > 170 && !alsoPale))
                continue;
            var shade = 0.9 + 0.2 * chance.NextDouble();
            (rgb[i], rgb[i + 1], rgb[i + 2]) = ((byte)Math.Min(255, ground.R * shade), (byte)Math.Min(255, ground.G * shade), (byte)Math.Min(255, ground.B * shade));
        }

        return new Photograph(photo.Width, photo.Height, rgb);
    }
}
