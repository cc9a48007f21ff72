using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Notes of a line that carry other articulations in some parts than in others.</summary>
/// <remarks>Parts that play the same line must agree on separation, accents and length. Adjacent notes with the same
/// disagreement are one entry. Struck instruments have accents but no separation of their own. Common practice, no
/// published source.</remarks>
public sealed class ArticulationDifferences : IDifferenceRule
{
    private static readonly string[] Accents = ["accent", "strong-accent", "stress", "soft-accent"];

    private static readonly string[] Names =
        ["accent", "strong-accent", "staccato", "tenuto", "detached-legato", "staccatissimo", "spiccato", "stress", "unstress", "soft-accent"];

    /// <inheritdoc/>
    public string Kind => "articulation";

    /// <inheritdoc/>
    public IEnumerable<Difference> Find(UnifyContext context, SharedLine line)
    {
        var open = new Dictionary<string, Run>();
        var done = new List<Run>();
        for (var i = 0; i < line.Notes[0].Count; i++)
        {
            var readings = line.Notes.Select(row => ReadingOf(row[i])).ToList();
            var measure = line.Notes[0][i].MeasureIndex;
            if (Agree(context, line, readings)) continue;
            var key = string.Join('|', readings);
            if (!open.TryGetValue(key, out var run) || measure > run.LastMeasure + 1) done.Add(open[key] = run = new Run(readings));

            run.Add(i, measure);
        }

        return done.Select(run => ToDifference(context, line, run));
    }

    private static bool Agree(UnifyContext context, SharedLine line, List<string> readings)
    {
        var sustained = readings.Where((_, i) => !context.IsStruck(line.Voices[i].Part)).Distinct().ToList();
        return sustained.Count <= 1 && readings.Select(AccentsOf).Distinct().Count() == 1;
    }

    private static string AccentsOf(string reading) => string.Join('+', Marks(reading).Where(m => Accents.Contains(m.Name)));

    private static string ReadingOf(Note note) => string.Join('+', Names.Where(note.Has));

    private Difference ToDifference(UnifyContext context, SharedLine line, Run run)
    {
        var notes = line.Notes.Select(row => (IReadOnlyList<string>)[.. run.Places.Select(i => row[i].Id)]).ToList();
        var readings = line.Voices.Select((v, i) => new Reading(v.Part.Id, notes[i], run.Readings[i])).ToList();
        var changes = readings.Select(r => r.Has).Distinct()
            .ToDictionary(has => has, has => (IReadOnlyList<MarkChange>)[.. readings.Where(r => r.Has != has).Select(r => Change(context, r, has)).Where(c => c.Added.Count + c.Removed.Count > 0)]);
        return context.Difference(Kind, line, run.Places[0], run.Places[^1], readings, changes, ProposalRules.ForMarks(context, readings));
    }

    private static MarkChange Change(UnifyContext context, Reading reading, string to)
    {
        var has = Marks(reading.Has);
        var wants = context.IsStruck(context.Score.FindPart(reading.Part)!) ? Marks(to).Where(m => Accents.Contains(m.Name)) : Marks(to);
        return new MarkChange(reading.Part, reading.Notes, [.. wants.Except(has)], [.. has.Except(wants)]);
    }

    private static IEnumerable<Mark> Marks(string reading) => reading.Split('+', StringSplitOptions.RemoveEmptyEntries).Select(m => new Mark(m));

    private sealed class Run(List<string> readings)
    {
        public List<string> Readings => readings;

        public List<int> Places { get; } = [];

        public int LastMeasure { get; private set; }

        public void Add(int place, int measure)
        {
            Places.Add(place);
            LastMeasure = measure;
        }
    }
}
