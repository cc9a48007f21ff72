using System.Globalization;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Technique.Strings;

/// <summary>How a finger lies in its frame.</summary>
public enum Lie
{
    /// <summary>Where the frame has it.</summary>
    Plain,

    /// <summary>Low, as a second finger that touches the first one.</summary>
    Low,

    /// <summary>High, as a second finger that touches the third one.</summary>
    High,

    /// <summary>Reached back, as a cellist's first finger.</summary>
    Back,

    /// <summary>In the hand that is opened forward, as a cellist's two, three and four over a major third.</summary>
    Forward,
}

/// <summary>One note on one string.</summary>
/// <param name="String">The string from 0, the lowest.</param>
/// <param name="Number">The string's number from the highest, from 1: MusicXML 4.0, element "string".</param>
/// <param name="Letter">The string's letter.</param>
/// <param name="Finger">The finger; 0 for the open string, <see cref="Necks.Thumb"/> for the thumb.</param>
/// <param name="Lie">How the finger lies.</param>
/// <param name="Hand">The place of the hand, under an open string too; null where nothing is known of it.</param>
/// <param name="Node">Of a natural harmonic the half steps of its node above the open string; null for all else.</param>
public sealed record StringPlacement(int String, string Number, string Letter, int Finger, Lie Lie, HandPlace? Hand, int? Node = null)
    : Placement(CodeOf(Letter, Finger, Lie, Hand, Node))
{
    private static readonly Dictionary<Lie, (string Sign, string Words)> Lies = new()
    {
        [Lie.Plain] = ("", "{0}"),
        [Lie.Low] = ("l", "low {0}"),
        [Lie.High] = ("h", "high {0}"),
        [Lie.Back] = ("l", "{0} reached back"),
        [Lie.Forward] = ("h", "{0} extended"),
    };

    /// <summary>True for an open string.</summary>
    public bool IsOpen => Finger == 0;

    /// <summary>How the hand is opened; null for an open string and where this finger does not tell: the hand of a cellist opens forward
    /// or back, and one plain finger does not say which.</summary>
    public Lie? Frame { get; } = Finger == 0 || Lie is Lie.Low or Lie.High || (Finger == 1 && Lie == Lie.Plain) ? null : Lie;

    /// <summary>True where the hand lies with its thumb on the string.</summary>
    public bool HasThumb => Hand?.HasThumb == true;

    /// <summary>True for a finger of the first position that is no harmonic.</summary>
    public bool IsFirst => !IsOpen && Node is null && Hand!.Name == Necks.First;

    /// <inheritdoc/>
    public override string Sign =>
        this switch
        {
            { Node: not null } => "○",
            { Finger: Necks.Thumb } => "ϙ",
            _ => Finger.ToString(CultureInfo.InvariantCulture),
        };

    /// <inheritdoc/>
    public override string Words
    {
        get
        {
            if (IsOpen)
                return $"open {Letter}";
            if (Node is not null)
                return $"harmonic on {Letter}";
            var finger = Finger == Necks.Thumb ? "thumb" : Finger.ToString(CultureInfo.InvariantCulture);
            var lies = string.Format(CultureInfo.InvariantCulture, Lies[Lie].Words, finger);
            return $"{lies} on {Letter}{(Hand!.Name == Necks.First ? "" : $", {Hand.Words}")}";
        }
    }

    /// <inheritdoc/>
    public override IReadOnlyList<Mark> Marks =>
        this switch
        {
            { IsOpen: true } => [new Mark("open-string")],
            { Node: not null } => [new Mark("harmonic")],
            { Finger: Necks.Thumb } => [new Mark("thumb-position")],
            _ => [new Mark("fingering", Sign)],
        };

    /// <inheritdoc/>
    public override IReadOnlyList<Mark> FixingMarks => Marks is [{ Name: "fingering" } one] ? [one, new Mark("string", Number)] : Marks;

    /// <inheritdoc/>
    /// <remarks>A digit alone is a finger on some string.</remarks>
    public override bool IsMeantBy(string text) => text == Code || (text == Sign && text.Length == 1 && !char.IsDigit(text[0]));

    /// <summary>True when a digit names this finger.</summary>
    public bool IsFinger(string text) => text.Length == 1 && char.IsDigit(text[0]) && text[0] - '0' == Finger && Finger != Necks.Thumb;

    private static string CodeOf(string letter, int finger, Lie lie, HandPlace? hand, int? node)
    {
        if (finger == 0)
            return letter + "0";
        if (node is { } at)
            return string.Create(CultureInfo.InvariantCulture, $"{letter}{finger}o@{at}");
        var name = finger == Necks.Thumb ? "T" : finger.ToString(CultureInfo.InvariantCulture);
        return letter + name + Lies[lie].Sign + (hand!.Name == Necks.First ? "" : $"@{hand.Name}");
    }
}

/// <summary>Two, three or four notes at once.</summary>
/// <param name="Notes">Their placements, the lowest first.</param>
public sealed record StringChord(IReadOnlyList<StringPlacement> Notes) : Placement(string.Join('+', Notes.Select(n => n.Code)))
{
    /// <summary>What the next note must know of the hand: its highest stopped note, or the highest open string.</summary>
    public StringPlacement Lead => Notes.LastOrDefault(n => !n.IsOpen) ?? Notes[^1];

    /// <inheritdoc/>
    public override string Sign => string.Join(' ', Notes.Select(n => n.Sign));

    /// <inheritdoc/>
    public override string Words => string.Join(" with ", Notes.Select(n => n.Words));

    /// <inheritdoc/>
    public override IReadOnlyList<Placement> Heads => Notes;
}
