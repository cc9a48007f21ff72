namespace MellowStand.Core.Technique.Sticks;

/// <summary>Chords of a mallet player.</summary>
/// <remarks>Two notes are one a hand. Three and four take four mallets, numbered 1 to 4 from the left; one hand spans about an octave.
/// Common practice, no published source.</remarks>
internal static class StickChords
{
    private const int Span = 12;

    /// <summary>Ways to strike the keys, the lowest first; empty for more than four.</summary>
    public static IReadOnlyList<Candidate> Ways(IReadOnlyList<int> keys, bool fourMallets) =>
        keys.Count switch
        {
            2 =>
            [
                new Candidate(StickPlacement.OneEach, 0, "") { IsUsual = true },
                .. fourMallets && keys[1] - keys[0] <= Span
                    ?
                    [
                        new(new StickPlacement(Hand.Left, Hand.Left, [1, 2]), 0.5, "both with the left hand"),
                        new Candidate(new StickPlacement(Hand.Right, Hand.Right, [3, 4]), 0.5, "both with the right hand"),
                    ]
                    : Array.Empty<Candidate>(),
            ],
            3 when fourMallets =>
            [
                Chord([1, 2, 3], keys, 2),
                Chord([1, 3, 4], keys, 1),
                Chord([2, 3, 4], keys, 1) with
                {
                    Cost = 0.4 + Stretch(keys, 1),
                },
            ],
            4 when fourMallets => [Chord([1, 2, 3, 4], keys, 2)],
            3 or 4 => [new Candidate(StickPlacement.Divided, 1, "needs four mallets, or two players") { IsUsual = true }],
            _ => [new Candidate(StickPlacement.Divided, 2, "more than four notes: two players") { IsUsual = true }],
        };

    private static Candidate Chord(IReadOnlyList<int> mallets, IReadOnlyList<int> keys, int inLeft)
    {
        var stretch = Stretch(keys, inLeft);
        return new Candidate(
            new StickPlacement(Hand.Both, Hand.Both, mallets),
            stretch,
            stretch > 0 ? "one hand stretches beyond an octave" : "four mallets, numbered from the left"
        )
        {
            IsUsual = mallets.Count == 4,
        };
    }

    // Half steps that a hand must open beyond an octave.
    private static double Stretch(IReadOnlyList<int> keys, int inLeft)
    {
        var beyond = Math.Max(0, keys[inLeft - 1] - keys[0] - Span) + Math.Max(0, keys[^1] - keys[inLeft] - Span);
        return Math.Round((beyond * StickCosts.Stretch) + (0.01 * (keys[inLeft - 1] - keys[0] + keys[^1] - keys[inLeft])), 3);
    }
}
