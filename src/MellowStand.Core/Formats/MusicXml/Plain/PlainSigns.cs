using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Directions of plain music.</summary>
/// <remarks>Source: MusicXML 4.0, element "direction".</remarks>
internal static class PlainSigns
{
    public static XElement Of(PlainSign sign)
    {
        var direction = new XElement("direction", new XElement("direction-type", Type(sign)));
        if (sign.Kind == PlainSignKind.Heading)
            direction.Add(new XAttribute("placement", "above"));
        return direction;
    }

    public static XElement Metronome(MetronomeMark mark)
    {
        var value = LengthSpelling.One(mark.Unit) ?? new PlainValue("quarter");
        return new XElement(
            "direction",
            new XAttribute("placement", "above"),
            new XElement(
                "direction-type",
                new XElement(
                    "metronome",
                    new XElement("beat-unit", value.Type),
                    Enumerable.Range(0, value.Dots).Select(_ => new XElement("beat-unit-dot")),
                    new XElement("per-minute", mark.Bpm)
                )
            )
        );
    }

    private static XElement Type(PlainSign sign) =>
        sign.Kind switch
        {
            PlainSignKind.Dynamic => new XElement("dynamics", new XElement(sign.Text)),
            PlainSignKind.Words => new XElement("words", sign.Text),
            PlainSignKind.Heading => new XElement("words", new XAttribute("font-weight", "bold"), sign.Text),
            PlainSignKind.Crescendo => Wedge("crescendo"),
            PlainSignKind.Diminuendo => Wedge("diminuendo"),
            _ => Wedge("stop"),
        };

    private static XElement Wedge(string type) => new("wedge", new XAttribute("type", type));
}
