using System.Text;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Formats.ShortForm;

namespace MellowStand.Bench;

/// <summary>Scores of any size, made by a fixed rule: doublings, accidentals, dynamics and small disagreements.</summary>
internal static class Generated
{
    private static readonly string[] Figures =
    [
        "C5q.[ D5e] E5q G5q",
        "A5e(.) G5e(.) F5e(.) E5e(.) D5q(>) B4q",
        "C5s D5s E5s F5s G5s A5s B5s C6s B5q G5q",
        "F#5e[ G5e] F#5e[ A5e] G5h",
        "E5q r D5q(>) C5q",
        "D5e[ E5e F5e G5e] A5h",
        "Bb4q C5q Bb4q D5q",
        "C5w",
    ];

    /// <summary>UTF-8 MusicXML of parts × measures.</summary>
    public static byte[] Score(int parts, int measures)
    {
        var text = new StringBuilder("title: Generated\n");
        for (var p = 0; p < parts; p++)
        {
            text.Append("part \"Part ").Append(p + 1).Append("\"\nkey:C meter:4/4 | !mf ");
            for (var m = 0; m < measures; m++)
            {
                // Four parts share a line; now and then one of them forgets its marks.
                var figure = Figures[(m + (p / 4 * 3)) % Figures.Length];
                if ((p + m) % 37 == 5)
                    figure = figure.Replace("(.)", "", StringComparison.Ordinal).Replace("(>)", "", StringComparison.Ordinal);
                if (m % 16 == 8)
                    text.Append("!p ");
                if (m % 16 == 0 && m > 0)
                    text.Append("!f ");
                text.Append(figure).Append(" | ");
            }

            text.Append('\n');
        }

        return ScoreExport.Serialize(ShortFormReader.Document(text.ToString()));
    }
}
