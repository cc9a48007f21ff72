using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify.Bows;

/// <summary>A cost with its name.</summary>
/// <param name="Name">What is not as a player likes it, e.g. <c>up on a strong beat</c>.</param>
/// <param name="Cost">Its weight.</param>
public sealed record BowCost(string Name, double Cost)
{
    /// <summary>How the bow gets there, for the cost of a join.</summary>
    public BowJoin Join { get; init; }
}

/// <summary>How the bow gets from one stroke into the next.</summary>
public enum BowJoin
{
    /// <summary>It turns.</summary>
    Turn,

    /// <summary>It goes on in the same direction after a stop.</summary>
    Hook,

    /// <summary>It is lifted and set anew.</summary>
    Retake,
}

/// <summary>What each direction and each join of two strokes costs.</summary>
/// <remarks>Down on the strong beat, up on the pickup; a crescendo likes an up-bow, an accent or a loud or chordal ending a down-bow; after
/// an odd count hook two notes in one bow or retake in a rest, just before the strong beat that needs it; dotted figures are hooked; three
/// beats out and one back pile the bow up; sections with the same line the same way. Common practice, no published source; the weights are
/// ours.</remarks>
/// <param name="score">The score.</param>
/// <param name="part">The part.</param>
/// <param name="strokes">Its strokes in order.</param>
/// <param name="partners">For a stroke's first note the direction of the section that has the same line.</param>
public sealed class BowCosts(Score score, Part part, IReadOnlyList<Stroke> strokes, IReadOnlyDictionary<string, BowDirection> partners)
{
    private const double Never = 1000;
    private const double LongestHook = 2;
    private const double EnoughRest = 0.3;

    private const double Early = 0.15;
    private const double LongStroke = 1.2;
    private const int Loud = 6;
    private const int FullChord = 3;

    // Seconds from chord to chord in which the bow can be brought back; quicker ones alternate.
    private const double BackForChord = 0.4;

    private static readonly Fraction LastChord = new(3, 2);
    private static readonly Fraction LongestDotted = new(3, 2);

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
        var (before, stroke) = (strokes[i - 1], strokes[i]);
        if (from != to)
            return TurnOf(i);
        if (IsFullChord(before) && IsFullChord(stroke) && before.Seconds >= BackForChord)
            return Retake("the bow brought back for a full chord", 0.2);
        if (stroke.FollowsRest)
            return stroke.RestSeconds >= EnoughRest ? Retake("retake in the rest", 0.3) : Retake("retake in a short rest", 1.2);
        if (before.Seconds + stroke.Seconds > LongestHook)
            return Retake("retake with no rest", 3);
        if (IsDottedFigure(before, stroke))
            return Hook("hooked dotted figure", 0.02);
        // What puts the count right stands just before the strong beat that needs it.
        var early = i + 1 < strokes.Count && Strength(strokes[i + 1].First) == 2 ? 0 : Early;
        return before.Notes.Count + stroke.Notes.Count > 2 ? Hook("hooked onto a slur", 1.6 + early) : Hook("hooked", 1 + early);
    }

    private BowCost? TurnOf(int i)
    {
        var (before, stroke) = (strokes[i - 1], strokes[i]);
        if (!stroke.FollowsRest && IsDottedFigure(before, stroke))
            return new BowCost("a dotted figure with separate bows", 0.3);
        return PilesUp(i) ? new BowCost("a long stroke again where the bow has not come back", 0.35) : null;
    }

    // Out for long, back for short, and out for long again, with no rest between.
    private bool PilesUp(int i) =>
        i >= 2
        && !strokes[i].FollowsRest
        && !strokes[i - 1].FollowsRest
        && strokes[i - 2].Seconds >= LongStroke
        && strokes[i].Seconds >= LongStroke
        && strokes[i - 1].Seconds * 2 < strokes[i - 2].Seconds;

    private static BowCost Hook(string name, double cost) => new(name, cost) { Join = BowJoin.Hook };

    private static BowCost Retake(string name, double cost) => new(name, cost) { Join = BowJoin.Retake };

    private IEnumerable<BowCost> AgainstUp(int i)
    {
        var stroke = strokes[i];
        var strength = Strength(stroke.First);
        if (strength == 2 && !LeadsToGoal(i))
            yield return stroke.FollowsRest ? new("up on a strong beat with the choice free", 1.6) : new("up on a strong beat", 1);
        else if (strength == 1)
            yield return new("up on the middle beat", 0.35);
        if (IsAccented(stroke))
            yield return IsAmongLifted(i) ? new("up among accents that are all down", 3) : new("up on an accent", 0.8);
        if (IsFullChord(stroke) && stroke.Seconds >= BackForChord)
            yield return new("up on a full chord", 3);
        if (i > 0 && LeadsToGoal(i - 1))
            yield return new("up where a swell has its goal", 1.5);
        if (i == strokes.Count - 1 && stroke.End - stroke.First.Onset >= LastChord && IsWeighty(stroke))
            yield return new("up on the last chord", 1.5);
        if (Swells(stroke, grows: false))
            yield return new("up in a diminuendo", 0.4);
    }

    private IEnumerable<BowCost> AgainstDown(int i)
    {
        var stroke = strokes[i];
        var isPickup = i + 1 < strokes.Count && Strength(stroke.First) == 0 && Strength(strokes[i + 1].First) == 2;
        if (isPickup && stroke.FollowsRest && !IsAmongLifted(i))
            yield return new("down on a pickup", 0.8);
        if (Swells(stroke, grows: true))
            yield return new("down in a crescendo", LeadsToGoal(i) ? 1.5 : 0.5);
    }

    // A long note that grows into a loud or accented downbeat: the bow is heavier towards the frog, and the goal is down.
    private bool LeadsToGoal(int i) =>
        i + 1 < strokes.Count
        && Swells(strokes[i], grows: true)
        && Strength(strokes[i + 1].First) == 2
        && !strokes[i + 1].FollowsRest
        && (strokes[i + 1].Level >= Loud || IsAccented(strokes[i + 1]));

    // Accents with rests between: the rest is there to bring the bow back.
    private bool IsAmongLifted(int i) => IsLifted(i) && ((i > 0 && IsLifted(i - 1)) || (i + 1 < strokes.Count && IsLifted(i + 1)));

    private bool IsLifted(int i) => strokes[i].FollowsRest && IsAccented(strokes[i]);

    private static bool IsAccented(Stroke stroke) => stroke.First.Marks.Any(m => Accents.Contains(m.Name));

    private static bool IsFullChord(Stroke stroke) => stroke.First.Heads.Count >= FullChord;

    // A soft ending dies away on either bow.
    private static bool IsWeighty(Stroke stroke) =>
        stroke.Level >= Loud || stroke.First.Heads.Count > 1 || IsAccented(stroke);

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
        before.Notes.Count == 1
        && stroke.Notes.Count == 1
        && before.First.SoundingDuration == stroke.First.SoundingDuration * 3
        && before.First.SoundingDuration <= LongestDotted;
}
