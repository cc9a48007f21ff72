using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Technique;

namespace MellowStand.Core.Tempo;

/// <summary>What makes a passage hard to play fast.</summary>
public enum PressureKind
{
    /// <summary>Notes that each begin anew.</summary>
    Tonguing,

    /// <summary>Notes inside a slur.</summary>
    Fingers,

    /// <summary>A wide leap.</summary>
    Leap,

    /// <summary>What Technique names: crossing fingers, the way of a slide, strings, shifts.</summary>
    Hands,
}

/// <summary>The seconds that a change to a note takes at least to stay clean.</summary>
/// <param name="Note">The note it leads to.</param>
/// <param name="Seconds">Seconds.</param>
/// <param name="Kind">What takes most of them beyond the plain stroke.</param>
/// <param name="Words">What Technique says of it; empty for the others.</param>
public sealed record Pressure(Note Note, double Seconds, PressureKind Kind, string Words);

/// <summary>Reads the seconds that each change of a passage needs.</summary>
/// <remarks>A change needs a stroke of the tongue or a finger in a slur (<see cref="CleanLimits"/>), and more where the fingers cross, the
/// slide
/// travels, strings are crossed or the pitch leaps: at most as much again, so that a passage with more notes in it never seems easier. The
/// cost
/// is Technique's. Our own convention.</remarks>
internal static class Pressures
{
    private const double PerCost = 0.3;
    private const double MostExtra = 0.95;
    private const double PerHalfStep = 0.02;
    private const double Telling = 0.25;
    private const int Fifth = 7;

    /// <summary>One for each note after the first.</summary>
    /// <param name="excerpt">The notes of the passage.</param>
    /// <param name="plan">How the hands go, or null where the product has no chart.</param>
    /// <param name="limit">What the player keeps clean.</param>
    public static IReadOnlyList<Pressure> Of(Excerpt excerpt, TechniquePlan? plan, CleanLimit limit)
    {
        var hands = (plan?.Solution.Choices ?? []).Select((c, i) => (c, Cost: plan!.Solution.StepCosts[i])).ToDictionary(x => x.c.Place);
        var pressures = new List<Pressure>();
        for (var i = 1; i < excerpt.Steps.Count; i++)
        {
            var step = excerpt.Steps[i];
            // A tongue that has rested under a slur is ready again: only strokes one after the other are a matter of the tongue.
            var isFingers = step.SlurredFrom || excerpt.Steps[i - 1].SlurredFrom;
            var plain = 1 / (isFingers ? limit.Slurred : limit.Tongued);
            var leap = Math.Max(0, Math.Abs(step.Key - excerpt.Steps[i - 1].Key) - Fifth) * PerHalfStep;
            var (cost, words) = hands.TryGetValue(i, out var hand) ? (hand.Cost * PerCost, hand.c.Why) : (0, "");
            if (step.Before is null)
                (cost, leap) = (0, 0);
            var kind = isFingers ? PressureKind.Fingers : PressureKind.Tonguing;
            if (Math.Max(cost, leap) > Telling)
                kind = cost >= leap && words.Length > 0 ? PressureKind.Hands : PressureKind.Leap;
            pressures.Add(new Pressure(step.Note, plain * (1 + Math.Min(MostExtra, cost + leap)), kind, words));
        }

        return pressures;
    }
}
