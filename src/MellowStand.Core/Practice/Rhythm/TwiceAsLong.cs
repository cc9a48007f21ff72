using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Practice;

/// <summary>Every note twice as long, the beats as many.</summary>
/// <remarks>Half the tempo without turning the metronome down: the eye sees quarters where it feared eighths. Common practice, no published
/// source.</remarks>
public sealed class TwiceAsLong : IRecipe
{
    private static readonly Fraction Quick = new(1, 4);

    /// <inheritdoc/>
    public string Name => "twice-as-long";

    /// <inheritdoc/>
    public string Title => "Twice as long";

    /// <inheritdoc/>
    public string Why => "The same notes in twice the time: read without hurry, then go back to the printed values.";

    /// <inheritdoc/>
    public Keeps Keeps => Keeps.Pitches;

    /// <inheritdoc/>
    public Suit? Suits(Passage passage)
    {
        if (!passage.Line.Any() || passage.Music.Measures.Any(m => m.Meter.Groups.Any(g => g.BeatType < 2)))
            return null;
        var quick = passage.Line.Count(n => n.Duration <= Quick);
        return quick > 0
            ? new Suit(Math.Min(0.5, 0.25 + (0.01 * quick)), $"{quick} sixteenths or shorter")
            : new Suit(0.15, "slow reading");
    }

    /// <inheritdoc/>
    public IReadOnlyList<PlainPart> Make(Passage passage) =>
        [
            passage.Music with
            {
                Measures =
                [
                    .. passage.Music.Measures.Select(m =>
                        m with
                        {
                            Meter = new Meter([.. m.Meter.Groups.Select(g => new MeterGroup(g.Beats, g.BeatType / 2))]),
                            Voices = [.. m.Voices.Select(v => v with { Notes = [.. v.Notes.Select(Long)] })],
                            Signs = [.. m.Signs.Select(s => s with { Offset = s.Offset * 2 })],
                        }
                    ),
                ],
            },
        ];

    private static PlainNote Long(PlainNote note) =>
        note.IsGrace ? note : note with { Length = note.Length * 2, Value = note.Value is { } v ? LengthSpelling.Doubled(v) : null };
}
