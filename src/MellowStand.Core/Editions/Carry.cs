using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;
using MellowStand.Core.Study;
using MellowStand.Core.Unify;

namespace MellowStand.Core.Editions;

/// <summary>Something as it stands in another edition, or the reason why it cannot.</summary>
/// <param name="Value">As it stands there; null when it cannot.</param>
/// <param name="Reason">Why it cannot, or null.</param>
public sealed record Carried<T>(T? Value, string? Reason)
    where T : class;

/// <summary>A line and the part that leads it.</summary>
/// <param name="Parts">As <see cref="UnifyContext.LineKey"/>.</param>
/// <param name="Leader">Id of the part.</param>
public sealed record Line(string Parts, string Leader);

/// <summary>Carries whatever lives at an address from one edition to another, over one comparison of the two.</summary>
/// <param name="map">Where everything stands.</param>
/// <param name="from">The edition that things come from.</param>
/// <param name="to">The edition that they go to.</param>
/// <param name="edition">Id of the edition that they go to.</param>
public sealed class Carry(EditionMap map, Score from, Score to, string edition)
{
    private readonly AddressBook _there = new(edition, to);
    private readonly Lazy<Dictionary<string, string>> _partOf = new(() =>
        to
            .Parts.SelectMany(p =>
                p.Notes.SelectMany(n => n.Heads.Select(h => h.Id).Append(n.Id)).Distinct().Select(id => (id, Part: p.Id))
            )
            .ToDictionary(x => x.id, x => x.Part)
    );

    /// <summary>A place: all its parts and measures must be there; measures that are new between them are taken in.</summary>
    public Carried<Address> Of(Address place)
    {
        if (GonePart(place.Parts) is { } part)
            return new(null, part);
        if (Gone(place.From.Index, place.To.Index) is { } measure)
            return new(null, measure);
        var measures = Enumerable.Range(place.From.Index, place.Measures).Select(m => map.Measures[m]!.Value).ToList();
        return new(_there.At([.. place.Parts.SelectMany(p => map.Parts[p]).Distinct()], measures.Min(), measures.Max()), null);
    }

    /// <summary>What a finding is about.</summary>
    public Carried<FindingKey> Of(FindingKey key)
    {
        if (GonePart(key.Parts) is { } part)
            return new(null, part);
        var last = Math.Min(key.To, from.Measures.Count - 1);
        if (Gone(key.From, key.From) is { } first)
            return new(null, first);
        if (Gone(last, last) is { } end)
            return new(null, end);
        if (key.Notes.FirstOrDefault(n => !map.Notes.ContainsKey(n)) is { } note)
            return new(null, $"{Place(key.Parts[0], note)} is not in the new edition");
        return new(
            key with
            {
                Parts = [.. key.Parts.SelectMany(p => map.Parts[p]).Distinct()],
                From = map.Measures[key.From]!.Value,
                To = map.Measures[last]!.Value,
                Notes = [.. key.Notes.Select(n => map.Notes[n])],
            },
            null
        );
    }

    /// <summary>What a decision writes.</summary>
    public Carried<IReadOnlyList<MarkChange>> Of(IReadOnlyList<MarkChange> changes)
    {
        var carried = new List<MarkChange>();
        foreach (var change in changes)
        {
            if (GonePart([change.Part]) is { } part)
                return new(null, part);
            if (change.Notes.FirstOrDefault(n => !map.Notes.ContainsKey(n)) is { } gone)
                return new(null, $"{Place(change.Part, gone)} is not in the new edition");
            // After a split the notes of one part may stand in two.
            var byPart = change.Notes.Select(n => map.Notes[n]).GroupBy(n => _partOf.Value[n]).ToList();
            if (byPart.Count > 1 && change.Added.Concat(change.Removed).Any(m => MarkCatalog.IsSpan(m.Name)))
                return new(null, $"{Place(change.Part, change.Notes[0])} begins in one part of the new edition what would end in another");
            carried.AddRange(byPart.Select(g => change with { Part = g.Key, Notes = [.. g] }));
        }

        return new(carried, null);
    }

    /// <summary>A part: all that hold it, two after a split.</summary>
    public Carried<IReadOnlyList<string>> AllOfPart(string part) =>
        GonePart([part]) is { } gone ? new(null, gone) : new(map.Parts[part], null);

    /// <summary>The parts of a line, as <see cref="UnifyContext.LineKey"/>, and the part that leads it; of a part that was split its first
    /// half.</summary>
    public Carried<Line> OfLine(string parts, string leader)
    {
        var ids = parts.Split(',');
        return GonePart(ids.Append(leader)) is { } gone
            ? new(null, gone)
            : new(new Line(UnifyContext.LineKey(ids.Select(p => map.Parts[p][0])), map.Parts[leader][0]), null);
    }

    /// <summary>Id of a note there, or null when it is gone.</summary>
    public string? NoteIn(string note) => map.Notes.GetValueOrDefault(note);

    private string? GonePart(IEnumerable<string> parts) =>
        parts.FirstOrDefault(p => !map.Parts.ContainsKey(p)) is { } gone ? $"the part {NameOf(gone)} is not in the new edition" : null;

    private string? Gone(int first, int last)
    {
        for (var m = first; m <= last; m++)
            if (m >= map.Measures.Count || map.Measures[m] is null)
                return $"measure {(m < from.Measures.Count ? from.Measures[m].Label : "beyond the end")} is not in the new edition";
        return null;
    }

    private string Place(string partId, string note)
    {
        var at = from.FindPart(partId)?.Notes.FirstOrDefault(n => n.Id == note || n.Heads.Any(h => h.Id == note));
        return at is null ? "a note" : $"a note of {NameOf(partId)}, measure {from.Measures[at.MeasureIndex].Label},";
    }

    private string NameOf(string id) => from.FindPart(id) is { Name.Length: > 0 } part ? part.Name : id;
}
