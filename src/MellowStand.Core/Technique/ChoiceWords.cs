using MellowStand.Core.Instruments;

namespace MellowStand.Core.Technique;

/// <summary>A choice in the words of those who play the instrument, for the page.</summary>
/// <remarks>Common practice, no published source.</remarks>
public static class ChoiceWords
{
    private static readonly Dictionary<string, string> Sticks = new()
    {
        ["R"] = "right",
        ["L"] = "left",
        ["L+R"] = "left and right",
    };
    private static readonly Dictionary<char, string> Heights = new() { ['h'] = "high ", ['l'] = "low " };

    /// <summary>The words of a code, e.g. <c>low 2 on A, 3rd position</c>, <c>valves 1-3</c>, <c>F valve, 1st position</c>.</summary>
    public static string Of(string code, Instrument instrument)
    {
        if (code.Contains('+', StringComparison.Ordinal) && instrument.Family == Family.Strings)
            return string.Join(" with ", code.Split('+').Select(c => OnString(c)));
        return instrument.Family switch
        {
            Family.Strings => OnString(code),
            Family.Brass when instrument.Id is "trombone" or "bass-trombone" => Slide(code),
            Family.Brass => Valves(code),
            Family.Percussion => Sticks.GetValueOrDefault(code, code),
            _ => code == "only" ? "the one fingering" : code,
        };
    }

    private static string OnString(string code)
    {
        if (code[1] == '0')
            return $"open {code[0]}";
        var (stop, place) = code.Split('@') is [var s, var p] ? (s, p) : (code, "1");
        if (stop.EndsWith('o'))
            return $"harmonic on {code[0]}";
        var finger = stop[1] == 'T' ? "thumb" : (stop.Length > 2 ? Heights.GetValueOrDefault(stop[2], "") : "") + stop[1];
        var at = place switch
        {
            "1" => "",
            "half" => ", half position",
            _ when place.StartsWith('T') => ", thumb position",
            _ => $", {Ordinal(place)} position",
        };
        return $"{finger} on {code[0]}{at}";
    }

    private static string Slide(string code) =>
        char.IsLetter(code[0])
            ? $"{(code[0] == 'D' ? "both valves" : "F valve")}, {Ordinal(code[1..])} position"
            : $"{Ordinal(code)} position";

    private static string Valves(string code)
    {
        var (side, valves) = code.Split(':') is [var s, var v] ? (s == "Bb" ? "B♭ side, " : "F side, ", v) : ("", code);
        return side
            + valves switch
            {
                "0" => "open",
                _ when valves.Contains('-', StringComparison.Ordinal) => $"valves {valves}",
                _ => $"valve {valves}",
            };
    }

    private static string Ordinal(string number) =>
        number switch
        {
            "1" => "1st",
            "2" => "2nd",
            "3" => "3rd",
            _ when number.EndsWith(".5", StringComparison.Ordinal) => $"{number[..^2]}½",
            _ => number + "th",
        };
}
