using MellowStand.Core.Notation;
using MellowStand.Core.Technique.Strings;

namespace MellowStand.Core.Technique.Signs;

/// <summary>Marks already in the part that the engine must keep.</summary>
/// <remarks>A code written as <c>other-technical</c> or as a fingering; the digits of a valve or slide fingering; a finger with its string;
/// an open string. Names: MusicXML 4.0, element "technical".</remarks>
internal static class FixedPoints
{
    private static readonly HashSet<string> Fixing = ["other-technical", "fingering", "thumb-position", "open-string"];

    /// <summary>The code that a note's marks ask for, or null.</summary>
    public static string? Of(IReadOnlyList<Candidate> ways, Note note)
    {
        if (!note.Marks.Any(m => Fixing.Contains(m.Name)))
            return null;
        if (note.Has("thumb-position"))
            return ways.FirstOrDefault(w => w.Placement is StringPlacement { HasThumb: true, IsOpen: false })?.Code;
        if (note.Has("open-string"))
            return ways.FirstOrDefault(w => w.Placement is StringPlacement { IsOpen: true })?.Code;
        var texts = note.Marks.Where(m => m.Name is "other-technical" or "fingering" && m.Value is not null).Select(m => m.Value!);
        var named = note.Marks.FirstOrDefault(m => m.Name == "string").Value;
        return texts.Select(t => Meant(ways, t, named)).FirstOrDefault(w => w is not null)?.Code;
    }

    // A finger of a string player means the string that is named, or the easiest.
    private static Candidate? Meant(IReadOnlyList<Candidate> ways, string text, string? named) =>
        ways.FirstOrDefault(w => w.Placement.IsMeantBy(text))
        ?? ways.Where(w => w.Placement is StringPlacement p && p.IsFinger(text) && (named is null || p.Number == named))
            .MinBy(w => w.Cost);
}
