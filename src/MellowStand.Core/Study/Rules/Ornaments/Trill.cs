using MellowStand.Core.Notation;
using MellowStand.Core.Ornaments;

namespace MellowStand.Core.Study.Rules;

/// <summary>A trill: its upper note, where it starts and stops, how many alternations fit, and its fingers.</summary>
/// <remarks>The upper note is the next letter in the signature, changed by a sign printed with the trill or earlier in the measure. Start
/// and stop are those that are practiced and played (<see cref="TrillShape"/>). Ten notes a second is a good player's trill, and one of two
/// seconds or more begins slowly (both from memory).</remarks>
[Example("key:F | A4h(tr) G4h", 1)]
[Example("key:F | A4h G4h", 0)]
public sealed class Trill : IStudyRule
{
    private const double Slowly = 2;

    /// <inheritdoc/>
    public string Name => "trill";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Ornaments;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        foreach (var note in part.Notes.Where(n => !n.IsTieContinuation && !n.IsCue))
            if (TrillShape.Of(context.Score, part, note, context.House) is { } trill)
                yield return Finding.At(
                    Name,
                    part,
                    [note],
                    Severity.Tell,
                    $"Trill {trill.Main.Name}–{trill.Upper.Name}",
                    $"{Start(trill)}, {Stop(context, part, note, trill)}; {Amount(context, note, trill)}."
                        + $"{Fingers(context, part, note, trill)}{context.IfTempo(note.MeasureIndex)}"
                );
    }

    private static string Start(TrillShape trill)
    {
        if (trill.Opening is not null)
            return $"The grace is how it begins: begin from above, on {trill.Upper.Name}, and trill with {trill.Main.Name}";
        return trill.FromAbove
            ? $"Begin on {trill.Upper.Name}, above, and trill with {trill.Main.Name}"
            : $"Begin on {trill.Main.Name}, trill with {trill.Upper.Name}";
    }

    private static string Stop(StudyContext context, Part part, Note note, TrillShape trill)
    {
        var closes = trill.IsClosed ? "its closing notes" : "the next note";
        if (trill.End == TrillEnd.RunsThrough)
            return $"run through into {closes}";
        if (trill.End == TrillEnd.BeforeNext)
            return $"stop just before {closes}";
        var stop = note.Onset + trill.Alternating;
        var frame = context.Score.Measures.Last(m => m.Start <= stop);
        var beat = frame.BeatsAt(stop - frame.Start) + 1;
        return beat.Denominator == 1
            ? $"stop on beat {Lengths.Beat(beat)} before its closing notes"
            : "stop halfway, before its closing notes";
    }

    private static string Amount(StudyContext context, Note note, TrillShape trill)
    {
        var seconds = context.Seconds(note.MeasureIndex, trill.Alternating);
        var alternations = Math.Max(1, (int)(seconds * OrnamentMarks.TrillNotesPerSecond / 2));
        var slow = seconds >= Slowly ? "begin slowly and quicken, " : "";
        return $"{slow}about {alternations} {(alternations == 1 ? "alternation fits" : "alternations fit")}";
    }

    private static string Fingers(StudyContext context, Part part, Note note, TrillShape trill) =>
        context.TrillFingers(part, note, trill.Upper) is { Length: > 0 } how ? $" {how}" : "";
}
