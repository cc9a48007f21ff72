using System.Xml.Linq;
using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Articulations, technical signs, ornaments and fermatas in a note's <c>notations</c>.</summary>
internal static class NotationWriter
{
    private static readonly string[] AfterNotations = ["lyric", "play", "listen"];

    private static readonly Dictionary<MarkForm, string> Groups = new()
    {
        [MarkForm.Articulation] = "articulations",
        [MarkForm.Technical] = "technical",
        [MarkForm.Ornament] = "ornaments",
    };

    /// <summary>The note's <c>notations</c>, made where there is none.</summary>
    public static XElement NotationsOf(XElement note)
    {
        if (note.Element("notations") is { } there)
            return there;
        var made = new XElement("notations");
        XmlEdit.Insert(note, made, AfterNotations);
        return made;
    }

    public static void Add(XElement note, MarkForm form, Mark mark)
    {
        if (Find(note, form, mark) is not null)
            return;
        var element = Element(mark);
        var notations = NotationsOf(note);
        // A sign over a note without an ornament stands by itself.
        var alone = mark.Name == "accidental-mark" && notations.Element("ornaments") is null;
        if (alone || !Groups.TryGetValue(form, out var groupName))
        {
            XmlEdit.Insert(notations, element, []);
            return;
        }

        var group = notations.Element(groupName);
        if (group is null)
        {
            group = new XElement(groupName);
            XmlEdit.Insert(notations, group, []);
        }

        XmlEdit.Insert(group, element, []);
    }

    public static void Remove(XElement note, MarkForm form, Mark mark)
    {
        while (Find(note, form, mark) is { } element)
        {
            var parent = element.Parent!;
            XmlEdit.Remove(element);
            Prune(parent);
        }
    }

    /// <summary>Removes an empty group and an empty <c>notations</c>: nothing of a removed mark stays behind.</summary>
    public static void Prune(XElement element)
    {
        if (element.HasElements || element.Name.LocalName == "note")
            return;
        var parent = element.Parent;
        XmlEdit.Remove(element);
        if (parent is not null)
            Prune(parent);
    }

    private static XElement? Find(XElement note, MarkForm form, Mark mark)
    {
        var places = note.Elements("notations");
        if (mark.Name == "accidental-mark")
            places = places.Concat(places.Elements("ornaments"));
        else if (Groups.TryGetValue(form, out var group))
            places = places.Elements(group);
        return places.Elements(mark.Name).FirstOrDefault(e => mark.Value is null || MarkReader.ValueOf(e) == mark.Value);
    }

    private static XElement Element(Mark mark) =>
        mark switch
        {
            { Value: null } => new XElement(mark.Name),
            { Name: "hole" } => new XElement("hole", new XElement("hole-closed", mark.Value)),
            { Name: "harmonic" } => new XElement("harmonic", mark.Value.Split(' ').Select(v => new XElement(v))),
            _ => new XElement(mark.Name, mark.Value),
        };
}
