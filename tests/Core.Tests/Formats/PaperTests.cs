using System.Text;
using System.Xml.Linq;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Formats.ShortForm;

namespace MellowStand.Core.Tests.Formats;

/// <summary>Parts to play from: rests condensed and broken where a player has something to read, reminders, cues. Common practice, no
/// published source; elements of MusicXML 4.0.</summary>
public sealed class PaperTests
{
    [Theory]
    [InlineData("| rw | rw | rw | C5w", "1:3")]
    [InlineData("| rw | rw | reh:A rw | rw | C5w", "1:2 3:2")]
    [InlineData("| rw | rw | meter:3/4 rh. | rh. | C5h.", "1:2 3:2")]
    [InlineData("| rw | rw | key:D rw | rw | C5w", "1:2 3:2")]
    [InlineData("| rw | rw | tempo:q=90 rw | rw | C5w", "1:2 3:2")]
    [InlineData("| rw | rw double | rw | rw | C5w", "1:2 3:2")]
    [InlineData("| rw | C5w | rw | D5w", "")]
    [InlineData("| rw | rw(f) | rw | D5w", "")]
    public void Rests_are_condensed_and_broken(string music, string expected) =>
        Assert.Equal(expected, string.Join(' ', Condensed(Paper(music))));

    [Fact]
    public void Several_parts_together_keep_their_rests() =>
        Assert.Empty(Condensed(Cut("part \"A\"\n| rw | rw | C5w\npart \"B\"\n| C5w | D5w | E5w", new ExportRange(ForPaper: true))));

    [Fact]
    public void No_part_name_stands_before_the_staff() =>
        Assert.All(Paper("| C5w").Descendants("part-name"), n => Assert.Equal("", n.Value));

    [Theory]
    // What is in force is told again in brackets; what is printed there already is not.
    [InlineData("!p C5w tempo:q=90 | D5w | E5w", 2, "(p) q=90")]
    [InlineData("!p C5w | D5w | !f E5w", 2, "")]
    [InlineData("tempo:q=90 C5w | \"rit.\" D5w | \"a tempo\" E5w", 2, "q=90")]
    [InlineData("tempo:q=90 C5w | D5w | \"Presto\" E5w", 2, "")]
    [InlineData("tempo:q=90 C5w | \"a tempo\" D5w | E5w", 2, "q=90")]
    [InlineData("tempo:q=90 C5w | \"rit.\" D5w | E5w", 2, "(rit.)")]
    [InlineData("\"Andante\" C5w | D5w | E5w", 2, "(Andante)")]
    [InlineData("tempo:q=90 !mf C5w | D5w | E5w", 0, "")]
    public void What_is_in_force_stands_at_the_cut(string music, int from, string expected)
    {
        var cut = Cut($"| {music}", new ExportRange(From: from, ForPaper: true, Reminded: true));
        var words = cut.Descendants("words").Select(w => w.Value).Where(w => w.StartsWith('('));
        var tempo = cut.Descendants("metronome")
            .Where(m => m.Attribute("parentheses")?.Value == "yes")
            .Select(m => $"q={m.Element("per-minute")?.Value}");
        Assert.Equal(expected, string.Join(' ', words.Concat(tempo)));
    }

    [Fact]
    public void A_page_of_a_part_tells_nothing_again() =>
        Assert.Empty(Cut("| !p C5w | D5w", new ExportRange(From: 1, ForPaper: true)).Descendants("words"));

    private const string Long = "part \"Horn in F\" transpose:-4,-7\n| C5w | rw | rw | rw | rw | rw | rw | rw | rw | C5w";
    private const string Tune = "\npart \"Flute\"\n| rw | rw | rw | rw | rw | rw | rw | F5q G5q A5q B5q | C6h. rq | C6w";

    [Fact]
    public void A_cue_leads_in_after_a_long_rest_at_the_pitch_of_its_reader()
    {
        var score = ShortFormReader.Score(Long + Tune);
        var cues = Cues.Of(score, score.Parts[0]);
        Assert.Equal([7, 8], cues.Keys.Order());
        Assert.Equal("Flute", cues[7].From);
        // F5 sounding is C5 written for a horn in F that reads a fifth higher, an octave lower to lie in its own register.
        Assert.Equal(["C5", "D5", "E5", "F♯5"], cues[7].Notes.Select(n => $"{n.Pitch}"));
        Assert.Equal([null, null, null, "sharp"], cues[7].Notes.Select(n => n.Sign));
        Assert.Null(cues[8].Notes[^1].Pitch);
    }

    [Fact]
    public void A_cue_stays_in_one_octave_as_its_line_does()
    {
        var wide = Long + Tune.Replace("C6h. rq", "C5q E4q C4h", StringComparison.Ordinal);
        var score = ShortFormReader.Score(wide);
        var cues = Cues.Of(score, score.Parts[0]);
        var written = cues[7].Notes.Concat(cues[8].Notes).Select(n => n.Pitch!.Value.Midi).ToList();
        var played = new[] { 77, 79, 81, 83, 72, 64, 60 };
        Assert.Single(written.Zip(played, (w, p) => w - p).Distinct());
    }

    [Theory]
    // Too short a rest; nobody plays; the only other plays drums.
    [InlineData("part \"A\"\n| C5w | rw | rw | rw | C5w\npart \"B\"\n| C5w | C5w | D5q E5q F5h | D5w | C5w")]
    [InlineData(
        "part \"A\"\n| C5w | rw | rw | rw | rw | rw | rw | rw | rw | C5w\npart \"B\"\n| C5w | rw | rw | rw | rw | rw | rw | rw | rw | C5w"
    )]
    public void No_cue_without_a_long_rest_and_a_line_that_leads_in(string music)
    {
        var score = ShortFormReader.Score(music);
        Assert.Empty(Cues.Of(score, score.Parts[0]));
    }

    [Fact]
    public void Cues_shorten_the_condensed_rest_and_fill_their_measures()
    {
        var document = ShortFormReader.Document(Long + Tune);
        var score = ScoreReader.Read(ScoreDocument.Of(document));
        var range = new ExportRange(["P1"], ForPaper: true) { Cues = Cues.Of(score, score.Parts[0]) };
        var cut = XDocument.Parse(Encoding.UTF8.GetString(ScoreExport.Write(ScoreExport.Serialize(document), [], range)));
        Assert.Equal(["2:6"], Condensed(cut));
        var cue = cut.Descendants("measure").Single(m => m.Attribute("number")?.Value == "8");
        Assert.Equal(4, cue.Elements("note").Count(n => n.Element("cue") is not null));
        Assert.Contains("(Flute)", cue.Descendants("words").Select(w => w.Value));
        // Read again, the measure is as long as it was, and the cue is no note of the part.
        var again = ScoreReader.Read(ScoreDocument.Of(cut));
        Assert.Empty(again.Warnings);
        Assert.All(again.Parts[0].Measures[7].Notes, n => Assert.True(n.IsCue));
    }

    private static XDocument Paper(string music) => Cut($"part \"A\"\n{music}", new ExportRange(["P1"], ForPaper: true));

    private static XDocument Cut(string music, ExportRange range) =>
        XDocument.Parse(Encoding.UTF8.GetString(ScoreExport.Write(ScoreExport.Serialize(ShortFormReader.Document(music)), [], range)));

    private static List<string> Condensed(XDocument cut) =>
        [.. cut.Descendants("multiple-rest").Select(r => $"{r.Ancestors("measure").First().Attribute("number")?.Value}:{r.Value}")];
}
