using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;
using MellowStand.Core.Ornaments;

namespace MellowStand.Core.Practice;

/// <summary>Trills, turns and mordents written out in counted notes.</summary>
/// <remarks>Trills and turns are realised as everywhere: <see cref="TrillShape"/>, <see cref="TurnShape"/>. A trill is counted in
/// sixteenths, on short notes in quarters of the note. Common practice, no published source.</remarks>
public sealed class TrillsMeasured : IRecipe
{
    private static readonly HashSet<string> All = [.. OrnamentMarks.Trills, .. OrnamentMarks.Turns, .. OrnamentMarks.Mordents];

    /// <inheritdoc/>
    public string Name => "trills-measured";

    /// <inheritdoc/>
    public string Title => "Trills measured out";

    /// <inheritdoc/>
    public string Why => "Each trill and turn in counted notes: it stops in time when every note of it has a place.";

    /// <inheritdoc/>
    public Keeps Keeps => Keeps.Length;

    /// <inheritdoc/>
    public Suit? Suits(Passage passage)
    {
        var trills = passage.Notes.Count(n => n.Heads.Count == 1 && n.Top is not null && n.Marks.Any(m => All.Contains(m.Name)));
        return trills == 0 ? null : new Suit(Math.Min(0.9, 0.7 + (0.05 * trills)), Amounts.Of((trills, "ornament")));
    }

    /// <inheritdoc/>
    public IReadOnlyList<PlainPart> Make(Passage passage)
    {
        var openings = TrillGraces.Openings(passage.Part);
        return [Voices.Change(passage.Music, v => v.SelectMany(n => Measured(passage, openings, n)))];
    }

    private static IEnumerable<PlainNote> Measured(Passage passage, HashSet<string> openings, PlainNote note)
    {
        if (note.Source is { } grace && openings.Contains(grace.Id))
            return [];
        // An ornament over a chord stays a sign: written out, the notes under it would be lost.
        if (note.Source is not { Top: { } main } source || note.Heads.Count != 1 || note.IsGrace || !MarksOut.Has(note, All))
            return [note];
        var strokes = Strokes(passage, source, note, main);
        // A length that no value has stays one plain note.
        if (strokes.Any(s => !IsWritten(s.Length)) || strokes.Aggregate(Fraction.Zero, (sum, s) => sum + s.Length) != note.Length)
            strokes = [(main, note.Length)];
        return Written(MarksOut.Without(note, MarksOut.Ornaments), strokes);
    }

    private static bool IsWritten(Fraction length) => LengthSpelling.One(length) is not null;

    private static IReadOnlyList<(Pitch Pitch, Fraction Length)> Strokes(Passage passage, Note source, PlainNote note, Pitch main)
    {
        var (score, part) = (passage.Study.Score, passage.Part);
        if (TrillShape.Of(score, part, source, passage.Study.House) is { } trill)
            return (trill with { Length = note.Length, Alternating = Shorter(trill.Alternating, note.Length) }).Counted(IsWritten);
        if (TurnShape.Of(score, part, source) is { } turn)
            return turn.Notes();
        var quick = note.Length > new Fraction(1, 2) ? new Fraction(1, 8) : note.Length / 4;
        var beside = Neighbours.Of(part, source, note.Marks.Any(m => m.Name == "mordent") ? -1 : 1);
        return [(main, quick), (beside, quick), (main, note.Length - (quick * 2))];
    }

    private static Fraction Shorter(Fraction a, Fraction b) => a < b ? a : b;

    private static IEnumerable<PlainNote> Written(PlainNote note, IReadOnlyList<(Pitch Pitch, Fraction Length)> strokes)
    {
        for (var i = 0; i < strokes.Count; i++)
        {
            var (isFirst, isLast) = (i == 0, i == strokes.Count - 1);
            yield return note with
            {
                Heads = [new PlainHead(strokes[i].Pitch, isLast && note.TiesOn)],
                Length = strokes[i].Length,
                Value = null,
                Source = isFirst ? note.Source : null,
                Marks = isFirst ? note.Marks : [],
                Lyric = null,
                SlurStarts = isFirst ? note.SlurStarts + (strokes.Count > 1 ? 1 : 0) : 0,
                SlurEnds = isLast ? note.SlurEnds + (strokes.Count > 1 ? 1 : 0) : 0,
            };
        }
    }
}
