using YoungTinge.Force;

// Tries the real server by force: fuzz N hostile requests, faults N kills, archive N pictures; or records what the API answers, to compare other code with. Ends with how many were right and how many were not.
return args switch
{
    ["fuzz", var requests] => await FuzzAsync(int.Parse(requests)),
    ["faults", var kills] => await FaultsAsync(int.Parse(kills)),
    ["archive", var pictures] => await ArchiveAsync(int.Parse(pictures)),
    ["answers", var folder] => await AnswersAsync(folder),
    _ => Usage(),
};

static int Usage()
{
    Console.Error.WriteLine("fuzz N | faults N | archive PICTURES | answers FOLDER");
    return 2;
}

static async Task<int> FuzzAsync(int requests)
{
    // With a new demo now and then: what was taken out cannot be asked about.
    const int inOneGo = 5000;
    var seed = Environment.TickCount;
    Console.WriteLine($"seed {seed}");
    var (statuses, faults, errors, slowest) = (new SortedDictionary<int, int>(), new List<FuzzFault>(), new List<string>(), (Seconds: 0.0, Request: ""));
    for (var done = 0; done < requests; done += inOneGo)
    {
        await using var demo = await DemoServer.StartAsync();
        var report = await new Fuzzer(await demo.EverybodyAsync(), seed + done).RunAsync(Math.Min(inOneGo, requests - done));
        foreach (var (status, count) in report.ByStatus)
            statuses[status] = statuses.GetValueOrDefault(status) + count;
        faults.AddRange(report.Faults);
        errors.AddRange(demo.Server.Errors);
        if (report.SlowestSeconds > slowest.Seconds)
            slowest = (report.SlowestSeconds, report.Slowest);
        Console.WriteLine($"{Math.Min(requests, done + inOneGo)} ...");
    }

    foreach (var (status, count) in statuses)
        Console.WriteLine($"{(status == 0 ? "no answer" : status)}: {count}");
    Console.WriteLine($"slowest: {slowest.Seconds:0.00} s {slowest.Request[..Math.Min(200, slowest.Request.Length)]}");
    foreach (var fault in faults.DistinctBy(fault => fault.What + fault.Request.Split('?', ' ')[1]).Take(40))
        Console.WriteLine($"{fault.What}: {fault.Request}");
    foreach (var error in errors.DistinctBy(error => string.Join('\n', error.Split('\n').Skip(1).Take(3))).Take(20))
        Console.WriteLine(string.Join('\n', error.Split('\n').Where(line => !line.Contains("Microsoft.AspNetCore", StringComparison.Ordinal)).Take(9)));
    Console.WriteLine($"{requests - faults.Count} passed, {faults.Count} failed");
    return faults.Count == 0 ? 0 : 1;
}

static async Task<int> FaultsAsync(int kills)
{
    await using var demo = await DemoServer.StartAsync();
    var report = await new Faults(demo, Environment.TickCount).RunAsync(kills, done =>
    {
        if (done % 25 == 0)
            Console.WriteLine($"{done} kills ...");
    });
    foreach (var lost in report.Lost.Take(40))
        Console.WriteLine($"lost: {lost}");
    Console.WriteLine($"{report.Kills} kills, {report.Acknowledged} acknowledged changes");
    Console.WriteLine($"{report.Acknowledged - report.Lost.Count} passed, {report.Lost.Count} failed");
    return report.Lost.Count == 0 ? 0 : 1;
}

static async Task<int> ArchiveAsync(int pictures)
{
    const double mostMegabytes = 600;
    await using var demo = await DemoServer.StartAsync();
    var report = await new LargeArchive(demo).RunAsync(pictures);
    Console.WriteLine($"{report.Bytes / 1e6:0} MB out in {report.OutSeconds:0.0} s, in in {report.InSeconds:0.0} s with {report.ProgressLines} words of progress; the server took {report.PeakMegabytes:0} MB at most");
    var isRight = report.IsSame && report.PeakMegabytes < mostMegabytes;
    Console.WriteLine(isRight ? "1 passed, 0 failed" : "0 passed, 1 failed");
    return isRight ? 0 : 1;
}

static async Task<int> AnswersAsync(string folder)
{
    await using var demo = await DemoServer.StartAsync();
    var answers = new Answers(demo, folder);
    if (!answers.IsRecorded)
    {
        Console.WriteLine($"{await answers.RecordAsync()} answers recorded in {folder}; run it again to compare with them");
        return 0;
    }

    var report = await answers.CompareAsync();
    foreach (var difference in report.Differences)
        Console.WriteLine(difference);
    Console.WriteLine($"{report.Asked - report.Differences.Count} passed, {report.Differences.Count} failed");
    return report.Differences.Count == 0 ? 0 : 1;
}
