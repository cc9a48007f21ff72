using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Notes of a line with a trill, turn, mordent or tremolo in some parts only.</summary>
/// <remarks>A roll on a struck instrument is no ornament; a tremolo is compared between strings. Common practice, no published
/// source.</remarks>
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

    private static readonly string[] Bowed = [.. All, "tremolo"];

    /// <inheritdoc/>
    public override string Kind => "ornament";

    /// <inheritdoc/>
    protected override IReadOnlyList<string> Names => Bowed;

    /// <inheritdoc/>
    protected override IReadOnlyList<string> NamesFor(UnifyContext context, Part part) =>
        context.SustainOf(part) switch
        {
            Sustain.Stroke => [],
            Sustain.Bow => Bowed,
            _ => All,
        };
}
