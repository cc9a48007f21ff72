using System.Globalization;

namespace MellowStand.Core.Tempo;

/// <summary>How a ladder climbs.</summary>
public enum LadderBy
{
    /// <summary>By a fixed number of beats per minute.</summary>
    Step,

    /// <summary>By a percentage of the tempo reached.</summary>
    Percent,

    /// <summary>By the traditional metronome marks, or every so many of them.</summary>
    Marks,

    /// <summary>In a given number of steps.</summary>
    Count,
}

/// <summary>One rung.</summary>
/// <param name="Mark">Unit and beats per minute.</param>
/// <param name="Day">The day it is for, from 1.</param>
public sealed record LadderStep(TempoMark Mark, int Day);

/// <summary>A request that makes no sense, told in a sentence.</summary>
public sealed class LadderException : Exception
{
    /// <summary>Refuses with a sentence.</summary>
    public LadderException(string message)
        : base(message) { }

    /// <summary>Refuses with a sentence and a cause.</summary>
    public LadderException(string message, Exception cause)
        : base(message, cause) { }

    /// <summary>Refuses.</summary>
    public LadderException() { }
}

/// <summary>From which tempo to which, in which unit, in how many steps.</summary>
/// <remarks>Begin where it can be played correctly, move up in small steps, change the counting unit on the way: eighth =
/// 66 to eighth = 120, then quarter = 60 to quarter = 100. Common practice, no published source.</remarks>
public static class Ladder
{
    private const double Fastest = 1000;
    private const int MostSteps = 400;
    private const int MostDays = 366;

    /// <summary>Beats per minute at which a short unit is left for the goal's longer one.</summary>
    /// <remarks>Eighth = 120 is where the quarter takes over at 60. Common practice, no published source.</remarks>
    private const double ChangeAbove = 120;

    /// <summary>The steps from start to goal: the first is the start, the last is the goal; straight up, none goes back.</summary>
    /// <param name="start">The first tempo.</param>
    /// <param name="goal">The last tempo.</param>
    /// <param name="by">How it climbs.</param>
    /// <param name="value">Beats per minute, percent, marks at a time, or number of steps.</param>
    /// <param name="days">Days to spread the steps over; the last step is on the last day.</param>
    /// <param name="way">The way over the steps; straight up when left out.</param>
    /// <exception cref="LadderException">The request makes no sense.</exception>
    public static IReadOnlyList<LadderStep> Climb(
        TempoMark start,
        TempoMark goal,
        LadderBy by,
        double value,
        int days,
        LadderWay? way = null
    )
    {
        Check(start, goal, by, value, days);
        way?.Check();
        return Days((way ?? LadderWay.Straight).Over(Rungs(start, goal, by, value)), days);
    }

    private static List<TempoMark> Rungs(TempoMark start, TempoMark goal, LadderBy by, double value)
    {
        if (by == LadderBy.Count)
            return Tidy(Counted(start, goal, (int)value), start, goal);
        var marks = new List<TempoMark>();
        var floor = start;
        if (start.Unit != goal.Unit)
        {
            // The short unit is kept up to the change point; then the goal's unit takes over at the same speed.
            var change = ChangePoint(start, goal) ?? start;
            marks.AddRange(Leg(start, change.Bpm, by, value));
            floor = InUnitOf(goal, change);
        }

        marks.AddRange(Leg(floor, goal.Bpm, by, value));
        return Tidy(marks, start, goal);
    }

    private static TempoMark InUnitOf(TempoMark goal, TempoMark mark) => new(goal.Unit, mark.QuarterBpm / goal.Unit.Quarters.Value);

    private static List<TempoMark> Counted(TempoMark start, TempoMark goal, int count)
    {
        var speeds = Enumerable
            .Range(0, Math.Max(count - 1, 1))
            .Select(i => start.QuarterBpm + ((goal.QuarterBpm - start.QuarterBpm) * i / Math.Max(count - 1, 1)));
        return
        [
            .. speeds
                .Select(s => new TempoMark(start.Unit, s / start.Unit.Quarters.Value))
                .Select(m => start.Unit != goal.Unit && m.Bpm > Math.Max(ChangeAbove, start.Bpm) ? InUnitOf(goal, m) : m)
                .Select(m => m with { Bpm = Math.Round(m.Bpm, 1) }),
            goal,
        ];
    }

    private static void Check(TempoMark start, TempoMark goal, LadderBy by, double value, int days)
    {
        foreach (var (mark, name) in new[] { (start, "start"), (goal, "goal") })
        {
            if (!double.IsFinite(mark.Bpm) || mark.Bpm <= 0)
                throw new LadderException($"The {name} tempo must be above 0 beats a minute.");
            if (mark.Bpm > Fastest)
                throw new LadderException(
                    $"The {name} tempo is above {Fastest} beats a minute, which nobody can count. Choose a longer unit."
                );
        }

        if (start.QuarterBpm > goal.QuarterBpm + 1e-9)
        {
            throw new LadderException(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"The start ({start.Unit.Name} = {start.Bpm:0.##}) is faster than the goal ({goal.Unit.Name} = "
                        + $"{goal.Bpm:0.##}). Exchange them or choose a slower start."
                )
            );
        }

        if (days is < 1 or > MostDays)
            throw new LadderException($"A ladder takes 1 to {MostDays} days; {days} makes no sense.");
        if (!double.IsFinite(value) || value <= 0)
            throw new LadderException("The size of a step must be above 0.");
        if (by == LadderBy.Count && (value != Math.Floor(value) || value > MostSteps))
            throw new LadderException($"The number of steps is a whole number from 1 to {MostSteps}.");
        if (by == LadderBy.Count && value < 2 && !SameSpeed(start, goal))
            throw new LadderException("A ladder from one tempo to another has at least 2 steps.");
        if (by == LadderBy.Marks && value != Math.Floor(value))
            throw new LadderException("By traditional marks, the value is how many marks to go at a time: a whole number.");
        if (by == LadderBy.Percent && value > 100)
            throw new LadderException("A step of more than 100 percent would double the tempo. Choose a smaller one.");
    }

    private static TempoMark? ChangePoint(TempoMark start, TempoMark goal)
    {
        if (start.Unit.Quarters >= goal.Unit.Quarters)
            return null;
        var last = Math.Min(ChangeAbove, goal.QuarterBpm / start.Unit.Quarters.Value);
        return last > start.Bpm ? new TempoMark(start.Unit, last) : null;
    }

    private static List<TempoMark> Leg(TempoMark from, double to, LadderBy by, double value)
    {
        var bpms = by switch
        {
            LadderBy.Step => Arithmetic(from.Bpm, to, value),
            LadderBy.Percent => Geometric(from.Bpm, to, value),
            _ => Traditional(from.Bpm, to, (int)value),
        };
        return [.. bpms.Select(b => new TempoMark(from.Unit, b))];
    }

    private static List<double> Arithmetic(double from, double to, double by)
    {
        var steps = new List<double> { from };
        for (var n = 1; from + (n * by) < to - 1e-9; n++)
            Add(steps, from + (n * by));
        return End(steps, to);
    }

    private static List<double> Geometric(double from, double to, double percent)
    {
        var steps = new List<double> { from };
        for (var b = from * (1 + (percent / 100)); b < to - 1e-9; b *= 1 + (percent / 100))
            Add(steps, Math.Round(b, 1));
        return End(steps, to);
    }

    private static List<double> Traditional(double from, double to, int every)
    {
        var steps = new List<double> { from };
        var between = MetronomeScale.Marks.Where(m => m > from + 1e-9 && m < to - 1e-9).ToList();
        for (var i = every - 1; i < between.Count; i += every)
            Add(steps, between[i]);
        return End(steps, to);
    }

    private static void Add(List<double> steps, double bpm)
    {
        if (steps.Count >= MostSteps)
            throw new LadderException($"This ladder would have more than {MostSteps} steps. Choose larger steps or a closer goal.");
        steps.Add(bpm);
    }

    private static List<double> End(List<double> steps, double to)
    {
        if (to > steps[^1] + 1e-9)
            steps.Add(to);
        return steps;
    }

    // Rounding may bring two neighbours together or carry one past the goal; the ends stay exactly as asked.
    private static List<TempoMark> Tidy(List<TempoMark> marks, TempoMark start, TempoMark goal)
    {
        var tidy = new List<TempoMark> { start };
        foreach (var mark in marks.Skip(1).Where(m => m.QuarterBpm <= goal.QuarterBpm + 1e-9))
            if (mark.QuarterBpm > tidy[^1].QuarterBpm + 1e-9 || mark.Unit != tidy[^1].Unit)
                tidy.Add(mark);
        if (tidy.Count > 1 && SameSpeed(tidy[^1], goal))
            tidy[^1] = goal;
        else if (tidy[^1] != goal)
            tidy.Add(goal);
        return tidy;
    }

    private static bool SameSpeed(TempoMark a, TempoMark b) => Math.Abs(a.QuarterBpm - b.QuarterBpm) < 1e-9;

    private static List<LadderStep> Days(IReadOnlyList<TempoMark> marks, int days) =>
        [
            .. marks.Select(
                (m, i) => new LadderStep(m, marks.Count == 1 ? days : 1 + (int)Math.Floor((double)i * (days - 1) / (marks.Count - 1)))
            ),
        ];
}
