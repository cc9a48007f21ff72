using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Slurs of a line that are missing, longer, shorter, split or joined in some parts.</summary>
/// <remarks>Slurs that overlap in any of the parts are one entry. Between families of winds and strings a slur may be
/// meant differently: phrase against bow stroke. Common practice, no published source.</remarks>
public sealed class SlurDifferences : IDifferenceRule
{
    /// <inheritdoc/>
    public string Kind => "slur";

    /// <inheritdoc/>
    public IEnumerable<Difference> Find(UnifyContext context, SharedLine line)
    {
        var spans = line.Voices.Select((v, i) => SpansIn(context, v, line.Notes[i])).ToList();
        var next = new int[spans.Count];
        foreach (var (from, to) in Overlaps([.. spans.SelectMany(s => s)]))
        {
            var inside = spans.Select((s, i) => TakeUpTo(s, ref next[i], to)).ToList();
            var words = inside.Select(s => Words(context, line, s)).ToList();
            if (words.Distinct().Count() == 1)
                continue;
            yield return ToDifference(context, line, from, to, inside, words);
        }
    }

    // Places of the first and last note of each slur that lies wholly inside the line.
    private static List<(int From, int To)> SpansIn(UnifyContext context, VoiceLine voice, IReadOnlyList<Note> row)
    {
        var place = new Dictionary<Fraction, int>();
        for (var i = 0; i < row.Count; i++)
            place[row[i].Onset] = i;
        return
        [
            .. context
                .SlursOf(voice.Part)
                .Where(s => s.From.Voice == voice.Voice && !s.From.IsGrace)
                .Select(s => (s.From, To: s.To))
                .Where(s => place.ContainsKey(s.From.Onset) && EndPlace(place, row, s.To) is not null)
                .Select(s => (place[s.From.Onset], EndPlace(place, row, s.To)!.Value))
                .Where(s => s.Value > s.Item1)
                .Distinct()
                .OrderBy(s => s.Item1)
                .ThenBy(s => s.Value),
        ];
    }

    // A slur may end on a note that continues a tie: it then ends where the tied note began.
    private static int? EndPlace(Dictionary<Fraction, int> place, IReadOnlyList<Note> row, Note to)
    {
        if (place.TryGetValue(to.Onset, out var i))
            return i;
        if (!to.IsTieContinuation)
            return null;
        var began = to.Heads[0];
        while (began.TiedFrom is { } from)
            began = from;
        return place.TryGetValue(began.Owner.Onset, out var k) ? k : null;
    }

    // Groups and slurs both come in order, so that each slur is looked at once.
    private static List<(int From, int To)> TakeUpTo(List<(int From, int To)> sorted, ref int next, int to)
    {
        var taken = new List<(int From, int To)>();
        for (; next < sorted.Count && sorted[next].To <= to; next++)
            taken.Add(sorted[next]);
        return taken;
    }

    private static IEnumerable<(int From, int To)> Overlaps(List<(int From, int To)> spans)
    {
        if (spans.Count == 0)
            yield break;
        var sorted = spans.Order().ToList();
        var (from, to) = sorted[0];
        foreach (var span in sorted.Skip(1))
        {
            if (span.From >= to)
            {
                yield return (from, to);
                from = span.From;
            }

            to = Math.Max(to, span.To);
        }

        yield return (from, to);
    }

    private static string Words(UnifyContext context, SharedLine line, List<(int From, int To)> spans) =>
        string.Join(", ", spans.Order().Select(s => $"{context.Place(line.Notes[0][s.From])}–{context.Place(line.Notes[0][s.To])}"));

    private Difference ToDifference(
        UnifyContext context,
        SharedLine line,
        int from,
        int to,
        List<List<(int From, int To)>> spans,
        List<string> words
    )
    {
        var readings = line
            .Voices.Select(
                (v, i) => new Reading(v.Part.Id, [.. Enumerable.Range(from, to - from + 1).Select(k => line.Notes[i][k].Id)], words[i])
            )
            .ToList();
        var byWords = words.Select((w, i) => (w, spans[i])).DistinctBy(x => x.w).ToDictionary(x => x.w, x => x.Item2);
        var changes = byWords.ToDictionary(
            x => x.Key,
            x =>
                (IReadOnlyList<MarkChange>)
                    [.. line.Voices.SelectMany((v, i) => words[i] == x.Key ? [] : Changes(v.Part.Id, line.Notes[i], spans[i], x.Value))]
        );
        var lengths = byWords.ToDictionary(x => x.Key, x => x.Value.Count == 0 ? 0 : x.Value.Max(s => s.To - s.From));
        return context.Difference(Kind, line, from, to, readings, changes, ProposalRules.ForSlurs(context, readings, lengths));
    }

    private static IEnumerable<MarkChange> Changes(
        string part,
        IReadOnlyList<Note> row,
        List<(int From, int To)> has,
        List<(int From, int To)> wants
    )
    {
        var slur = new Mark("slur");
        foreach (var s in has.Except(wants))
            yield return new MarkChange(part, [row[s.From].Id, row[s.To].Id], [], [slur]);
        foreach (var s in wants.Except(has))
            yield return new MarkChange(part, [row[s.From].Id, row[s.To].Id], [slur], []);
    }
}
