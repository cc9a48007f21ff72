namespace MellowStand.Core.Unify.Bows;

/// <summary>Where on the bow a stroke is played, and how much of it at which speed, as a section leader says it.</summary>
/// <remarks>The bounds are ours; common practice, no published source.</remarks>
public static class BowWords
{
    private static readonly (double To, string Words)[] Places = [(0.3, "at the frog"), (0.7, "in the middle"), (2, "at the tip")];

    private static readonly (double To, string Words)[] Amounts =
    [
        (0.12, "very little bow"),
        (0.28, "a quarter of the bow"),
        (0.42, "a third of the bow"),
        (0.6, "half the bow"),
        (0.85, "most of the bow"),
        (double.PositiveInfinity, "the whole bow"),
    ];

    private static readonly (double To, string Words)[] Speeds =
    [
        (0.22, "slowly"),
        (0.45, "at an even speed"),
        (double.PositiveInfinity, "quickly"),
    ];

    /// <summary>E.g. <c>from the frog to the middle, half the bow, slowly</c>.</summary>
    public static string Of(BowSpend spend)
    {
        var (from, to) = (Word(Places, spend.From), Word(Places, spend.To));
        var place = from == to ? from : $"from {from.Split(' ', 2)[1]} to {to.Split(' ', 2)[1]}";
        var share = Math.Min(1, spend.Share);
        return $"{place}, {Word(Amounts, share)}, {Word(Speeds, share / Math.Max(0.05, spend.Choice.Stroke.Seconds))}";
    }

    private static string Word((double To, string Words)[] table, double value) => table.First(t => value <= t.To).Words;
}
