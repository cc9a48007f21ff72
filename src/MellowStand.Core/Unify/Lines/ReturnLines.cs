namespace MellowStand.Core.Unify;

/// <summary>A voice that plays the same again: same keys, same rhythm, four measures or more.</summary>
/// <remarks>Each measure meets its last likeness in a table. Parts that double one another return together and are told once, by the
/// first. Our own method.</remarks>
internal static class ReturnLines
{
    private const int LeastMeasures = 4;
    private const int LeastNotes = 12;

    public static IEnumerable<SharedLine> Find(IReadOnlyList<VoiceMeasures> voices, int measures)
    {
        var told = new HashSet<string>();
        foreach (var voice in voices)
        {
            foreach (var (from, to, distance) in Runs(voice, measures))
            {
                var content = string.Join(
                    '|',
                    Enumerable
                        .Range(from, to - from + 1)
                        .Select(m => string.Join(' ', voice.In(m).Select(n => $"{n.Offset}:{n.TopSounding!.Value % 12}")))
                );
                if (told.Add($"{from} {distance} {content}") && Line(voice, from, to, distance) is { } line)
                    yield return line;
            }
        }
    }

    // Stretches in which every measure is the one so many measures earlier.
    private static IEnumerable<(int From, int To, int Distance)> Runs(VoiceMeasures voice, int measures)
    {
        var last = new Dictionary<(string Rhythm, string Keys), int>();
        var (from, distance) = (0, 0);
        for (var m = 0; m <= measures; m++)
        {
            var now = m < measures ? Distance(voice, m, last, distance) : 0;
            if (now != distance)
            {
                if (distance > 0 && m - from >= LeastMeasures && m - from <= distance)
                    yield return (from, m - 1, distance);
                (from, distance) = (m, now);
            }

            if (m < measures && voice.RhythmOf(m).Length > 0)
                last[(voice.RhythmOf(m), voice.KeysOf(m))] = m;
        }
    }

    // How far back the same measure stands, or 0; a rest goes with what stands before it.
    private static int Distance(VoiceMeasures voice, int m, Dictionary<(string Rhythm, string Keys), int> last, int before)
    {
        if (voice.RhythmOf(m).Length == 0)
            return before;
        return last.TryGetValue((voice.RhythmOf(m), voice.KeysOf(m)), out var there) ? m - there : 0;
    }

    private static SharedLine? Line(VoiceMeasures voice, int from, int to, int distance)
    {
        var again = Enumerable.Range(from, to - from + 1).SelectMany(voice.In).ToList();
        var before = Enumerable.Range(from - distance, to - from + 1).SelectMany(voice.In).ToList();
        return again.Count < LeastNotes || again.Count != before.Count
            ? null
            : new SharedLine([voice.Line, voice.Line], [before, again], SharedLine.Return);
    }
}
