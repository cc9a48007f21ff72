using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;
using MellowStand.Core.Study;

namespace MellowStand.Core.Practice;

/// <summary>Takes a passage out of a score as plain music: every voice without a gap, ties and slurs that reach out of it cut.</summary>
internal static class PracticeRangeReader
{
    public static PlainPart Read(StudyContext study, Part part, int from, int to)
    {
        var last = Enumerable.Range(from, to - from + 1).Select(m => Measure(study.Score, part, m)).ToList();
        last[0] = last[0] with { Signs = [.. InForce(study, part, from), .. last[0].Signs] };
        return PlainTidy.Of(
            new PlainPart(part.Name.Length > 0 ? part.Name : part.Id, Clefs(part), part.Transposition, last)
            {
                Sound = part.Sound,
                Program = part.MidiProgram,
            }
        );
    }

    /// <summary>What a part begins a measure with: the first note of each voice, for a beat; null where nothing is struck there.</summary>
    public static PlainMeasure? Landing(StudyContext study, Part part, int index)
    {
        if (index >= study.Score.Measures.Count)
            return null;
        var measure = Measure(study.Score, part, index);
        var voices = measure
            .Voices.Select(v => new PlainVoice(v.Staff, Landed(v, measure.Meter.IsSenza ? 1 : measure.Meter.BeatUnit, measure.Length)))
            .ToList();
        return voices.Exists(v => v.Notes[0].Sounds) ? measure with { Voices = voices, Signs = [] } : null;
    }

    private static List<PlainNote> Landed(PlainVoice voice, Fraction beat, Fraction length)
    {
        var first = voice.Notes.FirstOrDefault(n => !n.IsGrace);
        if (first is not { Sounds: true } || first.Source is { IsTieContinuation: true })
            return [PlainNote.Rest(length)];
        var held = first.Length < beat ? first.Length : beat;
        var landed = first.Untied() with { Length = held, Value = null, Marks = [], SlurStarts = 0, SlurEnds = 0 };
        return held < length ? [landed, PlainNote.Rest(length - held)] : [landed];
    }

    private static List<string> Clefs(Part part) => [ClefOf(part), .. Enumerable.Repeat("F4", part.Staves - 1)];

    // Tablature and staves without a clef are read on five lines.
    private static string ClefOf(Part part) =>
        part.Clef is { Length: >= 2 } clef
        && (clef == "percussion" || ("GFC".Contains(clef[0], StringComparison.Ordinal) && clef[1] is >= '1' and <= '5'))
            ? clef
            : "G2";

    private static PlainMeasure Measure(Score score, Part part, int index)
    {
        var frame = score.Measures[index];
        var content = part.Measures[index];
        var voices = content
            .Notes.Where(n => !n.IsCue)
            .GroupBy(n => (n.Staff, n.Voice))
            .OrderBy(g => g.Key.Staff)
            .SelectMany(g => Voices(g.Key.Staff, [.. g], frame.Length))
            .ToList();
        // Every staff has something to read.
        for (var staff = 1; staff <= part.Staves; staff++)
            if (!voices.Exists(v => v.Staff == staff))
                voices.Add(new PlainVoice(staff, [PlainNote.Rest(frame.Length)]));
        return new PlainMeasure(content.Meter, content.Key, [.. voices.Where(v => v.Length > Fraction.Zero)])
        {
            Label = frame.Label,
            IsImplicit = frame.IsPickup || frame.Length < content.Meter.Length,
            Signs = [.. Signs(score, part, frame)],
        };
    }

    // Notes of one voice that overlap stand in voices of their own.
    private static IEnumerable<PlainVoice> Voices(int staff, List<Note> notes, Fraction length)
    {
        while (notes.Count > 0)
        {
            var (taken, left) = (new List<PlainNote>(), new List<Note>());
            var at = Fraction.Zero;
            foreach (var note in notes)
            {
                if (note.Offset < at)
                {
                    left.Add(note);
                    continue;
                }

                if (note.Offset > at)
                    taken.Add(PlainNote.Rest(note.Offset - at));
                taken.Add(Note(note));
                at = note.Offset + note.Duration;
            }

            if (at < length)
                taken.Add(PlainNote.Rest(length - at));
            yield return new PlainVoice(staff, taken);
            notes = left;
        }
    }

    private static PlainNote Note(Note note)
    {
        // A note of a tremolo in pairs is printed twice as long as it is.
        var isHalf = note.Tuplet == (2, 1);
        var value = note.Type is { } type && !isHalf ? new PlainValue(type, note.Dots, note.Tuplet.Actual, note.Tuplet.Normal) : null;
        return new PlainNote([.. note.Heads.Select(h => new PlainHead(h.Written, h.TiedTo is not null))], note.Duration)
        {
            Value = IsTrue(value, note) ? value : null,
            Source = note,
            IsGrace = note.IsGrace,
            HasSlash = note.GraceSlash,
            Marks =
            [
                .. note.Marks.Where(m => m.Name is not ("slur-start" or "slur-stop" or "dynamics") && !(isHalf && m.Name == "tremolo")),
            ],
            SlurStarts = note.Marks.Count(m => m.Name == "slur-start"),
            SlurEnds = note.Marks.Count(m => m.Name == "slur-stop"),
        };
    }

    // A whole rest stands for any whole measure: its printed value is not its length.
    private static bool IsTrue(PlainValue? value, Note note) =>
        value is not null && (note.IsGrace || LengthSpelling.One(note.Duration) is { } own && own == value || value.Actual != value.Normal);

    private static IEnumerable<PlainSign> Signs(Score score, Part part, MeasureFrame frame)
    {
        foreach (var d in part.Directions.Where(d => d.MeasureIndex == frame.Index))
            if (d.Kind == DirectionKind.Dynamic && DynamicLevels.IsLevel(d.Text))
                yield return new PlainSign(d.Offset, PlainSignKind.Dynamic, d.Text);
        foreach (var note in part.Measures[frame.Index].Notes.Where(n => !n.IsCue))
            foreach (var mark in note.Marks.Where(m => m is { Name: "dynamics", Value: not null } && DynamicLevels.IsLevel(m.Value)))
                yield return new PlainSign(note.Offset, PlainSignKind.Dynamic, mark.Value!);
        foreach (var h in part.Hairpins.Where(h => h.FromMeasure == frame.Index && h.ToMeasure == frame.Index))
        {
            yield return new PlainSign(h.From - frame.Start, h.Grows ? PlainSignKind.Crescendo : PlainSignKind.Diminuendo);
            yield return new PlainSign(h.To - frame.Start, PlainSignKind.HairpinEnd);
        }
    }

    private static IEnumerable<PlainSign> InForce(StudyContext study, Part part, int from)
    {
        var start = study.Score.Measures[from].Start;
        if (study.LevelsOf(part).At(start) is { } level && level.Onset < start)
            yield return new PlainSign(Fraction.Zero, PlainSignKind.Dynamic, DynamicLevels.SignOf(level.Level));
    }
}
