namespace MellowStand.Core.Technique.Woodwind;

/// <summary>Clarinets: little fingers as a plan over the passage.</summary>
/// <remarks>E/B, F/C and F♯/C♯ exist on both sides, A♭/E♭ on the right only; little fingers alternate, and sliding is the last resort: C before D♯ is left, B before C♯ takes the other side. Common
/// practice, no published source.</remarks>
public sealed class ClarinetTechnique : WoodwindTechnique
{
    private const int Left = 1;
    private const int Right = 2;

    // Written key to the side that is taken without being told.
    private static readonly Dictionary<int, int> BothSides = new() { [52] = Left, [53] = Right, [54] = Left, [71] = Left, [72] = Right, [73] = Left };

    private static readonly HashSet<int> RightOnly = [56, 75];

    /// <inheritdoc/>
    public override IReadOnlyList<Candidate> Ways(Passage passage, int place)
    {
        var key = passage.Steps[place].Written.Midi;
        if (RightOnly.Contains(key)) return [Way("only", 0, "on the right only", true, State(Right, key))];
        if (!BothSides.TryGetValue(key, out var usual)) return Only;
        // B gives way to C♯, which is seldom taken on the right.
        var other = key is 73 or 54 ? 0.16 : 0.12;
        return [Way("left", usual == Left ? 0 : other, "", usual == Left, State(Left, key)), Way("right", usual == Right ? 0 : other, "", usual == Right, State(Right, key))];
    }

    /// <inheritdoc/>
    public override (double Cost, string? Why) Change(Passage passage, int place, Candidate from, Candidate to)
    {
        if (from.State == 0 || to.State == 0 || from.State == to.State) return (0, null);
        return from.State / 1000 == to.State / 1000 ? (1.5 * Haste(passage, place), "the little finger slides") : (0, "the little fingers alternate");
    }

    private static int State(int side, int key) => (side * 1000) + key;
}
