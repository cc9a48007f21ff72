using MellowStand.Core.Instruments;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>A list of players as it was read; nothing is kept.</summary>
public sealed record RosterPreview(IReadOnlyList<RosterRow> Rows);

/// <summary>A player of a list, mended.</summary>
public sealed record RosterEntry(string? Name, string? Section, string? Instrument, int Chair);

/// <summary>Players to add as one act, with the sections that are not there yet.</summary>
public sealed record RosterRequest(IReadOnlyList<RosterEntry>? Rows);

/// <summary>Players and sections by number: what one act added, or what leaves or comes back as one act.</summary>
public sealed record PeopleRequest(IReadOnlyList<long>? Players, IReadOnlyList<long>? Sections);

/// <summary>Ensemble: many at once, from a list or from a score.</summary>
public static class RosterEndpoints
{
    /// <summary>Maps the group.</summary>
    public static void MapRoster(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/ensemble").WithTags("Ensemble");
        group.MapPost("/roster/preview", Preview).DisableAntiforgery();
        group.MapPost("/roster", Add);
        group.MapPost("/sections/of-piece/{id:long}", SectionsOf);
        group.MapPost("/leave", Leave);
        group.MapPost("/return", Return);
    }

    private static Ok<RosterPreview> Preview(IFormFile file, EnsembleRepository ensemble)
    {
        var (name, bytes) = Upload.Bytes(file);
        var known = ensemble.Players().Select(p => p.Name).ToHashSet(StringComparer.OrdinalIgnoreCase);
        return TypedResults.Ok(new RosterPreview(RosterFile.Read(name, bytes, known)));
    }

    private static Ok<PeopleRequest> Add(RosterRequest request, EnsembleRepository ensemble)
    {
        var rows = (request.Rows ?? []).Select((r, i) => Row(r, i + 1)).ToList();
        if (rows.Count > RosterFile.MostRows)
            throw Refusal.BadRequest($"The list has more than {RosterFile.MostRows} lines. Split it.");
        if (rows.Count == 0)
            throw Refusal.BadRequest("The list is empty. Bring one with at least one player.");
        var (sections, players) = ensemble.AddMany(rows);
        return TypedResults.Ok(new PeopleRequest(players.Values(), sections.Values()));
    }

    private static (string Section, PlayerRow Player) Row(RosterEntry? r, int line)
    {
        if (r is null || string.IsNullOrWhiteSpace(r.Name))
            throw Refusal.BadRequest($"Line {line} has no name. Write one, or leave the line out.");
        if (string.IsNullOrWhiteSpace(r.Section))
            throw Refusal.BadRequest($"{Names.Clean(r.Name)} has no section. Write one.");
        if (r.Chair is < 1 or > 99)
            throw Refusal.BadRequest($"The chair of {Names.Clean(r.Name)} is not a number from 1 to 99.");
        var instrument = string.IsNullOrEmpty(r.Instrument) ? null : PieceImport.Instrument(r.Instrument);
        var name = Names.Clean(r.Name);
        return (Names.Clean(r.Section), new PlayerRow(new PlayerId(0), new SectionId(0), name, instrument, r.Chair, "comfortable"));
    }

    private static Ok<PeopleRequest> SectionsOf(long id, PieceDesk desk, EnsembleRepository ensemble)
    {
        var piece = desk.Open(id);
        var wanted = piece
            .Layer.Printed.Parts.Select(p => piece.Layer.Knowledge.InstrumentOf(p.Id) is { } i ? i.Section : p.Name)
            .Where(n => n.Length > 0)
            .Select(Names.Clean)
            .Distinct(StringComparer.OrdinalIgnoreCase)
            .Except(ensemble.Sections().Select(s => s.Name), StringComparer.OrdinalIgnoreCase);
        return TypedResults.Ok(new PeopleRequest([], ensemble.AddSections([.. wanted]).Values()));
    }

    private static NoContent Leave(PeopleRequest request, EnsembleRepository ensemble, TimeProvider clock)
    {
        ensemble.RemoveMany((request.Players ?? []).Players(), (request.Sections ?? []).Sections(), clock.Today());
        return TypedResults.NoContent();
    }

    private static NoContent Return(PeopleRequest request, EnsembleRepository ensemble)
    {
        ensemble.RestoreMany((request.Players ?? []).Players(), (request.Sections ?? []).Sections());
        return TypedResults.NoContent();
    }
}
