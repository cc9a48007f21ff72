using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Breath marks that some parts of a line have and others do not.</summary>
/// <remarks>Wind players of one family and line breathe together; a larger instrument takes more breaths. Common practice, no published
/// source.</remarks>
public sealed class BreathDifferences : NoteMarkDifferences
{
    private static readonly string[] All = ["breath-mark"];

    /// <inheritdoc/>
    public override string Kind => "breath";

    /// <inheritdoc/>
    protected override IReadOnlyList<string> Names => All;

    /// <inheritdoc/>
    protected override IReadOnlyList<string> NamesFor(UnifyContext context, Part part) =>
        context.SustainOf(part) == Sustain.Breath ? All : [];

    /// <inheritdoc/>
    protected override string AskedBy(UnifyContext context, VoiceLine voice) => context.FamilyOf(voice.Part).ToString();

    /// <inheritdoc/>
    protected override Note Carrier(Note struck) => LastTied(struck);
}
