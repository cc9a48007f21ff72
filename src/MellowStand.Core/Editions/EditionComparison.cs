using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Editions;

/// <summary>A decision carried to a new edition, or the reason why it cannot be.</summary>
/// <param name="Changes">What it writes in the new edition; null when it cannot be carried.</param>
/// <param name="Reason">Why it cannot be carried, or null.</param>
public sealed record Carried(IReadOnlyList<MarkChange>? Changes, string? Reason);

/// <summary>Compares two editions of a piece: what changed, and where each note of the old one stands in the new one.</summary>
/// <remarks>A note is the same note when it stands in the same part, measure, voice and beat, whatever its pitch: an edition that mends a
/// pitch keeps the marks decided on it. Our own method.</remarks>
public sealed class EditionComparison
{
    private readonly Score _before;
    private readonly Score _after;
    private readonly Dictionary<string, Part> _parts = [];
    private readonly Dictionary<string, string> _notes = [];
    private readonly List<EditionChange> _changes = [];

    /// <summary>Compares.</summary>
    /// <param name="before">The edition on the shelf.</param>
    /// <param name="after">The new edition.</param>
    public EditionComparison(Score before, Score after)
    {
        (_before, _after) = (before, after);
        PairParts();
        var measures = MeasureAlignment.Of(Signatures(before, p => p), Signatures(after, Counterpart), before.Measures, after.Measures);
        TellMeasures(measures);
        foreach (var part in before.Parts.Where(p => _parts.ContainsKey(p.Id)))
            CompareParts(part, _parts[part.Id], measures);
    }

    /// <summary>What changed, in score order.</summary>
    public IReadOnlyList<EditionChange> Changes => _changes;

    /// <summary>The id in the new edition of a note of the old one, or null when it is gone.</summary>
    public string? NoteIn(string note) => _notes.GetValueOrDefault(note);

    /// <summary>Carries a decision over.</summary>
    public Carried Carry(IReadOnlyList<MarkChange> changes)
    {
        var carried = new List<MarkChange>();
        foreach (var change in changes)
        {
            if (!_parts.TryGetValue(change.Part, out var part))
                return new Carried(null, $"the part {NameOf(_before.FindPart(change.Part), change.Part)} is not in the new edition");
            var notes = change.Notes.Select(NoteIn).ToList();
            if (notes.FindIndex(n => n is null) is var gone and >= 0)
                return new Carried(null, $"{Place(change.Part, change.Notes[gone])} is not in the new edition");
            carried.Add(change with { Part = part.Id, Notes = [.. notes.OfType<string>()] });
        }

        return new Carried(carried, null);
    }

    private string Place(string partId, string note)
    {
        var part = _before.FindPart(partId);
        var at = part?.Notes.FirstOrDefault(n => n.Id == note || n.Heads.Any(h => h.Id == note));
        return at is null ? "a note" : $"a note of {NameOf(part, partId)}, measure {_before.Measures[at.MeasureIndex].Label},";
    }

    private static string NameOf(Part? part, string id) => part is { Name.Length: > 0 } ? part.Name : id;

    private void PairParts()
    {
        var free = _after.Parts.ToList();
        foreach (
            var sameAs in new Func<Part, Part, bool>[]
            {
                (a, b) => a.Id == b.Id && a.Name == b.Name,
                (a, b) => a.Name == b.Name && a.Name.Length > 0,
                (a, b) => a.Id == b.Id,
            }
        )
        {
            foreach (var part in _before.Parts.Where(p => !_parts.ContainsKey(p.Id)))
            {
                if (free.FirstOrDefault(p => sameAs(part, p)) is not { } found)
                    continue;
                _parts[part.Id] = found;
                free.Remove(found);
            }
        }

        _changes.AddRange(
            _before
                .Parts.Where(p => !_parts.ContainsKey(p.Id))
                .Select(p => new EditionChange("part-removed", NameOf(p, p.Id), "", $"{NameOf(p, p.Id)} is not in the new edition."))
        );
        _changes.AddRange(free.Select(p => new EditionChange("part-added", NameOf(p, p.Id), "", $"{NameOf(p, p.Id)} is new.")));
    }

    private Part? Counterpart(Part old) => _parts.GetValueOrDefault(old.Id);

    // A measure is equal when every part that both editions have sounds the same notes in it.
    private List<string> Signatures(Score score, Func<Part, Part?> which)
    {
        var paired = _before.Parts.Where(p => _parts.ContainsKey(p.Id)).Select(which).OfType<Part>().ToList();
        return
        [
            .. score.Measures.Select(m =>
                string.Join(';', paired.Select(p => string.Join(',', p.Measures[m.Index].Notes.Select(Sounding))))
            ),
        ];
    }

    private static string Sounding(Note n) =>
        $"{n.Offset}:{n.Duration}:{string.Join('+', n.Heads.Select(h => h.Sounding))}{(n.IsGrace ? "g" : "")}{n.Voice}";

    private void TellMeasures(int?[] measures)
    {
        for (var i = 0; i < measures.Length; i++)
            if (measures[i] is null)
                _changes.Add(
                    new EditionChange("measure-removed", "", _before.Measures[i].Label, $"Measure {_before.Measures[i].Label} is gone.")
                );
        foreach (var added in _after.Measures.Where(m => !measures.Contains(m.Index)))
            _changes.Add(new EditionChange("measure-added", "", added.Label, $"Measure {added.Label} is new."));
    }

    private void CompareParts(Part before, Part after, int?[] measures)
    {
        for (var i = 0; i < measures.Length; i++)
        {
            if (measures[i] is not { } k)
                continue;
            CompareMeasures(before, before.Measures[i].Notes, after.Measures[k].Notes, _after.Measures[k].Label);
        }

        CompareSlurs(before, after);
    }

    private void CompareMeasures(Part part, IReadOnlyList<Note> before, IReadOnlyList<Note> after, string label)
    {
        var name = NameOf(part, part.Id);
        var there = after.GroupBy(Key).ToDictionary(g => g.Key, g => g.ToList());
        var moved = false;
        var pitches = new List<string>();
        var marks = new List<string>();
        foreach (var group in before.GroupBy(Key))
        {
            var others = there.GetValueOrDefault(group.Key) ?? [];
            foreach (var (note, other) in group.Zip(others))
                Pair(note, other, pitches, marks);
            moved |=
                group.Count() != others.Count
                || group.Zip(others).Any(p => p.First.Duration != p.Second.Duration || p.First.Kind != p.Second.Kind);
        }

        moved |= after.Count != before.Count;
        if (moved)
            _changes.Add(new EditionChange("rhythm", name, label, $"{name}, measure {label}: the rhythm is another."));
        if (pitches.Count > 0)
            _changes.Add(new EditionChange("pitch", name, label, $"{name}, measure {label}: {string.Join(", ", pitches)}."));
        if (marks.Count > 0)
            _changes.Add(new EditionChange("marks", name, label, $"{name}, measure {label}: {string.Join(", ", marks.Distinct())}."));
    }

    // A grace is told apart from the main note that it leads to.
    private static (Fraction, string, int, bool) Key(Note n) => (n.Offset, n.Voice, n.Staff, n.IsGrace);

    private void Pair(Note note, Note other, List<string> pitches, List<string> marks)
    {
        _notes[note.Id] = other.Id;
        for (var h = 0; h < note.Heads.Count && other.Heads.Count > 0; h++)
        {
            var head = note.Heads[h];
            var same = other.Heads.FirstOrDefault(x => x.Sounding == head.Sounding) ?? other.Heads[Math.Min(h, other.Heads.Count - 1)];
            _notes[head.Id] = same.Id;
            if (same.Written != head.Written && head.Written is { } was && same.Written is { } now)
                pitches.Add($"{was} is {now}");
        }

        foreach (var mark in other.Marks.Except(note.Marks).Where(IsOfNote))
            marks.Add($"{mark} is new");
        foreach (var mark in note.Marks.Except(other.Marks).Where(IsOfNote))
            marks.Add($"{mark} is gone");
    }

    private static bool IsOfNote(Mark mark) =>
        !mark.Name.EndsWith("-start", StringComparison.Ordinal) && !mark.Name.EndsWith("-stop", StringComparison.Ordinal);

    private void CompareSlurs(Part before, Part after)
    {
        var name = NameOf(before, before.Id);
        var now = after.Slurs.Select(s => (s.From.Id, s.To.Id)).ToHashSet();
        var was = before.Slurs.Where(s => NoteIn(s.From.Id) is not null && NoteIn(s.To.Id) is not null).ToList();
        var kept = was.Select(s => (NoteIn(s.From.Id)!, NoteIn(s.To.Id)!)).ToHashSet();
        foreach (var slur in was.Where(s => !now.Contains((NoteIn(s.From.Id)!, NoteIn(s.To.Id)!))))
            _changes.Add(
                new EditionChange(
                    "slurs",
                    name,
                    _before.Measures[slur.From.MeasureIndex].Label,
                    $"{name}, measure {_before.Measures[slur.From.MeasureIndex].Label}: a slur is gone or ends elsewhere."
                )
            );
        foreach (var slur in after.Slurs.Where(s => !kept.Contains((s.From.Id, s.To.Id))))
            _changes.Add(
                new EditionChange(
                    "slurs",
                    name,
                    _after.Measures[slur.From.MeasureIndex].Label,
                    $"{name}, measure {_after.Measures[slur.From.MeasureIndex].Label}: a slur is new or ends elsewhere."
                )
            );
    }
}
