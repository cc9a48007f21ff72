using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Parts of a line at different levels: a sign missing, another level, or a sign at another place.</summary>
/// <remarks>Compared is the level in force at each note, not only the printed sign; a difference begins at the note where a level changes
/// in some part and is one entry until the levels change again. A sign over a rest belongs to the next note. Signs that strike one note
/// only (sfz, fp) are compared note by note. Levels that stay the same step apart wherever both parts print one are balance, and told as a
/// note; so is an entry at which some parts leave out the sign of the level that is in force. Common practice, no published
/// source.</remarks>
public sealed class DynamicDifferences : IDifferenceRule
{
    private const int LeastForBalance = 2;

    private static readonly Fraction LeastRest = 2;

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
            var levels = new int?[lines.Count];
            var mayPrint = i == 0;
            for (var k = 0; k < levels.Length; k++)
            {
                var inForce = lines[k].At(line.Notes[k][i].Onset);
                levels[k] = inForce?.Level;
                mayPrint |=
                    line.Notes[k][i].Has("dynamics") || (i > 0 && inForce is not null && inForce.Onset > line.Notes[k][i - 1].Onset);
            }

            var differs = levels.Distinct().Count() > 1;
            var begins = differs && (running is null || !running.SequenceEqual(levels));
            running = differs ? [.. levels] : null;
            // Where no level changes and none is printed there is nothing to tell.
            if (!begins && !mayPrint)
                continue;
            var readings = LevelSigns.At(line, i, lines);
            var isEntry = !differs && LeavesOut(line, i, readings);
            if (!begins && !isEntry && readings.Select(r => r.Strikes).Distinct().Count() == 1)
                continue;
            var last = begins ? LastAlike(line, lines, i, [.. levels]) : i;
            var mismatch = new LevelMismatch(line, i, last, readings, balance && readings.All(r => r.Printed.Count > 0), isEntry);
            if (readings.Select(r => r.Told).Distinct().Count() > 1)
                yield return LevelProposal.Of(context, mismatch);
        }
    }

    private static int LastAlike(SharedLine line, List<LevelLine> lines, int from, List<int?> levels)
    {
        var last = from;
        while (last + 1 < line.Notes[0].Count && lines.Select(l => l.At(line.Notes[0][last + 1].Onset)?.Level).SequenceEqual(levels))
            last++;
        return last;
    }

    // Most parts print the level at their entry after a rest, and some do not.
    private static bool LeavesOut(SharedLine line, int place, List<LevelReading> readings)
    {
        var with = readings.Count(r => r.Printed.Count > 0);
        return with >= 2
            && with < readings.Count
            && with * 2 > readings.Count
            && line.Voices.Select((v, k) => IsEntry(v, line.Notes[k][place])).All(e => e);
    }

    private static bool IsEntry(VoiceLine voice, Note note)
    {
        var at = voice.Notes.PlaceFrom(n => n.Onset, note.Onset);
        return at == 0 || note.Onset - (voice.Notes[at - 1].Onset + voice.Notes[at - 1].SoundingDuration) >= LeastRest;
    }

    // The same distance wherever both print a level, at two places or more.
    private static bool IsBalance(SharedLine line, List<LevelLine> lines)
    {
        var both = Enumerable
            .Range(0, line.Notes[0].Count)
            .Where(i =>
                line.Notes.All(row => row[i].Marks.Any(m => m.Name == "dynamics" && DynamicLevels.LevelAfter(m.Value ?? "") is not null))
            )
            .Select(i =>
                string.Join(' ', lines.Select(l => l.At(line.Notes[0][i].Onset)!.Level - lines[0].At(line.Notes[0][i].Onset)!.Level))
            )
            .ToList();
        return both.Count >= LeastForBalance && both.Distinct().Count() == 1 && both[0].Split(' ').Any(d => d != "0");
    }
}
