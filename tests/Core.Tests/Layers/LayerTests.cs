using System.Text;
using MellowStand.Core.Decisions;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Layers;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Tests.Layers;

/// <summary>A layer made from the one before says the same as one made from nothing, after whatever acts.</summary>
public sealed class LayerTests
{
    private static readonly string[] OnOneNote =
    [
        "staccato",
        "accent",
        "tenuto",
        "up-bow",
        "breath-mark",
        "fermata",
        "trill-mark",
        "mf",
        "pp",
        "fingering:2",
        "words:rit.",
        "words:a tempo",
        "words:[count]",
        "words:Fine",
        "pitch:C#5",
        "accidental:natural",
    ];

    private static readonly string[] OnSpans = ["slur", "crescendo", "diminuendo", "bracket"];

    /// <summary>The reference scores (tests/reference/scores), thirty random acts each: accepting, other readings, free marks of all
    /// forms, undoing in any
    /// order.</summary>
    [Theory]
    [InlineData("scores/trio-two-violins-bass.xml", 11)]
    [InlineData("scores/song-with-endings.mxl", 12)]
    [InlineData("scores/hymn-four-parts.mxl", 13)]
    public void Acts_one_by_one_equal_all_at_once(string file, int seed)
    {
        var random = Seeds.Random(seed);
        var edition = Edition.Read(Reference.Bytes(file));
        var knowledge = Plain(edition);
        var layer = Layer.Of(edition, knowledge, []);
        var next = 1L;
        for (var act = 0; act < 30; act++)
        {
            // Not every act is looked at: what was not worked out before must not be missed after.
            var decisions = Act(random, layer, ref next);
            layer = Layer.Of(edition, knowledge, decisions, layer);
            if (act % 3 != 1)
                Equal(Layer.Of(Edition.Read(edition.Bytes), Plain(edition), decisions), layer, $"{file}, act {act}");
        }
    }

    /// <summary>What the layer reads out of its copies is what a file with the same decisions written in reads as.</summary>
    [Theory]
    [InlineData("scores/song-six-parts.mxl", 21)]
    [InlineData("scores/solo-clarinet-and-piano.mxl", 22)]
    [InlineData("suite/46g-PickupMeasure-Chordnames-FiguredBass.xml", 23)]
    public void The_current_score_is_what_the_export_reads_as(string file, int seed)
    {
        var random = Seeds.Random(seed);
        var edition = Edition.Read(Reference.Bytes(file));
        var layer = Layer.Of(edition, Plain(edition), []);
        var next = 1L;
        for (var act = 0; act < 20; act++)
            layer = Layer.Of(edition, layer.Knowledge, Act(random, layer, ref next), layer);
        var read = ScoreReader.Read(ScoreExport.Write(edition.Bytes, layer.Changes, new ExportRange()));
        Assert.Equal(Told(read), Told(layer.Current));
        Assert.Equal(read.PlayedOrder, layer.Current.PlayedOrder);
    }

    [Fact]
    public void A_decision_reads_only_the_parts_that_it_touches()
    {
        var edition = Edition.Read(Reference.Bytes("scores/trio-two-violins-bass.xml"));
        var before = Layer.Of(edition, Plain(edition), []);
        var part = before.Printed.Parts[1];
        var after = Layer.Of(edition, before.Knowledge, [Free(1, part.Id, [part.Notes.First(n => n.Sounds).Id], "accent")], before);
        Assert.Same(before.Current.Parts[0], after.Current.Parts[0]);
        Assert.NotSame(before.Current.Parts[1], after.Current.Parts[1]);
        Assert.Same(before.Current.Parts[2], after.Current.Parts[2]);
        Assert.Same(edition.Printed, before.Printed);
    }

    [Fact]
    public void The_edition_below_is_never_changed()
    {
        var edition = Edition.Read(Reference.Bytes("scores/hymn-four-parts.mxl"));
        var printed = Told(edition.Printed);
        var plain = Layer.Of(edition, Plain(edition), []);
        var slice = plain.Slice(Whole(plain), concert: true);
        var random = Seeds.Random(5);
        var next = 1L;
        var layer = plain;
        for (var act = 0; act < 12; act++)
        {
            layer = Layer.Of(edition, plain.Knowledge, Act(random, layer, ref next), layer);
            _ = layer.Slice(Whole(layer), concert: act % 2 == 0);
        }

        Assert.Equal(printed, Told(ScoreReader.Read(edition.Bytes)));
        Assert.Equal(slice, Layer.Of(edition, plain.Knowledge, []).Slice(Whole(plain), concert: true));
    }

    [Fact]
    public async Task Many_readers_at_once_get_one_answer()
    {
        var edition = Edition.Read(Reference.Bytes("scores/trio-two-violins-bass.xml"));
        var layer = Layer.Of(edition, Plain(edition), []);
        var answers = await Task.WhenAll(
            Enumerable.Range(0, 16).Select(_ => Task.Run(() => (layer.Findings, layer.Heat, layer.Differences, layer.CurrentLines)))
        );
        Assert.All(answers, a => Assert.Same(answers[0].Findings, a.Findings));
        Assert.All(answers, a => Assert.Same(answers[0].Differences, a.Differences));
    }

    private static Knowledge Plain(Edition edition) =>
        new(edition.Printed, School.None, new Dictionary<string, string>(), new Dictionary<string, string>());

    private static Address Whole(Layer layer) => new AddressBook(layer.Edition.Id, layer.Printed).Read(null, null, null);

    private static List<Decision> Act(Random random, Layer layer, ref long next)
    {
        var decisions = layer.Decisions.ToList();
        var open = layer.Differences.Where(d => layer.StateOf(d) == DifferenceState.Open).ToList();
        switch (random.Next(4))
        {
            case 0 when decisions.Count > 0:
                decisions.RemoveAt(random.Next(decisions.Count));
                break;
            case 1 when open.Count > 0:
                var d = open[random.Next(open.Count)];
                var reading = d.Changes.Keys.ElementAt(random.Next(d.Changes.Count));
                decisions.Add(
                    new Decision(next, next++, new DecisionDraft(d.Id, Verdict.Reading, reading, "", d.Changes[reading]), "", "")
                );
                break;
            default:
                decisions.Add(AnyMark(random, layer, next++));
                break;
        }

        return decisions;
    }

    private static Decision AnyMark(Random random, Layer layer, long id)
    {
        var parts = layer.Current.Parts.Where(p => p.Notes.Any(n => n.Sounds)).ToList();
        var part = parts[random.Next(parts.Count)];
        var notes = part.Notes.Where(n => n is { Sounds: true, IsGrace: false }).ToList();
        var from = random.Next(notes.Count);
        if (random.Next(3) > 0 || from + 1 >= notes.Count)
            return Free(id, part.Id, [notes[from].Id], OnOneNote[random.Next(OnOneNote.Length)]);
        var to = Math.Min(notes.Count - 1, from + random.Next(1, 6));
        return Free(id, part.Id, [notes[from].Id, notes[to].Id], OnSpans[random.Next(OnSpans.Length)]);
    }

    private static Decision Free(long id, string part, string[] notes, string mark) =>
        new(id, id, new DecisionDraft(null, Verdict.Free, null, "", [new MarkChange(part, notes, [Mark.Parse(mark)], [])]), "", "");

    private static void Equal(Layer expected, Layer actual, string at)
    {
        Assert.Equal(Told(expected.Current), Told(actual.Current));
        Assert.Equal(expected.Current.PlayedOrder, actual.Current.PlayedOrder);
        Assert.True(expected.Findings.Select(Of).SequenceEqual(actual.Findings.Select(Of)), $"findings differ: {at}");
        Assert.True(
            expected.Heat.Select(h => (h.Part, h.Measure, h.Heat)).SequenceEqual(actual.Heat.Select(h => (h.Part, h.Measure, h.Heat))),
            $"heat differs: {at}"
        );
        Assert.True(
            expected.Heat.SelectMany(h => h.Reasons).SequenceEqual(actual.Heat.SelectMany(h => h.Reasons)),
            $"reasons differ: {at}"
        );
        Assert.Equal(
            expected.Differences.Select(d => (d.Id, expected.StateOf(d))),
            actual.Differences.Select(d => (d.Id, actual.StateOf(d)))
        );
        Assert.Equal(expected.CurrentLines.Select(Of), actual.CurrentLines.Select(Of));
        Assert.Equal(expected.Slice(Whole(expected), false), actual.Slice(Whole(actual), false));
        Assert.Equal(expected.Bows.Select(b => (b.Part, b.Cost)), actual.Bows.Select(b => (b.Part, b.Cost)));
    }

    private static string Of(Core.Study.Finding f) => $"{f.Id} {f.Severity} {f.Title} {f.Why}";

    private static string Of(Core.Unify.SharedLine l) =>
        $"{l.Relation} {string.Join(',', l.Voices.Select(v => v.Part.Id))} "
        + $"{string.Join(' ', l.Notes[0].Select(n => n.Id + string.Join('+', n.Marks)))}";

    private static string Told(Score score)
    {
        var text = new StringBuilder();
        foreach (var part in score.Parts)
        {
            text.Append(part.Id).Append('\n');
            foreach (var n in part.Notes)
                text.AppendLine(
                    $"{n.Id} {n.Onset} {n.Duration} "
                        + $"{string.Join('+', n.Heads.Select(h => $"{h.Written}{h.Accidental}{h.TiedTo?.Id}"))} {string.Join(',', n.Marks)}"
                );
            text.AppendLine(string.Join(' ', part.Slurs.Select(s => $"{s.From.Id}-{s.To.Id}")));
            text.AppendLine(string.Join(' ', part.Hairpins));
            text.AppendLine(string.Join(' ', part.Directions.Select(d => $"{d.Kind}:{d.Text}@{d.Onset}")));
        }

        return text.ToString();
    }
}
