using System.Text.Json;
using MellowStand.Core.Auditions;
using MellowStand.Server.Answers;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;

namespace MellowStand.Server.Endpoints;

/// <summary>What a dropped file seems to be.</summary>
/// <param name="File">Name of the file.</param>
/// <param name="Title">Title of the music; empty where it could not be read.</param>
/// <param name="Instrument">Instrument id of the catalog, or null.</param>
/// <param name="Kind">Kind of piece.</param>
/// <param name="IsSure">False where a look is needed.</param>
/// <param name="Why">What the proposal rests on.</param>
/// <param name="Problem">Why the file cannot be read, or null.</param>
public sealed record GuessView(string File, string Title, string? Instrument, string Kind, bool IsSure, string Why, string? Problem);

/// <summary>A piece of a set to make.</summary>
/// <param name="File">Name of its file.</param>
/// <param name="Instrument">Instrument id of the catalog.</param>
/// <param name="Kind">Kind of piece.</param>
public sealed record EntryAsk(string? File, string? Instrument, string? Kind);

/// <summary>A set to make.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Rounds">Its rounds in order.</param>
/// <param name="Entries">Its pieces.</param>
public sealed record SetRequest(string? Name, IReadOnlyList<RoundView>? Rounds, IReadOnlyList<EntryAsk>? Entries);

/// <summary>Name and rounds of a set.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Rounds">Its rounds in order; those that are not named are taken back.</param>
/// <param name="Version">The version that was seen.</param>
public sealed record SetEdit(string? Name, IReadOnlyList<RoundView>? Rounds, int? Version);

/// <summary>Audition sets: made from a folder of files, listed, changed, taken back.</summary>
public static class AuditionEndpoints
{
    private const int MostFiles = 80;
    private const int MostRounds = 8;

    private static readonly JsonSerializerOptions Web = new(JsonSerializerDefaults.Web);
    private static readonly string[] Ways = ["live", "one-take", "by-piece"];

    /// <summary>Maps the group.</summary>
    public static void MapAuditions(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/auditions").WithTags("Auditions");
        group.MapGet("", List).KeepAnswer(Rests.Sets);
        group.MapPost("", Make).DisableAntiforgery();
        group.MapPost("/preview", Preview).DisableAntiforgery();
        group.MapGet("/kinds", () => TypedResults.Ok(EntryKinds.All.Select(k => new ScaleChoiceView(k.Name, k.Words))));
        group
            .MapGet("/{set:long}", (long set, AuditionDesk desk, AuditionViews views) => TypedResults.Ok(views.Of(desk.Find(set))))
            .KeepAnswer(Rests.Sets);
        group.MapPut("/{set:long}", Edit);
        group.MapDelete("/{set:long}", Remove);
        group.MapPost("/{set:long}/restore", Restore);
        group.MapGet("/{set:long}/figures", Figures).KeepAnswer(Rests.Sets);
        group.MapEntries();
        group.MapAnswers();
        group.MapRounds();
        group.MapMocks();
        group.MapSetPrints();
        api.MapMockMarks();
    }

    /// <summary>The kind with the name.</summary>
    /// <exception cref="Refusal">There is none.</exception>
    internal static string Kind(string? name) =>
        EntryKinds.Find(name)?.Name ?? throw Refusal.BadRequest($"The kind is {string.Join(", ", EntryKinds.All.Select(k => k.Name))}.");

    private static Ok<IEnumerable<AuditionLine>> List(AuditionRepository auditions, TimeProvider clock) =>
        TypedResults.Ok(auditions.All().Select(a => AuditionViews.Line(a, clock.Today())));

    private static Ok<IEnumerable<GuessView>> Preview(IFormFileCollection files, AuditionDesk desk) =>
        TypedResults.Ok(Bounded(files).Select(f => Guess(Upload.Bytes(f), desk)));

    private static GuessView Guess((string Name, byte[] Bytes) file, AuditionDesk desk)
    {
        try
        {
            var read = desk.Read(file.Name, file.Bytes);
            var g = read.Guess;
            return new GuessView(file.Name, read.Edition.Printed.Title, g.Instrument?.Id, g.Kind, g.IsSure, g.Why, null);
        }
        catch (Refusal refusal)
        {
            return new GuessView(file.Name, "", null, EntryKinds.All[0].Name, false, "", refusal.Message);
        }
    }

    // Files and what they are travel together: nothing is kept before all of it is.
    private static Created<AuditionView> Make(IFormFileCollection files, [FromForm] string? set, AuditionDesk desk, AuditionViews views)
    {
        var request = Read(set);
        var entries = (request.Entries ?? []).Select(Wish).ToList();
        var rounds = Rounds(request.Rounds);
        var read = Bounded(files).Select(Upload.Bytes).Select(f => desk.Read(f.Name, f.Bytes)).ToList();
        var id = desk.Make(Name(request.Name), rounds, entries, read);
        return TypedResults.Created($"/api/auditions/{id}", views.Of(desk.Find(id)));
    }

    private static Ok<AuditionView> Edit(
        long set,
        SetEdit edit,
        AuditionDesk desk,
        AuditionRepository auditions,
        AuditionViews views,
        TimeProvider clock
    )
    {
        var there = desk.Find(set);
        var rounds = Rounds(edit.Rounds);
        var known = auditions.RoundsEver(set);
        if (rounds.Any(r => r.Id != 0 && !known.Contains(r.Id)))
            throw Refusal.NotFound("A round is not there any more. Load the set again.");
        var row = there with { Name = Name(edit.Name), Rounds = rounds, Version = Versions.Seen(edit.Version) };
        auditions.Update(row, clock.GetUtcNow()).Demand("This set");
        return TypedResults.Ok(views.Of(desk.Find(set)));
    }

    private static NoContent Remove(long set, AuditionRepository auditions, TimeProvider clock) =>
        auditions.Remove(set, clock.GetUtcNow())
            ? TypedResults.NoContent()
            : throw Refusal.NotFound("This set is not there any more. Load the page again.");

    private static NoContent Restore(long set, AuditionRepository auditions) =>
        auditions.Restore(set)
            ? TypedResults.NoContent()
            : throw Refusal.NotFound("This set was not taken back, so it cannot be restored.");

    private static Ok<IEnumerable<EntryFiguresView>> Figures(long set, AuditionDesk desk, EntryCounts counts) =>
        TypedResults.Ok(counts.Of(desk.Find(set)).Select(f => AuditionViews.Figures(f.Key, f.Value)));

    private static IFormFileCollection Bounded(IFormFileCollection files) =>
        files.Count is > 0 and <= MostFiles ? files : throw Refusal.BadRequest($"Drop 1 to {MostFiles} MusicXML files at once.");

    private static SetRequest Read(string? json)
    {
        try
        {
            return JsonSerializer.Deserialize<SetRequest>(json ?? "", Web) ?? throw new JsonException();
        }
        catch (JsonException)
        {
            throw Refusal.BadRequest(
                "The form's field \"set\" is no set: send {\"name\", \"rounds\", \"entries\"} as JSON beside the files."
            );
        }
    }

    private static EntryWish Wish(EntryAsk? asked) =>
        asked is { File: { } file }
            ? new EntryWish(file, PieceImport.Instrument(asked.Instrument), Kind(asked.Kind))
            : throw Refusal.BadRequest("A piece of the set names no file. Leave it out.");

    private static string Name(string? name) =>
        Names.CleanOrNull(name) ?? throw Refusal.BadRequest("A set needs a name, as the audition is called.");

    private static List<RoundRow> Rounds(IReadOnlyList<RoundView>? rounds)
    {
        if (rounds is not { Count: > 0 and <= MostRounds })
            throw Refusal.BadRequest($"A set has 1 to {MostRounds} rounds, each with its day.");
        return [.. rounds.Select(Round)];
    }

    private static RoundRow Round(RoundView? round)
    {
        if (round is null || round.Held == default)
            throw Refusal.BadRequest("A round needs its day. Set it, or leave the round out.");
        var way = round.Way ?? Ways[0];
        return Ways.Contains(way)
            ? new RoundRow(round.Id ?? 0, Names.CleanOrNull(round.Name) ?? "Round", round.Held, way, round.Screened)
            : throw Refusal.BadRequest($"A round is {string.Join(", ", Ways)}.");
    }
}
