using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;
using MellowStand.Core.Performance;
using MellowStand.Core.Practice;
using MellowStand.Core.Study;
using MellowStand.Core.Tempo;

namespace MellowStand.Core.Tests.Practice;

/// <summary>Every recipe on every part of the reference scores: valid, read again without a warning, and true to what it promises to
/// keep.</summary>
public sealed class RecipeScoreTests
{
    private const int Length = 4;

    public static TheoryData<string> Files => [.. Reference.Files("scores"), .. Reference.Files("suite")];

    [Theory]
    [MemberData(nameof(Files))]
    public void Every_variant_is_legal_music_that_reads_again_without_a_warning(string file)
    {
        foreach (var (passage, offer) in Offers(file))
        {
            var where = $"{offer.Recipe.Name} of {passage.Part.Id}, {passage.Words}";
            var document = RecipeTable.Write(offer.Recipe, passage, "Piece");
            var problems = MusicXmlSchema.Problems(document);
            Assert.True(problems.Count == 0, $"{where}: {string.Join("; ", problems.Take(3))}");
            var score = ScoreReader.Read(ScoreExport.Serialize(document));
            Assert.True(score.Warnings.Count == 0, $"{where}: {string.Join("; ", score.Warnings.Take(3))}");
            Assert.True(score.Parts[0].Notes.Any(n => n.Sounds), $"{where}: nothing sounds");
        }
    }

    [Theory]
    [MemberData(nameof(Files))]
    public void A_variant_keeps_what_it_promises(string file)
    {
        foreach (var (passage, offer) in Offers(file))
        {
            var where = $"{offer.Recipe.Name} of {passage.Part.Id}, {passage.Words}";
            var score = ScoreReader.Read(ScoreExport.Serialize(RecipeTable.Write(offer.Recipe, passage, "Piece")));
            if (offer.Recipe.Keeps.HasFlag(Keeps.Length))
                Assert.True(
                    passage
                        .Study.Score.Measures.Skip(passage.From)
                        .Take(passage.Measures)
                        .Select(m => m.Length)
                        .SequenceEqual(score.Measures.Select(m => m.Length)),
                    $"{where}: lengths"
                );
            if (!offer.Recipe.Keeps.HasFlag(Keeps.Pitches))
                continue;
            var (kept, was) = (Line(score.Parts[0]), PassageLine(passage));
            // A recipe for the line alone leaves out the other voices.
            Assert.True(
                IsWithin(kept, was, passage.Notes.Select(n => (n.Staff, n.Voice)).Distinct().Count() == 1),
                $"{where}: {string.Join(' ', was)} became {string.Join(' ', kept)}"
            );
        }
    }

    // What is played of a variant, from the first click to the last note.
    [Theory]
    [MemberData(nameof(Reference.Scores), MemberType = typeof(Reference))]
    public void Every_variant_can_be_performed(string file)
    {
        foreach (var (passage, offer) in Offers(file).Where((_, i) => i % 7 == 0))
        {
            var score = ScoreReader.Read(ScoreExport.Serialize(RecipeTable.Write(offer.Recipe, passage, "Piece")));
            var played = new Performer(score, new TempoLine(score), House.Default, p => new LevelLine(score, p)).Perform(
                new PerformanceRequest([score.Parts[0].Id], 0, int.MaxValue, new TempoMark(BeatUnit.Find("quarter")!, 72))
                {
                    Repeats = Repeats.Played,
                }
            );
            Assert.NotEmpty(played.Notes);
        }
    }

    [Fact]
    public void Every_fixed_recipe_is_offered_somewhere()
    {
        var offered = Reference
            .Files("scores")
            .Concat(["suite/31d-Directions-Compounds.xml"])
            .Where(f => File.Exists(Path.Combine(Reference.Root, f)));
        var names = offered.SelectMany(Offers).Select(o => o.Offer.Recipe.Name).ToHashSet();
        string[] needsOther = ["accent-downbeat", "glissando-steps"];
        Assert.Empty(RecipeTable.All.Select(r => r.Name).Except(names).Except(needsOther));
    }

    private static List<string> PassageLine(Passage passage) =>
        [.. passage.Notes.Where(n => !n.IsGrace && (!n.IsTieContinuation || IsCut(passage, n))).OrderBy(n => n.Onset).SelectMany(Names)];

    // A tie into the passage is cut: what goes on there is struck.
    private static bool IsCut(Passage passage, Note note) => note.MeasureIndex == passage.From && note.Offset == Fraction.Zero;

    private static List<string> Line(Part part) =>
        [.. part.Notes.Where(n => n is { Sounds: true, IsGrace: false, IsTieContinuation: false }).OrderBy(n => n.Onset).SelectMany(Names)];

    private static IEnumerable<string> Names(Note note) =>
        note.Heads.Select(h => h.Written?.ToString() ?? "x").Order(StringComparer.Ordinal);

    // Every kept pitch stands in the original, of a single line in the same order.
    private static bool IsWithin(List<string> kept, List<string> was, bool isLine)
    {
        var left = new List<string>(was);
        var missing = 0;
        var at = 0;
        foreach (var name in kept)
        {
            var found = left.FindIndex(isLine ? at : 0, n => n == name);
            if (found < 0)
                missing++;
            else if (isLine)
                at = found + 1;
            else
                left.RemoveAt(found);
        }

        return missing == 0;
    }

    private static IEnumerable<(Passage Passage, Offer Offer)> Offers(string file)
    {
        Score score;
        try
        {
            score = ScoreReader.Read(Reference.Bytes(file));
        }
        catch (ScoreFormatException)
        {
            yield break;
        }

        var study = new StudyContext(score, House.Default);
        foreach (var part in score.Parts)
            for (var m = 0; m < score.Measures.Count; m += 11)
            {
                var passage = new Passage(study, part, m, Math.Min(m + Length, score.Measures.Count) - 1, []);
                foreach (var offer in RecipeTable.For(passage))
                    yield return (passage, offer);
            }
    }
}
