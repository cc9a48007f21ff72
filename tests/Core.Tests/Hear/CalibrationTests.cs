using System.Globalization;
using MellowStand.Core.Hear;

namespace MellowStand.Core.Tests.Hear;

/// <summary>Is the forecast as sure as it may be? Judged on learners that are made by other formulas than its own.</summary>
public sealed class CalibrationTests(ITestOutputHelper output)
{
    // The rules were tuned on the first seed alone; the second was left untouched.
    private const int Tuned = 20310;
    private const int Untouched = 77123;
    private const int Each = 400;

    [Theory]
    [InlineData(Tuned)]
    [InlineData(Untouched)]
    public void Eight_in_ten_holds_and_the_chance_beats_a_straight_line(int seed)
    {
        var random = new Random(seed);
        var judged = SimulatedLearners
            .Kinds.SelectMany(k => Enumerable.Range(0, Each).Select(_ => SimulatedLearners.Of(k, random)))
            .Select(l => (Learner: l, Forecast: Forecaster.Of(l.Entries, l.Goal, l.Due)))
            .Where(x => x.Forecast.Chance is not null)
            .ToList();
        foreach (var kind in judged.GroupBy(j => j.Learner.Kind))
            output.WriteLine($"{kind.Key,-16} {Figures([.. kind])}");
        output.WriteLine($"{"all",-16} {Figures(judged)}");

        Assert.InRange(Held(judged), 0.75, 0.85);
        Assert.True(Brier(judged, x => x.Forecast.Chance!.Value) < Brier(judged, x => StraightLine.Says(x.Learner)));
        Assert.True(Brier(judged, x => x.Forecast.Chance!.Value) < Brier(judged, x => StraightLine.SaysWithSpread(x.Learner)));
    }

    // Whoever is given seven in ten makes it about seven times in ten.
    [Fact]
    public void Of_those_with_a_chance_so_many_make_it()
    {
        var random = new Random(Untouched);
        var judged = SimulatedLearners
            .Kinds.SelectMany(k => Enumerable.Range(0, Each).Select(_ => SimulatedLearners.Of(k, random)))
            .Select(l => (l.Made, Forecaster.Of(l.Entries, l.Goal, l.Due).Chance))
            .Where(x => x.Chance is not null)
            .ToList();
        foreach (var band in judged.GroupBy(x => Math.Min(4, (int)(x.Chance!.Value * 5))).Where(b => b.Count() > 60))
        {
            output.WriteLine(
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"{band.Key * 20}-{(band.Key + 1) * 20} %: {band.Average(x => x.Chance!.Value):0.00} told, "
                        + $"{band.Average(x => x.Made ? 1.0 : 0):0.00} came, {band.Count()}"
                )
            );
            Assert.InRange(band.Average(x => x.Made ? 1.0 : 0) - band.Average(x => x.Chance!.Value), -0.15, 0.15);
        }
    }

    private static double Held(IReadOnlyCollection<(SimulatedLearner Learner, Forecast Forecast)> judged) =>
        judged.Average(x => x.Learner.OnTheDay >= x.Forecast.Low && x.Learner.OnTheDay <= x.Forecast.High ? 1.0 : 0);

    // Brier, "Verification of forecasts expressed in terms of probability", Monthly Weather Review 78 (1950), from memory.
    private static double Brier(
        IReadOnlyCollection<(SimulatedLearner Learner, Forecast Forecast)> judged,
        Func<(SimulatedLearner Learner, Forecast Forecast), double> chance
    ) => judged.Average(x => Math.Pow(chance(x) - (x.Learner.Made ? 1 : 0), 2));

    private static string Figures(IReadOnlyCollection<(SimulatedLearner Learner, Forecast Forecast)> judged) =>
        string.Create(
            CultureInfo.InvariantCulture,
            $"held {Held(judged):0.000}  Brier {Brier(judged, x => x.Forecast.Chance!.Value):0.000}, line "
                + $"{Brier(judged, x => StraightLine.Says(x.Learner)):0.000}, "
                + $"line with spread {Brier(judged, x => StraightLine.SaysWithSpread(x.Learner)):0.000}, "
                + $"width {judged.Average(x => (x.Forecast.High - x.Forecast.Low) / x.Learner.Goal):0.00}, made "
                + $"{judged.Average(x => x.Learner.Made ? 1.0 : 0):0.00}"
        );
}
