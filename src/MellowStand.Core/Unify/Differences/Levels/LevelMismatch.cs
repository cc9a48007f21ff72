using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>What one part has where the parts of a line are at different levels.</summary>
/// <param name="Part">The part.</param>
/// <param name="Note">Its note.</param>
/// <param name="Printed">Signs printed for the note: at it, or over the rest before it, with the id of what they stand on.</param>
/// <param name="InForce">The level in force at the note, or null before the first.</param>
internal sealed record LevelReading(Part Part, Note Note, IReadOnlyList<(string Sign, string At)> Printed, PrintedLevel? InForce)
{
    /// <summary>The reading in words: what is printed there; where no part prints anything there, the sign in force.</summary>
    public string Told { get; init; } = "";

    /// <summary>The printed signs in words.</summary>
    public string Signs => string.Join('+', Printed.Select(p => p.Sign));

    /// <summary>Signs that strike one note only.</summary>
    public string Strikes => string.Join('+', Printed.Where(p => DynamicLevels.LevelAfter(p.Sign) is null).Select(p => p.Sign));
}

/// <summary>Parts at different levels at one moment.</summary>
/// <param name="Line">The line.</param>
/// <param name="Place">Place in the line from 0.</param>
/// <param name="Last">Last place at which the levels stay so.</param>
/// <param name="Readings">What each part has, the part's first reading once.</param>
/// <param name="IsBalance">The levels stay the same step apart all along.</param>
/// <param name="IsEntry">The level in force is the same; some parts leave out its sign at an entry.</param>
internal sealed record LevelMismatch(
    SharedLine Line,
    int Place,
    int Last,
    IReadOnlyList<LevelReading> Readings,
    bool IsBalance,
    bool IsEntry
)
{
    /// <summary>The moment of the newest sign among them: where the parts came apart.</summary>
    public Fraction Began { get; } = Readings.Select(r => r.InForce?.Onset ?? Fraction.Zero).DefaultIfEmpty(Fraction.Zero).Max();

    /// <summary>True where some part prints a sign at the place itself.</summary>
    public bool IsPrinted => Readings.Any(r => r.Printed.Count > 0);
}
