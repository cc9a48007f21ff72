using MellowStand.Core.Technique;

namespace MellowStand.Core.Scales;

/// <summary>Where the hand of a string player moves to another position.</summary>
/// <remarks>Positions in Roman numerals over the first note in them, halves as <c>½</c>: common practice, no published source. How those
/// of the bass are numbered is a house rule, and stands in the codes of Technique already.</remarks>
internal static class StringPositions
{
    private const string First = "1";

    private static readonly string[] Numerals = ["", "I", "II", "III", "IV", "V", "VI", "VII", "VIII", "IX", "X", "XI", "XII"];

    /// <summary>The new position by the place of the note that is first in it; the first one is not told until it comes back.</summary>
    public static Dictionary<int, string> Changes(IReadOnlyList<Choice> choices)
    {
        var changes = new Dictionary<int, string>();
        var now = First;
        foreach (var choice in choices)
        {
            // An open string says nothing of the hand.
            if (choice.Way.Code.Length < 2 || choice.Way.Code[1] is '0' or 'T')
                continue;
            var position = choice.Way.Code.Split('@') is [_, var at] ? at : First;
            if (position == now)
                continue;
            changes[choice.Place] = Numeral(position);
            now = position;
        }

        return changes;
    }

    private static string Numeral(string position)
    {
        if (position is "half" or "0.5")
            return "½";
        var whole = position.Split('.')[0];
        var half = position.EndsWith(".5", StringComparison.Ordinal) ? "½" : "";
        return int.TryParse(whole, out var number) && number < Numerals.Length ? Numerals[number] + half : position;
    }
}
