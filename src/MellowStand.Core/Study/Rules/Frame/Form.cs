using MellowStand.Core.Notation;
using MellowStand.Core.Reading;

namespace MellowStand.Core.Study.Rules;

/// <summary>The form in a line, from the first measure to the last: sections, repeats, endings, as played.</summary>
/// <remarks>Letters, double bars, repeats, keys and tempos part the sections: <see cref="Sections"/>.</remarks>
[Example("reh:A | {: C5w | D5w :} | reh:B E5w", 1)]
[Example("| C5w | D5w double | E5w | F5w", 1, "a double bar is enough")]
[Example("| C5w | D5w | reh:A E5w | F5w", 1, "the music before the first letter is a section too")]
[Example("| C5w | D5w", 0, "nothing parts it")]
public sealed class Form : IStudyRule
{
    /// <inheritdoc/>
    public string Name => "form";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Frame;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var measures = context.Score.Measures;
        var sections = Sections.Of(context, part);
        var repeats = context.Score.PlayedOrder.Count != measures.Count;
        if (sections.Count < 2 && !repeats)
            yield break;
        var told = sections.Count < 2 ? "" : $"Sections: {string.Join(", ", sections.Select(s => Named(context, s)))}.";
        yield return new Finding(
            Name,
            [part.Id],
            0,
            measures.Count - 1,
            [],
            Severity.Note,
            sections.Count < 2 ? "Repeats" : $"{sections.Count} sections{(repeats ? ", with repeats" : "")}",
            $"{told}{(repeats ? $"{(told.Length > 0 ? " " : "")}Played: {Order(context.Score)}." : "")}"
        );
    }

    private static string Named(StudyContext context, MusicSection section)
    {
        var range = Range(context.Label(section.From), context.Label(section.To));
        return section.Letter is { } letter ? $"{letter} {range}" : range;
    }

    private static string Range(string from, string to) => from == to ? from : $"{from}–{to}";

    private static string Order(Score score)
    {
        var runs = new List<(int From, int To)>();
        foreach (var i in score.PlayedOrder)
        {
            if (runs.Count > 0 && runs[^1].To + 1 == i)
                runs[^1] = (runs[^1].From, i);
            else
                runs.Add((i, i));
        }

        return string.Join(
            ", ",
            runs.Select(r => Range(score.Measures[r.From].Label, score.Measures[r.To].Label))
        );
    }
}
