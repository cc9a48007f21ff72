using System.Runtime.CompilerServices;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Technique.Strings;

/// <summary>Violin, viola, cello, bass: string, finger, position.</summary>
/// <remarks>The second finger is high (touching three) or low (touching one), never between: on the A string C♯ is high two and C♮ low two;
/// C♯ on the G string is a high three. Home is the first position with its extensions; a shift is taken for a reason, between slurs, on a
/// half step, at an open string or in a rest. Fourth finger instead of the open string for anything longer than two quarter-note beats,
/// above all the open E, also when it saves two string crossings; one pitch repeated is one long note. One finger does not slide E–D♯–E:
/// shift. Common practice, no published source; open strings agree with tests/reference/facts/instruments.json.</remarks>
/// <param name="neck">The neck.</param>
/// <param name="home">How much of a place's price is paid; see <see cref="HomePosition"/>.</param>
public sealed class StringTechnique(Neck neck, double home = 1) : ITechnique
{
    private const int LeapFrom = 5;
    private const int MostHands = 4;

    private static readonly Obstacle OneFinger = new(ObstacleKind.Slide, "one finger would slide");
    private static readonly Obstacle?[] Crossings =
    [
        null,
        null,
        new(ObstacleKind.Other, "crosses two strings"),
        new(ObstacleKind.Other, "crosses three strings"),
        new(ObstacleKind.Other, "crosses four strings"),
    ];

    private readonly StringWays _ways = new(neck, home);
    private readonly ConditionalWeakTable<Excerpt, StringContext> _contexts = [];

    /// <inheritdoc/>
    public IReadOnlyList<Candidate> Ways(Excerpt excerpt, int place)
    {
        var keys = KeysOf(excerpt[place].Note);
        var ways = keys.Count > 1 ? DoubleStops.Of(keys, k => Single(excerpt, place, k, false)) : [];
        if (ways.Count == 0 && keys.Count > 0)
            ways = Single(excerpt, place, keys[^1], true);
        if (ways.Count == 0)
            return ways;
        ways = UnderPrintedHand(excerpt, place, OnAskedString(excerpt, place, ways));
        if (place == 0)
            ways = ways.ConvertAll(w => w with { Cost = Math.Round(w.Cost + StartsAt(Of(w)), 3) });
        MarkUsual(ways);
        return ways;
    }

    /// <inheritdoc/>
    /// <remarks>Above the first position the place is told where the hand comes to it, and where it is back; there the fingers follow by
    /// themselves.</remarks>
    public bool IsTold(Candidate? from, Candidate to)
    {
        var now = Of(to);
        var moves = from is not null && !ReferenceEquals(now.Hand, Of(from).Hand) && !now.IsOpen;
        return to.IsUsual ? moves : from is null || moves || now.IsOpen || now.IsFirst || now.Node is not null;
    }

    /// <summary>The ways of a key for a chart: those of the first position first.</summary>
    internal IReadOnlyList<Candidate> OfChart(int midi) =>
        [
            .. _ways
                .Opens(midi)
                .Select(s => new Candidate(_ways.Open(s, neck.FirstPosition), StringCosts.Open, ""))
                .Concat(_ways.All(midi, null, false))
                .OrderBy(w => Of(w) is { IsOpen: true } or { IsFirst: true } ? 0 : 1)
                .ThenBy(w => w.Cost),
        ];

    /// <inheritdoc/>
    public double Change(Excerpt excerpt, int place, Candidate from, Candidate to)
    {
        var step = excerpt[place];
        var haste = HasteOf(step);
        var (f, t) = (Of(from), Of(to));
        var crossed = Math.Abs(f.String - t.String);
        var cost = crossed == 0 ? 0 : crossed * CrossingOf(f, t, step.SlurredFrom) * Math.Min(haste, 1);
        if (step.IsAgain && from.Code != to.Code)
            cost += StringCosts.OtherWayOfSameNote;
        if (Shifts(f, t))
            return cost + ShiftOf(step, f, t, haste);
        if (!IsSameFinger(f, t))
            return cost + FrameOf(f, t);
        return cost + (crossed > 0 ? StringCosts.SameFingerAcross * Math.Min(haste, 1) : SlideOf(step, f, t) * haste);
    }

    /// <inheritdoc/>
    public Obstacle? Reason(Excerpt excerpt, int place, Candidate from, Candidate to)
    {
        var (f, t) = (Of(from), Of(to));
        if (!Shifts(f, t) && IsSameFinger(f, t) && f.String == t.String && f.Lie != t.Lie)
            return OneFinger;
        if (Shifts(f, t) && !t.IsOpen && t.Node is null)
            return t.Hand!.Comes;
        return Crossings[Math.Abs(f.String - t.String)];
    }

    // A quarter of a second is a comfortable speed.
    private static double HasteOf(Step step) => step.Before is { } seconds ? Math.Clamp(0.25 / seconds, 0.4, 2) : 0.4;

    private static StringPlacement Of(Candidate way) =>
        way.Placement is StringChord chord ? chord.Lead : (StringPlacement)way.Placement;

    // Sounding keys of a note, the lowest first.
    private static IReadOnlyList<int> KeysOf(Note note) =>
        note.Heads is [{ Sounding: { } only }]
            ? [only]
            : [.. note.Heads.Where(h => h.Sounding is not null).Select(h => h.Sounding!.Value).Distinct().Order()];

    private List<Candidate> Single(Excerpt excerpt, int place, int midi, bool isAlone)
    {
        var isHarmonic = excerpt[place].Note.Has("harmonic");
        var serves = isHarmonic || IsLeapt(excerpt[place]);
        var ways = Opens(excerpt, place, midi, isAlone);
        foreach (var way in _ways.Stopped(midi, WrittenOf(excerpt[place], midi), isHarmonic))
            ways.Add(serves || Of(way).Node is null ? way : way with { Cost = way.Cost + StringCosts.HarmonicByStep });
        return ways;
    }

    private static Pitch? WrittenOf(Step step, int midi)
    {
        foreach (var head in step.Note.Heads)
            if (head.Sounding == midi)
                return head.Written;
        return null;
    }

    // An octave harmonic serves a leap; within a line a finger serves better.
    private static bool IsLeapt(Step step) => step.Before is null || Math.Abs(step.Moves) >= LeapFrom;

    // An open string leaves the hand where it is: once for each place where it may be.
    private List<Candidate> Opens(Excerpt excerpt, int place, int midi, bool isAlone)
    {
        var ways = new List<Candidate>(StringCosts.MostWays);
        for (var s = 0; s < neck.Strings.Count; s++)
        {
            if (neck.Strings[s].Open != midi)
                continue;
            var own = (isAlone ? LongOpen(excerpt, place, s) : 0) + StringCosts.Open;
            foreach (var hand in HandsAround(excerpt, place))
                ways.Add(new Candidate(_ways.Open(s, hand), Math.Round(own + (_ways.StayOf(hand) * StringCosts.StayOpen), 3), ""));
        }

        return ways;
    }

    // Where the stopped notes before and after may hold the hand, home first.
    private List<HandPlace> HandsAround(Excerpt excerpt, int place)
    {
        var hands = new List<HandPlace>(1 + MostHands) { neck.FirstPosition };
        AddHands(hands, StoppedFrom(excerpt, place, -1));
        AddHands(hands, StoppedFrom(excerpt, place, 1));
        return hands;
    }

    // The nearest step in a direction that cannot be played on an open string.
    private Step? StoppedFrom(Excerpt excerpt, int place, int by)
    {
        var at = place + by;
        while (at >= 0 && at < excerpt.Steps.Count && excerpt[at].Chord is [var key] && _ways.IsOpen(key))
            at += by;
        return at >= 0 && at < excerpt.Steps.Count ? excerpt[at] : null;
    }

    private void AddHands(List<HandPlace> hands, Step? step)
    {
        if (step is not { Chord: [.., var key] })
            return;
        var ways = _ways.Stopped(key, WrittenOf(step, key), false);
        var most = hands.Count + (MostHands / 2);
        for (var i = 0; i < ways.Count && hands.Count < most; i++)
            if (Of(ways[i]) is { Node: null, Hand: { } hand } && !hands.Contains(hand))
                hands.Add(hand);
    }

    // A long open string rings where a fourth finger could stand: on violin and viola; cello and bass like it.
    private double LongOpen(Excerpt excerpt, int place, int s)
    {
        if (!neck.FollowsLetters)
            return 0;
        var beats = ContextOf(excerpt).Beats[place];
        var isTop = s == neck.Strings.Count - 1;
        return excerpt.House["fourth-finger"] switch
        {
            "open-allowed" => 0,
            "always" => beats >= 1 ? 1.2 : 0.1,
            _ => beats > 2 ? 1.5 + (isTop ? 0.8 : 0) : 0,
        };
    }

    private List<Candidate> OnAskedString(Excerpt excerpt, int place, List<Candidate> ways)
    {
        if (ContextOf(excerpt).Asked?[place] is not { } asked)
            return ways;
        var there = ways.Where(w => Of(w).String == asked).ToList();
        return there.Count > 0 ? there : ways;
    }

    private List<Candidate> UnderPrintedHand(Excerpt excerpt, int place, List<Candidate> ways)
    {
        if (ContextOf(excerpt).Printed[place] is not { } hand)
            return ways;
        double More(Candidate way) => ReferenceEquals(Of(way).Hand, hand) ? -_ways.StayOf(hand) : StringCosts.OtherThanPrinted;
        return ways.ConvertAll(w => w with { Cost = w.Cost + More(w) });
    }

    private StringContext ContextOf(Excerpt excerpt) => _contexts.GetValue(excerpt, e => new StringContext(e, neck, i => Alone(e, i)));

    private IReadOnlyList<Candidate> Alone(Excerpt excerpt, int place) =>
        excerpt[place].Note.Heads is [{ Sounding: { } key, Written: var written }] ? _ways.Stopped(key, written, false) : [];

    // Untold, a player takes the open string; without one, the nearest finger of the first position.
    private static void MarkUsual(List<Candidate> ways)
    {
        var hasOpen = ways.Exists(w => w.Placement is StringPlacement { IsOpen: true });
        var nearest = -1;
        for (var i = 0; i < ways.Count; i++)
        {
            if (hasOpen && ways[i].Placement is StringPlacement { IsOpen: true })
                ways[i] = ways[i] with { IsUsual = true };
            else if (!hasOpen && Of(ways[i]).IsFirst && (nearest < 0 || ways[i].Cost < ways[nearest].Cost))
                nearest = i;
        }

        if (nearest >= 0)
            ways[nearest] = ways[nearest] with { IsUsual = true };
    }

    private static bool Shifts(StringPlacement f, StringPlacement t) =>
        f.Hand is not null && t.Hand is not null && (!ReferenceEquals(f.Hand, t.Hand) || f.Node != t.Node);

    private static double ShiftOf(Step step, StringPlacement f, StringPlacement t, double haste)
    {
        if (t.IsOpen)
            return StringCosts.TooEarly;
        if (f.Node is not null || t.Node is not null)
            return StringCosts.ToHarmonic * haste;
        var isOne = f.Finger == t.Finger && f.String == t.String;
        var isHalf = isOne && Math.Abs(step.Moves) == 1;
        var move = (WayOf(t, isOne, isHalf) + (Math.Abs(f.Hand!.Offset - t.Hand!.Offset) * StringCosts.PerHalfStep)) * haste;
        var thumb = f.HasThumb == t.HasThumb ? 0 : StringCosts.SetsThumb;
        var height = f.Hand.Offset < t.Hand.Offset ? Height(t.Hand) : 0;
        var slur = step.SlurredFrom ? StringCosts.ShiftInSlur : 0;
        var way = f.IsOpen ? move * StringCosts.OverOpen : move + slur;
        var lands = t.Finger is 3 or 4 && !isOne ? StringCosts.LandsHigh : 0;
        return StringCosts.Moves + way + thumb + height + lands;
    }

    // One finger is a good guide over a half step; further only the first is.
    private static double WayOf(StringPlacement t, bool isOne, bool isHalf)
    {
        if (isHalf)
            return StringCosts.GuidedShift * StringCosts.OnHalfStep;
        if (t.Finger == 1)
            return StringCosts.GuidedShift;
        return isOne ? StringCosts.SameFingerShift : StringCosts.Shift;
    }

    // A passage that begins high is come to before it begins.
    private static double StartsAt(StringPlacement p) =>
        p.Hand is null || p.Node is not null ? 0 : Height(p.Hand) + (p.HasThumb ? StringCosts.SetsThumb : 0);

    private static double Height(HandPlace hand) => Math.Max(0, hand.Offset - 2) * StringCosts.PerHigh;

    private static bool IsSameFinger(StringPlacement f, StringPlacement t) => !f.IsOpen && f.Finger == t.Finger;

    // Away and back is what slides; on in one direction is a chromatic line.
    private static double SlideOf(Step step, StringPlacement f, StringPlacement t)
    {
        if (f.Lie == t.Lie)
            return 0;
        return step.IsAwayAndBack ? StringCosts.Slide : StringCosts.SlideOn;
    }

    // The bow rocks easily between a stopped string and an open one.
    private double CrossingOf(StringPlacement f, StringPlacement t, bool slurred)
    {
        if (slurred)
            return StringCosts.PerCrossing + StringCosts.CrossingInSlur;
        var rocks = neck.FollowsLetters ? StringCosts.RocksHigh : StringCosts.RocksLow;
        return StringCosts.PerCrossing * (f.IsOpen != t.IsOpen ? rocks : 1);
    }

    // The hand opens or closes between two of its fingers.
    private static double FrameOf(StringPlacement f, StringPlacement t)
    {
        if (f.Frame is not { } before || t.Frame is not { } now || before == now)
            return 0;
        return before == Lie.Plain || now == Lie.Plain ? StringCosts.OtherFrame : StringCosts.OppositeFrame;
    }
}
