using System.Globalization;
using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Numbers out of elements and attributes, without exceptions on nonsense.</summary>
internal static class XmlNumbers
{
    private const decimal Largest = 1_000_000_000m;

    public static int? Int(this XElement? element) => Int(element?.Value);

    public static int? Int(this XAttribute? attribute) => Int(attribute?.Value);

    public static int? Int(string? text) =>
        int.TryParse(text?.Trim(), NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var n) ? n : null;

    public static decimal? Decimal(this XElement? element) => Decimal(element?.Value);

    public static decimal? Decimal(string? text) =>
        decimal.TryParse(
            text?.Trim(),
            NumberStyles.AllowLeadingSign | NumberStyles.AllowDecimalPoint,
            CultureInfo.InvariantCulture,
            out var n
        )
        && Math.Abs(n) <= Largest
            ? n
            : null;

    /// <summary>An exact fraction of the text's decimal number, or null when it is none or absurd.</summary>
    public static Fraction? Exact(this XElement? element)
    {
        var text = element?.Value;
        if (
            text is not null
            && text.Length < 10
            && int.TryParse(text.AsSpan().Trim(), NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var whole)
        )
            return whole;
        if (Decimal(text) is not { } n)
            return null;
        var scale = 1L;
        while (n != Math.Floor(n) && scale < 1_000_000)
        {
            n *= 10;
            scale *= 10;
        }

        return new Fraction((long)n, scale);
    }
}
