using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Technique.Signs;

/// <summary>Signs of the hand, as they are written into a part.</summary>
public static class PlayerSigns
{
    private static readonly HashSet<string> OfTheHand =
    [
        "other-technical",
        "fingering",
        "thumb-position",
        "open-string",
        "string",
        "harmonic",
    ];

    /// <summary>Changes that write marks to notes; a sign of the hand takes the place of the one that stands there.</summary>
    /// <param name="part">The part.</param>
    /// <param name="notes">Ids of the notes or noteheads.</param>
    /// <param name="add">Marks to write.</param>
    /// <param name="remove">Marks to take away.</param>
    public static IReadOnlyList<MarkChange> Replacing(
        Part part,
        IReadOnlyList<string> notes,
        IReadOnlyList<Mark> add,
        IReadOnlyList<Mark> remove
    )
    {
        if (!add.Any(m => OfTheHand.Contains(m.Name)))
            return [new MarkChange(part.Id, notes, add, remove)];
        var owners = part.Notes.Where(n => n.Heads.Count == 1).ToDictionary(n => n.Id);
        return
        [
            .. notes.Select(id => new MarkChange(
                part.Id,
                [id],
                add,
                owners.TryGetValue(id, out var note)
                    ? [.. remove.Union(note.Marks.Where(m => OfTheHand.Contains(m.Name) && !add.Contains(m)))]
                    : remove
            )),
        ];
    }
}
