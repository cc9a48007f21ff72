using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>What the line itself says beside the place in question: a pattern that is carried on, and the same music elsewhere.</summary>
/// <param name="line">The line.</param>
/// <param name="reading">What the part of the given voice (place in the line) has at one of its notes, in the words of the
/// readings.</param>
/// <param name="begins">What it has that begins at one of its notes, however far it goes; null where that is the reading.</param>
internal sealed class LineReasons(SharedLine line, Func<int, Note, string> reading, Func<int, Note, string>? begins = null)
{
    private const int Around = 4;
    private const double Beside = 0.9;
    private const double Alike = 0.8;
    private const double Again = 1.1;
    private const double SplitAgain = 1.5;
    private const double AsOthers = 1.2;
    private const double OwnWay = 1;
    private const int LeastHabit = 3;
    private const int LeastOwn = 2;
    private const int Most = 3;

    private static readonly Fraction LongestGap = 1;

    /// <summary>All of them for some places of the line.</summary>
    /// <param name="places">Places in the line that differ alike.</param>
    /// <param name="besides">True for marks that stand on several notes in a row, so that the notes beside tell.</param>
    public IEnumerable<Reason> At(IReadOnlyList<int> places, bool besides) =>
        (besides ? Neighbours(places) : []).Concat(Similar(places)).Concat(Habit(places)).Concat(Elsewhere(places[0]));

    private IEnumerable<Reason> Neighbours(IReadOnlyList<int> places)
    {
        var votes = new[] { (places[0], places[0] - 1), (places[^1], places[^1] + 1) }
            .Where(x => x.Item2 >= 0 && x.Item2 < line.Notes[0].Count && AreBeside(x.Item1, x.Item2))
            .Select(x => Agreed(x.Item2))
            .OfType<string>();
        return Counted(
            votes,
            Beside,
            "pattern",
            has => has.Length == 0 ? "The notes beside it are plain in all parts." : "The notes beside it have it in all parts."
        );
    }

    // The same beat and length in the measures around: a figure that comes again and again.
    private IEnumerable<Reason> Similar(IReadOnlyList<int> places)
    {
        var at = line.Notes[0][places[0]];
        var votes = InMeasuresAround(places[0])
            .Where(j => !places.Contains(j) && IsAlike(line.Notes[0][j], at))
            .OrderBy(j => Math.Abs(line.Notes[0][j].MeasureIndex - at.MeasureIndex))
            .Select(Agreed)
            .OfType<string>()
            .Take(Most)
            .ToList();
        // A figure that is marked now so, now so, tells nothing.
        return votes.Distinct().Count() != 1
            ? []
            : Counted(
                votes,
                Alike,
                "pattern",
                has =>
                    has.Length == 0 ? "The same figure is plain in the measures around." : "The same figure has it in the measures around."
            );
    }

    // One part against others that agree: what it prints everywhere else where they print something is the strongest witness.
    private IEnumerable<Reason> Habit(IReadOnlyList<int> places)
    {
        var here = line.Notes.Select((row, k) => reading(k, row[places[0]])).ToList();
        var sides = here.Select((has, k) => (has, k)).GroupBy(x => x.has, x => x.k).OrderBy(g => g.Count()).ToList();
        if (sides.Count != 2 || sides[0].Count() > 1 || sides[1].Count() < 2)
            yield break;
        var (alone, others) = (sides[0].Single(), sides[1].ToList());
        var (before, after, unlike) = (0, 0, 0);
        var has = begins ?? reading;
        foreach (var j in InMeasuresAround(places[0]).Where(j => !places.Contains(j)))
        {
            var theirs = has(others[0], line.Notes[others[0]][j]);
            var own = has(alone, line.Notes[alone][j]);
            if ((theirs.Length == 0 && own.Length == 0) || others.Exists(k => has(k, line.Notes[k][j]) != theirs))
                continue;
            if (own != theirs)
                unlike++;
            else if (j < places[0])
                before++;
            else
                after++;
        }

        if (before + after >= LeastHabit && before > 0 && after > 0 && unlike == 0)
            yield return new Reason(sides[1].Key, AsOthers, "pattern", "Everywhere around, that part prints what the others print.");
        if (unlike >= LeastOwn && unlike > before + after)
            yield return new Reason(null, OwnWay * Math.Min(unlike, Most), "split", "That part differs everywhere around.");
    }

    // Places of the line no more than some measures away.
    private IEnumerable<int> InMeasuresAround(int place)
    {
        var (row, measure) = (line.Notes[0], line.Notes[0][place].MeasureIndex);
        for (var j = place - 1; j >= 0 && measure - row[j].MeasureIndex <= Around; j--)
            yield return j;
        for (var j = place + 1; j < row.Count && row[j].MeasureIndex - measure <= Around; j++)
            yield return j;
    }

    private List<Reason> Elsewhere(int place)
    {
        var there = line
            .Voices.SelectMany((v, k) => SameMusic.Of(v, line.Notes[k][place]).Select(n => (Voice: k, Has: reading(k, n), n.Onset)))
            .GroupBy(x => x.Onset)
            .ToList();
        var agreeing = there.Where(g => g.Select(x => x.Has).Distinct().Count() == 1).Select(g => g.First().Has).Take(Most).ToList();
        var reasons = Counted(
                agreeing,
                Again,
                "elsewhere",
                has => has.Length == 0 ? "Where the same music comes again it is plain." : "Where the same music comes again it is so."
            )
            .ToList();
        var here = line.Notes.Select((row, k) => reading(k, row[place])).ToList();
        var splits = there.Count(g => g.Select(x => x.Has).Distinct().Count() > 1 && g.All(x => x.Has == here[x.Voice]));
        if (splits > 0)
            reasons.Add(
                new Reason(null, SplitAgain * Math.Min(splits, 2), "split", "The parts differ in the same way where the music comes again.")
            );
        return reasons;
    }

    private static IEnumerable<Reason> Counted(IEnumerable<string> votes, double weight, string rule, Func<string, string> words) =>
        votes.GroupBy(v => v).Select(g => new Reason(g.Key, weight * g.Count(), rule, words(g.Key)));

    // What all parts print at a place, or null where they differ.
    private string? Agreed(int place)
    {
        var first = reading(0, line.Notes[0][place]);
        for (var k = 1; k < line.Notes.Count; k++)
            if (reading(k, line.Notes[k][place]) != first)
                return null;
        return first;
    }

    private bool AreBeside(int place, int other)
    {
        var (a, b) = place < other ? (line.Notes[0][place], line.Notes[0][other]) : (line.Notes[0][other], line.Notes[0][place]);
        return a.SoundingDuration == b.SoundingDuration && b.Onset - (a.Onset + a.SoundingDuration) < LongestGap;
    }

    private static bool IsAlike(Note note, Note at) =>
        note.Offset == at.Offset && note.SoundingDuration == at.SoundingDuration && note.MeasureIndex != at.MeasureIndex;
}
