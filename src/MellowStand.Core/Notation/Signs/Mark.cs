namespace MellowStand.Core.Notation;

/// <summary>A mark at a note: an articulation, ornament, technical sign, fermata, slur end, dynamic or words.</summary>
/// <param name="Name">The field's standard name, as MusicXML spells it (<c>staccato</c>, <c>up-bow</c>, <c>dynamics</c>).</param>
/// <param name="Value">What the mark carries (a finger, a level, words), or null.</param>
public readonly record struct Mark(string Name, string? Value = null)
{
    /// <summary>The form of the HTTP interface: <c>staccato</c>, <c>fingering:2</c>, <c>dynamics:mf</c>.</summary>
    public override string ToString() => Value is null ? Name : $"{Name}:{Value}";

    /// <summary>Reads what <see cref="ToString"/> wrote; a bare level such as <c>mf</c> is taken as a dynamic.</summary>
    public static Mark Parse(string text)
    {
        var colon = text.IndexOf(':', StringComparison.Ordinal);
        var name = colon < 0 ? text.Trim() : text[..colon].Trim();
        var value = colon < 0 ? null : text[(colon + 1)..].Trim();
        if (value is null && DynamicLevels.IsLevel(name))
            return new Mark("dynamics", name);
        return name is "dynamic" ? new Mark("dynamics", value) : new Mark(name, value);
    }
}
