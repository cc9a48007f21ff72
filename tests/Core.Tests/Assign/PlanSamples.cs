using MellowStand.Core.Assign;

namespace MellowStand.Core.Tests.Assign;

/// <summary>Made-up seasons to plan.</summary>
public static class PlanSamples
{
    private static readonly DateOnly Begin = new(2031, 9, 1);

    /// <summary>A season: players in sections of nine, passages of two to five sections each, six days of practice a week.</summary>
    public static PlanProblem Season(Random random, int players, int passages, int days)
    {
        var all = Enumerable.Range(0, days).Select(i => new PlanDay(Begin.AddDays(i), i % 7 == 6 ? 0 : 40)).ToList();
        var sections = (players + 8) / 9;
        return new PlanProblem(
            all,
            [
                .. Enumerable
                    .Range(0, passages)
                    .Select(i =>
                    {
                        var from = random.Next(0, days / 2);
                        var own = Enumerable.Range(0, sections).OrderBy(_ => random.Next()).Take(random.Next(2, 6)).ToHashSet();
                        return new PlanPassage(
                            $"passage {i + 1}",
                            5 * random.Next(1, 4),
                            random.Next(4, 9),
                            random.Next(1, 4),
                            [.. Enumerable.Range(0, players).Where(p => own.Contains(p / 9)).Select(p => $"player {p + 1}")],
                            Begin.AddDays(Math.Min(days - 1, from + random.Next(24, days))),
                            Begin.AddDays(from)
                        );
                    }),
            ]
        );
    }
}
