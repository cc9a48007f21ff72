namespace MellowStand.Core.Decisions;

/// <summary>Which decisions build on which.</summary>
/// <remarks>All can be undone in any order; one that another builds on says so, since the later one may then say something else than was
/// meant.</remarks>
public static class Dependence
{
    // Marks of which a note has one: the later replaces the earlier.
    private static readonly string[] OneANote = ["pitch", "rhythm", "dynamics"];

    /// <summary>True when the later changes take away what the earlier wrote, write again what it took away, or write over it.</summary>
    public static bool BuildsOn(IEnumerable<MarkChange> later, IReadOnlyCollection<MarkChange> earlier) =>
        later.Any(l => earlier.Any(e => e.Part == l.Part && e.Notes.Intersect(l.Notes).Any() && Touches(l, e)));

    private static bool Touches(MarkChange later, MarkChange earlier) =>
        later.Removed.Intersect(earlier.Added).Any()
        || later.Added.Intersect(earlier.Removed).Any()
        || later.Added.Any(a => OneANote.Contains(a.Name) && earlier.Added.Any(b => b.Name == a.Name));
}
