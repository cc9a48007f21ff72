using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Up-bows and down-bows that differ between sections with the same line.</summary>
/// <remarks>Sections with the same line bow the same way. Common practice, no published source.</remarks>
public sealed class BowingDifferences : NoteMarkDifferences
{
    private static readonly string[] All = ["down-bow", "up-bow"];

    /// <inheritdoc/>
    public override string Kind => "bowing";

    /// <inheritdoc/>
    protected override IReadOnlyList<string> Names => All;

    /// <inheritdoc/>
    protected override IReadOnlyList<string> NamesFor(UnifyContext context, Part part) => context.SustainOf(part) == Sustain.Bow ? All : [];
}
