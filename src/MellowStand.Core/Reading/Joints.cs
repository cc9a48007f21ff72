using MellowStand.Core.Notation;
using MellowStand.Core.Study;

namespace MellowStand.Core.Reading;

/// <summary>Every place between two notes of a part, weighed: where the music parts and where it holds together.</summary>
/// <remarks>One reading for breath, cuts, windows and sections. Reasons and sources: <see cref="JointReasons"/> and
/// <see cref="SectionMoments"/>.</remarks>
public sealed class Joints
{
    /// <summary>Two or three measures of earlier music begin again.</summary>
    internal static readonly JointReason Again = new("music that comes again", 2.5);

    /// <summary>A whole phrase of earlier music begins again: a section does.</summary>
    internal static readonly JointReason AgainAtLength = new("a phrase that comes again", 3);

    private const int LeastPhrase = 4;
    private const double Strong = 2.5;

    private static readonly JointReason LastNote = new("the last note of a phrase", -2);

    private Joints(IReadOnlyList<Joint> all, IReadOnlyList<SectionMoment> moments) => (All, Moments) = (all, moments);

    /// <summary>The places in order: one fewer than there are struck notes.</summary>
    public IReadOnlyList<Joint> All { get; }

    /// <summary>The moments at which something new is printed, in order.</summary>
    public IReadOnlyList<SectionMoment> Moments { get; }

    /// <summary>Reads a part.</summary>
    /// <param name="context">The prepared score.</param>
    /// <param name="part">The part.</param>
    public static Joints Of(StudyContext context, Part part)
    {
        var line = new Line(context, part);
        var again = context
            .FactsOf(part)
            .Returns.ToDictionary(b => b.Again, b => b.Length >= LeastPhrase ? AgainAtLength : Again);
        var all = new List<Joint>(Math.Max(0, line.Notes.Count - 1));
        var next = 0;
        for (var i = 0; i + 1 < line.Notes.Count; i++)
        {
            var (before, after) = (line.Notes[i], line.Notes[i + 1]);
            var reasons = JointReasons.At(line, i);
            for (; next < line.Moments.Count && line.Moments[next].Onset <= after.Onset; next++)
                if (line.Moments[next].Onset > before.Onset)
                    reasons.Add(line.Moments[next].Reason);
            if (line.OverBar(i) && again.TryGetValue(after.MeasureIndex, out var reason))
                reasons.Add(reason);
            all.Add(new Joint(i, before, after, reasons));
        }

        var told = all.Select((j, i) => BeforeLast(line, all, i) ? new Joint(i, j.Before, j.After, [.. j.Reasons, LastNote]) : j);
        return new Joints([.. told], line.Moments);
    }

    // The note after a joint closes its phrase where the next joint is a strong one: it is played first.
    private static bool BeforeLast(Line line, List<Joint> all, int i) =>
        i + 1 < all.Count
        && all[i + 1].Weight >= Strong
        && all[i + 1].Weight > all[i].Weight
        && line.Silence(i) == 0
        && !all[i].Reasons.Any(r => r.Words == LastNote.Words || r.Weight >= Strong);
}
