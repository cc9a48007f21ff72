using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Caesuras that some parts of a line have and others do not.</summary>
/// <remarks>A caesura stops everybody. Common practice, no published source.</remarks>
public sealed class CaesuraDifferences : NoteMarkDifferences
{
    private static readonly string[] All = ["caesura"];

    /// <inheritdoc/>
    public override string Kind => "breath";

    /// <inheritdoc/>
    public override string Name => "caesura";

    /// <inheritdoc/>
    protected override IReadOnlyList<string> Names => All;

    /// <inheritdoc/>
    protected override Note Carrier(Note struck) => LastTied(struck);
}
