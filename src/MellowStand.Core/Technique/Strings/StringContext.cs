namespace MellowStand.Core.Technique.Strings;

/// <summary>What a string player reads in a passage before the hand is planned: once for all its notes.</summary>
internal sealed class StringContext
{
    private readonly Excerpt _excerpt;

    /// <summary>Reads a passage.</summary>
    /// <param name="excerpt">The passage.</param>
    /// <param name="neck">The neck.</param>
    /// <param name="ways">The ways to stop a step.</param>
    public StringContext(Excerpt excerpt, Neck neck, Func<int, IReadOnlyList<Candidate>> ways)
    {
        _excerpt = excerpt;
        Beats = RepeatedBeats();
        Printed = PrintedHands.Of(excerpt, ways);
        var words = AskedString.Of(excerpt.Part, neck);
        Asked = words.Count == 0 ? null : [.. excerpt.Steps.Select(s => AskedString.At(words, neck, s.Note.Onset))];
    }

    /// <summary>For each step its length with its repetitions, in beats: one long note to the ear.</summary>
    public double[] Beats { get; }

    /// <summary>For each step the place of the hand that is printed; null where none is.</summary>
    public IReadOnlyList<HandPlace?> Printed { get; }

    /// <summary>For each step the string that a word asks for; null where no word of the passage does.</summary>
    public int?[]? Asked { get; }

    private double[] RepeatedBeats()
    {
        var beats = new double[_excerpt.Steps.Count];
        for (int from = 0, to; from < beats.Length; from = to)
        {
            to = from + 1;
            while (to < beats.Length && _excerpt.Steps[to].IsAgain)
                to++;
            var all = 0.0;
            for (var i = from; i < to; i++)
                all += _excerpt.Beats(i).Value;
            Array.Fill(beats, all, from, to - from);
        }

        return beats;
    }
}
