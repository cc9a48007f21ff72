namespace MellowStand.Core.Technique.Sticks;

/// <summary>Mallets: right and left, four mallets for chords, rolls.</summary>
/// <remarks>Alternate hands; doubles only where needed; a left-hand start is fine if it makes the rest alternate, unless the house lets the
/// right hand lead. A hand that reaches over the other costs a little. Chords of three and four notes take four mallets, numbered from the
/// left; rolls sustain, and after one either hand is free. Common practice, no published source; the weights are ours.</remarks>
/// <param name="fourMallets">True when the players hold four.</param>
public sealed class StickTechnique(bool fourMallets) : ITechnique
{
    /// <inheritdoc/>
    public bool TakesUnpitched => true;

    /// <inheritdoc/>
    public bool KeepsFigures => false;

    /// <inheritdoc/>
    public IReadOnlyList<Candidate> Ways(Excerpt excerpt, int place)
    {
        var step = excerpt.Steps[place];
        if (step.Chord.Count > 1)
            return StickChords.Ways(step.Chord, fourMallets);
        var starts = step.Before is null;
        var leads = excerpt.House["mallets"] == "right-leads";
        var roll = Rolls.Why(excerpt, place);
        return
        [
            new Candidate(StickPlacement.Stroke(Hand.Right, roll is not null), 0, roll ?? "") { IsUsual = true },
            new Candidate(
                StickPlacement.Stroke(Hand.Left, roll is not null),
                (starts, leads) switch
                {
                    (false, _) => 0,
                    (_, true) => StickCosts.LeftStart,
                    _ => 0.02,
                },
                roll ?? (starts ? "a left-hand start lets the rest alternate" : "")
            ),
        ];
    }

    /// <inheritdoc/>
    /// <remarks>Plain alternation is written nowhere: a beginning with the left hand is, and a hand that strikes twice.</remarks>
    public bool IsTold(Candidate? from, Candidate to)
    {
        var now = Of(to);
        if (now.IsChord || from is null)
            return !to.IsUsual;
        return Of(from).Hand == now.Hand && Of(from).After != Hand.Both;
    }

    /// <inheritdoc/>
    public double Change(Excerpt excerpt, int place, Candidate from, Candidate to)
    {
        // After a rest either hand begins: a figure that comes again is struck as before.
        if (excerpt.Steps[place].Before is not { } seconds)
            return 0;
        var move = excerpt.Steps[place].Key - excerpt.Steps[place - 1].Key;
        if (IsFree(from, to))
            return StickCosts.PerOctave * Math.Abs(move) / 12.0 * Math.Clamp(0.3 / seconds, 0.2, 2);
        if (Of(from).Hand == Of(to).Hand)
            return StickCosts.Double * Math.Clamp(0.3 / seconds, 0.2, 2);
        return IsOver(excerpt, place, to) ? StickCosts.Crossed : 0;
    }

    /// <inheritdoc/>
    public Obstacle? Reason(Excerpt excerpt, int place, Candidate from, Candidate to)
    {
        if (IsFree(from, to))
            return null;
        var seconds = excerpt.Steps[place].Before ?? 1;
        var weight = seconds < StickCosts.Quick ? 0.5 : 0;
        if (Of(from).Hand == Of(to).Hand)
            return seconds < 0.3 ? new Obstacle(ObstacleKind.Double, "a double stroke", weight) : null;
        return IsOver(excerpt, place, to) ? new Obstacle(ObstacleKind.Other, "one hand reaches over the other", weight) : null;
    }

    private static StickPlacement Of(Candidate way) => (StickPlacement)way.Placement;

    // After a roll or a chord either hand is free, and a chord takes both.
    private static bool IsFree(Candidate from, Candidate to) => Of(from).After == Hand.Both || Of(to).IsChord;

    private static bool IsOver(Excerpt excerpt, int place, Candidate to)
    {
        var move = excerpt.Steps[place].Key - excerpt.Steps[place - 1].Key;
        // Back and forth the hands stay where they are, so that they must not stand crossed at all.
        var free = excerpt.IsShake(place) ? 0 : StickCosts.FreeReach;
        return (Of(to).Hand == Hand.Right && move < -free) || (Of(to).Hand == Hand.Left && move > free);
    }
}

/// <summary>What sticking costs.</summary>
/// <remarks>Our own weights, no published source.</remarks>
internal static class StickCosts
{
    public const double Double = 0.8;
    public const double Crossed = 0.18;
    public const int FreeReach = 4;
    public const double LeftStart = 0.3;
    public const double PerOctave = 0.15;
    public const double OffTheHand = 0.35;
    public const double Stretch = 0.5;

    /// <summary>Seconds a note from which two strokes out of the alternation make a trouble spot.</summary>
    public const double Quick = 0.2;
}
