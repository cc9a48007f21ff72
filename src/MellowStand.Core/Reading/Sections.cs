using MellowStand.Core.Notation;
using MellowStand.Core.Study;

namespace MellowStand.Core.Reading;

/// <summary>A section of the music.</summary>
/// <param name="From">Its first measure from 0.</param>
/// <param name="To">Its last measure from 0.</param>
/// <param name="Letter">The rehearsal mark over its first measure, or null.</param>
/// <param name="Words">What begins it: <c>letter B</c>, <c>a double bar</c>; for the first the beginning.</param>
public sealed record MusicSection(int From, int To, string? Letter, string Words);

/// <summary>The sections of a part from its first measure to its last: letters, double bars, repeats, keys, tempos, solo and tutti part
/// them, and so does the opening when it comes again at length.</summary>
public static class Sections
{
    /// <summary>The sections in order; together they hold every measure, so that there is at least one.</summary>
    /// <param name="context">The prepared score.</param>
    /// <param name="part">The part.</param>
    public static IReadOnlyList<MusicSection> Of(StudyContext context, Part part)
    {
        var frames = context.Score.Measures;
        var joints = context.JointsOf(part);
        var begins = joints
            .Moments.Where(m => m.BeginsSection && m.Onset == frames[m.Measure].Start)
            .Concat(Returns(joints))
            .GroupBy(m => m.Measure)
            .Select(g => (Measure: g.Key, g.MaxBy(m => m.Reason.Weight)!.Reason.Words))
            .Prepend((Measure: 0, Words: "the beginning"))
            .ToList();
        // A pickup is no section: it leads into the first one.
        if (begins.Count > 1 && begins[1].Measure == 1 && frames[0].IsPickup)
            begins = [(0, begins[1].Words), .. begins.Skip(2)];
        return
        [
            .. begins.Select(
                (b, i) =>
                    new MusicSection(
                        b.Measure,
                        (i + 1 < begins.Count ? begins[i + 1].Measure : frames.Count) - 1,
                        frames[b.Measure].Rehearsal ?? LetterAfterPickup(frames, b.Measure),
                        b.Words
                    )
            ),
        ];
    }

    private static IEnumerable<SectionMoment> Returns(Joints joints) =>
        joints
            .All.Where(j => j.Reasons.Contains(Joints.AgainAtLength))
            .Select(j => new SectionMoment(j.After.Onset, j.After.MeasureIndex, Joints.AgainAtLength, true));

    private static string? LetterAfterPickup(IReadOnlyList<MeasureFrame> frames, int measure) =>
        frames[measure].IsPickup && measure + 1 < frames.Count ? frames[measure + 1].Rehearsal : null;
}
