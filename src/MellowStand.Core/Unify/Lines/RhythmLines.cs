using MellowStand.Core.Instruments;

namespace MellowStand.Core.Unify;

/// <summary>Parts of a family that strike together with other notes: chords over a phrase.</summary>
/// <remarks>Measures are grouped by their rhythm in a table, never compared pair by pair; three strokes make a rhythm. Parts that sound the
/// same notes count once, by the first of them. The texture is chordal where it lasts for four measures, or for two that are a phrase
/// between rests. Our own method.</remarks>
internal static class RhythmLines
{
    private const int LeastMeasures = 2;
    private const int LongMeasures = 4;
    private const int LeastStrokes = 3;
    private const int LeastNotes = 8;

    public static IEnumerable<SharedLine> Find(IReadOnlyList<VoiceMeasures> voices, int measures, Func<VoiceLine, Family> family)
    {
        var open = new Dictionary<string, (List<VoiceMeasures> Group, int From)>();
        for (var m = 0; m <= measures; m++)
        {
            var now =
                m < measures
                    ? Groups(voices, m, family).ToDictionary(g => string.Join(' ', g.Select(v => $"{v.Line.Part.Id}/{v.Line.Voice}")))
                    : [];
            foreach (var (key, (group, from)) in open.Where(o => !now.ContainsKey(o.Key)).ToList())
            {
                open.Remove(key);
                if (IsPhrase(group, from, m - 1, measures) && Line(group, from, m - 1) is { } line)
                    yield return line;
            }

            foreach (var (key, group) in now)
                open.TryAdd(key, (group, m));
        }
    }

    private static bool IsPhrase(List<VoiceMeasures> group, int from, int to, int measures) =>
        to - from + 1 >= LongMeasures
        || (to - from + 1 >= LeastMeasures && group.All(v => v.RestsBefore(from) && v.RestsAfter(to, measures)));

    private static IEnumerable<List<VoiceMeasures>> Groups(
        IReadOnlyList<VoiceMeasures> voices,
        int measure,
        Func<VoiceLine, Family> family
    ) =>
        voices
            .Where(v => v.In(measure).Skip(LeastStrokes - 1).Any())
            .GroupBy(v => (family(v.Line), v.RhythmOf(measure)))
            .Select(g => g.DistinctBy(v => PitchClasses(v, measure)).ToList())
            .Where(g => g.Select(v => v.Line.Part).Distinct().Count() > 1);

    private static string PitchClasses(VoiceMeasures voice, int measure) =>
        string.Join(' ', voice.In(measure).Select(n => n.TopSounding!.Value % 12));

    private static SharedLine? Line(List<VoiceMeasures> group, int from, int to)
    {
        var rows = group.Select(v => (IReadOnlyList<Notation.Note>)[.. Enumerable.Range(from, to - from + 1).SelectMany(v.In)]).ToList();
        return rows[0].Count < LeastNotes ? null : new SharedLine([.. group.Select(v => v.Line)], rows, SharedLine.SameRhythm);
    }
}
