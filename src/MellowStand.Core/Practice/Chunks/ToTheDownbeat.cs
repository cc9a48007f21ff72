using MellowStand.Core.Formats.MusicXml;

namespace MellowStand.Core.Practice;

/// <summary>Each measure into the next downbeat.</summary>
/// <remarks>A passage is learnt up to the next downbeat, never to the note before it. Common practice, no published source.</remarks>
public sealed class ToTheDownbeat : IRecipe
{
    /// <inheritdoc/>
    public string Name => "to-the-downbeat";

    /// <inheritdoc/>
    public string Title => "Into the downbeat";

    /// <inheritdoc/>
    public string Why => "One measure and the downbeat after it: what is practiced to its last note only breaks at the bar line.";

    /// <inheritdoc/>
    public Keeps Keeps => Keeps.Nothing;

    /// <inheritdoc/>
    public Suit? Suits(Passage passage) =>
        passage.Measures < 2 || !passage.Line.Any() ? null : new Suit(0.4, $"{passage.Measures} measures to join");

    /// <inheritdoc/>
    public IReadOnlyList<PlainPart> Make(Passage passage) =>
        [ChunkedMusic.Of(passage.Music, Enumerable.Range(0, passage.Measures).Select(i => Chunk(passage, i, 1)))];

    /// <summary>Some measures of a passage and the downbeat after them; empty where nothing is struck in them.</summary>
    internal static IReadOnlyList<PlainMeasure> Chunk(Passage passage, int first, int count)
    {
        var own = passage.Music.Measures.Skip(first).Take(count).ToList();
        if (!own.SelectMany(m => m.Voices).SelectMany(v => v.Notes).Any(n => n.Sounds))
            return [];
        var landing = PracticeRangeReader.Landing(passage.Study, passage.Part, passage.From + first + own.Count);
        return landing is null ? own : [.. own, landing];
    }
}
