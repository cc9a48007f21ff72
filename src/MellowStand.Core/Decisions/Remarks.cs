using MellowStand.Core.Decisions.Errata;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Decisions;

/// <summary>A word of the director to the players of some parts.</summary>
/// <param name="Decision">The decision that wrote it.</param>
/// <param name="Parts">Ids of the parts.</param>
/// <param name="Measure">Its measure from 0.</param>
/// <param name="Where">Its place inside the measure, e.g. <c>beat 2</c>.</param>
/// <param name="Words">The words.</param>
public sealed record Remark(long Decision, IReadOnlyList<string> Parts, int Measure, string Where, string Words);

/// <summary>Gathers the remarks among the decisions in force.</summary>
public static class Remarks
{
    /// <summary>The remarks in order of measures; one for all parts that have it at the same place.</summary>
    /// <param name="score">The score as printed.</param>
    /// <param name="decisions">The decisions in force.</param>
    public static IReadOnlyList<Remark> Of(Score score, IEnumerable<Decision> decisions) =>
        [
            .. decisions
                .SelectMany(d => d.Changes.SelectMany(c => Found(score, d, c)))
                .GroupBy(r => (r.Decision, r.Measure, r.Where, r.Words))
                .Select(g => new Remark(
                    g.Key.Decision,
                    [.. g.SelectMany(r => r.Parts).Distinct()],
                    g.Key.Measure,
                    g.Key.Where,
                    g.Key.Words
                ))
                .OrderBy(r => r.Measure)
                .ThenBy(r => r.Decision),
        ];

    private static IEnumerable<Remark> Found(Score score, Decision decision, MarkChange change)
    {
        var note = score.FindPart(change.Part)?.Notes.FirstOrDefault(n => change.Notes.Contains(n.Id));
        return note is null
            ? []
            : change
                .Added.Where(m => m is { Name: "remark", Value: not null })
                .Select(m => new Remark(decision.Id, [change.Part], note.MeasureIndex, NotePlaces.Of(score, note), m.Value!));
    }
}
