using MellowStand.Core.Technique.Charts;

namespace MellowStand.Core.Technique.Woodwind;

/// <summary>Saxophones: bis, side and one-and-one B♭; middle and side C.</summary>
/// <remarks>Bis in flat keys with no B♮ or C next to it, side in chromatic motion, one-and-one in arpeggios with D or F. Side C for quick
/// B–C–B, never for a long note. Low B♭, B, C♯ roll on the left table. Common practice, no published source.</remarks>
public sealed class SaxophoneTechnique(FingeringChart chart, bool highFSharp, bool lowA) : WoodwindTechnique(chart, WoodwindCosts.Rollers)
{
    /// <inheritdoc/>
    protected override Candidate? Judge(Passage passage, int place, string code) =>
        (passage.Steps[place].PitchClass, code) switch
        {
            (10, _) => BFlat(passage, place, code),
            (0, "middle" or "side") => C(passage, place, code),
            (6, "chromatic") => Way(
                code,
                passage.IsNear(place, 1, 5) ? 0.02 : 0.6,
                "chromatic beside F: only the ring finger moves",
                false
            ),
            (6, "key") => Way(code, highFSharp ? 0 : 9, "", highFSharp),
            (6, "front") => Way(code, 0.3, highFSharp ? "" : "there is no high F♯ key", !highFSharp),
            (5, "front") => Way(code, passage.IsNear(place, 1, 9, 11, 0) ? 0.15 : 0.5, "from below the palm keys: front F", false),
            _ => null,
        };

    /// <inheritdoc/>
    public override string? Missing(int written) => written == 57 && !lowA ? "needs a low A key" : null;

    private static Candidate? BFlat(Passage passage, int place, string code)
    {
        var flats = passage.IsInFlats(place);
        var blocked = passage.IsNear(place, 1, 11, 0);
        var chromatic = passage.IsNear(place, 1, 11) || (passage.IsNear(place, 1, 9) && !flats);
        var arpeggio =
            !blocked
            && Steps(passage, place, -1) is 3 or 4 or 5 or 7 or 8
            && Steps(passage, place, 1) is 3 or 4 or 5 or 7 or 8
            && passage.IsNear(place, 1, 2, 5);
        return code switch
        {
            "side" => Way(
                code,
                chromatic ? 0
                    : flats ? 0.35
                    : 0.15,
                chromatic ? "chromatic motion: the side key moves alone" : "",
                !flats || blocked
            ),
            "bis" => Way(
                code,
                blocked ? 3
                    : flats ? 0
                    : 0.5,
                blocked ? "" : "no B♮ or C next to it: bis stays down",
                flats && !blocked
            ),
            "one-and-one" => Way(code, arpeggio ? -0.1 : 0.6, arpeggio ? "an arpeggio with D or F" : "", false),
            _ => null,
        };
    }

    private static Candidate C(Passage passage, int place, string code)
    {
        var between = passage.PitchClassAt(place, -1) == 11 && passage.PitchClassAt(place, 1) == 11;
        var beside = passage.IsNear(place, 1, 11);
        var isLong = passage.Beats(place) > 1;
        // From about a fifth of a second a note the middle fingers cross too quickly.
        var quick = Math.Clamp(Haste(passage, place) - 1.1, 0, 0.3) / 0.3;
        return code == "middle"
            ? Way(
                code,
                (
                    between ? 1.4
                    : beside ? 0.4
                    : 0
                ) * quick,
                "",
                true
            )
            : Way(code, (between ? 0.3 : 0.7) + (isLong ? 3 : 0), "quick B–C–B: only the side key moves", false);
    }

    private static int Steps(Passage passage, int place, int offset)
    {
        var at = place + offset;
        return at < 0 || at >= passage.Steps.Count ? 0 : Math.Abs(passage.Steps[at].Key - passage.Steps[place].Key);
    }
}
