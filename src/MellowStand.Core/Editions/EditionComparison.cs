using MellowStand.Core.Notation;

namespace MellowStand.Core.Editions;

/// <summary>Compares two editions of a piece: what changed, and where each note of the old one stands in the new one.</summary>
/// <remarks>A note is the same note when it stands in the same part, measure, voice and beat, whatever its pitch: an edition that mends a
/// pitch keeps the marks decided on it. Our own method.</remarks>
public sealed class EditionComparison
{
    private readonly Score _before;
    private readonly Score _after;
    private readonly PartPairing _parts;
    private readonly int?[] _measures;
    private readonly Dictionary<string, string> _notes = [];
    private readonly Dictionary<string, string> _nearest = [];
    private readonly List<EditionChange> _changes = [];

    /// <summary>Compares.</summary>
    /// <param name="before">The edition on the shelf.</param>
    /// <param name="after">The new edition.</param>
    public EditionComparison(Score before, Score after)
    {
        (_before, _after) = (before, after);
        _parts = new PartPairing(before, after);
        TellParts();
        _measures = MeasureAlignment.Of(
            Signatures(before, p => p),
            Signatures(after, p => _parts.Of(p.Id)[0]),
            before.Measures,
            after.Measures,
            AreAkin
        );
        TellMeasures();
        foreach (var part in before.Parts)
            foreach (var counterpart in _parts.Of(part.Id))
                CompareParts(part, counterpart);
        // A head that stands nowhere as it was is taken for the nearest of its chord.
        foreach (var (head, near) in _nearest)
            _notes.TryAdd(head, near);
        Map = new EditionMap(
            before
                .Parts.Where(p => _parts.Of(p.Id).Count > 0)
                .ToDictionary(p => p.Id, p => (IReadOnlyList<string>)[.. _parts.Of(p.Id).Select(c => c.Id)]),
            _measures,
            _notes
        );
    }

    /// <summary>Where parts, measures and notes of the old edition stand in the new one.</summary>
    public EditionMap Map { get; }

    /// <summary>What changed, in score order.</summary>
    public IReadOnlyList<EditionChange> Changes => _changes;

    private static string NameOf(Part? part, string id) => part is { Name.Length: > 0 } ? part.Name : id;

    private void TellParts()
    {
        foreach (var part in _before.Parts)
        {
            var (name, now) = (NameOf(part, part.Id), _parts.Of(part.Id));
            if (now.Count == 0)
                _changes.Add(new EditionChange("part-removed", name, "", $"{name} is not in the new edition."));
            else if (now.Count > 1)
                _changes.Add(
                    new EditionChange(
                        "part-split",
                        name,
                        "",
                        $"{name} is split into {string.Join(" and ", now.Select(p => NameOf(p, p.Id)))}."
                    )
                );
            else if (now[0].Name != part.Name)
                _changes.Add(new EditionChange("part-renamed", name, "", $"{name} is now {NameOf(now[0], now[0].Id)}."));
        }

        _changes.AddRange(_parts.New.Select(p => new EditionChange("part-added", NameOf(p, p.Id), "", $"{NameOf(p, p.Id)} is new.")));
    }

    // A measure is equal when every part that both editions have sounds the same notes in it.
    private List<string> Signatures(Score score, Func<Part, Part> which)
    {
        var paired = _before.Parts.Where(p => _parts.Of(p.Id).Count == 1).Select(which).ToList();
        return
        [
            .. score.Measures.Select(m =>
                string.Join(';', paired.Select(p => string.Join(',', p.Measures[m.Index].Notes.Select(Sounding))))
            ),
        ];
    }

    // Edited, not replaced: some part keeps its rhythm, or a third of its notes; or nobody plays.
    private bool AreAkin(int old, int now)
    {
        var pairs = _before.Parts.SelectMany(p => _parts.Of(p.Id).Select(c => (Was: Struck(p, old), Is: Struck(c, now)))).ToList();
        if (pairs.All(p => p.Was.Count == 0 && p.Is.Count == 0))
            return true;
        return pairs.Any(p =>
            p.Was.Count > 0 && (p.Was.Select(When).SequenceEqual(p.Is.Select(When)) || p.Was.Intersect(p.Is).Count() * 3 >= p.Was.Count)
        );
    }

    private static List<(Fraction Offset, Fraction Duration, int? Key)> Struck(Part part, int measure) =>
        [.. part.Measures[measure].Notes.Where(n => n.Sounds).Select(n => (n.Offset, n.Duration, n.TopSounding))];

    private static (Fraction, Fraction) When((Fraction Offset, Fraction Duration, int? Key) n) => (n.Offset, n.Duration);

    private static string Sounding(Note n) =>
        $"{n.Offset}:{n.Duration}:{string.Join('+', n.Heads.Select(h => h.Sounding))}{(n.IsGrace ? "g" : "")}{n.Voice}";

    private void TellMeasures()
    {
        for (var i = 0; i < _measures.Length; i++)
            if (_measures[i] is null)
                _changes.Add(
                    new EditionChange("measure-removed", "", _before.Measures[i].Label, $"Measure {_before.Measures[i].Label} is gone.")
                );
        foreach (var added in _after.Measures.Where(m => !_measures.Contains(m.Index)))
            _changes.Add(new EditionChange("measure-added", "", added.Label, $"Measure {added.Label} is new."));
    }

    private void CompareParts(Part before, Part after)
    {
        for (var i = 0; i < _measures.Length; i++)
            if (_measures[i] is { } k)
                CompareMeasures(before, before.Measures[i].Notes, after.Measures[k].Notes, _after.Measures[k].Label);
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
        if (note.Heads.Count == 0 || other.Heads.Count == 0)
            _notes.TryAdd(note.Id, other.Id);
        for (var h = 0; h < note.Heads.Count && other.Heads.Count > 0; h++)
        {
            var head = note.Heads[h];
            var exact = other.Heads.FirstOrDefault(x => x.Sounding == head.Sounding);
            var same = exact ?? other.Heads[Math.Min(h, other.Heads.Count - 1)];
            (exact is null ? _nearest : _notes).TryAdd(head.Id, same.Id);
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
        var was = before.Slurs.Where(s => _notes.ContainsKey(s.From.Id) && _notes.ContainsKey(s.To.Id)).ToList();
        var kept = was.Select(s => (_notes[s.From.Id], _notes[s.To.Id])).ToHashSet();
        foreach (var slur in was.Where(s => !now.Contains((_notes[s.From.Id], _notes[s.To.Id]))))
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
