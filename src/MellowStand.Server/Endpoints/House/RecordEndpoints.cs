using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;

namespace MellowStand.Server.Endpoints;

/// <summary>Which entries of the log are wanted; what is left out does not narrow.</summary>
/// <param name="Passage">A passage.</param>
/// <param name="Player">A player.</param>
/// <param name="Section">A section.</param>
/// <param name="Piece">A piece.</param>
/// <param name="From">The first day.</param>
/// <param name="To">The last day.</param>
public sealed record LogFilter(
    [FromQuery(Name = "passage")] long? Passage,
    [FromQuery(Name = "player")] long? Player,
    [FromQuery(Name = "section")] long? Section,
    [FromQuery(Name = "piece")] long? Piece,
    [FromQuery(Name = "from")] DateOnly? From,
    [FromQuery(Name = "to")] DateOnly? To
);

/// <summary>An entry of the log as a row of a table.</summary>
public sealed record LogTableRow(
    DateOnly Heard,
    string Player,
    string Section,
    string Piece,
    string Passage,
    string Unit,
    double Bpm,
    string Clean,
    string Note
);

/// <summary>One player: who they are, what they have, what was heard.</summary>
/// <param name="Player">The player.</param>
/// <param name="SectionName">Their section's name.</param>
/// <param name="LeftOn">The day they left, or null.</param>
/// <param name="Passages">What they have to play, with how far they are.</param>
/// <param name="Entries">All that was heard, newest first.</param>
/// <param name="Remarks">Remarks that were said to many and reach them too.</param>
/// <param name="Tests">Their results in tests.</param>
public sealed record PlayerRecord(
    PlayerView Player,
    string SectionName,
    DateOnly? LeftOn,
    IReadOnlyList<HasPassage> Passages,
    IReadOnlyList<LogView> Entries,
    IReadOnlyList<SharedRemarkView> Remarks,
    IReadOnlyList<TestResultView> Tests
);

/// <summary>What a test came to for a player.</summary>
public sealed record TestResultView(long Test, string Title, DateOnly Held, double? Percent, IReadOnlyList<string> Weakest, string Note);

/// <summary>A passage that a player has.</summary>
public sealed record HasPassage(PassageView Passage, ReadyView Ready);

/// <summary>Records: the log, filtered and out as CSV or JSON, and one player's page.</summary>
public static class RecordEndpoints
{
    private static readonly System.Text.Json.JsonSerializerOptions Plain = new(System.Text.Json.JsonSerializerDefaults.Web)
    {
        WriteIndented = true,
    };

    /// <summary>Maps the group.</summary>
    public static void MapRecords(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/log").WithTags("Hear");
        group.MapGet(
            "",
            ([AsParameters] LogFilter filter, PassageRepository p, LogRepository l, EnsembleRepository e) =>
                TypedResults.Ok(Read(filter, p, l, e))
        );
        api.MapGet(
                "/log.csv",
                ([AsParameters] LogFilter filter, PassageRepository p, LogRepository l, EnsembleRepository e) =>
                    TableEndpoints.Csv(typeof(LogTableRow), Rows(filter, p, l, e), "Records.csv")
            )
            .Produces<string>(200, "text/csv")
            .WithTags("Hear");
        api.MapGet("/log.json", Json).WithTags("Hear");
        api.MapGet("/ensemble/players/{player:long}/record", Player).WithTags("Hear");
    }

    /// <summary>Entries as the interface shows them.</summary>
    internal static IReadOnlyList<LogView> Views(PassageRepository passages, EnsembleRepository ensemble, IEnumerable<LogRow> log)
    {
        var titles = passages.All().ToDictionary(p => p.Id);
        var (people, sections) = (ensemble.Everyone(), ensemble.SectionNames());
        return
        [
            .. log.Select(l =>
            {
                var player = people.GetValueOrDefault(l.PlayerId);
                return new LogView(
                    l.Id,
                    l.PassageId,
                    titles.TryGetValue(l.PassageId, out var p) ? p.Title : "a passage taken back",
                    p?.PieceTitle ?? "",
                    l.PlayerId,
                    player?.Name ?? "a former player",
                    l.Unit,
                    l.Bpm,
                    l.Heard,
                    l.Note,
                    player is null ? "" : sections.GetValueOrDefault(player.SectionId, ""),
                    l.Clean,
                    l.Version
                );
            }),
        ];
    }

    private static IReadOnlyList<LogView> Read(LogFilter filter, PassageRepository passages, LogRepository log, EnsembleRepository ensemble)
    {
        var people = ensemble.Everyone();
        var ofPiece = filter.Piece is { } piece ? passages.All(piece).Select(p => p.Id).ToHashSet() : null;
        return Views(
            passages,
            ensemble,
            log.All(filter.Passage)
                .Where(l => filter.Player is null || l.PlayerId == filter.Player)
                .Where(l => filter.Section is null || people.GetValueOrDefault(l.PlayerId)?.SectionId == filter.Section)
                .Where(l => ofPiece?.Contains(l.PassageId) ?? true)
                .Where(l => (filter.From is null || l.Heard >= filter.From) && (filter.To is null || l.Heard <= filter.To))
        );
    }

    private static List<object> Rows(LogFilter filter, PassageRepository passages, LogRepository log, EnsembleRepository ensemble) =>
        [
            .. Read(filter, passages, log, ensemble)
                .Select(l => new LogTableRow(
                    l.Heard,
                    l.PlayerName,
                    l.Section,
                    l.PieceTitle,
                    l.PassageTitle,
                    l.Unit,
                    l.Bpm,
                    l.Clean ? "clean" : "not clean",
                    l.Note
                )),
        ];

    private static FileContentHttpResult Json(
        [AsParameters] LogFilter filter,
        PassageRepository passages,
        LogRepository log,
        EnsembleRepository ensemble
    ) =>
        TypedResults.File(
            System.Text.Json.JsonSerializer.SerializeToUtf8Bytes(Read(filter, passages, log, ensemble), Plain),
            "application/json",
            "Records.json"
        );

    private static Ok<PlayerRecord> Player(
        long player,
        EnsembleRepository ensemble,
        PassageRepository passages,
        LogRepository log,
        RemarkRepository remarks,
        TestRepository tests,
        TestViews views,
        ReadinessService readiness,
        TimeProvider clock
    )
    {
        var row = ensemble.Everyone().GetValueOrDefault(player) ?? throw Refusal.NotFound($"There is no player {player}.");
        var has = readiness
            .Of(passages.All())
            .Select(r => (r.Key, Own: r.Value.FirstOrDefault(x => x.Player.Id == player)))
            .Where(r => r.Own is not null)
            .ToDictionary(r => r.Key, r => r.Own!);
        return TypedResults.Ok(
            new PlayerRecord(
                EnsembleEndpoints.View(row),
                ensemble.SectionNames().GetValueOrDefault(row.SectionId, ""),
                row.LeftOn,
                [
                    .. passages
                        .All()
                        .Where(p => has.ContainsKey(p.Id))
                        .Select(p => new HasPassage(AssignEndpoints.View(p, clock), ReadinessEndpoints.View(has[p.Id]))),
                ],
                Read(new LogFilter(null, player, null, null, null, null), passages, log, ensemble),
                [.. remarks.All().Where(r => r.Players.Contains(player)).Select(SharedRemarkEndpoints.View)],
                [.. tests.All().Where(t => t.Marks.Any(m => m.Player == player)).Select(views.Of).Select(t => Result(t, player))]
            )
        );
    }

    private static TestResultView Result(TestView test, long player)
    {
        var own = test.Players.First(p => p.Player == player);
        return new TestResultView(test.Id, test.Title, test.Held, own.Percent, own.Weakest, own.Note);
    }
}
