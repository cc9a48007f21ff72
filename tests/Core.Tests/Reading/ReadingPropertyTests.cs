using System.Globalization;
using System.Text.RegularExpressions;
using System.Xml.Linq;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Reading;
using MellowStand.Core.Study;
using MellowStand.Core.Study.Heat;

namespace MellowStand.Core.Tests.Reading;

/// <summary>What the reading says stays right when a part is transposed, renamed, or rests for two measures before it begins.
/// The music is composed for these tests.</summary>
public sealed partial class ReadingPropertyTests
{
    // Rules that stand on the reading, none of which asks for the register.
    private static readonly string[] Rules =
    [
        "back-to-signature",
        "breath-place",
        "carried-accidental",
        "count-unit",
        "hidden-key",
        "near-miss",
        "no-breath",
        "only-accidental",
        "pattern-change",
        "return",
        "scale",
        "sequence",
        "arpeggio",
        "transposed-return",
    ];

    private const string Étude =
        "part \"Oboe\"\nkey:G meter:4/4 tempo:q=92 | G4e[ A4] B4 C5 D5[ C5] B4 A4 | G4e[ B4] D5 G5 F#5[ D5] B4q "
        + "| E5e[ D5] C5 B4 A4[ B4] C5 D5 | B4q D5 G4h | G4e[ A4] B4 C5 D5[ C5] B4 A4 | G4e[ B4] D5 G5 F#5[ D5] B4q "
        + "| E5e[ C5] A4 F#4 D4[ E4] F#4 A4 | G4w";

    private const string InMinor =
        "part \"Flute\"\nkey:G meter:4/4 tempo:q=100 | G4q A4q B4q C5q | D5q B4q G4h | G4q B4q D5q G5q | E5q F#5e E5e D#5q B4q "
        + "| E5q F#5q G5q E5q | B4q D#5q F#5q D#5q | E5h. D#5q | A4q C5q B4q D#5q | E5w";

    private const string Jig =
        "part \"Flute\"\nkey:D meter:6/8 tempo:q.=84 | D5e F#5 A5 A5 F#5 D5 | E5e G5 B5 B5 G5 E5 | D5e F#5 A5 A5 F#5 D5 | C#5q. A4q. "
        + "| D5e F#5 A5 A5 F#5 D5 | E5e G5 B5 B5 G5 E5 | A5e G5 F#5 E5 D5 C#5 | D5h.";

    public static TheoryData<string> Music => [Étude, InMinor, Jig, .. JointTests.All.Select(r => r.Data)];

    [Theory]
    [MemberData(nameof(Music))]
    public void Two_measures_of_rest_in_front_change_nothing(string music)
    {
        var rest = music.Contains("4/4", StringComparison.Ordinal) ? "rw" : "rh.";
        var first = music.IndexOf('|', StringComparison.Ordinal);
        // The unit is told of a whole stretch of one meter, its rests too.
        Assert.Equal(
            Told(music).Where(t => t.Rule != "count-unit").Select(t => Later(t, 2)),
            Told($"{music[..first]}| {rest} | {rest} {music[first..]}").Where(t => t.Rule != "count-unit")
        );
    }

    [Theory]
    [MemberData(nameof(Music))]
    public void Another_name_changes_nothing(string music)
    {
        var score = ShortFormReader.Score(music);
        var instrument = Recognition.Of(score.Parts[0]).Instrument;
        var renamed = ShortFormReader.Score(PartName().Replace(music, "part \"Desk 3, by the window\""));
        Assert.Equal(Told(score, instrument), Told(renamed, instrument));
    }

    [Theory]
    [MemberData(nameof(Music))]
    public void A_whole_step_higher_the_same_is_told(string music)
    {
        var score = ShortFormReader.Score(music);
        var higher = ScoreReader.Read(ScoreDocument.Of(WholeStepHigher(ShortFormReader.Document(music))));
        var instrument = Recognition.Of(score.Parts[0]).Instrument;
        Assert.Equal(Told(score, instrument), Told(higher, instrument));
    }

    [Fact]
    public void Like_measures_are_alike_warm()
    {
        var score = ShortFormReader.Score(Étude);
        var context = new StudyContext(score, House.Default);
        var heat = HeatMap.Of(context, StudyDesk.Examine(context, score.Parts, 0, score.Measures.Count - 1)).Cells;
        Assert.All(new[] { 0, 1 }, m => Assert.InRange(heat[m + 4].Heat - heat[m].Heat, -0.05, 0.05));
    }

    private static List<(string Rule, int From, int To)> Told(string music)
    {
        var score = ShortFormReader.Score(music);
        return Told(score, Recognition.Of(score.Parts[0]).Instrument);
    }

    private static List<(string Rule, int From, int To)> Told(Score score, Instrument? instrument)
    {
        var context = new StudyContext(score, House.Default, _ => instrument);
        return
        [
            .. StudyDesk
                .Rules.Where(r => Rules.Contains(r.Name))
                .SelectMany(r => r.Examine(context, score.Parts[0]))
                .Select(f => (f.Rule, f.From, f.To))
                .Order(),
        ];
    }

    private static (string, int, int) Later((string Rule, int From, int To) told, int measures) =>
        (told.Rule, told.From + measures, told.To + measures);

    // A major second up, signature and all; signatures of these pieces have at most two sharps, so that none gets beyond seven.
    private static XDocument WholeStepHigher(XDocument music)
    {
        foreach (var fifths in music.Descendants("fifths"))
            fifths.Value = (int.Parse(fifths.Value, CultureInfo.InvariantCulture) + 2).ToString(CultureInfo.InvariantCulture);
        foreach (var pitch in music.Descendants("pitch"))
        {
            var written = new Pitch(
                Enum.Parse<Step>(pitch.Element("step")!.Value),
                decimal.Parse(pitch.Element("alter")?.Value ?? "0", CultureInfo.InvariantCulture),
                int.Parse(pitch.Element("octave")!.Value, CultureInfo.InvariantCulture)
            ).Transpose(1, 2);
            pitch.ReplaceNodes(
                new XElement("step", written.Step),
                new XElement("alter", written.Alter),
                new XElement("octave", written.Octave)
            );
        }

        return music;
    }

    [GeneratedRegex("part \"[^\"]*\"")]
    private static partial Regex PartName();
}
