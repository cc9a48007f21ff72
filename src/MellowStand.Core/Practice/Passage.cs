using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Study;
using MellowStand.Core.Technique;

namespace MellowStand.Core.Practice;

/// <summary>A passage of one part, with what a recipe may ask of it.</summary>
/// <param name="Study">What is known of the score.</param>
/// <param name="Part">The part.</param>
/// <param name="From">First measure from 0.</param>
/// <param name="To">Last measure from 0.</param>
/// <param name="Findings">What Study found of the part in these measures.</param>
/// <param name="Hands">What the players have in their hands, or null for the usual.</param>
public sealed record Passage(StudyContext Study, Part Part, int From, int To, IReadOnlyList<Finding> Findings, Hands? Hands = null)
{
    /// <summary>Slower changes leave the fingers time: no way to practice trains them.</summary>
    /// <remarks>Eighths at quarter = 75. Our own.</remarks>
    private const double QuickSeconds = 0.4;

    private readonly Lazy<PlainPart> _music = new(() => PracticeRangeReader.Read(Study, Part, From, To));
    private readonly Lazy<TechniquePlan?> _plan = new(() =>
        TechniqueDesk.Solve(Study.Score, Part, From, To, Study.House, Study.InstrumentOf(Part), Study.Tempo.QuarterBpmAt, Hands)
    );
    private readonly Lazy<Part?> _other = new(() => OtherLine.Of(Study, Part, From, To));

    /// <summary>The music as printed, ready to be changed.</summary>
    public PlainPart Music => _music.Value;

    /// <summary>The instrument, or null.</summary>
    public Instrument? Instrument => Study.InstrumentOf(Part);

    /// <summary>How the hands go, or null where the product has no chart.</summary>
    public TechniquePlan? Plan => _plan.Value;

    /// <summary>The part of another section to hear with it, or null.</summary>
    public Part? Other => _other.Value;

    /// <summary>How many measures it has.</summary>
    public int Measures => To - From + 1;

    /// <summary>All its notes, graces too, without cues.</summary>
    public IEnumerable<Note> Notes =>
        Enumerable.Range(From, Measures).SelectMany(m => Part.Measures[m].Notes).Where(n => n.Sounds && !n.IsCue);

    /// <summary>The line that a player follows: struck notes by time.</summary>
    public IEnumerable<Note> Line => Enumerable.Range(From, Measures).SelectMany(m => Study.MelodyOf(Part).ByMeasure[m]);

    /// <summary>How many findings of some rules it has.</summary>
    public int Count(params string[] rules) => Findings.Count(f => rules.Contains(f.Rule));

    /// <summary>Pairs of neighbouring notes.</summary>
    public IEnumerable<(Note A, Note B)> Pairs
    {
        get
        {
            var line = Line.ToList();
            return line.Zip(line.Skip(1));
        }
    }

    /// <summary>Those that follow each other quickly: within <see cref="QuickSeconds"/>.</summary>
    public IEnumerable<(Note A, Note B)> QuickPairs =>
        Pairs.Where(p => Study.Seconds(p.A.MeasureIndex, p.B.Onset - p.A.Onset) <= QuickSeconds);

    /// <summary>How many changes of the hands meet an obstacle of a kind.</summary>
    public int Obstacles(params ObstacleKind[] kinds) => Plan?.Solution.Choices.Count(c => kinds.Contains(c.Obstacle)) ?? 0;

    /// <summary>Its measures in words, e.g. <c>measures 5–8</c>.</summary>
    public string Words => Study.Measures(From, To);
}
