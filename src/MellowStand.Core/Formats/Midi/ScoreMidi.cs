using MellowStand.Core.Notation;
using MellowStand.Core.Performance;

namespace MellowStand.Core.Formats.Midi;

/// <summary>Writes a performance as a Standard MIDI File: the same strokes at the same moments, with its tempo map and meters.</summary>
/// <remarks>Percussion without pitch goes to channel 10; keys 76 and 77 there are General MIDI's high and low wood block, for the
/// click.</remarks>
public static class ScoreMidi
{
    private const int Drums = 9;
    private const int HighWoodBlock = 76;
    private const int LowWoodBlock = 77;
    private const int MostTicks = 30_240;
    private const int UsualTicks = 480;

    private static readonly Fraction ClickLength = new(1, 8);

    /// <summary>The parts of a performance.</summary>
    /// <param name="score">The score.</param>
    /// <param name="performance">What sounds.</param>
    /// <param name="parts">The parts in order; each is a track, though nothing sounds in it.</param>
    /// <param name="program">General MIDI program of a part from 1, or null where none is known.</param>
    public static byte[] Music(Score score, PerformedRange performance, IReadOnlyList<Part> parts, Func<Part, int?> program)
    {
        var ticks = new TickGrid(performance);
        var channels = Channels(parts, program);
        var strokes = performance.Notes.ToLookup(n => n.Part);
        return MidiFile.Write(
            [
                Conductor(score.Title, performance, ticks),
                .. parts.Select(p => Track(p, strokes[p.Id], channels[p.Id], channels[p.Id] == Drums ? null : program(p), ticks)),
            ],
            ticks.PerQuarter
        );
    }

    /// <summary>The click of a performance alone, in the same time as its music.</summary>
    public static byte[] Clicks(PerformedRange performance)
    {
        var ticks = new TickGrid(performance);
        var track = new MidiTrack();
        track.Name("Click");
        foreach (var click in performance.Clicks.Where(c => c.Level > 0))
        {
            var key = click.IsAccent ? HighWoodBlock : LowWoodBlock;
            var velocity = (int)Math.Round((click.IsAccent ? 112 : 84) * click.Level);
            track.Note(ticks.Of(click.At), ticks.Of(click.At + ClickLength), Drums, key, Math.Clamp(velocity, 1, 127));
        }

        return MidiFile.Write([Conductor("Click", performance, ticks), track], ticks.PerQuarter);
    }

    private static MidiTrack Conductor(string title, PerformedRange performance, TickGrid ticks)
    {
        var track = new MidiTrack();
        track.Name(title);
        foreach (var step in performance.Pace.Steps)
            track.Tempo(ticks.Of(step.At), step.QuarterBpm);
        Meter? meter = null;
        foreach (var (measure, start) in performance.Measures)
        {
            var at = meter is null ? 0 : ticks.Of(start);
            if (!measure.Meter.IsSenza && !measure.Meter.Equals(meter))
                track.Meter(at, MeterBeats(measure.Meter), measure.Meter.Groups.Max(g => g.BeatType));
            meter = measure.Meter;
            if (measure.Rehearsal is { } mark)
                track.Marker(ticks.Of(start), mark);
        }

        return track;
    }

    private static int MeterBeats(Meter meter) => (int)(meter.Length / new Fraction(4, meter.Groups.Max(g => g.BeatType))).Value;

    private static MidiTrack Track(Part part, IEnumerable<PerformedNote> notes, int channel, int? program, TickGrid ticks)
    {
        var track = new MidiTrack();
        track.Name(part.Name.Length > 0 ? part.Name : part.Id);
        if (program is { } p)
            track.Program(channel, Math.Clamp(p, 1, 128) - 1);
        foreach (var note in notes)
            track.Note(ticks.Of(note.From), ticks.Of(note.To), channel, note.Midi, note.Velocity);
        return track;
    }

    // A channel a part while there are enough; after that, parts of one program share theirs.
    private static Dictionary<string, int> Channels(IReadOnlyList<Part> parts, Func<Part, int?> program)
    {
        var free = Enumerable.Range(0, 16).Where(c => c != Drums).ToList();
        var pitched = parts.Where(p => !IsUnpitched(p)).ToList();
        var programs = pitched.Select(p => program(p) ?? 1).Distinct().ToList();
        var channels = new Dictionary<string, int>();
        for (var i = 0; i < pitched.Count; i++)
            channels[pitched[i].Id] = free[pitched.Count <= free.Count ? i : programs.IndexOf(program(pitched[i]) ?? 1) % free.Count];
        foreach (var part in parts.Where(IsUnpitched))
            channels[part.Id] = Drums;
        return channels;
    }

    private static bool IsUnpitched(Part part) =>
        part.Notes.Any(n => n.Kind == NoteKind.Unpitched) && part.Notes.All(n => n.Kind != NoteKind.Pitched);

    // Every moment is exact where a common division is small enough, as it is for all but freak tuplets.
    private sealed class TickGrid
    {
        private readonly Fraction _first;

        public TickGrid(PerformedRange performance)
        {
            _first = performance.Pace.Steps[0].At;
            var ticks = (long)UsualTicks;
            var denominators = performance
                .Notes.SelectMany(n => new[] { n.From.Denominator, n.To.Denominator })
                .Concat(performance.Measures.Select(m => m.Start.Denominator))
                .Concat(performance.Pace.Steps.Select(s => s.At.Denominator))
                .Distinct();
            foreach (var d in denominators.Order())
            {
                var joined = ticks / Gcd(ticks, d) * d;
                if (joined <= MostTicks)
                    ticks = joined;
            }

            PerQuarter = (int)ticks;
        }

        public int PerQuarter { get; }

        public long Of(Fraction at) => (long)Math.Round(((at - _first) * PerQuarter).Value);

        private static long Gcd(long a, long b) => b == 0 ? a : Gcd(b, a % b);
    }
}
