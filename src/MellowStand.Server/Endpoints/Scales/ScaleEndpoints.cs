using MellowStand.Core.Instruments;
using MellowStand.Core.Scales;
using MellowStand.Server.Services;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>Scales and arpeggios of any instrument: as music to look at, and as a piece to work on.</summary>
public static class ScaleEndpoints
{
    /// <summary>Maps the group.</summary>
    public static void MapScales(this RouteGroupBuilder api)
    {
        api.MapGet("/scales.musicxml", One).Produces<string>(200, ExportEndpoints.MusicXml).WithTags("Scales");
        var group = api.MapGroup("/scales").WithTags("Scales");
        group.MapGet("", Choices);
        group.MapGet("/keys", Keys);
        group.MapGet("/list.musicxml", List).Produces<string>(200, ExportEndpoints.MusicXml);
        group.MapPost("", Keep);
    }

    private static FileContentHttpResult One([AsParameters] ScaleQuery query, ScaleDesk desk, string? kind = null, string? tonic = null) =>
        File(desk.Write(query.Of([new ScaleAsk(kind, tonic, query.Octaves)])));

    // Kinds and tonics with commas between them: every kind on every tonic, to look at before it is kept.
    private static FileContentHttpResult List(
        [AsParameters] ScaleQuery query,
        ScaleDesk desk,
        string? kinds = null,
        string? tonics = null
    ) => File(desk.Write(query.Of([.. Words(kinds).SelectMany(k => Words(tonics).Select(t => new ScaleAsk(k, t, query.Octaves)))])));

    private static string[] Words(string? list) => (list ?? "").Split(',', StringSplitOptions.RemoveEmptyEntries);

    private static Ok<ScaleChoicesView> Choices(ScaleDesk desk) =>
        TypedResults.Ok(
            new ScaleChoicesView(
                [.. ScaleKinds.All.Select(k => new ScaleChoiceView(k.Name, k.Words))],
                [.. ScaleRhythms.All.Select(r => r.Name)],
                [.. ScaleSlurs.All.Select(s => new ScaleChoiceView(s.Name, s.Words))],
                WrittenRanges.Levels,
                desk.Level
            )
        );

    private static Ok<IEnumerable<KeyView>> Keys(ScaleDesk desk, string? instrument = null, string? kind = null, string? level = null)
    {
        var own = ScaleDesk.Instrument(instrument);
        var ranges = WrittenRanges
            .Levels.SkipWhile(l => l != desk.KnownLevel(level))
            .Select(l => (Level: l, Range: desk.Range(own, l)))
            .ToList();
        return TypedResults.Ok(
            KeyOrders
                .Of(own, ScaleDesk.Kind(kind ?? ScaleKinds.All[0].Name))
                .Select(k =>
                {
                    var (at, span) = ranges
                        .Select(r => (r.Level, Span: ScaleSpan.Of(k.Written, r.Range, null)))
                        .FirstOrDefault(r => r.Span is not null);
                    var wider = at is null || at == ranges[0].Level ? null : at;
                    return new KeyView(k.Concert.Key, k.Written.Name, k.Signs, span?.Most ?? 0, wider);
                })
        );
    }

    // From here on a list of scales is a piece like any other: studied, fingered, handed out, heard, printed.
    private static Created<PieceView> Keep(
        ScaleListRequest request,
        ScaleDesk desk,
        PieceImport import,
        PieceDesk pieces,
        TimeProvider clock
    )
    {
        var (title, music) = desk.Write(request);
        var id = import.Keep(new ImportWish($"{title}.musicxml", "etude", "Scales", null, []), music, null);
        return TypedResults.Created($"/api/pieces/{id}", PieceView.Of(pieces.Open(id), clock.Today()));
    }

    private static FileContentHttpResult File((string Title, byte[] Music) made) =>
        TypedResults.File(made.Music, ExportEndpoints.MusicXml, $"{made.Title}.musicxml");
}
