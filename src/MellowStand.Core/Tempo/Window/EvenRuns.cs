using MellowStand.Core.Notation;
using MellowStand.Core.Technique;

namespace MellowStand.Core.Tempo;

/// <summary>Notes in a row that set a speed.</summary>
/// <param name="First">Place of the first among the steps of the passage.</param>
/// <param name="Last">Place of the last, or of the note on which they land.</param>
internal readonly record struct EvenRun(int First, int Last);

/// <summary>Runs: four notes or more in a row at equal distances.</summary>
/// <remarks>Two or three quick notes between longer ones are a figure; graces are squeezed in, and a trill has as many notes as fit: none
/// of them is a speed. Common practice, no published source.</remarks>
internal static class EvenRuns
{
    private const int Fewest = 4;

    /// <summary>The runs of a passage in order.</summary>
    public static IEnumerable<EvenRun> Of(Excerpt excerpt)
    {
        var places = Enumerable.Range(0, excerpt.Steps.Count).Where(i => !excerpt.Steps[i].Note.IsGrace).ToList();
        for (var i = 0; i + 1 < places.Count;)
        {
            var k = i + 1;
            while (k + 1 < places.Count && IsEven(excerpt, places, i, k))
                k++;
            if (Notes(excerpt, places, i, k) >= Fewest && places[k] - places[i] == k - i)
                yield return new EvenRun(places[i], places[k]);
            i = Math.Max(k, i + 1);
        }
    }

    // The note on which it lands counts where it is as short as the others.
    private static int Notes(Excerpt excerpt, List<int> places, int first, int last)
    {
        var step = At(excerpt, places[first + 1]) - At(excerpt, places[first]);
        return last - first + (excerpt.Steps[places[last]].Note.SoundingDuration <= step ? 1 : 0);
    }

    private static bool IsEven(Excerpt excerpt, List<int> places, int first, int next)
    {
        var step = At(excerpt, places[first + 1]) - At(excerpt, places[first]);
        return At(excerpt, places[next + 1]) - At(excerpt, places[next]) == step && !IsTrilled(excerpt.Steps[places[next]].Note);
    }

    private static Fraction At(Excerpt excerpt, int place) => excerpt.Steps[place].Note.Onset;

    private static bool IsTrilled(Note note) => note.Marks.Any(m => OrnamentMarks.All.Contains(m.Name));
}
