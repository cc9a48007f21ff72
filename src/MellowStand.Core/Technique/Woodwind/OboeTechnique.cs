using MellowStand.Core.Technique.Charts;

namespace MellowStand.Core.Technique.Woodwind;

/// <summary>Oboe and English horn: three F's, two E♭'s, two A♭'s.</summary>
/// <remarks>Regular F when no neighbour needs the right ring finger; left F beside D, E♭, C♯, C, B, B♭ if the instrument has it; else
/// forked. Left or right E♭, so that the right little finger does not slide between C, C♯ and E♭; low B and B♭ are left little finger.
/// Common practice, no published source.</remarks>
public sealed class OboeTechnique(FingeringChart chart, bool leftF)
    : WoodwindTechnique(chart, new Dictionary<string, double> { ["L4"] = WoodwindCosts.Roll, ["R4"] = WoodwindCosts.Roll })
{
    private const string Left = "left";
    private const double LeftSlides = 0.9;
    private const int FNatural = 5;

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
        var beside = NeighbourWith(excerpt, place, "R3");
        var why = beside is null ? "" : $"beside {beside}, which needs the right ring finger";
        return code switch
        {
            "regular" => Way(code, beside is null ? 0 : 2.2, beside is null ? "no neighbour needs the right ring finger" : "", true),
            "left" => Way(code, leftF ? 0.3 : 9, why, false),
            "forked" => Way(code, 0.7, why.Length > 0 && !leftF ? $"{why}, and there is no left F" : why, false),
            _ => null,
        };
    }

    private Candidate EFlat(Excerpt excerpt, int place, string code)
    {
        var beside = NeighbourWith(excerpt, place, "R4", p => excerpt.Steps[p].PitchClass is 0 or 1);
        return code == "right"
            ? Way(code, beside is null ? 0 : 1.8, "", true)
            : Way(
                code,
                0.4 + (LowNeighbour(excerpt, place) is null ? 0 : 2.5),
                beside is null ? "" : $"beside {beside}, which has the right little finger",
                false
            );
    }

    private Candidate AFlat(Excerpt excerpt, int place, string code)
    {
        if (code == "left")
            return Way(code, LowNeighbour(excerpt, place) is null ? 0 : 2, "", true);
        var taken = LowNeighbour(excerpt, place) ?? Neighbour(excerpt, place, p => WantsLeftF(excerpt, p));
        return Way(code, 0.5, taken is null ? "" : $"beside {taken}, which has the left little finger", false);
    }

    private bool WantsLeftF(Excerpt excerpt, int place) =>
        leftF && excerpt.Steps[place].PitchClass == FNatural && NeighbourUses(excerpt, place, "R3");

    // Low B and B♭ are on the left little finger.
    private static string? LowNeighbour(Excerpt excerpt, int place) => Neighbour(excerpt, place, p => excerpt.Steps[p].Key is 58 or 59);

    /// <inheritdoc/>
    /// <remarks>Left F, left E♭ and left A♭ are one finger: from one to the other it slides.</remarks>
    public override double Change(Excerpt excerpt, int place, Candidate from, Candidate to) =>
        base.Change(excerpt, place, from, to)
        + (from.Code == Left && to.Code == Left && excerpt.Steps[place - 1].PitchClass != excerpt.Steps[place].PitchClass ? LeftSlides : 0);
}
