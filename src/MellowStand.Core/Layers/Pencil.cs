using MellowStand.Core.Decisions;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Study;
using MellowStand.Core.Technique;

namespace MellowStand.Core.Layers;

/// <summary>What a teacher would pencil over the notes of a printed page: signs for the hands, and findings that have a sign.</summary>
/// <remarks>Only for the eye: nothing of it is decided or written into the parts. Common practice, no published source.</remarks>
public static class Pencil
{
    // What is told by its title over the first note.
    private static readonly HashSet<string> ByTitle = ["count-unit", "return"];

    /// <summary>The signs of the hands that are not in the part yet.</summary>
    /// <param name="plan">What Technique chose.</param>
    /// <param name="instrument">The instrument.</param>
    public static IEnumerable<MarkChange> Hands(TechniquePlan plan, Instrument instrument)
    {
        var part = plan.Excerpt.Part;
        foreach (var choice in plan.Solution.Choices.Where(c => c.Marked))
        {
            var step = plan.Excerpt.Steps[choice.Place];
            foreach (var (note, all) in TechniqueDesk.MarksOf(plan, choice))
                if (all.Where(m => !IsThere(step.Note, m)).ToList() is { Count: > 0 } marks)
                    yield return new MarkChange(part.Id, [note], marks, []);
        }

        // Where all are of one kind, the page is not littered.
        if (plan.Slurs.Select(s => s.Kind).Distinct().Count() > 1)
            foreach (var slur in plan.Slurs.Where(s => s.Kind == "legato-tongue"))
                yield return new MarkChange(part.Id, [slur.To], [new Mark("words", "l.t.")], []);
    }

    // Signs in words stand beside each other; of all others one is enough.
    private static bool IsThere(Note note, Mark mark) =>
        mark.Name == "other-technical" ? note.Marks.Contains(mark) : note.Has(mark.Name);

    /// <summary>The signs of findings: a sign that holds, a level, a breath, the counting line, where it is the same again.</summary>
    /// <param name="context">The score they were found in.</param>
    /// <param name="part">The part.</param>
    /// <param name="findings">Findings of the part.</param>
    public static IEnumerable<MarkChange> Findings(StudyContext context, Part part, IEnumerable<Finding> findings) =>
        findings.SelectMany(f => Signs(context, part, f with { Parts = [part.Id] }));

    private static IEnumerable<MarkChange> Signs(StudyContext context, Part part, Finding finding)
    {
        if (finding.Writes.Count > 0)
            return finding.Writes.Where(c => c.Part == part.Id);
        if (ByTitle.Contains(finding.Rule))
            return part.FirstSoundingFrom(context.Score.Measures[finding.From].Start) is { } first
                ? [new MarkChange(part.Id, [first.Id], [new Mark("words", finding.InWordsOf([part.Id], context.NameOf).Title)], [])]
                : [];
        return StudyDesk.RuleOf(finding.Rule)?.WritesIn is null or WritesIn.Remark ? [] : WriteIn.Of(context, finding);
    }
}
