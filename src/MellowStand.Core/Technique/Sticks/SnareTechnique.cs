using MellowStand.Core.Notation;

namespace MellowStand.Core.Technique.Sticks;

/// <summary>Snare and other unpitched parts: sticking by the logic of the rudiments.</summary>
/// <remarks>Where the right hand leads, it falls on the beat and its even divisions, and the hands keep their places over rests (natural
/// sticking); otherwise hands alternate from stroke to stroke. An accent goes to the leading hand; a flam's main stroke is played by the
/// hand that its grace is not; a drag's grace notes are a double of the other hand. Common practice, no published source; the weights are
/// ours.</remarks>
public sealed class SnareTechnique : ITechnique
{
    /// <inheritdoc/>
    public bool TakesUnpitched => true;

    /// <inheritdoc/>
    public bool KeepsFigures => false;

    /// <inheritdoc/>
    public IReadOnlyList<Candidate> Ways(Excerpt excerpt, int place)
    {
        var step = excerpt.Steps[place];
        var leads = excerpt.House["mallets"] == "right-leads";
        var isOn = IsOnTheHand(excerpt, place);
        var roll = Rolls.Why(excerpt, place);
        var accent = step.Note.Has("accent") || step.Note.Has("strong-accent");
        var off = leads && !step.Note.IsGrace ? StickCosts.OffTheHand : 0;
        return
        [
            new Candidate(
                StickPlacement.Stroke(Hand.Right, roll is not null),
                (isOn ? 0 : off) + (step.Note.IsGrace ? 0.02 : 0),
                roll ?? (accent ? "the accent on the leading hand" : "")
            )
            {
                IsUsual = isOn || !leads,
            },
            new Candidate(
                StickPlacement.Stroke(Hand.Left, roll is not null),
                (isOn ? off : 0) + (accent ? 0.1 : 0) + (step.Before is null && !step.Note.IsGrace ? 0.02 : 0),
                roll ?? ""
            )
            {
                IsUsual = !isOn && leads,
            },
        ];
    }

    /// <inheritdoc/>
    public double Change(Excerpt excerpt, int place, Candidate from, Candidate to)
    {
        var (before, note) = (excerpt.Steps[place - 1].Note, excerpt.Steps[place].Note);
        var seconds = excerpt.Steps[place].Before ?? 1;
        var same = Of(from).Hand == Of(to).Hand;
        if (Of(from).After == Hand.Both)
            return 0;
        if (before.IsGrace && note.IsGrace)
            return same ? 0 : 0.4;
        if (before.IsGrace)
            return same ? 1.5 : 0;
        // Where the right hand leads, the hands keep their places over a longer note.
        if (same && excerpt.House["mallets"] == "right-leads" && IsOnTheHand(excerpt, place) == IsOnTheHand(excerpt, place - 1))
            return 0;
        return same ? StickCosts.Double * Math.Clamp(0.3 / seconds, 0.2, 2) : 0;
    }

    /// <inheritdoc/>
    public Obstacle? Reason(Excerpt excerpt, int place, Candidate from, Candidate to)
    {
        if (Of(from).After == Hand.Both)
            return null;
        var (before, same) = (excerpt.Steps[place - 1].Note, Of(from).Hand == Of(to).Hand);
        if (before.IsGrace)
        {
            if (excerpt.Steps[place].Note.IsGrace)
                return same ? new Obstacle(ObstacleKind.Double, "the grace notes of a drag are a double") : null;
            return same ? null : new Obstacle(ObstacleKind.Other, "a flam: the grace with the other hand");
        }
        return same && excerpt.Steps[place].Before < 0.3 ? new Obstacle(ObstacleKind.Double, "a double stroke") : null;
    }

    private static StickPlacement Of(Candidate way) => (StickPlacement)way.Placement;

    // The leading hand has every second place of the finest division in the measure: the beats, and their even parts.
    private static bool IsOnTheHand(Excerpt excerpt, int place)
    {
        var note = excerpt.Steps[place].Note;
        var finest =
            excerpt
                .Steps.Where(s => s.Note.MeasureIndex == note.MeasureIndex && s.Note.Duration > Fraction.Zero)
                .Min(s => (Fraction?)s.Note.Duration)
            ?? new Fraction(1);
        var count = note.Offset / finest;
        return count.Denominator == 1 && count.Numerator % 2 == 0;
    }
}
