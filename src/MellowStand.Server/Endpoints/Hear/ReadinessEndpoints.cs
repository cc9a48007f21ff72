using MellowStand.Core.Hear;
using MellowStand.Core.Study;
using MellowStand.Server.Answers;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>What the curve to the date says of a player.</summary>
/// <param name="Player">The player.</param>
/// <param name="Name">Their name.</param>
/// <param name="Section">Their section.</param>
/// <param name="State"><c>early</c>, <c>on-time</c>, <c>late</c> or <c>cannot-tell</c>.</param>
/// <param name="Entries">How many entries it rests on.</param>
/// <param name="LastQuarterBpm">The newest clean tempo in quarters a minute, or null.</param>
/// <param name="Chance">Chance that the goal is clean by the date, 0 to 1, or null.</param>
/// <param name="Low">In one of ten cases the clean tempo of the date lies below, or null.</param>
/// <param name="High">In one of ten cases it lies above, or null.</param>
/// <param name="ReadyOn">The day on which the goal is as likely clean as not, or null.</param>
/// <param name="PerWeek">Gain a week, or null.</param>
/// <param name="AtDate">The middle of what is expected on the date, or null.</param>
/// <param name="Why">The reason with its numbers.</param>
public sealed record ReadyView(
    long Player,
    string Name,
    string Section,
    string State,
    int Entries,
    double? LastQuarterBpm,
    double? Chance,
    double? Low,
    double? High,
    DateOnly? ReadyOn,
    double? PerWeek,
    double? AtDate,
    string Why
);

/// <summary>Whether a section has a passage by the date.</summary>
/// <param name="Section">The section.</param>
/// <param name="Name">Its name.</param>
/// <param name="Chance">Chance that all but the allowed number are ready, or null where nobody of it can be told.</param>
/// <param name="Players">How many have it.</param>
/// <param name="Told">Of how many of them can be told.</param>
/// <param name="MayMiss">How many may miss it, by the house.</param>
public sealed record SectionChanceView(long Section, string Name, double? Chance, int Players, int Told, int MayMiss);

/// <summary>A passage with how far its sections and players are.</summary>
public sealed record PassageReadinessView(PassageView Passage, IReadOnlyList<SectionChanceView> Sections, IReadOnlyList<ReadyView> Players);

/// <summary>Something that gives.</summary>
public sealed record GiveView(string What, string Why);

/// <summary>One day of a fan.</summary>
public sealed record FanView(DateOnly Day, double Low, double Middle, double High);

/// <summary>What is expected of a player in a passage, day by day.</summary>
public sealed record PlayerFanView(ReadyView Ready, double Goal, IReadOnlyList<FanView> Fan);

/// <summary>Something to fix, offered by one key.</summary>
/// <param name="Key">The digit that writes it.</param>
/// <param name="Words">The words.</param>
public sealed record FixView(int Key, string Words);

/// <summary>Hear: who will be ready.</summary>
public static class ReadinessEndpoints
{
    private const int FanDays = 24;
    private const int MostFixes = 9;
    private const int LongestFix = 70;

    private static readonly Dictionary<Readiness, string> States = new()
    {
        [Readiness.CannotTell] = "cannot-tell",
        [Readiness.Early] = "early",
        [Readiness.OnTime] = "on-time",
        [Readiness.Late] = "late",
    };

    /// <summary>A readiness as the interface names it.</summary>
    internal static string NameOf(Readiness readiness) => States[readiness];

    /// <summary>Maps the group.</summary>
    public static void MapReadiness(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/passages/{passage:long}").WithTags("Hear");
        group
            .MapGet(
                "/readiness",
                (long passage, PassageRepository passages, ReadinessService readiness) =>
                    TypedResults.Ok(readiness.Of(passages.Get(passage)).Select(View))
            )
            .KeepAnswer(Rests.Readiness);
        group.MapGet("/players/{player:long}/fan", Fan).KeepAnswer(Rests.Readiness);
        group.MapGet("/gives", Gives).KeepAnswer(Rests.Readiness);
        group.MapGet("/fixes", Fixes).KeepAnswer(Rests.Readiness);
        api.MapGet("/pieces/{id:long}/readiness", OfPiece).KeepAnswer(Rests.Readiness).WithTags("Hear");
    }

    /// <summary>What the curve to the date says of a player, as the interface shows it.</summary>
    internal static ReadyView View(PlayerReadiness r) =>
        new(
            r.Player.Id.Value,
            r.Player.Name,
            r.Section.Name,
            States[r.Readiness],
            r.Forecast.Entries,
            r.LastClean,
            r.Forecast.Chance,
            r.Forecast.Low,
            r.Forecast.High,
            r.Forecast.ReadyOn,
            r.Forecast.BpmPerWeek,
            r.Forecast.AtDate,
            r.Forecast.Why
        );

    private static Ok<IReadOnlyList<PassageReadinessView>> OfPiece(
        long id,
        PieceDesk desk,
        PassageRepository passages,
        ReadinessService readiness,
        HouseRepository house,
        TimeProvider clock
    )
    {
        _ = desk.Row(id);
        var (handed, rules) = (passages.All(id), house.House());
        var ready = readiness.Of(handed);
        return TypedResults.Ok<IReadOnlyList<PassageReadinessView>>([
            .. handed.Select(p => new PassageReadinessView(
                AssignEndpoints.View(p, clock),
                [.. ready[p.Id].GroupBy(r => r.Section.Id).Select(g => Section(rules, [.. g]))],
                [.. ready[p.Id].Select(View)]
            )),
        ]);
    }

    private static SectionChanceView Section(Core.HouseRules.House house, IReadOnlyList<PlayerReadiness> players)
    {
        var chance = SectionReadiness.Of(house, [.. players.Select(p => p.Forecast.Chance)]);
        var section = players[0].Section;
        return new SectionChanceView(section.Id.Value, section.Name, chance.Chance, chance.Players, chance.Told, chance.MayMiss);
    }

    private static Ok<PlayerFanView> Fan(long passage, long player, PassageRepository passages, ReadinessService readiness)
    {
        var row = passages.Get(passage);
        var own =
            readiness.Of(row).FirstOrDefault(r => r.Player.Id.Value == player)
            ?? throw Refusal.NotFound("This player does not have this passage. Load the page again.");
        var fan = Forecaster.Fan(own.Heard, row.Goal.QuarterBpm, row.Due, FanDays, own.Prior);
        return TypedResults.Ok(
            new PlayerFanView(View(own), row.Goal.QuarterBpm, [.. fan.Select(f => new FanView(f.Day, f.Low, f.Middle, f.High))])
        );
    }

    private static Ok<IReadOnlyList<GiveView>> Gives(
        long passage,
        PassageRepository passages,
        ReadinessService readiness,
        LearningTimes times,
        HouseRepository house,
        long section
    )
    {
        var row = passages.Get(passage);
        var players = readiness.Of(row).Where(r => r.Section.Id.Value == section).ToList();
        if (players.Count == 0)
            return TypedResults.Ok<IReadOnlyList<GiveView>>([]);
        var gives = WhatGives.Of(
            house.House(),
            [.. players.Select(p => p.Heard)],
            row.Goal.QuarterBpm,
            row.Due,
            times.Of(row, 1).Measures,
            players[0].Prior,
            new(row.Goal.Unit.Quarters)
        );
        return TypedResults.Ok<IReadOnlyList<GiveView>>([.. gives.Select(g => new GiveView(g.What, g.Why))]);
    }

    // The passage's own findings, in the order in which a director reads them.
    private static Ok<IReadOnlyList<FixView>> Fixes(long passage, PassageRepository passages, QuietRepository quiets, PieceDesk desk)
    {
        var row = passages.Get(passage);
        if (!row.IsPlaced)
            return TypedResults.Ok<IReadOnlyList<FixView>>([]);
        var piece = desk.Open(row.PieceId);
        var quiet = Quiet.Of(quiets, piece);
        return TypedResults.Ok<IReadOnlyList<FixView>>([
            .. piece
                .Layer.Findings.Where(f =>
                    f.Severity >= Severity.Warn && row.Place.HasAny(f.Parts) && row.Place.Meets(f.From, f.To) && !quiet.Holds(f)
                )
                .OrderBy(f => piece.Layer.Ranks[f.Id])
                .Select(f => $"{piece.Label(f.From)}: {f.InWordsOf(row.Place.Parts, piece.Layer.Study.NameOf).Title}")
                .Where(w => w.Length <= LongestFix)
                .Distinct()
                .Take(MostFixes)
                .Select((w, i) => new FixView(i + 1, w)),
        ]);
    }
}
