using System.Xml;

namespace MellowStand.Core.Formats;

/// <summary>Text that XML can hold.</summary>
/// <remarks>Source: XML 1.0, production "Char": no control characters but tab and line ends, no lone surrogates, not U+FFFE and
/// U+FFFF.</remarks>
public static class XmlText
{
    /// <summary>True when every character may stand in an XML document.</summary>
    public static bool Holds(string text) => FirstUnfit(text, 0) < 0;

    /// <summary>The text without the characters that may not stand in an XML document.</summary>
    public static string Fit(string text)
    {
        for (var unfit = FirstUnfit(text, 0); unfit >= 0; unfit = FirstUnfit(text, unfit))
            text = text.Remove(unfit, 1);
        return text;
    }

    private static int FirstUnfit(string text, int from)
    {
        for (var i = from; i < text.Length; i++)
        {
            if (XmlConvert.IsXmlChar(text[i]))
                continue;
            if (i + 1 >= text.Length || !XmlConvert.IsXmlSurrogatePair(text[i + 1], text[i]))
                return i;
            i++;
        }

        return -1;
    }
}
