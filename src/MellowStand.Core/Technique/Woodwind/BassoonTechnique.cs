using MellowStand.Core.Technique.Charts;

namespace MellowStand.Core.Technique.Woodwind;

/// <summary>Bassoon: flicks, and thumb or little finger.</summary>
/// <remarks>B♭, F♯, A♭: thumb or little finger by neighbour; flick A to D. The right thumb must not slide between E, F♯, A♭ and B♭, nor the
/// little finger between F, F♯ and A♭. Common practice, no published source; the ring finger's B♭ is from memory.</remarks>
public sealed class BassoonTechnique(FingeringChart chart) : WoodwindTechnique(chart, WoodwindCosts.Thumbs)
{
    private const double OtherFinger = 0.08;
    private const double Busy = 1.2;
    private const double Comfortable = 0.35;
    private const int BFlat = 10;
    private const int LowD = 38;
    private const int LowE = 40;
    private const double ThumbToThumb = 1.2;

    /// <inheritdoc/>
    protected override Candidate? Judge(Excerpt excerpt, int place, string code) =>
        (excerpt.Steps[place].PitchClass, code) switch
        {
            (6, "thumb") => OnThumb(excerpt, place, code, 0, true),
            (6, "little") => OnLittle(excerpt, place, code, OtherFinger, false),
            (8, "little") => OnLittle(excerpt, place, code, 0, true),
            (8, "thumb") => OnThumb(excerpt, place, code, OtherFinger, false),
            (BFlat, "ring") => Way(code, OtherFinger + 0.3, From(excerpt, place, OfThumb, "right thumb"), false),
            (BFlat, "thumb") => Way(code, BusyBy(excerpt, place, OfThumb), "", true),
            (8, "whisper") => Way(code, 0.6, "the whisper key makes it darker", false),
            (3, "forked") => Way(code, 0, "", true),
            (3, "plain-fork") => Way(
                code,
                Haste(excerpt, place) > WoodwindCosts.Quick ? 0.2 : 0.5,
                "quick: the right hand stays up",
                false
            ),
            (_, "flick") => OfTheMoment(
                Way(code, IsSlurredUp(excerpt, place) ? 0 : 0.5, "slurred up into it: flick, or it breaks", false)
            ),
            (_, "plain") => OfTheMoment(Way(code, IsSlurredUp(excerpt, place) ? 0.8 : 0, "", true)),
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

    // One finger is chosen because the other one comes from a neighbour, or goes to it.
    private Candidate OnThumb(Excerpt excerpt, int place, string code, double cost, bool usual) =>
        Way(code, cost + BusyBy(excerpt, place, OfThumb), From(excerpt, place, OfLittle, "right little finger"), usual);

    private Candidate OnLittle(Excerpt excerpt, int place, string code, double cost, bool usual) =>
        Way(code, cost + BusyBy(excerpt, place, OfLittle), From(excerpt, place, OfThumb, "right thumb"), usual);

    private static string From(Excerpt excerpt, int place, Func<Excerpt, int, int, bool> has, string finger) =>
        Neighbour(excerpt, place, p => has(excerpt, place, p)) is { } beside ? $"beside {beside}, which has the {finger}" : "";

    // In slow notes a finger has the time to go.
    private static double BusyBy(Excerpt excerpt, int place, Func<Excerpt, int, int, bool> has) =>
        Neighbours(excerpt, place, p => has(excerpt, place, p))
            .Select(p => Busy * Math.Clamp(Comfortable / (excerpt.Steps[Math.Max(place, p)].Before ?? 1), 0.3, 1))
            .DefaultIfEmpty(0)
            .Max();

    // Low E and below hold the right thumb on the E key; the thumb's other notes are F♯, A♭ and B♭.
    private static bool OfThumb(Excerpt excerpt, int place, int neighbour) =>
        excerpt.Steps[neighbour].Key <= LowE
        || (excerpt.Steps[neighbour].PitchClass == BFlat && excerpt.Steps[place].PitchClass != BFlat);

    private bool OfLittle(Excerpt excerpt, int place, int neighbour) =>
        excerpt.Steps[neighbour] is { PitchClass: 5 or 8 } step && step.Key != excerpt.Steps[place].Key && HasDown(step.Key, "R4");

    /// <inheritdoc/>
    /// <remarks>From low D down every note is another stretch of the left thumb.</remarks>
    protected override bool IsBound(int from, int to, string finger) =>
        finger == "LT" ? from <= LowD && to <= LowD : base.IsBound(from, to, finger);

    private static bool IsSlurredUp(Excerpt excerpt, int place) =>
        place > 0 && excerpt.Steps[place].SlurredFrom && excerpt.Steps[place - 1].Key < excerpt.Steps[place].Key - 2;
}
