namespace MellowStand.Core.Technique.Strings;

/// <summary>Where the hand of a string player moves to another position.</summary>
/// <remarks>Positions in Roman numerals over the first note in them, halves as <c>½</c>: common practice, no published source. How those
/// of the bass are numbered is a house rule, and stands in the codes of Technique already.</remarks>
internal static class StringPositions
{
    private static readonly string[] Numerals = ["", "I", "II", "III", "IV", "V", "VI", "VII", "VIII", "IX", "X", "XI", "XII"];

    /// <summary>The new position by the place of the note that is first in it; the first one is not told until it comes back.</summary>
    public static Dictionary<int, string> Changes(IReadOnlyList<Choice> choices)
    {
        var changes = new Dictionary<int, string>();
        var now = Necks.First;
        foreach (var choice in choices)
        {
            // An open string says nothing of the hand.
            if (choice.Way.Placement is not StringPlacement { IsOpen: false, Finger: < Necks.Thumb, Hand: { } hand })
                continue;
            var position = hand.Name;
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
