using MellowStand.Core.Decisions;
using MellowStand.Core.Layers;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Auditions;

/// <summary>A place where a matter comes up.</summary>
/// <param name="Part">Id of the part.</param>
/// <param name="Measure">Measure from 0.</param>
/// <param name="Notes">Ids of the notes it speaks of, at least one.</param>
/// <param name="What">What stands there, in a few words.</param>
public sealed record MatterPlace(string Part, int Measure, IReadOnlyList<string> Notes, string What)
{
    /// <summary>A mark that the music itself proposes for the place, or null.</summary>
    public Mark? Proposed { get; init; }

    /// <summary>Notes of another mark that stands over the same notes, e.g. the shorter of two slurs; empty without one.</summary>
    public IReadOnlyList<string> Inner { get; init; } = [];
}

/// <summary>An answer to a matter.</summary>
/// <param name="Name">A stable key.</param>
/// <param name="Words">What it means, in words.</param>
/// <param name="Told">What players read on the style sheet and at the place.</param>
/// <param name="Change">What it writes at a place, or null where nothing is to be written there.</param>
public sealed record MatterAnswer(string Name, string Words, string Told, Func<MatterPlace, MarkChange?> Change);

/// <summary>A matter that comes up in many etudes and is decided once.</summary>
/// <param name="Name">A stable key.</param>
/// <param name="Question">The question.</param>
/// <param name="Answers">Its answers, the usual one first.</param>
/// <param name="Places">Where it comes up in the parts of an etude, in order.</param>
public sealed record Matter(
    string Name,
    string Question,
    IReadOnlyList<MatterAnswer> Answers,
    Func<Layer, Part, IEnumerable<MatterPlace>> Places
)
{
    /// <summary>The answer with the name, or null.</summary>
    public MatterAnswer? Find(string? name) => Answers.FirstOrDefault(a => a.Name == name);

    /// <summary>What an answer writes into a part, each change once: one slur may hold two others.</summary>
    public IReadOnlyList<MarkChange> Changes(Layer layer, Part part, MatterAnswer answer) =>
        [
            .. Places(layer, part)
                .Select(answer.Change)
                .OfType<MarkChange>()
                .DistinctBy(c => string.Join('|', string.Join(' ', c.Notes), string.Join(' ', c.Added), string.Join(' ', c.Removed))),
        ];
}
