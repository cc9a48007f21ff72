namespace MellowStand.Storage;

/// <summary>What an answer rests on: it holds as long as the counters of all of it stand still.</summary>
[Flags]
public enum RestsOn
{
    /// <summary>Nothing that changes.</summary>
    Nothing = 0,

    /// <summary>The piece of its route, with all that is decided and quiet in it.</summary>
    Piece = 1,

    /// <summary>Any piece: what is on the shelf, its titles and dates, and what was decided in it.</summary>
    Shelf = 1 << 1,

    /// <summary>Sections and players.</summary>
    People = 1 << 2,

    /// <summary>Passages that were handed out, to whom, with their steps and their days.</summary>
    Passages = 1 << 3,

    /// <summary>The calendar, the minutes of practice and the plans of the season.</summary>
    Plans = 1 << 4,

    /// <summary>What was heard, remarks for many, playing tests and their marks.</summary>
    Hearing = 1 << 5,

    /// <summary>Audition sets and mock auditions.</summary>
    Auditions = 1 << 6,

    /// <summary>House rules, instruments, charts.</summary>
    School = 1 << 7,

    /// <summary>The day that it is.</summary>
    Day = 1 << 8,
}

/// <summary>The counters that triggers keep: each goes up with every row of its own that changes, whoever writes.</summary>
/// <param name="Shelf">Pieces.</param>
/// <param name="People">Sections and players.</param>
/// <param name="Passages">Passages.</param>
/// <param name="Plans">Calendar and plans.</param>
/// <param name="Hearing">What was heard and marked.</param>
/// <param name="Auditions">Audition sets.</param>
/// <param name="School">House rules, instruments, charts, players.</param>
public readonly record struct Counters(long Shelf, long People, long Passages, long Plans, long Hearing, long Auditions, long School)
{
    /// <summary>One number for several: counters only go up, so that the sum stands still as long as each of them does.</summary>
    public long Of(RestsOn what) =>
        Where(what, RestsOn.Shelf, Shelf)
        + Where(what, RestsOn.People, People)
        + Where(what, RestsOn.Passages, Passages)
        + Where(what, RestsOn.Plans, Plans)
        + Where(what, RestsOn.Hearing, Hearing)
        + Where(what, RestsOn.Auditions, Auditions)
        + Where(what, RestsOn.School, School);

    private static long Where(RestsOn what, RestsOn one, long counter) => what.HasFlag(one) ? counter : 0;
}
