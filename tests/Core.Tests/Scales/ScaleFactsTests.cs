using System.Text.Json;
using MellowStand.Core.Notation;
using MellowStand.Core.Scales;

namespace MellowStand.Core.Tests.Scales;

/// <summary>Spelled scales, signatures and chords against facts made elsewhere.</summary>
/// <remarks>Source: tests/reference/facts/scales.json and chords.json, computed by music21 10.5.1.</remarks>
public class ScaleFactsTests
{
    private static readonly Dictionary<string, string> ChordKinds = new()
    {
        ["major triad"] = "major-arpeggio",
        ["minor triad"] = "minor-arpeggio",
        ["dominant seventh chord"] = "dominant-seventh",
        ["diminished seventh chord"] = "diminished-seventh",
    };

    public static TheoryData<string, string, string[], int> Scales
    {
        get
        {
            var data = new TheoryData<string, string, string[], int>();
            foreach (var s in Facts("scales"))
                data.Add(Text(s, "tonic"), Text(s, "mode").Replace(' ', '-'), Texts(s, "names"), s.GetProperty("fifths").GetInt32());
            return data;
        }
    }

    public static TheoryData<string, string, int[]> Chords
    {
        get
        {
            var data = new TheoryData<string, string, int[]>();
            foreach (var c in Facts("chords"))
                if (ChordKinds.TryGetValue(Text(c, "kind"), out var kind))
                    data.Add(kind, Text(c, "root"), [.. c.GetProperty("midi").EnumerateArray().Select(m => m.GetInt32())]);
            return data;
        }
    }

    [Theory]
    [MemberData(nameof(Scales))]
    public void A_scale_is_spelled_as_the_facts_say(string tonic, string kind, string[] names, int fifths)
    {
        var pitches = Of(kind, tonic, 1);
        var up = pitches.Take(8).ToList();
        Assert.Equal(names.Select(Readable), up.Select(p => p.Name));
        Assert.Equal(15, pitches.Count);
        Assert.Equal(up.AsEnumerable().Reverse().Skip(1), pitches.Skip(8));
        Assert.Equal(fifths, Tonic(tonic).FifthsOf(ScaleKinds.Find(kind)!.Signature));
    }

    [Theory]
    [MemberData(nameof(Chords))]
    public void An_arpeggio_has_the_keys_of_its_chord(string kind, string root, int[] midi)
    {
        var pitches = Of(kind, root, 2);
        var once = midi.Select(m => m - midi[0]).ToList();
        var expected = once.Concat(once.Select(m => m + 12)).Append(24).ToList();
        Assert.Equal(expected, pitches.Take(expected.Count).Select(p => p.Midi - pitches[0].Midi));
        Assert.Equal(expected.AsEnumerable().Reverse().Skip(1), pitches.Skip(expected.Count).Select(p => p.Midi - pitches[0].Midi));
        Assert.All(pitches, p => Assert.InRange(p.Alter, -1, 1));
    }

    [Fact]
    public void The_facts_hold_every_kind_that_they_can()
    {
        Assert.Equal(45, Scales.Count);
        Assert.Equal(48, Chords.Count);
    }

    [Theory]
    [InlineData("A", "A B C D E F♯ G♯ A G F E D C B A", "A minor, from memory of any method book")]
    [InlineData("C", "C D E♭ F G A B C B♭ A♭ G F E♭ D C", "C minor")]
    [InlineData("F#", "F♯ G♯ A B C♯ D♯ E♯ F♯ E D C♯ B A G♯ F♯", "F♯ minor has an E♯ on the way up only")]
    public void The_melodic_minor_comes_down_otherwise_than_it_went_up(string tonic, string names, string _) =>
        Assert.Equal(names, Names(Of("melodic-minor", tonic, 1)));

    [Theory]
    [InlineData("C", "C C♯ D D♯ E F F♯ G G♯ A A♯ B C B B♭ A A♭ G G♭ F E E♭ D D♭ C")]
    [InlineData("Bb", "B♭ B C C♯ D D♯ E F F♯ G G♯ A B♭ A A♭ G G♭ F E E♭ D D♭ C B B♭")]
    [InlineData("F#", "F♯ G G♯ A A♯ B C C♯ D D♯ E F F♯ F E E♭ D D♭ C B B♭ A A♭ G F♯")]
    public void A_chromatic_scale_goes_up_in_sharps_and_down_in_flats(string tonic, string names) =>
        Assert.Equal(names, Names(Of("chromatic", tonic, 1)));

    [Theory]
    [InlineData("C", "C E♭ G♭ A C A G♭ E♭ C", "never B double flat")]
    [InlineData("B", "B D F A♭ B A♭ F D B", "to C minor")]
    public void A_diminished_seventh_is_spelled_to_be_read(string root, string names, string _) =>
        Assert.Equal(names, Names(Of("diminished-seventh", root, 1)));

    [Theory]
    [InlineData("major", 1, 15)]
    [InlineData("major", 3, 43)]
    [InlineData("chromatic", 2, 49)]
    [InlineData("major-arpeggio", 2, 13)]
    [InlineData("dominant-seventh", 2, 17)]
    public void The_top_comes_once(string kind, int octaves, int notes)
    {
        var pitches = Of(kind, "D", octaves);
        Assert.Equal(notes, pitches.Count);
        Assert.Single(pitches, p => p.Midi == pitches.Max(q => q.Midi));
        Assert.Equal(pitches[0], pitches[^1]);
    }

    private static IReadOnlyList<Pitch> Of(string kind, string tonic, int octaves) =>
        ScalePitches.Of(ScaleKinds.Find(kind)!, Tonic(tonic).In(4), octaves);

    private static ScaleTonic Tonic(string text) => ScaleTonic.TryParse(text, out var tonic) ? tonic : throw new ArgumentException(text);

    private static string Names(IEnumerable<Pitch> pitches) => string.Join(' ', pitches.Select(p => p.Name));

    private static string Readable(string name) => Pitch.Parse(name.Replace("##", "x", StringComparison.Ordinal) + "4").Name;

    private static string Text(JsonElement e, string name) => e.GetProperty(name).GetString()!;

    private static string[] Texts(JsonElement e, string name) => [.. e.GetProperty(name).EnumerateArray().Select(n => n.GetString()!)];

    private static List<JsonElement> Facts(string name)
    {
        using var document = JsonDocument.Parse(Reference.Bytes($"facts/{name}.json"));
        return [.. document.RootElement.Clone().EnumerateArray()];
    }
}
