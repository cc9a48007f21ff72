using MellowStand.Core.Instruments;
using MellowStand.Core.Tempo;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;

namespace MellowStand.Server.Endpoints;

/// <summary>What can be changed about a piece of a set.</summary>
/// <param name="Instrument">Instrument id of the catalog.</param>
/// <param name="Kind">Kind of piece.</param>
/// <param name="Unit">Beat unit of the tempo that is asked.</param>
/// <param name="Slowest">Lower end of the tempo, or null.</param>
/// <param name="Quickest">Upper end, or null.</param>
/// <param name="Errata">What the organisers have corrected.</param>
/// <param name="Asked">What each round asks of it; a round that is left out asks nothing.</param>
/// <param name="Version">The version that was seen.</param>
public sealed record EntryEdit(
    string? Instrument,
    string? Kind,
    string? Unit,
    double? Slowest,
    double? Quickest,
    string? Errata,
    IReadOnlyList<AskedView>? Asked,
    int? Version
);

/// <summary>A piece of the shelf to put into a set.</summary>
public sealed record ShelfEntryAsk(long Piece, string? Instrument, string? Kind);

/// <summary>An etude to borrow.</summary>
/// <param name="Instrument">Instrument id of the borrower.</param>
/// <param name="Reading"><c>written</c> for the same written notes, <c>sounding</c> for the same sound.</param>
/// <param name="Octaves">Octaves up, or down when negative; proposed when left out.</param>
public sealed record BorrowRequest(string? Instrument, string? Reading, int? Octaves = null);

/// <summary>A note out of range.</summary>
public sealed record BeyondView(string Measure, string Pitch);

/// <summary>How an instrument would take an etude.</summary>
/// <param name="Octaves">Octaves proposed, or asked for.</param>
/// <param name="Beyond">Notes outside its range.</param>
/// <param name="Why">In words.</param>
public sealed record BorrowView(int Octaves, IReadOnlyList<BeyondView> Beyond, string Why);

/// <summary>The pieces of a set.</summary>
public static class EntryEndpoints
{
    private const double MostBpm = 400;

    /// <summary>Maps the routes under a set.</summary>
    public static void MapEntries(this RouteGroupBuilder sets)
    {
        var group = sets.MapGroup("/{set:long}/entries");
        group.MapPost("", Add);
        group.MapPost("/file", AddFile).DisableAntiforgery();
        group.MapPut("/{entry:long}", Edit);
        group.MapDelete("/{entry:long}", Remove);
        group.MapPost("/{entry:long}/restore", Restore);
        group.MapGet("/{entry:long}/borrow", Plan);
        group.MapPost("/{entry:long}/borrow", Borrow);
    }

    private static Created<AuditionView> Add(long set, ShelfEntryAsk ask, AuditionDesk desk, AuditionViews views)
    {
        var wish = new EntryWish("", PieceImport.Instrument(ask.Instrument), AuditionEndpoints.Kind(ask.Kind));
        desk.Add(desk.Find(set), ask.Piece, wish);
        return Made(set, desk, views);
    }

    private static Created<AuditionView> AddFile(
        long set,
        IFormFile file,
        [FromForm] string? instrument,
        [FromForm] string? kind,
        AuditionDesk desk,
        AuditionViews views
    )
    {
        var (name, bytes) = Upload.Bytes(file);
        var read = desk.Read(name, bytes);
        var wish = new EntryWish(name, PieceImport.Instrument(instrument ?? read.Guess.Instrument?.Id), kind ?? read.Guess.Kind);
        desk.Add(desk.Find(set), read, wish with { Kind = AuditionEndpoints.Kind(wish.Kind) });
        return Made(set, desk, views);
    }

    private static Ok<AuditionView> Edit(long set, long entry, EntryEdit edit, AuditionDesk desk, AuditionViews views)
    {
        var row = desk.Find(set);
        var there = AuditionDesk.Entry(row, entry);
        var unit =
            BeatUnit.Find(edit.Unit ?? there.Unit.Name)
            ?? throw Refusal.BadRequest("The unit is quarter, eighth, half or the like.");
        if (edit.Slowest is <= 0 or > MostBpm || edit.Quickest is <= 0 or > MostBpm || edit.Slowest > edit.Quickest)
            throw Refusal.BadRequest($"The tempo goes from a slower to a quicker number, each more than 0 and at most {MostBpm}.");
        var asked = (edit.Asked ?? []).Select(a => Asked(row, a)).ToList();
        if (asked.DistinctBy(a => a.Round).Count() != asked.Count)
            throw Refusal.BadRequest("A round asks for a piece once. Leave the second line out.");
        var next = there with
        {
            Instrument = PieceImport.Instrument(edit.Instrument),
            Kind = AuditionEndpoints.Kind(edit.Kind),
            Unit = unit,
            Slowest = edit.Slowest,
            Quickest = edit.Quickest,
            Errata = Names.CleanOrNull(edit.Errata) ?? "",
            Asked = asked,
            Version = Versions.Seen(edit.Version),
        };
        desk.Edit(there, next).Demand("This piece");
        return TypedResults.Ok(views.Of(desk.Find(set)));
    }

    private static NoContent Remove(long set, long entry, AuditionDesk desk, AuditionRepository auditions, TimeProvider clock)
    {
        var there = AuditionDesk.Entry(desk.Find(set), entry);
        auditions.RemoveEntry(there.Id, clock.GetUtcNow());
        return TypedResults.NoContent();
    }

    private static NoContent Restore(long set, long entry, AuditionDesk desk, AuditionRepository auditions)
    {
        _ = desk.Find(set);
        return auditions.RestoreEntry(entry)
            ? TypedResults.NoContent()
            : throw Refusal.NotFound("This piece was not taken out of the set, so it cannot be put back.");
    }

    private static Ok<BorrowView> Plan(
        long set,
        long entry,
        AuditionDesk desk,
        string? instrument = null,
        string? reading = null,
        int? octaves = null
    )
    {
        var (piece, _, plan) = desk.PlanToBorrow(desk.Find(set), entry, instrument, reading, octaves);
        return TypedResults.Ok(
            new BorrowView(plan.Octaves, [.. plan.Beyond.Select(b => new BeyondView(piece.Label(b.Measure), b.Pitch.ToString()))], plan.Why)
        );
    }

    private static Created<AuditionView> Borrow(long set, long entry, BorrowRequest request, AuditionDesk desk, AuditionViews views)
    {
        desk.Borrow(desk.Find(set), entry, request.Instrument, request.Reading, request.Octaves);
        return Made(set, desk, views);
    }

    private static Created<AuditionView> Made(long set, AuditionDesk desk, AuditionViews views) =>
        TypedResults.Created($"/api/auditions/{set}", views.Of(desk.Find(set)));

    private static AskedRow Asked(AuditionRow set, AskedView? asked)
    {
        if (asked is null || set.Rounds.All(r => r.Id != asked.Round))
            throw Refusal.BadRequest("A round that asks is not in this set. Load it again.");
        return new AskedRow(asked.Round, (asked.From ?? "").Trim(), (asked.To ?? "").Trim());
    }
}
