using MellowStand.Server.Answers;
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

/// <summary>Some entries of the log, newest first.</summary>
/// <param name="Entries">The entries of this page.</param>
/// <param name="Total">How many there are on all pages.</param>
/// <param name="Page">The page, from 1.</param>
/// <param name="Size">Entries a page.</param>
public sealed record LogPage(IReadOnlyList<LogView> Entries, int Total, int Page, int Size);

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
    IReadOnlyList<PlayerPassageView> Passages,
    IReadOnlyList<LogView> Entries,
    IReadOnlyList<SharedRemarkView> Remarks,
    IReadOnlyList<TestResultView> Tests
);

/// <summary>What a test came to for a player.</summary>
public sealed record TestResultView(long Test, string Title, DateOnly Held, double? Percent, IReadOnlyList<string> Weakest, string Note);

/// <summary>A passage that a player has.</summary>
public sealed record PlayerPassageView(PassageView Passage, ReadyView Ready);

/// <summary>Records: the log, filtered and out as CSV or JSON, and one player's page.</summary>
public static class RecordEndpoints
{
    private const int UsualPage = 50;
    private const int LongestPage = 500;

    private static readonly System.Text.Json.JsonSerializerOptions Plain = new(System.Text.Json.JsonSerializerDefaults.Web)
    {
        WriteIndented = true,
    };

    /// <summary>Maps the group.</summary>
    public static void MapRecords(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/log").WithTags("Hear");
        group
            .MapGet("", ([AsParameters] LogFilter filter, LogRepository log) => TypedResults.Ok(Read(filter, log)))
            .KeepAnswer(Rests.Records);
        group.MapGet("/pages", Pages).KeepAnswer(Rests.Records);
        api.MapGet(
                "/log.csv",
                ([AsParameters] LogFilter filter, LogRepository log) =>
                    TableEndpoints.Csv(typeof(LogTableRow), Rows(filter, log), "Records.csv")
            )
            .KeepAnswer(Rests.Records)
            .Produces<string>(200, "text/csv")
            .WithTags("Hear");
        api.MapGet("/log.json", Json).KeepAnswer(Rests.Records).WithTags("Hear");
        api.MapGet("/ensemble/players/{player:long}/record", Player).KeepAnswer(Rests.Readiness).WithTags("Hear");
    }

    private static LogQuery Query(LogFilter f) =>
        new(
            f.Passage is { } passage ? new PassageId(passage) : null,
            f.Player is { } player ? new PlayerId(player) : null,
            f.Section is { } section ? new SectionId(section) : null,
            f.Piece,
            f.From,
            f.To
        );

    private static IReadOnlyList<LogView> Read(LogFilter filter, LogRepository log) =>
        [.. log.Read(Query(filter)).Select(LogEndpoints.View)];

    // Some thousand entries a year: a page of records shows the newest and turns back.
    private static Ok<LogPage> Pages([AsParameters] LogFilter filter, LogRepository log, int? page = null, int? size = null)
    {
        var most = size ?? UsualPage;
        if (most is < 1 or > LongestPage || page is < 1)
            throw Refusal.BadRequest($"Pages count from 1 and have 1 to {LongestPage} entries.");
        var query = Query(filter);
        var entries = log.Read(query, ((page ?? 1) - 1) * most, most).Select(LogEndpoints.View);
        return TypedResults.Ok(new LogPage([.. entries], log.Count(query), page ?? 1, most));
    }

    private static List<object> Rows(LogFilter filter, LogRepository log) =>
        [
            .. Read(filter, log)
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

    private static FileContentHttpResult Json([AsParameters] LogFilter filter, LogRepository log) =>
        TypedResults.File(
            System.Text.Json.JsonSerializer.SerializeToUtf8Bytes(Read(filter, log), Plain),
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
        var row = ensemble.Everyone().GetValueOrDefault(new PlayerId(player)) ?? throw Refusal.NotFound($"There is no player {player}.");
        var own = passages.All().Where(p => p.IsFor(row)).ToList();
        var ready = readiness.Of(own);
        return TypedResults.Ok(
            new PlayerRecord(
                EnsembleEndpoints.View(row),
                ensemble.SectionNames().GetValueOrDefault(row.SectionId, ""),
                row.LeftOn,
                [
                    .. own.Select(p => (Passage: p, Ready: ready[p.Id].FirstOrDefault(r => r.Player.Id == row.Id)))
                        .Where(p => p.Ready is not null)
                        .Select(p => new PlayerPassageView(AssignEndpoints.View(p.Passage, clock), ReadinessEndpoints.View(p.Ready!))),
                ],
                [.. log.Read(new LogQuery(Player: row.Id)).Select(LogEndpoints.View)],
                [.. remarks.All().Where(r => r.Players.Contains(row.Id)).Select(SharedRemarkEndpoints.View)],
                [.. views.Of([.. tests.All().Where(t => t.Marks.Any(m => m.Player == row.Id))]).Select(t => Result(t, player))]
            )
        );
    }

    private static TestResultView Result(TestView test, long player)
    {
        var own = test.Players.First(p => p.Player == player);
        return new TestResultView(test.Id, test.Title, test.Held, own.Percent, own.Weakest, own.Note);
    }
}
