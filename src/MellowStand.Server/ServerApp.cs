using System.Globalization;
using MellowStand.Server.Answers;
using MellowStand.Server.Endpoints;
using MellowStand.Server.Pages;
using MellowStand.Server.Security;
using MellowStand.Server.Services;
using MellowStand.Storage;
using MellowStand.Storage.Keeping;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Http.Features;
using Serilog;

namespace MellowStand.Server;

/// <summary>Puts the server together.</summary>
public static class ServerApp
{
    /// <summary>Builds the server; <c>--data DIR</c>, <c>--port N</c>, <c>--host NAME</c> (names it answers under besides loopback's, with
    /// commas), <c>--web DIR</c> (the built front end), <c>--demo true</c> and <c>--today DAY</c> are read from the arguments.</summary>
    public static WebApplication Build(string[] args)
    {
        var web = new ConfigurationBuilder().AddCommandLine(args).Build()["web"];
        var builder = WebApplication.CreateBuilder(
            new WebApplicationOptions
            {
                Args = args,
                ContentRootPath = AppContext.BaseDirectory,
                WebRootPath = web is null ? null : Path.GetFullPath(web),
            }
        );
        var options = ServerOptions.From(builder.Configuration);
        FreePort.Check(options.Port);
        var folder = DataFolder.Take(options.Data);
        builder.Services.AddSingleton(options).AddSingleton(_ => folder);
        builder.Services.AddSerilog(log =>
            log.MinimumLevel.Information()
                .MinimumLevel.Override("Microsoft.AspNetCore", Serilog.Events.LogEventLevel.Warning)
                .WriteTo.Console(formatProvider: CultureInfo.InvariantCulture)
                .WriteTo.File(
                    Path.Combine(options.Data, "logs", "stand-.log"),
                    rollingInterval: RollingInterval.Day,
                    retainedFileCountLimit: 14,
                    formatProvider: CultureInfo.InvariantCulture
                )
        );
        builder.WebHost.ConfigureKestrel(k =>
        {
            k.Limits.MaxRequestBodySize = ServerOptions.MaxRequestBytes;
            k.AddServerHeader = false;
        });
        if (options.Port is { } port)
            builder.WebHost.UseUrls($"http://127.0.0.1:{port}");
        AddServices(builder);
        var app = Built(builder, folder);
        Use(app);
        app.MapAll();
        if (options.Port is not null)
            app.Lifetime.ApplicationStarted.Register(() =>
                Console.WriteLine($"Mellow Stand is at {string.Join(", ", app.Urls)} (Ctrl-C stops it)\nData: {folder.Path}")
            );
        app.Services.GetRequiredService<UpgradeService>().Run();
        if (options.Demo && app.Services.GetRequiredService<DemoSwitch>().WithSchool)
            app.Services.GetRequiredService<DemoSchool>().Fill();
        return app;
    }

    // The folder is let go when the server ends, or when it could not be put together.
    private static WebApplication Built(WebApplicationBuilder builder, DataFolder folder)
    {
        try
        {
            var app = builder.Build();
            _ = app.Services.GetRequiredService<DataFolder>();
            _ = app.Services.GetRequiredService<Database>();
            return app;
        }
        catch
        {
            folder.Dispose();
            throw;
        }
    }

    private static void AddServices(WebApplicationBuilder builder)
    {
        var services = builder.Services;
        services.AddSingleton(s => SetDayClock.At(s.GetRequiredService<ServerOptions>().Today));
        services.AddSingleton(new DemoSwitch(true));
        services.AddSingleton(s => new Database(s.GetRequiredService<DataFolder>().Database));
        services
            .AddSingleton<PieceRepository>()
            .AddSingleton<DecisionRepository>()
            .AddSingleton<EnsembleRepository>()
            .AddSingleton<PassageRepository>()
            .AddSingleton<LogRepository>()
            .AddSingleton<RemarkRepository>()
            .AddSingleton<TestRepository>()
            .AddSingleton<AuditionRepository>()
            .AddSingleton<AnswerRepository>()
            .AddSingleton<MockRepository>()
            .AddSingleton<CalendarRepository>()
            .AddSingleton<SeasonRepository>()
            .AddSingleton<PracticeRepository>()
            .AddSingleton<HouseRepository>()
            .AddSingleton<EditionRepository>()
            .AddSingleton<ChartRepository>()
            .AddSingleton<PieceStateRepository>()
            .AddSingleton<QuietRepository>()
            .AddSingleton<SeatRepository>()
            .AddSingleton<FiguresRepository>()
            .AddSingleton<UpgradeRepository>()
            .AddSingleton<SessionRepository>();
        services
            .AddSingleton<PieceDesk>()
            .AddSingleton<Decide>()
            .AddSingleton<PieceImport>()
            .AddSingleton<PassageDesk>()
            .AddSingleton<WhoPlaysDesk>()
            .AddSingleton<EditionService>()
            .AddSingleton<PlaceByHand>()
            .AddSingleton<UpgradeService>()
            .AddSingleton<DemoSchool>()
            .AddSingleton<DemoSeason>()
            .AddSingleton<DemoAudition>()
            .AddSingleton<Sessions>()
            .AddSingleton<ReadinessService>()
            .AddSingleton<CalendarDesk>()
            .AddSingleton<LearningTimes>()
            .AddSingleton<SeasonDesk>()
            .AddSingleton<RehearsalDesk>()
            .AddSingleton<WindowTempos>()
            .AddSingleton<CutDesk>()
            .AddSingleton<ScaleDesk>()
            .AddSingleton<AuditionDesk>()
            .AddSingleton<AuditionViews>()
            .AddSingleton<EntryCounts>()
            .AddSingleton<AnswerDesk>()
            .AddSingleton<CandidateDesk>()
            .AddSingleton<HandOutDesk>()
            .AddSingleton<MockViews>()
            .AddSingleton<LogDesk>()
            .AddSingleton<SeasonViews>()
            .AddSingleton<TestViews>()
            .AddSingleton<GoalTempos>()
            .AddSingleton<PencilService>()
            .AddSingleton<ShelfService>()
            .AddSingleton<PdfPrinter>()
            .AddSingleton<MadePrints>()
            .AddSingleton<Jobs>()
            .AddHostedService(s => s.GetRequiredService<Jobs>());
        services.Configure<FormOptions>(f => f.MultipartBodyLengthLimit = ServerOptions.MaxRequestBytes);
        services.Configure<RouteHandlerOptions>(r => r.ThrowOnBadRequest = true);
        services.ConfigureHttpJsonOptions(j =>
            j.SerializerOptions.NumberHandling = System.Text.Json.Serialization.JsonNumberHandling.Strict
        );
        services.AddProblemDetails();
        services.AddExceptionHandler<ProblemSentences>();
        services.AddOpenApi(
            "v1",
            o =>
            {
                o.AddDocumentTransformer(
                    (document, _, _) =>
                    {
                        document.Info.Title = "Mellow Stand";
                        document.Servers?.Clear();
                        return Task.CompletedTask;
                    }
                );
                WhoMayCall.Add(o);
            }
        );
        services.AddResponseCompression();
        services.AddSignInLimit();
        services.AddAuthorization();
        services.AddAuthentication(CookieAuthenticationDefaults.AuthenticationScheme).AddCookie(SignInCookie.Configure);
        services.AddDataProtectionKeys();
    }

    private static void Use(WebApplication app)
    {
        app.UseExceptionHandler();
        app.UseStatusCodePages(ProblemSentences.ForStatus);
        app.UseMiddleware<SecurityHeaders>();
        app.UseMiddleware<HostCheck>();
        app.UseResponseCompression();
        app.UseDefaultFiles();
        app.UseMiddleware<PackedAssets>();
        app.UseStaticFiles(PackedAssets.Files);
        app.UseRouting();
        app.UseMiddleware<CharsetCheck>();
        app.UseMiddleware<OriginCheck>();
        app.UseRateLimiter();
        app.UseAuthentication();
        app.UseMiddleware<DemoDirector>();
        app.UseAuthorization();
        app.UseMiddleware<AnswerKeeper>();
    }
}
