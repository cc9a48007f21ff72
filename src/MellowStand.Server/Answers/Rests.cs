using MellowStand.Storage;

namespace MellowStand.Server.Answers;

/// <summary>What the answers of the desk rest on, kind by kind.</summary>
internal static class Rests
{
    /// <summary>Passages as they were handed out, with the days of their steps and how far these are.</summary>
    public const RestsOn Handed = RestsOn.Passages | RestsOn.Plans | RestsOn.Shelf | RestsOn.Day;

    /// <summary>Who is how far: all that was heard, by whom, of what.</summary>
    public const RestsOn Readiness = Handed | RestsOn.Hearing | RestsOn.People | RestsOn.School;

    /// <summary>Entries of the log, tests and remarks, with the names that they are told by.</summary>
    public const RestsOn Records = RestsOn.Hearing | RestsOn.Passages | RestsOn.Plans | RestsOn.People | RestsOn.Shelf;

    /// <summary>The calendar.</summary>
    public const RestsOn Calendar = RestsOn.Plans | RestsOn.People;

    /// <summary>Audition sets, what was decided in their pieces, and who auditions.</summary>
    public const RestsOn Sets = RestsOn.Auditions | RestsOn.Shelf | RestsOn.People | RestsOn.Passages | RestsOn.School | RestsOn.Day;

    /// <summary>Who is ready for which round.</summary>
    public const RestsOn Candidates = Sets | Readiness;
}
