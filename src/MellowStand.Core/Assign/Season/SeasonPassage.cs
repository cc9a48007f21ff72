using MellowStand.Core.Hear;

namespace MellowStand.Core.Assign;

/// <summary>How far a player is on the ladder of a passage.</summary>
/// <param name="Player">The player's number.</param>
/// <param name="Next">The step to practice next, from 0; the last one for whoever is at the goal.</param>
/// <param name="IsThere">True when the goal was heard clean.</param>
/// <param name="Readiness">What the forecast says.</param>
public sealed record PlayerProgress(long Player, int Next, bool IsThere, Readiness Readiness);

/// <summary>A passage that is handed out, as a season's plan needs it.</summary>
/// <param name="Id">Its number.</param>
/// <param name="Title">Its title.</param>
/// <param name="Minutes">Minutes to learn it from the first step, all sessions together.</param>
/// <param name="Steps">Steps of its ladder, at least 1.</param>
/// <param name="From">The first day of work.</param>
/// <param name="Due">The last day to learn it on.</param>
/// <param name="Players">Who has it.</param>
public sealed record SeasonPassage(
    long Id,
    string Title,
    int Minutes,
    int Steps,
    DateOnly From,
    DateOnly Due,
    IReadOnlyList<PlayerProgress> Players
)
{
    /// <summary>Number of its piece.</summary>
    public long Piece { get; init; }

    /// <summary>Its first measure from 0.</summary>
    public int Measure { get; init; }
}

/// <summary>How the players of an item go along.</summary>
public enum Band
{
    /// <summary>On the line to the date, or not heard yet.</summary>
    Usual,

    /// <summary>Rather not ready: more sessions.</summary>
    Behind,

    /// <summary>Ready early: fewer sessions, to keep it.</summary>
    Ahead,
}

/// <summary>A passage for players who are about equally far: they practice on the same days.</summary>
/// <param name="Passage">The passage.</param>
/// <param name="Band">How they go along.</param>
/// <param name="Players">Their numbers.</param>
/// <param name="Minutes">Minutes of a session.</param>
/// <param name="Sessions">Sessions that are left.</param>
/// <param name="First">The step of the ladder that is next, from 0.</param>
/// <param name="Why">What the number of sessions rests on.</param>
public sealed record SeasonItem(
    SeasonPassage Passage,
    Band Band,
    IReadOnlyList<long> Players,
    int Minutes,
    int Sessions,
    int First,
    string Why
)
{
    /// <summary>Its key in a plan: the passage's number and the band.</summary>
    public string Key => KeyOf(Passage.Id, Band);

    /// <summary>The key of a passage and a band.</summary>
    public static string KeyOf(long passage, Band band) => $"{passage}/{band.ToString().ToLowerInvariant()}";

    /// <summary>The step that a session practices, from 0: the last session is at the goal.</summary>
    /// <param name="number">The session from 1.</param>
    public int StepAt(int number)
    {
        var left = Passage.Steps - First;
        return Math.Min(Passage.Steps - 1, First + (((number * left) + Sessions - 1) / Sessions) - 1);
    }
}
