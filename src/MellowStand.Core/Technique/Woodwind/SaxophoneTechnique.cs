using MellowStand.Core.Technique.Charts;

namespace MellowStand.Core.Technique.Woodwind;

/// <summary>Saxophones: bis, side and one-and-one B♭; middle and side C.</summary>
/// <remarks>Bis in flat keys with no B♮ or C next to it, side in chromatic motion, one-and-one in arpeggios with D or F. Side C for quick
/// B–C–B, never for a long note. Low B♭, B, C♯ roll on the left table. Common practice, no published source.</remarks>
public sealed class SaxophoneTechnique(FingeringChart chart, bool highFSharp, bool lowA) : WoodwindTechnique(chart, WoodwindCosts.Rollers)
{
    /// <inheritdoc/>
    protected override Candidate? Judge(Excerpt excerpt, int place, string code) =>
        (excerpt.Steps[place].PitchClass, code) switch
        {
            (10, _) => BFlat(excerpt, place, code),
            (0, "middle" or "side") => C(excerpt, place, code),
            (6, "chromatic") => Way(
                code,
                excerpt.IsNear(place, 1, 5) ? 0.02 : 0.6,
                "chromatic beside F: only the ring finger moves",
                false
            ),
            (6, "key") => Way(code, highFSharp ? 0 : 9, "", highFSharp),
            (6, "front") => Way(code, 0.3, highFSharp ? "" : "there is no high F♯ key", !highFSharp),
            (4, "palm") => Way(code, 0, "", true),
            (4, "front") => Way(code, excerpt.IsNear(place, 1, 9, 11, 0) ? 0.12 : 0.5, "from below the palm keys: front E", false),
            (5, "front") => Way(code, excerpt.IsNear(place, 1, 9, 11, 0) ? 0.15 : 0.5, "from below the palm keys: front F", false),
            _ => null,
        };

    /// <inheritdoc/>
    public override string? Missing(int written) => written == 57 && !lowA ? "needs a low A key" : null;

    private static Candidate? BFlat(Excerpt excerpt, int place, string code)
    {
        var flats = excerpt.IsInFlats(place);
        var blocked = excerpt.IsNear(place, 1, 11, 0);
        var chromatic = excerpt.IsNear(place, 1, 11) || (excerpt.IsNear(place, 1, 9) && !flats);
        var arpeggio =
            !blocked
            && Steps(excerpt, place, -1) is 3 or 4 or 5 or 7 or 8
            && Steps(excerpt, place, 1) is 3 or 4 or 5 or 7 or 8
            && excerpt.IsNear(place, 1, 2, 5);
        return code switch
        {
            "side" => Way(
                code,
                (chromatic, flats) switch
                {
                    (true, _) => 0,
                    (_, true) => 0.35,
                    _ => 0.15,
                },
                chromatic ? "chromatic motion: the side key moves alone" : "",
                !flats || blocked
            ),
            "bis" => Way(
                code,
                (blocked, flats) switch
                {
                    (true, _) => 3,
                    (_, true) => 0,
                    _ => 0.5,
                },
                blocked ? "" : "no B♮ or C next to it: bis stays down",
                flats && !blocked
            ),
            "one-and-two" => Way(
                code,
                excerpt.IsNear(place, 1, 6, 4) && !blocked ? 0.45 : 0.8,
                "beside F♯ or E: the middle finger is down",
                false
            ),
            "one-and-one" => Way(code, arpeggio ? -0.1 : 0.6, arpeggio ? "an arpeggio with D or F" : "", false),
            _ => null,
        };
    }

    private static Candidate C(Excerpt excerpt, int place, string code)
    {
        var between = excerpt.PitchClassAt(place, -1) == 11 && excerpt.PitchClassAt(place, 1) == 11;
        var beside = excerpt.IsNear(place, 1, 11);
        var isLong = excerpt.Beats(place) > 1;
        // From about a fifth of a second a note the middle fingers cross too quickly.
        var quick = Math.Clamp(Haste(excerpt, place) - 1.1, 0, 0.3) / 0.3;
        var crossing = (between, beside) switch
        {
            (true, _) => 1.4,
            (_, true) => 0.4,
            _ => 0,
        };
        return code == "middle"
            ? Way(code, crossing * quick, "", true)
            : Way(code, (between ? 0.3 : 0.7) + (isLong ? 3 : 0), "quick B–C–B: only the side key moves", false);
    }

    private static int Steps(Excerpt excerpt, int place, int offset)
    {
        var at = place + offset;
        return at < 0 || at >= excerpt.Steps.Count ? 0 : Math.Abs(excerpt.Steps[at].Key - excerpt.Steps[place].Key);
    }
}
