using MellowStand.Core.Technique.Charts;

namespace MellowStand.Core.Technique.Woodwind;

/// <summary>Oboe and English horn: three F's, two E♭'s, two A♭'s.</summary>
/// <remarks>Regular F when no neighbour needs the right ring finger; left F beside D, E♭, C♯, C, B, B♭ if the instrument has it; else
/// forked. Left or right E♭, so that the right little finger does not slide between C, C♯ and E♭; low B and B♭ are left little finger.
/// Common practice, no published source.</remarks>
public sealed class OboeTechnique(FingeringChart chart, bool leftF)
    : WoodwindTechnique(chart, new Dictionary<string, double> { ["L4"] = WoodwindCosts.Roll, ["R4"] = WoodwindCosts.Roll })
{
    /// <inheritdoc/>
    protected override Candidate? Judge(Excerpt excerpt, int place, string code) =>
        excerpt.Steps[place].PitchClass switch
        {
            5 => F(excerpt, place, code),
            3 when code is "left" or "right" => EFlat(excerpt, place, code),
            8 when code is "left" or "right" => AFlat(excerpt, place, code),
            _ => null,
        };

    private Candidate? F(Excerpt excerpt, int place, string code)
    {
        // C, B and B♭ of the middle register leave the right hand free: what counts is the fingering, not the letter.
        var beside = NeighbourUses(excerpt, place, "R3");
        return code switch
        {
            "regular" => Way(code, beside ? 2.2 : 0, beside ? "" : "no neighbour needs the right ring finger", true),
            "left" => Way(code, leftF ? 0.3 : 9, "a neighbour needs the right ring finger", false),
            "forked" => Way(code, 0.7, "a neighbour needs the right ring finger, and there is no left F", false),
            _ => null,
        };
    }

    private Candidate EFlat(Excerpt excerpt, int place, string code)
    {
        var slides = excerpt.IsNear(place, 1, 0, 1) && NeighbourUses(excerpt, place, "R4");
        return code == "right"
            ? Way(code, slides ? 1.8 : 0, "", true)
            : Way(code, 0.4 + (LeftIsBusy(excerpt, place) ? 2.5 : 0), "the right little finger comes from or goes to C or C♯", false);
    }

    private static Candidate AFlat(Excerpt excerpt, int place, string code) =>
        code == "left"
            ? Way(code, LeftIsBusy(excerpt, place) ? 2 : 0, "", true)
            : Way(code, 0.5, "the left little finger has the low B or B♭", false);

    // Low B and B♭ are on the left little finger.
    private static bool LeftIsBusy(Excerpt excerpt, int place) =>
        new[] { place - 1, place + 1 }.Any(p => p >= 0 && p < excerpt.Steps.Count && excerpt.Steps[p].Key is 58 or 59);
}
