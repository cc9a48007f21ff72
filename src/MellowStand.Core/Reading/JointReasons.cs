namespace MellowStand.Core.Reading;

/// <summary>What speaks for and against a joint, each with its weight.</summary>
/// <remarks>For: proximity (rests, long notes) and change, after Lerdahl and Jackendoff, "A Generative Theory of Tonal Music" (1983),
/// grouping preference rules 2, 3, 5 and 6, and the local boundaries of Cambouropoulos (2001), which set each distance against its
/// neighbours; from memory. Against: what players hold together (a figure, a slur, a run and its goal, a trill and its goal, a pickup and
/// its downbeat), common practice, no published source. All weights are ours, by hand.</remarks>
internal static class JointReasons
{
    private const double LongFrom = 1.5;
    private const int RunFrom = 3;
    private const int WideLeap = 7;
    private const double SecondsForAir = 0.3;

    private static readonly (string Words, Func<Line, int, double> Weigh)[] Table =
    [
        ("a breath mark", (l, i) => l.Notes[i].Has("breath-mark") || l.Notes[i].Has("caesura") ? 8 : 0),
        ("a fermata", (l, i) => l.Fermata(i) ? 5 : 0),
        ("a rest", Rest),
        ("a long note", LongNote),
        ("the end of a slur", SlurEnd),
        ("a note of its own", Detached),
        ("a leap", Leap),
        ("a bar line", (l, i) => l.OverBar(i) ? 0.6 : 0),
        ("a group of measures", Measures),
        ("a measure that begins alike", (l, i) => l.OverBar(i) && l.BeginsAlike(i) ? 0.5 : 0),
        ("other values", OtherValues),
        ("inside a slur", (l, i) => l.InSlur(i) ? -6 : 0),
        ("inside a figure", InFigure),
        ("before a note off the beat", OffBeat),
        ("a run and its goal", IntoGoal),
        ("a trill and its goal", (l, i) => IsTrilled(l, i) && !IsSilent(l, i) ? -5 : 0),
        ("the last note of a phrase", LastNote),
        ("a pickup and its downbeat", Pickup),
        ("no time for air", (l, i) => !IsSilent(l, i) && l.Seconds(i) < SecondsForAir ? -1.2 : 0),
    ];

    /// <summary>What is said of a place by the notes around it.</summary>
    public static List<JointReason> At(Line line, int place)
    {
        var reasons = new List<JointReason>(4);
        foreach (var (words, weigh) in Table)
            if (weigh(line, place) is var weight and not 0)
                reasons.Add(new JointReason(words, weight));
        return reasons;
    }

    private static bool IsSilent(Line l, int i) => l.Silence(i) > 0;

    private static bool IsLong(Line l, int i) => l.Longer(i) >= LongFrom;

    private static double Rest(Line l, int i) => IsSilent(l, i) ? 0.8 + (1.5 * Math.Min(2, l.Silence(i) / l.Beat(i))) : 0;

    // Where the next note is as long, the music goes on: the weight is that of the change, as in Cambouropoulos's boundaries.
    private static double LongNote(Line l, int i)
    {
        if (!IsLong(l, i))
            return 0;
        var weight = Math.Min(3.2, 0.4 + (1.6 * Math.Log2(l.Longer(i))));
        return GoesOn(l, i) ? weight / 2 : weight;
    }

    private static bool GoesOn(Line l, int i) => l.HasPlace(i + 1) && l.Step(i + 1) >= l.Step(i) && l.Silence(i) == 0;

    private static double SlurEnd(Line l, int i)
    {
        if (l.SlurEnds(i) <= 0)
            return 0;
        return l.SlurEnds(i) >= 2 * l.Beat(i) ? 0.9 : 0.2;
    }

    private static double Detached(Line l, int i) => !l.InSlur(i) && l.Step(i) >= l.Beat(i) && l.Step(i) >= 1 ? 0.4 : 0;

    private static double Leap(Line l, int i) =>
        l.Interval(i) >= WideLeap && l.Interval(i) > l.Interval(i - 1) && l.Interval(i) > l.Interval(i + 1) ? 0.4 : 0;

    private static double Measures(Line l, int i)
    {
        if (!l.OverBar(i) || l.MeasuresIn(i) == 0)
            return 0;
        if (l.MeasuresIn(i) % 4 == 0)
            return 1.2;
        return l.MeasuresIn(i) % 2 == 0 ? 0.4 : 0;
    }

    private static double OtherValues(Line l, int i)
    {
        if (l.Usual(i, before: true) is not { } before || l.Usual(i, before: false) is not { } after)
            return 0;
        return l.OverBar(i) && Math.Max(before, after) >= 2 * Math.Min(before, after) ? 0.6 : 0;
    }

    private static double InFigure(Line l, int i) => l.InOneBeat(i) && !IsSilent(l, i) && l.Step(i) < l.Beat(i) ? -4 : 0;

    private static double OffBeat(Line l, int i)
    {
        if (l.GoesToBeat(i) || IsSilent(l, i))
            return 0;
        return l.Step(i) >= l.Beat(i) * 2 ? -0.4 : -1.5;
    }

    private static double IntoGoal(Line l, int i)
    {
        if (IsSilent(l, i) || i + 2 >= l.Notes.Count || l.Step(i) * 2 > l.Beat(i) || l.Step(i) >= l.Step(i + 1))
            return 0;
        return l.Run(i) >= RunFrom ? -4 : -2;
    }

    private static bool IsTrilled(Line l, int i) =>
        l.Notes[i].Marks.Any(m => Notation.OrnamentMarks.Trills.Contains(m.Name) || Notation.OrnamentMarks.Turns.Contains(m.Name));

    // The last note of all, or one before a rest of a beat: it is played first, then one breathes.
    private static double LastNote(Line l, int i)
    {
        if (IsSilent(l, i) || (i + 2 < l.Notes.Count && l.Silence(i + 1) < l.Beat(i + 1)))
            return 0;
        return -3;
    }

    private static double Pickup(Line l, int i)
    {
        if (!l.OverBar(i) || IsSilent(l, i) || l.Step(i) > l.Beat(i))
            return 0;
        if (l.IsOfPickup(i) || i == 0)
            return l.IsOfPickup(i) ? -4 : 0;
        return IsSilent(l, i - 1) || (IsLong(l, i - 1) && l.Step(i - 1) > l.Step(i) && !l.InSlur(i - 1)) ? -1.6 : 0;
    }
}
