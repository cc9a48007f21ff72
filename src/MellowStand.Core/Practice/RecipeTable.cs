using System.Xml.Linq;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Practice;

/// <summary>A recipe that fits a passage.</summary>
/// <param name="Recipe">The recipe.</param>
/// <param name="Suit">How well, and why.</param>
public sealed record Offer(IRecipe Recipe, Suit Suit);

/// <summary>All ways to practice. A new one is one file and one line here.</summary>
public static class RecipeTable
{
    /// <summary>Every recipe, in the order in which they are usually gone through.</summary>
    public static IReadOnlyList<IRecipe> All { get; } =
    [
        new Skeleton(),
        new GracesBack(),
        new TrillsMeasured(),
        new GlissandoSteps(),
        new RhythmOnly(),
        new Slurred(),
        new Unslurred(),
        new LongShort(),
        new ShortLong(),
        new Pair(),
        new OctaveSmaller(),
        new HandsApart(),
        new BeatToBeat(),
        new ToTheDownbeat(),
        new TwoMeasures(),
        new FromTheEnd(),
        new AccentDownbeat(),
        new NoteGroups(),
        new WithLine(),
        new TwiceAsLong(),
    ];

    /// <summary>The recipe with the name, or null.</summary>
    public static IRecipe? Find(string name) => All.FirstOrDefault(r => r.Name == name);

    /// <summary>The recipes that make sense for a passage, best first.</summary>
    public static IReadOnlyList<Offer> For(Passage passage) =>
        [
            .. All.Select(r => (Recipe: r, Suit: passage.Notes.Any() ? r.Suits(passage) : null))
                .Where(x => x.Suit is not null)
                .Select(x => new Offer(x.Recipe, x.Suit!))
                .OrderByDescending(o => o.Suit.Weight),
        ];

    /// <summary>The music of a recipe as MusicXML.</summary>
    /// <param name="recipe">The recipe, which suits the passage.</param>
    /// <param name="passage">The passage.</param>
    /// <param name="title">Title of the piece.</param>
    public static XDocument Write(IRecipe recipe, Passage passage, string title)
    {
        var mark = passage.Study.Tempo.MarkAt(passage.From);
        var bpm = passage.Study.Tempo.QuarterBpmAt(passage.From);
        var unit = mark?.Unit ?? (passage.Study.Score.Measures[passage.From].Meter.BeatUnit);
        var score = new PlainScore($"{title}: {recipe.Title.ToLowerInvariant()}, {passage.Words}", recipe.Make(passage))
        {
            Tempo = new MetronomeMark(unit, Math.Round(bpm / unit.Value, 1)),
        };
        return PlainWriter.Write(score);
    }
}
