using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>Which letters a stretch of a part alters against its signature, and where it does not.</summary>
/// <param name="Hits">Notes that are altered as the hidden key has it.</param>
/// <param name="Misses">Notes of those letters that are as the signature says.</param>
/// <param name="Rules">Letters that are altered as a rule, in the order of the key's signature, the leading tone last.</param>
/// <param name="Otherwise">Notes of those letters that are otherwise, and other altered notes.</param>
/// <remarks>In minor the seventh is raised where it leads to the tonic, and the sixth with it in a rising line: harmonic and melodic minor,
/// any textbook of harmony.</remarks>
internal sealed record AlteredLetters(
    IReadOnlyList<Note> Hits,
    IReadOnlyList<Note> Misses,
    IReadOnlyList<(Step Step, decimal Alter)> Rules,
    IReadOnlyList<(Note Note, Pitch Pitch)> Otherwise
)
{
    private const int MostNamed = 6;
    private const int Against = 2;

    public static AlteredLetters Of(Part part, KeySignature printed, KeySignature moved, bool isMinor, int from, int to)
    {
        var heads = Enumerable
            .Range(from, to - from + 1)
            .SelectMany(m => part.Measures[m].Notes)
            .Where(n => !n.IsTieContinuation && !n.IsCue)
            .SelectMany(n => n.Heads.Where(h => h.Written is not null).Select(h => (Note: n, Pitch: h.Written!.Value)))
            .ToList();
        var rules = Enum.GetValues<Step>()
            .Where(s => moved.AlterOf(s) != printed.AlterOf(s))
            .Select(s => (Step: s, Alter: moved.AlterOf(s)))
            .ToList();
        var leading = isMinor ? Leading(moved) : null;
        // The leading tone is the note that is missed; it is a rule where most of its letter are raised.
        if (leading is { } l && l.Alter != printed.AlterOf(l.Step) && IsUsual(heads, l))
        {
            rules.RemoveAll(r => r.Step == l.Step);
            rules.Add(l);
        }
        else if (leading is { } other && rules.All(r => r.Step != other.Step))
            leading = null;
        var played = rules.Where(r => heads.Any(h => h.Pitch.Step == r.Step && h.Pitch.Alter == r.Alter)).ToList();
        var order = moved.AlteredSteps.ToList();
        var last = leading is { } tone ? tone.Step : (Step?)null;
        played = [.. played.OrderBy(r => r.Step == last).ThenBy(r => !order.Contains(r.Step)).ThenBy(r => order.IndexOf(r.Step))];
        var hits = heads
            .Where(h => played.Any(r => r.Step == h.Pitch.Step && r.Alter == h.Pitch.Alter))
            .Select(h => h.Note)
            .Distinct()
            .ToList();
        var misses = heads
            .Where(h => rules.Any(r => r.Step == h.Pitch.Step) && h.Pitch.Alter == printed.AlterOf(h.Pitch.Step))
            .Select(h => h.Note)
            .Distinct()
            .ToList();
        decimal UsualOf(Step step) => played.Any(r => r.Step == step) ? played.First(r => r.Step == step).Alter : printed.AlterOf(step);
        var otherwise = heads.Where(h => h.Pitch.Alter != UsualOf(h.Pitch.Step)).ToList();
        return new AlteredLetters(hits, misses, played, otherwise);
    }

    /// <summary>First and last measure of the stretch in which the altered notes outweigh the others most; null where there is
    /// none.</summary>
    /// <remarks>The stretch of greatest sum (Kadane), an altered note for one, one as in the signature against two.</remarks>
    public (int From, int To)? Densest()
    {
        var weights = Hits.Select(n => (n.MeasureIndex, Weight: 1))
            .Concat(Misses.Select(n => (n.MeasureIndex, Weight: -Against)))
            .GroupBy(x => x.MeasureIndex)
            .OrderBy(g => g.Key)
            .Select(g => (Measure: g.Key, Weight: g.Sum(x => x.Weight)));
        var (sum, start, best) = (0, -1, (Sum: 0, From: -1, To: -1));
        foreach (var (measure, weight) in weights)
        {
            if (sum <= 0)
                (sum, start) = (0, measure);
            sum += weight;
            if (sum > best.Sum)
                best = (sum, start, measure);
        }

        return best.From < 0 ? null : (best.From, best.To);
    }

    /// <summary>The letters in words, with every note that is otherwise.</summary>
    public string Words(StudyContext context)
    {
        var names = string.Join(", ", Rules.Select(r => Signed(r.Step, r.Alter)));
        var rule = $"{names}{(Rules.Count == 1 ? " throughout" : "")}";
        var groups = Otherwise.GroupBy(o => Signed(o.Pitch.Step, o.Pitch.Alter)).ToList();
        if (groups.Count == 0)
            return $"{rule}.";
        var named = groups.Take(MostNamed).Select(g => $"{g.Key} in {Measures(context, g.Select(o => o.Note.MeasureIndex))}");
        return $"{rule}; but {string.Join(", ", named)}{(groups.Count > MostNamed ? ", and other signs as printed" : "")}.";
    }

    private static string Measures(StudyContext context, IEnumerable<int> measures)
    {
        var labels = measures.Distinct().Order().Select(context.Label).ToList();
        return labels.Count == 1 ? $"measure {labels[0]}" : $"measures {string.Join(", ", labels.SkipLast(1))} and {labels[^1]}";
    }

    // The seventh above the tonic of a minor key, raised.
    private static (Step Step, decimal Alter)? Leading(KeySignature moved)
    {
        var tonic = Enum.GetValues<Step>().First(s => new Pitch(s, moved.AlterOf(s), 4).Midi % 12 == ((moved.Fifths * 7) + 9 + 120) % 12);
        var seventh = (Step)(((int)tonic + 6) % 7);
        return (seventh, moved.AlterOf(seventh) + 1);
    }

    private static bool IsUsual(List<(Note Note, Pitch Pitch)> heads, (Step Step, decimal Alter) leading)
    {
        var letter = heads.Where(h => h.Pitch.Step == leading.Step).ToList();
        return letter.Count > 0 && letter.Count(h => h.Pitch.Alter == leading.Alter) * 2 > letter.Count;
    }

    private static string Signed(Step step, decimal alter) => step + (alter == 0 ? "♮" : Pitch.Sign(alter));
}
