using MellowStand.Core.Notation;
using MellowStand.Core.Study;
using MellowStand.Core.Study.Rules;

namespace MellowStand.Core.Assign;

/// <summary>How well a measure is a beginning, and what begins there.</summary>
/// <param name="Weight">0 for none; above 0 the better, below 0 where a cut would tear something.</param>
/// <param name="Words">What begins there, or null.</param>
/// <param name="IsSection">True where a section of the music begins: a letter, a tempo.</param>
internal readonly record struct CutPlace(double Weight, string? Words, bool IsSection);

/// <summary>Beginnings: rehearsal marks, changes of tempo, key and meter, returns, phrases and entries of the parts.</summary>
/// <remarks>Common practice, no published source; the weights are ours.</remarks>
internal sealed class CutPlaces
{
    private const double Mark = 3;
    private const double NewTempo = 2;
    private const double NewKey = 1.5;
    private const double NewMeter = 1;
    private const double Again = 1.5;
    private const double PhraseBegins = 1.9;
    private const double Torn = -1.5;

    private readonly StudyContext _context;
    private readonly IReadOnlyList<Part> _parts;
    private readonly HashSet<int> _tempos;
    private readonly HashSet<int> _returns;

    public CutPlaces(StudyContext context, IReadOnlyList<Part> parts)
    {
        (_context, _parts) = (context, parts);
        _tempos = [.. context.Tempo.Signs.Where(s => s.Kind is TempoKind.Fixed).Select(s => s.Measure)];
        _returns =
        [
            .. parts
                .SelectMany(p => RepeatedBlocks.Find(context.ContentOf(p)))
                .SelectMany(b => new[] { b.First, b.First + b.Length, b.Again, b.Again + b.Length }),
        ];
        foreach (var part in parts)
            Phrases[part.Id] = [.. BreathPhrase.Of(context.MelodyOf(part)).Select(p => p.Notes[0])];
    }

    /// <summary>The first note of each phrase, by part.</summary>
    public Dictionary<string, IReadOnlyList<Note>> Phrases { get; } = [];

    /// <summary>What is said for a cut before a measure.</summary>
    public CutPlace At(int measure)
    {
        var frame = _context.Score.Measures[measure];
        var said = new List<(double Weight, string Words)>();
        if (frame.Rehearsal is { } mark)
            said.Add((Mark, $"letter {mark}"));
        if (measure > 0 && _tempos.Contains(measure))
            said.Add((NewTempo, "a new tempo"));
        if (measure > 0 && _parts.Any(p => p.Measures[measure].Key.Fifths != p.Measures[measure - 1].Key.Fifths))
            said.Add((NewKey, "a new key"));
        if (measure > 0 && frame.Meter != _context.Score.Measures[measure - 1].Meter)
            said.Add((NewMeter, "a new meter"));
        if (_returns.Contains(measure))
            said.Add((Again, "music that comes again"));
        var playing = _parts.Count(p => Plays(p, measure) || Plays(p, measure - 1));
        if (playing > 0)
            AddPhrases(said, measure, playing);
        return new CutPlace(
            said.Sum(s => s.Weight),
            said.Where(s => s.Weight > 0.5).Select(s => s.Words).FirstOrDefault(),
            said.Exists(s => s.Weight is Mark or NewTempo)
        );
    }

    /// <summary>True when a part sounds in a measure.</summary>
    public bool Plays(Part part, int measure) => measure >= 0 && measure < part.Measures.Count && !_context.ContentOf(part)[measure].IsRest;

    /// <summary>True when a phrase of the part begins late in the measure before and leads into a measure.</summary>
    public bool HasPickup(Part part, int measure) =>
        measure > 0 && Phrases[part.Id].Any(n => n.MeasureIndex == measure - 1 && IsLate(n) && Crosses(part, measure));

    private void AddPhrases(List<(double Weight, string Words)> said, int measure, int playing)
    {
        var begin = _parts.Count(p =>
            HasPickup(p, measure) || Phrases[p.Id].Any(n => n.MeasureIndex == measure && _context.BeatsIn(n) < 1)
        );
        var torn = _parts.Count(p => IsTorn(p, measure));
        said.Add((PhraseBegins * begin / playing, begin * 2 > playing ? "a phrase" : "an entry"));
        said.Add((Torn * torn / playing, ""));
    }

    private bool IsLate(Note note)
    {
        var frame = _context.Score.Measures[note.MeasureIndex];
        return frame.IsPickup || note.Offset * 2 >= frame.Length;
    }

    private bool Crosses(Part part, int measure) => Plays(part, measure) && Plays(part, measure - 1);

    // A slur or a tie over the bar line is torn, unless a phrase begins with the upbeat.
    private bool IsTorn(Part part, int measure)
    {
        var at = _context.Score.Measures[measure].Start;
        return part.Slurs.Any(s => s.From.Onset < at && s.To.Onset >= at)
            || part.Measures[measure].Notes.Any(n => n.IsTieContinuation && n.Onset == at);
    }
}
