namespace MellowStand.Core.Technique.Sticks;

/// <summary>Mallets and sticks: right and left.</summary>
/// <remarks>Alternate hands; doubles only where needed; a left-hand start is fine if it makes the rest alternate, unless the house lets the right hand lead. A hand that reaches over the other costs a little.
/// Common practice, no published source; the weights are ours.</remarks>
public sealed class StickTechnique : ITechnique
{
    private const double Double = 0.8;
    private const double Crossed = 0.18;
    private const double LeftStart = 0.3;

    /// <inheritdoc/>
    public IReadOnlyList<Candidate> Ways(Passage passage, int place)
    {
        var starts = passage.Steps[place].Before is null;
        var leads = passage.House["mallets"] == "right-leads";
        return [new Candidate("R", 0, "", 0) { IsUsual = true }, new Candidate("L", starts ? (leads ? LeftStart : 0.02) : 0, starts ? "a left-hand start lets the rest alternate" : "", 1)];
    }

    /// <inheritdoc/>
    public (double Cost, string? Why) Change(Passage passage, int place, Candidate from, Candidate to)
    {
        var seconds = passage.Steps[place].Before ?? 1;
        var move = passage.Steps[place].Written.Midi - passage.Steps[place - 1].Written.Midi;
        if (from.Code == to.Code) return (Double * Math.Clamp(0.3 / seconds, 0.2, 2), seconds < 0.3 ? "a double stroke" : null);
        var over = (to.Code == "R" && move < -4) || (to.Code == "L" && move > 4);
        return (over ? Crossed : 0, over ? "one hand reaches over the other" : null);
    }
}
