using MellowStand.Core.Formats.Midi;
using MellowStand.Core.Notation;
using MellowStand.Core.Tempo;
using MellowStand.Server.Services;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>Standard MIDI Files of score, part, selection, or the click alone.</summary>
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

    private static FileContentHttpResult Music(long id, PieceDesk desk, string? part = null, string? from = null, string? to = null)
    {
        var piece = desk.Open(id);
        var at = piece.Book.Read(null, from, to);
        var (first, last) = (at.From.Index, at.To.Index);
        var parts = string.IsNullOrEmpty(part) ? piece.Layer.Current.Parts : [.. part.Split(',').Select(piece.Part)];
        var request = new MidiRequest(parts, first, last)
        {
            Tempos = piece.Layer.Study.Tempo.Changes(),
            Program = p => piece.Layer.Knowledge.Instruments.GetValueOrDefault(p.Id)?.Instrument?.Program ?? p.MidiProgram,
            Level = (p, onset) => piece.Layer.Study.LevelsOf(p).At(onset)?.Level ?? DynamicLevels.Default,
        };
        return TypedResults.File(ScoreMidi.Write(piece.Layer.Current, request), Midi, $"{desk.Row(id).Title}.mid");
    }

    private static FileContentHttpResult Click(
        long id,
        PieceDesk desk,
        string? from = null,
        string? to = null,
        string? unit = null,
        double? bpm = null
    )
    {
        var piece = desk.Open(id);
        var at = piece.Book.Read(null, from, to);
        var (first, last) = (at.From.Index, at.To.Index);
        var beat = unit ?? (BeatUnit.OfLength(piece.Layer.Current.Measures[first].Meter.BeatUnit) ?? BeatUnit.Find("quarter")!).Name;
        var mark = TempoEndpoints.Playable(
            new TempoView(beat, bpm ?? (piece.Layer.Study.Tempo.QuarterBpmAt(first) / (BeatUnit.Find(beat)?.Quarters.Value ?? 1)))
        );
        var track = ClickTrack.Of(piece.Layer.Current, first, last, mark);
        return TypedResults.File(
            ClickMidi.Write("Click", track.Clicks.Select(c => new MidiClick(c.Seconds, c.Accent)), mark.QuarterBpm),
            Midi,
            $"{desk.Row(id).Title} click.mid"
        );
    }
}
