using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Which accidentals must be printed in a measure: what stands earlier in it still holds, at its own octave.</summary>
internal sealed class AccidentalMemory
{
    private readonly Dictionary<(Step, int), decimal> _signs = [];

    /// <summary>A new measure.</summary>
    public void Clear() => _signs.Clear();

    /// <summary>The sign to print at a pitch, or null.</summary>
    public string? For(Pitch pitch, KeySignature key)
    {
        var inForce = _signs.TryGetValue((pitch.Step, pitch.Octave), out var sign) ? sign : key.AlterOf(pitch.Step);
        if (inForce == pitch.Alter)
            return null;
        _signs[(pitch.Step, pitch.Octave)] = pitch.Alter;
        return Neighbours.SignOf(pitch.Alter);
    }

    /// <summary>A note that is tied over prints nothing, and what it carries ends with it.</summary>
    public void Forget(Pitch pitch) => _signs.Remove((pitch.Step, pitch.Octave));
}
