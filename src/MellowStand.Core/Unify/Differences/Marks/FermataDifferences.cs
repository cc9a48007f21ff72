using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Fermatas that some parts of a line have and others do not.</summary>
/// <remarks>A fermata stops everybody; on a tied note it stands at the last of the tied notes. Told as articulation: it is a matter of
/// length. Common practice, no published source.</remarks>
public sealed class FermataDifferences : NoteMarkDifferences
{
    private static readonly string[] All = ["fermata"];

    /// <inheritdoc/>
    public override string Kind => "articulation";

    /// <inheritdoc/>
    public override string Name => "fermata";

    /// <inheritdoc/>
    protected override IReadOnlyList<string> Names => All;

    /// <inheritdoc/>
    protected override Note Carrier(Note struck) => LastTied(struck);
}
