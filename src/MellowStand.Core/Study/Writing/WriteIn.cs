using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Study;

/// <summary>Turns a finding into marks for every part it holds for.</summary>
/// <remarks>What directors write in by hand: the sign that holds already, a level on the way, a breath, the counting line, or a remark in
/// brackets. Common practice, no published source.</remarks>
public static class WriteIn
{
    /// <summary>The changes that write a finding in; empty when none of its parts plays there.</summary>
    public static IReadOnlyList<MarkChange> Of(StudyContext context, Finding finding) =>
        finding.Writes.Count > 0
            ? finding.Writes
            : [.. finding.Parts.Select(id => context.Score.FindPart(id)).OfType<Part>().SelectMany(p => Changes(context, finding, p))];

    private static IEnumerable<MarkChange> Changes(StudyContext context, Finding finding, Part part)
    {
        var notes = part
            .Notes.Skip(part.PlaceFrom(context.Score.Measures[finding.From].Start))
            .TakeWhile(n => n.MeasureIndex <= finding.To)
            .Where(n => n.Sounds)
            .ToList();
        if (notes.Count == 0)
            return [];
        var named = notes.Where(n => finding.Notes.Contains(n.Id) || n.Heads.Any(h => finding.Notes.Contains(h.Id))).ToList();
        var first = named.FirstOrDefault() ?? notes[0];
        return StudyDesk.RuleOf(finding.Rule)?.WritesIn switch
        {
            WritesIn.CourtesyAccidental => Signs(finding, part, named),
            WritesIn.Level when named.Count > 0 && finding.Level is { } level => [Add(part, named[0].Id, new Mark("dynamics", level))],
            WritesIn.BreathMark => named.Select(n => Add(part, n.Id, new Mark("breath-mark"))),
            WritesIn.CountingLine => [Counting(context, part, first.MeasureIndex)],
            _ => [Add(part, first.Id, new Mark("words", $"[{finding.InWordsOf([part.Id], context.NameOf).Title}]"))],
        };
    }

    private static IEnumerable<MarkChange> Signs(Finding finding, Part part, List<Note> notes) =>
        notes
            .SelectMany(n => n.Heads)
            .Where(h => finding.Notes.Contains(h.Id) && h.Written is not null)
            .Select(h => Add(part, h.Id, new Mark("accidental", SignOf(h.Written!.Value.Alter))));

    // The line of a whole measure stands at its first note.
    private static MarkChange Counting(StudyContext context, Part part, int measure) =>
        Add(
            part,
            part.Measures[measure].Notes.First(n => n.Sounds).Id,
            new Mark("words", CountingLine.Of(context, part, measure, context.House["counting-words"]))
        );

    private static MarkChange Add(Part part, string note, Mark mark) => new(part.Id, [note], [mark], []);

    private static string SignOf(decimal alter) =>
        alter switch
        {
            1 => "sharp",
            -1 => "flat",
            2 => "double-sharp",
            -2 => "flat-flat",
            _ => "natural",
        };
}
