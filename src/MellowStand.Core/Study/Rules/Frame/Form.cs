using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>The form in a line: sections by rehearsal marks and double bars, repeats, endings, as played.</summary>
/// <remarks>Read from rehearsal marks and the played order.</remarks>
[Example("reh:A | {: C5w | D5w :} | reh:B E5w", 1)]
[Example("| C5w | D5w", 0, "nothing parts it")]
public sealed class Form : IStudyRule
{
    /// <inheritdoc/>
    public string Name => "form";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Frame;

    /// <inheritdoc/>
    public Reach Reach => Reach.Score;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        var measures = context.Score.Measures;
        var marks = measures.Where(m => m.Rehearsal is not null).ToList();
        var repeats = context.Score.PlayedOrder.Count != measures.Count;
        if (marks.Count == 0 && !repeats)
            yield break;
        var sections =
            marks.Count == 0
                ? ""
                : "Sections: "
                    + string.Join(
                        ", ",
                        marks.Select(
                            (m, i) =>
                                $"{m.Rehearsal} "
                                + $"{m.Label}–{(i + 1 < marks.Count ? measures[marks[i + 1].Index - 1].Label : measures[^1].Label)}"
                        )
                    )
                    + ".";
        yield return new Finding(
            Name,
            [part.Id],
            0,
            measures.Count - 1,
            [],
            Severity.Note,
            marks.Count == 0 ? "Repeats" : $"{marks.Count} sections{(repeats ? ", with repeats" : "")}",
            $"{sections}{(repeats ? $"{(sections.Length > 0 ? " " : "")}Played: {Order(context.Score)}." : "")}"
        );
    }

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
            runs.Select(r => r.From == r.To ? score.Measures[r.From].Label : $"{score.Measures[r.From].Label}–{score.Measures[r.To].Label}")
        );
    }
}
