using System.Globalization;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Study;
using MellowStand.Core.Technique;

namespace MellowStand.Core.Tempo;

/// <summary>An end of the window of workable tempi.</summary>
/// <param name="QuarterBpm">Quarters per minute at the start of the range.</param>
/// <param name="Measure">The measure that sets it, from 0.</param>
/// <param name="Why">What sets it, in words.</param>
public sealed record WindowEnd(double QuarterBpm, int Measure, string Why);

/// <summary>The fastest tempo at which a passage is clean, and the measure that says so.</summary>
/// <remarks>Runs (<see cref="EvenRuns"/>) are a speed: of every two or three of their changes in a row the seconds that they need
/// (<see cref="Pressures"/>) must fit. Common practice, no published source.</remarks>
internal static class FastestTempo
{
    /// <summary>The tempo; null where there is no run.</summary>
    /// <param name="context">The prepared score.</param>
    /// <param name="excerpt">The notes of the passage.</param>
    /// <param name="pressures">What each change needs.</param>
    /// <param name="clean">What the player keeps clean.</param>
    /// <param name="ratio">The tempo of a measure as a share of the tempo at the start of the range.</param>
    public static WindowEnd? Of(
        StudyContext context,
        Excerpt excerpt,
        IReadOnlyList<Pressure> pressures,
        CleanLimit clean,
        Func<int, double> ratio
    )
    {
        (double Bpm, int First, int Count)? tightest = null;
        foreach (var run in EvenRuns.Of(excerpt))
            for (var i = run.First; i < run.Last; i++)
                for (var count = 2; count <= 3 && i + count <= run.Last; count++)
                {
                    var quarters = (excerpt.Steps[i + count].Note.Onset - excerpt.Steps[i].Note.Onset).Value;
                    var needed = pressures.Skip(i).Take(count).Sum(p => p.Seconds);
                    var bpm = quarters * 60 / needed / ratio(excerpt.Steps[i].Note.MeasureIndex);
                    if (bpm > 0 && (tightest is null || bpm < tightest.Value.Bpm - 1e-9))
                        tightest = (bpm, i, count);
                }

        if (tightest is not { } t)
            return null;
        var worst = pressures.Skip(t.First).Take(t.Count).MaxBy(p => p.Seconds)!;
        var rate = t.Bpm / 60 * t.Count / (excerpt.Steps[t.First + t.Count].Note.Onset - excerpt.Steps[t.First].Note.Onset).Value;
        // The measure of the run, not the one where it lands.
        var measure = excerpt.Steps[t.First].Note.MeasureIndex;
        return new WindowEnd(
            Math.Floor(t.Bpm * 10) / 10,
            measure,
            $"Measure {context.Label(measure)} then has {Words(worst, rate * ratio(measure), clean)}."
        );
    }

    private static string Words(Pressure worst, double rate, CleanLimit clean)
    {
        var notes = string.Create(CultureInfo.InvariantCulture, $"{rate:0.#} notes a second");
        return worst.Kind switch
        {
            PressureKind.Hands => $"{notes}: {worst.Words}",
            PressureKind.Leap => $"{notes}, and a leap to {worst.Note.Top?.Name} among them",
            PressureKind.Fingers => $"{notes} under a slur",
            _ => $"{notes}, {(rate > clean.SinglyTongued + 0.05 ? "double-tongued" : "each begun anew")}",
        };
    }
}
