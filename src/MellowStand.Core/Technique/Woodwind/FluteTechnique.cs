using MellowStand.Core.Technique.Charts;

namespace MellowStand.Core.Technique.Woodwind;

/// <summary>Flute and piccolo: thumb, one-and-one and lever B♭.</summary>
/// <remarks>Thumb B♭ in flat keys, set early, not next to B♮; one-and-one where a B♮ is near; the lever in chromatic motion A–B♭–B♮.
/// Common practice, no published source.</remarks>
public sealed class FluteTechnique(FingeringChart chart, bool thumb, bool lowB) : WoodwindTechnique(chart, WoodwindCosts.Rollers)
{
    private const int BNatural = 11;
    private const int FSharp = 6;
    private const double Held = 0.5;
    private const int LowB = 59;
    private const int LowEFlat = 63;

    /// <inheritdoc/>
    protected override Candidate? Judge(Excerpt excerpt, int place, string code) =>
        excerpt.Steps[place].PitchClass switch
        {
            10 => BFlat(excerpt, place, code),
            FSharp when code == "middle" => Way(
                code,
                excerpt.IsNear(place, 1, 4) && excerpt.SecondsOf(place) < Held ? 0.2 : 0.6,
                "quick beside E: only the middle finger moves",
                false
            ),
            _ => null,
        };

    /// <inheritdoc/>
    /// <remarks>The right little finger rolls between the keys of the foot; from them to the E♭ key of other notes it only comes
    /// back.</remarks>
    protected override bool IsBound(int from, int to, string finger) =>
        base.IsBound(from, to, finger) && from is >= LowB and <= LowEFlat && to is >= LowB and <= LowEFlat;

    /// <inheritdoc/>
    public override string? Missing(int written) => written == LowB && !lowB ? "needs a low B foot" : null;

    private Candidate? BFlat(Excerpt excerpt, int place, string code)
    {
        var flats = excerpt.IsInFlats(place) && thumb;
        var natural = excerpt.IsNear(place, 3, BNatural);
        var beside = excerpt.IsNear(place, 1, BNatural);
        var chromatic = beside && excerpt.IsNear(place, 1, 9);
        return code switch
        {
            "thumb" => Way(
                code,
                (flats ? 0 : 0.6) + (natural ? 1.5 : 0) + (beside ? 2 : 0) + (thumb ? 0 : 4),
                natural ? "" : "no B♮ near: the thumb stays on the B♭ key",
                flats && !natural
            ),
            // Two fingers for each B♭: dear only where it is quick and chromatic, and then the lever serves.
            "one-and-one" => Way(
                code,
                OneAndOne(excerpt, place, chromatic, flats && !natural),
                natural ? "a B♮ is near: the thumb must stay on its own key" : "",
                !flats || natural
            ),
            "lever" => Way(code, chromatic ? 0.35 : 0.7, chromatic ? "chromatic between A and B♮: the lever moves alone" : "", false),
            _ => null,
        };
    }

    private static double OneAndOne(Excerpt excerpt, int place, bool chromatic, bool thumbServes)
    {
        if (chromatic)
            return 0.2 + (0.35 * Math.Max(0, Haste(excerpt, place) - 1));
        return thumbServes ? 0.5 : 0.2;
    }
}
