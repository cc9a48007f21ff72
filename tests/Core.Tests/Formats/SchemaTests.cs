using System.Xml.Linq;
using MellowStand.Core.Decisions;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Tests.Formats;

/// <summary>What we give back is legal MusicXML. Source: the W3C schema of MusicXML 4.0 in tests/reference/musicxml-4.0.</summary>
public sealed class SchemaTests
{
    private static readonly string[] Marks =
    [
        .. MarkCatalog.Names.Where(n => MarkCatalog.Problem(new Mark(n)) is null),
        "fingering:2",
        "string:1",
        "dynamics:mf",
        "dynamics:sfz",
        "words:dolce",
        "accidental:sharp",
        "tremolo:3",
        "hole:half",
        "harmonic:artificial",
        "pluck:p",
        "accidental-mark:sharp",
        "other-technical:R",
    ];

    public static TheoryData<string> Files => [.. Reference.Files("scores"), .. Reference.Files("suite"), .. Demo()];

    [Theory]
    [MemberData(nameof(Files))]
    public void Every_mark_added_and_removed_keeps_a_valid_file_valid(string file)
    {
        var original = Bytes(file);
        if (MusicXmlSchema.Problems(ScoreFile.Load(original)).Count > 0)
            return;
        var score = ScoreReader.Read(original);
        // All parts at once: each has its own marks at its own notes, and the file is judged as a whole.
        var pairs = score.Parts.Select(p => (p.Id, Pair: PairOf(p))).Where(p => p.Pair.Length == 2).ToList();
        List<MarkChange> added = [.. pairs.SelectMany(p => Marks.Select(m => new MarkChange(p.Id, p.Pair, [Mark.Parse(m)], [])))];
        Assert.Empty(MusicXmlSchema.Problems(Apply(original, added)));
        var removed = pairs.SelectMany(p => Marks.Select(m => new MarkChange(p.Id, p.Pair, [], [Mark.Parse(m)])));
        Assert.Empty(MusicXmlSchema.Problems(Apply(original, [.. added, .. removed])));

        var last = score.Measures.Count - 1;
        Assert.Empty(
            MusicXmlSchema.Problems(ScoreFile.Load(ScoreExport.Write(original, [], new ExportRange([score.Parts[0].Id], last / 2, last))))
        );
    }

    [Theory]
    [MemberData(nameof(Files))]
    public void A_part_to_play_from_is_valid_where_its_file_is(string file)
    {
        var original = Bytes(file);
        if (MusicXmlSchema.Problems(ScoreFile.Load(original)).Count > 0)
            return;
        var score = ScoreReader.Read(original);
        foreach (var part in score.Parts)
        {
            var range = new ExportRange([part.Id], ForPaper: true) { Cues = Cues.Of(score, part) };
            Assert.Empty(MusicXmlSchema.Problems(ScoreFile.Load(ScoreExport.Write(original, [], range))));
            var slice = range with { From = score.Measures.Count / 2, Reminded = true };
            Assert.Empty(MusicXmlSchema.Problems(ScoreFile.Load(ScoreExport.Write(original, [], slice))));
        }
    }

    [Fact]
    public void The_files_that_are_not_valid_before_are_known_by_name()
    {
        var invalid = Files
            .Select(f => f.Data)
            .Where(f => MusicXmlSchema.Problems(ScoreFile.Load(Bytes(f))).Count > 0)
            .Select(f => Path.GetFileNameWithoutExtension(f)!)
            .ToList();
        var known = File.ReadAllLines(Path.Combine(Reference.RepositoryRoot, "tests", "Core.Tests", "Formats", "not-valid-before.txt"));
        if (Environment.GetEnvironmentVariable("STAND_WRITE") == "1")
            File.WriteAllLines(Path.Combine(Reference.RepositoryRoot, "tests", "Core.Tests", "Formats", "not-valid-before.txt"), invalid);
        Assert.Equal(known, invalid);
        Assert.DoesNotContain(invalid, f => Demo().Any(d => d.Contains(f, StringComparison.Ordinal)));
    }

    private static string[] PairOf(Part part)
    {
        var notes = part.Notes.Where(n => n.Kind == NoteKind.Pitched && !n.IsGrace).Select(n => n.Id).ToList();
        return notes.Count < 2 ? [] : [notes[0], notes[Math.Min(notes.Count - 1, 3)]];
    }

    private static IEnumerable<string> Demo() =>
        Directory.EnumerateFiles(Path.Combine(Reference.RepositoryRoot, "demo", "scores"), "*.musicxml").Order(StringComparer.Ordinal);

    private static byte[] Bytes(string file) => Path.IsPathRooted(file) ? File.ReadAllBytes(file) : Reference.Bytes(file);

    private static XDocument Apply(byte[] original, IReadOnlyCollection<MarkChange> changes) =>
        ScoreFile.Load(ScoreExport.Write(original, changes, new ExportRange()));
}
