using System.Globalization;
using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>The same notes in another rhythm: dotted against even, tied against repeated, held against short.</summary>
/// <remarks>Between two places where all parts of the line strike together, the same pitches at other moments; or a note held longer in one
/// part than in another. Struck instruments do not hold. Common practice, no published source.</remarks>
public sealed class RhythmDifferences : IDifferenceRule
{
    private const int LeastStriking = 2;
    private const double AroundWeight = 0.7;

    private static readonly Fraction Longest = 6;

    /// <inheritdoc/>
    public string Kind => "rhythm";

    /// <inheritdoc/>
    public IEnumerable<Difference> Find(UnifyContext context, SharedLine line) =>
        AfterTheLine(context, line)
            .Concat(BeforeTheLine(context, line))
            .Concat(Lengths(context, line.Only(v => !context.IsStruck(v.Part))));

    private IEnumerable<Difference> Lengths(UnifyContext context, SharedLine line)
    {
        if (line.Voices.Count < 2)
            yield break;
        for (var i = 0; i < line.Notes[0].Count; i++)
        {
            // Where the parts go their own ways, the last note they share may be of any length.
            if (i == line.Notes[0].Count - 1 && !GoOnTogether(line))
                break;
            var lengths = line.Notes.Select(row => row[i].SoundingDuration).ToList();
            if (lengths.All(l => l == lengths[0]))
                continue;
            var readings = line
                .Voices.Select(
                    (v, k) => new Reading(v.Part.Id, [line.Notes[k][i].Id], Notation.Lengths.Value(line.Notes[k][i].SoundingDuration))
                )
                .ToList();
            if (readings.Select(r => r.Has).Distinct().Count() < 2)
                continue;
            yield return Make(context, line, i, readings, [.. line.Notes.Select(row => new List<Note> { row[i] })]);
        }
    }

    private static bool GoOnTogether(SharedLine line)
    {
        var next = line.Voices.Select((v, k) => v.Notes.FirstOrDefault(n => n.Onset > line.Notes[k][^1].Onset)?.Onset).ToList();
        return next.All(o => o == next[0]);
    }

    // A line ends where its parts strike at other moments; when they meet again with the same notes, the rhythm between is the difference.
    private List<Difference> AfterTheLine(UnifyContext context, SharedLine line)
    {
        var last = line.Notes.Select(row => row[^1]).ToList();
        var after = line
            .Voices.Select(
                (v, k) => v.Notes.SkipWhile(n => n.Onset <= last[k].Onset).TakeWhile(n => n.Onset - last[k].Onset <= Longest).ToList()
            )
            .ToList();
        var meet = after[0].FirstOrDefault(n => after.All(a => a.Any(m => m.Onset == n.Onset && Class(m) == Class(n))));
        // At the end of a phrase they meet in the rest.
        var end = meet?.Onset ?? last.Max(n => n.Onset + n.SoundingDuration);
        var between = after.Select(a => a.TakeWhile(n => n.Onset < end).ToList()).ToList();
        if (
            meet is null
            && (
                between.All(b => b.Count == 0)
                || between.Select((b, k) => b.LastOrDefault() ?? last[k]).Any(n => n.Onset + n.SoundingDuration != end)
            )
        )
            return [];
        return Told(context, line, last, between, line.Notes[0].Count - 1);
    }

    // The same where a line begins: its parts met before with the same note, and went there at other moments.
    private List<Difference> BeforeTheLine(UnifyContext context, SharedLine line)
    {
        var first = line.Notes.Select(row => row[0]).ToList();
        var before = line
            .Voices.Select(
                (v, k) => v.Notes.TakeWhile(n => n.Onset < first[k].Onset).Where(n => first[k].Onset - n.Onset <= Longest).ToList()
            )
            .ToList();
        var meet = before[0].LastOrDefault(n => before.All(a => a.Any(m => m.Onset == n.Onset && Class(m) == Class(n))));
        if (meet is null)
            return [];
        var met = before.Select(b => b.First(n => n.Onset == meet.Onset)).ToList();
        return Told(context, line, met, [.. before.Select(b => b.Where(n => n.Onset > meet.Onset).ToList())], 0);
    }

    private List<Difference> Told(UnifyContext context, SharedLine line, List<Note> start, List<List<Note>> between, int place)
    {
        if (
            between.Select(b => string.Join(' ', b.Select(n => n.Onset))).Distinct().Count() == 1
            || between.Select((b, k) => Pitches(start[k], b)).Distinct().Count() > 1
        )
            return [];
        var notes = between.Select((b, k) => b.Prepend(start[k]).ToList()).ToList();
        var readings = line
            .Voices.Select(
                (v, k) =>
                    new Reading(
                        v.Part.Id,
                        [.. notes[k].Select(n => n.Id)],
                        string.Join(' ', notes[k].Select(n => Notation.Lengths.Value(n.SoundingDuration)))
                    )
            )
            .ToList();
        return readings.Select(r => r.Has).Distinct().Count() > 1 ? [Make(context, line, place, readings, notes)] : [];
    }

    private Difference Make(UnifyContext context, SharedLine line, int place, List<Reading> readings, List<List<Note>> notes)
    {
        var proposal = new Ballot(context, Kind, readings).With(Around(context, line, readings, notes)).Decide();
        var changes = readings
            .Select(r => r.Has)
            .Distinct()
            .ToDictionary(
                has => has,
                has =>
                {
                    var source = readings.FindIndex(r => r.Has == has);
                    return (IReadOnlyList<MarkChange>)
                        [
                            .. readings
                                .Select((r, k) => (r, k))
                                .Where(x => x.r.Has != has)
                                .Select(x => Change(context, readings[source], notes[source], x.r, notes[x.k])),
                        ];
                }
            );
        // Words above a note are no mended note: they are not written in unseen.
        var isWords = changes[proposal.Mark].Any(c => c.Added.Any(m => m.Name == "words"));
        var sure = isWords ? proposal.AtMost(Sureness.Likely) : proposal;
        return context.Difference(Kind, Kind, line, place, place, readings, changes, sure);
    }

    // The notes themselves where they are as many and fill the same time; else words above them.
    private static MarkChange Change(UnifyContext context, Reading from, List<Note> model, Reading to, List<Note> notes)
    {
        var fits =
            notes.Count == model.Count
            && notes.Concat(model).All(n => n.Duration == n.SoundingDuration)
            && notes.Select(n => n.Duration).Aggregate((a, b) => a + b) == model.Select(n => n.Duration).Aggregate((a, b) => a + b)
            && notes.All(n => n.MeasureIndex == notes[0].MeasureIndex);
        var mark = fits
            ? new Mark("rhythm", string.Join(' ', model.Select(n => n.Duration)))
            : new Mark("words", $"[as {context.NameOf(from.Part)}: {from.Has}]");
        return new MarkChange(to.Part, fits ? to.Notes : [to.Notes[0]], [mark], []);
    }

    // Parts outside the line that strike at the moments of one reading alone.
    private static IEnumerable<Reason> Around(UnifyContext context, SharedLine line, List<Reading> readings, List<List<Note>> notes)
    {
        var moments = readings.Select((r, k) => (r.Has, Onsets: notes[k].Select(n => n.Onset).ToHashSet())).DistinctBy(x => x.Has).ToList();
        if (moments.Count != 2)
            yield break;
        var own = line.Voices.Select(v => v.Part.Id).ToHashSet();
        int Striking(HashSet<Fraction> mine, HashSet<Fraction> theirs) =>
            mine.Except(theirs)
                .Sum(o => context.Score.Parts.Count(p => !own.Contains(p.Id) && p.FirstSoundingFrom(o) is { } n && n.Onset == o));
        var (a, b) = (Striking(moments[0].Onsets, moments[1].Onsets), Striking(moments[1].Onsets, moments[0].Onsets));
        if (Math.Max(a, b) >= LeastStriking && Math.Min(a, b) == 0)
            yield return new Reason(
                a > b ? moments[0].Has : moments[1].Has,
                AroundWeight,
                "around",
                "Other parts strike at the same moments."
            );
    }

    private static int Class(Note n) => ((n.TopSounding!.Value % 12) + 12) % 12;

    // Repeated notes count once: a tie and a repetition sound the same pitches.
    private static string Pitches(Note first, List<Note> rest)
    {
        var row = new List<int> { Class(first) };
        foreach (var pc in rest.Select(Class))
            if (row[^1] != pc)
                row.Add(pc);
        return string.Join(' ', row);
    }
}
