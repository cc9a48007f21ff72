using MellowStand.Core.Formats.Midi;
using MellowStand.Server.Services;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>Standard MIDI Files of score, part, selection, or the click alone: the performance that the page plays, written down.</summary>
public static class MidiEndpoints
{
    private const string Midi = "audio/midi";

    /// <summary>Maps the group.</summary>
    public static void MapMidi(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/pieces/{id:long}").WithTags("Export");
        group.MapGet("/export.mid", Music).Produces<string>(200, Midi);
        group.MapGet("/click.mid", Click).Produces<string>(200, Midi);
    }

    // Repeats are played and nothing is counted off unless asked for; a click of the same answers fits over it.
    private static FileContentHttpResult Music(
        long id,
        PieceDesk desk,
        string? part = null,
        string? from = null,
        string? to = null,
        string? unit = null,
        double? bpm = null,
        string? repeats = null,
        bool countOff = false
    )
    {
        var piece = desk.Open(id);
        var parts = string.IsNullOrEmpty(part) ? piece.Layer.Current.Parts : [.. part.Split(',').Select(piece.Part)];
        var performance = Performing.Perform(
            piece.Layer,
            new PerformanceRequestView([.. parts.Select(p => p.Id)], from, to, unit, bpm, repeats ?? "played", CountOff: countOff)
        );
        return TypedResults.File(
            ScoreMidi.Music(
                piece.Layer.Current,
                performance,
                parts,
                p => piece.Layer.Knowledge.Instruments.GetValueOrDefault(p.Id)?.Instrument?.Program ?? p.MidiProgram
            ),
            Midi,
            $"{desk.Row(id).Title}.mid"
        );
    }

    private static FileContentHttpResult Click(
        long id,
        PieceDesk desk,
        string? from = null,
        string? to = null,
        string? unit = null,
        double? bpm = null,
        string? repeats = null,
        bool countOff = true
    )
    {
        var piece = desk.Open(id);
        var performance = Performing.Perform(
            piece.Layer,
            new PerformanceRequestView([], from, to, unit, bpm, repeats ?? "played", CountOff: countOff)
        );
        return TypedResults.File(ScoreMidi.Clicks(performance), Midi, $"{desk.Row(id).Title} click.mid");
    }
}
