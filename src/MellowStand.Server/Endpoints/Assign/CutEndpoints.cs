using MellowStand.Core.Assign;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>What is to be cut into passages.</summary>
/// <param name="Parts">Ids of the parts; all when left out.</param>
/// <param name="From">Label of the first measure; the first when left out.</param>
/// <param name="To">Label of the last measure; the last when left out.</param>
/// <param name="Longest">At most so many measures a passage; 16 when left out.</param>
public sealed record CutAsk(IReadOnlyList<string>? Parts, string? From, string? To, int? Longest);

/// <summary>Measures by label.</summary>
public sealed record RangeView(string From, string To);

/// <summary>A proposed passage.</summary>
/// <param name="Parts">Ids of the parts that share it.</param>
/// <param name="From">Label of the first measure.</param>
/// <param name="To">Label of the last measure.</param>
/// <param name="Minutes">Minutes to learn it, all sessions together.</param>
/// <param name="Heat">Its heat, 0 to 1.</param>
/// <param name="Why">Where it begins and ends, and what the minutes are made of.</param>
/// <param name="Same">Measures elsewhere that are learnt with it.</param>
/// <param name="FromIndex">First measure from 0.</param>
/// <param name="ToIndex">Last measure from 0.</param>
/// <param name="Sections">Sections that are seated at its parts as a whole.</param>
/// <param name="Players">How many are seated at its parts.</param>
public sealed record CutView(
    IReadOnlyList<string> Parts,
    string From,
    string To,
    int Minutes,
    double Heat,
    string Why,
    IReadOnlyList<RangeView> Same,
    int FromIndex,
    int ToIndex,
    IReadOnlyList<string> Sections,
    int Players
);

/// <summary>Many passages to hand out, or to take back, as one act.</summary>
public sealed record PassageRequests(IReadOnlyList<PassageRequest>? Passages);

/// <summary>Passages by number.</summary>
public sealed record PassageIds(IReadOnlyList<long>? Passages);

/// <summary>Assign: passages cut from form and heat, and handed out many at once.</summary>
public static class CutEndpoints
{
    private const int MostAtOnce = 200;

    /// <summary>Maps the group.</summary>
    public static void MapCut(this RouteGroupBuilder api)
    {
        api.MapPost("/pieces/{id:long}/cut", Cut).WithTags("Assign");
        api.MapPost("/pieces/{id:long}/passages/many", Add).WithTags("Assign");
        api.MapPost("/passages/remove", Remove).WithTags("Assign");
        api.MapPost("/passages/restore", Restore).WithTags("Assign");
    }

    private static Ok<IReadOnlyList<CutView>> Cut(long id, CutAsk ask, CutDesk cutter, EnsembleRepository ensemble)
    {
        var (piece, passages) = cutter.Cut(id, ask.Parts, ask.From, ask.To, ask.Longest);
        var (sections, players) = (ensemble.Sections(), ensemble.Players());
        return TypedResults.Ok<IReadOnlyList<CutView>>([.. passages.Select(p => View(piece, p, sections, players))]);
    }

    private static CutView View(OpenPiece piece, CutPassage p, IReadOnlyList<SectionRow> sections, IReadOnlyList<PlayerRow> players)
    {
        var seated = p.Parts.SelectMany(x => piece.Layer.Knowledge.Seats[x]).Select(s => new PlayerId(s.Player)).ToHashSet();
        var of = players.Where(x => seated.Contains(x.Id)).Select(x => x.SectionId).ToHashSet();
        return new CutView(
            p.Parts,
            piece.Label(p.Range.From),
            piece.Label(p.Range.To),
            p.Minutes,
            p.Heat,
            p.Why,
            [.. p.Same.Select(r => new RangeView(piece.Label(r.From), piece.Label(r.To)))],
            p.Range.From,
            p.Range.To,
            [.. sections.Where(s => of.Contains(s.Id)).Select(s => s.Name)],
            seated.Count
        );
    }

    private static Created<IReadOnlyList<PassageView>> Add(
        long id,
        PassageRequests many,
        PassageDesk desk,
        PassageRepository passages,
        TimeProvider clock
    )
    {
        var asked = many.Passages ?? [];
        if (asked.Count is 0 or > MostAtOnce)
            throw Refusal.BadRequest($"Hand out 1 to {MostAtOnce} passages at once.");
        var drafts = asked
            .Select(r => AssignEndpoints.Wish(r ?? throw Refusal.BadRequest("A passage is empty. Leave it out.")))
            .Select(w => desk.Draft(id, w, clock.Today()))
            .ToList();
        var made = passages.AddMany(drafts).Index().ToDictionary(m => m.Item, m => m.Index);
        var rows = passages.All(id).Where(p => made.ContainsKey(p.Id)).OrderBy(p => made[p.Id]);
        return TypedResults.Created(
            $"/api/pieces/{id}/passages",
            (IReadOnlyList<PassageView>)[.. rows.Select(r => AssignEndpoints.View(r, clock))]
        );
    }

    private static NoContent Remove(PassageIds ids, PassageRepository passages, TimeProvider clock)
    {
        passages.RemoveMany((ids.Passages ?? []).Passages(), clock.GetUtcNow());
        return TypedResults.NoContent();
    }

    private static NoContent Restore(PassageIds ids, PassageRepository passages)
    {
        passages.RestoreMany((ids.Passages ?? []).Passages());
        return TypedResults.NoContent();
    }
}
