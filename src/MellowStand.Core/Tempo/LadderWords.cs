namespace MellowStand.Core.Tempo;

/// <summary>How a ladder climbs, as the interface and the house rules name it.</summary>
public static class LadderWords
{
    private static readonly Dictionary<string, LadderBy> Known = new()
    {
        ["step"] = LadderBy.Step,
        ["percent"] = LadderBy.Percent,
        ["marks"] = LadderBy.Marks,
        ["count"] = LadderBy.Count,
    };

    /// <summary>The way with the name.</summary>
    /// <exception cref="LadderException">There is none.</exception>
    public static LadderBy Read(string? name) =>
        name is not null && Known.TryGetValue(name, out var by)
            ? by
            : throw new LadderException("A ladder climbs by step, percent, marks or count.");

    /// <summary>The name of a way.</summary>
    public static string Of(LadderBy by) => Known.First(k => k.Value == by).Key;
}
