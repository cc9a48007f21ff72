using System.Xml.Linq;
using MellowStand.Core.Decisions;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Layers;
using MellowStand.Core.Notation;

namespace MellowStand.Bench;

/// <summary>What a director waits for, on a file as rich as a real export: reading, the stations, and a decision with its
/// answers.</summary>
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
        Decide(bytes, Reading);
        var longer = RichScore.Of(Parts, Measures * 5);
        Ratios.Say("five times the measures (at most 5.5)", Ratios.Of(() => ScoreReader.Read(longer), Reading, 7));
    }

    // One decision on a difference of the middle, made and answered: the list, the heat and the slice that the page fetches again.
    private static void Decide(byte[] bytes, Func<object> reading)
    {
        var edition = Edition.Read(bytes);
        var knowledge = new Knowledge(edition.Printed, School.None, new Dictionary<string, string>(), new Dictionary<string, string>());
        var before = Layer.Of(edition, knowledge, []);
        Answers(before);
        var difference = before.Differences[before.Differences.Count / 2];
        var draft = new DecisionDraft(
            difference.Id,
            Verdict.Accepted,
            difference.Proposal.Mark,
            "",
            difference.Changes[difference.Proposal.Mark]
        );
        var decision = new Decision(1, 1, draft, "", "");
        Ratios.Say(
            "a decision and its answers to reading (at most 0.25)",
            Ratios.Of(() => Answers(Layer.Of(edition, knowledge, [decision], before)), reading)
        );
        Ratios.Say("opening a layer again to reading (0)", Ratios.Of(() => Answers(before), reading));
    }

    private static object Answers(Layer layer)
    {
        var open = layer.Differences.Count(d => layer.StateOf(d) == DifferenceState.Open);
        var address = new AddressBook(layer.Edition.Id, layer.Current).Read("P2", "40", "55");
        return (open, layer.Heat, layer.Slice(address, concert: false));
    }
}
