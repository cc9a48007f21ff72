using System.Xml.Linq;
using MellowStand.Core.Decisions;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;
using MellowStand.Core.Unify;

namespace MellowStand.Core.Tests.Decisions;

/// <summary>The layer of decisions: written into the right place, nothing else touched, undone without a trace.</summary>
public sealed class DecisionWriterTests
{
    private const string Music = "key:F meter:4/4 | !p C5q D5q[ E5q] F5q(.) | G5h(>) A5h | !f Bb5q A5q G5q F5q";

    [Theory]
    [MemberData(nameof(Reference.All), MemberType = typeof(Reference))]
    public void Without_decisions_the_document_comes_back_element_for_element(string file)
    {
        var original = Reference.Bytes(file);
        var exported = ScoreFile.Load(ScoreExport.Write(original, [], new ExportRange()));
        var imported = ScoreFile.Load(original);
        Assert.True(XNode.DeepEquals(imported.Root, exported.Root), $"{file} was changed by the export");
        Assert.Equal(
            imported.Nodes().Count(n => n is XComment or XProcessingInstruction),
            exported.Nodes().Count(n => n is XComment or XProcessingInstruction)
        );
    }

    [Theory]
    [InlineData("staccato", 1)]
    [InlineData("accent", 1)]
    [InlineData("up-bow", 1)]
    [InlineData("fingering:2", 1)]
    [InlineData("trill-mark", 1)]
    [InlineData("fermata", 1)]
    [InlineData("breath-mark", 1)]
    [InlineData("slur", 3)]
    [InlineData("mf", 1)]
    [InlineData("crescendo", 3)]
    [InlineData("bracket", 3)]
    [InlineData("words:dolce", 1)]
    [InlineData("accidental:natural", 1)]
    public void A_mark_is_written_read_again_and_leaves_no_trace_when_removed(string text, int span)
    {
        var before = ShortFormReader.Document(Music);
        string[] notes = ["P1-n1", .. span > 1 ? new[] { $"P1-n{span}" } : []];
        var mark = Mark.Parse(text);
        var marked = Apply(before, new MarkChange("P1", notes, [mark], []));
        Assert.False(XNode.DeepEquals(before, marked));
        Assert.True(IsThere(ScoreReader.Read(ScoreDocument.Of(marked)).Parts[0], mark), text + " is not read again");
        var back = Apply(marked, new MarkChange("P1", notes, [], [mark]));
        Assert.Equal(Plain(before), Plain(back));
    }

    [Fact]
    public void Marks_on_notes_that_are_gone_are_passed_over()
    {
        var before = ShortFormReader.Document(Music);
        Assert.True(
            XNode.DeepEquals(
                before,
                Apply(
                    before,
                    new MarkChange("P1", ["P1-n999"], [new Mark("accent")], []),
                    new MarkChange("P9", ["P9-n1"], [new Mark("accent")], [])
                )
            )
        );
    }

    [Fact]
    public void A_printed_slur_is_taken_away_and_a_longer_one_written()
    {
        var slur = new Mark("slur");
        var after = ScoreReader.Read(
            ScoreDocument.Of(
                Apply(
                    ShortFormReader.Document(Music),
                    new MarkChange("P1", ["P1-n2", "P1-n3"], [], [slur]),
                    new MarkChange("P1", ["P1-n1", "P1-n4"], [slur], [])
                )
            )
        );
        var only = Assert.Single(after.Parts[0].Slurs);
        Assert.Equal(("P1-n1", "P1-n4"), (only.From.Id, only.To.Id));
    }

    [Fact]
    public void Accepting_a_difference_makes_the_line_agree()
    {
        var text = "part \"Flute\"\n| C5q(.) D5q(.) E5q[ F5q] | G5q F5q E5q D5q\npart \"Oboe\"\n| C5q D5q E5q F5q | G5q F5q(>) E5q D5q";
        var document = ShortFormReader.Document(text);
        var (_, differences) = UnifyDesk.Compare(ScoreReader.Read(ScoreDocument.Of(document)), House.Default);
        Assert.Equal(3, differences.Count);
        var marked = Apply(document, [.. differences.SelectMany(d => d.Changes[d.Proposal.Mark])]);
        Assert.Empty(UnifyDesk.Compare(ScoreReader.Read(ScoreDocument.Of(marked)), House.Default).Differences);
    }

    [SeededProperty(MaxTest = 150)]
    public bool Random_marks_are_exactly_those_a_plain_model_has(byte[] acts)
    {
        string[] names = ["staccato", "accent", "tenuto", "up-bow", "fermata", "trill-mark"];
        var model = new HashSet<(int Note, string Mark)>();
        var changes = new List<MarkChange>();
        foreach (var act in acts)
        {
            var (note, mark) = (1 + (act % 3), names[act / 3 % names.Length]);
            if (model.Remove((note, mark)))
                changes.Add(new MarkChange("P1", [$"P1-n{note}"], [], [new Mark(mark)]));
            else
            {
                model.Add((note, mark));
                changes.Add(new MarkChange("P1", [$"P1-n{note}"], [new Mark(mark)], []));
            }
        }

        var part = ScoreReader.Read(ScoreDocument.Of(Apply(ShortFormReader.Document("| C5q D5q E5q F5q"), [.. changes]))).Parts[0];
        return part.Notes.SelectMany((n, i) => n.Marks.Select(m => (i + 1, m.Name))).ToHashSet().SetEquals(model);
    }

    [Fact]
    public void A_range_carries_what_is_in_force()
    {
        var bytes = ScoreExport.Serialize(
            ShortFormReader.Document(
                "part \"Clarinet\" transpose:-1,-2\nkey:D meter:3/4 | D5q E5q F#5q | key:A meter:4/4 G#5q A5q B5q C#6q | D6w"
            )
        );
        var cut = ScoreReader.Read(ScoreExport.Write(bytes, [], new ExportRange(["P1"], 2, 2)));
        Assert.Equal("3", Assert.Single(cut.Measures).Label);
        Assert.Equal((3, "4/4"), (cut.Parts[0].Measures[0].Key.Fifths, cut.Measures[0].Meter.ToString()));
        Assert.Equal(84, cut.Parts[0].Notes[0].Heads[0].Sounding);
    }

    [Fact]
    public void A_slice_carries_the_note_ids_for_the_page()
    {
        var bytes = ScoreExport.Serialize(ShortFormReader.Document("| C5q D5q E5q F5q | G5w"));
        var slice = XDocument.Parse(
            System.Text.Encoding.UTF8.GetString(ScoreExport.Write(bytes, [], new ExportRange(["P1"], 1, 1, WithNoteIds: true)))
        );
        Assert.Equal("P1-n5", slice.Descendants("note").Single().Attribute("id")?.Value);
    }

    private static XDocument Apply(XDocument before, params MarkChange[] changes)
    {
        var copy = new XDocument(before);
        new DecisionWriter(ScoreDocument.Of(copy)).Apply(changes);
        return copy;
    }

    /// <summary>Random music is written, read, given back and read again: nothing changes on the way.</summary>
    [SeededProperty(MaxTest = 200)]
    public bool Random_scores_written_and_read_back_are_equal(byte[] seed)
    {
        string[] pitches = ["C5", "F#4", "Bb4", "<C4,E4,G4>", "r", "D5", "En5", "G#4"];
        string[] values = ["q", "e e", "q.", "h", "s s s s", "e3 e3 e3"];
        string[] marks = ["", "(.)", "(>,-)", "(tr)", "(f)"];
        var measures = Enumerable
            .Range(0, 1 + (seed.Length / 4))
            .Select(m =>
                string.Join(
                    ' ',
                    Enumerable
                        .Range(0, 4)
                        .SelectMany(k =>
                        {
                            var b = seed.Length == 0 ? m + k : seed[((m * 4) + k) % seed.Length];
                            return values[b % values.Length]
                                .Split(' ')
                                .Select((v, i) => $"{pitches[(b + i) % pitches.Length]}{v}{marks[(b / 8) % marks.Length]}");
                        })
                )
            );
        var first = ShortFormReader.Score("key:D meter:4/4 | " + string.Join(" | ", measures));
        var bytes = ScoreExport.Serialize(ShortFormReader.Document("key:D meter:4/4 | " + string.Join(" | ", measures)));
        var again = ScoreReader.Read(ScoreExport.Write(bytes, [], new ExportRange()));
        return Told(first) == Told(again);
    }

    private static string Told(Score score) =>
        string.Join(
            ' ',
            score
                .Parts[0]
                .Notes.Select(n =>
                    $"{n.Id}:{n.Onset}:{n.Duration}:{string.Join('+', n.Heads.Select(h => h.Written))}:"
                    + $"{string.Join(',', n.Marks)}:{n.Tuplet}:{n.Beam}"
                )
        );

    [Fact]
    public void A_part_that_is_cut_out_borrows_tempo_and_letters_from_the_top_of_the_score()
    {
        var original = ScoreExport.Serialize(
            ShortFormReader.Document("part \"Flute\"\ntempo:q=96 | C5w | reh:A \"a tempo\" D5w\npart \"Horn\"\n| C5w | reh:A D5w")
        );
        var slice = ScoreReader.Read(ScoreExport.Write(original, [], new ExportRange(["P2"], 0, 1, WithNoteIds: true)));
        Assert.Contains(slice.Parts[0].Directions, d => d.Metronome?.Bpm == 96);
        Assert.Single(slice.Parts[0].Directions, d => d.Text == "a tempo");
        Assert.Single(slice.Parts[0].Directions, d => d.Kind == DirectionKind.Rehearsal);
        var export = ScoreReader.Read(ScoreExport.Write(original, [], new ExportRange(["P2"], 0, 1)));
        Assert.DoesNotContain(export.Parts[0].Directions, d => d.Text == "a tempo");
    }

    private static bool IsThere(Part part, Mark mark) =>
        mark.Name switch
        {
            "slur" => part.Slurs.Any(s => s.From.Id == "P1-n1" && s.To.Id == "P1-n3"),
            "crescendo" => part.Hairpins.Any(h => h.Grows && h.FromMeasure == 0),
            "bracket" => part.Directions.Count(d => d.Text is "bracket start" or "bracket stop") == 2,
            "words" => part.Directions.Any(d => d.Text == mark.Value),
            "accidental" => part.Notes[0].Heads[0].Accidental == mark.Value,
            _ => part.Notes[0].Marks.Contains(mark),
        };

    private static string Plain(XDocument document) => XDocument.Parse(document.ToString()).ToString();
}
