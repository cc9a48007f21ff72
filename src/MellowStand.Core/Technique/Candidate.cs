using MellowStand.Core.Notation;

namespace MellowStand.Core.Technique;

/// <summary>One way to play a note.</summary>
/// <param name="Placement">How it lies in the hands.</param>
/// <param name="Cost">What it costs by itself; 0 for the fingering that everybody learns first.</param>
/// <param name="Why">Why one would take it, in a few words.</param>
public sealed record Candidate(Placement Placement, double Cost, string Why)
{
    /// <summary>The code of the HTTP interface.</summary>
    public string Code => Placement.Code;

    /// <summary>True for the fingering that a player takes without being told.</summary>
    public bool IsUsual { get; init; }

    /// <summary>True for a way that follows what stands beside the note, so that a figure need not keep it: a flick, a right hand that is
    /// down before the break.</summary>
    public bool IsOfTheMoment { get; init; }

    /// <summary>Cents above equal temperament (sharp) that physics gives it; null where none is told.</summary>
    public double? Cents { get; init; }
}

/// <summary>A note of the passage as the engine sees it.</summary>
/// <param name="Note">The printed note.</param>
/// <param name="Written">Its top written pitch; C0 for an unpitched sound.</param>
/// <param name="Before">Seconds since the note before began, or null after a rest and at the start.</param>
/// <param name="SlurredFrom">True when a slur leads into it.</param>
public sealed record Step(Note Note, Pitch Written, double? Before, bool SlurredFrom)
{
    /// <summary>The written key number.</summary>
    public int Key { get; } = Written.Midi;

    /// <summary>The written pitch class.</summary>
    public int PitchClass { get; } = Written.PitchClass;

    /// <summary>Sounding keys of all that is struck at once, the lowest first; one for a single note, none for an unpitched
    /// sound.</summary>
    public IReadOnlyList<int> Chord { get; init; } = [];

    /// <summary>Written half steps from the note before, whatever lies between; 0 for the first.</summary>
    public int Moves { get; init; }

    /// <summary>True where it is the same again as what was struck before, with no rest between.</summary>
    public bool IsAgain { get; init; }

    /// <summary>True where the line goes away from a key and comes back to it here, or goes away here and comes back
    /// next.</summary>
    public bool IsAwayAndBack { get; init; }
}

/// <summary>An instrument's hand: which ways there are, and what it costs to go from one to the next.</summary>
public interface ITechnique
{
    /// <summary>Ways to play the note at a place of the passage; empty when it cannot be played.</summary>
    IReadOnlyList<Candidate> Ways(Excerpt excerpt, int place);

    /// <summary>What the change from one way to the next costs.</summary>
    double Change(Excerpt excerpt, int place, Candidate from, Candidate to);

    /// <summary>True when notes without a pitch are played too: by sticks. All other hands pass them over, since a part of drums may stand
    /// in a file under any name.</summary>
    bool TakesUnpitched => false;

    /// <summary>True when a note that returns within a figure is to keep its way; false for sticks, which alternate.</summary>
    bool KeepsFigures => true;

    /// <summary>True when the way must be written in, since a player would not take it untold.</summary>
    bool IsTold(Candidate? from, Candidate to) => !to.IsUsual;

    /// <summary>Why the change is worth telling, or null.</summary>
    Obstacle? Reason(Excerpt excerpt, int place, Candidate from, Candidate to) => null;
}
