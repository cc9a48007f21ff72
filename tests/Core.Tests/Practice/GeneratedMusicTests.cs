using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;
using MellowStand.Core.Performance;
using MellowStand.Core.Practice;
using MellowStand.Core.Study;
using MellowStand.Core.Tempo;

namespace MellowStand.Core.Tests.Practice;

/// <summary>Recipes and performance on music made by chance: what holds for all music holds for this.</summary>
public sealed class GeneratedMusicTests
{
    private static readonly string[] Beats =
    [
        "{0}q",
        "{0}e {1}e",
        "{0}s {1}s {2}s {3}s",
        "{0}e. {1}s",
        "{0}s {1}e.",
        "r{0}",
        "{0}e3 {1}e3 {2}e3",
        "g:{1}e {0}q",
        "{0}e(.) {1}e(>)",
        "{0}e[ {1}e]",
        "{0}q(tr)",
        "{0}q~ {0}q",
        "{0}h",
        "{0}q.(turn) {1}e",
    ];

    private static readonly int[] LengthOf = [1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 2, 2, 2];

    [SeededProperty(MaxTest = 120)]
    public bool Every_variant_adds_up_and_keeps_its_promises(byte[] seed)
    {
        var score = ShortFormReader.Score(Music(seed));
        var study = new StudyContext(score, House.Default);
        var passage = new Passage(study, score.Parts[0], 0, score.Measures.Count - 1, []);
        foreach (var (recipe, _) in RecipeTable.For(passage))
        {
            var document = RecipeTable.Write(recipe, passage, "Piece");
            var variant = ScoreReader.Read(ScoreExport.Serialize(document));
            Assert.Empty(MusicXmlSchema.Problems(document));
            Assert.Empty(variant.Warnings);
            if (recipe.Keeps.HasFlag(Keeps.Length))
                Assert.Equal(score.Measures.Select(m => m.Length), variant.Measures.Select(m => m.Length));
            if (recipe.Keeps.HasFlag(Keeps.Pitches))
                Assert.Equal(Struck(score), Struck(variant));
        }

        return true;
    }

    [SeededProperty(MaxTest = 200)]
    public bool A_performance_is_in_order_and_inside_its_time(byte[] seed, byte bpm, byte from)
    {
        var score = ShortFormReader.Score(Music(seed));
        var first = from % score.Measures.Count;
        var played = Perform(score, first, 40 + bpm);
        Assert.Equal(played.Clicks.OrderBy(c => c.Seconds), played.Clicks);
        Assert.Equal(played.Notes.OrderBy(n => n.Seconds).Select(n => n.Seconds), played.Notes.Select(n => n.Seconds));
        Assert.All(played.Notes, n => Assert.InRange(n.Seconds, 0, played.Seconds));
        Assert.All(played.Notes, n => Assert.InRange(n.Seconds + n.Length, n.Seconds, played.Seconds + 1e-9));
        // One voice: a note is over when the next begins.
        Assert.All(played.Notes.Zip(played.Notes.Skip(1)), p => Assert.True(p.First.To <= p.Second.From, $"{p.First} {p.Second}"));
        return true;
    }

    // Twice the tempo is half the time, whatever the ornaments do in between.
    [SeededProperty(MaxTest = 100)]
    public bool Twice_the_tempo_is_half_the_time(byte[] seed)
    {
        var score = ShortFormReader.Score(Music(seed));
        var (slow, quick) = (Perform(score, 0, 60), Perform(score, 0, 120));
        return Math.Abs((slow.Seconds - slow.StartsAt) - (2 * (quick.Seconds - quick.StartsAt))) < 1e-6;
    }

    private static PerformedRange Perform(Score score, int from, double bpm) =>
        new Performer(score, new TempoLine(score), House.Default, p => new LevelLine(score, p)).Perform(
            new PerformanceRequest([score.Parts[0].Id], from, int.MaxValue, new TempoMark(BeatUnit.Find("quarter")!, bpm))
        );

    private static List<string> Struck(Score score) =>
        [
            .. score
                .Parts[0]
                .Notes.Where(n => n is { Sounds: true, IsGrace: false, IsTieContinuation: false })
                .Select(n => n.Top!.Value.ToString()),
        ];

    // Measures of four beats; the same bytes are the same music.
    private static string Music(byte[] seed)
    {
        var chance = new Random(seed.Aggregate(17, (h, b) => unchecked((h * 31) + b)));
        var bars = Enumerable.Range(0, 2 + chance.Next(4)).Select(_ => Bar(chance));
        return "part \"Flute\"\nkey:G meter:4/4 tempo:q=90 | C5q D5q E5q F#5q | " + string.Join(" | ", bars);
    }

    private static string Bar(Random chance)
    {
        var (bar, left) = (new List<string>(), 4);
        while (left > 0)
        {
            var i = chance.Next(Beats.Length);
            if (LengthOf[i] > left)
                continue;
            bar.Add(
                Beats[i].StartsWith('r') ? "rq" : string.Format(null, Beats[i], [.. Enumerable.Range(0, 4).Select(_ => Pitch(chance))])
            );
            left -= LengthOf[i];
        }

        return string.Join(' ', bar);
    }

    private static string Pitch(Random chance) => "CDEFGAB"[chance.Next(7)].ToString() + (4 + chance.Next(3));
}
