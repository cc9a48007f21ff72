using MellowStand.Core.Decisions;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Slurs of a line that are missing, longer, shorter, split or joined in some parts.</summary>
/// <remarks>Slurs that overlap in any of the parts are one entry. Between strings and winds a slur may be meant differently, phrase against
/// bow stroke: where each of the two agrees within itself, they are one entry of both; where one of them does not, it is compared by
/// itself, so that no bowing is mended by a phrase. What is struck has no slurs, and a singer's slur is a syllable: it is compared with
/// singers only. Common practice, no published source.</remarks>
public sealed class SlurDifferences : IDifferenceRule
{
    private const double House = 0.7;
    private const double OtherMarks = 3;

    /// <inheritdoc/>
    public string Kind => "slur";

    /// <inheritdoc/>
    public IEnumerable<Difference> Find(UnifyContext context, SharedLine line) =>
        line
            .Voices.Where(v => !context.IsStruck(v.Part))
            .GroupBy(v => context.FamilyOf(v.Part) == Family.Voice)
            .Where(g => g.Count() > 1)
            .SelectMany(g => InLayers(context, line.Only(g.Contains)));

    private IEnumerable<Difference> InLayers(UnifyContext context, SharedLine line)
    {
        var spans = line.Voices.Select((v, i) => SpansIn(context, v, line.Notes[i])).ToList();
        if (spans.TrueForAll(s => s.Select(x => (x.From, x.To)).SequenceEqual(spans[0].Select(x => (x.From, x.To)))))
            return [];
        var layers = OwnLayers.Of(
            context,
            line,
            Begun(spans, line.Notes[0].Count),
            (k, i) => IsTongued(line, k, i, Math.Min(i + 1, line.Notes[k].Count - 1))
        );
        return layers.Groups().SelectMany(g => InLine(context, g.Line, g.IsAt)).Concat(layers.Told(Kind, Kind, Counted));
    }

    // For each place how far the slurs go that each voice begins there.
    private static string?[]?[] Begun(List<List<SlurPlace>> spans, int places)
    {
        var begun = new string?[]?[places];
        for (var k = 0; k < spans.Count; k++)
            foreach (var s in spans[k])
            {
                var row = begun[s.From] ??= [.. Enumerable.Repeat("", spans.Count)];
                row[k] += $" {s.To - s.From}";
            }

        return begun;
    }

    private static string Counted(IReadOnlyList<string> slurs) => slurs.Count == 1 ? "one slur" : $"{slurs.Count} slurs";

    private IEnumerable<Difference> InLine(UnifyContext context, SharedLine line, Func<int, bool> isAt)
    {
        var spans = line.Voices.Select((v, i) => SpansIn(context, v, line.Notes[i])).ToList();
        var next = new int[spans.Count];
        foreach (var (from, to) in Overlaps([.. spans.SelectMany(s => s.Select(x => (x.From, x.To)))]))
        {
            var inside = spans.Select((s, i) => TakeUpTo(s, ref next[i], to)).ToList();
            var place = new Place(context, line, from, to, inside);
            if (isAt(from) && place.Words.Distinct().Count() > 1)
                foreach (var told in Told(place))
                    yield return told;
        }
    }

    private IEnumerable<Difference> Told(Place place)
    {
        var ways = Enumerable
            .Range(0, place.Words.Count)
            .GroupBy(k => place.Context.SustainOf(place.Line.Voices[k].Part) == Sustain.Bow)
            .Select(g => g.ToList())
            .ToList();
        var usual = ways.Select(g => g.GroupBy(k => place.Words[k]).MaxBy(x => x.Count())!.Key).Distinct().Count();
        if (ways.Count < 2 || usual == 1 || ways.All(g => g.Select(k => place.Words[k]).Distinct().Count() == 1))
            return [ToDifference(place)];
        return ways.Where(g => g.Select(k => place.Words[k]).Distinct().Count() > 1).Select(g => ToDifference(place.Only(g)));
    }

    private static List<SlurPlace> SpansIn(UnifyContext context, VoiceLine voice, IReadOnlyList<Note> row)
    {
        var slurs = UnifyContext.SlursOf(voice);
        var inRow = new Dictionary<int, int>();
        for (var i = 0; i < row.Count; i++)
            if (slurs.PlaceOf(row[i]) is { } place)
                inRow[place] = i;
        return
        [
            .. slurs
                .All.Where(s => inRow.ContainsKey(s.From) && inRow.ContainsKey(s.To))
                .Select(s => s with { From = inRow[s.From], To = inRow[s.To] }),
        ];
    }

    // Groups and slurs both come in order, so that each slur is looked at once.
    private static List<SlurPlace> TakeUpTo(List<SlurPlace> sorted, ref int next, int to)
    {
        var taken = new List<SlurPlace>();
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

    private Difference ToDifference(Place p)
    {
        var readings = p
            .Line.Voices.Select(
                (v, i) =>
                    new Reading(v.Part.Id, [.. Enumerable.Range(p.From, p.To - p.From + 1).Select(k => p.Line.Notes[i][k].Id)], p.Words[i])
            )
            .ToList();
        var firstWith = p.Words.Distinct().ToDictionary(w => w, w => p.Words.IndexOf(w));
        var changes = firstWith.ToDictionary(
            x => x.Key,
            x =>
                (IReadOnlyList<MarkChange>)
                    [.. p.Line.Voices.SelectMany((_, i) => p.Words[i] == x.Key ? [] : Changes(p, i, p.Spans[x.Value]))]
        );
        var proposal = new Ballot(p.Context, Kind, readings).With(Reasons(p)).Decide();
        return p.Context.Difference(Kind, Kind, p.Line, p.From, p.To, readings, changes, proposal);
    }

    private static IEnumerable<Reason> Reasons(Place p)
    {
        var shapes = p
            .Words.Select((w, i) => (w, Shape: UnifyContext.SlursOf(p.Line.Voices[i]).Shape(p.Line.Notes[i][p.From], p.To - p.From)))
            .DistinctBy(x => x.Shape)
            .ToDictionary(x => x.Shape, x => x.w);
        var told = new LineReasons(
            p.Line,
            (k, n) => UnifyContext.SlursOf(p.Line.Voices[k]).Shape(n, p.To - p.From),
            (k, n) => UnifyContext.SlursOf(p.Line.Voices[k]).Begins(n)
        )
            .At([.. Enumerable.Range(p.From, p.To - p.From + 1)], besides: false)
            .Where(r => r.For is null || shapes.ContainsKey(r.For))
            .Select(r => r.For is null ? r : r with { For = shapes[r.For] });
        return told.Concat(OfHouse(p)).Concat(Tongued(p));
    }

    // Marks on the notes that others slur are another way to play them, not a slur that was forgotten.
    private static IEnumerable<Reason> Tongued(Place p)
    {
        var plain = Enumerable.Range(0, p.Words.Count).Where(k => p.Words[k].Length == 0).ToList();
        var slurred = Enumerable.Range(0, p.Words.Count).Except(plain).ToList();
        bool Is(int k) => IsTongued(p.Line, k, p.From, p.To);
        if (plain.Count > 0 && plain.TrueForAll(Is) && !slurred.Exists(Is))
            yield return new Reason(null, OtherMarks, "split", "Its notes are marked otherwise.");
    }

    private static bool IsTongued(SharedLine line, int voice, int from, int to) =>
        line.Notes[voice].Skip(from).Take(to - from + 1).Any(ArticulationDifferences.IsArticulated);

    // The longer or the shorter of two printed slurs, as the house has it: a reason among others.
    private static IEnumerable<Reason> OfHouse(Place p)
    {
        var rule = p.Context.House["two-slurs"];
        var printed = p
            .Words.Select((w, i) => (Words: w, Length: p.Spans[i].Sum(s => s.To - s.From)))
            .Where(x => x.Length > 0)
            .DistinctBy(x => x.Words)
            .ToList();
        if (rule == "edition" || printed.Count < 2)
            yield break;
        var wins = rule == "longer" ? printed.MaxBy(x => x.Length) : printed.MinBy(x => x.Length);
        if (printed.Count(x => x.Length == wins.Length) == 1)
            yield return new Reason(wins.Words, House, rule + "-slur", $"By the house rule the {rule} of two printed slurs wins.");
    }

    private static IEnumerable<MarkChange> Changes(Place p, int voice, List<SlurPlace> wants)
    {
        var (part, row, has) = (p.Line.Voices[voice].Part, p.Line.Notes[voice], p.Spans[voice]);
        var slur = new Mark("slur");
        foreach (var s in has.Where(h => !wants.Any(w => (w.From, w.To) == (h.From, h.To))))
            yield return new MarkChange(part.Id, [s.First.Id, s.Last.Id], [], [slur]);
        foreach (var s in wants.Where(w => !has.Any(h => (h.From, h.To) == (w.From, w.To))))
            yield return new MarkChange(part.Id, [At(part, row[s.From], s.First), At(part, row[s.To], s.Last)], [slur], []);
    }

    // The note of a part where another prints the end of a slur: the struck one, or one tied to it at the same moment.
    private static string At(Part part, Note struck, Note printed) =>
        printed.Onset == struck.Onset
            ? struck.Id
            : part.Notes.Between(n => n.Onset, printed.Onset, printed.Onset)
                .FirstOrDefault(n => n.Voice == struck.Voice && n.IsTieContinuation)
                ?.Id
                ?? struck.Id;

    // Where slurs overlap in a line, and what each voice has there.
    private sealed record Place(UnifyContext Context, SharedLine Line, int From, int To, List<List<SlurPlace>> Spans)
    {
        public List<string> Words { get; init; } = [.. Spans.Select(s => WordsOf(Context, Line, s))];

        public Place Only(List<int> voices) =>
            this with
            {
                Line = new SharedLine([.. voices.Select(k => Line.Voices[k])], [.. voices.Select(k => Line.Notes[k])], Line.Kind),
                Spans = [.. voices.Select(k => Spans[k])],
                Words = [.. voices.Select(k => Words[k])],
            };

        private static string WordsOf(UnifyContext context, SharedLine line, List<SlurPlace> spans) =>
            string.Join(", ", spans.Select(s => $"{context.Place(line.Notes[0][s.From])}–{context.Place(line.Notes[0][s.To])}"));
    }
}
