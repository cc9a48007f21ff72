using MellowStand.Core.Notation;

namespace MellowStand.Core.Technique.Woodwind;

/// <summary>Saxophones: bis, side and one-and-one B♭; middle and side C.</summary>
/// <remarks>Bis in flat keys with no B♮ or C next to it, side in chromatic motion, one-and-one in arpeggios with D or F. Side C for quick B–C–B, never for a long note. Common practice, no published
/// source.</remarks>
public sealed class SaxophoneTechnique : WoodwindTechnique
{
    /// <inheritdoc/>
    public override IReadOnlyList<Candidate> Ways(Passage passage, int place) => passage.Steps[place].Written.PitchClass switch
    {
        10 when passage.Steps[place].Written.Midi is 70 or 82 => BFlat(passage, place),
        0 when passage.Steps[place].Written.Midi is 72 or 84 => C(passage, place),
        _ => Only,
    };

    private static IReadOnlyList<Candidate> BFlat(Passage passage, int place)
    {
        var flats = passage.IsInFlats(place);
        var blocked = passage.IsNear(place, 1, 11, 0);
        var chromatic = passage.IsNear(place, 1, 11) || (passage.IsNear(place, 1, 9) && !flats);
        var arpeggio = !blocked && Steps(passage, place, -1) is 3 or 4 or 5 or 7 or 8 && Steps(passage, place, 1) is 3 or 4 or 5 or 7 or 8 && passage.IsNear(place, 1, 2, 5);
        return
        [
            Way("side", chromatic ? 0 : flats ? 0.35 : 0.15, chromatic ? "chromatic motion: the side key moves alone" : "", !flats || blocked),
            Way("bis", blocked ? 3 : flats ? 0 : 0.5, blocked ? "" : "no B♮ or C next to it: bis stays down", flats && !blocked),
            Way("one-and-one", arpeggio ? -0.1 : 0.6, arpeggio ? "an arpeggio with D or F" : "", false),
        ];
    }

    private static IReadOnlyList<Candidate> C(Passage passage, int place)
    {
        var between = passage.PitchClassAt(place, -1) == 11 && passage.PitchClassAt(place, 1) == 11;
        var beside = passage.IsNear(place, 1, 11);
        var quick = (passage.Steps[place].Before ?? 1) < 0.22;
        var isLong = passage.Beats(place) > 1;
        return
        [
            Way("middle", between && quick ? 1.4 : beside && quick ? 0.4 : 0, "", true),
            Way("side", (between && quick ? 0.1 : 0.7) + (isLong ? 3 : 0), "quick B–C–B: only the side key moves", false),
        ];
    }

    private static int Steps(Passage passage, int place, int offset)
    {
        var at = place + offset;
        return at < 0 || at >= passage.Steps.Count ? 0 : Math.Abs(passage.Steps[at].Written.Midi - passage.Steps[place].Written.Midi);
    }
}
