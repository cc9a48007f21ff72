using MellowStand.Core.Notation;

namespace MellowStand.Core.Technique.Woodwind;

/// <summary>A woodwind: most notes have one fingering; the others are chosen by their neighbours.</summary>
public abstract class WoodwindTechnique : ITechnique
{
    /// <summary>The one fingering of a note that needs no choice.</summary>
    protected static readonly IReadOnlyList<Candidate> Only = [new Candidate("only", 0, "") { IsUsual = true }];

    /// <inheritdoc/>
    public abstract IReadOnlyList<Candidate> Ways(Passage passage, int place);

    /// <inheritdoc/>
    public virtual (double Cost, string? Why) Change(Passage passage, int place, Candidate from, Candidate to) => (0, null);

    /// <summary>A way that costs nothing by itself where it is the usual one.</summary>
    protected static Candidate Way(string code, double cost, string why, bool usual, int state = 0) => new(code, Math.Round(cost, 3), why, state) { IsUsual = usual };

    /// <summary>How much quicker than comfortable the change into a note is: 1 at a quarter of a second.</summary>
    protected static double Haste(Passage passage, int place) => Math.Clamp(0.25 / (passage.Steps[place].Before ?? 1), 0.3, 2.5);
}
