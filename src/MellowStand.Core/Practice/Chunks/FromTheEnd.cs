using MellowStand.Core.Formats.MusicXml;

namespace MellowStand.Core.Practice;

/// <summary>From the end backwards: the last measure, the last two, the last three.</summary>
/// <remarks>One always plays on into what is known. Common practice, no published source; more than eight starts are taken in larger
/// steps.</remarks>
public sealed class FromTheEnd : IRecipe
{
    private const int MostStarts = 8;

    /// <inheritdoc/>
    public string Name => "from-the-end";

    /// <inheritdoc/>
    public string Title => "From the end backwards";

    /// <inheritdoc/>
    public string Why => "The last measure first, then one more before it each time: one plays on into what is known.";

    /// <inheritdoc/>
    public Keeps Keeps => Keeps.Nothing;

    /// <inheritdoc/>
    public Suit? Suits(Passage passage)
    {
        if (passage.Measures < 2 || !passage.Line.Any())
            return null;
        return passage.Study.House["chunks"] == "from-end"
            ? new Suit(0.6, "the house practices from the end")
            : new Suit(0.28, $"{passage.Measures} measures");
    }

    /// <inheritdoc/>
    public IReadOnlyList<PlainPart> Make(Passage passage)
    {
        var all = passage.Music.Measures;
        var step = (all.Count + MostStarts - 1) / MostStarts;
        var starts = Enumerable.Range(0, all.Count).Where(i => (all.Count - 1 - i) % step == 0).Append(0).Distinct().OrderDescending();
        return [ChunkedMusic.Of(passage.Music, starts.Select(i => (IReadOnlyList<PlainMeasure>)[.. all.Skip(i)]))];
    }
}
