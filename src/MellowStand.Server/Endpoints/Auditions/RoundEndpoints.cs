using MellowStand.Core.Auditions;
using MellowStand.Core.Hear;
using MellowStand.Server.Answers;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>Who auditions on what.</summary>
public sealed record CandidateAsk(long Player, string? Instrument);

/// <summary>Everybody who auditions.</summary>
/// <param name="Candidates">All of them.</param>
/// <param name="Version">The version of the set that was seen.</param>
public sealed record CandidatesRequest(IReadOnlyList<CandidateAsk>? Candidates, int? Version);

/// <summary>What was handed out.</summary>
/// <param name="Passages">Numbers of the new passages.</param>
/// <param name="Linked">How many of an earlier round count too.</param>
public sealed record HandedOutView(IReadOnlyList<long> Passages, int Linked);

/// <summary>A passage of a candidate.</summary>
/// <param name="Passage">The passage.</param>
/// <param name="Piece">The piece.</param>
/// <param name="Title">What it is called.</param>
/// <param name="From">Label of the first measure.</param>
/// <param name="To">Label of the last measure.</param>
/// <param name="Readiness"><c>ready</c>, <c>onTrack</c>, … as in Hear.</param>
/// <param name="Chance">Chance that it is ready by its date, or null.</param>
/// <param name="Words">The chance in words.</param>
public sealed record CandidatePassageView(
    long Passage,
    long Piece,
    string Title,
    string From,
    string To,
    string Readiness,
    double? Chance,
    string Words
);

/// <summary>How far a candidate is for a round.</summary>
/// <param name="Round">The round.</param>
/// <param name="Low">At least this likely, or null where too little was heard.</param>
/// <param name="High">At most this likely.</param>
/// <param name="Told">Passages of which a forecast can be told.</param>
/// <param name="Words">The chance in words.</param>
/// <param name="Passages">The passages, the weakest first.</param>
public sealed record CandidateRoundView(
    long Round,
    double? Low,
    double? High,
    int Told,
    string Words,
    IReadOnlyList<CandidatePassageView> Passages
);

/// <summary>A candidate with every round.</summary>
public sealed record CandidateReadinessView(CandidateView Candidate, IReadOnlyList<CandidateRoundView> Rounds);

/// <summary>A line of the recording check list.</summary>
public sealed record TakeLineView(string Name, string Words);

/// <summary>The recording check list of an instrument in a round.</summary>
/// <param name="Instrument">Instrument id of the catalog.</param>
/// <param name="InstrumentName">The instrument.</param>
/// <param name="Seconds">Length of a take with all pieces.</param>
/// <param name="Lines">The lines.</param>
public sealed record TakeListView(string Instrument, string InstrumentName, double Seconds, IReadOnlyList<TakeLineView> Lines);

/// <summary>Rounds and candidates of a set.</summary>
public static class RoundEndpoints
{
    private const int MostCandidates = 300;

    /// <summary>Maps the routes under a set.</summary>
    public static void MapRounds(this RouteGroupBuilder sets)
    {
        sets.MapPut("/{set:long}/candidates", Candidates);
        sets.MapGet("/{set:long}/readiness", Ready).KeepAnswer(Rests.Candidates);
        sets.MapPost("/{set:long}/rounds/{round:long}/handout", HandOut);
        sets.MapGet("/{set:long}/rounds/{round:long}/takes", Takes).KeepAnswer(Rests.Sets);
    }

    /// <summary>The round of a set.</summary>
    /// <exception cref="Refusal">There is none.</exception>
    internal static RoundRow Find(AuditionRow set, long round) =>
        set.Rounds.FirstOrDefault(r => r.Id == round)
        ?? throw Refusal.NotFound($"There is no round {round} in {set.Name}. Load the set again.");

    private static Ok<AuditionView> Candidates(
        long set,
        CandidatesRequest request,
        AuditionDesk desk,
        AuditionRepository auditions,
        EnsembleRepository ensemble,
        AuditionViews views,
        TimeProvider clock
    )
    {
        var row = desk.Find(set);
        var players = ensemble.Players().Select(p => p.Id).ToHashSet();
        var asked = request.Candidates ?? [];
        if (asked.Count > MostCandidates)
            throw Refusal.BadRequest($"A set has at most {MostCandidates} candidates.");
        if (asked.Any(c => c is null || !players.Contains(new PlayerId(c.Player))))
            throw Refusal.NotFound("A player is not in the ensemble any more. Load the page again.");
        var rows = asked.Select(c => new CandidateRow(0, new PlayerId(c.Player), PieceImport.Instrument(c.Instrument))).Distinct().ToList();
        auditions.Candidates(row.Id, rows, Versions.Seen(request.Version), clock.GetUtcNow()).Demand("This set");
        return TypedResults.Ok(views.Of(desk.Find(set)));
    }

    private static Created<HandedOutView> HandOut(long set, long round, AuditionDesk desk, HandOutDesk hands)
    {
        var row = desk.Find(set);
        var (made, linked) = hands.HandOut(row, Find(row, round));
        return TypedResults.Created($"/api/auditions/{set}/readiness", new HandedOutView(made.Values(), linked));
    }

    private static Ok<IEnumerable<CandidateReadinessView>> Ready(
        long set,
        AuditionDesk desk,
        CandidateDesk candidates,
        EnsembleRepository ensemble
    )
    {
        var row = desk.Find(set);
        var (players, sections) = (ensemble.Everyone(), ensemble.SectionNames());
        return TypedResults.Ok(
            candidates
                .Of(row)
                .Where(c => players.ContainsKey(c.Candidate.Player))
                .OrderBy(c => players[c.Candidate.Player].SectionId.Value)
                .ThenBy(c => players[c.Candidate.Player].Chair)
                .Select(c => new CandidateReadinessView(
                    AuditionViews.Candidate(c.Candidate, players[c.Candidate.Player], sections),
                    [.. c.Rounds.Select(View)]
                ))
        );
    }

    private static Ok<IEnumerable<TakeListView>> Takes(long set, long round, AuditionDesk desk, PieceDesk pieces)
    {
        var row = desk.Find(set);
        var asked = Find(row, round);
        var way = asked.Way == "by-piece" ? TakeWay.ByPiece : TakeWay.OneTake;
        var open = pieces.Open(row.Entries.Select(e => e.Piece));
        return TypedResults.Ok(
            row.Entries.Where(e => open.ContainsKey(e.Piece) && e.Asked.Any(a => a.Round == round))
                .GroupBy(e => e.Instrument)
                .Select(g =>
                    (
                        Instrument: g.Key,
                        Pieces: g.OrderBy(e => EntryKinds.PlaceOf(e.Kind)).Select(e => Take(e, round, open[e.Piece])).ToList()
                    )
                )
                .Select(g => new TakeListView(
                    g.Instrument,
                    AuditionViews.NameOf(g.Instrument),
                    TakeCheckList.Seconds(g.Pieces),
                    [.. TakeCheckList.Of(way, asked.Screened, g.Pieces).Select(l => new TakeLineView(l.Name, l.Words))]
                ))
        );
    }

    private static TakePiece Take(EntryRow entry, long round, OpenPiece piece)
    {
        var asked = entry.Asked.First(a => a.Round == round);
        var kind = EntryKinds.Find(entry.Kind)?.Words ?? entry.Kind;
        var title = asked.From.Length + asked.To.Length == 0 ? kind : $"{kind}, measures {asked.From}–{asked.To}";
        return EntryCounts.Range(piece, asked) is { } range
            ? new TakePiece(title, EntryCounts.Seconds(piece, entry, range.From, range.To))
            : new TakePiece(title, 0);
    }

    private static CandidateRoundView View(CandidateRound r) =>
        new(
            r.Round.Id,
            r.Chance.Low,
            r.Chance.High,
            r.Chance.Told,
            Words(r.Chance),
            [
                .. r.Passages.Select(p => new CandidatePassageView(
                    p.Passage.Id.Value,
                    p.Passage.PieceId,
                    $"{EntryKinds.Find(p.Entry.Kind)?.Words ?? p.Entry.Kind}: {p.Passage.Title}",
                    p.Passage.Place.From.Label,
                    p.Passage.Place.To.Label,
                    ReadinessEndpoints.NameOf(p.Forecast.Readiness),
                    p.Forecast.Chance,
                    p.Forecast.Chance is { } chance ? Chances.Words(chance) : "too little heard"
                )),
            ]
        );

    private static string Words(CandidateChance chance) =>
        chance switch
        {
            { Passages: 0 } => "nothing handed out",
            { High: null } => "too little heard",
            { Told: var told, Passages: var all } when told < all =>
                $"at most {Chances.Words(chance.High!.Value)}; {all - told} not heard enough",
            _ when Chances.Words(chance.Low!.Value) == Chances.Words(chance.High!.Value) => Chances.Words(chance.High.Value),
            _ => $"{Chances.Words(chance.Low!.Value)} to {Chances.Words(chance.High!.Value)}",
        };
}
