using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A measure that comes again by itself.</summary>
/// <param name="Places">Where it stands, from 0: the first time, then again; at least two.</param>
/// <param name="Same">How many notes of it are the same from its first beat on; all but the last few where it ends otherwise.</param>
/// <param name="EndsOtherwise">True where only its last notes differ.</param>
internal sealed record SingleMeasure(IReadOnlyList<int> Places, int Same, bool EndsOtherwise);

/// <summary>Measures that come again alone, with other music between: just so, or with other last notes.</summary>
/// <remarks>A tune of at least four notes on three pitches; an accompaniment that keeps its rhythm while the chords change is none. Common
/// practice, no published source; the bounds are ours.</remarks>
internal static class SingleMeasures
{
    private const int FewestNotes = 4;
    private const int FewestPitches = 3;
    private const int FarApart = 8;

    /// <summary>They in order of where they come again.</summary>
    /// <param name="measures">The measures of a part.</param>
    /// <param name="isTold">True for a measure that is told to return with its neighbours.</param>
    public static IEnumerable<SingleMeasure> Find(IReadOnlyList<MeasureContent> measures, Func<int, bool> isTold)
    {
        var tunes = Enumerable.Range(0, measures.Count).Where(m => IsTune(measures[m])).ToList();
        foreach (var equal in tunes.GroupBy(m => measures[m].Pitches).Select(g => g.ToList()))
            foreach (var near in Near(equal).Where(n => n.Count > 1 && !n.Skip(1).All(isTold)))
                yield return new SingleMeasure(near, measures[near[0]].Sounding.Count, false);
        foreach (var alike in tunes.GroupBy(m => Beginning(measures[m])))
        {
            var first = alike.First();
            foreach (var again in alike.Skip(1).Where(m => EndsOtherwise(measures[first], measures[m]) && !isTold(m)).Take(1))
                yield return new SingleMeasure([first, again], SameNotes(measures[first], measures[again]), true);
        }
    }

    private static bool IsTune(MeasureContent m) =>
        m.Sounding.Count >= FewestNotes && m.Sounding.Select(n => n.TopSounding).Distinct().Count() >= FewestPitches;

    // The same rhythm, and the same notes for more than half of it.
    private static (string, string) Beginning(MeasureContent m) =>
        (m.Rhythm, string.Join(' ', m.Sounding.Take((m.Sounding.Count / 2) + 1).Select(n => n.TopSounding)));

    private static bool EndsOtherwise(MeasureContent a, MeasureContent b) => SameNotes(a, b) < Math.Min(a.Sounding.Count, b.Sounding.Count);

    private static int SameNotes(MeasureContent a, MeasureContent b) =>
        a.Sounding.Zip(b.Sounding).TakeWhile(p => p.First.TopSounding == p.Second.TopSounding).Count();

    private static IEnumerable<List<int>> Near(List<int> places)
    {
        var open = new List<int>();
        foreach (var place in places)
        {
            if (open.Count > 0 && place - open[^1] > FarApart)
            {
                yield return open;
                open = [];
            }

            open.Add(place);
        }

        yield return open;
    }
}
