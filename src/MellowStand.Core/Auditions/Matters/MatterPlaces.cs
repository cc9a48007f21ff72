using MellowStand.Core.Layers;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Auditions;

/// <summary>Finds the places of matters.</summary>
/// <remarks>What Study finds is taken from its findings; what is printed is read from the score as decided so far.</remarks>
internal static class MatterPlaces
{
    private static readonly string[] Short = ["staccato", "staccatissimo", "spiccato"];

    /// <summary>No level is printed: the findings of Study, each with the level that it proposes.</summary>
    public static IEnumerable<MatterPlace> NoDynamics(Layer layer, Part part) =>
        from finding in layer.Findings
        where finding.Rule == "no-dynamics" && finding.Parts.Contains(part.Id)
        let first = part.FirstSoundingFrom(layer.Current.Measures[finding.From].Start)
        where first is not null
        select new MatterPlace(part.Id, first.MeasureIndex, [first.Id], "no dynamics printed")
        {
            Proposed = new Mark("dynamics", finding.Level ?? "mf"),
        };

    /// <summary>The first staccato of a part; the answer holds for all of them.</summary>
    public static IEnumerable<MatterPlace> Staccato(Layer layer, Part part)
    {
        var inside = SlurredWithin(part);
        return Once(part, n => Short.Any(n.Has) && !inside.Contains(n.Id), c => Count(c, "staccato note"));
    }

    /// <summary>Every trill.</summary>
    public static IEnumerable<MatterPlace> Trills(Layer layer, Part part) =>
        Each(part, n => n.Has("trill-mark"), n => $"trill on {n.Top?.Name}");

    /// <summary>Notes with dots under a slur, by what Study found.</summary>
    public static IEnumerable<MatterPlace> Portato(Layer layer, Part part) =>
        from finding in layer.Findings
        where finding.Rule == "dots-under-slur" && finding.Parts.Contains(part.Id)
        from note in finding.Notes.Take(1)
        select new MatterPlace(part.Id, finding.From, [note], "dots under a slur");

    /// <summary>The first grace of every group.</summary>
    public static IEnumerable<MatterPlace> Graces(Layer layer, Part part)
    {
        var graces = part.Notes.Where(n => n.IsGrace && n.Sounds && !n.IsCue).GroupBy(n => (n.MeasureIndex, n.Onset));
        return graces.Select(g => new MatterPlace(
            part.Id,
            g.Key.MeasureIndex,
            [g.First().Id],
            g.Count() == 1 ? "a grace" : $"{g.Count()} graces"
        ));
    }

    /// <summary>Places to breathe that Study proposes and nobody has marked.</summary>
    public static IEnumerable<MatterPlace> Breaths(Layer layer, Part part)
    {
        var notes = part.Notes.ToDictionary(n => n.Id);
        return from finding in layer.Findings
               where finding.Rule == "breath-place" && finding.Parts.Contains(part.Id)
               from id in finding.Notes
               where notes.TryGetValue(id, out var note) && !note.Has("breath-mark")
               select new MatterPlace(part.Id, notes[id].MeasureIndex, [id], $"breathe after {notes[id].Top?.Name}")
               {
                   Proposed = new Mark("breath-mark"),
               };
    }

    /// <summary>Two slurs over the same notes, as where two editions were printed in one.</summary>
    public static IEnumerable<MatterPlace> TwoSlurs(Layer layer, Part part) =>
        from outer in part.Slurs
        from inner in part.Slurs
        where outer.Holds(inner)
        select new MatterPlace(
            part.Id,
            inner.From.MeasureIndex,
            [outer.From.Id, outer.To.Id],
            $"a slur to {inner.To.Top?.Name} inside one to {outer.To.Top?.Name}"
        )
        {
            Inner = [inner.From.Id, inner.To.Id],
        };

    /// <summary>Words on vibrato.</summary>
    public static IEnumerable<MatterPlace> Vibrato(Layer layer, Part part) =>
        from direction in part.Directions
        where direction.Text.Contains("vib", StringComparison.OrdinalIgnoreCase)
        let note = part.FirstSoundingFrom(direction.Onset)
        where note is not null
        select new MatterPlace(part.Id, direction.MeasureIndex, [note.Id], $"\"{direction.Text.Trim()}\"");

    private static IEnumerable<MatterPlace> Each(Part part, Func<Note, bool> has, Func<Note, string> what) =>
        part.Notes.Where(n => n.Sounds && !n.IsCue && has(n)).Select(n => new MatterPlace(part.Id, n.MeasureIndex, [n.Id], what(n)));

    private static IEnumerable<MatterPlace> Once(Part part, Func<Note, bool> has, Func<int, string> what)
    {
        var all = part.Notes.Where(n => n.Sounds && !n.IsCue && has(n)).ToList();
        if (all.Count > 0)
            yield return new MatterPlace(part.Id, all[0].MeasureIndex, [all[0].Id], what(all.Count));
    }

    private static string Count(int count, string what) => count == 1 ? $"1 {what}" : $"{count} {what}s";

    // Dots under a slur are a matter of their own.
    private static HashSet<string> SlurredWithin(Part part) =>
        [
            .. part.Slurs.SelectMany(s =>
                part.Notes.Skip(part.PlaceFrom(s.From.Onset))
                    .TakeWhile(n => n.Onset <= s.To.Onset)
                    .Where(n => n.Voice == s.From.Voice)
                    .Select(n => n.Id)
            ),
        ];
}
