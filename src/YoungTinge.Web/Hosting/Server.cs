using System.IO.Compression;
using Microsoft.AspNetCore.ResponseCompression;
using Microsoft.Extensions.FileProviders;
using Npgsql;
using Serilog;
using YoungTinge.Files.Pictures;
using YoungTinge.Store;
using YoungTinge.Store.Archives;
using YoungTinge.Web.Bench;
using YoungTinge.Web.Cabinet;
using YoungTinge.Web.Commissions;
using YoungTinge.Web.DustDay;
using YoungTinge.Web.Files;
using YoungTinge.Web.Flowers;
using YoungTinge.Web.LightBox;
using YoungTinge.Web.Logbook;
using YoungTinge.Web.Mixing;
using YoungTinge.Web.PasteDay;
using YoungTinge.Web.Pictures;
using YoungTinge.Web.Plan;
using YoungTinge.Web.Practice;
using YoungTinge.Web.Shared;
using YoungTinge.Web.Shared.Computing;
using YoungTinge.Web.Studios;
using YoungTinge.Web.Targets;
using YoungTinge.Web.Work;

namespace YoungTinge.Web.Hosting;

/// <summary>The web server: its services, its safety rules, and the places of the API.</summary>
public static class Server
{
    public const string ConnectionName = "Studio";

    /// <summary>A plan with all its coats is under 10 kB; nothing honest comes near this.</summary>
    private const long LargestBodyBytes = 256 * 1024;

    public static WebApplication Build(string[] args)
    {
        var builder = WebApplication.CreateBuilder(args);
        builder.Host.UseSerilog((context, log) => log
            .MinimumLevel.Information()
            .MinimumLevel.Override("Microsoft", Serilog.Events.LogEventLevel.Warning)
            .MinimumLevel.Override("Npgsql", Serilog.Events.LogEventLevel.Warning)
            .Enrich.FromLogContext()
            .ReadFrom.Configuration(context.Configuration)
            .WriteTo.Console(outputTemplate: RequestNumber.LogLine, formatProvider: System.Globalization.CultureInfo.InvariantCulture));
        Measured.Add(builder);
        builder.WebHost.ConfigureKestrel(kestrel =>
        {
            kestrel.Limits.MaxRequestBodySize = LargestBodyBytes;
            kestrel.AddServerHeader = false;
        });
        AddServices(builder);

        var app = builder.Build();
        app.UseMiddleware<RequestNumber>();
        app.UseMiddleware<SafeHeaders>();
        RequestNumber.Log(app);
        app.UseExceptionHandler();
        app.UseStatusCodePages(context => ApiProblem.ForStatus(context.HttpContext.Response.StatusCode).ExecuteAsync(context.HttpContext));
        app.UseResponseCompression();
        app.UseMiddleware<ReadableOnly>();
        app.UseMiddleware<SameOriginOnly>();
        app.UseMiddleware<CompressedFiles>();
        app.UseStaticFiles(new StaticFileOptions { OnPrepareResponse = CacheFiles.Prepare });
        app.UseMiddleware<OnWorkers>();
        MapPlaces(app);
        return app;
    }

    private static void AddServices(WebApplicationBuilder builder)
    {
        var services = builder.Services;
        services.AddNpgsqlDataSource(builder.Configuration.GetConnectionString(ConnectionName) ?? "", database =>
        {
            // The same few statements are asked all day: the database plans each of them once for a connection.
            database.ConnectionStringBuilder.MaxAutoPrepare = 50;
            // To open one more takes longer than to wait for one that answers in a millisecond.
            database.ConnectionStringBuilder.MinPoolSize = 4;
            database.ConnectionStringBuilder.MaxPoolSize = 16;
        });
        services.AddSingleton<StudioStore>().AddSingleton<CabinetStore>().AddSingleton<CommissionStore>().AddSingleton<PieceStore>()
            .AddSingleton<DoneStore>().AddSingleton<LogbookStore>().AddSingleton<BatchStore>().AddSingleton<PictureStore>().AddSingleton<PastePlanStore>().AddSingleton<FlowerWorksLoader>().AddScoped<PasteDayLoader>().AddSingleton<LeftoverStore>().AddSingleton(provider => new ArchiveStore(provider.GetRequiredService<NpgsqlDataSource>(), PictureFile.IsPicture))
            .AddSingleton<BinStore>().AddSingleton<CopyStore>().AddSingleton<StateStore>().AddSingleton<LaidPictureStore>().AddSingleton<WorkPlanStore>().AddSingleton<BenchStore>().AddSingleton<CalendarAddressStore>().AddSingleton<PracticeStore>();
        services.AddSingleton<Workers>().AddSingleton<KeptAnswers>().AddHostedService<WarmUp>();
        services.AddSingleton<PictureDesk>().AddSingleton<Reach>();
        services.AddSingleton<StudioWorks>();
        services.AddScoped<CurrentStudio>().AddScoped<FlowerPastePlans>();
        services.AddSingleton(TimeProvider.System);
        services.ConfigureHttpJsonOptions(json => PlanJson.Configure(json.SerializerOptions));
        services.Configure<RouteHandlerOptions>(routes => routes.ThrowOnBadRequest = true);
        services.AddProblemDetails();
        services.AddExceptionHandler<ApiProblemHandler>();
        services.AddOpenApi(OpenApiDocument.Configure);
        services.AddSingleton<DatabaseWatch>().AddHostedService(provider => provider.GetRequiredService<DatabaseWatch>());
        services.AddHealthChecks().AddCheck<DatabaseWatch>("database", tags: ["ready"]);
        services.AddResponseCompression(compression => compression.EnableForHttps = false);
        services.Configure<GzipCompressionProviderOptions>(gzip => gzip.Level = CompressionLevel.Fastest);
        services.Configure<BrotliCompressionProviderOptions>(brotli => brotli.Level = CompressionLevel.Fastest);
    }

    private static void MapPlaces(WebApplication app)
    {
        app.MapOpenApi(OpenApiDocument.Path);
        ApiPage.Map(app);
        app.MapHealthChecks("/health/live", new() { Predicate = check => !check.Tags.Contains("ready") });
        app.MapHealthChecks("/health/ready");

        var api = app.MapGroup("/api");
        ListCommissions.Map(api);
        GetFlower.Map(api);
        GetPiece.Map(api);
        SavePlan.Map(api);
        PreviewPlan.Map(api);
        GetReadyBatches.Map(api);
        ProposePlans.Map(api);
        ProposeTogether.Map(api);
        CoatOnto.Map(api);
        SavePlans.Map(api);
        GetFlowerLibrary.Map(api);
        GetCoatBeginnings.Map(api);
        ChangePieces.Map(api);
        SizePiece.Map(api);
        ChangeSpray.Map(api);
        ChangeFlowers.Map(api);
        ChangeAssembly.Map(api);
        ChangeCommissions.Map(api);
        Bin.Map(api);
        ShowBloom.Map(api);
        GetDustDay.Map(api);
        GetRunSheets.Map(api);
        TickOperations.Map(api);
        GetMixingTable.Map(api);
        FindRecipes.Map(api);
        LookAtRecipe.Map(api);
        RescueBatch.Map(api);
        PlanLetDown.Map(api);
        GetDoseLadder.Map(api);
        KeepBatch.Map(api);
        RemoveBatch.Map(api);
        ReadColour.Map(api);
        GetCabinet.Map(api);
        GetNeeds.Map(api);
        GetBench.Map(api);
        TakeNote.Map(api);
        BenchEvents.Map(api);
        GetPlan.Map(api);
        PlanWork.Map(api);
        PlanCalendar.Map(api);
        FindDuplicates.Map(api);
        GetMaterial.Map(api);
        SaveMaterial.Map(api);
        StarterJars.Map(api);
        RemoveMaterial.Map(api);
        WeighUnit.Map(api);
        CharacteriseColour.Map(api);
        ListStartingPoints.Map(api);
        PickByEye.Map(api);
        ShowWhorl.Map(api);
        CheckCohesion.Map(api);
        AddPicture.Map(api);
        GetPictures.Map(api);
        ReadPicture.Map(api);
        SavePictureMarks.Map(api);
        ReadDabOnBench.Map(api);
        PhotographFlower.Map(api);
        Downloads.Map(api);
        Imports.Map(api);
        Palettes.Map(api);
        Archive.Map(api);
        PlanOmbre.Map(api);
        PlanMarble.Map(api);
        GetPasteDay.Map(api);
        UseLeftover.Map(api);
        SaveSpares.Map(api);
        GetStudio.Map(api);
        SaveStudio.Map(api);
        ListBatches.Map(api);
        SaveCounts.Map(api);
        ListLogEntries.Map(api);
        AddLogEntry.Map(api);
        ChangeLogEntry.Map(api);
        WhatItTaught.Map(api);
        LogNext.Map(api);
        Practising.Map(api);
        GetJar.Map(api);
        api.MapFallback(NoSuchAddress.Answer);

        // Every other address is a page of the client, which finds its own way.
        if (app.Environment.WebRootFileProvider is not NullFileProvider)
            app.MapFallbackToFile("index.html", new StaticFileOptions { OnPrepareResponse = CacheFiles.Prepare });
    }
}
