using System.Collections.Concurrent;
using System.Globalization;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Technique.Strings;

/// <summary>Violin, viola, cello, bass: string, finger, position.</summary>
/// <remarks>The second finger is high (touching three) or low (touching one), never between: on the A string C♯ is high two and C♮ low two;
/// C♯ on the G string is a high three. Fourth finger instead of the open string for anything longer than two quarter-note beats, above all
/// the open E, also when it saves two string crossings. One finger does not slide E–D♯–E: shift. Common practice, no published source; open
/// strings agree with tests/reference/facts/instruments.json. Natural harmonics: the octave's node gives the octave, the fifth's the
/// twelfth, the fourth's the double octave (harmonic series).</remarks>
public sealed class StringTechnique(Neck neck) : ITechnique
{
    private const int NodeFinger = 3;

    // Half steps of the node above the open string, and what sounds there.
    private static readonly (int Node, int Sounds)[] Nodes = [(12, 12), (7, 19), (5, 24)];

    private readonly ConcurrentDictionary<(int Midi, int Letter, bool Harmonic), IReadOnlyList<Candidate>> _known = new();

    /// <inheritdoc/>
    public IReadOnlyList<Candidate> Ways(Excerpt excerpt, int place)
    {
        var keys = excerpt.Steps[place].Note.Heads is [{ Sounding: { } only }]
            ? [only]
            : excerpt.Steps[place].Note.Heads.Where(h => h.Sounding is not null).Select(h => h.Sounding!.Value).Distinct().Order().ToList();
        var starts = excerpt.Steps[place].Before is null && place == 0;
        var ways = keys.Count > 1 ? DoubleStops.Of(keys, k => Single(excerpt, place, k)) : [];
        if (ways.Count == 0)
            ways = [.. Single(excerpt, place, keys[^1])];
        if (ways.Count == 0)
            return ways;
        if (starts)
            ways = ways.ConvertAll(w => w with { Cost = Math.Round(w.Cost + StartsAt(StringState.Of(w)), 3) });
        // Untold, a player takes the open string; without one, the nearest finger of the first position.
        var usual = ways.FindIndex(w => StringState.Of(w).Finger == 0 && !w.Code.Contains('+', StringComparison.Ordinal));
        for (var i = 0; i < ways.Count; i++)
            if (IsFirst(ways[i]) && (usual < 0 || (StringState.Of(ways[usual]).Finger > 0 && ways[i].Cost < ways[usual].Cost)))
                usual = i;
        if (usual >= 0)
            ways[usual] = ways[usual] with { IsUsual = true };
        return ways;
    }

    /// <inheritdoc/>
    /// <remarks>Above the first position the place is told where the hand comes to it; there the fingers follow by themselves.</remarks>
    public bool IsTold(Candidate? from, Candidate to)
    {
        var state = StringState.Of(to);
        return !to.IsUsual
            && (
                from is null
                || state.Offset <= 2
                || state.Offset != StringState.Of(from).Offset
                || to.Code.Contains('o', StringComparison.Ordinal)
            );
    }

    /// <summary>The ways of a key for a chart: those of the first position first.</summary>
    internal IReadOnlyList<Candidate> OfChart(int midi) =>
        [.. Opens(null, 0, midi).Concat(Stops(midi, null, false)).OrderBy(w => IsFirst(w) ? 0 : 1).ThenBy(w => w.Cost)];

    // What is much dearer than the cheapest way is never taken.
    private IEnumerable<Candidate> Single(Excerpt excerpt, int place, int midi)
    {
        var note = excerpt.Steps[place].Note;
        var written = note.Heads.First(h => h.Sounding == midi).Written;
        return Opens(excerpt, place, midi)
            .Concat(
                _known.GetOrAdd(
                    (midi, written?.Diatonic ?? -1, note.Has("harmonic")),
                    k =>
                    {
                        var all = Stops(midi, written, k.Harmonic).OrderBy(w => w.Cost).ToList();
                        return [.. all.TakeWhile(w => w.Cost <= all[0].Cost + StringCosts.Reach).Take(StringCosts.MostWays)];
                    }
                )
            );
    }

    private IEnumerable<Candidate> Opens(Excerpt? excerpt, int place, int midi) =>
        Enumerable.Range(0, neck.Strings.Count).Where(s => neck.Strings[s].Open == midi).Select(s => Open(excerpt, place, s));

    private IEnumerable<Candidate> Stops(int midi, Pitch? written, bool harmonic)
    {
        for (var s = 0; s < neck.Strings.Count; s++)
        {
            var above = midi - neck.Strings[s].Open;
            if (above <= 0)
                continue;
            foreach (var (node, _) in Nodes.Where(n => n.Sounds == above && (harmonic || n.Node == 12)))
                yield return Harmonic(s, node, harmonic);
            foreach (var hand in neck.Places)
                foreach (var finger in hand.Fingers.Where(f => hand.Offset + f.Above == above))
                    yield return Stopped(s, hand, finger, harmonic, written);
        }
    }

    /// <inheritdoc/>
    public double Change(Excerpt excerpt, int place, Candidate from, Candidate to)
    {
        var haste = Math.Clamp(0.25 / (excerpt.Steps[place].Before ?? 1), 0.4, 2);
        var (f, t) = (StringState.Of(from), StringState.Of(to));
        var crossing = Math.Abs(f.String - t.String) * StringCosts.PerCrossing;
        var leaps = SameFinger(f, t) && f.String != t.String ? StringCosts.SameFingerAcross : 0;
        return ((crossing + ShiftOf(f, t) + (Slides(f, t, from, to) ? StringCosts.Slide : 0)) * haste) + leaps + Arrival(f, t);
    }

    // Shifts like the first finger, and one finger that stays on its string as a guide.
    private static double ShiftOf(StringState f, StringState t)
    {
        if (!Shifts(f, t))
            return 0;
        var kind = t.Finger == 1 || (f.Finger == t.Finger && f.String == t.String) ? StringCosts.GuidedShift : StringCosts.Shift;
        return kind + (Math.Abs(f.Offset - t.Offset) * StringCosts.PerHalfStep);
    }

    // Height is paid where the hand comes to it, never on every note; the thumb is set and taken away at a price.
    private static double Arrival(StringState f, StringState t)
    {
        if (t.Offset == 0 || (f.Offset == t.Offset && f.HasThumb == t.HasThumb))
            return 0;
        var thumb = f.HasThumb != t.HasThumb && f.Offset != 0 ? StringCosts.SetsThumb : 0;
        return thumb + (f.Offset < t.Offset ? Height(t.Offset) : 0);
    }

    // A passage that begins high is come to before it begins.
    private static double StartsAt(StringState s) => Height(s.Offset) + (s.HasThumb ? StringCosts.SetsThumb : 0);

    private static double Height(int offset) => Math.Max(0, offset - 2) * StringCosts.PerHigh;

    /// <inheritdoc/>
    public Obstacle? Reason(Excerpt excerpt, int place, Candidate from, Candidate to)
    {
        var (f, t) = (StringState.Of(from), StringState.Of(to));
        if (Slides(f, t, from, to))
            return new Obstacle(ObstacleKind.Slide, "one finger would slide");
        if (Shifts(f, t))
            return new Obstacle(ObstacleKind.Shift, $"shift to {Named(to)}");
        var crossed = Math.Abs(f.String - t.String);
        return crossed > 1 ? new Obstacle(ObstacleKind.Other, $"crosses {(crossed == 2 ? "two" : "three")} strings") : null;
    }

    // An open string leaves the hand where it is, and gives it time to move.
    private static bool Shifts(StringState f, StringState t) => f.Offset != 0 && t.Offset != 0 && f.Offset != t.Offset;

    private static bool SameFinger(StringState f, StringState t) => f.Offset == t.Offset && f.Offset > 0 && f.Finger == t.Finger;

    private static bool Slides(StringState f, StringState t, Candidate from, Candidate to) =>
        SameFinger(f, t) && f.String == t.String && from.Code != to.Code;

    // A place in words, from the code.
    private static string Named(Candidate to)
    {
        var at = to.Code.IndexOf('@', StringComparison.Ordinal);
        var name = at < 0 ? "1" : to.Code[(at + 1)..].Split('+')[0];
        if (name == "half")
            return "half position";
        return name.StartsWith('T') ? "thumb position" : $"position {name}";
    }

    private static bool IsFirst(Candidate way) =>
        StringState.Of(way).Offset <= 2
        && !way.Code.Contains('o', StringComparison.Ordinal)
        && !way.Code.Contains("half", StringComparison.Ordinal);

    private Candidate Open(Excerpt? excerpt, int place, int s)
    {
        var beats = excerpt?.Beats(place).Value ?? 1;
        var top = s == neck.Strings.Count - 1;
        // A long open string rings where a fourth finger could stand: on violin and viola; cello and bass like it.
        var cost = excerpt?.House["fourth-finger"] switch
        {
            _ when !neck.FollowsLetters => 0,
            null or "open-allowed" => 0,
            "always" => beats >= 1 ? 1.2 : 0.1,
            _ => beats > 2 ? 1.5 + (top ? 0.8 : 0) : 0,
        };
        return new Candidate($"{neck.Strings[s].Letter}0", cost + StringCosts.Open, "", new StringState(s, 0, 0).Packed);
    }

    private Candidate Stopped(int s, HandPlace hand, FingerPlace f, bool harmonic, Pitch? written)
    {
        var cost =
            (Math.Max(0, hand.Offset - 2) * StringCosts.StaysHigh)
            + (hand.Offset < 2 ? StringCosts.Half : 0)
            + (neck.FollowsLetters ? StringCosts.Fingers : StringCosts.LowFingers)[f.Finger]
            + (
                f.Finger == 2 && neck.FollowsLetters
                    ? 0
                    : f.Sign switch
                    {
                        "h" => StringCosts.Stretched,
                        "l" => StringCosts.DrawnBack,
                        _ => 0,
                    }
            )
            + (hand.HasThumb ? StringCosts.ThumbPosition : 0)
            + (harmonic ? StringCosts.NoHarmonic : 0)
            + (
                neck.FollowsLetters && hand.Offset == 2 && written is { } pitch && LettersAbove(s, pitch) != f.Finger
                    ? StringCosts.OtherLetter
                    : 0
            );
        var finger = f.Finger == Necks.Thumb ? "T" : f.Finger.ToString(CultureInfo.InvariantCulture);
        var code = neck.Strings[s].Letter + finger + f.Sign + (hand.Name == "1" ? "" : $"@{hand.Name}");
        var matches = f.Finger == 4 && hand.Offset == 2 && neck.Strings.Any(o => o.Open == neck.Strings[s].Open + hand.Offset + f.Above);
        return new Candidate(
            code,
            Math.Round(cost, 3),
            (matches, hand.HasThumb) switch
            {
                (true, _) => "fourth finger: the tone matches, and the bow stays",
                (_, true) => "thumb position",
                _ => "",
            },
            new StringState(s, f.Finger, hand.Offset, hand.HasThumb).Packed
        );
    }

    // In first position a finger a letter: A♭ on the D string is a low four, G♯ a high three.
    private int LettersAbove(int s, Pitch pitch) =>
        pitch.Diatonic - Pitch.Parse(neck.Strings[s].Letter + "0").Diatonic - (7 * ((neck.Strings[s].Open / 12) - 1));

    private Candidate Harmonic(int s, int node, bool written)
    {
        var name = node switch
        {
            12 => "octave",
            7 => "fifth",
            _ => "fourth",
        };
        var offset = Math.Max(2, node - NodeFinger);
        return new Candidate(
            $"{neck.Strings[s].Letter}{NodeFinger}o@{node}",
            (written, node == 12) switch
            {
                (true, true) => 0,
                (true, false) => 0.2,
                (false, true) => neck.Harmonic,
                _ => neck.Harmonic + 0.8,
            },
            $"natural harmonic, touched at the {name}",
            new StringState(s, NodeFinger, offset).Packed
        );
    }
}

/// <summary>What the next note must know of a string player's hand.</summary>
/// <param name="String">The string from 0, the lowest.</param>
/// <param name="Finger">The finger; 0 for an open string.</param>
/// <param name="Offset">The hand's place in half steps; 0 for an open string.</param>
/// <param name="HasThumb">True where the thumb is on the string.</param>
public readonly record struct StringState(int String, int Finger, int Offset, bool HasThumb = false)
{
    /// <summary>The state as a number.</summary>
    public int Packed => String + (Finger * 10) + (Offset * 100) + (HasThumb ? Thumb : 0);

    /// <summary>The state of a candidate.</summary>
    public static StringState Of(Candidate c) => new(c.State % 10, c.State / 10 % 10, c.State / 100 % 100, c.State >= Thumb);

    private const int Thumb = 100_000;
}

/// <summary>What string work costs.</summary>
/// <remarks>Our own weights, no published source.</remarks>
internal static class StringCosts
{
    public const double PerCrossing = 0.3;
    public const double Shift = 0.55;
    public const double GuidedShift = 0.42;
    public const double SetsThumb = 0.7;
    public const double StaysHigh = 0.02;
    public const double PerHalfStep = 0.08;
    public const double PerHigh = 0.2;
    public const double Half = 0.3;
    public const double ThumbPosition = 0.06;
    public const double Slide = 1.2;
    public const double SameFingerAcross = 0.2;
    public const double Open = 0.02;
    public const double Stretched = 0.25;
    public const double DrawnBack = 0.1;
    public const double NoHarmonic = 3;
    public const double Reach = 1.6;
    public const int MostWays = 8;
    public const double OtherLetter = 0.3;
    public const double DoubleStop = 0.3;
    public const double FifthWithOneFinger = 0.4;

    /// <summary>Violin and viola, by finger; the fifth is the thumb.</summary>
    public static IReadOnlyList<double> Fingers { get; } = [0, 0, 0, 0.02, 0.25, 0.1];

    /// <summary>Cello and bass, whose fourth finger closes the frame of the hand.</summary>
    public static IReadOnlyList<double> LowFingers { get; } = [0, 0, 0, 0.02, 0.04, 0.1];
}
