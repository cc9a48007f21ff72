using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Key, meter, transposition and clef out of their elements.</summary>
/// <remarks>Source: MusicXML 4.0, elements "key", "time", "transpose", "clef".</remarks>
internal static class AttributeReader
{
    public static KeySignature? Key(XElement e)
    {
        if (e.Element("fifths").Int() is { } fifths)
            return new KeySignature(Math.Clamp(fifths, -14, 14), e.Element("mode")?.Value.Trim());
        var custom = new Dictionary<Step, decimal>();
        foreach (var step in e.Elements("key-step"))
        {
            var alter = step.ElementsAfterSelf().FirstOrDefault(x => x.Name.LocalName == "key-alter").Decimal() ?? 0;
            if (Enum.TryParse<Step>(step.Value.Trim(), out var letter) && Enum.IsDefined(letter))
                custom[letter] = alter;
        }

        return custom.Count > 0 ? new KeySignature(0, null, custom) : null;
    }

    public static Meter? Meter(XElement e)
    {
        if (e.Element("senza-misura") is not null)
            return Notation.Meter.Senza;
        var groups = new List<MeterGroup>();
        var beats = e.Elements("beats").ToList();
        var types = e.Elements("beat-type").ToList();
        for (var i = 0; i < Math.Min(beats.Count, types.Count); i++)
        {
            if (types[i].Int() is not (> 0 and <= 256 and { } type))
                return null;
            foreach (var piece in beats[i].Value.Split('+'))
            {
                if (XmlNumbers.Int(piece) is not (> 0 and <= 128 and { } n))
                    return null;
                groups.Add(new MeterGroup(n, type));
                if (groups.Count > ScoreLimits.MeterGroups)
                    return null;
            }
        }

        return groups.Count == 0 ? null : new Meter(groups, e.Attribute("symbol")?.Value);
    }

    public static Transposition Transpose(XElement e)
    {
        var chromatic = (int)(e.Element("chromatic").Decimal() ?? 0);
        var diatonic = e.Element("diatonic").Int() ?? (int)Math.Round(chromatic * 7 / 12.0, MidpointRounding.AwayFromZero);
        return new Transposition(Bound(diatonic, 70), Bound(chromatic, 120), Bound(e.Element("octave-change").Int() ?? 0, 8));
    }

    public static string Clef(XElement e)
    {
        var sign = e.Element("sign")?.Value.Trim() ?? "G";
        var octave = e.Element("clef-octave-change").Int() ?? 0;
        return sign
            + e.Element("line")?.Value.Trim()
            + octave switch
            {
                0 => "",
                > 0 => "+8",
                _ => "-8",
            };
    }

    private static int Bound(int n, int limit) => Math.Clamp(n, -limit, limit);
}
