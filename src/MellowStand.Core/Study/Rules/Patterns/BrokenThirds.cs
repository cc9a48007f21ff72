using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A scale in thirds or sixths: pairs of notes of which both go on by a letter in the same direction.</summary>
/// <param name="Start">Its first note among those of the phrase, from 0.</param>
/// <param name="Count">Its notes, two a pair.</param>
/// <param name="Letters">Letters from the one note of a pair to the other: 2 for thirds, 5 for sixths.</param>
/// <remarks>Such pairs are no chord, though three of their notes may fit one: common practice, no published source.</remarks>
internal readonly record struct BrokenThirds(int Start, int Count, int Letters)
{
    private const int LeastPairs = 3;

    /// <summary>In words: <c>thirds</c>.</summary>
    public string Words => Letters == 2 ? "thirds" : "sixths";

    /// <summary>True when a note of the phrase is one of them.</summary>
    public bool Holds(int place) => place >= Start && place < Start + Count;

    /// <summary>Those of a phrase, in order; none overlaps another.</summary>
    public static IEnumerable<BrokenThirds> Of(IReadOnlyList<Note> phrase)
    {
        for (var start = 0; start + (2 * LeastPairs) <= phrase.Count;)
        {
            var pairs = Pairs(phrase, start);
            if (pairs >= LeastPairs)
                yield return new BrokenThirds(start, pairs * 2, Math.Abs(Runs.Letters(phrase[start], phrase[start + 1])));
            start += pairs >= LeastPairs ? pairs * 2 : 1;
        }
    }

    private static int Pairs(IReadOnlyList<Note> phrase, int start)
    {
        if (Math.Abs(Runs.Letters(phrase[start], phrase[start + 1])) is not (2 or 5))
            return 0;
        var step = Runs.Letters(phrase[start], phrase[start + 2]);
        if (Math.Abs(step) != 1)
            return 0;
        var end = start + 2;
        while (end + 1 < phrase.Count && GoesOn(phrase, end, step))
            end += 2;
        return (end - start) / 2;
    }

    private static bool GoesOn(IReadOnlyList<Note> phrase, int pair, int step) =>
        Runs.Letters(phrase[pair - 2], phrase[pair]) == step && Runs.Letters(phrase[pair - 1], phrase[pair + 1]) == step;
}
