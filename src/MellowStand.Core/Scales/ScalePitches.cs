using MellowStand.Core.Notation;

namespace MellowStand.Core.Scales;

/// <summary>The pitches of a scale, up and down again.</summary>
public static class ScalePitches
{
    /// <summary>Every pitch in order: the top once, the tonic last.</summary>
    /// <param name="kind">The kind.</param>
    /// <param name="start">The lowest tonic.</param>
    /// <param name="octaves">Octaves, from 1.</param>
    public static IReadOnlyList<Pitch> Of(ScaleKind kind, Pitch start, int octaves)
    {
        var top = start.Transpose(7 * octaves, 12 * octaves);
        if (kind.IsChromatic)
            return Chromatic(start, top);
        var up = Enumerable.Range(0, octaves).SelectMany(o => kind.Up.Select(d => At(kind, start, d, o)));
        var down = Enumerable.Range(0, octaves).SelectMany(o => (kind.Down ?? kind.Up).Select(d => At(kind, start, d, o))).Reverse();
        return [.. up, top, .. down];
    }

    // A diminished seventh on most roots asks for a double flat, which no school part prints.
    private static Pitch At(ScaleKind kind, Pitch start, Degree degree, int octave)
    {
        var pitch = start.Transpose(degree.Letters + (7 * octave), degree.Semitones + (12 * octave));
        return kind is { IsChord: true, Signature: ScaleSignature.None } && Math.Abs(pitch.Alter) > 1 ? Plain(pitch.Midi, 1) : pitch;
    }

    // Sharps go up, flats come down; the tonic keeps its own spelling.
    private static IReadOnlyList<Pitch> Chromatic(Pitch start, Pitch top)
    {
        var span = top.Midi - start.Midi;
        Pitch Spelled(int over, int sign) => over % 12 == 0 ? start.Transpose(7 * (over / 12), over) : Plain(start.Midi + over, sign);
        return
        [
            .. Enumerable.Range(0, span).Select(i => Spelled(i, 1)),
            top,
            .. Enumerable.Range(1, span).Select(i => Spelled(span - i, -1)),
        ];
    }

    /// <summary>The pitch of a key number, with a sharp where it has a sign.</summary>
    /// <param name="midi">MIDI key number.</param>
    public static Pitch Key(int midi) => Plain(midi, 1);

    /// <summary>The pitch of a key number in a chromatic run: sharps go up, flats come down.</summary>
    /// <param name="midi">MIDI key number.</param>
    /// <param name="goesUp">The direction of the run.</param>
    public static Pitch Passing(int midi, bool goesUp) => Plain(midi, goesUp ? 1 : -1);

    // A key number with one sign at most, sharp (1) or flat (-1).
    private static Pitch Plain(int midi, int sign)
    {
        var octave = (midi / 12) - 1;
        foreach (var alter in new[] { 0, sign })
            foreach (var step in Enum.GetValues<Step>())
                if (new Pitch(step, alter, octave) is var pitch && pitch.Midi == midi)
                    return pitch;
        throw new InvalidOperationException("Every key has a name with one sign.");
    }
}
