using MellowStand.Core.Technique.Charts;

namespace MellowStand.Core.Technique.Woodwind;

/// <summary>A woodwind: its chart says which fingerings there are, its neighbours which of them serves.</summary>
/// <param name="chart">The fingerings.</param>
/// <param name="slides">What it costs that a finger goes from one key to another, by finger, at a comfortable speed.</param>
public abstract class WoodwindTechnique(FingeringChart chart, IReadOnlyDictionary<string, double> slides) : ITechnique
{
    private static readonly IReadOnlyList<Candidate> Beyond =
    [
        new Candidate(new KeyPlacement(KeyPlacement.OneWay), 0, "not in the chart: ask the teacher") { IsUsual = true },
    ];
    private static readonly IReadOnlyList<Candidate> Only = [new Candidate(new KeyPlacement(KeyPlacement.OneWay), 0, "") { IsUsual = true }];

    /// <inheritdoc/>
    public IReadOnlyList<Candidate> Ways(Excerpt excerpt, int place)
    {
        var written = excerpt.Steps[place].Key;
        if (Missing(written) is { } missing)
            return [new Candidate(new KeyPlacement(KeyPlacement.OneWay), 0, missing) { IsUsual = true }];
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
        if (SlideOf(moves) >= WoodwindCosts.Slide)
            return new Obstacle(ObstacleKind.Slide, "the little finger slides");
        return moves.Crossings >= 2 && Haste(excerpt, place) > WoodwindCosts.Quick
            ? new Obstacle(ObstacleKind.Crossing, "fingers cross: some go up while others go down")
            : null;
    }

    private double SlideOf(FingerMoves moves) => moves.Slides.Sum(f => slides.GetValueOrDefault(f));

    private FingerMoves? Moves(Excerpt excerpt, int place, Candidate from, Candidate to)
    {
        if (chart.Find(excerpt.Steps[place - 1].Key, from.Code) is not { } a || chart.Find(excerpt.Steps[place].Key, to.Code) is not { } b)
            return null;
        return FingerMoves.Between(chart, a, b);
    }

    /// <summary>True when the usual fingering of a neighbour, in its own register, has a finger down.</summary>
    /// <param name="excerpt">The passage.</param>
    /// <param name="place">The note's place.</param>
    /// <param name="finger">The finger, as the chart names it.</param>
    protected bool NeighbourUses(Excerpt excerpt, int place, string finger) =>
        new[] { -1, 1 }.Any(o =>
            excerpt.PitchClassAt(place, o) is not null
            && chart.At(excerpt.Steps[place + o].Key) is { Count: > 0 } ways
            && chart.Keys.Any(k => k.Finger == finger && ways[0].Keys.Contains(k.Id))
        );

    /// <summary>What a fingering of the note costs at its place; null where the chart's order says enough.</summary>
    protected abstract Candidate? Judge(Excerpt excerpt, int place, string code);

    /// <summary>Why this instrument cannot play a written key that others of its kind can; null when it can.</summary>
    public virtual string? Missing(int written) => null;

    /// <summary>A way that costs nothing by itself where it is the usual one.</summary>
    protected static Candidate Way(string code, double cost, string why, bool usual) =>
        new(new KeyPlacement(code), Math.Round(cost, 3), why) { IsUsual = usual };

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
