using System.Globalization;
using System.Xml.Linq;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>A label for each measure: the printed number, with a letter added where a number comes twice.</summary>
public static class MeasureLabels
{
    /// <summary>Labels in order of the measures, each unique.</summary>
    /// <param name="heads">The elements that carry the numbers.</param>
    public static IReadOnlyList<string> Of(IReadOnlyList<XElement> heads)
    {
        var taken = new HashSet<string>(StringComparer.Ordinal);
        var times = new Dictionary<string, int>(StringComparer.Ordinal);
        var labels = new List<string>(heads.Count);
        for (var i = 0; i < heads.Count; i++)
        {
            var number = heads[i].Attribute("number")?.Value.Trim();
            if (string.IsNullOrEmpty(number))
                number = (i + 1).ToString(CultureInfo.InvariantCulture);
            if (number.Length > 32)
                number = number[..32];
            labels.Add(Unique(number, taken, times));
        }

        return labels;
    }

    private static string Unique(string number, HashSet<string> taken, Dictionary<string, int> times)
    {
        var label = number;
        var n = times.GetValueOrDefault(number);
        if (n > 0)
            label = number + Letters(n);
        for (n++; !taken.Add(label); n++)
            label = number + Letters(n);
        times[number] = n;
        return label;
    }

    private static string Letters(int n)
    {
        var text = "";
        for (n++; n > 0; n = (n - 1) / 26)
            text = (char)('a' + ((n - 1) % 26)) + text;
        return text;
    }
}
