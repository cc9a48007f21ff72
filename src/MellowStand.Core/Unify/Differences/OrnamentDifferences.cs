using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Notes of a line with a trill, turn or mordent in some parts only.</summary>
/// <remarks>A roll on a struck instrument is no ornament. Common practice, no published source.</remarks>
public sealed class OrnamentDifferences : NoteMarkDifferences
{
    private static readonly string[] All =
    [
        "trill-mark",
        "turn",
        "delayed-turn",
        "inverted-turn",
        "shake",
        "mordent",
        "inverted-mordent",
        "schleifer",
    ];

    /// <inheritdoc/>
    public override string Kind => "ornament";

    /// <inheritdoc/>
    protected override IReadOnlyList<string> Names => All;

    /// <inheritdoc/>
    protected override IReadOnlyList<string> NamesFor(UnifyContext context, Part part) => context.IsStruck(part) ? [] : All;
}
