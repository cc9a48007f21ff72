using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Breath marks that some parts of a line have and others do not.</summary>
/// <remarks>Wind players of one line breathe together. Common practice, no published source.</remarks>
public sealed class BreathDifferences : NoteMarkDifferences
{
    private static readonly string[] All = ["breath-mark", "caesura"];

    /// <inheritdoc/>
    public override string Kind => "breath";

    /// <inheritdoc/>
    protected override IReadOnlyList<string> Names => All;

    /// <inheritdoc/>
    protected override IReadOnlyList<string> NamesFor(UnifyContext context, Part part) =>
        context.SustainOf(part) == Sustain.Breath ? All : [];
}
