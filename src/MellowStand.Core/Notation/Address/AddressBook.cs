namespace MellowStand.Core.Notation;

/// <summary>Something asked for is not in the edition, or makes no sense; the sentence tells what and how to mend it.</summary>
#pragma warning disable CA1032 // Always with a sentence, and with what kind of fault it is.
public sealed class AddressException(string sentence, bool isUnknown) : Exception(sentence)
#pragma warning restore CA1032
{
    /// <summary>True when a part or measure is not there; false when what was asked makes no sense.</summary>
    public bool IsUnknown => isUnknown;
}

/// <summary>The addresses of one edition: parsed and printed here and nowhere else.</summary>
/// <param name="edition">Id of the edition.</param>
/// <param name="score">Its score.</param>
public sealed class AddressBook(string edition, Score score)
{
    /// <summary>Reads an address as the interface has it.</summary>
    /// <param name="parts">Ids with commas between them; empty or null for all parts.</param>
    /// <param name="from">Label of the first measure; empty or null for the first of the score.</param>
    /// <param name="to">Label of the last measure; empty or null for the last of the score.</param>
    /// <exception cref="AddressException">A part or label is unknown, or the measures stand in the wrong order.</exception>
    public Address Read(string? parts, string? from, string? to) =>
        OfParts(string.IsNullOrEmpty(parts) ? score.Parts.Select(p => p.Id) : parts.Split(','), from, to);

    /// <summary>Reads an address from its parts.</summary>
    /// <exception cref="AddressException">A part or label is unknown, or the measures stand in the wrong order.</exception>
    public Address OfParts(IEnumerable<string> parts, string? from, string? to)
    {
        var (first, last) = (PlaceOf(from, 0), PlaceOf(to, score.Measures.Count - 1));
        if (first.Index > last.Index)
            throw new AddressException($"Measure {from} comes after measure {to}. Exchange them.", isUnknown: false);
        return new Address(edition, [.. parts.Select(p => Part(p).Id).Distinct()], first, last);
    }

    /// <summary>The address of measures by their places.</summary>
    /// <param name="parts">Ids of the parts.</param>
    /// <param name="from">First measure from 0.</param>
    /// <param name="to">Last measure from 0; one beyond the end is the last.</param>
    public Address At(IReadOnlyList<string> parts, int from, int to) =>
        new(edition, parts, At(from), At(Math.Min(to, score.Measures.Count - 1)));

    /// <summary>A measure by its place.</summary>
    public MeasurePlace At(int measure) => new(measure, score.Measures[measure].Label);

    /// <summary>The part with the id.</summary>
    /// <exception cref="AddressException">There is none.</exception>
    public Part Part(string id) =>
        score.FindPart(id)
        ?? throw new AddressException(
            $"There is no part \"{Short(id)}\" in this piece. Its parts are {string.Join(", ", score.Parts.Select(p => p.Id))}.",
            isUnknown: true
        );

    private MeasurePlace PlaceOf(string? label, int otherwise)
    {
        if (string.IsNullOrEmpty(label))
            return At(otherwise);
        return score.FindMeasure(label) is { } found
            ? At(found)
            : throw new AddressException(
                $"There is no measure \"{Short(label)}\" in this piece. It goes from {At(0).Label} to "
                    + $"{At(score.Measures.Count - 1).Label}.",
                isUnknown: true
            );
    }

    private static string Short(string text) => text.Length <= 64 ? text : text[..64] + "…";
}
