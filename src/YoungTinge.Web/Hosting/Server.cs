using System.IO.Compression;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.DataProtection.KeyManagement;
using Microsoft.AspNetCore.HttpOverrides;
using Microsoft.AspNetCore.ResponseCompression;
using Microsoft.Extensions.FileProviders;
using Npgsql;
using Serilog;
using YoungTinge.Files.Pictures;
using YoungTinge.Store;
using YoungTinge.Store.Archives;
using YoungTinge.Store.People;
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
using YoungTinge.Web.People;
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
            // Keys lie in the database like all else that is kept; whoever may read that has everything anyway.
            .MinimumLevel.Override("Microsoft.AspNetCore.DataProtection", Serilog.Events.LogEventLevel.Error)
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
        app.UseForwardedHeaders();
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
        app.UseRouting();
        app.UseMiddleware<SignInAfresh>();
        app.UseAuthentication();
        app.UseRateLimiter();
        app.UseAuthorization();
        app.UseMiddleware<AntiForgery>();
        app.UseMiddleware<ComeIn>();
        app.UseMiddleware<AuditTrail>();
        app.UseMiddleware<OnWorkers>();
        MapPlaces(app);
        return app;
    }

    private static void AddServices(WebApplicationBuilder builder)
    {
        var services = builder.Services;
        services.AddSingleton(new StudioDatabases(builder.Configuration.GetConnectionString(ConnectionName) ?? ""));
        AddStores(services);
        AddPeople(builder);
        services.AddSingleton<Workers>().AddSingleton<KeptAnswers>().AddHostedService<WarmUp>();
        services.AddSingleton<UnpackedPictures>().AddSingleton<Reach>().AddSingleton<KeptWorks>();
        services.AddSingleton<BackupMaker>().AddHostedService<BackupClock>();
        services.AddScoped<CurrentStudio>().AddScoped<StudioWorks>().AddScoped<PictureDesk>().AddScoped<FlowerPastePlans>().AddScoped<FlowerWorksLoader>().AddScoped<PasteDayLoader>();
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

    /// <summary>What is kept of the studio that a request works in: it never gets to see another.</summary>
    private static void AddStores(IServiceCollection services)
    {
        Add(database => new StudioStore(database));
        Add(database => new CommissionStore(database));
        Add(database => new PieceStore(database));
        Add(database => new DoneStore(database));
        Add(database => new LogbookStore(database));
        Add(database => new BatchStore(database));
        Add(database => new PictureStore(database));
        Add(database => new PastePlanStore(database));
        Add(database => new LeftoverStore(database));
        Add(database => new ArchiveStore(database, PictureFile.IsPicture));
        Add(database => new BackupStore(database));
        Add(database => new BinStore(database));
        Add(database => new CopyStore(database));
        Add(database => new LaidPictureStore(database));
        Add(database => new WorkPlanStore(database));
        Add(database => new BenchStore(database));
        Add(database => new CalendarAddressStore(database));
        Add(database => new PracticeStore(database));
        Add(database => new PersonStore(database));
        Add(database => new SessionStore(database));
        Add(database => new OneTimeCodeStore(database));
        Add(database => new GuestAddressStore(database));
        Add(database => new AuditStore(database));
        services.AddScoped(provider => provider.GetRequiredService<CurrentStudio>().Database.Cabinet);

        void Add<T>(Func<NpgsqlDataSource, T> make) where T : class => services.AddScoped(provider => make(provider.GetRequiredService<CurrentStudio>().Database.DataSource));
    }

    /// <summary>Who may come in, and what each may do.</summary>
    private static void AddPeople(WebApplicationBuilder builder)
    {
        var services = builder.Services;
        services.AddSingleton<Passwords>().AddSingleton(DoorSettings.From(builder.Configuration));
        services.AddDataProtection().SetApplicationName("young-tinge");
        services.AddOptions<KeyManagementOptions>().Configure<StudioDatabases>((keys, databases) => keys.XmlRepository = new ProtectionKeys(databases));
        services.AddAuthentication(Nobody.ByAddress).AddNobodyElsewhere().AddCookie(cookie =>
        {
            cookie.Cookie.Name = "young-tinge";
            cookie.Cookie.HttpOnly = true;
            cookie.Cookie.SameSite = SameSiteMode.Lax;
            cookie.Cookie.SecurePolicy = CookieSecurePolicy.SameAsRequest;
            cookie.ExpireTimeSpan = SessionStore.Longest;
            cookie.SlidingExpiration = true;
            // A page of the client asks for itself what to show; nobody is sent anywhere.
            cookie.Events.OnRedirectToLogin = context => ApiProblem.ForStatus(StatusCodes.Status401Unauthorized).ExecuteAsync(context.HttpContext);
            cookie.Events.OnRedirectToAccessDenied = context => ApiProblem.ForStatus(StatusCodes.Status403Forbidden).ExecuteAsync(context.HttpContext);
        });
        services.AddOptions<CookieAuthenticationOptions>(CookieAuthenticationDefaults.AuthenticationScheme)
            .Configure<StudioDatabases, TimeProvider>((cookie, databases, clock) => cookie.SessionStore = new SessionTickets(databases, clock));
        services.AddAuthorization(AccessRules.Configure);
        services.AddAntiforgery(forgery =>
        {
            forgery.HeaderName = ForgeryWord.Header;
            forgery.Cookie.Name = ForgeryWord.SealedCookie;
            forgery.Cookie.SecurePolicy = CookieSecurePolicy.SameAsRequest;
            // Pages may not be framed at all, see SafeHeaders.
            forgery.SuppressXFrameOptionsHeader = true;
        });
        services.AddRateLimiter(RequestLimits.Configure);
        // A proxy on this machine says who asked it, and whether over https.
        services.Configure<ForwardedHeadersOptions>(forwarded => forwarded.ForwardedHeaders = ForwardedHeaders.XForwardedFor | ForwardedHeaders.XForwardedProto);
    }

    private static void MapPlaces(WebApplication app)
    {
        app.MapOpenApi(OpenApiDocument.Path);
        ApiPage.Map(app);
        app.MapHealthChecks("/health/live", new() { Predicate = check => !check.Tags.Contains("ready") });
        app.MapHealthChecks("/health/ready");

        var api = app.MapGroup("/api");
        api.AskWhoMay();
        SigningIn.Map(api);
        UseCode.Map(api);
        BeginStudio.Map(api);
        Me.Map(api);
        ManagePeople.Map(api);
        ReadAudit.Map(api);
        ShowToGuest.Map(api);
        Backups.Map(api);
        ResetDemo.Map(api);
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
        GetLastBegin.Map(api);
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
        ReadPasteOnBench.Map(api);
        PhotographFlower.Map(api);
        PhotographMade.Map(api);
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
        PredictLogEntry.Map(api);
        ChangeLogEntry.Map(api);
        StandLogEntry.Map(api);
        UnmendLogEntry.Map(api);
        WhatItTaught.Map(api);
        LogNext.Map(api);
        MakeAgain.Map(api);
        GetHand.Map(api);
        GetDryTimes.Map(api);
        Practising.Map(api);
        GetJar.Map(api);
        api.MapFallback(NoSuchAddress.Answer);

        // Every other address is a page of the client, which finds its own way.
        if (app.Environment.WebRootFileProvider is not NullFileProvider)
            app.MapFallbackToFile("index.html", new StaticFileOptions { OnPrepareResponse = CacheFiles.Prepare });
    }
}
