using System.Globalization;
using MellowStand.Core.Notation;
using MellowStand.Core.Study;

namespace MellowStand.Core.Reading;

/// <summary>The unit in which tempos are told: the one that is printed or beaten, as <c>dotted quarter = 80</c>, never <c>quarter = 120</c>
/// beside it.</summary>
/// <param name="Quarters">Its length in quarters.</param>
public readonly record struct ToldUnit(Fraction Quarters)
{
    /// <summary>The quarter.</summary>
    public static ToldUnit Quarter { get; } = new(1);

    /// <summary>The unit of a measure: that of the printed metronome mark, else the beat of the meter.</summary>
    /// <param name="context">The prepared score.</param>
    /// <param name="measure">The measure from 0.</param>
    public static ToldUnit At(StudyContext context, int measure) =>
        new(context.Tempo.MarkAt(measure)?.Unit ?? context.Score.Measures[measure].Meter.BeatUnit);

    /// <summary>Beats a minute.</summary>
    public double In(double quarterBpm) => quarterBpm / Quarters.Value;

    /// <summary>The tempo in words: <c>half = 88</c>.</summary>
    public string Words(double quarterBpm) => $"{Lengths.Value(Quarters)} = {Number(quarterBpm)}";

    /// <summary>The tempo in words, to a whole beat.</summary>
    public string Whole(double quarterBpm) =>
        $"{Lengths.Value(Quarters)} = {Math.Round(In(quarterBpm)).ToString(CultureInfo.InvariantCulture)}";

    /// <summary>Its number alone, to a tenth.</summary>
    public string Number(double quarterBpm) => In(quarterBpm).ToString("0.#", CultureInfo.InvariantCulture);
}
