using System.Diagnostics;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Layers;
using MellowStand.Core.Performance;
using MellowStand.Core.Tempo;
using MellowStand.Server.Tests.Fire;

namespace MellowStand.Bench;

/// <summary>What files at and over the limits cost: seconds and memory of reading, and of every station after it.</summary>
internal static class ExtremeFiles
{
    public static void Measure()
    {
        Console.WriteLine($"{"file",-46}{"KB",9}{"read s",9}{"stations s",12}{"peak MB",9}");
        foreach (var (name, _, make) in Extremes.Over)
            One(name, make());
        foreach (var (name, make) in Extremes.At)
            One(name, make());
    }

    private static void One(string name, byte[] bytes)
    {
        GC.Collect();
        using var watch = new PeakMemory();
        var read = Stopwatch.StartNew();
        var stations = new Stopwatch();
        var end = "";
        try
        {
            var edition = Edition.Read(bytes);
            read.Stop();
            stations.Start();
            end = Stations(edition);
            stations.Stop();
        }
        catch (ScoreFormatException e)
        {
            end = e.Message;
        }

        Console.WriteLine(
            $"{name,-46}{bytes.Length / 1024,9}{read.Elapsed.TotalSeconds,9:0.00}"
                + $"{stations.Elapsed.TotalSeconds,12:0.00}{watch.Megabytes,9} {end}"
        );
    }

    private static string Stations(Edition edition)
    {
        var knowledge = new Knowledge(edition.Printed, School.None, new Dictionary<string, string>(), new Dictionary<string, string>());
        var layer = Layer.Of(edition, knowledge, []);
        (string What, Func<int> Work)[] all =
        [
            ("study", () => layer.Findings.Count),
            ("unify", () => layer.Differences.Count),
            ("hands, heat", () => layer.Heat.Count),
            ("bows", () => layer.Bows.Count),
            (
                "performance",
                () =>
                    new Performer(layer.Current, layer.Study.Tempo, House.Default, layer.Study.LevelsOf)
                        .Perform(
                            new PerformanceRequest(
                                [.. layer.Current.Parts.Select(p => p.Id)],
                                0,
                                layer.Current.Measures.Count - 1,
                                new TempoMark(BeatUnit.Find("quarter")!, 60)
                            )
                        )
                        .Notes.Count
            ),
        ];
        var said = "";
        foreach (var (what, work) in all)
        {
            var watch = Stopwatch.StartNew();
            try
            {
                _ = work();
            }
            catch (Exception e) when (e is ScoreFormatException or LadderException)
            {
                said += $" {what}: {e.Message}";
            }

            if (watch.Elapsed.TotalSeconds > 1)
                said += $" {what} {watch.Elapsed.TotalSeconds:0.0}";
        }

        return said;
    }

    private sealed class PeakMemory : IDisposable
    {
        private readonly Timer _timer;
        private long _peak;

        public PeakMemory() => _timer = new Timer(_ => _peak = Math.Max(_peak, GC.GetTotalMemory(false)), null, 0, 20);

        public long Megabytes => Math.Max(_peak, GC.GetTotalMemory(false)) >> 20;

        public void Dispose() => _timer.Dispose();
    }
}
