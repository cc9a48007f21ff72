using System.Collections.Concurrent;
using System.Globalization;

namespace MellowStand.Core.Technique.Slide;

/// <summary>The trombone: slide positions, with or without the F attachment.</summary>
/// <remarks>Partials of a tube in B♭ and seven positions a half step apart; with the attachment a tube in F and six. A♭ at the top of the
/// bass staff is 3rd, E♮ in the staff is 2nd: common practice, no published source. The seventh partial is flat by 31 cents (harmonic
/// series: 1200·log2(7/4) = 969 against 1000): raised from the second position on, left alone in first. With a second valve in G♭ both
/// together give a tube in D, on which five positions lie: its codes are <c>D1</c> to <c>D5</c>.</remarks>
/// <param name="attachment">True with an F attachment.</param>
/// <param name="second">True with a second valve.</param>
/// <param name="sparesSlurs">False where the attachment serves a long throw only, not the slur: players of the first years learn the slide
/// first (common practice, no published source).</param>
public sealed class SlideTechnique(bool attachment, bool second = false, bool sparesSlurs = true) : ITechnique
{
    private const int OpenBb = 34;
    private const int OpenF = 29;
    private const int OpenD = 26;
    private const int LastEasyPartial = 7;

    private readonly ConcurrentDictionary<int, IReadOnlyList<Candidate>> _known = new();

    // Half steps of the partials above the fundamental.
    private static readonly int[] Partials = [0, 12, 19, 24, 28, 31, 34, 36, 38, 40];

    /// <inheritdoc/>
    public IReadOnlyList<Candidate> Ways(Excerpt excerpt, int place)
    {
        var ways = Of(excerpt.Steps[place].Note.TopSounding!.Value);
        var plain = ways.FirstOrDefault(w => w.IsUsual && !Of(w).HasValve);
        if (plain is null || ways.Count == 1)
            return ways;
        return [.. ways.Select(w => w == plain ? w : Beside(excerpt, place, Of(plain), w))];
    }

    // Plain positions first: the double of a note is for really quick music, the attachment for a long throw or against a legato tongue.
    private Candidate Beside(Excerpt excerpt, int place, SlidePlacement plain, Candidate other)
    {
        if (!Of(other).HasValve)
            return IsQuick(excerpt, place) ? other : other with { Cost = other.Cost + SlideCosts.Double };
        if (plain.Position >= SlideCosts.LongThrow)
            return IsSlow(excerpt, place) ? other with { Cost = other.Cost + SlideCosts.SlowAttachment } : other;
        var isLight = Of(other).Position == 1 && plain.Position >= SlideCosts.Third;
        return isLight && sparesSlurs && SparesTongue(excerpt, place, plain)
            ? other with
            {
                Cost = other.Cost - SlideCosts.LegatoTongue,
                Why = "slurred: the valve makes the slur natural, without the tongue",
            }
            : other with
            {
                Cost = other.Cost + SlideCosts.NeedlessAttachment,
                Why = "",
            };
    }

    // A slur to a neighbour needs the tongue where both are plain, and the valve spares it.
    private bool SparesTongue(Excerpt excerpt, int place, SlidePlacement plain) =>
        (place > 0 && excerpt.Steps[place].SlurredFrom && NeedsTongue(excerpt, place - 1, place, plain, isFirst: false))
        || (
            place + 1 < excerpt.Steps.Count
            && excerpt.Steps[place + 1].SlurredFrom
            && NeedsTongue(excerpt, place, place + 1, plain, isFirst: true)
        );

    private bool NeedsTongue(Excerpt excerpt, int from, int to, SlidePlacement plain, bool isFirst)
    {
        var (a, b) = (excerpt.Steps[from].Note.TopSounding!.Value, excerpt.Steps[to].Note.TopSounding!.Value);
        if (Of(isFirst ? b : a).FirstOrDefault(w => w.IsUsual) is not { } beside || Of(beside) is not { HasValve: false } other)
            return false;
        return SlideSlurs.Kind(isFirst ? plain : other, isFirst ? other : plain, a, b) != SlideSlurs.Natural;
    }

    private static bool IsQuick(Excerpt excerpt, int place) =>
        Math.Min(excerpt.Steps[place].Before ?? 1, place + 1 < excerpt.Steps.Count ? excerpt.Steps[place + 1].Before ?? 1 : 1)
        < SlideCosts.QuickFrom;

    private static bool IsSlow(Excerpt excerpt, int place) =>
        (excerpt.Steps[place].Before ?? SlideCosts.Slow) >= SlideCosts.Slow
        && (place + 1 >= excerpt.Steps.Count || (excerpt.Steps[place + 1].Before ?? SlideCosts.Slow) >= SlideCosts.Slow);

    /// <inheritdoc/>
    public double Change(Excerpt excerpt, int place, Candidate from, Candidate to)
    {
        var (a, b) = (Of(from).Position, Of(to).Position);
        var travel = Math.Abs(a - b);
        var seconds = excerpt.Steps[place].Before ?? 1;
        // Travel is dear when it is quick; in slow music the plain position beats what it saves.
        var haste = Math.Clamp(SlideCosts.Comfortable / seconds, SlideCosts.LeastHaste, 2);
        var valve = Of(from).HasValve != Of(to).HasValve ? 0.15 : 0;
        var fast = travel / seconds;
        return valve
            + (travel * SlideCosts.PerPosition * haste)
            + (fast > SlideCosts.EasySpeed ? (fast - SlideCosts.EasySpeed) * SlideCosts.PerSpeed : 0);
    }

    /// <inheritdoc/>
    public Obstacle? Reason(Excerpt excerpt, int place, Candidate from, Candidate to) =>
        Math.Abs(Of(from).Position - Of(to).Position) is >= 4 and var travel
            ? new Obstacle(
                ObstacleKind.Travel,
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"{travel} positions from "
                        + $"{from.Code}{(excerpt.Steps[place].Before is { } seconds ? $", {travel / seconds:0} a second" : "")}"
                )
            )
            : null;

    /// <summary>Every way to sound a key.</summary>
    internal IReadOnlyList<Candidate> Of(int midi) => _known.GetOrAdd(midi, Find);

    private IReadOnlyList<Candidate> Find(int midi)
    {
        var ways = new List<Candidate>();
        Add(ways, midi, OpenBb, 7, SlideTube.Open);
        if (attachment)
            Add(ways, midi, OpenF, 6, SlideTube.F);
        if (attachment && second)
            Add(ways, midi, OpenD, 5, SlideTube.D);
        if (ways.Count == 0)
            return ways;
        var usual = ways.Where(w => !Of(w).HasValve).DefaultIfEmpty(ways.MinBy(w => w.Cost)!).MinBy(w => w.Cost)!;
        return [.. ways.Select(w => w with { IsUsual = w == usual, Cost = Math.Round(w.Cost, 3) })];
    }

    private static void Add(List<Candidate> ways, int midi, int open, int longest, SlideTube tube)
    {
        var valve = tube != SlideTube.Open;
        for (var partial = 0; partial < Partials.Length; partial++)
        {
            var position = open + Partials[partial] - midi + 1;
            if (position < 1 || position > longest)
                continue;
            // The fundamental speaks only as a pedal note, and the seventh partial is out of tune.
            var cost =
                ((position - 1) * SlideCosts.PerLongPosition)
                + (partial == 6 ? SeventhPartial(position) : 0)
                + (valve ? SlideCosts.Attachment : 0)
                + (tube == SlideTube.D ? SlideCosts.Second : 0)
                + (position >= 6 ? SlideCosts.FarOut : 0)
                + (partial == 0 && !valve ? SlideCosts.Pedal : 0)
                + (Math.Max(0, partial - LastEasyPartial) * SlideCosts.HighPartial);
            ways.Add(
                new Candidate(
                    new SlidePlacement(tube, position, partial),
                    cost,
                    tube switch
                    {
                        SlideTube.F => "the attachment saves the long slide",
                        SlideTube.D => "both valves",
                        _ => "",
                    }
                )
                {
                    Cents = Math.Round(Valves.ValveIntonation.PartialCents(partial + 1), 1),
                }
            );
        }
    }

    // From the second position on it can be raised into tune, which is how G and F♯ above the staff are played; in first it cannot.
    private static double SeventhPartial(int position) => position > 1 ? SlideCosts.RaisedSeventh : SlideCosts.SeventhPartial;

    private static SlidePlacement Of(Candidate way) => (SlidePlacement)way.Placement;
}

/// <summary>What slide work costs.</summary>
/// <remarks>Our own weights, no published source.</remarks>
internal static class SlideCosts
{
    public const double PerPosition = 0.22;
    public const double PerLongPosition = 0.09;
    public const double EasySpeed = 8;
    public const double PerSpeed = 0.05;
    public const double SeventhPartial = 1.6;
    public const double RaisedSeventh = 0.12;
    public const double Attachment = 0.2;
    public const double Second = 1.5;
    public const double FarOut = 1.1;
    public const double Pedal = 0.4;
    public const double HighPartial = 0.35;
    public const double SlowAttachment = 1.4;
    public const double Slow = 0.9;

    /// <summary>A double position (B♭ in fifth) in music that is not really quick, and the seconds a note from which it is.</summary>
    public const double Double = 1;
    public const double QuickFrom = 0.17;

    /// <summary>From this plain position on the attachment saves a long throw.</summary>
    public const int LongThrow = 5;

    /// <summary>From this plain position on it may spare a legato tongue.</summary>
    public const int Third = 3;
    public const double LegatoTongue = 0.9;

    /// <summary>The attachment where it saves nothing.</summary>
    public const double NeedlessAttachment = 1.2;

    public const double Comfortable = 0.3;
    public const double LeastHaste = 0.15;
}

/// <summary>Which slurred pairs need the tongue.</summary>
/// <remarks>A slur needs no tongue when the partial changes against the slide or the valve changes (B♭–D, D–B♭; with the attachment B♭–C,
/// C–D, C–E), and a legato tongue when the partial stays and only the slide moves (E♭–D–E♭–F, F–E–F). Common practice, no published
/// source.</remarks>
public static class SlideSlurs
{
    /// <summary>The kind of a slur that needs no tongue.</summary>
    public const string Natural = "natural";

    /// <summary><c>natural</c> or <c>legato-tongue</c>.</summary>
    public static string Kind(SlidePlacement from, SlidePlacement to, int fromMidi, int toMidi)
    {
        if (from.Tube != to.Tube)
            return Natural;
        if (from.Partial == to.Partial)
            return "legato-tongue";
        var moves = to.Position - from.Position;
        // Out while the pitch goes up, in while it goes down, or no movement: the partial breaks the glide.
        return moves == 0 || Math.Sign(moves) == Math.Sign(toMidi - fromMidi) ? Natural : "legato-tongue";
    }
}
