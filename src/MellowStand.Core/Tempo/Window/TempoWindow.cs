using System.Globalization;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Study;
using MellowStand.Core.Technique;

namespace MellowStand.Core.Tempo;

/// <summary>What is known of who plays a passage.</summary>
/// <param name="Level">One of <see cref="WrittenRanges.Levels"/>.</param>
/// <param name="Hands">What they have in their hands, or null for the usual.</param>
/// <param name="Nearness">The factor of <see cref="PlayerNearness"/>; 1 where nothing was logged.</param>
/// <param name="LastClean">Quarters per minute at which this passage was last heard clean, or null.</param>
public sealed record WhoPlays(string Level, Hands? Hands = null, double Nearness = 1, double? LastClean = null);

/// <summary>A printed tempo or range, in quarters per minute.</summary>
public sealed record PrintedTempo(double From, double To);

/// <summary>The tempi at which a passage can be worked at and reached.</summary>
/// <param name="Slowest">The slowest at which every phrase fits a breath or a bow, or null.</param>
/// <param name="Fastest">The fastest that is clean, or null where nothing limits it.</param>
/// <param name="Printed">The printed tempo or range, or null.</param>
/// <param name="Start">Where to begin, or null where nothing is played.</param>
/// <param name="Goal">Where to arrive, or null where nothing is played.</param>
/// <param name="Why">All this in words.</param>
public sealed record TempoWindow(
    WindowEnd? Slowest,
    WindowEnd? Fastest,
    PrintedTempo? Printed,
    TempoMark? Start,
    TempoMark? Goal,
    string Why
)
{
    /// <summary>Nothing is played here.</summary>
    public static TempoWindow Silent { get; } = new(null, null, null, null, null, "Nothing is played here.");
}

/// <summary>Works out the window of workable tempi of a part and range.</summary>
/// <remarks>Begin where it can be played correctly without strain: at seven tenths of the goal, or where each change has three quarters
/// more time
/// than it needs, whichever is slower; never below the tempo last clean. The goal is the tempo at which the hardest measure is clean,
/// inside the
/// printed range; slower and clean beats faster and loose. House rule <c>goal-tempo</c>. Common practice, no published source; the shares
/// are
/// ours.</remarks>
public static class TempoWindows
{
    private const double ShareOfGoal = 0.7;
    private const double Ease = 1.75;
    private const double SlowBeat = 50;
    private const double Least = 20;

    /// <summary>The window.</summary>
    /// <param name="context">The prepared score.</param>
    /// <param name="part">The part.</param>
    /// <param name="from">First measure from 0.</param>
    /// <param name="to">Last measure from 0.</param>
    /// <param name="who">Who plays.</param>
    public static TempoWindow Of(StudyContext context, Part part, int from, int to, WhoPlays who)
    {
        var instrument = context.InstrumentOf(part);
        var inForce = context.Tempo.QuarterBpmAt(from);
        var excerpt = new Excerpt(context.Score, part, from, to, context.House, context.Tempo.QuarterBpmAt, takesUnpitched: true);
        if (excerpt.Steps.Count == 0)
            return TempoWindow.Silent;
        double Ratio(int measure) => context.Tempo.QuarterBpmAt(measure) / inForce;
        var plan = TechniqueDesk.Solve(context.Score, part, from, to, context.House, instrument, context.Tempo.QuarterBpmAt, who.Hands);
        var steps = plan?.Excerpt ?? excerpt;
        var pressures = Pressures.Of(steps, plan, CleanLimits.Of(instrument, who.Level));
        var fastest = Nearer(FastestTempo.Of(context, steps, pressures, Ratio), who);
        var slowest = SlowestTempo.Of(context, part, from, to, who.Level, Ratio);
        var printed = Printed(context, from);
        var goal = Goal(context, printed, fastest?.QuarterBpm, inForce);
        var start = Start(goal, fastest?.QuarterBpm, who.LastClean);
        var unit = UnitOf(context, from);
        return new TempoWindow(
            slowest,
            fastest,
            printed,
            InUnit(
                start < SlowBeat * unit.Quarters.Value ? Shorter(unit) : unit,
                start,
                b => start < goal ? Math.Round(b) : Math.Round(b, 1)
            ),
            InUnit(unit, goal, b => IsGiven(goal, printed, inForce) ? Math.Round(b, 1) : Math.Floor(b + 1e-6)),
            WindowWords.Of(
                new WindowWords.Said(slowest, fastest, printed, goal, context.Tempo.IsKnownAt(from), DoubleReeds.Has(instrument)),
                () => SlowestTempo.Cure(context, part, from, to, who.Level)
            )
        );
    }

    private static WindowEnd? Nearer(WindowEnd? fastest, WhoPlays who)
    {
        if (fastest is null)
            return null;
        var near = fastest.QuarterBpm * who.Nearness;
        var bpm = Math.Max(Math.Floor(near * 10) / 10, who.LastClean ?? 0);
        if (bpm == fastest.QuarterBpm)
            return fastest;
        var words = string.Create(CultureInfo.InvariantCulture, $"{fastest.Why} By what was logged: quarter = {bpm:0.#}.");
        return fastest with { QuarterBpm = bpm, Why = words };
    }

    private static PrintedTempo? Printed(StudyContext context, int from) =>
        context.Tempo.MarkAt(from) is { } mark && mark.QuarterBpm == context.Tempo.QuarterBpmAt(from)
            ? new PrintedTempo(mark.QuarterBpm, (mark.UpperBpm ?? mark.Bpm) * mark.Unit.Value)
            : null;

    private static double Goal(StudyContext context, PrintedTempo? printed, double? fastest, double inForce)
    {
        if (printed is null)
            return Math.Min(inForce, fastest ?? inForce);
        if (context.House["goal-tempo"] == "printed")
            return printed.From;
        return Math.Min(printed.To, fastest ?? printed.To);
    }

    // A goal that is worked out is a whole number that is still clean.
    private static bool IsGiven(double goal, PrintedTempo? printed, double inForce) =>
        goal == printed?.From || goal == printed?.To || (printed is null && goal == inForce);

    private static double Start(double goal, double? fastest, double? lastClean)
    {
        var easy = Math.Min(goal * ShareOfGoal, (fastest ?? goal) / Ease);
        return Math.Min(goal, Math.Max(Math.Max(Least, easy), lastClean ?? 0));
    }

    private static BeatUnit UnitOf(StudyContext context, int from) =>
        BeatUnit.OfLength(context.Tempo.MarkAt(from)?.Unit ?? context.Score.Measures[from].Meter.BeatUnit) ?? BeatUnit.Find("quarter")!;

    // A dotted beat is halved into the notes that it is made of.
    private static BeatUnit Shorter(BeatUnit unit) => BeatUnit.OfLength(unit.Quarters / 3) ?? BeatUnit.OfLength(unit.Quarters / 2) ?? unit;

    private static TempoMark InUnit(BeatUnit unit, double quarterBpm, Func<double, double> round) =>
        new(unit, round(quarterBpm / unit.Quarters.Value));
}
