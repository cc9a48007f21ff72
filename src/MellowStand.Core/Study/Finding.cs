using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Study;

/// <summary>How much a finding matters in rehearsal.</summary>
public enum Severity
{
    /// <summary>Good to know.</summary>
    Note,

    /// <summary>What a teacher says before it is played, though nothing is wrong with it: told at first sight, no heat.</summary>
    Tell,

    /// <summary>Will be missed by somebody.</summary>
    Warn,

    /// <summary>Will stop the ensemble.</summary>
    Stop,
}

/// <summary>Something that hides in a part.</summary>
/// <param name="Rule">The rule that found it.</param>
/// <param name="Parts">Ids of the parts it holds for.</param>
/// <param name="From">First measure from 0.</param>
/// <param name="To">Last measure from 0.</param>
/// <param name="Notes">Ids of the notes it speaks of.</param>
/// <param name="Severity">How much it matters.</param>
/// <param name="Title">A few words.</param>
/// <param name="Why">One sentence that a player understands.</param>
public sealed record Finding(
    string Rule,
    IReadOnlyList<string> Parts,
    int From,
    int To,
    IReadOnlyList<string> Notes,
    Severity Severity,
    string Title,
    string Why
)
{
    /// <summary>What is the same for all parts that it holds for, however each of them reads it; null where that is its words.</summary>
    public string? Fact { get; init; }

    /// <summary>Where several parts share it in notes of their own: how each of them reads it; else empty.</summary>
    public IReadOnlyList<OwnWords> Own { get; init; } = [];

    /// <summary>The same finding in the words of some of its parts only.</summary>
    /// <param name="parts">Ids of the parts that are spoken to.</param>
    /// <param name="nameOf">The name of a part.</param>
    public Finding InWordsOf(IReadOnlyCollection<string> parts, Func<string, string> nameOf)
    {
        var own = Own.Where(o => o.Parts.Any(parts.Contains)).ToList();
        return own.Count == 0 ? this : this with { Title = OneFact.TitleOf(own), Why = OneFact.WhyOf(own, nameOf) };
    }

    /// <summary>The dynamic level that it proposes, or null.</summary>
    public string? Level { get; init; }

    /// <summary>What is said of it beside another of the same cause, e.g. the place alone; empty where its measure is enough.</summary>
    public string Brief { get; init; } = "";

    /// <summary>The marks that write it in where it names them itself; empty where its rule says what is written.</summary>
    public IReadOnlyList<MarkChange> Writes { get; init; } = [];

    /// <summary>A finding that speaks of notes; its measures are theirs.</summary>
    /// <param name="rule">The rule's name.</param>
    /// <param name="part">The part.</param>
    /// <param name="notes">The notes, at least one.</param>
    /// <param name="severity">How much it matters.</param>
    /// <param name="title">A few words.</param>
    /// <param name="why">One sentence.</param>
    public static Finding At(string rule, Part part, IReadOnlyCollection<Note> notes, Severity severity, string title, string why) =>
        new(
            rule,
            [part.Id],
            notes.Min(n => n.MeasureIndex),
            notes.Max(n => n.MeasureIndex),
            [.. notes.Select(n => n.Id).Distinct()],
            severity,
            title,
            why
        );

    /// <summary>Place among the findings of the same rule about the very same notes, from 0; hardly ever another.</summary>
    public int Turn { get; init; }

    /// <summary>What it is about: its identity, whatever words tell it.</summary>
    public FindingKey Key => new(Rule, Parts, From, To, Notes, Turn);

    /// <summary>The same for the same finding in the same score, whatever else is found and however it is said.</summary>
    public string Id => Key.Id;

    /// <summary>The id of editions of this program that made it from the finding's words; kept to find old dismissals again.</summary>
    public string FormerId => Identity.Of($"{Rule}|{From}|{To}|{Title}|{string.Join(',', Parts)}|{string.Join(',', Notes.Take(4))}");
}

/// <summary>How some parts read a finding that they share with others.</summary>
/// <param name="Parts">Ids of the parts.</param>
/// <param name="Title">A few words.</param>
/// <param name="Why">One sentence that a player understands.</param>
public sealed record OwnWords(IReadOnlyList<string> Parts, string Title, string Why);

/// <summary>What a finding is about: rule, parts, measures and notes.</summary>
/// <param name="Rule">The rule's name.</param>
/// <param name="Parts">Ids of the parts.</param>
/// <param name="From">First measure from 0.</param>
/// <param name="To">Last measure from 0.</param>
/// <param name="Notes">Ids of the notes; may be empty.</param>
/// <param name="Turn">Place among findings about the very same, from 0.</param>
public sealed record FindingKey(string Rule, IReadOnlyList<string> Parts, int From, int To, IReadOnlyList<string> Notes, int Turn)
{
    /// <summary>Sixteen hexadecimal digits; the order of parts and notes does not count.</summary>
    public string Id => Identity.Of($"{Rule}|{From}|{To}|{Sorted(Parts)}|{Sorted(Notes)}|{Turn}");

    private static string Sorted(IReadOnlyList<string> ids) =>
        ids.Count < 2 ? string.Concat(ids) : string.Join(',', ids.Order(StringComparer.Ordinal));
}
