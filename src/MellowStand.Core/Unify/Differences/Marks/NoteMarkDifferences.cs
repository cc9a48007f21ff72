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

    /// <summary>Those of them that a note can have.</summary>
    /// <param name="context">What the rules share.</param>
    /// <param name="voice">The note's voice.</param>
    /// <param name="note">The note.</param>
    /// <param name="shortest">The shortest of the notes that are compared with it.</param>
    /// <param name="names">The marks that its part can have.</param>
    protected virtual IReadOnlyList<string> NamesAt(
        UnifyContext context,
        VoiceLine voice,
        Note note,
        Fraction shortest,
        IReadOnlyList<string> names
    ) => names;

    /// <summary>Which voices are compared with each other, as what they are asked by; all, unless a kind says otherwise.</summary>
    protected virtual string AskedBy(UnifyContext context, VoiceLine voice) => "";

    /// <inheritdoc/>
    public IEnumerable<Difference> Find(UnifyContext context, SharedLine line) =>
        line
            .Voices.Where(v => NamesFor(context, v.Part).Count > 0)
            .GroupBy(v => AskedBy(context, v))
            .Where(g => g.Count() > 1)
            .SelectMany(g => InLayers(context, line.Only(g.Contains)));

    private IEnumerable<Difference> InLayers(UnifyContext context, SharedLine line)
    {
        var told = new string?[line.Notes[0].Count][];
        for (var i = 0; i < told.Length; i++)
            if (IsMarked(line, i))
                told[i] = ReadingsAt(line, i);
        if (!Array.Exists(told, OwnLayers.Differ))
            return [];
        var names = line.Voices.Select(v => NamesFor(context, v.Part)).ToList();
        for (var i = 0; i < told.Length; i++)
            if (OwnLayers.Differ(told[i]))
                Silence(told[i], CanAt(context, line, i, names));
        var layers = OwnLayers.Of(context, line, told);
        return layers.Groups().SelectMany(g => InLine(context, g.Line, g.IsAt)).Concat(layers.Told(Name, Kind));
    }

    // A note that cannot have all of the marks says nothing by having none.
    private void Silence(string?[] told, List<IReadOnlyList<string>> can)
    {
        for (var k = 0; k < told.Length; k++)
            if (told[k]!.Length == 0 && can[k].Count < Names.Count)
                told[k] = null;
    }

    private string[] ReadingsAt(SharedLine line, int place)
    {
        var readings = new string[line.Notes.Count];
        for (var k = 0; k < readings.Length; k++)
            readings[k] = ReadingOf(Carrier(line.Notes[k][place]));
        return readings;
    }

    private IEnumerable<Difference> InLine(UnifyContext context, SharedLine line, Func<int, bool> isAt)
    {
        var names = line.Voices.Select(v => NamesFor(context, v.Part)).ToList();
        var open = new Dictionary<string, Run>();
        var done = new List<Run>();
        for (var i = 0; i < line.Notes[0].Count; i++)
        {
            if (!isAt(i) || !IsMarked(line, i))
                continue;
            var readings = line.Notes.Select(row => ReadingOf(Carrier(row[i]))).ToList();
            var measure = line.Notes[0][i].MeasureIndex;
            if (readings.TrueForAll(r => r == readings[0]))
                continue;
            var can = CanAt(context, line, i, names);
            if (Agree(can, readings))
                continue;
            var key = string.Join('|', readings.Zip(can, (r, c) => $"{r} {c.Count}"));
            if (!open.TryGetValue(key, out var run) || measure > run.LastMeasure + 1)
                done.Add(open[key] = run = new Run(readings, can));

            run.Add(i, measure);
        }

        foreach (var run in done)
            yield return ToDifference(context, line, run);
    }

    private List<IReadOnlyList<string>> CanAt(UnifyContext context, SharedLine line, int place, List<IReadOnlyList<string>> names)
    {
        var shortest = line.Notes.Min(row => row[place].SoundingDuration);
        return [.. line.Voices.Select((v, k) => NamesAt(context, v, line.Notes[k][place], shortest, names[k]))];
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
        note.Marks.Count == 0
            ? ""
            : string.Join('+', note.Marks.Where(m => Names.Contains(m.Name)).Distinct().OrderBy(m => Place(m.Name)));

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
                                .Select((r, k) => (Reading: r, Row: line.Notes[k], Can: run.Can[k]))
                                .Where(x => x.Reading.Has != has)
                                .Select(x => Change(x.Reading, x.Can, [.. run.Places.Select(i => Carrier(x.Row[i]).Id)], has))
                                .Where(c => c.Added.Count + c.Removed.Count > 0),
                        ]
            );
        var proposal = new Ballot(context, Kind, readings, Voters(readings, run.Can))
            .With(new LineReasons(line, (_, n) => ReadingOf(Carrier(n))).At(run.Places, run.Readings.Any(GoesOn)))
            .With(Besides(line, run.Places, run.Readings))
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

    /// <summary>Reasons of the kind's own.</summary>
    private protected virtual IEnumerable<Reason> Besides(SharedLine line, IReadOnlyList<int> places, IReadOnlyList<string> readings) => [];

    /// <summary>True for a reading that stands on several notes in a row as a rule, so that the notes beside it tell of it.</summary>
    protected virtual bool GoesOn(string reading) => false;

    // A note that cannot have what is in question says nothing by leaving it out.
    private static List<Reading> Voters(List<Reading> readings, List<IReadOnlyList<string>> can)
    {
        var asked = readings.SelectMany(r => Marks(r.Has)).Select(m => m.Name).ToHashSet();
        var able = readings.Where((_, k) => asked.All(can[k].Contains)).ToList();
        return able.Select(r => r.Has).Distinct().Count() > 1 ? able : readings;
    }

    private static MarkChange Change(Reading reading, IReadOnlyList<string> can, IReadOnlyList<string> notes, string to)
    {
        var has = Marks(reading.Has);
        var wants = Marks(to).Where(m => can.Contains(m.Name)).ToList();
        return new MarkChange(reading.Part, notes, [.. wants.Except(has)], [.. has.Except(wants)]);
    }

    private static IEnumerable<Mark> Marks(string reading) => reading.Split('+', StringSplitOptions.RemoveEmptyEntries).Select(Mark.Parse);

    private sealed class Run(List<string> readings, List<IReadOnlyList<string>> can)
    {
        public List<string> Readings => readings;

        // The marks that the notes of each voice can have.
        public List<IReadOnlyList<string>> Can => can;

        public List<int> Places { get; } = [];

        public int LastMeasure { get; private set; }

        public void Add(int place, int measure)
        {
            Places.Add(place);
            LastMeasure = measure;
        }
    }
}
