using System.Globalization;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Study;

/// <summary>Beats to count before a measure begins.</summary>
/// <remarks>A full measure, or what a pickup leaves of one: three beats before a one-beat pickup in 4/4. Common practice, no
/// published source.</remarks>
public static class CountOff
{
    /// <summary>
    /// Beats counted aloud before the passage: a full measure, or what a pickup leaves of one.
    /// </summary>
    /// <remarks>A one-beat pickup in 4/4 is counted off with three beats. Common practice, no published source.</remarks>
    public static Fraction Beats(MeasureFrame first)
    {
        if (first.Meter.IsSenza) return 4;
        var quarters = first.IsPickup ? first.Meter.Length - first.Length : first.Meter.Length;
        return quarters / first.Meter.BeatUnit;
    }

    /// <summary>A mixed number in words of print, e.g. <c>2½</c>.</summary>
    public static string Mixed(Fraction n)
    {
        var whole = n.Numerator / n.Denominator;
        var rest = (n - new Fraction(whole)).ToString() switch { "0" => "", "1/2" => "½", "1/4" => "¼", "3/4" => "¾", "1/3" => "⅓", "2/3" => "⅔", var t => " " + t };
        return whole == 0 && rest.Length > 0 ? rest.Trim() : whole.ToString(CultureInfo.InvariantCulture) + rest;
    }
}
