using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Reading;
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
    private const double ShareOfShort = 0.5;
    private const double MostAreShort = 0.5;
    private const double FarAbove = 1.5;

    /// <summary>Quarters a minute that nobody asks for where no tempo is printed.</summary>
    private const double NobodyAsks = 240;

    private const double Ease = 1.75;
    private const double SlowBeat = 50;
    private const double Least = 20;

    /// <summary>The windows of a range, one for each tempo that is printed in it.</summary>
    /// <param name="context">The prepared score.</param>
    /// <param name="part">The part.</param>
    /// <param name="from">First measure from 0.</param>
    /// <param name="to">Last measure from 0.</param>
    /// <param name="who">Who plays.</param>
    /// <returns>Each with its measures, in order; at least one.</returns>
    public static IReadOnlyList<(int From, int To, TempoWindow Window)> Each(
        StudyContext context,
        Part part,
        int from,
        int to,
        WhoPlays who
    )
    {
        var all = new List<(int, int, TempoWindow)>();
        for (var first = from; first <= to; first = EndOfTempo(context, first, to) + 1)
            all.Add((first, EndOfTempo(context, first, to), Of(context, part, first, to, who)));
        return all;
    }

    /// <summary>The window of the first tempo of a range.</summary>
    /// <param name="context">The prepared score.</param>
    /// <param name="part">The part.</param>
    /// <param name="from">First measure from 0.</param>
    /// <param name="to">Last measure from 0.</param>
    /// <param name="who">Who plays.</param>
    public static TempoWindow Of(StudyContext context, Part part, int from, int to, WhoPlays who)
    {
        var instrument = context.InstrumentOf(part);
        var all = to;
        to = EndOfTempo(context, from, to);
        var inForce = context.Tempo.QuarterBpmAt(from);
        var excerpt = new Excerpt(context.Score, part, from, to, context.House, context.Tempo.QuarterBpmAt, takesUnpitched: true);
        if (excerpt.Steps.Count == 0)
            return TempoWindow.Silent;
        double Ratio(int measure) => context.Tempo.QuarterBpmAt(measure) / inForce;
        var plan = TechniqueDesk.Solve(context.Score, part, from, to, context.House, instrument, context.Tempo.QuarterBpmAt, who.Hands);
        var steps = plan?.Excerpt ?? excerpt;
        var clean = CleanLimits.Of(instrument, who.Level);
        var pressures = Pressures.Of(steps, plan, clean);
        var told = ToldUnit.At(context, from);
        var unit = BeatUnit.OfLength(told.Quarters) ?? BeatUnit.Quarter;
        var fastest = Nearer(FastestTempo.Of(context, steps, pressures, clean, Ratio), who, told);
        var slowest = SlowestTempo.Of(context, part, from, to, who.Level, Ratio);
        var printed = Printed(context, from);
        var goal = Goal(context, printed, fastest?.QuarterBpm, inForce);
        var isFull = IsFullOfShort(steps, unit);
        var easy = Start(goal, isFull ? ShareOfShort : ShareOfGoal, fastest?.QuarterBpm, who.LastClean);
        // The slowest step still holds its longest note on one breath.
        var start = Math.Min(goal, Math.Max(easy, SlowestTempo.OfOneNote(context, part, from, to, who.Level) ?? 0));
        var limit = IsFarAbove(context, from, fastest, slowest, Math.Max(printed?.To ?? 0, inForce)) ? null : fastest;
        return new TempoWindow(
            slowest,
            limit,
            printed,
            InUnit(
                isFull || start < SlowBeat * unit.Quarters.Value ? Shorter(unit) : unit,
                start,
                b => start < goal ? Math.Round(b) : Math.Round(b, 1)
            ),
            InUnit(unit, goal, b => IsGiven(goal, printed, inForce) ? Math.Round(b, 1) : Math.Floor(b + 1e-6)),
            WindowWords.Of(
                new WindowWords.Said(slowest, limit, printed, goal, told, context.Tempo.IsKnownAt(from), instrument?.IsDoubleReed == true),
                () => SlowestTempo.Cure(context, part, from, to, who.Level)
            ) + Rest(context, to, all)
        );
    }

    private static WindowEnd? Nearer(WindowEnd? fastest, WhoPlays who, ToldUnit unit)
    {
        if (fastest is null)
            return null;
        var near = fastest.QuarterBpm * who.Nearness;
        var bpm = Math.Max(Math.Floor(near * 10) / 10, who.LastClean ?? 0);
        if (bpm == fastest.QuarterBpm)
            return fastest;
        return fastest with { QuarterBpm = bpm, Why = $"{fastest.Why} By what was logged: {unit.Words(bpm)}." };
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
        // A printed tempo is what an audition asks for: what is hard at it is a risk, no reason for less.
        return Math.Clamp(fastest ?? printed.To, printed.From, printed.To);
    }

    // What is far quicker than the music is asked to go is no limit, as long as a breath does not ask for more.
    private static bool IsFarAbove(StudyContext context, int from, WindowEnd? fastest, WindowEnd? slowest, double asked) =>
        fastest?.QuarterBpm > (context.Tempo.IsKnownAt(from) ? FarAbove * asked : NobodyAsks)
        && !(slowest?.QuarterBpm > fastest.QuarterBpm);

    // The last measure before another tempo begins: two tempos are two jobs.
    private static int EndOfTempo(StudyContext context, int from, int to)
    {
        var here = context.Tempo.QuarterBpmAt(from);
        var next = context.Tempo.Signs.FirstOrDefault(s =>
            s.Kind == TempoKind.Fixed
            && s.Measure > from
            && s.Measure <= to
            && context.Tempo.QuarterBpmAt(s.Measure) != here
        );
        return next is null ? to : next.Measure - 1;
    }

    private static string Rest(StudyContext context, int to, int all) =>
        to < all ? $" From measure {context.Label(to + 1)} on there is another tempo: another window." : "";

    // A page of notes that are a quarter of its beat or less is begun in the half of it.
    private static bool IsFullOfShort(Excerpt excerpt, BeatUnit unit)
    {
        var struck = excerpt.Steps.Where(s => !s.Note.IsGrace).ToList();
        return unit.Quarters >= 1 && struck.Count(s => s.Note.Duration * 4 <= unit.Quarters) > MostAreShort * struck.Count;
    }

    // A goal that is worked out is a whole number that is still clean.
    private static bool IsGiven(double goal, PrintedTempo? printed, double inForce) =>
        goal == printed?.From || goal == printed?.To || (printed is null && goal == inForce);

    private static double Start(double goal, double share, double? fastest, double? lastClean)
    {
        var easy = fastest is { } clean ? Math.Min(goal * share, clean / Ease) : goal * share;
        return Math.Min(goal, Math.Max(Math.Max(Least, easy), lastClean ?? 0));
    }

    // A dotted beat is halved into the notes that it is made of.
    private static BeatUnit Shorter(BeatUnit unit) => BeatUnit.OfLength(unit.Quarters / 3) ?? BeatUnit.OfLength(unit.Quarters / 2) ?? unit;

    private static TempoMark InUnit(BeatUnit unit, double quarterBpm, Func<double, double> round) =>
        new(unit, round(quarterBpm / unit.Quarters.Value));
}
