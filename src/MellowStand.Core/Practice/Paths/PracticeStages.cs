namespace MellowStand.Core.Practice;

/// <summary>At which thirds of a ladder each recipe is worth its time.</summary>
/// <remarks>Notes, rhythm and awkward changes first; evenness, ornaments and joins next; the printed music and the others' line last.
/// Common
/// practice, no published source; the thirds are ours.</remarks>
internal static class PracticeStages
{
    /// <summary>How many stages a ladder has.</summary>
    public const int Count = 3;

    private static readonly Dictionary<string, int[]> Stages = new()
    {
        ["rhythm-only"] = [0],
        ["twice-as-long"] = [0],
        ["skeleton"] = [0],
        ["pair"] = [0, 1],
        ["hands-apart"] = [0],
        ["octave-smaller"] = [0, 1],
        ["slurred"] = [0, 1],
        ["unslurred"] = [0],
        ["beat-to-beat"] = [0, 1],
        ["accent-downbeat"] = [0, 1],
        ["graces-back"] = [1],
        ["trills-measured"] = [1],
        ["glissando-steps"] = [1],
        ["long-short"] = [1, 2],
        ["short-long"] = [1, 2],
        ["to-the-downbeat"] = [1],
        ["two-measures"] = [1],
        ["from-the-end"] = [1, 2],
        ["note-groups"] = [1, 2],
        ["with-line"] = [2],
    };

    private static readonly string[] InOrder = [.. Stages.Keys];

    // How the house's order of chunks is practiced.
    private static readonly Dictionary<string, string[]> Chunks = new()
    {
        ["hardest-first"] = ["pair", "beat-to-beat"],
        ["from-start"] = ["to-the-downbeat", "two-measures"],
        ["from-end"] = ["from-the-end"],
        ["joined"] = ["to-the-downbeat", "two-measures"],
    };

    /// <summary>True where a recipe belongs to a stage, from 0.</summary>
    public static bool Has(string recipe, int stage) => Stages.TryGetValue(recipe, out var stages) && stages.Contains(stage);

    /// <summary>The place of a recipe in the order of practice: what it rests on comes before it.</summary>
    public static int PlaceOf(string recipe) => Array.IndexOf(InOrder, recipe);

    /// <summary>The recipes that practice chunks in an order of the house rule <c>chunks</c>.</summary>
    public static IReadOnlyList<string> ChunksOf(string order) => Chunks.GetValueOrDefault(order) ?? [];
}
