using MellowStand.Core.Notation;

namespace MellowStand.Core.Study;

/// <summary>One thing to look for. A new rule is one new file that implements this and nothing else.</summary>
public interface IStudyRule
{
    /// <summary>The fixed name of the rule in the HTTP interface.</summary>
    string Name { get; }

    /// <summary>The kind of thing it looks for: what the list of findings is filtered by.</summary>
    RuleKind Kind { get; }

    /// <summary>How much of the score it looks at besides its own part.</summary>
    Reach Reach => Reach.Part;

    /// <summary>What is written into a part for it.</summary>
    WritesIn WritesIn => WritesIn.Remark;

    /// <summary>Looks at one part. The same finding in several parts is joined afterwards.</summary>
    IEnumerable<Finding> Examine(StudyContext context, Part part);
}

/// <summary>How much of the score a rule looks at, so that a decision in one part asks only those rules again that can see it.</summary>
public enum Reach
{
    /// <summary>Its own part, the frame of measures and the tempo.</summary>
    Part,

    /// <summary>Its own part, and what sounds when in the others.</summary>
    Sounds,

    /// <summary>Everything, the marks of other parts too.</summary>
    Score,
}

/// <summary>What is written into a part for a finding.</summary>
public enum WritesIn
{
    /// <summary>Its title in brackets.</summary>
    Remark,

    /// <summary>The sign that holds already, written in again.</summary>
    CourtesyAccidental,

    /// <summary>The level that the finding proposes, at its first note; a remark where it proposes none.</summary>
    Level,

    /// <summary>A breath mark at its notes.</summary>
    BreathMark,

    /// <summary>The counting line of the measure.</summary>
    CountingLine,
}

/// <summary>The kind of thing a rule looks for, in the order in which a director looks.</summary>
public enum RuleKind
{
    /// <summary>Signature, tempo words, form.</summary>
    Frame,

    /// <summary>Pickups, units, groups, rests, entries.</summary>
    Counting,

    /// <summary>Signs and keys.</summary>
    Accidentals,

    /// <summary>Scales, chords, runs and what only looks like one.</summary>
    Patterns,

    /// <summary>Music that comes again.</summary>
    Returns,

    /// <summary>Rhythms that are misread.</summary>
    Rhythm,

    /// <summary>Slowing, quickening, fermatas.</summary>
    Tempo,

    /// <summary>Levels and hairpins.</summary>
    Dynamics,

    /// <summary>Separation, accents, slurs.</summary>
    Articulation,

    /// <summary>Trills, turns, graces.</summary>
    Ornaments,

    /// <summary>Breath and bow.</summary>
    Breath,

    /// <summary>Range, leaps, registers.</summary>
    Range,

    /// <summary>Who plays with whom.</summary>
    Sharing,
}
