using MellowStand.Core.Technique.Charts;

namespace MellowStand.Core.Technique.Woodwind;

/// <summary>Bassoon: flicks, and thumb or little finger.</summary>
/// <remarks>B♭, F♯, A♭: thumb or little finger by neighbour; flick A to D. The right thumb must not slide between E, F♯, A♭ and B♭, nor the
/// little finger between F, F♯ and A♭. Common practice, no published source; the ring finger's B♭ is from memory.</remarks>
public sealed class BassoonTechnique(FingeringChart chart) : WoodwindTechnique(chart, WoodwindCosts.Thumbs)
{
    private const double OnThumb = 0.08;
    private const double ThumbToThumb = 1.2;

    /// <inheritdoc/>
    protected override Candidate? Judge(Excerpt excerpt, int place, string code) =>
        (excerpt.Steps[place].PitchClass, code) switch
        {
            (6, "thumb") => Way(
                code,
                ThumbIsBusy(excerpt, place, 6) ? 1.2 : 0,
                "the right little finger comes from or goes to another key",
                true
            ),
            (6, "little") => Way(
                code,
                (LittleIsBusy(excerpt, place, 6) ? 1.2 : 0) + OnThumb,
                "the right thumb comes from or goes to another key",
                false
            ),
            (8, "little") => Way(code, LittleIsBusy(excerpt, place, 8) ? 1.2 : 0, "", true),
            (8, "thumb") => Way(
                code,
                (ThumbIsBusy(excerpt, place, 8) ? 1.2 : 0) + OnThumb,
                "the right little finger comes from or goes to F or F♯",
                false
            ),
            (10, "ring") => Way(code, OnThumb + 0.3, "the right thumb comes from or goes to another key", false),
            (10, "thumb") => Way(code, ThumbIsBusy(excerpt, place, 10) ? 1.2 : 0, "", true),
            (8, "whisper") => Way(code, 0.6, "soft: the whisper key makes it darker", false),
            (3, "forked") => Way(code, 0, "", true),
            (3, "plain-fork") => Way(
                code,
                Haste(excerpt, place) > WoodwindCosts.Quick ? 0.2 : 0.5,
                "quick: the right hand stays up",
                false
            ),
            (_, "flick") => Way(code, IsSlurredUp(excerpt, place) ? 0 : 0.5, "slurred up into it: flick, or it breaks", false),
            (_, "plain") => Way(code, IsSlurredUp(excerpt, place) ? 0.8 : 0, "", true),
            _ => null,
        };

    /// <inheritdoc/>
    /// <remarks>F♯ and A♭ lie side by side under the thumb: it must not go from one to the other.</remarks>
    public override double Change(Excerpt excerpt, int place, Candidate from, Candidate to)
    {
        var thumbs = from.Code == "thumb" && to.Code == "thumb" && AreFSharpAndAFlat(excerpt, place);
        return base.Change(excerpt, place, from, to) + (thumbs ? ThumbToThumb : 0);
    }

    private static bool AreFSharpAndAFlat(Excerpt excerpt, int place) =>
        (excerpt.Steps[place - 1].PitchClass, excerpt.Steps[place].PitchClass) is (6, 8) or (8, 6);

    // Low E and below hold the right thumb on the E key; the thumb's other notes are F♯, A♭ and B♭.
    private static bool ThumbIsBusy(Excerpt excerpt, int place, int own) =>
        new[] { -1, 1 }.Any(o =>
            excerpt.PitchClassAt(place, o) is { } pc && (excerpt.Steps[place + o].Key <= 40 || (pc == 10 && own != 10))
        );

    private static bool LittleIsBusy(Excerpt excerpt, int place, int own) =>
        new[] { -1, 1 }.Any(o =>
            excerpt.PitchClassAt(place, o) is { } pc && pc != own && pc is 5 or 8 && excerpt.Steps[place + o].Key <= 56
        );

    private static bool IsSlurredUp(Excerpt excerpt, int place) =>
        place > 0 && excerpt.Steps[place].SlurredFrom && excerpt.Steps[place - 1].Key < excerpt.Steps[place].Key - 2;
}
