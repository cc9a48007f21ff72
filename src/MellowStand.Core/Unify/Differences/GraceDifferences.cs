using System.Runtime.CompilerServices;
using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Grace notes that some parts of a line have and others do not, or other ones.</summary>
/// <remarks>Told at concert pitch. They are written in as words, never unseen: a new note would give every later note of
/// the part another number. Common
/// practice, no published source.</remarks>
public sealed class GraceDifferences : IDifferenceRule
{
    private static readonly ConditionalWeakTable<Part, StrongBox<bool>> HasGraces = [];

    /// <inheritdoc/>
    public string Kind => "ornament";

    /// <inheritdoc/>
    public string Name => "grace";

    /// <inheritdoc/>
    public IEnumerable<Difference> Find(UnifyContext context, SharedLine line)
    {
        if (!line.Voices.Any(v => HasGraces.GetValue(v.Part, p => new StrongBox<bool>(p.Notes.Any(n => n.IsGrace))).Value))
            yield break;
        line = line.Only(v => !context.IsStruck(v.Part));
        if (line.Voices.Count < 2)
            yield break;
        for (var i = 0; i < line.Notes[0].Count; i++)
        {
            var graces = line.Voices.Select((v, k) => Before(v.Part, line.Notes[k][i])).ToList();
            if (graces.Select(g => string.Join(' ', g.Select(n => (n.TopSounding + 120) % 12))).Distinct().Count() == 1)
                continue;
            var place = i;
            var words = graces.Select((g, k) => Words(line.Voices[k].Part, g)).ToList();
            if (words.Distinct().Count() == 1)
                continue;
            var readings = line.Voices.Select((v, k) => new Reading(v.Part.Id, [line.Notes[k][place].Id], words[k])).ToList();
            var changes = words.Distinct().ToDictionary(w => w, w => Changes(context, readings, w));
            var proposal = new Ballot(context, Kind, readings).Decide().AtMost(Sureness.Likely);
            yield return context.Difference(Name, Kind, line, i, i, readings, changes, proposal);
        }
    }

    private static List<Note> Before(Part part, Note note) =>
        [
            .. part
                .Notes.Between(n => n.Onset, note.Onset, note.Onset)
                .Where(n => n.IsGrace && n.Voice == note.Voice && n.Staff == note.Staff && n.TopSounding is not null),
        ];

    private static string Words(Part part, List<Note> graces)
    {
        if (graces.Count == 0)
            return "";
        var names = graces.Select(n => ConcertPitch.Of(part, n).Name);
        return $"{(graces.Count == 1 ? "grace note" : "grace notes")} {string.Join(' ', names)}";
    }

    private static IReadOnlyList<MarkChange> Changes(UnifyContext context, List<Reading> readings, string has)
    {
        var source = context.NameOf(readings.First(r => r.Has == has).Part);
        var text = has.Length == 0 ? $"[no grace note, as {source}]" : $"[as {source}: {has}]";
        return [.. readings.Where(r => r.Has != has).Select(r => new MarkChange(r.Part, r.Notes, [new Mark("words", text)], []))];
    }
}
