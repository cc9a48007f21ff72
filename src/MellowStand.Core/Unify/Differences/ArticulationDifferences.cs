using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Notes of a line that carry other articulations in some parts than in others.</summary>
/// <remarks>Parts that play the same line must agree on separation, accents and length. Struck instruments have accents but no separation
/// of their own. Common practice, no published source.</remarks>
public sealed class ArticulationDifferences : NoteMarkDifferences
{
    private static readonly string[] Accents = ["accent", "strong-accent", "stress", "soft-accent"];

    private static readonly string[] All =
    [
        "accent",
        "strong-accent",
        "staccato",
        "tenuto",
        "detached-legato",
        "staccatissimo",
        "spiccato",
        "stress",
        "unstress",
        "soft-accent",
    ];

    private static readonly string[] Separations = ["staccato", "tenuto", "detached-legato", "staccatissimo", "spiccato"];

    /// <summary>True when a note carries a mark that this rule compares.</summary>
    internal static bool IsArticulated(Note note) => note.Marks.Any(m => All.Contains(m.Name));

    /// <inheritdoc/>
    public override string Kind => "articulation";

    /// <inheritdoc/>
    protected override IReadOnlyList<string> Names => All;

    /// <inheritdoc/>
    protected override IReadOnlyList<string> NamesFor(UnifyContext context, Part part) => context.IsStruck(part) ? Accents : All;

    /// <inheritdoc/>
    protected override bool GoesOn(string reading) => reading.Split('+').Any(Separations.Contains);
}
