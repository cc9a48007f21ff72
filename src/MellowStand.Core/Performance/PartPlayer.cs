using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;
using MellowStand.Core.Ornaments;

namespace MellowStand.Core.Performance;

/// <summary>One stroke of a part in a performance.</summary>
/// <param name="Id">Address of the note.</param>
/// <param name="Part">Its part.</param>
/// <param name="From">Quarters from the start of the first measure of the range.</param>
/// <param name="To">Quarters from the start of the first measure of the range.</param>
/// <param name="Midi">Sounding MIDI key number.</param>
/// <param name="Velocity">MIDI velocity, 1 to 127.</param>
internal sealed record PartStroke(string Id, string Part, Fraction From, Fraction To, int Midi, int Velocity);

/// <summary>Plays a part as a good player gives it: graces, ornaments, lengths and levels.</summary>
internal sealed class PartPlayer(Score score, Part part, House house, Pace pace, Loudness loudness)
{
    private const double Spread = 0.04;

    private readonly HashSet<string> _slurredOn = SoundingShare.SlurredOn(part);
    // A grace that begins a trill from above is the trill's own first note.
    private readonly HashSet<string> _openings = TrillGraces.Openings(part);
    private readonly HashSet<string> _slurEnds = [.. part.Slurs.Select(s => s.To.Id)];

    /// <summary>All strokes in order.</summary>
    public IReadOnlyList<PartStroke> Play(IReadOnlyList<PlayedMeasure> played) =>
        [
            .. SoundReader
                .Of(part, played)
                .Where(s => !_openings.Contains(s.Note.Id))
                .GroupBy(s => (s.Note.Staff, s.Note.Voice))
                .SelectMany(voice => Voice([.. voice.OrderBy(s => s.From).ThenBy(s => !s.Note.IsGrace)]))
                .OrderBy(s => s.From)
                .ThenBy(s => s.Midi),
        ];

    private IEnumerable<PartStroke> Voice(IReadOnlyList<Sound> voice)
    {
        var laid = GraceTiming.Lay(voice, house, QuarterSeconds);
        for (var i = 0; i < laid.Count; i++)
        {
            var note = Ornamented(laid, i);
            if (Tremolo.IsPair(note.Sound, note.Next))
            {
                foreach (var stroke in Strokes(note, Tremolo.PlayPair(note)))
                    yield return stroke;
                i++;
                continue;
            }

            foreach (var stroke in Sounding(note))
                yield return stroke;
        }
    }

    private IEnumerable<PartStroke> Sounding(Ornamented note)
    {
        var sound = note.Sound;
        if (HasTop(note) && OrnamentTable.All.FirstOrDefault(o => o.Is(note)) is { } ornament)
            return Strokes(note, [.. Others(note), .. ornament.Play(note)]);
        // A note that comes again is begun anew, under a slur too.
        var slursOn = _slurredOn.Contains(sound.Note.Id) && note.Next?.Note.TopSounding != sound.Note.TopSounding;
        var isUnderSlur = _slurredOn.Contains(sound.Note.Id) || _slurEnds.Contains(sound.Note.Id);
        var end = sound.From + (sound.Note.IsGrace ? sound.Length : SoundingShare.Of(sound, slursOn, isUnderSlur));
        var keys = Keys(sound);
        return Strokes(
            note,
            sound.Has("arpeggiate") && keys.Count > 1 ? Spreading(note, keys, end) : keys.Select(k => new Stroke(sound.From, end, k))
        );
    }

    // Of a chord whose notes are held differently long only the one with the top note is ornamented.
    private static bool HasTop(Ornamented note) => note.Sound.Heads.Any(h => h.Sounding == note.Sound.Note.TopSounding);

    // The heads of a chord under its ornamented top.
    private IEnumerable<Stroke> Others(Ornamented note)
    {
        var keys = Keys(note.Sound);
        return keys.Where(k => k != note.Main).Select(k => new Stroke(note.Sound.From, note.Sound.To, k));
    }

    private static IEnumerable<Stroke> Spreading(Ornamented note, List<int> keys, Fraction end)
    {
        var each = QuickLength.Of(Spread, note.QuarterSeconds);
        if (each * keys.Count > note.Sound.Length / 2)
            each = note.Sound.Length / (2 * keys.Count);
        return keys.Select((k, i) => new Stroke(note.Sound.From + (each * i), end, k));
    }

    private List<int> Keys(Sound sound) =>
        [.. sound.Heads.Select(h => h.Sounding ?? PercussionKeys.Of(part)).Where(k => k is >= 0 and <= 127).Distinct().Order()];

    private IEnumerable<PartStroke> Strokes(Ornamented note, IEnumerable<Stroke> strokes)
    {
        var velocity = loudness.Of(note.Sound.Note);
        return strokes
            .Where(s => s.To > s.From && s.Midi is >= 0 and <= 127)
            .Select(s => new PartStroke(note.Sound.Id, part.Id, s.From, s.To, s.Midi, velocity));
    }

    private Ornamented Ornamented(List<Sound> laid, int i)
    {
        var sound = laid[i];
        var next = laid.Skip(i + 1).FirstOrDefault(s => !s.Note.IsGrace);
        var trill = OrnamentMarks.Trills.Any(sound.Has) ? TrillShape.Over(score, part, sound.Note, house) : null;
        return new Ornamented(sound, part, QuarterSeconds(sound.From), trill, TurnShape.Of(score, part, sound.Note, sound.Marks), next);
    }

    private double QuarterSeconds(Fraction at) => 60 / pace.QuarterBpmAt(at);
}
