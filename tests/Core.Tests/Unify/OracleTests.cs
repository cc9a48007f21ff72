using System.Globalization;
using System.Xml.Linq;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Unify;

namespace MellowStand.Core.Tests.Unify;

/// <summary>A second comparison, written here over the raw MusicXML with none of the product's readers: every two voices are walked side by
/// side, and notes that sound together in a shared run but carry other articulations, or begin other slurs, must be what Unify tells.
/// Scores: tests/reference, as they are and with a copy of each part from which every third articulation and every fourth slur is taken
/// away.</summary>
public sealed class OracleTests
{
    private const int LeastRun = 4;

    private sealed record RawNote(string Id, decimal Onset, int Key, string Articulations, bool SlurStarts);

    [Theory]
    [InlineData("scores/trio-two-violins-bass.xml", false, 0)]
    [InlineData("scores/trio-two-violins-bass.xml", true, 3)]
    [InlineData("scores/song-six-parts.mxl", false, 0)]
    [InlineData("scores/song-six-parts.mxl", true, 14)]
    public void What_the_oracle_sees_is_told(string file, bool isDamaged, int least)
    {
        var score = Load(file, isDamaged);
        var (expected, compared) = Oracle(score);
        var told = Told(score);
        Assert.True(expected.Count >= least, $"the oracle sees only {expected.Count}");
        var missed = expected.Where(e => !told.Any(t => t.Kind == e.Kind && t.Notes.Contains(e.A) && t.Notes.Contains(e.B))).ToList();
        Assert.True(missed.Count == 0, $"{missed.Count} of {expected.Count} missed: {string.Join("; ", missed.Take(8))}");
        // Where the oracle sees nothing, nothing is told either.
        if (expected.Count == 0)
            Assert.DoesNotContain(told, t => t.Kind == "articulation");
        TestContext.Current.TestOutputHelper!.WriteLine(
            $"{file}{(isDamaged ? " damaged" : "")}: {compared} notes compared, {expected.Count} pairs differ"
        );
    }

    [Theory]
    [InlineData("scores/trio-two-violins-bass.xml", false)]
    [InlineData("scores/trio-two-violins-bass.xml", true)]
    [InlineData("scores/song-six-parts.mxl", false)]
    [InlineData("scores/song-six-parts.mxl", true)]
    public void What_is_told_of_articulations_is_so_in_the_file(string file, bool isDamaged)
    {
        var score = Load(file, isDamaged);
        var raw = Voices(score).SelectMany(v => v).GroupBy(n => n.Id).ToDictionary(g => g.Key, g => g.First());
        foreach (
            var d in UnifyDesk
                .Compare(ScoreReader.Read(score), House.Default)
                .Differences.Where(d => d.Kind == "articulation" && d.Relation is "unison" or "octave")
        )
        {
            for (var i = 0; i < d.Readings[0].Notes.Count; i++)
            {
                var place = i;
                var notes = d.Readings.Select(r => raw[r.Notes[place]]).ToList();
                Assert.Single(notes.Select(n => n.Onset).Distinct());
                Assert.True(
                    notes.Select(n => n.Articulations).Distinct().Count() > 1,
                    $"{d.Kind} at {d.From}: {string.Join(" / ", notes)}"
                );
            }
        }
    }

    private static List<(string Kind, HashSet<string> Notes)> Told(byte[] score) =>
        [
            .. UnifyDesk
                .Compare(ScoreReader.Read(score), House.Default)
                .Differences.Where(d => d.Relation is "unison" or "octave")
                .Select(d => (d.Kind, d.Readings.SelectMany(r => r.Notes).ToHashSet())),
        ];

    private static (List<(string Kind, string A, string B)> Differing, int Compared) Oracle(byte[] score)
    {
        var voices = Voices(score);
        var differing = new List<(string Kind, string A, string B)>();
        var compared = 0;
        for (var a = 0; a < voices.Count; a++)
        {
            for (var b = a + 1; b < voices.Count; b++)
            {
                if (PartOf(voices[a]) == PartOf(voices[b]))
                    continue;
                foreach (var run in Runs(voices[a], voices[b]))
                {
                    compared += run.Count;
                    differing.AddRange(
                        run.Where(p => p.A.Articulations != p.B.Articulations).Select(p => ("articulation", p.A.Id, p.B.Id))
                    );
                    // A slur that begins on the last note of a run leads out of it.
                    differing.AddRange(run.SkipLast(1).Where(p => p.A.SlurStarts != p.B.SlurStarts).Select(p => ("slur", p.A.Id, p.B.Id)));
                }
            }
        }

        return (differing, compared);
    }

    private static string PartOf(List<RawNote> voice) => voice[0].Id.Split("-n")[0];

    // Neighbours in both voices that sound the same letters together.
    private static IEnumerable<List<(RawNote A, RawNote B)>> Runs(List<RawNote> a, List<RawNote> b)
    {
        var at = b.Select((n, i) => (n.Onset, i)).ToDictionary(x => x.Onset, x => x.i);
        var run = new List<(RawNote A, RawNote B)>();
        var last = -2;
        foreach (var note in a)
        {
            var joins = at.TryGetValue(note.Onset, out var i) && (b[i].Key - note.Key) % 12 == 0 && (run.Count == 0 || i == last + 1);
            if (!joins && run.Count > 0)
            {
                if (Counts(run))
                    yield return run;
                run = [];
                joins = at.TryGetValue(note.Onset, out i) && (b[i].Key - note.Key) % 12 == 0;
            }

            if (!joins)
                continue;
            run.Add((note, b[i]));
            last = i;
        }

        if (Counts(run))
            yield return run;
    }

    private static bool Counts(List<(RawNote A, RawNote B)> run) =>
        run.Count >= LeastRun && run.Select(p => p.A.Key % 12).Distinct().Count() > 1;

    private static byte[] Load(string file, bool isDamaged)
    {
        var xml = ScoreDocument.Load(Reference.Bytes(file)).Xml;
        foreach (var part in isDamaged ? xml.Root!.Elements("part").ToList() : [])
        {
            var copy = new XElement(part);
            copy.SetAttributeValue("id", part.Attribute("id")!.Value + "copy");
            var header = new XElement(xml.Descendants("score-part").First(p => p.Attribute("id")!.Value == part.Attribute("id")!.Value));
            header.SetAttributeValue("id", copy.Attribute("id")!.Value);
            xml.Root!.Element("part-list")!.Add(header);
            xml.Root.Add(copy);
            foreach (var articulations in copy.Descendants("articulations").Where((_, i) => i % 3 == 0).ToList())
                articulations.Remove();
            foreach (
                var start in copy.Descendants("slur").Where(s => s.Attribute("type")?.Value == "start").Where((_, i) => i % 4 == 0).ToList()
            )
            {
                var note = start.Ancestors("note").First();
                var stop = note.ElementsAfterSelf("note")
                    .Concat(note.Parent!.ElementsAfterSelf("measure").Elements("note"))
                    .Descendants("slur")
                    .FirstOrDefault(s =>
                        s.Attribute("type")?.Value == "stop" && s.Attribute("number")?.Value == start.Attribute("number")?.Value
                    );
                stop?.Remove();
                start.Remove();
            }
        }

        return ScoreExport.Serialize(xml);
    }

    private static List<List<RawNote>> Voices(byte[] score)
    {
        var root = XDocument.Load(new MemoryStream(score)).Root!;
        return [.. root.Elements("part").SelectMany(PartVoices).Where(v => v.Count > 0)];
    }

    private static IEnumerable<List<RawNote>> PartVoices(XElement part)
    {
        var voices = new Dictionary<string, List<RawNote>>();
        var (start, divisions, chromatic, ordinal) = (0m, 1m, 0, 0);
        foreach (var measure in part.Elements("measure"))
        {
            var (at, longest) = (0m, 0m);
            foreach (var e in measure.Elements())
            {
                switch (e.Name.LocalName)
                {
                    case "attributes":
                        divisions = Number(e.Element("divisions")) is var d and > 0 ? d : divisions;
                        if (e.Element("transpose") is { } t)
                            chromatic = (int)Number(t.Element("chromatic")) + (12 * (int)Number(t.Element("octave-change")));
                        break;
                    case "backup":
                        at -= Number(e.Element("duration")) / divisions;
                        break;
                    case "forward":
                        at += Number(e.Element("duration")) / divisions;
                        break;
                    case "note":
                        ordinal++;
                        var length = Number(e.Element("duration")) / divisions;
                        var isChord = e.Element("chord") is not null;
                        if (IsStruck(e) && !isChord)
                            Add(
                                voices,
                                e,
                                new RawNote(
                                    $"{part.Attribute("id")!.Value}-n{ordinal}",
                                    start + at,
                                    KeyOf(e) + chromatic,
                                    Articulations(e),
                                    e.Descendants("slur").Any(s => s.Attribute("type")?.Value == "start")
                                )
                            );
                        if (!isChord && e.Element("grace") is null)
                            at += length;
                        break;
                }

                longest = Math.Max(longest, at);
            }

            start += longest;
        }

        return voices.Values;
    }

    private static void Add(Dictionary<string, List<RawNote>> voices, XElement note, RawNote raw)
    {
        var key = $"{note.Element("staff")?.Value ?? "1"}/{note.Element("voice")?.Value ?? "1"}";
        if (!voices.TryGetValue(key, out var list))
            voices[key] = list = [];
        if (list.Count == 0 || list[^1].Onset < raw.Onset)
            list.Add(raw);
    }

    private static bool IsStruck(XElement note) =>
        note.Element("pitch") is not null
        && note.Element("grace") is null
        && note.Element("cue") is null
        && note.Elements("tie").All(t => t.Attribute("type")?.Value != "stop");

    private static int KeyOf(XElement note)
    {
        var pitch = note.Element("pitch")!;
        return (12 * ((int)Number(pitch.Element("octave")) + 1))
            + "C D EF G A B".IndexOf(pitch.Element("step")!.Value, StringComparison.Ordinal)
            + (int)Number(pitch.Element("alter"));
    }

    private static string Articulations(XElement note) =>
        string.Join(
            '+',
            note.Descendants("articulations")
                .Elements()
                .Select(e => e.Name.LocalName)
                .Where(n =>
                    n is "accent" or "strong-accent" or "staccato" or "tenuto" or "detached-legato" or "staccatissimo" or "spiccato"
                )
                .Distinct()
                .Order(StringComparer.Ordinal)
        );

    private static decimal Number(XElement? e) => e is null ? 0 : decimal.Parse(e.Value.Trim(), CultureInfo.InvariantCulture);
}
