namespace MellowStand.Core.Notation;

/// <summary>A measure of an edition.</summary>
/// <param name="Index">Its place from 0.</param>
/// <param name="Label">Its printed label, so that it can be told without the score.</param>
public readonly record struct MeasurePlace(int Index, string Label);

/// <summary>Parts × measures of one edition: where everything lives.</summary>
/// <param name="Edition">Id of the edition; in another edition the same places may hold other music.</param>
/// <param name="Parts">Ids of the parts, each once, at least one.</param>
/// <param name="From">First measure.</param>
/// <param name="To">Last measure, not before the first.</param>
public sealed record Address(string Edition, IReadOnlyList<string> Parts, MeasurePlace From, MeasurePlace To)
{
    /// <summary>How many measures it holds.</summary>
    public int Measures => To.Index - From.Index + 1;

    /// <summary>Its measures in words: <c>measure 5</c>, <c>measures 5–8</c>.</summary>
    public string Words => From.Index == To.Index ? $"measure {From.Label}" : $"measures {From.Label}–{To.Label}";

    /// <summary>True when a range of measures meets it.</summary>
    /// <param name="from">First measure from 0.</param>
    /// <param name="to">Last measure from 0.</param>
    public bool Meets(int from, int to) => to >= From.Index && from <= To.Index;

    /// <summary>True when one of the parts is its own.</summary>
    public bool HasAny(IEnumerable<string> parts) => parts.Any(Parts.Contains);

    /// <summary>Equal when edition, parts in order and measures are equal.</summary>
    public bool Equals(Address? other) =>
        other is not null && Edition == other.Edition && From == other.From && To == other.To && Parts.SequenceEqual(other.Parts);

    /// <inheritdoc/>
    public override int GetHashCode() => HashCode.Combine(Edition, From, To, Parts.Count, Parts.Count == 0 ? "" : Parts[0]);

    /// <summary>Parts and labels, e.g. <c>P1,P3 17–24</c>.</summary>
    public override string ToString() => $"{string.Join(',', Parts)} {From.Label}–{To.Label}";
}
