using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A measure that is another one backwards.</summary>
/// <remarks>Five notes or more, not the same forwards and backwards. Common practice, no published source.</remarks>
[Example("| C5e D5e E5e G5e A5h | C5w | A5h G5e E5e D5e C5e", 1)]
[Example("| C5e D5e E5e G5e A5h | C5w | A5h F5e E5e D5e C5e", 0, "one note is another")]
public sealed class Mirror : IStudyRule
{
    private const int LeastNotes = 5;

    /// <inheritdoc/>
    public string Name => "mirror";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Returns;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var seen = new Dictionary<string, int>();
        foreach (var measure in part.Measures)
        {
            var notes = measure.Notes.Where(n => n.TopSounding is not null && !n.IsGrace && !n.IsCue).ToList();
            if (notes.Count < LeastNotes || notes.Count != measure.Notes.Count(n => !n.IsGrace))
                continue;
            var forwards = string.Join(' ', notes.Select(Word));
            var backwards = string.Join(' ', notes.AsEnumerable().Reverse().Select(Word));
            if (forwards != backwards && seen.TryGetValue(backwards, out var earlier))
                yield return Finding.At(
                    Name,
                    part,
                    notes,
                    Severity.Note,
                    $"Measure {context.Label(earlier)} backwards",
                    $"Measure {context.Label(measure.Index)} has the notes of measure {context.Label(earlier)} in the other direction."
                );
            seen.TryAdd(forwards, measure.Index);
        }
    }

    private static string Word(Note n) => $"{n.TopSounding}:{n.Duration}";
}
