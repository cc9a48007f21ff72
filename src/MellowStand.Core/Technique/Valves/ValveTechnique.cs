using System.Collections.Concurrent;

namespace MellowStand.Core.Technique.Valves;

/// <summary>Valved brass: which valves, and how the combinations are in tune.</summary>
/// <remarks>The partials of the open tube and the half steps by which valves lower them (2: one, 1: two, 3: three, 4: five). 1-2 is used
/// for 3, and 1-3 for 4, only as alternates. Intonation: a valve's loop is cut for the open tube, so two valves together are short: 1-3 and
/// 1-2-3 are sharp, and the slide is put out. Physics: tube length grows by a factor of 2^(1/12) a half step; see <see
/// cref="ValveIntonation"/>.</remarks>
/// <param name="open">Sounding key of the open tube's fundamental.</param>
/// <param name="valves">Three or four.</param>
/// <param name="compensating">True when the fourth valve sends the air through longer loops of the others.</param>
public sealed class ValveTechnique(int open, int valves, bool compensating = false) : ITechnique
{
    private readonly ConcurrentDictionary<int, IReadOnlyList<Candidate>> _known = new();

    private const int Third = 0b100;
    private const int Fourth = 0b1000;

    private static readonly int[] Partials = [0, 12, 19, 24, 28, 31, 34, 36, 38, 40, 42, 43, 44, 46, 47, 48];

    private static readonly (int Lowers, int Valves)[] Combinations =
    [
        (0, 0),
        (1, 0b010),
        (2, 0b001),
        (3, 0b011),
        (3, 0b100),
        (4, 0b110),
        (5, 0b101),
        (6, 0b111),
        (5, 0b1000),
        (6, 0b1010),
        (7, 0b1001),
        (8, 0b1011),
        (9, 0b1110),
        (10, 0b1101),
        (11, 0b1111),
    ];

    /// <inheritdoc/>
    public IReadOnlyList<Candidate> Ways(Excerpt excerpt, int place) => Of(excerpt.Steps[place].Note.TopSounding!.Value);

    /// <inheritdoc/>
    public double Change(Excerpt excerpt, int place, Candidate from, Candidate to)
    {
        var seconds = excerpt.Steps[place].Before ?? 1;
        var (a, b) = (Of(from), Of(to));
        var fingers = int.PopCount(a.Pressed ^ b.Pressed);
        // A finger up and another down at once is the awkward one when it is quick.
        var crossing = ValvePlacement.Cross(a, b) ? 1 : 0;
        var quick = Math.Clamp(0.25 / seconds, 0.2, 2.5);
        var leap = LeapOf(excerpt, place) switch
        {
            >= ValveCosts.LeapFrom => ValveCosts.Leap,
            _ when TrapOf(excerpt, place, to) > 0 => ValveCosts.Trap,
            _ => 0,
        };
        return (quick * ((fingers * ValveCosts.PerFinger) + (crossing * ValveCosts.Crossing))) + leap;
    }

    /// <inheritdoc/>
    public Obstacle? Reason(Excerpt excerpt, int place, Candidate from, Candidate to)
    {
        if (LeapOf(excerpt, place) >= ValveCosts.LeapFrom)
            return new Obstacle(ObstacleKind.Leap, "a leap: hear it an octave lower first");
        if (TrapOf(excerpt, place, to) is > 0 and var gap)
            return new Obstacle(
                ObstacleKind.HearFirst,
                $"the same valves give another note only {(gap == 1 ? "a half step" : "a whole step")} away: hear it first"
            );
        return ValvePlacement.Cross(Of(from), Of(to)) && excerpt.Steps[place].Before < 0.15
            ? new Obstacle(ObstacleKind.Crossing, "one finger up while another goes down")
            : null;
    }

    private static ValvePlacement Of(Candidate way) => (ValvePlacement)way.Placement;

    private static int LeapOf(Excerpt excerpt, int place) => Math.Abs(excerpt.Steps[place].Key - excerpt.Steps[place - 1].Key);

    // High partials lie so close that a leap lands on the neighbour: half steps to it, or 0 where there is no danger.
    private static int TrapOf(Excerpt excerpt, int place, Candidate to)
    {
        var partial = Of(to).Partial;
        if (LeapOf(excerpt, place) < ValveCosts.TrapFrom || partial == 0 || partial + 1 >= Partials.Length)
            return 0;
        var gap = Math.Min(Partials[partial + 1] - Partials[partial], Partials[partial] - Partials[partial - 1]);
        return gap <= 2 ? gap : 0;
    }

    /// <summary>Every way to sound a key.</summary>
    internal IReadOnlyList<Candidate> Of(int midi) => _known.GetOrAdd(midi, Find);

    private IReadOnlyList<Candidate> Find(int midi)
    {
        var ways = new List<Candidate>();
        for (var partial = 1; partial < Partials.Length; partial++)
        {
            foreach (var (lowers, pressed) in Combinations.Where(c => (c.Valves & Fourth) == 0 || valves >= 4))
            {
                if (open + Partials[partial] - lowers != midi)
                    continue;
                var cents = ValveIntonation.Cents(pressed, compensating) + ValveIntonation.PartialCents(partial + 1);
                var cost =
                    (int.PopCount(pressed) * ValveCosts.PerPressed)
                    + (Math.Abs(cents) > 12 ? (Math.Abs(cents) - 12) * ValveCosts.PerCent : 0)
                    + (partial == 6 ? ValveCosts.SeventhPartial : 0)
                    + (pressed == Third ? ValveCosts.ThirdAlone : 0)
                    + (partial * ValveCosts.PerPartial)
                    // Valves for a fourth and more belong to the low register: higher up nobody goes round by the next partial.
                    + (partial >= ValveCosts.UpperPartial && lowers >= ValveCosts.Fourth ? ValveCosts.RoundAbout : 0);
                ways.Add(
                    new Candidate(new ValvePlacement(pressed, partial), Math.Round(cost, 3), Advice(pressed, cents))
                    {
                        Cents = Math.Round(cents, 1),
                    }
                );
            }
        }

        // What is more than the slides can mend is taken only where there is nothing else.
        var inTune = ways.Where(w => Math.Abs(w.Cents!.Value) <= ValveCosts.MostCents)
            .DefaultIfEmpty(ways.MinBy(w => Math.Abs(w.Cents!.Value)))
            .OfType<Candidate>();
        var kept = inTune.GroupBy(w => w.Code).Select(g => g.MinBy(w => w.Cost)!).OrderBy(w => w.Cost).ToList();
        return [.. kept.Where(w => w.Cost <= kept[0].Cost + ValveCosts.Reach).Select((w, i) => w with { IsUsual = i == 0 })];
    }

    private static string Advice(int pressed, double cents)
    {
        if (pressed is 0b101 or 0b111)
            return $"{cents:0} cents sharp: put the third slide out";
        return Math.Abs(cents) > 12 ? $"{cents:+0;-0} cents" : "";
    }
}

/// <summary>What valve work costs.</summary>
/// <remarks>Our own weights, no published source.</remarks>
internal static class ValveCosts
{
    public const double PerFinger = 0.08;
    public const double Crossing = 0.18;
    public const double PerPressed = 0.06;
    public const double PerCent = 0.012;
    public const double SeventhPartial = 2;
    public const double ThirdAlone = 0.6;
    public const double RoundAbout = 0.6;
    public const int UpperPartial = 4;
    public const int Fourth = 5;
    public const double PerPartial = 0.05;
    public const double MostCents = 60;
    public const double Reach = 2.5;
    public const double Leap = 0.5;
    public const int LeapFrom = 12;
    public const double Trap = 0.2;
    public const int TrapFrom = 5;
}

/// <summary>How far valve combinations are from equal temperament.</summary>
/// <remarks>Tube physics: the sounding length is proportional to 1/frequency. Each valve's loop is tuned alone on the open tube; lengths
/// add when valves are pressed together, while equal temperament asks for a product. Partials: harmonic series, 1200·log2(n).</remarks>
public static class ValveIntonation
{
    private static readonly int[] Lowers = [2, 1, 3, 5];

    /// <summary>Cents above (sharp) equal temperament of pressed valves (bit 0 is the first valve). Compensating loops grow with the tube
    /// of the fourth valve, so that only the others among themselves are short.</summary>
    public static double Cents(int pressed, bool compensating = false)
    {
        if (compensating)
            pressed &= 0b111;
        var (length, steps) = (1.0, 0);
        for (var v = 0; v < Lowers.Length; v++)
        {
            if ((pressed & (1 << v)) == 0)
                continue;
            length += Math.Pow(2, Lowers[v] / 12.0) - 1;
            steps += Lowers[v];
        }

        return Math.Round((steps * 100) - (1200 * Math.Log2(length)), 1);
    }

    /// <summary>Cents of a partial above equal temperament; the 5th is 14 flat, the 7th 31 flat.</summary>
    public static double PartialCents(int partial)
    {
        var cents = 1200 * Math.Log2(partial);
        return Math.Round(cents - (Math.Round(cents / 100) * 100), 1);
    }
}
