using MellowStand.Core.Notation;

namespace MellowStand.Core.Decisions.Errata;

/// <summary>What a decision changes in a part, as a person writes it down.</summary>
/// <param name="Part">The part's id.</param>
/// <param name="Measure">First measure from 0.</param>
/// <param name="What">E.g. <c>measure 28: staccato on the four eighths</c>.</param>
public sealed record Erratum(string Part, int Measure, string What)
{
    /// <summary>The errata of a decision, in the order of its changes; the slurs of a part that replace each other are one.</summary>
    /// <param name="score">The score as printed.</param>
    /// <param name="changes">What is changed; what speaks of a part or notes that are gone is passed over.</param>
    public static IEnumerable<Erratum> Of(Score score, IEnumerable<MarkChange> changes) =>
        changes
            .Select(c => Placed.Of(score, c))
            .OfType<Placed>()
            .GroupBy(p => p.IsSpan ? p.Part.Id : $"{p.Part.Id} {string.Join(' ', p.Change.Notes)}")
            .Select(g => Of(score, [.. g]));

    private static Erratum Of(Score score, List<Placed> placed)
    {
        var (first, last) = (placed.MinBy(p => p.Notes[0].Onset)!.Notes[0], placed.MaxBy(p => p.Notes[^1].Onset)!.Notes[^1]);
        var (from, to) = (score.Measures[first.MeasureIndex].Label, score.Measures[last.MeasureIndex].Label);
        var measures = from == to ? $"measure {from}" : $"measures {from}–{to}";
        var what = placed[0].IsSpan
            ? Spans(score, placed)
            : Marks(
                score,
                placed[0].Part,
                new MarkChange(
                    placed[0].Part.Id,
                    placed[0].Change.Notes,
                    [.. placed.SelectMany(p => p.Change.Added)],
                    [.. placed.SelectMany(p => p.Change.Removed)]
                ),
                placed[0].Notes
            );
        return new Erratum(placed[0].Part.Id, first.MeasureIndex, $"{measures}: {what}");
    }

    private static string Marks(Score score, Part part, MarkChange change, List<Note> notes)
    {
        var (added, removed) = (Words(change.Added), Words(change.Removed));
        var where = NotePlaces.Of(score, part, notes);
        if (change.Added is [{ Name: "pitch" or "rhythm" }])
            return $"{where}: {added}";
        var preposition = change.Added.Concat(change.Removed).All(m => m.Name is "words" or "dynamics" or "remark") ? "at" : "on";
        if (removed.Length == 0)
            return $"{added} {preposition} {where}";
        return added.Length == 0 ? $"no {removed} {preposition} {where}" : $"{added} instead of {removed} {preposition} {where}";
    }

    private static string Spans(Score score, List<Placed> placed)
    {
        var added = placed.Where(p => p.Change.Added.Count > 0).Select(p => Span(score, p, p.Change.Added)).ToList();
        var removed = placed.Where(p => p.Change.Removed.Count > 0).Select(p => Span(score, p, p.Change.Removed)).ToList();
        if (removed.Count == 0)
            return string.Join(" and ", added);
        var gone = string.Join(" and ", removed);
        return added.Count == 0 ? $"no {gone}" : $"{string.Join(" and ", added)}, instead of {gone}";
    }

    private static string Span(Score score, Placed placed, IReadOnlyList<Mark> marks)
    {
        var (first, last) = (placed.Notes[0], placed.Notes[^1]);
        var until = first.MeasureIndex == last.MeasureIndex ? "" : $" of measure {score.Measures[last.MeasureIndex].Label}";
        return $"{Words(marks)} from {NotePlaces.Of(score, first)} to {NotePlaces.Of(score, last)}{until}";
    }

    private static string Words(IReadOnlyList<Mark> marks) => string.Join(" and ", marks.Select(MarkWords.Of));

    // A change with the notes that it speaks of.
    private sealed record Placed(Part Part, MarkChange Change, List<Note> Notes)
    {
        public bool IsSpan => Change.Added.Concat(Change.Removed).Any(m => MarkCatalog.IsSpan(m.Name));

        public static Placed? Of(Score score, MarkChange change)
        {
            if (change.Added.Count + change.Removed.Count == 0 || score.FindPart(change.Part) is not { } part)
                return null;
            var named = change.Notes.ToHashSet();
            var notes = part.Notes.Where(n => named.Contains(n.Id) || n.Heads.Any(h => named.Contains(h.Id))).ToList();
            return notes.Count == 0 ? null : new Placed(part, change, notes);
        }
    }
}
