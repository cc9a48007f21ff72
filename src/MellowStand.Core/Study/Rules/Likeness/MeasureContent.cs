using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>What one measure of a part holds, in forms that can be compared.</summary>
internal sealed class MeasureContent
{
    // A breath says where air is taken, not how notes are struck.
    private static readonly HashSet<string> Ignored = ["words", "dynamics", "breath-mark", "caesura"];

    public MeasureContent(PartMeasure measure)
    {
        Notes = [.. measure.Notes.Where(n => !n.IsCue)];
        Sounding = [.. Notes.Where(n => n.Sounds)];
        IsRest = Sounding.Count == 0;
        Rhythm = string.Join(' ', Notes.Select(n => $"{n.Offset}{(n.Sounds ? 'x' : 'r')}{n.Duration}{(n.IsGrace ? "g" : "")}"));
        Pitches = Rhythm + "|" + string.Join(' ', Sounding.Select(PitchesOf));
        Marks = string.Join(' ', Sounding.Select(MarksOf));
        var first = Sounding.FirstOrDefault(n => n.TopSounding is not null);
        Base = first?.TopSounding;
        Intervals = Rhythm + "|" + string.Join(' ', Sounding.Select(n => n.TopSounding - Base));
    }

    public IReadOnlyList<Note> Notes { get; }

    public IReadOnlyList<Note> Sounding { get; }

    public bool IsRest { get; }

    /// <summary>Onsets and lengths only.</summary>
    public string Rhythm { get; }

    /// <summary>Rhythm and pitches.</summary>
    public string Pitches { get; }

    /// <summary>Rhythm and intervals from the first note.</summary>
    public string Intervals { get; }

    /// <summary>Articulations, ornaments, slur ends.</summary>
    public string Marks { get; }

    /// <summary>The first sounding key, or null.</summary>
    public int? Base { get; }

    /// <summary>Share of notes that both have at the same moment with the same pitch, 0 to 1.</summary>
    public double SharedWith(MeasureContent other)
    {
        if (Sounding.Count == 0 || other.Sounding.Count == 0)
            return 0;
        var there = other.Sounding.Select(n => (n.Offset, PitchesOf(n))).ToHashSet();
        return (double)Sounding.Count(n => there.Contains((n.Offset, PitchesOf(n)))) / Math.Max(Sounding.Count, other.Sounding.Count);
    }

    private static string PitchesOf(Note n) =>
        n.Heads is NoteHead only ? $"{only.Written?.Midi}" : string.Join('+', n.Heads.Select(h => h.Written?.Midi));

    private static string MarksOf(Note n) =>
        n.Marks.Count == 0
            ? ""
            : string.Join(',', n.Marks.Where(m => !Ignored.Contains(m.Name)).Select(m => m.ToString()).Order(StringComparer.Ordinal));
}
