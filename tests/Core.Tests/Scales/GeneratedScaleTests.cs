using System.Text;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Scales;

namespace MellowStand.Core.Tests.Scales;

/// <summary>What must hold for every scale, asked of drawn ones; the seeds are fixed, another one by STAND_SEED.</summary>
public class GeneratedScaleTests
{
    private static readonly string[] Signs = ["", "b", "#"];

    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    [InlineData(4)]
    public void A_drawn_scale_is_whole(int seed)
    {
        var random = Seeds.Random(seed);
        for (var i = 0; i < 60; i++)
        {
            var (instrument, wish, style) = Draw(random);
            var told = $"{instrument.Id} {wish.Kind.Name} {wish.Tonic.Key} {style.Rhythm.Name} {style.Slurring.Name} {style.HasSignature}";
            if (ScaleSheet.Place(wish, instrument, instrument.Ranges.At("advanced")) is not { } placed)
                continue;
            var document = ScaleSheet.Write(placed.Title, instrument, [placed], style, House.Default);
            Assert.True(MusicXmlSchema.Problems(document).Count == 0, told);
            Holds(ScoreReader.Read(Encoding.UTF8.GetBytes(document.ToString())), placed, style, told);
        }
    }

    private static void Holds(Score score, PlacedScale placed, ScaleStyle style, string told)
    {
        var part = score.Parts[0];
        var notes = part.Notes.Where(n => n.Sounds && !n.IsTieContinuation).ToList();
        Assert.True(score.Warnings.Count == 0, told + ": " + string.Join(' ', score.Warnings));
        // Up and down again over the same way, the top once.
        var midi = notes.ConvertAll(n => n.Top!.Value.Midi);
        Assert.True(midi.IndexOf(midi.Max()) == midi.Count / 2 && midi.Count(m => m == midi.Max()) == 1, told);
        Assert.True(midi[0] == midi[^1] && midi.Max() - midi[0] == 12 * placed.Span.Octaves, told);
        // Measures are full, the rhythm is the one asked for, and the last note is held.
        Assert.True(score.Measures.All(m => m.Length == 4), told);
        var lengths = style.Rhythm.Lengths;
        Assert.True(notes.SkipLast(1).Select((n, i) => n.SoundingDuration == lengths[i % lengths.Count]).All(x => x), told);
        Assert.True(notes[^1].SoundingDuration >= 1, told);
        // Slurs do not cross, and every one has a beginning and an end.
        Assert.True(part.Slurs.All(s => s.From.Onset < s.To.Onset), told);
        Assert.True(part.Slurs.Zip(part.Slurs.Skip(1), (a, b) => a.To.Onset < b.From.Onset).All(x => x), told);
        // What is printed is what is meant: reading gives the very spelling back.
        Assert.Equal(ScalePitches.Of(placed.Wish.Kind, placed.Span.Start, placed.Span.Octaves), notes.Select(n => n.Top!.Value));
    }

    private static (Instrument, ScaleWish, ScaleStyle) Draw(Random random)
    {
        T One<T>(IReadOnlyList<T> list) => list[random.Next(list.Count)];
        var instrument = One([.. Catalog.All.Where(ScaleSheet.Has)]);
        Assert.True(ScaleTonic.TryParse("ABCDEFG"[random.Next(7)] + One(Signs), out var tonic));
        var wish = new ScaleWish(One(ScaleKinds.All), tonic)
        {
            IsConcert = random.Next(2) == 0,
            Octaves = random.Next(3) == 0 ? null : random.Next(1, 4),
        };
        var style = new ScaleStyle(
            One(ScaleRhythms.All),
            One(ScaleSlurs.All),
            random.Next(4) > 0,
            One([ScaleFingering.None, ScaleFingering.Chosen, ScaleFingering.All])
        );
        return (instrument, wish, style);
    }
}
