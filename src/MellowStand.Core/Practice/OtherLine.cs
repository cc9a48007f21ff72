using MellowStand.Core.Notation;
using MellowStand.Core.Study;

namespace MellowStand.Core.Practice;

/// <summary>Which other section's line to hear with a passage: a melody before a drum, and of these the one that
/// moves with it most and is not the same.</summary>
/// <remarks>Play along with another section's line once one's own notes are right. Common practice, no published source; counting the
/// moments
/// that both strike is ours.</remarks>
internal static class OtherLine
{
    public static Part? Of(StudyContext study, Part part, int from, int to)
    {
        var own = Struck(study, part, from, to);
        return study
            .Score.Parts.Where(p => p != part)
            .Select(p => (Part: p, Struck: Struck(study, p, from, to)))
            .Where(x => x.Struck.Count > 0 && !IsTheSame(study, part, x.Part, from, to))
            .OrderByDescending(x => x.Part.Notes.Any(n => n.Kind == NoteKind.Pitched))
            .ThenByDescending(x => x.Struck.Count(own.Contains))
            .ThenByDescending(x => x.Struck.Count)
            .Select(x => x.Part)
            .FirstOrDefault();
    }

    private static HashSet<Fraction> Struck(StudyContext study, Part part, int from, int to) =>
        [.. Enumerable.Range(from, to - from + 1).SelectMany(m => study.MelodyOf(part).ByMeasure[m]).Select(n => n.Onset)];

    private static bool IsTheSame(StudyContext study, Part a, Part b, int from, int to) =>
        Enumerable.Range(from, to - from + 1).All(m => study.SoundsOf(a)[m] == study.SoundsOf(b)[m]);
}
