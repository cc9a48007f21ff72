using MellowStand.Core.Technique.Charts;

namespace MellowStand.Core.Technique.Woodwind;

/// <summary>Clarinets: little fingers as a plan over the passage, throat notes by what follows.</summary>
/// <remarks>E/B, F/C and F♯/C♯ exist on both sides, A♭/E♭ on the right only; little fingers alternate, and sliding is the last resort: C
/// before D♯ is left, B before C♯ takes the other side. The right hand stays down on throat notes beside the break, and long throat notes
/// take fingers of both hands. Common practice, no published source.</remarks>
/// <param name="chart">The chart as the school has it.</param>
/// <param name="lowest">Lowest written key of the instrument.</param>
/// <param name="leftGSharp">True when it has a left lever for A♭/E♭.</param>
public sealed class ClarinetTechnique(FingeringChart chart, int lowest, bool leftGSharp)
    : WoodwindTechnique(chart, WoodwindCosts.LittleFingers)
{
    private const int FirstOverTheBreak = 71;
    private const int LastWithRightHand = 78;

    /// <inheritdoc/>
    protected override Candidate? Judge(Excerpt excerpt, int place, string code) =>
        (excerpt.Steps[place].Key, code) switch
        {
            (56 or 75, "left") => Way(code, leftGSharp ? 0.1 : 9, leftGSharp ? "the left lever" : "", false),
            (56 or 75, "only") => Way(code, 0, "on the right only", true),
            // C♯ is seldom taken on the right: B gives way to it.
            (54 or 73, "right") => Way(code, 0.16, Alternate(excerpt, place), false),
            (52 or 71, "right") or (53 or 72, "left") => Way(code, 0.12, Alternate(excerpt, place), false),
            ( >= 67 and <= 70, _) => Throat(excerpt, place, code) is { } throat ? OfTheMoment(throat) : null,
            (66, "first") => Way(code, IsBetween(excerpt, place, 5) ? 0.4 : 0, "", true),
            (66, "thumb") => Way(code, IsBetween(excerpt, place, 5) ? 0.1 : 0.6, "between two F's the thumb stays", false),
            (59 or 78, "chromatic") => Way(
                code,
                Chromatic(excerpt, place),
                "chromatic: one finger moves",
                false
            ),
            (63 or 82, "small") => Way(code, Beside(excerpt, place, 2) ? 0.3 : 0.5, "between fingers of the left hand", false),
            (63 or 82, "one-and-one") => Way(code, Beside(excerpt, place, 10, 5) ? 0.4 : 0.7, "an arpeggio with B♭ or F", false),
            _ => null,
        };

    /// <inheritdoc/>
    public override string? Missing(int written) => written < lowest ? "needs keys that go lower" : null;

    private static string Alternate(Excerpt excerpt, int place) =>
        Neighbour(excerpt, place, p => IsLittle(excerpt.Steps[p].Key) && excerpt.Steps[p].Key != excerpt.Steps[place].Key) is { } beside
            ? $"beside {beside}: the little fingers alternate"
            : "";

    // E, F, F♯ and G♯ of the chalumeau, their twelfths, and C♯ and G♯ above them.
    private static bool IsLittle(int key) => key is >= 52 and <= 54 or 56 or 61 or >= 71 and <= 73 or 75 or 80;

    private static Candidate? Throat(Excerpt excerpt, int place, string code)
    {
        var crosses =
            Crosses(excerpt, place, 1) || (Crosses(excerpt, place, 2) && excerpt.Steps[place + 1].Key is >= 66 and < FirstOverTheBreak);
        var isLong = excerpt.Beats(place) >= 2;
        return code switch
        {
            "right-hand-down" => Way(code, crosses ? 0 : 0.4, crosses ? "the break comes: the right hand is down already" : "", false),
            "resonance" => Way(
                code,
                isLong && !crosses ? 0 : 0.6,
                isLong ? "a long throat note: darker and lower with fingers of both hands" : "",
                false
            ),
            "side" => Way(code, Side(excerpt, place), "a quick turn with A: only the side key moves", false),
            "plain" => Way(code, (crosses ? 0.3 : 0) + (isLong ? 0.3 : 0), "", true),
            _ => null,
        };
    }

    // Beside A only the side key moves: the way for quick notes.
    private static double Side(Excerpt excerpt, int place)
    {
        if (!Beside(excerpt, place, 9))
            return 0.6;
        var next = place + 1 < excerpt.Steps.Count ? Haste(excerpt, place + 1) : 0;
        return Math.Max(Haste(excerpt, place), next) > WoodwindCosts.Quick ? -0.05 : 0.3;
    }

    // Beside B♭ the key above it is the natural one, and keeps its place in the figure.
    private static double Chromatic(Excerpt excerpt, int place)
    {
        if (Beside(excerpt, place, 10))
            return -0.06;
        return excerpt.IsNear(place, 3, 10) || Beside(excerpt, place, 5) ? 0.02 : 0.5;
    }

    private static bool Crosses(Excerpt excerpt, int place, int ahead)
    {
        var at = place + ahead;
        return excerpt.PitchClassAt(place, ahead) is not null && excerpt.Steps[at].Key is >= FirstOverTheBreak and <= LastWithRightHand;
    }

    private static bool IsBetween(Excerpt excerpt, int place, int pitchClass) =>
        (excerpt.PitchClassAt(place, -1) ?? pitchClass) == pitchClass
        && (excerpt.PitchClassAt(place, 1) ?? pitchClass) == pitchClass
        && Beside(excerpt, place, pitchClass);

    private static bool Beside(Excerpt excerpt, int place, params int[] pitchClasses) => excerpt.IsNear(place, 1, pitchClasses);
}
