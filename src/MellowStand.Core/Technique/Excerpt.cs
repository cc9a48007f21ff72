using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Technique;

/// <summary>The notes of a passage in order, with what a rule may ask of them.</summary>
public sealed class Excerpt
{
    private readonly Func<int, double> _quarterBpm;
    private readonly Step[] _steps;

    /// <summary>Reads measures of a part.</summary>
    /// <param name="score">The score.</param>
    /// <param name="part">The part.</param>
    /// <param name="from">First measure from 0.</param>
    /// <param name="to">Last measure from 0.</param>
    /// <param name="house">The school's answers.</param>
    /// <param name="quarterBpm">Quarters per minute at a measure.</param>
    /// <param name="takesUnpitched">True when notes without a pitch are played too, in a part that has no others.</param>
    public Excerpt(Score score, Part part, int from, int to, House house, Func<int, double> quarterBpm, bool takesUnpitched = false)
    {
        (Score, Part, House, _quarterBpm) = (score, part, house, quarterBpm);
        var slurred = SlurredNotes(part);
        var isPitched = !takesUnpitched || part.Notes.Any(n => n.Kind == NoteKind.Pitched);
        var groups = Struck(
            part.Notes.Where(n =>
                n.MeasureIndex >= from
                && n.MeasureIndex <= to
                && n.Sounds
                && !n.IsCue
                && !n.IsTieContinuation
                && (!isPitched || n.Top is not null)
            )
        );
        var notes = groups.ConvertAll(g => g.Count == 1 ? g[0] : g.MaxBy(n => n.TopSounding)!);
        _steps = Joined([
            .. notes.Select(
                (n, i) =>
                    new Step(
                        n,
                        n.Top ?? default,
                        i == 0 || IsAfterRest(notes[i - 1], n) ? null : Seconds(notes[i - 1], n),
                        slurred.Contains(n.Id)
                    )
                    {
                        Chord = Keys(groups[i]),
                    }
            ),
        ]);
    }

    /// <summary>The score.</summary>
    public Score Score { get; }

    /// <summary>The part.</summary>
    public Part Part { get; }

    /// <summary>The school's answers.</summary>
    public House House { get; }

    /// <summary>The notes in order: graces too; what is struck at once is one step, named by its top note.</summary>
    public IReadOnlyList<Step> Steps => _steps;

    /// <summary>A step.</summary>
    /// <param name="place">Its place from 0.</param>
    public Step this[int place] => _steps[place];

    /// <summary>The signature in force at a place.</summary>
    public KeySignature KeyAt(int place) => Part.Measures[Steps[place].Note.MeasureIndex].Key;

    /// <summary>The written pitch class so many places away, or null beyond the passage or a rest.</summary>
    public int? PitchClassAt(int place, int offset)
    {
        var at = place + offset;
        if (at < 0 || at >= Steps.Count)
            return null;
        for (var i = Math.Min(place, at) + 1; i <= Math.Max(place, at); i++)
            if (Steps[i].Before is null)
                return null;
        return Steps[at].PitchClass;
    }

    /// <summary>True when one of the pitch classes stands within so many notes before or after, with no rest between.</summary>
    public bool IsNear(int place, int reach, params int[] pitchClasses)
    {
        for (var o = -reach; o <= reach; o++)
            if (o != 0 && PitchClassAt(place, o) is { } pc && pitchClasses.Contains(pc))
                return true;
        return false;
    }

    /// <summary>True where two notes go back and forth.</summary>
    public bool IsShake(int place)
    {
        bool Same(int a, int b) => a >= 0 && b < Steps.Count && Steps[a].Key == Steps[b].Key;
        return Same(place - 2, place) && (Same(place - 3, place - 1) || Same(place - 1, place + 1))
            || (Same(place, place + 2) && Same(place - 1, place + 1));
    }

    /// <summary>True where the music is in flats: by its signature, or by what stands within eight notes with no B♮ among them (a key that
    /// is not printed).</summary>
    public bool IsInFlats(int place)
    {
        if (KeyAt(place).Fifths < 0)
            return true;
        var near = Steps.Skip(Math.Max(0, place - 8)).Take(17).Select(s => s.Written).ToList();
        return near.Count(p => p.Alter < 0) >= 4 && near.All(p => p.PitchClass != 11);
    }

    /// <summary>Length of a note in beats of its meter.</summary>
    public Fraction Beats(int place)
    {
        var note = Steps[place].Note;
        return note.SoundingDuration / Score.Measures[note.MeasureIndex].Meter.BeatUnit;
    }

    /// <summary>Seconds that a note sounds, with its ties.</summary>
    public double SecondsOf(int place) => Steps[place].Note.SoundingDuration.Value * 60 / _quarterBpm(Steps[place].Note.MeasureIndex);

    /// <summary>Seconds from the start of one note to the start of a later one, at the tempo of the first.</summary>
    public double SecondsBetween(int from, int to) =>
        (Steps[to].Note.Onset - Steps[from].Note.Onset).Value * 60 / _quarterBpm(Steps[from].Note.MeasureIndex);

    // What a step is to those beside it.
    private static Step[] Joined(Step[] steps)
    {
        bool Same(int a, int b) => a >= 0 && b < steps.Length && steps[a].Key == steps[b].Key;
        var joined = new Step[steps.Length];
        for (var i = 0; i < steps.Length; i++)
            joined[i] =
                i == 0
                    ? steps[i]
                    : steps[i] with
                    {
                        Moves = steps[i].Key - steps[i - 1].Key,
                        IsAgain = steps[i].Before is not null && AreStruckAlike(steps[i - 1].Chord, steps[i].Chord),
                        IsAwayAndBack = Same(i - 2, i) || Same(i - 1, i + 1),
                    };
        return joined;
    }

    private static bool AreStruckAlike(IReadOnlyList<int> before, IReadOnlyList<int> now) =>
        before.Count == now.Count && now.Count > 0 && before[^1] == now[^1] && (now.Count == 1 || before.SequenceEqual(now));

    // Notes that begin together are struck at once, whatever their voice; a grace stands alone.
    private static List<List<Note>> Struck(IEnumerable<Note> notes)
    {
        var groups = new List<List<Note>>();
        var open = new Dictionary<Fraction, List<Note>>();
        foreach (var note in notes)
        {
            if (!note.IsGrace && open.TryGetValue(note.Onset, out var group))
            {
                group.Add(note);
                continue;
            }

            groups.Add([note]);
            if (!note.IsGrace)
                open[note.Onset] = groups[^1];
        }

        return groups;
    }

    // Sounding keys of all that is struck at once, the lowest first.
    private static IReadOnlyList<int> Keys(List<Note> group)
    {
        if (group is [{ Heads: [{ Sounding: var only }] }])
            return only is { } key ? [key] : [];
        return [.. group.SelectMany(n => n.Heads).Where(h => h.Sounding is not null).Select(h => h.Sounding!.Value).Distinct().Order()];
    }

    private static bool IsAfterRest(Note before, Note note) => note.Onset > before.Onset + before.SoundingDuration;

    private double Seconds(Note before, Note note)
    {
        var quarters = (note.Onset - before.Onset).Value;
        return Math.Max(0.05, quarters == 0 ? 0.08 : quarters * 60 / _quarterBpm(before.MeasureIndex));
    }

    // Every note inside a slur but its first.
    private static HashSet<string> SlurredNotes(Part part)
    {
        var inside = new HashSet<string>();
        foreach (var slur in part.Slurs)
        {
            foreach (var n in part.Notes.Skip(part.PlaceFrom(slur.From.Onset)).TakeWhile(n => n.Onset <= slur.To.Onset))
                if (n != slur.From && n.Voice == slur.From.Voice && (n.Onset > slur.From.Onset || slur.From.IsGrace))
                    inside.Add(n.Id);
        }

        return inside;
    }
}
