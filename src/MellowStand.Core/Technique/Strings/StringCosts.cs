namespace MellowStand.Core.Technique.Strings;

/// <summary>What string work costs.</summary>
/// <remarks>Our own weights, no published source.</remarks>
internal static class StringCosts
{
    /// <summary>Each string that the bow crosses, at a comfortable speed.</summary>
    public const double PerCrossing = 0.27;

    /// <summary>A crossing under a slur is heard.</summary>
    public const double CrossingInSlur = 0.08;

    /// <summary>The share of a crossing to or from an open string, not slurred, on violin and viola.</summary>
    public const double RocksHigh = 0.6;

    /// <summary>The same on cello and bass.</summary>
    public const double RocksLow = 0.35;

    /// <summary>Another hand than a printed finger means.</summary>
    public const double OtherThanPrinted = 0.25;

    /// <summary>Any shift: it is one more thing to learn.</summary>
    public const double Moves = 0.12;

    /// <summary>A shift that lands on the third or fourth finger, whose place the ear must find.</summary>
    public const double LandsHigh = 0.12;

    /// <summary>A shift to another finger.</summary>
    public const double Shift = 0.7;

    /// <summary>A shift to the first finger, or on one finger over a half step.</summary>
    public const double GuidedShift = 0.42;

    /// <summary>A shift of a whole step and more on a finger that is not the first.</summary>
    public const double SameFingerShift = 0.9;

    /// <summary>Each half step that the hand goes.</summary>
    public const double PerHalfStep = 0.08;

    /// <summary>A shift inside a slur, where it is heard.</summary>
    public const double ShiftInSlur = 0.45;

    /// <summary>The share of a shift while an open string sounds, which leaves the hand time.</summary>
    public const double OverOpen = 0.4;

    /// <summary>The share of a shift of one finger by a half step.</summary>
    public const double OnHalfStep = 0.8;

    /// <summary>To a natural harmonic and away from it: it speaks at once and shows the hand its place.</summary>
    public const double ToHarmonic = 0.35;

    /// <summary>A hand that has gone somewhere else before an open string has gone too early.</summary>
    public const double TooEarly = 2;

    /// <summary>The thumb is set on the string, or taken away.</summary>
    public const double SetsThumb = 0.7;

    /// <summary>Each half step that the hand comes to above the first position.</summary>
    public const double PerHigh = 0.09;

    /// <summary>A hand that is opened or reached back elsewhere than in first position.</summary>
    public const double OpenedElsewhere = 0.1;

    /// <summary>Each half step of the hand above the seventh on a string that is not the highest.</summary>
    public const double HighOnLowString = 0.06;

    /// <summary>The share of a place's price under an open string.</summary>
    public const double StayOpen = 0.5;

    /// <summary>One finger slides away and back, at a comfortable speed.</summary>
    public const double Slide = 1.2;

    /// <summary>One finger slides on in one direction, as in a chromatic line.</summary>
    public const double SlideOn = 0.35;

    /// <summary>The hand opens or closes between two of its fingers.</summary>
    public const double OtherFrame = 0.12;

    /// <summary>The hand goes from opened forward to reached back, which is half a shift.</summary>
    public const double OppositeFrame = 0.35;

    /// <summary>One finger jumps to the next string at the same place.</summary>
    public const double SameFingerAcross = 0.2;

    /// <summary>One pitch repeated is one long note to the ear.</summary>
    public const double OtherWayOfSameNote = 0.7;

    /// <summary>An open string.</summary>
    public const double Open = 0.02;

    /// <summary>Without a harmonic where one is written.</summary>
    public const double NoHarmonic = 3;

    /// <summary>An octave harmonic on a string that is not the highest: the note lies on the next one.</summary>
    public const double LowHarmonic = 0.3;

    /// <summary>A harmonic that no leap leads to.</summary>
    public const double HarmonicByStep = 1;

    /// <summary>In first position a finger that is not its letter's.</summary>
    public const double OtherLetter = 0.3;

    /// <summary>What is dearer than the cheapest way by so much is never taken.</summary>
    public const double Reach = 1.6;

    /// <summary>Most ways of one note.</summary>
    public const int MostWays = 8;

    /// <summary>Two notes at once.</summary>
    public const double DoubleStop = 0.3;

    /// <summary>A fifth stopped with one finger.</summary>
    public const double FifthWithOneFinger = 0.4;

    /// <summary>Violin and viola, by finger; the fifth is the thumb.</summary>
    public static IReadOnlyList<double> Fingers { get; } = [0, 0, 0, 0.02, 0.18, 0.1];

    /// <summary>Cello and bass, whose fourth finger closes the frame of the hand.</summary>
    public static IReadOnlyList<double> LowFingers { get; } = [0, 0, 0, 0.02, 0.04, 0.1];

    /// <summary>How a finger lies; the second finger of violin and viola is always low or high, and neither costs.</summary>
    public static IReadOnlyDictionary<Lie, double> Lies { get; } =
        new Dictionary<Lie, double>
        {
            [Lie.Plain] = 0,
            [Lie.Low] = 0.06,
            [Lie.High] = 0.1,
            [Lie.Back] = 0.06,
            [Lie.Forward] = 0.07,
        };

    /// <summary>The fourth finger of violin and viola stretched beyond its frame.</summary>
    public const double StretchedFourth = 0.3;
}
