using MellowStand.Core.Assign;
using MellowStand.Core.Notation;
using MellowStand.Core.Study;
using MellowStand.Core.Tempo;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>A passage to hand out.</summary>
/// <param name="Title">A few words; made from the measures when left out.</param>
/// <param name="Parts">Ids of the parts that have it.</param>
/// <param name="From">Label of the first measure.</param>
/// <param name="To">Label of the last measure.</param>
/// <param name="Start">First tempo.</param>
/// <param name="Goal">Goal tempo.</param>
/// <param name="By">How the ladder climbs.</param>
/// <param name="Value">Size of its steps.</param>
/// <param name="Due">The day to be ready on.</param>
/// <param name="Sections">Sections it is for.</param>
/// <param name="Players">Players it is for.</param>
/// <param name="Note">A word to the players.</param>
public sealed record PassageRequest(
    string? Title,
    IReadOnlyList<string>? Parts,
    string? From,
    string? To,
    TempoView? Start,
    TempoView? Goal,
    string? By,
    double? Value,
    DateOnly Due,
    IReadOnlyList<long>? Sections,
    IReadOnlyList<long>? Players,
    string? Note
);

/// <summary>A tempo step with its date.</summary>
public sealed record DatedStepView(string Unit, double Bpm, DateOnly Due);

/// <summary>A passage as handed out.</summary>
public sealed record PassageView(
    long Id,
    long Piece,
    string PieceTitle,
    string Title,
    IReadOnlyList<string> Parts,
    string From,
    string To,
    int FromIndex,
    int ToIndex,
    TempoView Start,
    TempoView Goal,
    DateOnly Begins,
    DateOnly Due,
    int DaysLeft,
    string Note,
    IReadOnlyList<long> Sections,
    IReadOnlyList<long> Players,
    IReadOnlyList<DatedStepView> Steps,
    bool Placed
);

/// <summary>What a section sheet says besides the music.</summary>
/// <param name="Passage">The passage.</param>
/// <param name="Due">The piece's date, or null.</param>
/// <param name="For">Names of the sections and players.</param>
/// <param name="CountOff">Beats to count before it, e.g. <c>3 beats</c>.</param>
/// <param name="Notes">Findings as notes for players, in order of measures.</param>
public sealed record SheetView(
    PassageView Passage,
    DateOnly? Due,
    IReadOnlyList<string> For,
    string CountOff,
    IReadOnlyList<FindingView> Notes
);

/// <summary>Assign: passages, plans and section sheets.</summary>
public static class AssignEndpoints
{
    /// <summary>Maps the group.</summary>
    public static void MapAssign(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/passages").WithTags("Assign");
        api.MapGet("/pieces/{id:long}/passages", List).WithTags("Assign");
        api.MapPost("/pieces/{id:long}/passages", Add).WithTags("Assign");
        group.MapGet("", (PassageRepository passages, TimeProvider clock) => TypedResults.Ok(passages.All().Select(p => View(p, clock))));
        group.MapGet("/{passage:long}", One);
        group.MapGet("/{passage:long}/sheet", Sheet);
        group.MapDelete("/{passage:long}", Remove);
        group.MapPost("/{passage:long}/restore", Restore);
    }

    /// <summary>The passage with the number.</summary>
    /// <exception cref="Refusal">There is none.</exception>
    public static PassageRow Find(PassageRepository passages, long id) =>
        passages.Find(id) ?? throw Refusal.NotFound($"There is no passage {id}. Load the list again.");

    /// <summary>The passage as the interface shows it: told from its row alone.</summary>
    public static PassageView View(PassageRow p, TimeProvider clock) =>
        new(
            p.Id,
            p.PieceId,
            p.PieceTitle,
            p.Title,
            p.Place.Parts,
            p.Place.From.Label,
            p.Place.To.Label,
            p.Place.From.Index,
            p.Place.To.Index,
            new TempoView(p.StartUnit, p.StartBpm),
            new TempoView(p.GoalUnit, p.GoalBpm),
            p.Begins,
            p.Due,
            p.Due.DayNumber - clock.Today().DayNumber,
            p.Note,
            p.Sections,
            p.Players,
            [.. p.Steps.Select(s => new DatedStepView(s.Unit, s.Bpm, s.Due))],
            p.IsPlaced
        );

    private static Ok<IEnumerable<PassageView>> List(long id, PassageRepository passages, PieceDesk desk, TimeProvider clock)
    {
        _ = desk.Row(id);
        return TypedResults.Ok(passages.All(id).Select(p => View(p, clock)));
    }

    private static Ok<PassageView> One(long passage, PassageRepository passages, TimeProvider clock) =>
        TypedResults.Ok(View(Find(passages, passage), clock));

    private static Created<PassageView> Add(
        long id,
        PassageRequest request,
        PassageRepository passages,
        EnsembleRepository ensemble,
        PieceDesk desk,
        TimeProvider clock
    )
    {
        var piece = desk.Open(id);
        var place = piece.Book.OfParts(request.Parts ?? [], request.From, request.To);
        if (place.Parts.Count == 0)
            throw Refusal.BadRequest("A passage needs at least one part. Select the parts that have it.");
        var sections = (request.Sections ?? []).Distinct().ToList();
        var players = (request.Players ?? []).Distinct().ToList();
        if (sections.Count + players.Count == 0)
            throw Refusal.BadRequest("Choose at least one section or player to hand the passage to.");
        if (sections.Except(ensemble.Sections().Select(s => s.Id)).Any() || players.Except(ensemble.Players().Select(p => p.Id)).Any())
            throw Refusal.NotFound("A section or player is not in the ensemble any more. Load the page again.");
        var start = TempoEndpoints.Mark(request.Start, "start");
        var goal = TempoEndpoints.Mark(request.Goal, "goal");
        var steps = PassagePlan.Of(start, goal, TempoEndpoints.By(request.By), request.Value ?? 1, clock.Today(), request.Due);
        var title = Names.CleanOrNull(request.Title) ?? $"Measures {place.From.Label}–{place.To.Label}";
        var row = new PassageRow(
            0,
            id,
            title,
            place,
            start.Unit.Name,
            start.Bpm,
            goal.Unit.Name,
            goal.Bpm,
            request.By!,
            request.Value ?? 1,
            clock.Today(),
            request.Due,
            Names.CleanOrNull(request.Note) ?? "",
            sections,
            players,
            [.. steps.Select(s => new StepRow(s.Mark.Unit.Name, s.Mark.Bpm, s.By))]
        );
        var made = passages.Add(row);
        return TypedResults.Created($"/api/passages/{made}", View(Find(passages, made), clock));
    }

    private static Ok<SheetView> Sheet(
        long passage,
        PassageRepository passages,
        EnsembleRepository ensemble,
        QuietRepository quiets,
        PieceDesk desk,
        TimeProvider clock
    )
    {
        var row = Find(passages, passage);
        var piece = desk.Open(row.PieceId);
        if (!row.IsPlaced)
            throw Refusal.Conflict($"\"{row.Title}\" belongs to an earlier edition of {row.PieceTitle}. Place it in this edition first.");
        var quiet = Quiet.Of(quiets, piece);
        var notes = piece
            .Layer.Findings.Where(f => row.Place.Meets(f.From, f.To) && row.Place.HasAny(f.Parts) && !quiet.Holds(f))
            .Select(f =>
                StudyEndpoints.View(piece, f.InWordsOf(row.Place.Parts, piece.Layer.Study.NameOf), false, f.Severity > Severity.Note)
            );
        var names = ensemble
            .Sections()
            .Where(s => row.Sections.Contains(s.Id))
            .Select(s => s.Name)
            .Concat(ensemble.Players().Where(p => row.Players.Contains(p.Id)).Select(p => p.Name));
        var beats = Lengths.Mixed(CountOff.Beats(piece.Layer.Current.Measures[row.Place.From.Index]));
        return TypedResults.Ok(
            new SheetView(View(row, clock), piece.Row.Due, [.. names], beats == "1" ? "1 beat" : $"{beats} beats", [.. notes])
        );
    }

    private static NoContent Remove(long passage, PassageRepository passages, TimeProvider clock)
    {
        _ = Find(passages, passage);
        passages.Remove(passage, clock.GetUtcNow());
        return TypedResults.NoContent();
    }

    private static Ok<PassageView> Restore(long passage, PassageRepository passages, TimeProvider clock)
    {
        if (!passages.Restore(passage))
            throw Refusal.NotFound("This passage was not taken back, so it cannot be restored.");
        return One(passage, passages, clock);
    }
}
