using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Technique;

/// <summary>Marks already in the part that the engine must keep.</summary>
/// <remarks>A code written as <c>other-technical</c> or as a fingering; the digits of a valve or slide fingering; a finger with its string;
/// an open string. Names: MusicXML 4.0, element "technical".</remarks>
internal static class FixedPoints
{
    private static readonly HashSet<string> Fixing = ["other-technical", "fingering", "thumb-position", "open-string"];

    /// <summary>The code that a note's marks ask for, or null.</summary>
    public static string? Of(IReadOnlyList<Candidate> ways, Note note, Instrument instrument)
    {
        if (!note.Marks.Any(m => Fixing.Contains(m.Name)))
            return null;
        var texts = note.Marks.Where(m => m.Name is "other-technical" or "fingering" && m.Value is not null).Select(m => m.Value!).ToList();
        if (note.Has("thumb-position"))
            return ways.FirstOrDefault(w => w.Code.Length > 1 && w.Code[1] == 'T')?.Code;
        if (note.Has("open-string"))
            return ways.FirstOrDefault(w => w.Code.EndsWith('0') && w.Code.Length == 2)?.Code;
        foreach (var text in texts)
        {
            if (
                ways.FirstOrDefault(w =>
                    w.Code == text
                    || (PlayerSigns.Of(w.Code, instrument.Family) == text && (instrument.Family != Family.Strings || !IsFinger(text)))
                ) is
                { } exact
            )
                return exact.Code;
            var digits = string.Join('-', text.Where(char.IsDigit));
            if (digits.Length > 0 && ways.FirstOrDefault(w => w.Code == digits) is { } valves)
                return valves.Code;
            // A finger of a string player, on the string that is named or on any.
            var named = note.Marks.FirstOrDefault(m => m.Name == "string").Value;
            if (
                IsFinger(text)
                && ways.OrderBy(w => w.Cost)
                    .FirstOrDefault(w =>
                        w.Code.Length >= 2
                        && char.IsLetter(w.Code[0])
                        && w.Code[1] == text[0]
                        && (named is null || PlayerSigns.StringNumber(w.Code, instrument.Id) == named)
                    )
                    is { } finger
            )
                return finger.Code;
        }

        return null;
    }

    private static bool IsFinger(string text) => text.Length == 1 && char.IsDigit(text[0]);
}
