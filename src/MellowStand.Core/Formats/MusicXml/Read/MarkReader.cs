using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>The marks of a <c>note</c> element.</summary>
/// <remarks>Source: MusicXML 4.0, element "notations". Names are kept as the standard spells them.</remarks>
internal static class MarkReader
{
    private static readonly HashSet<string> Groups = ["articulations", "technical", "ornaments"];

    private static readonly HashSet<string> Single = ["fermata", "arpeggiate", "non-arpeggiate"];

    private static readonly HashSet<string> Spans = ["slur", "glissando", "slide"];

    public static IEnumerable<Mark> Of(XElement note)
    {
        foreach (var notations in note.Elements("notations"))
        {
            foreach (var e in notations.Elements())
            {
                var name = e.Name.LocalName;
                if (Groups.Contains(name))
                    foreach (var mark in Group(e))
                        yield return mark;
                else if (Single.Contains(name))
                    yield return new Mark(name);
                else if (Spans.Contains(name) && e.Attribute("type")?.Value is "start" or "stop")
                    yield return new Mark($"{name}-{e.Attribute("type")!.Value}");
                else if (name == "dynamics")
                    foreach (var mark in Dynamics(e))
                        yield return mark;
            }
        }
    }

    public static IEnumerable<Mark> Dynamics(XElement dynamics) =>
        dynamics.Elements().Select(d => new Mark("dynamics", d.Name.LocalName == "other-dynamics" ? d.Value.Trim() : d.Name.LocalName));

    private static IEnumerable<Mark> Group(XElement group)
    {
        foreach (var e in group.Elements())
        {
            var name = e.Name.LocalName;
            // A sign under an ornament alters its lower note.
            if (name == "accidental-mark" && e.Attribute("placement")?.Value == "below")
                yield return new Mark("accidental-mark-below", ValueOf(e));
            else if (name == "wavy-line")
                yield return new Mark($"wavy-line-{e.Attribute("type")?.Value}");
            else
                yield return new Mark(name, ValueOf(e));
        }
    }

    /// <summary>What a mark's element says: its text, or the names of the elements in it when they carry none.</summary>
    public static string? ValueOf(XElement mark)
    {
        var text = mark.Value.Trim();
        if (text.Length == 0)
            text = string.Join(' ', mark.Elements().Select(x => x.Name.LocalName));
        return text.Length == 0 ? null : text;
    }
}
