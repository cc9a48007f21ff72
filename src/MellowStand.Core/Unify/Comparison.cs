using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>The lines that parts of a score share, and where those parts disagree; kept line by line, so that after a decision only the
/// lines of
/// the parts that it touched are compared again.</summary>
public sealed class Comparison
{
    private readonly IReadOnlyList<LineFindings> _shared;
    private readonly IReadOnlyList<LineFindings> _related;
    private readonly Lazy<ILookup<(string Kind, string Note), Difference>> _byNote;

    private Comparison(UnifyContext context, IReadOnlyList<LineFindings> shared, IReadOnlyList<LineFindings> related)
    {
        (_shared, _related) = (shared, related);
        var differences = OneCauseOneEntry.Of(context, shared.SelectMany(l => l.All).DistinctBy(d => d.Id)).ToList();
        differences.AddRange(RelatedDifferences.Find(related, differences));
        differences = OwnLayers.Absorb(MeantStretches.Merge(context, differences));
        Lines = [.. shared.Concat(related).Select(l => l.Line).OrderBy(l => l.Notes[0][0].Onset)];
        Differences = [.. differences.OrderBy(d => d.From).ThenBy(d => d.To)];
        _byNote = new(() =>
            Differences
                .SelectMany(d => d.Readings.SelectMany(r => r.Notes.Select(n => (d.Kind, Note: n, d))))
                .ToLookup(x => (x.Kind, x.Note), x => x.d)
        );
        Parts = context.Score.Parts;
    }

    /// <summary>The lines in score order.</summary>
    public IReadOnlyList<SharedLine> Lines { get; }

    /// <summary>The differences in score order.</summary>
    public IReadOnlyList<Difference> Differences { get; }

    /// <summary>The parts that were compared.</summary>
    internal IReadOnlyList<Part> Parts { get; }

    /// <summary>Compares everything.</summary>
    public static Comparison Of(UnifyContext context)
    {
        var voices = context.Score.Parts.SelectMany(LineFinder.VoicesOf).ToList();
        var count = context.Score.Measures.Count;
        var byMeasure = voices.Select(v => new VoiceMeasures(v, count)).ToList();
        IEnumerable<SharedLine> related =
        [
            .. RhythmLines.Find(byMeasure, count, v => context.FamilyOf(v.Part)),
            .. ReturnLines.Find(byMeasure, count),
        ];
        return new Comparison(
            context,
            [.. LineFinder.Find(voices).Select(l => LineFindings.OfShared(context, l))],
            [.. related.Select(l => LineFindings.OfRelated(context, l))]
        );
    }

    /// <summary>Compares again after a decision that changed marks only: the same notes make the same lines.</summary>
    /// <param name="context">The score with the decision; a part that is the same object is taken to be unchanged.</param>
    /// <param name="before">What was found without it, with the same leaders and house rules.</param>
    public static Comparison After(UnifyContext context, Comparison before)
    {
        var changed = before.Parts.Zip(context.Score.Parts).Where(p => p.First != p.Second).ToDictionary(p => p.First, p => p.Second);
        var notes = changed.Values.SelectMany(p => p.Notes).ToDictionary(n => n.Id);
        return new Comparison(
            context,
            [.. before._shared.Select(l => l.Touches(changed) ? LineFindings.OfShared(context, l.Line.In(changed, notes)) : l)],
            [.. before._related.Select(l => l.Touches(changed) ? LineFindings.OfRelated(context, l.Line.In(changed, notes)) : l)]
        );
    }

    /// <summary>True when the notes of a difference agree in this score: none of its differences of the kind speaks of them.</summary>
    /// <param name="difference">A difference of the printed score.</param>
    public bool HasSettled(Difference difference) =>
        !difference.Readings.SelectMany(r => r.Notes).Any(n => _byNote.Value.Contains((difference.Kind, n)));

    /// <summary>The lines and the differences.</summary>
    public void Deconstruct(out IReadOnlyList<SharedLine> lines, out IReadOnlyList<Difference> differences) =>
        (lines, differences) = (Lines, Differences);
}
