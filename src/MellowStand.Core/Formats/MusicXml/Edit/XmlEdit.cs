using System.Xml.Linq;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Inserts and removes elements together with the white space that belongs to them.</summary>
internal static class XmlEdit
{
    /// <summary>Inserts before the first child with one of the names, or at the end.</summary>
    public static void Insert(XElement parent, XElement child, IReadOnlyCollection<string> followers)
    {
        var next = parent.Elements().FirstOrDefault(e => followers.Contains(e.Name.LocalName));
        if (next is not null)
            Before(next, child);
        else if (parent.Elements().LastOrDefault() is { } last)
            After(last, child);
        else
            parent.Add(child);
    }

    public static void Before(XElement next, XElement child)
    {
        var indent = IndentOf(next);
        next.AddBeforeSelf(child);
        if (indent is not null)
            child.AddAfterSelf(new XText(indent));
    }

    public static void After(XElement last, XElement child)
    {
        var indent = IndentOf(last);
        last.AddAfterSelf(child);
        if (indent is not null)
            child.AddBeforeSelf(new XText(indent));
    }

    public static void Remove(XElement e)
    {
        if (e.PreviousNode is XText text && string.IsNullOrWhiteSpace(text.Value))
            text.Remove();
        e.Remove();
    }

    private static string? IndentOf(XElement e) =>
        e.PreviousNode is XText text && string.IsNullOrWhiteSpace(text.Value) ? text.Value : null;
}
