using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>Notes with dots or lines under a slur: soft starts in one breath or bow, nearly full length.</summary>
/// <remarks>Common practice, no published source.</remarks>
internal static class Portato
{
    private const int FewestLines = 3;

    /// <summary>The notes in order, each once.</summary>
    public static IReadOnlyList<Note> Notes(Part part) =>
        [.. part.Slurs.SelectMany(s => Under(part, s)).Distinct().OrderBy(n => n.Onset)];

    private static List<Note> Under(Part part, Slur slur)
    {
        var inside = part
            .Notes.Skip(part.PlaceFrom(slur.From.Onset))
            .TakeWhile(n => n.Onset <= slur.To.Onset)
            .Where(n => n.Sounds && n.Voice == slur.From.Voice && !n.IsGrace)
            .ToList();
        var dotted = inside
            .Where(n => n.Has("staccato") || n.Has("detached-legato") || (n.Has("tenuto") && inside.Count >= FewestLines))
            .ToList();
        return dotted.Count >= 2 ? dotted : [];
    }
}
