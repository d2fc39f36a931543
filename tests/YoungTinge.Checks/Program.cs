using System.Diagnostics;
using System.Globalization;
using System.Text.Json;
using YoungTinge.Checks;
using YoungTinge.Core.Cabinet;
using YoungTinge.Core.Colour;
using YoungTinge.Core.Flowers;
using YoungTinge.Core.Mixing;
using YoungTinge.Core.Pictures;
using YoungTinge.Devices;
using YoungTinge.Files.Pictures;

CultureInfo.CurrentCulture = CultureInfo.InvariantCulture;
return args switch
{
    ["vectors", var file] => Vectors(file),
    ["finder", var file] => Finder(file),
    ["plan", var file] => Plan(file),
    ["learning", "times", var readings, var jars] => LearningTimesOf(int.Parse(readings), int.Parse(jars)),
    ["learning", var file] => Learning(LearningCheck.Run(Read(file), StarterCabinet.Load())),
    ["learning", "studios", var studios, var readings] => Learning(Enumerable.Range(1, int.Parse(studios)).Select(seed => LearningTrials.Of(int.Parse(readings), seed, StarterCabinet.Load()))),
    ["learning", "finishes", var studios, var readings] => Finishes(int.Parse(studios), int.Parse(readings)),
    ["schedules", var designs, var pieces, var makers, var days, var effort] => Schedules(int.Parse(designs), int.Parse(pieces), int.Parse(makers), int.Parse(days), double.Parse(effort)),
    ["agreement", var targets, var colourants, var most] => Agreement(int.Parse(targets), int.Parse(colourants), int.Parse(most)),
    ["timing", var targets, var colourants, var most] => Timing(int.Parse(targets), int.Parse(colourants), int.Parse(most)),
    ["recovery", var targets, var colourants, var most] => Recovery(int.Parse(targets), int.Parse(colourants), int.Parse(most)),
    ["dabs", var trials, var dabs] => DabTrialsOf(int.Parse(trials), int.Parse(dabs)),
    ["flowers", "library"] => FlowerPictures(FlowerPictureTrials.Library, FlowerPictureTrials.OfLibrary),
    ["flowers", var trials] => FlowerPictures(int.Parse(trials), FlowerPictureTrials.Random),
    ["photographs", var folder] => Photographs(folder),
    ["steadiness", var pieces] => Steadiness(int.Parse(pieces)),
    ["planning", var pieces] => Planning(int.Parse(pieces)),
    _ => Usage(),
};

static int Planning(int pieces)
{
    // Once for the compiler, before the clock runs.
    _ = PlanningTimes.Of(1).Count();
    var all = PlanningTimes.Of(pieces).ToList();
    foreach (var way in all.GroupBy(one => one.Approach))
        Console.WriteLine($"{way.Key}: {way.Average(one => one.Milliseconds):0} ms, worst zone {way.Average(one => one.WorstDeltaE):0.00}, zones {way.Average(one => one.MeanDeltaE):0.00}, cost {way.Average(one => one.Cost):0.0}, coats {way.Average(one => one.Coats):0.0}, materials {way.Average(one => one.Jars):0.0}, {way.Count()} plans");
    Tell("one after the other", all.GroupBy(one => one.Piece).Select(piece => piece.Sum(one => one.Milliseconds)));
    Tell("beside each other", PlanningTimes.SideBySide(pieces));
    return 0;

    static void Tell(string how, IEnumerable<double> milliseconds)
    {
        var sorted = milliseconds.Order().ToList();
        Console.WriteLine($"all ways of a piece, {how}: median {sorted[sorted.Count / 2]:0} ms, mean {sorted.Average():0} ms, longest {sorted[^1]:0} ms");
    }
}

static int Finishes(int studios, int readings)
{
    var all = Enumerable.Range(1, studios).Select(seed => FinishTrials.Of(readings, seed, StarterCabinet.Load())).ToList();
    Tell("as planned", LearningResult.All([.. all.Select(one => one.Before)]));
    Tell($"after {readings} zones", LearningResult.All([.. all.Select(one => one.After)]));
    foreach (var part in all.SelectMany(one => one.Hand).GroupBy(one => one.Known.Part))
    {
        var off = part.Select(one => Math.Abs(Math.Log(one.Known.Times.Times / one.Truth))).Order().ToList();
        Console.WriteLine($"{part.Key}: half within {100 * (Math.Exp(off[off.Count / 2]) - 1):0} %, true in the stated range {part.Count(one => one.Truth >= one.Known.Times.Low && one.Truth <= one.Known.Times.High)} of {off.Count}");
    }

    return 0;

    static void Tell(string when, LearningResult result) =>
        Console.WriteLine($"{when}: median {result.Median:0.00}, 95 % {result.NinetyFive:0.00}, in the stated range {100 * result.WithinShare:0} %, {result.Seconds:0.00} s");
}

static int Steadiness(int pieces)
{
    var all = PlanningTimes.Steadiness(pieces, 0.25).ToList();
    foreach (var way in all.GroupBy(one => one.Approach))
    {
        var moved = way.Select(one => one.WorstMoved).Order().ToList();
        Console.WriteLine($"{way.Key}: same materials {way.Count(one => one.IsSame)} of {way.Count()}, worst zone moves {moved[moved.Count / 2]:0.00} in the median, under 0.5 in {moved.Count(one => one < 0.5)}, at most {moved[^1]:0.00}");
    }

    return 0;
}

static int Vectors(string file)
{
    var results = new VectorCheck(Read(file), StarterCabinet.Load()).Run();
    Console.WriteLine($"{results.Count} cases");
    foreach (var operation in results.GroupBy(result => result.Operation))
    {
        var worst = operation.SelectMany(result => result.Deviations).GroupBy(deviation => deviation.Quantity)
            .Select(quantity => $"{quantity.Key} {quantity.Max(deviation => deviation.Error):0.0e+0}");
        Console.WriteLine($"{operation.Key}: {operation.Count()} cases, worst error: {string.Join(", ", worst)}");
    }

    foreach (var result in results.Where(result => !result.Passes))
        Console.WriteLine($"FAILED {result.Id}: {string.Join(", ", result.Deviations.Where(d => d.Fails).Select(d => $"{d.Quantity} {d.Error:0.0e+0} (allowed {d.Tolerance:0.0e+0})"))}");
    return Close(results.Count(result => result.Passes), results.Count);
}

static int Finder(string file)
{
    var check = new FinderCheck(Read(file), StarterCabinet.Load());
    check.Run(); // Once to warm up: the time that counts is that of a running server.
    var results = check.Run();
    Console.WriteLine($"{results.Count} cases");
    foreach (var result in results.Where(result => !result.Passes))
        Console.WriteLine($"FAILED {result.How}: {result.Excess:0.000} over the best known");
    if (results.Count > 0)
    {
        Console.WriteLine($"worst excess over bestDeltaE2000: {results.Max(result => result.Excess):0.0000}");
        Console.WriteLine($"median time: {results.Select(result => result.Took.TotalMilliseconds).Order().ElementAt(results.Count / 2):0.0} ms");
    }

    return Close(results.Count(result => result.Passes), results.Count);
}

static int Plan(string file)
{
    var results = new List<ScheduleResult>();
    foreach (var result in ScheduleCheck.Run(Read(file)))
    {
        results.Add(result);
        var (plan, verdict) = (result.Schedule, result.Faults.Count == 0 ? "holds" : string.Join("; ", result.Faults));
        Console.WriteLine($"{result.Id}: {plan.Status.ToString().ToLowerInvariant()}, late {plan.LateMin} min, finish {plan.FinishMin}, bound {plan.LateBoundMin} late and {plan.FinishBoundMin}, {result.Seconds:0.00} s, {verdict}{(result.Passes ? "" : $" FAILED: best is {result.BestLateMin} late, finish {result.BestFinishMin}")}");
    }

    return Close(results.Count(result => result.Passes), results.Count);
}

static int Learning(IEnumerable<LearningResult> found)
{
    var results = found.ToList();
    foreach (var result in results.Append(LearningResult.All(results)))
        Console.WriteLine($"{result.Id}: {result.Readings} readings, median {result.Median:0.000}, 95 % {result.NinetyFive:0.000}, within the 90 % range {result.WithinShare:0.0%}, {result.Seconds:0.000} s");
    var all = LearningResult.All(results);
    bool[] measures = [all.Median <= LearningCheck.MostMedian, all.NinetyFive <= LearningCheck.MostNinetyFive, all.WithinShare is >= LearningCheck.LeastWithin and <= LearningCheck.MostWithin];
    return Close(measures.Count(met => met), measures.Length);
}

static int LearningTimesOf(int readings, int jars)
{
    var (all, oneMore, apart) = LearningTimes.Of(readings, jars, StarterCabinet.Load());
    Console.WriteLine($"{readings} readings of {jars} jars: {all:0.000} s; one more: {oneMore:0.000} s, strengths within {apart:0.0000000} of those learned anew");
    return 0;
}

static int Schedules(int designs, int pieces, int makers, int days, double effort)
{
    var (tasks, plan, seconds, faults) = SchedulingTimes.Of(designs, pieces, makers, days, effort);
    Console.WriteLine($"{tasks} tasks: {plan.Status}, late {plan.LateMin} (bound {plan.LateBoundMin}), finish {plan.FinishMin} (bound {plan.FinishBoundMin}), {seconds:0.0} s");
    foreach (var fault in faults)
        Console.WriteLine(fault);
    return Close(faults.Count == 0 ? 1 : 0, 1);
}

static int Agreement(int targets, int colourants, int most)
{
    var results = new AgreementCheck(WideCabinet.With(colourants), most).Run(targets, Console.WriteLine);
    return Close(results.Count(result => result.Passes), results.Count);
}

static int Timing(int targets, int colourants, int most)
{
    var cabinet = WideCabinet.With(colourants);
    var times = AgreementCheck.RandomTargets(targets).Concat(AgreementCheck.RandomTargets(targets)).Select(target =>
    {
        var clock = Stopwatch.StartNew();
        var best = RecipeFinder.Find(cabinet, new RecipeSearch("bright-white-paste", target, 100) { MostColourants = most })[0];
        return (Ms: clock.Elapsed.TotalMilliseconds, IsThere: best.Difference.DeltaE < 0.05);
    }).Skip(targets).ToList(); // Twice, the first time to warm up.
    foreach (var (what, some) in new[] { ("all", times), ("within reach", times.FindAll(time => time.IsThere)), ("out of reach", times.FindAll(time => !time.IsThere)) })
    {
        var sorted = some.Select(time => time.Ms).Order().ToList();
        Console.WriteLine($"{what}: {sorted.Count} targets, median {sorted[sorted.Count / 2]:0} ms, nine in ten under {sorted[sorted.Count * 9 / 10]:0} ms, most {sorted[^1]:0} ms");
    }

    return 0;
}

static int Recovery(int targets, int colourants, int most)
{
    const double recovered = 0.1;
    var cabinet = WideCabinet.With(colourants);
    var misses = AgreementCheck.RecipeTargets(targets, cabinet, most).AsParallel()
        .Select(target => RecipeFinder.Find(cabinet, new RecipeSearch("bright-white-paste", target, 100) { MostColourants = most })[0].Difference.DeltaE).ToList();
    Console.WriteLine($"{targets} colours made from recipes, worst {misses.Max():0.000}");
    return Close(misses.Count(miss => miss < recovered), targets);
}

static int DabTrialsOf(int trials, int dabs)
{
    const double within = 1.5;
    foreach (var withReader in new[] { false, true })
    {
        var results = DabTrials.Run(trials, dabs, withReader);
        var sorted = results.Select(trial => trial.Miss).Order().ToList();
        Console.WriteLine($"{(withReader ? "colour reader" : "light box")}, {dabs} dabs: median {sorted[trials / 2]:0.00}, nine in ten under {sorted[trials * 9 / 10]:0.00}, worst {sorted[^1]:0.00}; within {within}: {sorted.Count(miss => miss < within)} of {trials}");
        foreach (var trial in results.Where(trial => trial.Miss >= within))
            Console.WriteLine($"  seed {trial.Seed}, {trial.Colour}: {trial.Miss:0.00} (fit {trial.WorstFit:0.00})");
    }

    return 0;
}

static int FlowerPictures(int trials, Func<int, LitFlower> flower)
{
    const double within = 3;
    var results = FlowerPictureTrials.Run(trials, flower);
    foreach (var zone in results[0].Misses.Keys)
    {
        var misses = results.Select(trial => trial.Misses[zone]).OfType<double>().Order().ToList();
        Console.WriteLine($"{zone}: proposed in {misses.Count} of {trials}, median {misses[misses.Count / 2]:0.00}, worst {misses[^1]:0.00}, within {within}: {misses.Count(miss => miss < within)}");
    }

    Console.WriteLine($"light doubted without cause in {results.Count(trial => trial.LightDoubts > 0)}");
    var whole = results.Count(trial => trial.Misses.Values.All(miss => miss < within));
    foreach (var trial in results.Where(trial => !trial.Misses.Values.All(miss => miss < within)))
        Console.WriteLine($"  {trial.Seed}: {string.Join(", ", trial.Misses.Select(miss => $"{miss.Key} {miss.Value:0.0}"))}");
    return Close(whole, trials);
}

// Real photographs: what is called sure, by estimate as well as taken as it is, against the file's own patch mean.
static int Photographs(string folder)
{
    const double within = 5;
    var (sure, far) = (0, 0);
    foreach (var path in Directory.EnumerateFiles(folder).Where(path => path.EndsWith(".jpg", StringComparison.OrdinalIgnoreCase) || path.EndsWith(".png", StringComparison.OrdinalIgnoreCase)).Order())
    {
        if (PictureFile.Read(File.ReadAllBytes(path)) is not PictureResult.Read read)
            continue;
        Console.Write($"{Path.GetFileName(path),-20} {(read.SaysItsColours ? "profile" : "       ")}");
        foreach (var marks in new[] { PictureLight.Estimated, PictureLight.AsItIs })
        {
            var light = LightReading.Of(read.Photo, marks);
            var unasked = FlowerDivision.Of(read.Photo, light, SeenAs.Bloom);
            var zones = new[] { (0.5, 0.5), (0.35, 0.4), (0.65, 0.6) }
                .SelectMany(at => FlowerDivision.Of(read.Photo, light, SeenAs.Bloom, new MeantFlower(new PicturePoint(at.Item1, at.Item2), [])).Zones).Where(zone => zone.IsSure).ToList();
            var misses = zones.ConvertAll(zone => DeltaE2000.Between(PatchReader.Read(read.Photo, zone.Box, WhiteBalance.None).Colour, zone.Reading.Colour));
            (sure, far) = (sure + misses.Count, far + misses.Count(miss => miss > within));
            Console.Write($" | {(marks.AsIs ? "as it is" : $"estimated, white off by {light.UnsureDeltaE?.ToString("0.0", CultureInfo.InvariantCulture) ?? "?"}")}: {(unasked.IsClear ? "clear" : "asks")}, {misses.Count} sure, worst {misses.DefaultIfEmpty(0).Max():0.0}");
        }

        Console.WriteLine();
    }

    return Close(sure - far, sure);
}

static JsonElement Read(string file) => JsonDocument.Parse(File.ReadAllText(file)).RootElement;

static int Close(int passed, int all)
{
    Console.WriteLine($"{passed} passed, {all - passed} failed");
    return passed == all ? 0 : 1;
}

static int Usage()
{
    Console.Error.WriteLine("vectors FILE | finder FILE | plan FILE | agreement|timing|recovery TARGETS COLOURANTS MOST | dabs TRIALS DABS | flowers TRIALS|library | photographs FOLDER");
    return 2;
}
