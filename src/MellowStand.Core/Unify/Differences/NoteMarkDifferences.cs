using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Unify;

/// <summary>Notes of a line that carry other marks in some parts than in others.</summary>
/// <remarks>Adjacent notes with the same disagreement are one entry. Common practice, no published source.</remarks>
public abstract class NoteMarkDifferences : IDifferenceRule
{
    /// <inheritdoc/>
    public abstract string Kind { get; }

    /// <inheritdoc/>
    public virtual string Name => Kind;

    /// <summary>The marks that are compared, as MusicXML 4.0 spells them.</summary>
    protected abstract IReadOnlyList<string> Names { get; }

    /// <summary>The marks that a part can have at all; empty for a part that the comparison passes over.</summary>
    protected virtual IReadOnlyList<string> NamesFor(UnifyContext context, Part part) => Names;

    /// <inheritdoc/>
    public IEnumerable<Difference> Find(UnifyContext context, SharedLine line)
    {
        if (line.Voices.Select(v => NamesFor(context, v.Part).Count > 0).Count(has => has) < 2)
            yield break;
        line = line.Only(v => NamesFor(context, v.Part).Count > 0);
        var can = line.Voices.Select(v => NamesFor(context, v.Part)).ToList();
        var open = new Dictionary<string, Run>();
        var done = new List<Run>();
        for (var i = 0; i < line.Notes[0].Count; i++)
        {
            if (!IsMarked(line, i))
                continue;
            var readings = line.Notes.Select(row => ReadingOf(Carrier(row[i]))).ToList();
            var measure = line.Notes[0][i].MeasureIndex;
            if (Agree(can, readings))
                continue;
            var key = string.Join('|', readings);
            if (!open.TryGetValue(key, out var run) || measure > run.LastMeasure + 1)
                done.Add(open[key] = run = new Run(readings));

            run.Add(i, measure);
        }

        foreach (var run in done)
            yield return ToDifference(context, line, run);
    }

    // Most notes carry nothing.
    private bool IsMarked(SharedLine line, int place)
    {
        foreach (var row in line.Notes)
            if (Carrier(row[place]).Marks.Count > 0)
                return true;
        return false;
    }

    // Parts agree when each has what it can have of every other's marks.
    private static bool Agree(List<IReadOnlyList<string>> can, List<string> readings)
    {
        for (var a = 0; a < readings.Count; a++)
        {
            for (var b = a + 1; b < readings.Count; b++)
                if (readings[a] != readings[b] && Common(readings[a], can[b]) != Common(readings[b], can[a]))
                    return false;
        }

        return true;
    }

    private static string Common(string reading, IReadOnlyList<string> names) =>
        string.Join('+', Marks(reading).Where(m => names.Contains(m.Name)));

    private string ReadingOf(Note note) =>
        string.Join('+', note.Marks.Where(m => Names.Contains(m.Name)).Distinct().OrderBy(m => Place(m.Name)));

    private int Place(string name)
    {
        for (var i = 0; i < Names.Count; i++)
            if (Names[i] == name)
                return i;
        return Names.Count;
    }

    private Difference ToDifference(UnifyContext context, SharedLine line, Run run)
    {
        var notes = line.Notes.Select(row => (IReadOnlyList<string>)[.. run.Places.Select(i => row[i].Id)]).ToList();
        var readings = line.Voices.Select((v, i) => new Reading(v.Part.Id, notes[i], run.Readings[i])).ToList();
        var changes = readings
            .Select(r => r.Has)
            .Distinct()
            .ToDictionary(
                has => has,
                has =>
                    (IReadOnlyList<MarkChange>)
                        [
                            .. readings
                                .Select((r, k) => (Reading: r, Row: line.Notes[k]))
                                .Where(x => x.Reading.Has != has)
                                .Select(x => Change(context, x.Reading, [.. run.Places.Select(i => Carrier(x.Row[i]).Id)], has))
                                .Where(c => c.Added.Count + c.Removed.Count > 0),
                        ]
            );
        var proposal = new Ballot(context, Kind, readings, Voters(context, readings))
            .With(new LineReasons(line, (_, n) => ReadingOf(Carrier(n))).At(run.Places, run.Readings.Any(GoesOn)))
            .Decide();
        return context.Difference(Name, Kind, line, run.Places[0], run.Places[^1], readings, changes, proposal);
    }

    /// <summary>The note on which the mark of a struck note is printed.</summary>
    protected virtual Note Carrier(Note struck) => struck;

    /// <summary>The last note that a struck note is tied to: what ends a note stands there.</summary>
    protected static Note LastTied(Note struck)
    {
        if (struck.Heads.Count == 0 || struck.Heads[0].TiedTo is null)
            return struck;
        var head = struck.Heads[0];
        while (head.TiedTo is { } next)
            head = next;
        return head.Owner;
    }

    /// <summary>True for a reading that stands on several notes in a row as a rule, so that the notes beside it tell of it.</summary>
    protected virtual bool GoesOn(string reading) => false;

    // A part that cannot print what is in question says nothing by leaving it out.
    private List<Reading> Voters(UnifyContext context, List<Reading> readings)
    {
        var asked = readings.SelectMany(r => Marks(r.Has)).Select(m => m.Name).ToHashSet();
        var able = readings.Where(r => asked.All(NamesFor(context, context.Score.FindPart(r.Part)!).Contains)).ToList();
        return able.Select(r => r.Has).Distinct().Count() > 1 ? able : readings;
    }

    private MarkChange Change(UnifyContext context, Reading reading, IReadOnlyList<string> notes, string to)
    {
        var can = NamesFor(context, context.Score.FindPart(reading.Part)!);
        var has = Marks(reading.Has);
        var wants = Marks(to).Where(m => can.Contains(m.Name)).ToList();
        return new MarkChange(reading.Part, notes, [.. wants.Except(has)], [.. has.Except(wants)]);
    }

    private static IEnumerable<Mark> Marks(string reading) => reading.Split('+', StringSplitOptions.RemoveEmptyEntries).Select(Mark.Parse);

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
