using System.Xml.Linq;
using MellowStand.Core.Formats.MusicXml;

namespace MellowStand.Bench;

/// <summary>What a director waits for, on a file as rich as a real export: reading, the stations, and a decision with its answers.</summary>
internal static class DeskWork
{
    private const int Parts = 24;
    private const int Measures = 160;

    public static void Compare()
    {
        var bytes = RichScore.Of(Parts, Measures);
        if (Environment.GetEnvironmentVariable("DUMP") is { } dump)
            File.WriteAllBytes(dump, bytes);
        Console.WriteLine($"a file of {bytes.Length / 1024.0 / 1024:0.0} MB, {Parts} x {Measures}");
        Console.WriteLine($"bytes held a note (at most 250): {OtherReader.HeldPerNote(bytes):0}");
        object Reading() => ScoreReader.Read(bytes);
        Ratios.Say("reading to a bare load (at most 2)", Ratios.Of(Reading, () => XDocument.Load(new MemoryStream(bytes))));
        var score = ScoreReader.Read(bytes);
        Ratios.Say("study to reading (at most 2)", Ratios.Of(() => Work.Study(score), Reading));
        Ratios.Say("unify to reading (at most 1)", Ratios.Of(() => Work.Unify(score), Reading));
        var longer = RichScore.Of(Parts, Measures * 5);
        Ratios.Say("five times the measures (at most 5.5)", Ratios.Of(() => ScoreReader.Read(longer), Reading, 7));
    }
}
