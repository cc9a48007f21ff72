using System.Text.Json;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Tests.Formats;

/// <summary>Every sounding note of the reference files. Source: tests/reference/facts (a direct reading and music21 10.5.1
/// agree).</summary>
public sealed class ReferenceScoresTests
{
    [Theory]
    [MemberData(nameof(Reference.All), MemberType = typeof(Reference))]
    public void Reads_every_sounding_note(string file)
    {
        var path = Path.Combine(Reference.Root, "facts", Path.ChangeExtension(file, ".json"));
        var score = ScoreReader.Read(Reference.Bytes(file));
        Assert.NotEmpty(score.Parts);
        if (!File.Exists(path))
            return;
        using var facts = JsonDocument.Parse(File.ReadAllBytes(path));
        foreach (var expected in facts.RootElement.GetProperty("parts").EnumerateArray())
        {
            var id = expected.GetProperty("id").GetString();
            var part = id is null ? score.Parts[0] : score.FindPart(id);
            Assert.NotNull(part);
            Assert.Equal(Strings(expected, "starts"), score.Measures.Select(m => m.Start.ToString()));
            var wanted = expected.GetProperty("notes").EnumerateArray().Select(n => n.ToString()).Order(StringComparer.Ordinal);
            Assert.Equal(wanted, Sounding(part).Order(StringComparer.Ordinal));
            Assert.Equal(expected.GetProperty("graces").GetInt32(), part.Notes.Where(n => n.IsGrace).Sum(n => n.Heads.Count));
        }
    }

    [Fact]
    public void Plays_the_measures_in_the_order_of_the_repeat_signs()
    {
        using var orders = JsonDocument.Parse(Reference.Bytes("facts/orders.json"));
        foreach (var entry in orders.RootElement.EnumerateObject())
        {
            var score = ScoreReader.Read(Reference.Bytes(entry.Name));
            Assert.Equal(entry.Value.EnumerateArray().Select(l => l.GetString()!), score.PlayedOrder.Select(i => score.Measures[i].Label));
        }
    }

    [Theory]
    [MemberData(nameof(Reference.Scores), MemberType = typeof(Reference))]
    public void Reads_every_printed_mark_and_slur(string file)
    {
        // The facts tell where a sign is written in the file, before its offset moves it.
        var document = ScoreDocument.Load(Reference.Bytes(file));
        foreach (var offset in document.Xml.Descendants("offset").ToList())
            offset.Remove();
        var score = ScoreReader.Read(document);
        using var facts = JsonDocument.Parse(Reference.Bytes("facts/" + Path.ChangeExtension(file, ".json")));
        foreach (var printed in facts.RootElement.GetProperty("printed").EnumerateArray())
        {
            var part = score.FindPart(printed.GetProperty("id").GetString()!)!;
            var marks = part
                .Notes.SelectMany(n => n.Marks.Where(m => m.Name is "staccato" or "accent").Select(m => $"{m},{n.MeasureIndex},{n.Offset}"))
                .Concat(
                    part.Directions.Where(d => d.Kind == DirectionKind.Dynamic)
                        .Select(d => $"dynamics:{d.Text},{d.MeasureIndex},{d.Offset}")
                );
            Assert.Equal(Rows(printed, "marks"), marks.Order(StringComparer.Ordinal));
            var slurs = part.Slurs.Select(s => $"{s.From.MeasureIndex},{s.From.Offset},{s.To.MeasureIndex},{s.To.Offset}");
            // A slur whose end stands before its start in the file, between two voices: the direct reading leaves it out.
            string[] betweenVoices = ["16,0,16,2"];
            Assert.Equal(
                Rows(printed, "slurs"),
                slurs.Where(s => !betweenVoices.Contains(s) || file != "scores/song-six-parts.mxl").Order(StringComparer.Ordinal)
            );
        }
    }

    [Fact]
    public void Beats_of_a_meter_agree_with_the_facts()
    {
        using var meters = JsonDocument.Parse(Reference.Bytes("facts/meters.json"));
        foreach (var m in meters.RootElement.EnumerateArray())
        {
            var pieces = m.GetProperty("meter").GetString()!.Split('/').Select(int.Parse).ToArray();
            Assert.Equal(Strings(m, "beatQuarters"), Meter.Of(pieces[0], pieces[1]).Beats.Select(b => b.ToString()));
        }
    }

    private static IEnumerable<string> Rows(JsonElement e, string name) =>
        e.GetProperty(name)
            .EnumerateArray()
            .Select(r => string.Join(',', r.EnumerateArray().Select(x => x.ToString())))
            .Order(StringComparer.Ordinal);

    private static IEnumerable<string> Strings(JsonElement e, string name) =>
        e.GetProperty(name).EnumerateArray().Select(x => x.ToString());

    private static IEnumerable<string> Sounding(Part part) =>
        from note in SoundingNote.Of(part)
        where !note.First.IsGrace
        from head in note.Heads
        where head.Sounding is not null
        select $"[{note.First.MeasureIndex},\"{note.First.Onset}\",\"{note.Duration}\",{head.Sounding}]";
}
