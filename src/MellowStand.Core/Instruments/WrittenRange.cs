using MellowStand.Core.Notation;

namespace MellowStand.Core.Instruments;

/// <summary>A written range from the lowest to the highest pitch.</summary>
/// <param name="Low">Lowest written pitch.</param>
/// <param name="High">Highest written pitch.</param>
public sealed record WrittenRange(Pitch Low, Pitch High)
{
    /// <summary>True when the pitch lies inside, whatever its spelling.</summary>
    public bool Holds(Pitch pitch) => pitch.Midi >= Low.Midi && pitch.Midi <= High.Midi;
}

/// <summary>Written ranges by a player's level.</summary>
/// <remarks>Levels: <c>comfortable</c> is a school player of about four years, <c>advanced</c> a strong senior, <c>extreme</c> what the
/// instrument gives in trained hands. From memory; handbooks differ by a step or two at the upper ends. An instrument that has no row
/// here has its comfortable range at every level.</remarks>
public static class WrittenRanges
{
    /// <summary>The levels, the narrowest range first.</summary>
    public static IReadOnlyList<string> Levels { get; } = ["comfortable", "advanced", "extreme"];

    // Low and high of "advanced", low and high of "extreme".
    private static readonly Dictionary<string, string> Wider = new(StringComparer.Ordinal)
    {
        ["piccolo"] = "D4 B6 D4 C7",
        ["flute"] = "C4 C7 B3 D7",
        ["alto-flute"] = "C4 A6 C4 C7",
        ["oboe"] = "Bb3 F6 Bb3 A6",
        ["english-horn"] = "B3 D6 Bb3 G6",
        ["bassoon"] = "Bb1 Bb4 Bb1 E5",
        ["contrabassoon"] = "Bb1 F4 A1 Bb4",
        ["clarinet-eb"] = "E3 E6 E3 G6",
        ["clarinet-bb"] = "E3 F6 E3 C7",
        ["clarinet-a"] = "E3 F6 E3 C7",
        ["alto-clarinet"] = "E3 D6 Eb3 G6",
        ["bass-clarinet"] = "Eb3 D6 C3 G6",
        ["contra-clarinet"] = "Eb3 G5 C3 C6",
        ["soprano-sax"] = "Bb3 F6 Bb3 G6",
        ["alto-sax"] = "Bb3 F6 Bb3 C7",
        ["tenor-sax"] = "Bb3 F6 Bb3 C7",
        ["bari-sax"] = "Bb3 F6 A3 G6",
        ["horn-f"] = "C3 A5 F2 C6",
        ["trumpet-bb"] = "F#3 C6 F#3 F6",
        ["trumpet-c"] = "F#3 Bb5 F#3 D6",
        ["cornet"] = "F#3 C6 F#3 E6",
        ["flugelhorn"] = "F#3 A5 F#3 C6",
        ["trombone"] = "E2 Bb4 E1 D5",
        ["bass-trombone"] = "E1 F4 B0 Bb4",
        ["euphonium"] = "E2 Bb4 E1 D5",
        ["euphonium-tc"] = "F#3 C6 F#2 E6",
        ["tuba"] = "D1 F4 B0 Bb4",
        ["violin"] = "G3 E6 G3 B7",
        ["viola"] = "C3 A5 C3 D6",
        ["cello"] = "C2 D5 C2 A5",
        ["contrabass"] = "E2 D4 C2 G4",
        ["glockenspiel"] = "G3 C6 F3 E6",
        ["xylophone"] = "F3 C7 F3 C7",
        ["marimba"] = "A2 C6 C2 C7",
        ["timpani"] = "D2 A3 C2 C4",
    };

    /// <summary>The range of an instrument at a level; the comfortable one for an unknown level.</summary>
    public static WrittenRange Of(Instrument instrument, string level)
    {
        var comfortable = new WrittenRange(instrument.Low, instrument.High);
        var place = Array.IndexOf([.. Levels], level);
        if (place < 1 || !Wider.TryGetValue(instrument.Id, out var text))
            return comfortable;
        var pitches = text.Split(' ').Select(Pitch.Parse).ToList();
        return new WrittenRange(pitches[(place - 1) * 2], pitches[((place - 1) * 2) + 1]);
    }
}
