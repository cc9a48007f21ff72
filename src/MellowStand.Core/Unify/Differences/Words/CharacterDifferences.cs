using System.Runtime.CompilerServices;
using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Words of character (dolce, cantabile, marcato, …) that most parts of a line print at a note and some do not.</summary>
/// <remarks>Whoever plays the tune plays it in one character. A word of the fewer says nothing: it may be a solo's own. A word that belongs
/// to a tempo is everybody's and not compared. Common practice, no published source.</remarks>
public sealed class CharacterDifferences : IDifferenceRule
{
    // Asked for each line: kept as long as the part.
    private static readonly ConditionalWeakTable<Part, List<Direction>> OfPart = [];

    /// <inheritdoc/>
    public string Kind => "articulation";

    /// <inheritdoc/>
    public string Name => "character";

    /// <inheritdoc/>
    public IEnumerable<Difference> Find(UnifyContext context, SharedLine line)
    {
        var words = line.Voices.Select(v => Words(v.Part)).ToList();
        if (line.Voices.Count < 3 || words.All(w => w.Count == 0))
            yield break;
        for (var i = 0; i < line.Notes[0].Count; i++)
        {
            var place = i;
            var texts = words.Select((w, k) => TextAt(w, line.Notes[k], place)).ToList();
            var meant = texts.Where(t => t.Length > 0).GroupBy(Said).MaxBy(g => g.Count())?.Key;
            if (meant is null || texts.TrueForAll(t => t.Length > 0))
                continue;
            if (texts.Count(t => t.Length > 0 && Said(t) == meant) * 2 <= texts.Count)
                continue;
            yield return Told(context, line, place, texts, texts.First(t => t.Length > 0 && Said(t) == meant));
        }
    }

    private Difference Told(UnifyContext context, SharedLine line, int place, List<string> texts, string meant)
    {
        var readings = line.Voices.Select((v, k) => new Reading(v.Part.Id, [line.Notes[k][place].Id], texts[k])).ToList();
        IReadOnlyList<MarkChange> added =
        [
            .. readings.Where(r => r.Has.Length == 0).Select(r => new MarkChange(r.Part, r.Notes, [new Mark("words", meant)], [])),
        ];
        IReadOnlyList<MarkChange> taken =
        [
            .. readings.Where(r => r.Has.Length > 0).Select(r => new MarkChange(r.Part, r.Notes, [], [new Mark("words", r.Has)])),
        ];
        var changes = texts.Distinct().ToDictionary(t => t, t => t.Length == 0 ? taken : added);
        var proposal = new Ballot(context, Kind, readings).Decide().AtMost(Sureness.Likely);
        return context.Difference(Name, Kind, line, place, place, readings, changes, proposal);
    }

    private static List<Direction> Words(Part part) => OfPart.GetValue(part, Find);

    private static List<Direction> Find(Part part) =>
        [.. part.Directions.Where(d => d.Kind == DirectionKind.Words && IsOfCharacter(d.Text) && PlayingWords.In(d.Text) is null)];

    private static bool IsOfCharacter(string text) => TempoWords.In(text).Any() && TempoWords.TempoIn(text) is null;

    private static string Said(string text) => string.Join(' ', TempoWords.In(text).Select(w => w.Meaning).Distinct());

    // What stands from one note of the line to the next.
    private static string TextAt(List<Direction> words, IReadOnlyList<Note> row, int place)
    {
        var end = place + 1 < row.Count ? row[place + 1].Onset : row[place].Onset + row[place].SoundingDuration;
        return words.FirstOrDefault(d => d.Onset >= row[place].Onset && d.Onset < end)?.Text ?? "";
    }
}
