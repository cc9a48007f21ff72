using MellowStand.Core.Instruments;
using MellowStand.Server.Answers;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>A player.</summary>
public sealed record PlayerView(
    long Id,
    long Section,
    string Name,
    string? Instrument,
    string? InstrumentName,
    int Chair,
    string Level,
    IReadOnlyList<string>? Options,
    int Version
);

/// <summary>A section with its players.</summary>
public sealed record SectionView(long Id, string Name, IReadOnlyList<PlayerView> Players, int Version);

/// <summary>A player to add or change.</summary>
/// <param name="Section">Their section.</param>
/// <param name="Name">Their name.</param>
/// <param name="Instrument">Instrument id of the catalog, or null.</param>
/// <param name="Chair">Chair from 1.</param>
/// <param name="Level"><c>comfortable</c>, <c>advanced</c> or <c>extreme</c>.</param>
/// <param name="Options">What their instrument has.</param>
/// <param name="Version">For a change: the version that was seen.</param>
public sealed record PlayerEdit(
    long Section,
    string Name,
    string? Instrument,
    int Chair,
    string? Level,
    IReadOnlyList<string>? Options = null,
    int? Version = null
);

/// <summary>A section to add or rename.</summary>
/// <param name="Name">Its name.</param>
/// <param name="Version">For a change: the version that was seen.</param>
public sealed record SectionEdit(string Name, int? Version = null);

/// <summary>Ensemble: sections, players, instruments, chairs.</summary>
public static class EnsembleEndpoints
{
    private static readonly string[] Levels = ["comfortable", "advanced", "extreme"];

    /// <summary>Maps the group.</summary>
    public static void MapEnsemble(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/ensemble").WithTags("Ensemble");
        group.MapGet("", (EnsembleRepository e) => TypedResults.Ok(All(e))).KeepAnswer(RestsOn.People);
        group.MapPost("/sections", AddSection);
        group.MapPut("/sections/{section:long}", RenameSection);
        group.MapDelete("/sections/{section:long}", RemoveSection);
        group.MapPost("/players", AddPlayer);
        group.MapPut("/players/{player:long}", UpdatePlayer);
        group.MapDelete("/players/{player:long}", RemovePlayer);
        group.MapPost("/players/{player:long}/restore", RestorePlayer);
    }

    private static IReadOnlyList<SectionView> All(EnsembleRepository ensemble)
    {
        var players = ensemble.Players().ToLookup(p => p.SectionId, View);
        return [.. ensemble.Sections().Select(s => new SectionView(s.Id.Value, s.Name, [.. players[s.Id]], s.Version))];
    }

    /// <summary>A player as the interface shows one.</summary>
    internal static PlayerView View(PlayerRow p) =>
        new(
            p.Id.Value,
            p.SectionId.Value,
            p.Name,
            p.Instrument,
            Catalog.Find(p.Instrument)?.Name,
            p.Chair,
            p.Level,
            p.OptionIds,
            p.Version
        );

    private static Created<IReadOnlyList<SectionView>> AddSection(SectionEdit edit, EnsembleRepository ensemble)
    {
        var id = ensemble.AddSection(Named(edit.Name, "section"));
        return TypedResults.Created($"/api/ensemble/sections/{id.Value}", All(ensemble));
    }

    private static Ok<IReadOnlyList<SectionView>> RenameSection(long section, SectionEdit edit, EnsembleRepository ensemble)
    {
        ensemble.RenameSection(new SectionId(section), Named(edit.Name, "section"), Versions.Seen(edit.Version)).Demand("This section");
        return TypedResults.Ok(All(ensemble));
    }

    private static Ok<IReadOnlyList<SectionView>> RemoveSection(long section, EnsembleRepository ensemble, TimeProvider clock)
    {
        if (!ensemble.RemoveSection(new SectionId(section), clock.Today()))
            throw Refusal.Conflict("A section with players cannot be removed. Move or remove its players first.");
        return TypedResults.Ok(All(ensemble));
    }

    private static Created<PlayerView> AddPlayer(PlayerEdit edit, EnsembleRepository ensemble)
    {
        Check(edit, ensemble);
        var id = ensemble.AddPlayer(
            new SectionId(edit.Section),
            Named(edit.Name, "player"),
            edit.Instrument,
            edit.Chair,
            edit.Level ?? Levels[0],
            Joined(edit)
        );
        return TypedResults.Created($"/api/ensemble/players/{id.Value}", View(Player(ensemble, id)));
    }

    private static Ok<PlayerView> UpdatePlayer(long player, PlayerEdit edit, EnsembleRepository ensemble)
    {
        Check(edit, ensemble);
        var row = new PlayerRow(
            new PlayerId(player),
            new SectionId(edit.Section),
            Named(edit.Name, "player"),
            edit.Instrument,
            edit.Chair,
            edit.Level ?? Levels[0],
            Joined(edit),
            Version: Versions.Seen(edit.Version)
        );
        ensemble.UpdatePlayer(row).Demand("This player");
        return TypedResults.Ok(View(Player(ensemble, row.Id)));
    }

    private static NoContent RemovePlayer(long player, EnsembleRepository ensemble, TimeProvider clock) =>
        ensemble.RemovePlayer(new PlayerId(player), clock.Today()) ? TypedResults.NoContent() : throw NoPlayer(player);

    private static NoContent RestorePlayer(long player, EnsembleRepository ensemble) =>
        ensemble.RestorePlayer(new PlayerId(player))
            ? TypedResults.NoContent()
            : throw Refusal.NotFound("This player did not leave, so they cannot come back. Load the ensemble again.");

    private static void Check(PlayerEdit edit, EnsembleRepository ensemble)
    {
        if (!ensemble.Sections().Any(s => s.Id.Value == edit.Section))
            throw NoSection(edit.Section);
        if (edit.Chair is < 1 or > 99)
            throw Refusal.BadRequest("A chair is a number from 1 to 99.");
        if (edit.Instrument is not null && Catalog.Find(edit.Instrument) is null)
            throw Refusal.BadRequest("There is no such instrument. Choose one from /api/instruments.");
        var options = edit.Instrument is null ? [] : InstrumentOptions.For(edit.Instrument).Select(o => o.Id).ToList();
        if (edit.Options?.FirstOrDefault(o => !options.Contains(o)) is { } unknown)
            throw Refusal.BadRequest(
                $"This instrument has no option \"{Names.Clean(unknown)}\". "
                    + $"{(options.Count > 0 ? $"Choose from {string.Join(", ", options)}." : "It has none.")}"
            );
        if (edit.Level is not null && !Levels.Contains(edit.Level))
            throw Refusal.BadRequest($"A level is one of {string.Join(", ", Levels)}.");
    }

    private static string? Joined(PlayerEdit edit) => edit.Options is null ? null : string.Join(' ', edit.Options.Distinct());

    private static string Named(string? name, string what) =>
        string.IsNullOrWhiteSpace(name) ? throw Refusal.BadRequest($"A {what} needs a name.") : Names.Clean(name);

    private static PlayerRow Player(EnsembleRepository ensemble, PlayerId id) => ensemble.Find(id) ?? throw NoPlayer(id.Value);

    private static Refusal NoSection(long id) => Refusal.NotFound($"There is no section {id}. Load the ensemble again.");

    private static Refusal NoPlayer(long id) => Refusal.NotFound($"There is no player {id}. Load the ensemble again.");
}
