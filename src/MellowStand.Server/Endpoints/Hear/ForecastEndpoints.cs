using MellowStand.Core.Hear;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>A tempo that was heard.</summary>
/// <param name="Day">The day.</param>
/// <param name="QuarterBpm">Quarters a minute.</param>
/// <param name="Clean">False for a try that failed; true when left out.</param>
public sealed record ForecastEntry(DateOnly Day, double QuarterBpm, bool? Clean = null);

/// <summary>What a forecast is asked for.</summary>
/// <param name="Entries">What was heard.</param>
/// <param name="Goal">The goal in quarters a minute.</param>
/// <param name="Due">The date.</param>
public sealed record ForecastRequest(IReadOnlyList<ForecastEntry>? Entries, double Goal, DateOnly Due);

/// <summary>A forecast; what nobody can tell is null.</summary>
/// <param name="Readiness"><c>early</c>, <c>on-time</c>, <c>late</c> or <c>cannot-tell</c>.</param>
/// <param name="Entries">How many entries it rests on.</param>
/// <param name="Chance">Chance that the goal is clean by the date, 0 to 1.</param>
/// <param name="Low">Quarters a minute: in one of ten cases the clean tempo of the date lies below.</param>
/// <param name="High">In one of ten cases it lies above.</param>
/// <param name="ReadyOn">The day on which the goal is as likely clean as not.</param>
/// <param name="PerWeek">Gain a week.</param>
/// <param name="Why">The reason with its numbers.</param>
public sealed record ForecastView(
    string Readiness,
    int Entries,
    double? Chance,
    double? Low,
    double? High,
    DateOnly? ReadyOn,
    double? PerWeek,
    string Why
);

/// <summary>Hear: a forecast from numbers alone; nothing is kept.</summary>
public static class ForecastEndpoints
{
    private const double Fastest = 1000;
    private const int MostEntries = 400;

    /// <summary>Maps the group.</summary>
    public static void MapForecast(this RouteGroupBuilder api) => api.MapPost("/forecast", Of).WithTags("Hear");

    private static Ok<ForecastView> Of(ForecastRequest request)
    {
        var entries = request.Entries ?? [];
        if (entries.Count > MostEntries)
            throw Refusal.BadRequest($"A forecast takes at most {MostEntries} entries. Send the newest.");
        Check(request.Goal, "The goal");
        foreach (var entry in entries)
            Check((entry ?? throw Refusal.BadRequest("An entry is empty. Leave it out.")).QuarterBpm, "An entry");
        var forecast = Forecaster.Of(
            [.. entries.Select(e => new HeardTempo(e.Day, e.QuarterBpm, e.Clean ?? true))],
            request.Goal,
            request.Due
        );
        return TypedResults.Ok(
            new ForecastView(
                ReadinessEndpoints.NameOf(forecast.Readiness),
                forecast.Entries,
                forecast.Chance,
                forecast.Low,
                forecast.High,
                forecast.ReadyOn,
                forecast.BpmPerWeek,
                forecast.Why
            )
        );
    }

    private static void Check(double bpm, string what)
    {
        if (!double.IsFinite(bpm) || bpm is <= 0 or > Fastest)
            throw Refusal.BadRequest($"{what} is more than 0 and at most {Fastest} quarters a minute.");
    }
}
