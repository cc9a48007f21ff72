using System.Globalization;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Technique.Sticks;

/// <summary>Which hand strikes, or may strike next.</summary>
public enum Hand
{
    /// <summary>The right hand.</summary>
    Right,

    /// <summary>The left hand.</summary>
    Left,

    /// <summary>Both, or either.</summary>
    Both,
}

/// <summary>What strikes a note or a chord.</summary>
/// <param name="Hand">The hand that strikes.</param>
/// <param name="After">The hand that has struck last when it is over: either one after a roll or with both hands.</param>
/// <param name="Mallets">Of a chord with four mallets their numbers from the left; empty for all else.</param>
public sealed record StickPlacement(Hand Hand, Hand After, IReadOnlyList<int> Mallets) : Placement(CodeOf(Hand, Mallets))
{
    /// <summary>What two mallets or one player cannot strike.</summary>
    public static StickPlacement Divided { get; } = new(Hand.Both, Hand.Both, [0]);

    /// <summary>One stroke with one hand.</summary>
    public static StickPlacement Stroke(Hand hand, bool isRoll) => new(hand, isRoll ? Hand.Both : hand, []);

    /// <summary>One note with each hand.</summary>
    public static StickPlacement OneEach { get; } = new(Hand.Both, Hand.Both, []);

    /// <summary>True where more than one note is struck.</summary>
    public bool IsChord => Hand == Hand.Both || Mallets.Count > 1;

    /// <inheritdoc/>
    public override string Words =>
        (Hand, Mallets.Count) switch
        {
            (Hand.Right, 0) => "right",
            (Hand.Left, 0) => "left",
            (Hand.Both, 0) => "left and right",
            _ => Code,
        };

    /// <inheritdoc/>
    public override string Sign => Mallets.Count > 1 ? string.Join(' ', Mallets) : Code.Replace('+', ' ');

    /// <inheritdoc/>
    public override IReadOnlyList<Placement> Heads =>
        (Hand, Mallets.Count) switch
        {
            (Hand.Both, 0) => [Stroke(Hand.Left, false), Stroke(Hand.Right, false)],
            (_, > 1) => [.. Mallets.Select(Mallet)],
            _ => [this],
        };

    /// <inheritdoc/>
    public override IReadOnlyList<Mark> Marks =>
        Mallets is [> 0 and var one]
            ? [new Mark("fingering", one.ToString(CultureInfo.InvariantCulture))]
            : [new Mark("other-technical", Sign)];

    private static StickPlacement Mallet(int number) => new(number <= 2 ? Hand.Left : Hand.Right, Hand.Both, [number]);

    private static string CodeOf(Hand hand, IReadOnlyList<int> mallets) =>
        mallets switch
        {
            [0] => "divided",
            { Count: > 0 } => string.Join('+', mallets),
            _ => hand switch
            {
                Hand.Right => "R",
                Hand.Left => "L",
                _ => "L+R",
            },
        };
}
