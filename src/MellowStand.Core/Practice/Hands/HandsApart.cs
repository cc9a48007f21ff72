using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Practice;

/// <summary>Each hand alone: the staves of a keyboard part one after the other, or what each stick strikes.</summary>
/// <remarks>Hands separately. The sticking is Technique's. Common practice, no published source.</remarks>
public sealed class HandsApart : IRecipe
{
    private static readonly string[] Sticks = ["R", "L"];

    /// <inheritdoc/>
    public string Name => "hands-apart";

    /// <inheritdoc/>
    public string Title => "Hands apart";

    /// <inheritdoc/>
    public string Why => "One hand alone, then the other, in the time of the whole: each knows its way before they meet.";

    /// <inheritdoc/>
    public Keeps Keeps => Keeps.Nothing;

    /// <inheritdoc/>
    public Suit? Suits(Passage passage)
    {
        if (passage.Part.Staves > 1 && passage.Notes.Select(n => n.Staff).Distinct().Count() > 1)
            return new Suit(0.6, "both hands play");
        return Hand(passage).Values.Distinct().Count() == 2 ? new Suit(0.35, "both sticks play") : null;
    }

    /// <inheritdoc/>
    public IReadOnlyList<PlainPart> Make(Passage passage)
    {
        if (passage.Part.Staves > 1)
            return [ChunkedMusic.Of(passage.Music, Enumerable.Range(1, passage.Part.Staves).Select(s => Staff(passage.Music.Measures, s)))];
        var hands = Hand(passage);
        return [ChunkedMusic.Of(passage.Music, Sticks.Select(s => Stick(passage.Music.Measures, hands, s)))];
    }

    private static IReadOnlyList<PlainMeasure> Staff(IReadOnlyList<PlainMeasure> measures, int staff) =>
        [
            .. measures.Select(m =>
                m with
                {
                    Voices = [.. m.Voices.Select(v => v.Staff == staff ? v : v with { Notes = [PlainNote.Rest(v.Length)] })],
                    Signs = [],
                }
            ),
        ];

    private static IReadOnlyList<PlainMeasure> Stick(
        IReadOnlyList<PlainMeasure> measures,
        Dictionary<string, string> hands,
        string stick
    ) =>
        [
            .. measures.Select(m =>
                m with
                {
                    Voices = [.. m.Voices.Select(v => v with { Notes = [.. v.Notes.Select(n => IsOf(n, hands, stick) ? n : Silent(n))] })],
                    Signs = [],
                }
            ),
        ];

    private static PlainNote Silent(PlainNote note) =>
        note.IsGrace ? note with { Heads = [] } : PlainNote.Rest(note.Length) with { Value = note.Value };

    private static bool IsOf(PlainNote note, Dictionary<string, string> hands, string stick) =>
        !note.Sounds || note.Source is null || !hands.TryGetValue(note.Source.Id, out var own) || own == stick;

    // Note id to R or L, of parts that are struck with sticks.
    private static Dictionary<string, string> Hand(Passage passage) =>
        passage.Instrument is { Family: Instruments.Family.Percussion } && passage.Plan is { } plan
            ? plan
                .Solution.Choices.Where(c => Sticks.Contains(c.Way.Code))
                .ToDictionary(c => plan.Excerpt.Steps[c.Place].Note.Id, c => c.Way.Code)
            : [];
}
