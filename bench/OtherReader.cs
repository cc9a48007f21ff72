using System.Diagnostics;
using System.Globalization;
using System.Xml.Linq;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;

namespace MellowStand.Bench;

/// <summary>Our reading beside that of a MusicXML reader from npm (musicxml-io), on the same bytes and machine in the same run.</summary>
internal static class OtherReader
{
    public static void Compare()
    {
        var bytes = Generated.Score(24, 160);
        var file = Path.Combine(Path.GetTempPath(), $"stand-bench-{Environment.ProcessId}.musicxml");
        File.WriteAllBytes(file, bytes);
        try
        {
            var bare = Ratios.Median(() => XDocument.Load(new MemoryStream(bytes)));
            var ours = Ratios.Median(() => ScoreReader.Read(bytes));
            var tenfold = Generated.Score(24, 1600);
            Ratios.Say("our reading to a bare load", ours / bare);
            Ratios.Say("reading ten times the measures", Ratios.Median(() => ScoreReader.Read(tenfold)) / ours);
            Stations(bytes, ours);
            var theirs = Node(file);
            Ratios.Say("our reading to the npm reader's parse", ours / theirs);
            Console.WriteLine(string.Create(CultureInfo.InvariantCulture, $"bytes held per note: {HeldPerNote(bytes):0}"));
        }
        finally
        {
            File.Delete(file);
        }
    }

    // Study and Unify of a score that is read already, as ratios to reading it, and how they grow with measures and with parts.
    private static void Stations(byte[] bytes, double reading)
    {
        var score = ScoreReader.Read(bytes);
        foreach (var (name, work) in new (string, Func<Score, int>)[] { ("study", Work.Study), ("unify", Work.Unify) })
        {
            var once = Ratios.Median(() => work(score));
            Ratios.Say($"{name} to reading", once / reading);
            Ratios.Say($"{name} of 24 x 320 to 24 x 160", Of(24, 320) / once);
            Ratios.Say($"{name} of 48 x 160 to 24 x 160", Of(48, 160) / once);
            Ratios.Say($"{name} of 48 x 320 to 24 x 160", Of(48, 320) / once);

            double Of(int parts, int measures)
            {
                var larger = ScoreReader.Read(Generated.Score(parts, measures));
                return Ratios.Median(() => work(larger));
            }
        }
    }

    private static double Node(string file)
    {
        using var node = Process.Start(
            new ProcessStartInfo("node", ["bench/reader.mjs", file, Ratios.Rounds.ToString(CultureInfo.InvariantCulture)])
            {
                RedirectStandardOutput = true,
            }
        )!;
        var said = node.StandardOutput.ReadToEnd();
        node.WaitForExit();
        return double.Parse(said, CultureInfo.InvariantCulture);
    }

    internal static double HeldPerNote(byte[] bytes)
    {
        GC.KeepAlive(ScoreReader.Read(bytes));
        var before = GC.GetTotalMemory(forceFullCollection: true);
        var score = ScoreReader.Read(bytes);
        var held = GC.GetTotalMemory(forceFullCollection: true) - before;
        var notes = score.Parts.Sum(p => p.Notes.Count);
        GC.KeepAlive(score);
        return (double)held / notes;
    }
}
