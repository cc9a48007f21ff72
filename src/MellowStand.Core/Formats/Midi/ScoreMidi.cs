using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.Midi;

/// <summary>What to write as MIDI, and what the stations know of it.</summary>
/// <param name="Parts">The parts; each is a track.</param>
/// <param name="From">First measure from 0.</param>
/// <param name="To">Last measure from 0.</param>
public sealed record MidiRequest(IReadOnlyList<Part> Parts, int From, int To)
{
    /// <summary>Changes of the steady tempo: quarters from the start of the printed score, quarters per minute.</summary>
    public required IReadOnlyList<(Fraction Onset, double QuarterBpm)> Tempos { get; init; }

    /// <summary>General MIDI program of a part from 1, or null for a part without pitch.</summary>
    public required Func<Part, int?> Program { get; init; }

    /// <summary>The level in force at a moment of a part (0 = pppp … 9 = ffff).</summary>
    public required Func<Part, Fraction, int> Level { get; init; }
}

/// <summary>Writes parts of a score as a Standard MIDI File in played order, with tempo map and meters.</summary>
/// <remarks>Grace notes take a sixteenth of a quarter each before the beat. A level step is 12 of velocity, mezzo forte 80: our own
/// convention. Percussion without pitch goes to channel 10 as General MIDI's acoustic snare.</remarks>
public static class ScoreMidi
{
    private const int Drums = 9;
    private const int SnareKey = 38;
    private const int MostTicks = 30_240;

    private static readonly Fraction GraceLength = new(1, 8);

    /// <summary>The file's bytes.</summary>
    public static byte[] Write(Score score, MidiRequest request)
    {
        var timeline = PlayedTimeline.Of(score, request.From, request.To);
        var ticks = TicksPerQuarter(request.Parts, timeline);
        var tracks = new List<MidiTrack> { Conductor(score, request, timeline, ticks) };
        var channels = Channels(request);
        tracks.AddRange(request.Parts.Select(p => Track(p, request, timeline, channels[p.Id], ticks)));
        return MidiFile.Write(tracks, ticks);
    }

    /// <summary>Tempo changes as they are played.</summary>
    internal static IEnumerable<(Fraction At, double QuarterBpm)> TempoMap(
        IReadOnlyList<PlayedMeasure> timeline,
        IReadOnlyList<(Fraction Onset, double QuarterBpm)> tempos
    )
    {
        foreach (var (measure, start) in timeline)
        {
            var before = tempos.Where(t => t.Onset <= measure.Start).Select(t => t.QuarterBpm).LastOrDefault(96);
            yield return (start, before);
            foreach (var (onset, bpm) in tempos.Where(t => t.Onset > measure.Start && t.Onset < measure.End))
                yield return (start + (onset - measure.Start), bpm);
        }
    }

    private static MidiTrack Conductor(Score score, MidiRequest request, IReadOnlyList<PlayedMeasure> timeline, int ticks)
    {
        var track = new MidiTrack();
        track.Name(score.Title);
        var tempo = 0.0;
        foreach (var (at, bpm) in TempoMap(timeline, request.Tempos))
        {
            if (bpm != tempo)
                track.Tempo(Ticks(at, ticks), bpm);
            tempo = bpm;
        }

        Meter? meter = null;
        foreach (var (measure, start) in timeline)
        {
            if (!measure.Meter.IsSenza && !measure.Meter.Equals(meter))
                track.Meter(Ticks(start, ticks), MeterBeats(measure.Meter), measure.Meter.Groups.Max(g => g.BeatType));
            meter = measure.Meter;
            if (measure.Rehearsal is { } mark)
                track.Marker(Ticks(start, ticks), mark);
        }

        return track;
    }

    private static int MeterBeats(Meter meter) => (int)(meter.Length / new Fraction(4, meter.Groups.Max(g => g.BeatType))).Value;

    private static MidiTrack Track(Part part, MidiRequest request, IReadOnlyList<PlayedMeasure> timeline, int channel, int ticks)
    {
        var track = new MidiTrack();
        track.Name(part.Name.Length > 0 ? part.Name : part.Id);
        if (channel != Drums && request.Program(part) is { } program)
            track.Program(channel, Math.Clamp(program, 1, 128) - 1);
        var byMeasure = SoundingNote.Of(part).Where(n => n.First.Sounds && !n.First.IsCue).ToLookup(n => n.First.MeasureIndex);
        foreach (var (measure, start) in timeline)
        {
            var notes = byMeasure[measure.Index].ToList();
            for (var i = 0; i < notes.Count; i++)
            {
                var (at, length) = Place(notes, i, start);
                var velocity = Velocity(request.Level(part, notes[i].First.Onset), notes[i].First);
                foreach (var key in notes[i].Heads.Select(h => h.Sounding ?? SnareKey).Where(k => k is >= 0 and <= 127))
                    track.Note(Ticks(at, ticks), Ticks(at + length, ticks), channel, key, velocity);
            }
        }

        return track;
    }

    private static (Fraction At, Fraction Length) Place(List<SoundingNote> notes, int i, Fraction start)
    {
        var at = start + notes[i].First.Offset;
        if (!notes[i].First.IsGrace)
            return (at, notes[i].Duration);
        var last = i;
        while (last + 1 < notes.Count && notes[last + 1].First.IsGrace && notes[last + 1].First.Offset == notes[i].First.Offset)
            last++;
        // A grace at the very start of the performance has nothing to lean back on.
        return (Fraction.Max(Fraction.Zero, at - (GraceLength * (last - i + 1))), GraceLength);
    }

    private static int Velocity(int level, Note note) =>
        Math.Clamp(20 + (level * 12) + (note.Has("accent") || note.Has("strong-accent") ? 12 : 0), 1, 127);

    private static long Ticks(Fraction quarters, int ticks) => (long)Math.Round((quarters * ticks).Value);

    // Every onset and length is exact where a common division is small enough, as it is for all but freak tuplets.
    private static int TicksPerQuarter(IReadOnlyList<Part> parts, IReadOnlyList<PlayedMeasure> timeline)
    {
        var ticks = 480L;
        var denominators = parts
            .SelectMany(p => p.Notes)
            .SelectMany(n => new[] { n.Offset.Denominator, n.Duration.Denominator })
            .Concat(timeline.Select(t => t.Start.Denominator))
            .Distinct();
        foreach (var d in denominators.Order())
        {
            var joined = ticks / Gcd(ticks, d) * d;
            if (joined <= MostTicks)
                ticks = joined;
        }

        return (int)ticks;
    }

    private static long Gcd(long a, long b) => b == 0 ? a : Gcd(b, a % b);

    // A channel a part while there are enough; after that, parts of one program share theirs.
    private static Dictionary<string, int> Channels(MidiRequest request)
    {
        var free = Enumerable.Range(0, 16).Where(c => c != Drums).ToList();
        var pitched = request.Parts.Where(p => !IsUnpitched(p)).ToList();
        var programs = pitched.Select(p => request.Program(p) ?? 1).Distinct().ToList();
        var channels = new Dictionary<string, int>();
        for (var i = 0; i < pitched.Count; i++)
            channels[pitched[i].Id] = free[
                pitched.Count <= free.Count ? i : programs.IndexOf(request.Program(pitched[i]) ?? 1) % free.Count
            ];
        foreach (var part in request.Parts.Where(IsUnpitched))
            channels[part.Id] = Drums;
        return channels;
    }

    private static bool IsUnpitched(Part part) =>
        part.Notes.Any(n => n.Kind == NoteKind.Unpitched) && part.Notes.All(n => n.Kind != NoteKind.Pitched);
}
