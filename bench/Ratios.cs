using System.Diagnostics;
using System.Globalization;

namespace MellowStand.Bench;

/// <summary>Ratios within one run on one machine.</summary>
internal static class Ratios
{
    public const int Rounds = 15;

    public static void Say(string what, double ratio) =>
        Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"ratio {what}: {ratio:0.00}"));

    /// <summary>One act as a share of another: the median over rounds in which both take turns, so that a slow moment of the machine meets
    /// both.</summary>
    public static double Of(Func<object> act, Func<object> yardstick, int rounds = Rounds)
    {
        for (var i = 0; i < 3; i++)
            (_, _) = (Time(act), Time(yardstick));
        return Enumerable.Range(0, rounds).Select(_ => Time(act) / Time(yardstick)).Order().ElementAt(rounds / 2);
    }

    private static double Time(Func<object> act)
    {
        var clock = Stopwatch.StartNew();
        GC.KeepAlive(act());
        return clock.Elapsed.TotalMilliseconds;
    }

    /// <summary>Milliseconds, the median of some rounds after a warming up.</summary>
    public static double Median(Func<object> act)
    {
        for (var i = 0; i < 5; i++)
            act();
        var times = new List<double>();
        for (var i = 0; i < Rounds; i++)
        {
            var clock = Stopwatch.StartNew();
            GC.KeepAlive(act());
            times.Add(clock.Elapsed.TotalMilliseconds);
        }

        return times.Order().ElementAt(Rounds / 2);
    }
}
