using MellowStand.Core.Decisions;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Study;
using MellowStand.Core.Technique;

namespace MellowStand.Core.Layers;

/// <summary>What Technique would write into a part, as one finding of Study: a teacher names the fingers before the part is
/// played.</summary>
/// <remarks>One a part, of woodwinds, brass and strings; sticks are told by their station. Common practice, no published source.</remarks>
internal static class HandFinding
{
    /// <summary>The name of the finding's rule in the HTTP interface.</summary>
    public const string Rule = "fingers";

    private const int MostNamed = 4;
    private const int MostMeasures = 6;

    private static readonly Dictionary<Family, string> What = new()
    {
        [Family.Woodwind] = "Fingers to write in",
        [Family.Brass] = "Valves or positions to write in",
        [Family.Strings] = "Fingers and positions to write in",
    };

    /// <summary>The finding, or null where every note has its usual way or has it written in.</summary>
    /// <param name="score">The score.</param>
    /// <param name="plan">What Technique chose for the whole part.</param>
    /// <param name="instrument">The instrument.</param>
    public static Finding? Of(Score score, TechniquePlan plan, Instrument instrument)
    {
        if (!What.TryGetValue(instrument.Family, out var title))
            return null;
        var marks = Pencil.Hands(plan, instrument).ToList();
        if (marks.Count == 0)
            return null;
        var part = plan.Excerpt.Part;
        var signed = marks.SelectMany(m => m.Notes).ToHashSet();
        var told = plan
            .Solution.Choices.Where(c => c.Marked && plan.Excerpt.Steps[c.Place].Note.Heads.Any(h => signed.Contains(h.Id)))
            .Select(c => (plan.Excerpt.Steps[c.Place].Note, Words: Words(plan, c, instrument)))
            .ToList();
        if (told.Count == 0)
            return null;
        return Finding.At(Rule, part, [.. told.Select(t => t.Note)], Severity.Tell, title, Why(score, told)) with { Writes = marks };
    }

    private static string Why(Score score, List<(Note Note, string Words)> told)
    {
        var groups = told.GroupBy(t => t.Words).OrderByDescending(g => g.Count()).ToList();
        var named = groups
            .Take(MostNamed)
            .Select(g => $"{g.Key} ({Measures([.. g.Select(t => score.Measures[t.Note.MeasureIndex].Label).Distinct()])})");
        var left = groups.Count - MostNamed;
        return string.Join("; ", named) + (left > 0 ? $"; and {left} more" : "") + ".";
    }

    private static string Measures(List<string> labels)
    {
        var more = labels.Count > MostMeasures ? $" and {labels.Count - MostMeasures} more" : "";
        return $"measure{(labels.Count == 1 ? "" : "s")} {string.Join(", ", labels.Take(MostMeasures))}{more}";
    }

    private static string Words(TechniquePlan plan, Choice choice, Instrument instrument)
    {
        var step = plan.Excerpt.Steps[choice.Place];
        if (instrument.Family != Family.Woodwind || plan.Chart is not { Value: var chart })
            return $"{step.Note.Top}: {choice.Way.Placement.Words}";
        var named = chart.Find(TechniqueDesk.ChartKeyOf(step, chart, instrument), choice.Way.Code)?.Name;
        return $"{step.Note.Top}: {(string.IsNullOrEmpty(named) ? choice.Way.Code.Replace('-', ' ') : named)}";
    }
}
