using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify.Bows;

/// <summary>A cost with its name.</summary>
/// <param name="Name">What is not as a player likes it, e.g. <c>up on a strong beat</c>.</param>
/// <param name="Cost">Its weight.</param>
public sealed record BowCost(string Name, double Cost);

/// <summary>What each direction and each join of two strokes costs.</summary>
/// <remarks>Down on the strong beat, up on the pickup; a crescendo likes an up-bow, an accent or a final chord a down-bow; after an odd
/// count hook two notes in one bow or retake in a rest; sections with the same line the same way. Common practice, no published source; the
/// weights are ours.</remarks>
/// <param name="score">The score.</param>
/// <param name="part">The part.</param>
/// <param name="strokes">Its strokes in order.</param>
/// <param name="partners">For a stroke's first note the direction of the section that has the same line.</param>
public sealed class BowCosts(Score score, Part part, IReadOnlyList<Stroke> strokes, IReadOnlyDictionary<string, BowDirection> partners)
{
    private const double Never = 1000;
    private const double LongestHook = 2;
    private const double EnoughRest = 0.3;

    private static readonly Fraction LastChord = new(3, 2);

    private static readonly string[] Accents = ["accent", "strong-accent", "stress"];

    private readonly LevelLine _levels = new(score, part);

    /// <summary>What a direction costs at a stroke, by name.</summary>
    public IEnumerable<BowCost> Own(int i, BowDirection direction)
    {
        var stroke = strokes[i];
        if (stroke.Printed is { } printed && printed != direction)
            yield return new("against the printed bow", Never);
        if (partners.TryGetValue(stroke.First.Id, out var theirs) && theirs != direction)
            yield return new("against the section with the same line", 1.6);
        foreach (var cost in direction == BowDirection.Up ? AgainstUp(i) : AgainstDown(i))
            yield return cost;
    }

    /// <summary>What it costs to go from one stroke into the next, by name; null where the bow simply turns.</summary>
    public BowCost? Join(int i, BowDirection from, BowDirection to)
    {
        if (from != to)
            return null;
        var (before, stroke) = (strokes[i - 1], strokes[i]);
        if (stroke.FollowsRest)
            return stroke.RestSeconds >= EnoughRest ? new("retake in the rest", 0.3) : new("retake in a short rest", 1.2);
        if (before.Seconds + stroke.Seconds > LongestHook)
            return new("retake with no rest", 3);
        if (before.Notes.Count + stroke.Notes.Count > 2)
            return new("hooked onto a slur", 1.6);
        return IsDottedFigure(before, stroke) ? new("hooked dotted figure", 0.4) : new("hooked", 1.1);
    }

    private IEnumerable<BowCost> AgainstUp(int i)
    {
        var stroke = strokes[i];
        var strength = Strength(stroke.First);
        if (strength == 2)
            yield return stroke.FollowsRest ? new("up on a strong beat with the choice free", 1.6) : new("up on a strong beat", 1);
        else if (strength == 1)
            yield return new("up on the middle beat", 0.35);
        if (stroke.First.Marks.Any(m => Accents.Contains(m.Name)))
            yield return new("up on an accent", 0.8);
        if (i == strokes.Count - 1 && stroke.End - stroke.First.Onset >= LastChord)
            yield return new("up on the last chord", 1.5);
        if (Swells(stroke, grows: false))
            yield return new("up in a diminuendo", 0.4);
    }

    private IEnumerable<BowCost> AgainstDown(int i)
    {
        var stroke = strokes[i];
        if (i + 1 < strokes.Count && stroke.FollowsRest && Strength(stroke.First) == 0 && Strength(strokes[i + 1].First) == 2)
            yield return new("down on a pickup", 0.8);
        if (Swells(stroke, grows: true))
            yield return new("down in a crescendo", 0.5);
    }

    /// <summary>2 on the first beat, 1 on the middle beat of an even meter, otherwise 0.</summary>
    private int Strength(Note note)
    {
        var frame = score.Measures[note.MeasureIndex];
        var at = note.Offset + (frame.IsPickup ? frame.Meter.Length - frame.Length : Fraction.Zero);
        if (at == Fraction.Zero)
            return 2;
        return frame.Meter.Beats.Count % 2 == 0 && at == frame.Meter.Length / 2 ? 1 : 0;
    }

    // A swell over a stroke of a beat or more.
    private bool Swells(Stroke stroke, bool grows) =>
        stroke.End - stroke.First.Onset >= 1
        && _levels.Swells.Any(s => s.Grows == grows && s.From <= stroke.First.Onset && s.To >= stroke.End);

    private static bool IsDottedFigure(Stroke before, Stroke stroke) =>
        before.Notes.Count == 1 && stroke.Notes.Count == 1 && before.First.SoundingDuration == stroke.First.SoundingDuration * 3;
}
