using System.Text.RegularExpressions;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Differences that are one and the same wherever the music returns: same parts, same notes, same readings.</summary>
public sealed partial class AlikeDifferences
{
    private readonly Dictionary<string, string> _keys;
    private readonly ILookup<string, Difference> _byKey;

    /// <summary>Indexes the differences of a score.</summary>
    public AlikeDifferences(Score score, IReadOnlyCollection<Difference> differences)
    {
        var notes = score.Parts.SelectMany(p => p.Notes).ToDictionary(n => n.Id);
        _keys = differences.ToDictionary(d => d.Id, d => Key(d, notes));
        _byKey = differences.ToLookup(d => _keys[d.Id]);
    }

    /// <summary>The other differences that are like one.</summary>
    public IEnumerable<Difference> Of(Difference difference) => _byKey[_keys[difference.Id]].Where(d => d.Id != difference.Id);

    /// <summary>The reading of another difference that says what a reading of this one says.</summary>
    /// <param name="from">The difference that was decided.</param>
    /// <param name="reading">The words taken there.</param>
    /// <param name="to">One that is like it.</param>
    public static string Translate(Difference from, string reading, Difference to)
    {
        var place = from.Readings.ToList().FindIndex(r => r.Has == reading);
        return place < 0 ? to.Proposal.Mark : to.Readings[place].Has;
    }

    private static string Key(Difference d, Dictionary<string, Note> notes) =>
        d.Kind
        + d.Relation
        + string.Join(
            '|',
            d.Readings.Select(r =>
                $"{r.Part}={MeasureNumber().Replace(r.Has, "")}@{string.Join(' ', r.Notes.Select(id => Sound(id, notes)))}"
            )
        );

    private static string Sound(string id, Dictionary<string, Note> notes) =>
        notes.TryGetValue(id, out var n) ? $"{n.Offset}:{n.TopSounding}:{n.SoundingDuration}" : "?";

    // Slurs and hairpins are told by measure and beat: the measure is another one at each place.
    [GeneratedRegex(@"[^\s–,]+\.(?=\d)")]
    private static partial Regex MeasureNumber();
}
