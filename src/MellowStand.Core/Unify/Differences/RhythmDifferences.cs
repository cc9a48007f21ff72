using System.Globalization;
using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>The same notes in another rhythm: dotted against even, tied against repeated, held against short.</summary>
/// <remarks>Between two places where all parts of the line strike together, the same pitches at other moments; or a note held longer in one
/// part than in another. Struck instruments do not hold. Common practice, no published source.</remarks>
public sealed class RhythmDifferences : IDifferenceRule
{
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
            yield return Make(context, line, i, i, readings);
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
        var readings = line
            .Voices.Select(
                (v, k) =>
                    new Reading(
                        v.Part.Id,
                        [start[k].Id, .. between[k].Select(n => n.Id)],
                        string.Join(' ', between[k].Prepend(start[k]).Select(n => Notation.Lengths.Value(n.SoundingDuration)))
                    )
            )
            .ToList();
        return readings.Select(r => r.Has).Distinct().Count() > 1 ? [Make(context, line, place, place, readings)] : [];
    }

    private Difference Make(UnifyContext context, SharedLine line, int from, int to, List<Reading> readings)
    {
        var proposal = ProposalRules.ByLeaderOrMost(context, readings);
        var changes = readings
            .Select(r => r.Has)
            .Distinct()
            .ToDictionary(
                has => has,
                has =>
                    (IReadOnlyList<MarkChange>)
                        [
                            .. readings
                                .Where(r => r.Has != has)
                                .Select(r => new MarkChange(
                                    r.Part,
                                    [r.Notes[0]],
                                    [new Mark("words", $"[as {context.NameOf(readings.First(x => x.Has == has).Part)}: {has}]")],
                                    []
                                )),
                        ]
            );
        return context.Difference(Kind, line, from, to, readings, changes, proposal);
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
