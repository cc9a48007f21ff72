using MellowStand.Core.Reading;
namespace MellowStand.Core.Tempo;

/// <summary>Tells a window of tempi in plain sentences.</summary>
internal static class WindowWords
{
    /// <summary>What there is to tell.</summary>
    /// <param name="Slowest">The slow end, or null.</param>
    /// <param name="Fastest">The fast end, or null.</param>
    /// <param name="Printed">What is printed, or null.</param>
    /// <param name="Goal">The goal in quarters per minute.</param>
    /// <param name="Unit">The unit in which tempos are told.</param>
    /// <param name="IsKnown">True where some tempo is printed or given.</param>
    /// <param name="IsDoubleReed">True where one breathes out first.</param>
    internal sealed record Said(
        WindowEnd? Slowest,
        WindowEnd? Fastest,
        PrintedTempo? Printed,
        double Goal,
        ToldUnit Unit,
        bool IsKnown,
        bool IsDoubleReed
    );

    /// <summary>The sentences.</summary>
    /// <param name="said">What there is to tell.</param>
    /// <param name="cure">What to do when no tempo serves, e.g. <c>breathe after the tied note in measure 6, or stagger</c>.</param>
    public static string Of(Said said, Func<string> cure)
    {
        var words = new List<string> { Workable(said, cure) };
        if (said.Printed is { } printed)
            words.Add(Left(printed, said, cure));
        else if (!said.IsKnown)
            words.Add($"No tempo is printed: the goal rests on {said.Unit.Words(said.Goal)}.");
        if (said.IsDoubleReed && said.Slowest is not null)
            words.Add("Each place to breathe is one to breathe out too, before the new air.");
        return string.Join(' ', words);
    }

    private static string Workable(Said said, Func<string> cure) =>
        (said.Slowest, said.Fastest) switch
        {
            ({ } s, { } f) when s.QuarterBpm > f.QuarterBpm =>
                $"No tempo serves both: the longest phrase needs {said.Unit.Words(s.QuarterBpm)}, the quickest notes are clean "
                    + $"to {said.Unit.Number(f.QuarterBpm)}. {Capital(cure())}.",
            ({ } s, { } f) => $"It works from {said.Unit.Words(s.QuarterBpm)} to {said.Unit.Number(f.QuarterBpm)}.",
            (null, { } f) => $"It is clean to {said.Unit.Words(f.QuarterBpm)}.",
            ({ } s, null) => $"It works from {said.Unit.Words(s.QuarterBpm)} on.",
            _ => "Nothing here limits the speed.",
        };

    private static string Left(PrintedTempo printed, Said said, Func<string> cure)
    {
        var low = Math.Max(printed.From, said.Slowest?.QuarterBpm ?? 0);
        var high = Math.Min(printed.To, said.Fastest?.QuarterBpm ?? double.PositiveInfinity);
        var range = Range(said.Unit, printed.From, printed.To);
        if (low <= high)
            return low == printed.From && high == printed.To
                ? $"The printed {range} lies inside."
                : $"Of the printed {range}, {Range(said.Unit, low, high)} is left.";
        return said.Fastest is { } f && f.QuarterBpm < printed.From
            ? $"The printed {range} is quicker than what is clean here, {said.Unit.Number(f.QuarterBpm)}: it stays the goal, as a risk."
            : $"The printed {range} is slower than one breath or bow allows: {cure()}.";
    }

    private static string Range(ToldUnit unit, double from, double to) =>
        from == to ? unit.Number(from) : $"{unit.Number(from)}–{unit.Number(to)}";

    private static string Capital(string text) => text.Length == 0 ? "Decide a breath" : char.ToUpperInvariant(text[0]) + text[1..];
}
