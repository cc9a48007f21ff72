using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Technique;

namespace MellowStand.Core.Practice;

/// <summary>All slurred.</summary>
/// <remarks>Slurred first, then as printed: the fingers are even before the tongue covers them. Common practice, no published
/// source.</remarks>
public sealed class Slurred : IRecipe
{
    /// <inheritdoc/>
    public string Name => "slurred";

    /// <inheritdoc/>
    public string Title => "All slurred";

    /// <inheritdoc/>
    public string Why => "Everything in one breath or bow a measure: uneven fingers cannot hide behind the tongue.";

    /// <inheritdoc/>
    public Keeps Keeps => Keeps.Pitches | Keeps.Length;

    /// <inheritdoc/>
    public Suit? Suits(Passage passage)
    {
        if (passage.Instrument is { Sustain: Sustain.Stroke } || !passage.Music.Measures.Any(m => m.Voices.Any(HasMoreToSlur)))
            return null;
        var quick = passage.QuickPairs.ToList();
        if (quick.Count == 0)
            return null;
        var crossings = passage.Obstacles(ObstacleKind.Crossing, ObstacleKind.Slide);
        return crossings > 0
            ? new Suit(Math.Min(0.85, 0.5 + (0.05 * crossings)), Amounts.Of((crossings, "awkward finger change")))
            : new Suit(IsMixed(passage, quick) ? 0.6 : 0.3, "fingers before the tongue");
    }

    /// <inheritdoc/>
    public IReadOnlyList<PlainPart> Make(Passage passage) => [Voices.Change(passage.Music, Slur)];

    // Slurred and tongued in turns: the fingers are made even before the tongue comes back.
    private static bool IsMixed(Passage passage, List<(Note A, Note B)> quick)
    {
        bool InSlur((Note A, Note B) pair) => passage.Part.Slurs.Any(s => s.From.Onset <= pair.A.Onset && pair.B.Onset <= s.To.Onset);
        var slurred = quick.Count(InSlur);
        return slurred * 4 >= quick.Count && slurred * 4 <= 3 * quick.Count;
    }

    private static bool HasMoreToSlur(PlainVoice voice) =>
        Voices
            .Runs(voice.Notes)
            .Where(r => r.To > r.From)
            .Select(r => voice.Notes.Skip(r.From).Take(r.To - r.From + 1).ToList())
            .Any(run => run.Count(Voices.IsStruck) > 1 && !IsOneSlur(run));

    // What is slurred as it stands gains nothing.
    private static bool IsOneSlur(List<PlainNote> run) =>
        run[0].SlurStarts > 0 && run[^1].SlurEnds > 0 && run.Skip(1).SkipLast(1).All(n => n.SlurStarts == 0 && n.SlurEnds == 0);

    private static IEnumerable<PlainNote> Slur(IReadOnlyList<PlainNote> voice)
    {
        var notes = voice.Select(n => MarksOut.Without(MarksOut.Unslurred(n), MarksOut.Articulations)).ToList();
        foreach (var (from, to) in Voices.Runs(notes).Where(r => r.To > r.From))
        {
            notes[from] = notes[from] with { SlurStarts = 1 };
            notes[to] = notes[to] with { SlurEnds = 1 };
        }

        return notes;
    }
}
