using System.Globalization;
using System.Text.RegularExpressions;

namespace MellowStand.Core.Notation;

/// <summary>A tempo that is written in words: <c>♩ = 170–200</c>, <c>dotted quarter = 80</c>, <c>q. = 80</c>, <c>about 96</c>.</summary>
/// <param name="Unit">Quarters of its unit, or null where the number stands alone and means the beat.</param>
/// <param name="Bpm">The number, or the lower of two.</param>
/// <param name="UpperBpm">The upper of two numbers, or null.</param>
public sealed partial record MetronomeText(Fraction? Unit, double Bpm, double? UpperBpm)
{
    private const double Slowest = 20;
    private const double Quickest = 400;

    private static readonly Dictionary<string, Fraction> Units = new(StringComparer.OrdinalIgnoreCase)
    {
        ["♩"] = 1,
        ["♪"] = new(1, 2),
        ["𝅗𝅥"] = 2,
        ["𝅘𝅥"] = 1,
        ["𝅘𝅥𝅮"] = new(1, 2),
        ["quarter"] = 1,
        ["crotchet"] = 1,
        ["q"] = 1,
        ["half"] = 2,
        ["minim"] = 2,
        ["h"] = 2,
        ["eighth"] = new(1, 2),
        ["quaver"] = new(1, 2),
        ["e"] = new(1, 2),
        ["whole"] = 4,
        ["sixteenth"] = new(1, 4),
    };

    /// <summary>The tempo that a text tells, or null where it tells none.</summary>
    /// <param name="text">As printed.</param>
    public static MetronomeText? Read(string text)
    {
        if (text.Length > 120 || !text.AsSpan().ContainsAnyInRange('0', '9'))
            return null;
        var match = Equation().Match(text);
        if (!match.Success)
            match = Alone().Match(text);
        if (!match.Success || NumberOf(match.Groups["low"]) is not { } low)
            return null;
        var unit = match.Groups["unit"] is { Success: true } named ? Units[named.Value] : (Fraction?)null;
        if (unit is { } plain && (match.Groups["dot"].Success || match.Groups["dotted"].Success))
            unit = plain * new Fraction(3, 2);
        return new MetronomeText(unit, low, NumberOf(match.Groups["high"]) is { } high && high > low ? high : null);
    }

    private static double? NumberOf(Group group) =>
        group.Success
        && double.TryParse(group.Value, NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var number)
        && number is >= Slowest and <= Quickest
            ? number
            : null;

    private const string Numbers = @"(?<low>\d{2,3}(\.\d)?)(\s*(-|–|—|to|bis|à)\s*(?<high>\d{2,3}(\.\d)?))?(?![\d:/])";

    private const string Near = @"(about|around|approximately|approx\.?|circa|ca\.?|c\.)";

    private const string Named =
        "(?<unit>♩|♪|𝅗𝅥|𝅘𝅥𝅮|𝅘𝅥|quarter|crotchet|half|minim|eighth|quaver|whole|sixteenth|q|h|e)";

    [GeneratedRegex(
        @"(?<![\w])(?<dotted>dotted[\s-]+)?" + Named + @"([\s-]+note)?s?(?<dot>\s*\.)?\s*=\s*(" + Near + @"\s*)?" + Numbers,
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant
    )]
    private static partial Regex Equation();

    // A number alone is a tempo where a word says so before it.
    [GeneratedRegex(
        @"(^|[\s(,])(" + Near + @"|M\.\s?M\.|tempo\s*:?)\s*=?\s*" + Numbers,
        RegexOptions.IgnoreCase | RegexOptions.CultureInvariant
    )]
    private static partial Regex Alone();
}
