using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Parts of a line at different levels: a sign missing, another level, or a sign at another place.</summary>
/// <remarks>Compared is the level in force at each note, not only the printed sign; a difference begins at the note where a level changes
/// in some part and is one entry until the levels change again. Signs that strike one note only (sfz, fp) are compared note by note. Levels
/// that stay the same step apart wherever both parts print one are balance, and told as a note. Common practice, no published
/// source.</remarks>
public sealed class DynamicDifferences : IDifferenceRule
{
    private const int LeastForBalance = 2;

    /// <inheritdoc/>
    public string Kind => "dynamic";

    /// <inheritdoc/>
    public IEnumerable<Difference> Find(UnifyContext context, SharedLine line)
    {
        var lines = line.Voices.Select(v => context.LevelsOf(v.Part)).ToList();
        var balance = IsBalance(line, lines);
        List<int?>? running = null;
        for (var i = 0; i < line.Notes[0].Count; i++)
        {
            var onsets = line.Notes.Select(row => row[i].Onset).ToList();
            var levels = lines.Select((l, k) => l.At(onsets[k])?.Level).ToList();
            var printed = line.Notes.Select(row => Printed(row[i])).ToList();
            var strikes = printed.Select(p => string.Join('+', p.Where(s => DynamicLevels.LevelAfter(s) is null))).ToList();
            var differs = levels.Distinct().Count() > 1;
            var begins = differs && (running is null || !running.SequenceEqual(levels));
            running = differs ? levels : null;
            if (!begins && strikes.Distinct().Count() == 1)
                continue;
            var readings = line
                .Voices.Select(
                    (v, k) =>
                        new Reading(
                            v.Part.Id,
                            [line.Notes[k][i].Id],
                            Has(printed[k], begins && printed.All(p => p.Count == 0) ? lines[k].At(onsets[k])?.Sign : null)
                        )
                )
                .ToList();
            if (readings.Select(r => r.Has).Distinct().Count() < 2)
                continue;
            var place = i;
            var last = begins ? LastAlike(line, lines, i, levels) : i;
            var changes = readings
                .Select(r => r.Has)
                .Distinct()
                .ToDictionary(
                    has => has,
                    has =>
                        (IReadOnlyList<MarkChange>)
                            [
                                .. readings
                                    .Select((r, k) => (r, Note: line.Notes[k][place]))
                                    .Where(x => x.r.Has != has)
                                    .Select(x => Change(x.r, Printed(x.Note), has))
                                    .Where(c => c.Added.Count + c.Removed.Count > 0),
                            ]
                );
            yield return context.Difference(
                Kind,
                line,
                i,
                last,
                readings,
                changes,
                ProposalRules.ForLevels(context, readings, IsOnTop(context, line, i)),
                balance && printed.All(p => p.Count > 0)
            );
        }
    }

    private static List<string> Printed(Note note) =>
        [.. note.Marks.Where(m => m.Name == "dynamics" && m.Value is not null).Select(m => m.Value!).Distinct()];

    private static string Has(List<string> printed, string? inForce) => printed.Count > 0 ? string.Join('+', printed) : inForce ?? "";

    private static MarkChange Change(Reading reading, List<string> printed, string to)
    {
        var wants = to.Split('+', StringSplitOptions.RemoveEmptyEntries);
        return new MarkChange(
            reading.Part,
            reading.Notes,
            [.. wants.Except(printed).Select(s => new Mark("dynamics", s))],
            [.. printed.Except(wants).Select(s => new Mark("dynamics", s))]
        );
    }

    private static int LastAlike(SharedLine line, List<LevelLine> lines, int from, List<int?> levels)
    {
        var last = from;
        while (last + 1 < line.Notes[0].Count && lines.Select(l => l.At(line.Notes[0][last + 1].Onset)?.Level).SequenceEqual(levels))
            last++;
        return last;
    }

    // No part outside the line sounds higher in the measure.
    private static bool IsOnTop(UnifyContext context, SharedLine line, int place)
    {
        var measure = line.Notes[0][place].MeasureIndex;
        int Highest(Part part) =>
            part.Measures[measure].Notes.Where(n => n.TopSounding is not null).Select(n => n.TopSounding!.Value).DefaultIfEmpty(0).Max();
        var own = line.Voices.Select(v => v.Part).ToHashSet();
        return own.Max(Highest) >= context.Score.Parts.Where(p => !own.Contains(p)).Select(Highest).DefaultIfEmpty(0).Max();
    }

    // The same distance wherever both print a level, at two places or more.
    private static bool IsBalance(SharedLine line, List<LevelLine> lines)
    {
        var both = Enumerable
            .Range(0, line.Notes[0].Count)
            .Where(i => line.Notes.All(row => Printed(row[i]).Any(s => DynamicLevels.LevelAfter(s) is not null)))
            .Select(i =>
                string.Join(' ', lines.Select(l => l.At(line.Notes[0][i].Onset)!.Level - lines[0].At(line.Notes[0][i].Onset)!.Level))
            )
            .ToList();
        return both.Count >= LeastForBalance && both.Distinct().Count() == 1 && both[0].Split(' ').Any(d => d != "0");
    }
}
