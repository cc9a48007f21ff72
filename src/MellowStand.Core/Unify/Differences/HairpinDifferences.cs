using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Hairpins that some parts of a line lack, or that begin or end elsewhere.</summary>
/// <remarks>A hairpin is told by the notes it begins and ends on; one that only touches the line at its edge is passed over. Common
/// practice, no published source.</remarks>
public sealed class HairpinDifferences : IDifferenceRule
{
    private const int LeastAround = 3;
    private const double AroundWeight = 0.8;

    /// <inheritdoc/>
    public string Kind => "hairpin";

    /// <inheritdoc/>
    public IEnumerable<Difference> Find(UnifyContext context, SharedLine line)
    {
        var spans = line.Voices.Select((v, k) => SpansIn(v, line.Notes[k])).ToList();
        foreach (var (from, to) in Groups([.. spans.SelectMany(s => s)]))
        {
            var inside = spans.Select(s => s.Where(x => x.From <= to && x.To >= from).ToList()).ToList();
            var words = inside.Select(s => string.Join(" and ", s.Select(x => Words(context, line, x)))).ToList();
            if (words.Distinct().Count() == 1)
                continue;
            var readings = line
                .Voices.Select((v, k) => new Reading(v.Part.Id, Notes(line.Notes[k], inside[k], from, to), words[k]))
                .ToList();
            var changes = words.Distinct().ToDictionary(has => has, has => Changes(line, inside, words, has));
            var proposal = new Ballot(context, Kind, readings).With(Reasons(context, line, from, to, inside, words)).Decide();
            yield return context.Difference(Kind, Kind, line, from, to, readings, changes, proposal) with
            {
                Causes = [.. inside.SelectMany((s, k) => s.Select(x => $"{line.Voices[k].Part.Id}@{x.Printed}"))],
            };
        }
    }

    private static List<Span> SpansIn(VoiceLine voice, IReadOnlyList<Note> row)
    {
        var spans = new List<Span>();
        foreach (var h in voice.Part.Hairpins.Where(h => h.From < row[^1].Onset + row[^1].SoundingDuration && h.To > row[0].Onset))
        {
            var from = IndexAtOrAfter(row, h.From);
            var to = IndexBefore(row, h.To);
            if (h.From < row[0].Onset || from < 0 || to < from)
                continue;
            spans.Add(new Span(from, to, h.Grows, h.From));
        }

        return [.. spans.DistinctBy(s => (s.From, s.To, s.Grows)).OrderBy(s => s.From)];
    }

    private static int IndexAtOrAfter(IReadOnlyList<Note> row, Fraction onset)
    {
        for (var i = 0; i < row.Count; i++)
            if (row[i].Onset + row[i].SoundingDuration > onset)
                return i;
        return -1;
    }

    private static int IndexBefore(IReadOnlyList<Note> row, Fraction onset)
    {
        for (var i = row.Count - 1; i >= 0; i--)
            if (row[i].Onset <= onset)
                return i;
        return -1;
    }

    private static IEnumerable<(int From, int To)> Groups(List<Span> spans)
    {
        (int From, int To)? open = null;
        foreach (var s in spans.OrderBy(s => s.From).ThenBy(s => s.To))
        {
            // Two hairpins that only meet on a note are two.
            if (open is { } o && s.From < o.To)
                open = (o.From, Math.Max(o.To, s.To));
            else if (open is { } same && s.From == same.From)
                open = (same.From, Math.Max(same.To, s.To));
            else
            {
                if (open is { } done)
                    yield return done;
                open = (s.From, s.To);
            }
        }

        if (open is { } last)
            yield return last;
    }

    private static string Words(UnifyContext context, SharedLine line, Span s) =>
        $"{(s.Grows ? "crescendo" : "diminuendo")} {context.Place(line.Notes[0][s.From])}–{context.Place(line.Notes[0][s.To])}";

    private static IReadOnlyList<string> Notes(IReadOnlyList<Note> row, List<Span> spans, int from, int to) =>
        spans.Count > 0 ? [.. spans.SelectMany(s => new[] { row[s.From].Id, row[s.To].Id }).Distinct()] : [row[from].Id, row[to].Id];

    private static IReadOnlyList<MarkChange> Changes(SharedLine line, List<List<Span>> inside, List<string> words, string has)
    {
        var wanted = inside[words.IndexOf(has)];
        return
        [
            .. Enumerable
                .Range(0, words.Count)
                .Where(k => words[k] != has)
                .SelectMany(k =>
                    inside[k]
                        .Where(s => !wanted.Any(w => w.IsLike(s)))
                        .Select(s => new MarkChange(line.Voices[k].Part.Id, Ends(line.Notes[k], s), [], [new Mark(s.Mark)]))
                        .Concat(
                            wanted
                                .Where(w => !inside[k].Any(s => s.IsLike(w)))
                                .Select(s => new MarkChange(line.Voices[k].Part.Id, Ends(line.Notes[k], s), [new Mark(s.Mark)], []))
                        )
                ),
        ];
    }

    // What most other parts do at the same moment.
    private static IEnumerable<Reason> Reasons(
        UnifyContext context,
        SharedLine line,
        int from,
        int to,
        List<List<Span>> inside,
        List<string> words
    )
    {
        var own = line.Voices.Select(v => v.Part.Id).ToHashSet();
        var (start, end) = (line.Notes[0][from].Onset, line.Notes[0][to].Onset);
        var playing = context.Score.Parts.Where(p => !own.Contains(p.Id) && p.FirstSoundingFrom(start) is { } n && n.Onset < end).ToList();
        var swelling = playing.Count(p =>
            p.Hairpins.Any(h => h.From < end && h.To > start && inside.Any(s => s.Any(x => x.Grows == h.Grows)))
        );
        if (playing.Count < LeastAround)
            yield break;
        if (swelling * 2 > playing.Count && words.Where(w => w.Length > 0).Distinct().ToList() is [var one])
            yield return new Reason(one, AroundWeight, "around", $"{swelling} other parts have one at the same moment.");
        if (swelling == 0)
            yield return new Reason("", AroundWeight, "around", "No other part has one at this moment.");
    }

    private static IReadOnlyList<string> Ends(IReadOnlyList<Note> row, Span s) => [row[s.From].Id, row[s.To].Id];

    private sealed record Span(int From, int To, bool Grows, Fraction Printed)
    {
        public bool IsLike(Span other) => (From, To, Grows) == (other.From, other.To, other.Grows);

        public string Mark => Grows ? "crescendo" : "diminuendo";
    }
}
