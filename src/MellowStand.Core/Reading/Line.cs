using MellowStand.Core.Notation;
using MellowStand.Core.Study;

namespace MellowStand.Core.Reading;

/// <summary>The struck notes of a part with what the reasons ask about each place between two of them.</summary>
internal sealed class Line
{
    private const int Neighbours = 3;

    private readonly StudyContext _context;
    private readonly Melody _melody;
    private readonly double[] _steps;
    private readonly int[] _runs;
    private readonly double[] _longer;
    private readonly double[] _silences;
    private readonly double[] _beatUnits;
    private readonly int[] _beats;
    private readonly bool[] _onBeat;
    private readonly int?[] _keys;
    private readonly int[] _slurs;
    private readonly double[] _slurEnds;
    private readonly int[] _sections;
    private readonly Fraction[] _fermatas;

    public Line(StudyContext context, Part part)
    {
        (_context, Part, _melody) = (context, part, context.MelodyOf(part));
        var places = Math.Max(0, Notes.Count - 1);
        _steps = new double[places];
        _silences = new double[places];
        for (var i = 0; i < places; i++)
        {
            var step = Notes[i + 1].Onset - Notes[i].Onset;
            _steps[i] = step.Value;
            _silences[i] = Fraction.Max(Fraction.Zero, step - Notes[i].SoundingDuration).Value;
        }

        _beatUnits = [.. context.Score.Measures.Select(m => m.Meter.BeatUnit.Value)];
        _runs = Runs(_steps);
        _longer = [.. Enumerable.Range(0, places).Select(LongerThanAround)];
        _beats = [.. Notes.Select(n => (int)Math.Floor(context.BeatsIn(n).Value))];
        _onBeat = [.. Notes.Select(context.IsOnBeat)];
        _keys = [.. Notes.Select(n => n.TopSounding)];
        (_slurs, _slurEnds) = Slurs(part, Notes);
        Moments = SectionMoments.Of(context, part);
        _sections = Sections(context, part, Moments);
        _fermatas = [.. _melody.Fermatas.Order()];
    }

    public Part Part { get; }

    /// <summary>One note of each moment at which something is struck.</summary>
    public IReadOnlyList<Note> Notes => _melody.Struck;

    /// <summary>Moments at which something new begins for the whole line.</summary>
    public IReadOnlyList<SectionMoment> Moments { get; }

    /// <summary>True when the note before a place stands in a measure that is a pickup.</summary>
    public bool IsOfPickup(int place) => _context.Score.Measures[Notes[place].MeasureIndex].IsPickup;

    /// <summary>True where there is such a place.</summary>
    public bool HasPlace(int place) => place >= 0 && place < _steps.Length;

    /// <summary>Quarters from the note before a place to the note after it.</summary>
    public double Step(int place) => _steps[place];

    /// <summary>Quarters of silence at a place; zero where the line goes on.</summary>
    public double Silence(int place) => _silences[place];

    /// <summary>Seconds from the note before a place to the note after it.</summary>
    public double Seconds(int place) => _steps[place] * 60 / _context.Tempo.QuarterBpmAt(Notes[place].MeasureIndex);

    /// <summary>Quarters of a beat where the note before a place stands.</summary>
    public double Beat(int place) => _beatUnits[Notes[place].MeasureIndex];

    /// <summary>How much longer the step at a place is than those around it: 1 for as long as they are.</summary>
    public double Longer(int place) => _longer[place];

    private double LongerThanAround(int place)
    {
        Span<double> around = stackalloc double[2 * Neighbours];
        var count = Taken(around, 0, place - Neighbours, place - 1);
        count = Taken(around, count, place + 1, place + Neighbours);
        return count == 0 ? 1 : _steps[place] / Math.Max(1.0 / 64, Middle(around[..count]));
    }

    /// <summary>The usual step of up to three places before, or after, a place; null where there is none.</summary>
    public double? Usual(int place, bool before)
    {
        Span<double> side = stackalloc double[Neighbours];
        var from = before ? place - Neighbours : place + 1;
        return Taken(side, 0, from, from + Neighbours - 1) < Neighbours ? null : Middle(side);
    }

    /// <summary>How many equal steps lead up to a place, its own the last of them.</summary>
    public int Run(int place) => _runs[place];

    /// <summary>True where one slur holds the notes on both sides.</summary>
    public bool InSlur(int place) => _slurs[place] > 0;

    /// <summary>Quarters of the slur that ends with the note before a place, 0 where none does.</summary>
    public double SlurEnds(int place) => InSlur(place) ? 0 : _slurEnds[place];

    /// <summary>True when both notes stand in one beat.</summary>
    public bool InOneBeat(int place) =>
        Notes[place].MeasureIndex == Notes[place + 1].MeasureIndex && _beats[place] == _beats[place + 1];

    /// <summary>True when the note after a place begins on a beat.</summary>
    public bool GoesToBeat(int place) => _onBeat[place + 1];

    /// <summary>True when the note after a place begins its measure.</summary>
    public bool OverBar(int place) => Notes[place + 1].MeasureIndex > Notes[place].MeasureIndex && Notes[place + 1].Offset == Fraction.Zero;

    /// <summary>True where a fermata ends between the two notes.</summary>
    public bool Fermata(int place)
    {
        var (before, after) = (Notes[place].Onset, Notes[place + 1].Onset);
        var next = _fermatas.PlaceFrom(f => f, before);
        if (next < _fermatas.Length && _fermatas[next] == before)
            next++;
        return next < _fermatas.Length && _fermatas[next] <= after;
    }

    /// <summary>Measures from the last new beginning to the measure of the note after a place.</summary>
    public int MeasuresIn(int place) => Notes[place + 1].MeasureIndex - _sections[Notes[place + 1].MeasureIndex];

    /// <summary>True when the measure of the note after a place moves as the first one since the last new beginning.</summary>
    public bool BeginsAlike(int place)
    {
        var (here, first) = (Notes[place + 1].MeasureIndex, _sections[Notes[place + 1].MeasureIndex]);
        var content = _context.ContentOf(Part);
        return here > first && content[here].Rhythm == content[first].Rhythm && !content[here].IsRest;
    }

    /// <summary>Semitones between the notes at a place; 0 where one has no pitch.</summary>
    public int Interval(int place) => place < 0 || place + 1 >= Notes.Count ? 0 : Math.Abs(Key(place + 1) - Key(place) ?? 0);

    // Adds the steps of the places from one to another that there are, and answers how many there are then.
    private int Taken(Span<double> steps, int count, int from, int to)
    {
        for (var i = Math.Max(0, from); i <= to && i < _steps.Length; i++)
            steps[count++] = _steps[i];
        return count;
    }

    private static double Middle(Span<double> steps)
    {
        steps.Sort();
        return steps[steps.Length / 2];
    }

    private int? Key(int i) => _keys[i];

    private static int[] Runs(double[] steps)
    {
        var runs = new int[steps.Length];
        for (var i = 0; i < steps.Length; i++)
            runs[i] = i > 0 && steps[i] == steps[i - 1] ? runs[i - 1] + 1 : 1;
        return runs;
    }

    // For each measure the first whole one of its section that sounds; after a measure of rest the count begins anew.
    private static int[] Sections(StudyContext context, Part part, IReadOnlyList<SectionMoment> moments)
    {
        var begins = moments.Where(m => m.BeginsSection).Select(m => m.Measure).ToHashSet();
        var (frames, content) = (context.Score.Measures, context.ContentOf(part));
        var sections = new int[frames.Count];
        for (var m = 1; m < frames.Count; m++)
            sections[m] = begins.Contains(m) || content[m - 1].IsRest || frames[m - 1].IsPickup ? m : sections[m - 1];
        return sections;
    }

    // A slur that ends on a tied-over head ends with the tie: its last note is the one that was struck.
    private static (int[] Inside, double[] Ends) Slurs(Part part, IReadOnlyList<Note> notes)
    {
        var (open, ends) = (new int[notes.Count + 1], new double[notes.Count + 1]);
        foreach (var slur in part.Slurs)
        {
            var (from, to) = (Last(notes, slur.From.Onset), Last(notes, slur.To.Onset));
            if (from < 0 || to <= from)
                continue;
            open[from]++;
            open[to]--;
            ends[to] = Math.Max(ends[to], (slur.To.Onset + slur.To.Duration - slur.From.Onset).Value);
        }

        for (var i = 1; i < open.Length; i++)
            open[i] += open[i - 1];
        return (open, ends);
    }

    private static int Last(IReadOnlyList<Note> notes, Fraction onset)
    {
        var place = notes.PlaceFrom(n => n.Onset, onset);
        return place < notes.Count && notes[place].Onset == onset ? place : place - 1;
    }
}
