using MellowStand.Core.Technique.Charts;

namespace MellowStand.Core.Technique.Woodwind;

/// <summary>A woodwind: its chart says which fingerings there are, its neighbours which of them serves.</summary>
/// <param name="chart">The fingerings.</param>
/// <param name="slides">What it costs that a finger goes from one key to another, by finger, at a comfortable speed.</param>
public abstract class WoodwindTechnique(FingeringChart chart, IReadOnlyDictionary<string, double> slides) : ITechnique
{
    private static readonly IReadOnlyList<Candidate> Beyond = OneWay("not in the chart: ask the teacher");
    private static readonly IReadOnlyList<Candidate> Only = OneWay("");

    /// <inheritdoc/>
    public IReadOnlyList<Candidate> Ways(Excerpt excerpt, int place)
    {
        var written = excerpt.Steps[place].Key;
        if (Missing(written) is { } missing)
            return OneWay(missing);
        var fingerings = chart.At(written);
        if (fingerings.Count == 0)
            return Beyond;
        if (fingerings.Count == 1)
            return Only;
        return
        [
            .. fingerings.Select(
                (f, i) => Judge(excerpt, place, f.Code) ?? Way(f.Code, i == 0 ? 0 : WoodwindCosts.Alternate, f.When, i == 0)
            ),
        ];
    }

    /// <inheritdoc/>
    public virtual double Change(Excerpt excerpt, int place, Candidate from, Candidate to) =>
        Moves(excerpt, place, from, to) is { } moves
            ? Haste(excerpt, place) * (SlideOf(moves) + (moves.Crossings * WoodwindCosts.Crossing))
            : 0;

    /// <inheritdoc/>
    public Obstacle? Reason(Excerpt excerpt, int place, Candidate from, Candidate to)
    {
        if (Moves(excerpt, place, from, to) is not { } moves)
            return null;
        var (before, step) = (excerpt.Steps[place - 1], excerpt.Steps[place]);
        var seconds = step.Before ?? 1;
        foreach (var (finger, words) in Bound)
            if (moves.Slides.Contains(finger) && IsBound(before.Key, step.Key, finger))
                return new Obstacle(
                    ObstacleKind.Slide,
                    $"the {words} goes from {before.Written.Name} to {step.Written.Name}",
                    seconds < WoodwindCosts.SlidesFrom ? 1 : 0
                );
        if (moves.Count >= WoodwindCosts.AlmostAll && seconds < WoodwindCosts.AlmostAllFrom && excerpt.IsShake(place))
            return new Obstacle(ObstacleKind.Crossing, "almost all fingers move at once", 0.5);
        return moves.Crossings >= 2 && Haste(excerpt, place) > WoodwindCosts.Quick
            ? new Obstacle(ObstacleKind.Crossing, "fingers cross: some go up while others go down")
            : null;
    }

    private static readonly (string Finger, string Words)[] Bound =
    [
        ("L4", "left little finger"),
        ("R4", "right little finger"),
        ("LT", "left thumb"),
    ];

    /// <summary>True where a finger that goes from one key to another between two notes is trouble by itself: the little fingers.</summary>
    /// <param name="from">Written key of the first note.</param>
    /// <param name="to">Written key of the second note.</param>
    /// <param name="finger">The finger, as the chart names it.</param>
    protected virtual bool IsBound(int from, int to, string finger) => finger != "LT";

    private double SlideOf(FingerMoves moves) => moves.Slides.Sum(f => slides.GetValueOrDefault(f));

    private FingerMoves? Moves(Excerpt excerpt, int place, Candidate from, Candidate to)
    {
        if (chart.Find(excerpt.Steps[place - 1].Key, from.Code) is not { } a || chart.Find(excerpt.Steps[place].Key, to.Code) is not { } b)
            return null;
        return FingerMoves.Between(chart, a, b);
    }

    private static IReadOnlyList<Candidate> OneWay(string why) => [Way(KeyPlacement.OneWay, 0, why, true)];

    /// <summary>True when the usual fingering of a neighbour, in its own register, has a finger down.</summary>
    /// <param name="excerpt">The passage.</param>
    /// <param name="place">The note's place.</param>
    /// <param name="finger">The finger, as the chart names it.</param>
    protected bool NeighbourUses(Excerpt excerpt, int place, string finger) =>
        NeighbourWith(excerpt, place, finger) is not null;

    /// <summary>The name of a neighbour that answers a question, the one before first; null where none does.</summary>
    /// <param name="excerpt">The passage.</param>
    /// <param name="place">The note's place.</param>
    /// <param name="isMeant">The question, of the neighbour's place.</param>
    protected static string? Neighbour(Excerpt excerpt, int place, Func<int, bool> isMeant) =>
        Neighbours(excerpt, place, isMeant).Select(p => excerpt.Steps[p].Written.Name).FirstOrDefault();

    /// <summary>The places of the neighbours that answer a question, the one before first.</summary>
    protected static IEnumerable<int> Neighbours(Excerpt excerpt, int place, Func<int, bool> isMeant) =>
        new[] { place - 1, place + 1 }.Where(p => excerpt.PitchClassAt(place, p - place) is not null && isMeant(p));

    /// <summary>The same of neighbours whose usual fingering, in its own register, has a finger down.</summary>
    protected string? NeighbourWith(Excerpt excerpt, int place, string finger, Func<int, bool>? isMeant = null) =>
        Neighbour(excerpt, place, p => HasDown(excerpt.Steps[p].Key, finger) && isMeant?.Invoke(p) != false);

    /// <summary>True when the usual fingering of a written key has a finger down.</summary>
    protected bool HasDown(int written, string finger) =>
        chart.At(written) is { Count: > 0 } ways && chart.Keys.Any(k => k.Finger == finger && ways[0].Keys.Contains(k.Id));

    /// <summary>What a fingering of the note costs at its place; null where the chart's order says enough.</summary>
    protected abstract Candidate? Judge(Excerpt excerpt, int place, string code);

    /// <summary>Why this instrument cannot play a written key that others of its kind can; null when it can.</summary>
    public virtual string? Missing(int written) => null;

    /// <summary>A way that costs nothing by itself where it is the usual one.</summary>
    protected static Candidate Way(string code, double cost, string why, bool usual) =>
        new(new KeyPlacement(code), Math.Round(cost, 3), why) { IsUsual = usual };

    /// <summary>A way that follows what stands beside the note, so that a figure need not keep it.</summary>
    protected static Candidate OfTheMoment(Candidate way) => way with { IsOfTheMoment = true };

    /// <summary>How much quicker than comfortable the change into a note is: 1 at a quarter of a second.</summary>
    protected static double Haste(Excerpt excerpt, int place) => Math.Clamp(0.25 / (excerpt.Steps[place].Before ?? 1), 0.3, 2.5);
}

/// <summary>What woodwind fingers cost.</summary>
/// <remarks>Our own weights, no published source.</remarks>
internal static class WoodwindCosts
{
    public const double Alternate = 0.35;
    public const double Crossing = 0.07;
    public const double Slide = 1.5;
    public const double Roll = 0.35;
    public const double ThumbMoves = 0.15;
    public const double Quick = 1.6;

    /// <summary>Seconds a note from which a little finger that has no way out is trouble.</summary>
    public const double SlidesFrom = 0.45;

    /// <summary>So many fingers at once, and the seconds a note from which that is trouble.</summary>
    public const int AlmostAll = 6;
    public const double AlmostAllFrom = 0.2;

    /// <summary>Both little fingers slide at the full price.</summary>
    public static IReadOnlyDictionary<string, double> LittleFingers { get; } =
        new Dictionary<string, double> { ["L4"] = Slide, ["R4"] = Slide };

    /// <summary>Little fingers that have rollers.</summary>
    public static IReadOnlyDictionary<string, double> Rollers { get; } = new Dictionary<string, double> { ["L4"] = Roll, ["R4"] = Roll };

    /// <summary>The bassoon's thumbs go from key to key all the time; its right little finger slides.</summary>
    public static IReadOnlyDictionary<string, double> Thumbs { get; } =
        new Dictionary<string, double>
        {
            ["LT"] = ThumbMoves,
            ["RT"] = 0.5,
            ["R4"] = 0.8,
            ["L4"] = 0.8,
        };
}
