using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Study;

/// <summary>Turns a finding into marks for every part it holds for.</summary>
/// <remarks>What directors write in by hand: the sign that holds already, a level on the way, a breath, the counting line, or a remark in
/// brackets. Common practice, no published source.</remarks>
public static class WriteIn
{
    private static readonly HashSet<string> Counted =
    [
        "syncopation",
        "flipped-rhythm",
        "triplet-against-dotted",
        "offbeat-entry",
        "meter-grouping",
        "hemiola",
    ];

    /// <summary>The changes that write a finding in; empty when none of its parts plays there.</summary>
    public static IReadOnlyList<MarkChange> Of(StudyContext context, Finding finding) =>
        [.. finding.Parts.Select(id => context.Score.FindPart(id)).OfType<Part>().SelectMany(p => Changes(context, finding, p))];

    private static IEnumerable<MarkChange> Changes(StudyContext context, Finding finding, Part part)
    {
        var notes = part
            .Notes.Skip(part.PlaceFrom(context.Score.Measures[finding.From].Start))
            .TakeWhile(n => n.MeasureIndex <= finding.To)
            .Where(n => n.Sounds)
            .ToList();
        var named = notes.Where(n => finding.Notes.Contains(n.Id) || n.Heads.Any(h => finding.Notes.Contains(h.Id))).ToList();
        if (notes.Count == 0)
            return [];
        return finding.Rule switch
        {
            "carried-accidental" or "back-to-signature" => named.SelectMany(n =>
                n.Heads.Where(h => finding.Notes.Contains(h.Id) && h.Written is not null)
                    .Select(h => Add(part, h.Id, new Mark("accidental", SignOf(h.Written!.Value.Alter))))
            ),
            "halfway-level" or "no-dynamics" when named.Count > 0 && finding.Level is { } level =>
            [
                Add(part, named[0].Id, new Mark("dynamics", level)),
            ],
            "breath-place" => named.Select(n => Add(part, n.Id, new Mark("breath-mark"))),
            var rule when Counted.Contains(rule) =>
            [
                Words(
                    part,
                    (named.FirstOrDefault() ?? notes[0]),
                    CountingLine.Of(context, part, (named.FirstOrDefault() ?? notes[0]).MeasureIndex, context.House["counting-words"]),
                    wholeMeasure: true
                ),
            ],
            _ => [Words(part, named.FirstOrDefault() ?? notes[0], $"[{finding.Title}]", wholeMeasure: false)],
        };
    }

    private static MarkChange Add(Part part, string note, Mark mark) => new(part.Id, [note], [mark], []);

    private static MarkChange Words(Part part, Note note, string words, bool wholeMeasure)
    {
        var at = wholeMeasure ? part.Measures[note.MeasureIndex].Notes.First(n => n.Sounds) : note;
        return Add(part, at.Id, new Mark("words", words));
    }

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
