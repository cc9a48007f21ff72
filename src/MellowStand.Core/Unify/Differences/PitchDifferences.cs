using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>A note that clashes with its doubling: D♯ in one part and D♮ in another at the same moment.</summary>
/// <remarks>Either a misprint or the worst mistake to come. Told at concert pitch, so that transposing parts can be compared. Common
/// practice, no published source.</remarks>
public sealed class PitchDifferences : IDifferenceRule
{
    private const double Again = 1.6;
    private const double InChord = 0.8;
    private const double InKey = 0.6;
    private const double InMeasure = 0.8;
    private const int Subtonic = 10;

    private static readonly int[] Major = [0, 2, 4, 5, 7, 9, 11];

    private static readonly int[] Minor = [0, 2, 3, 5, 7, 8, 9, 10, 11];

    private static readonly Fraction LongestBefore = 8;

    /// <inheritdoc/>
    public string Kind => "pitch";

    /// <inheritdoc/>
    public IEnumerable<Difference> Find(UnifyContext context, SharedLine line)
    {
        for (var i = 0; i < line.Notes[0].Count; i++)
        {
            var classes = line.Notes.Select(row => ((row[i].TopSounding!.Value % 12) + 12) % 12).ToList();
            if (classes.All(c => c == classes[0]))
                continue;
            // D♯ and E♭ are one key: readings are told by the first part that has it.
            var names = classes
                .Select(c => ConcertPitch.Of(line.Voices[classes.IndexOf(c)].Part, line.Notes[classes.IndexOf(c)][i]).Name)
                .ToList();
            var readings = line.Voices.Select((v, k) => new Reading(v.Part.Id, [line.Notes[k][i].Id], Signed(names[k]))).ToList();
            var place = i;
            var changes = readings.Select(r => r.Has).Distinct().ToDictionary(has => has, has => Changes(line, place, readings, has));
            var proposal = new Ballot(context, Kind, readings).With(Reasons(context, line, i, classes, readings)).Decide();
            yield return context.Difference(Kind, Kind, line, i, i, readings, changes, proposal);
        }
    }

    // The same music elsewhere, the chord at the moment, the key, and the measure.
    private static IEnumerable<Reason> Reasons(UnifyContext context, SharedLine line, int i, List<int> classes, List<Reading> readings)
    {
        var elsewhere = Elsewhere(context, line, i);
        if (elsewhere.Distinct().Count() == 1)
            yield return new Reason(elsewhere[0], Again, "elsewhere", $"Where the same music comes again it is {elsewhere[0]}.");
        var onset = line.Notes[0][i].Onset;
        var own = line.Voices.Select(v => v.Part.Id).ToHashSet();
        var sounding = context
            .Score.Parts.Where(p => !own.Contains(p.Id))
            .SelectMany(p => SoundingAt(p, onset))
            .Select(k => ((k % 12) + 12) % 12)
            .ToHashSet();
        if (Alone(classes, readings, sounding.Contains) is { } inChord)
            yield return new Reason(inChord, InChord, "around", $"Other parts sound {inChord} at the same moment.");
        if (Alone(classes, readings, c => IsInKey(context, line, i, c)) is { } inKey)
            yield return new Reason(inKey, InKey, "pattern", $"{inKey} is in the key.");
        if (Earlier(line, i, readings) is { } carried)
            yield return new Reason(carried, InMeasure, "pattern", $"Earlier in the measure it is {carried} in all parts.");
    }

    // In a minor key the leading note belongs to it where the tonic follows, and both sevenths elsewhere.
    private static bool IsInKey(UnifyContext context, SharedLine line, int i, int pitchClass)
    {
        var measure = line.Notes[0][i].MeasureIndex;
        if (context.Keys.FirstOrDefault(k => k.From <= measure && measure <= k.To) is not { } key)
            return false;
        var degree = (pitchClass - key.Tonic + 12) % 12;
        if (!key.IsMinor)
            return Major.Contains(degree);
        var next = i + 1 < line.Notes[0].Count ? (line.Notes[0][i + 1].TopSounding!.Value - key.Tonic + 120) % 12 : -1;
        return (next != 0 || degree != Subtonic) && Minor.Contains(degree);
    }

    // What all parts have on the same letter just before, in the same measure.
    private static string? Earlier(SharedLine line, int i, List<Reading> readings)
    {
        for (var j = i - 1; j >= 0 && line.Notes[0][j].MeasureIndex == line.Notes[0][i].MeasureIndex; j--)
        {
            var names = line.Voices.Select((v, k) => Signed(ConcertPitch.Of(v.Part, line.Notes[k][j]).Name)).Distinct().ToList();
            if (names is [var one] && readings.Exists(r => r.Has[0] == one[0]))
                return readings.Exists(r => r.Has == one) ? one : null;
        }

        return null;
    }

    // The reading for which alone something holds.
    private static string? Alone(List<int> classes, List<Reading> readings, Func<int, bool> holds)
    {
        var those = classes.Zip(readings).Where(x => holds(x.First)).Select(x => x.Second.Has).Distinct().ToList();
        return those.Count == 1 ? those[0] : null;
    }

    private static IEnumerable<int> SoundingAt(Part part, Fraction onset)
    {
        var at = part.Notes.PlaceFrom(n => n.Onset, onset - LongestBefore);
        for (; at < part.Notes.Count && part.Notes[at].Onset <= onset; at++)
            if (part.Notes[at] is { Kind: NoteKind.Pitched, IsGrace: false } n && n.End > onset)
                foreach (var h in n.Heads)
                    if (h.Sounding is { } key)
                        yield return key;
    }

    private static List<string> Elsewhere(UnifyContext context, SharedLine line, int i) =>
        [.. line.Voices.SelectMany((v, k) => SameMusic.Of(v, line.Notes[k][i]).Select(n => Signed(ConcertPitch.Of(v.Part, n).Name)))];

    private static string Signed(string name) => name.Length == 1 ? name + "♮" : name;

    private static IReadOnlyList<MarkChange> Changes(SharedLine line, int i, List<Reading> readings, string has)
    {
        var from = readings.FindIndex(r => r.Has == has);
        var sounding = ConcertPitch.Of(line.Voices[from].Part, line.Notes[from][i]);
        return
        [
            .. readings
                .Select((r, k) => (Reading: r, Voice: line.Voices[k], Note: line.Notes[k][i]))
                .Where(x => x.Reading.Has != has)
                .Select(x => new MarkChange(
                    x.Reading.Part,
                    [x.Note.Heads.MaxBy(h => h.Sounding)!.Id],
                    [new Mark("pitch", Plain(ConcertPitch.WrittenFor(x.Voice.Part, x.Note, sounding)))],
                    []
                )),
        ];
    }

    // As the short form and the marks spell it: F#4, Bb3.
    private static string Plain(Pitch p) =>
        p.Step
        + (
            p.Alter switch
            {
                1 => "#",
                -1 => "b",
                2 => "x",
                -2 => "bb",
                _ => "",
            }
        )
        + p.Octave.ToString(System.Globalization.CultureInfo.InvariantCulture);
}
