using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify.Bows;

/// <summary>Which way the bow goes.</summary>
public enum BowDirection
{
    /// <summary>From the frog.</summary>
    Down,

    /// <summary>From the tip.</summary>
    Up,
}

/// <summary>One stroke of the bow: a note, or the notes under a slur.</summary>
/// <param name="Notes">Its notes in order.</param>
/// <param name="Seconds">How long it lasts at the tempo.</param>
/// <param name="Level">The level in force (0 = pppp … 9 = ffff).</param>
/// <param name="RestSeconds">Silence before it; infinite at the start of the part.</param>
/// <param name="Printed">The direction that is printed, or null.</param>
public sealed record Stroke(IReadOnlyList<Note> Notes, double Seconds, int Level, double RestSeconds, BowDirection? Printed)
{
    /// <summary>Its first note.</summary>
    public Note First => Notes[0];

    /// <summary>Where it ends, in quarters from the start of the score.</summary>
    public Fraction End => Notes[^1].Onset + Notes[^1].SoundingDuration;

    /// <summary>True when silence stands before it.</summary>
    public bool FollowsRest => RestSeconds > 0.01;
}
