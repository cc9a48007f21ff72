using MellowStand.Core.Notation;
using MellowStand.Core.Reading;
using MellowStand.Core.Study;

namespace MellowStand.Core.Assign;

/// <summary>How well a measure is a beginning, and what begins there.</summary>
/// <param name="Weight">0 for none; above 0 the better, below 0 where a cut would tear something.</param>
/// <param name="Words">What begins there, or null.</param>
/// <param name="IsSection">True where a section of the music begins: a letter, a double bar, a key, a tempo.</param>
internal readonly record struct CutPlace(double Weight, string? Words, bool IsSection);

/// <summary>Beginnings: the joints of the parts that play, at the bar line or at the pickup before it.</summary>
/// <remarks>Common practice, no published source; the weights are those of the joints.</remarks>
internal sealed class CutPlaces
{
    private const double Entry = 3;
    private const double Most = 6;

    private readonly StudyContext _context;
    private readonly IReadOnlyList<Part> _parts;
    private readonly ILookup<int, SectionMoment> _moments;

    public CutPlaces(StudyContext context, IReadOnlyList<Part> parts)
    {
        (_context, _parts) = (context, parts);
        _moments = parts
            .SelectMany(p => context.JointsOf(p).Moments)
            .Where(m => m.Onset == context.Score.Measures[m.Measure].Start)
            .ToLookup(m => m.Measure);
    }

    /// <summary>What is said for a cut before a measure.</summary>
    public CutPlace At(int measure)
    {
        var printed = _moments[measure].OrderByDescending(m => m.BeginsSection).ThenByDescending(m => m.Reason.Weight).FirstOrDefault();
        var playing = _parts.Where(p => Plays(p, measure) || Plays(p, measure - 1)).ToList();
        var weights = playing.Select(p => Math.Clamp(Beginning(p, measure).Weight, -Most, Most)).DefaultIfEmpty(Entry);
        var weight = weights.Average();
        var again = playing.Exists(p => Beginning(p, measure).Again is not null);
        var isAgain = playing.Count > 0 && playing.TrueForAll(p => Beginning(p, measure).Again == Joints.AgainAtLength);
        return new CutPlace(weight, Words(printed, weight, again, playing, measure), printed is { BeginsSection: true } || isAgain);
    }

    /// <summary>True when a part sounds in a measure.</summary>
    public bool Plays(Part part, int measure) => measure >= 0 && measure < part.Measures.Count && !_context.ContentOf(part)[measure].IsRest;

    /// <summary>True when a phrase of the part begins late in the measure before and leads into a measure.</summary>
    public bool HasPickup(Part part, int measure) => Beginning(part, measure).HasPickup;

    private string? Words(SectionMoment? printed, double weight, bool again, List<Part> playing, int measure)
    {
        if (printed is { BeginsSection: true })
            return printed.Reason.Words;
        if (again && weight >= Joint.Parts)
            return "music that comes again";
        if (weight < Joint.Parts)
            return null;
        return playing.Count(p => Plays(p, measure - 1)) * 2 > playing.Count ? "a phrase" : "an entry";
    }

    // The joint over the bar line, or the one before a pickup that leads over it.
    private (double Weight, bool HasPickup, JointReason? Again) Beginning(Part part, int measure)
    {
        if (measure <= 0 || measure >= part.Measures.Count)
            return (Entry, false, null);
        var joints = _context.JointsOf(part).All;
        var over = joints.PlaceFrom(j => j.After.Onset, _context.Score.Measures[measure].Start);
        if (over == joints.Count || joints[over].After.MeasureIndex != measure)
            return (Plays(part, measure) && over == 0 ? Entry : joints.ElementAtOrDefault(over)?.Weight ?? Entry, false, null);
        JointReason? again = joints[over].Reasons.FirstOrDefault(r => r == Joints.Again || r == Joints.AgainAtLength) is { Weight: > 0 } r
            ? r
            : null;
        for (var i = over - 1; i >= 0 && joints[i].After.MeasureIndex == measure - 1 && IsLate(joints[i].After); i--)
            if (joints[i].Weight >= Joint.Parts && joints[i].Weight > joints[over].Weight)
                return (joints[i].Weight, true, again);
        return (joints[over].Weight, false, again);
    }

    private bool IsLate(Note note)
    {
        var frame = _context.Score.Measures[note.MeasureIndex];
        return frame.IsPickup || note.Offset * 2 >= frame.Length;
    }
}
