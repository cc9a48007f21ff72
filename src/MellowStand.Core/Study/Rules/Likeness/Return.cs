using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>The same music again: practice it once, then only the difference.</summary>
/// <remarks>Says which measures it repeats and where pitch, rhythm, articulation or slurs differ; the trap is the return whose articulation
/// differs in its first beat. Common practice, no published source.</remarks>
[Example("| C5q D5q E5q F5q | G5q F5q E5q D5q | E5h C5h | A5w | C5q D5q E5q F5q | G5q F5q E5q D5q", 1)]
[Example("| C5q D5q E5q F5q | G5q F5q E5q D5q | E5h C5h | A5w | D5q E5q F5q G5q | A5q G5q F5q E5q", 0)]
[Example("| C5q D5q E5q F5q | A5w | C5q D5q E5q F5q | G5w | C5q D5q E5q F5q", 1, "one measure comes again and again")]
[Example("| C5q D5q E5q F5q | A5w | C5q D5q E5q C5q | G5w", 1, "one measure with another last note")]
[Example("| C5q E5q G5q E5q | A4q C5q E5q C5q | F4q A4q C5q A4q", 0, "the chords change")]
public sealed class Return : IStudyRule
{
    private const int MostNamed = 4;
    private const int LeastMeasures = 4;
    private const int LeastNotes = 10;
    private const int ManyNotes = 6;

    /// <inheritdoc/>
    public string Name => "return";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Returns;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var measures = context.ContentOf(part);
        var blocks = context.FactsOf(part).Returns;
        foreach (var block in blocks)
        {
            var differences = Enumerable
                .Range(0, block.Length)
                .Select(k =>
                    (Place: k, What: Difference(measures[block.First + k], measures[block.Again + k], block.Different.Contains(k)))
                )
                .Where(d => d.What is not null)
                .ToList();
            var last = block.Again + block.Length - 1;
            var again = context.Measures(block.Again, last);
            var first = context.Measures(block.First, block.First + block.Length - 1);
            var notes = differences
                .SelectMany(d => DifferentNotes(measures[block.First + d.Place], measures[block.Again + d.Place]))
                .ToList();
            var ending =
                (block.EndsOtherwise ? $"; measure {context.Label(last + 1)} ends it otherwise" : "") + LevelWords(context, part, block);
            if (differences.Count == 0)
            {
                yield return new Finding(
                    Name,
                    [part.Id],
                    block.Again,
                    last,
                    [],
                    block.EndsOtherwise && IsTelling(measures, block, 0) ? Severity.Warn : Severity.Tell,
                    block.EndsOtherwise ? $"As {first}, with another ending" : $"The same as {first}",
                    $"{Sentences.Capital(again)} {Are(block)} {first} again: practice once{ending}."
                );
                continue;
            }

            var named = string.Join(
                "; ",
                differences.Take(MostNamed).Select(d => $"measure {context.Label(block.Again + d.Place)} {d.What}")
            );
            yield return new Finding(
                Name,
                [part.Id],
                block.Again,
                last,
                [.. notes.Select(n => n.Id)],
                IsTelling(measures, block, differences.Count) ? Severity.Warn : Severity.Tell,
                $"As {first}, with a difference",
                $"{Sentences.Capital(again)} {Are(block)} {first} again, except: "
                    + $"{named}{(differences.Count > MostNamed ? $"; and {differences.Count - MostNamed} more" : "")}{ending}."
            )
            {
                Fact = FactOf(block),
            };
        }

        bool IsTold(int m) => blocks.Any(b => (m >= b.Again && m < b.Again + b.Length) || (m >= b.First && m < b.First + b.Length));
        foreach (var single in SingleMeasures.Find(measures, IsTold))
            yield return Single(context, part, measures, single);
    }

    private Finding Single(StudyContext context, Part part, IReadOnlyList<MeasureContent> measures, SingleMeasure single)
    {
        var (first, last) = (single.Places[0], single.Places[^1]);
        var labels = single.Places.Select(context.Label).ToList();
        var named = $"{string.Join(", ", labels.SkipLast(1))} and {labels[^1]}";
        var others = single.EndsOtherwise ? [] : single.Places.Skip(1).Select(p => Otherwise(measures[first], measures[p]));
        if (others.FirstOrDefault(d => d is not null) is { } other)
            return Finding.At(
                Name,
                part,
                other,
                Severity.Warn,
                $"As measure {labels[0]}, articulated otherwise",
                $"Measure {context.Label(other[0].MeasureIndex)} has the notes of measure {labels[0]} with other slurs or articulations: "
                    + "the hand knows the first."
            );
        if (!single.EndsOtherwise)
            return new Finding(
                Name,
                [part.Id],
                single.Places[1],
                last,
                [],
                single.Places.Count > 2 || measures[first].Sounding.Count >= ManyNotes ? Severity.Tell : Severity.Note,
                $"Measures {named} are the same",
                $"Measures {named} are the same: one is learnt instead of {single.Places.Count}."
            );
        var notes = measures[last].Sounding.Skip(single.Same).ToList();
        var before = string.Join(' ', measures[first].Sounding.Skip(single.Same).Select(n => n.Top?.Name));
        return Finding.At(
            Name,
            part,
            notes,
            Severity.Note,
            $"As measure {labels[0]}, with another end",
            $"Measure {labels[^1]} begins as measure {labels[0]} and is different from beat {context.Beat(notes[0])} on: "
                + $"{string.Join(' ', notes.Select(n => n.Top?.Name))} instead of {before}."
        );
    }

    private static List<Note>? Otherwise(MeasureContent first, MeasureContent again) =>
        first.Marks == again.Marks || DifferentMarks(first, again).ToList() is not { Count: > 0 } notes ? null : notes;

    // The same notes at another level: the hand knows them and plays the first version.
    private static string LevelWords(StudyContext context, Part part, RepeatedBlock block)
    {
        var (before, now) = (LevelAt(context, part, block.First), LevelAt(context, part, block.Again));
        if (before is null || now is null || before.Level == now.Level)
            return "";
        return $"; the level is another: {now.Sign} instead of {before.Sign}";
    }

    private static PrintedLevel? LevelAt(StudyContext context, Part part, int measure) =>
        context.ContentOf(part)[measure].Sounding is [var first, ..] ? context.LevelsOf(part).At(first.Onset) : null;

    // A tune that comes again sets a trap; a few measures of accompaniment that resemble others do not.
    private static bool IsTelling(IReadOnlyList<MeasureContent> measures, RepeatedBlock block, int differences) =>
        block.Length >= LeastMeasures
        && differences * 3 <= block.Length + 1
        && Enumerable.Range(block.Again, block.Length).Sum(m => measures[m].Sounding.Count) >= LeastNotes;

    private static string FactOf(RepeatedBlock block) => $"{block.First} {block.Again} {block.Length}";

    private static string Are(RepeatedBlock block) => block.Length == 1 ? "is" : "are";

    private static string? Difference(MeasureContent a, MeasureContent b, bool pitchOrRhythm)
    {
        if (pitchOrRhythm || a.Pitches != b.Pitches)
            return a.Rhythm != b.Rhythm ? "has another rhythm" : $"has {Pitches(b, a)}";
        if (a.Marks == b.Marks)
            return null;
        return Slurs(a) != Slurs(b) && WithoutSlurs(a) == WithoutSlurs(b) ? "is slurred otherwise" : "is articulated otherwise";
    }

    private static string Pitches(MeasureContent now, MeasureContent before)
    {
        var changed = now
            .Sounding.Zip(before.Sounding)
            .Where(p => p.First.TopSounding != p.Second.TopSounding && p.First.Top is not null && p.Second.Top is not null)
            .ToList();
        return changed.Count == 1 ? $"{changed[0].First.Top} for {changed[0].Second.Top}" : "other notes";
    }

    private static string Slurs(MeasureContent m) =>
        string.Join(
            ' ',
            m.Sounding.Select(n =>
                string.Concat(
                    n.Marks.Where(x => x.Name.StartsWith("slur", StringComparison.Ordinal))
                        .Select(x => x.Name)
                        .Order(StringComparer.Ordinal)
                )
            )
        );

    private static string WithoutSlurs(MeasureContent m) =>
        string.Join(
            ' ',
            m.Sounding.Select(n =>
                string.Join(
                    ',',
                    n.Marks.Where(x => !x.Name.StartsWith("slur", StringComparison.Ordinal) && x.Name is not ("words" or "dynamics"))
                        .Select(x => x.ToString())
                        .Order(StringComparer.Ordinal)
                )
            )
        );

    /// <summary>The notes of a measure that carry other marks than those of an earlier one, note by note.</summary>
    internal static IEnumerable<Note> DifferentMarks(MeasureContent before, MeasureContent now) =>
        now
            .Sounding.Zip(before.Sounding)
            .Where(p =>
                !p.First.Marks.Where(m => m.Name != "dynamics").ToHashSet().SetEquals(p.Second.Marks.Where(m => m.Name != "dynamics"))
            )
            .Select(p => p.First);

    private static IEnumerable<Note> DifferentNotes(MeasureContent before, MeasureContent now)
    {
        if (before.Rhythm != now.Rhythm)
            return now.Sounding;
        return now
            .Sounding.Zip(before.Sounding)
            .Where(p =>
                p.First.TopSounding != p.Second.TopSounding
                || !p.First.Marks.Where(m => m.Name != "dynamics").ToHashSet().SetEquals(p.Second.Marks.Where(m => m.Name != "dynamics"))
            )
            .Select(p => p.First);
    }
}
