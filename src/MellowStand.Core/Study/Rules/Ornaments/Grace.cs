using MellowStand.Core.Notation;
using MellowStand.Core.Ornaments;

namespace MellowStand.Core.Study.Rules;

/// <summary>Grace notes and where they fall.</summary>
/// <remarks>Before the main note, which keeps its own place in the measure, unless the house rule says otherwise. Those that begin or close
/// a trill are told with it. Common practice, no published source.</remarks>
[Example("| g:D5e C5h E5h", 1)]
[Example("| C5h E5h", 0)]
[Example("| G5h(tr) g:F5s g:G5s A5h", 0, "they close the trill")]
public sealed class Grace : IStudyRule
{
    private const int MostPlaces = 3;

    /// <inheritdoc/>
    public string Name => "grace";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Ornaments;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var ofTrills = TrillGraces.All(part);
        var graces = part.Notes.Where(n => n.IsGrace && !n.IsCue && !ofTrills.Contains(n.Id));
        return Stretches
            .Of(graces)
            .Select(s =>
                Finding.At(
                    Name,
                    part,
                    s,
                    Severity.Tell,
                    s.Count == 1 ? "Grace note" : $"{s.Count} grace notes",
                    Words(context, s)
                )
            );
    }

    private static string Words(StudyContext context, List<Note> graces)
    {
        var places = graces.DistinctBy(g => g.Onset).ToList();
        var beats = places.Select(g => Place(context, g)).Distinct().ToList();
        var one = graces.Count == 1 || beats.Count == 1;
        var where = beats.Count > MostPlaces ? "in its own place" : string.Join(", ", beats);
        return context.House["graces"] == "on-beat"
            ? $"By the house rule the grace falls {where}, and the main note comes just after."
            : $"{(one ? "The main note is" : "The main notes are")} {where}, the grace just before {(one ? "it" : "them")}: "
                + "practice without it first.";
    }

    // A beat by its number, else as it is counted.
    private static string Place(StudyContext context, Note grace)
    {
        var beat = context.BeatsIn(grace) + 1;
        var whole = new Fraction(beat.Numerator / beat.Denominator);
        if (beat == whole)
            return $"on beat {Lengths.Beat(beat)}";
        return beat - whole == new Fraction(1, 2) ? $"on the & of {whole}" : $"at beat {Lengths.Beat(beat)}";
    }
}
