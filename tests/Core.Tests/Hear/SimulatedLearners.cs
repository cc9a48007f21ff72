using MellowStand.Core.Hear;

namespace MellowStand.Core.Tests.Hear;

/// <summary>A learner whose true tempo is known on every day, and the hearings of it up to a day.</summary>
/// <param name="Kind">Which kind.</param>
/// <param name="Entries">What was heard.</param>
/// <param name="Goal">The goal in quarters a minute.</param>
/// <param name="Due">The date.</param>
/// <param name="OnTheDay">What is heard clean on the date.</param>
/// <param name="Made">True when the goal is clean on the date.</param>
public sealed record SimulatedLearner(
    string Kind,
    IReadOnlyList<HeardTempo> Entries,
    double Goal,
    DateOnly Due,
    double OnTheDay,
    bool Made
);

/// <summary>Learners of several kinds, made up by formulas other than those of the forecast: straight and bent lines, steps,
/// stops.</summary>
public static class SimulatedLearners
{
    private static readonly DateOnly Start = new(2031, 3, 3);

    /// <summary>The kinds.</summary>
    public static readonly string[] Kinds = ["steady", "quick-then-flat", "late-starter", "noisy", "stops"];

    /// <summary>One learner of a kind.</summary>
    public static SimulatedLearner Of(string kind, Random random)
    {
        double Between(double low, double high) => low + ((high - low) * random.NextDouble());
        var goal = Math.Round(Between(60, 160));
        var days = random.Next(25, 80);
        var (begin, end) = (Between(0.5, 0.75), Between(0.85, 1.12));
        var turn = Between(0.25, 0.6);
        var pace = Between(0.1, 0.25);
        double Share(double t) =>
            kind switch
            {
                "quick-then-flat" => (1 - Math.Exp(-t / pace)) / (1 - Math.Exp(-1 / pace)),
                "late-starter" => t < turn * 0.7 ? 0.05 * t : (0.035 * turn) + ((t - (0.7 * turn)) / (1 - (0.7 * turn)) * 0.95),
                "stops" => Math.Min(t, turn) * 1.15,
                _ => t,
            };
        var noise = (kind == "noisy" ? 0.06 : 0.02) * goal;
        double Tempo(double t) => goal * (begin + ((end - begin) * Share(t)));
        double Heard(double t) => Tempo(t) + (noise * Normal(random));
        var known = Between(0.35, 0.75);
        var entries = Hearings(random, days, known, Heard, goal).ToList();
        var last = Heard(1);
        return new SimulatedLearner(kind, entries, goal, Start.AddDays(days), last, last >= goal);
    }

    private static IEnumerable<HeardTempo> Hearings(Random random, int days, double known, Func<double, double> heard, double goal)
    {
        var count = random.Next(3, 7);
        for (var i = 0; i < count; i++)
        {
            var day = (int)Math.Round(days * known * i / (count - 1));
            var tempo = heard((double)day / days);
            yield return new HeardTempo(Start.AddDays(day), Math.Round(tempo));
            // Some are asked for one step more, and miss it.
            if (random.NextDouble() < 0.2 && tempo < goal * 0.95)
                yield return new HeardTempo(Start.AddDays(day), Math.Round(tempo * 1.08), false);
        }
    }

    // Box and Muller's transform, from memory.
    private static double Normal(Random random) =>
        Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(2 * Math.PI * random.NextDouble());
}
