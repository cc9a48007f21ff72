namespace MellowStand.Core.Formats.MusicXml;

/// <summary>A first look at the bytes of an XML file: whether it may be over a limit at all. It never says no where it is over; most files
/// are spared a second reading by it.</summary>
/// <remarks>Every element begins with <c>&lt;</c> and every attribute has <c>=</c>; a <c>&lt;</c> inside a tag is not allowed (XML 1.0,
/// productions 40 and 10), and what is not plain enough is taken to be open.</remarks>
internal static class XmlGlance
{
    /// <summary>True when the file may hold too many elements or attributes, or lie too deep.</summary>
    public static bool MayBeOver(ReadOnlySpan<byte> bytes) =>
        bytes.Count((byte)'<') > ScoreLimits.Elements || bytes.Count((byte)'=') > ScoreLimits.Attributes || MayBeDeep(bytes);

    private static bool MayBeDeep(ReadOnlySpan<byte> rest)
    {
        var depth = 0;
        for (var at = rest.IndexOf((byte)'<'); at >= 0; at = rest.IndexOf((byte)'<'))
        {
            rest = rest[(at + 1)..];
            if (rest.IsEmpty)
                return false;
            if (rest[0] == '/')
                depth--;
            else if (rest[0] is (byte)'!' or (byte)'?')
            {
                if (!Skip(ref rest))
                    return true;
            }
            else if (!IsNameStart(rest[0]) || (!ClosesItself(rest) && ++depth > ScoreLimits.Depth))
                return true;
        }

        return false;
    }

    // Bytes of two at a time, as in UTF-16, are not looked through here.
    private static bool IsNameStart(byte b) => char.IsAsciiLetter((char)b) || b is (byte)'_' or (byte)':' or >= 0x80;

    // The one ">" before the next "<" stands after "/". With another one, the first may stand in quotes or the second in the text.
    private static bool ClosesItself(ReadOnlySpan<byte> tag)
    {
        var next = tag.IndexOf((byte)'<');
        if (next >= 0)
            tag = tag[..next];
        var end = tag.IndexOf((byte)'>');
        return end > 0 && tag[end - 1] == '/' && tag[(end + 1)..].IndexOf((byte)'>') < 0;
    }

    // Over a comment, a section of characters, an instruction or a plain document type; false for what is none of these.
    private static bool Skip(ref ReadOnlySpan<byte> rest)
    {
        if (rest[0] == '?')
            return SkipTo(ref rest, "?>"u8);
        if (rest.StartsWith("!--"u8))
            return SkipTo(ref rest, "-->"u8);
        if (rest.StartsWith("![CDATA["u8))
            return SkipTo(ref rest, "]]>"u8);
        // A document type with declarations of its own is not plain.
        var end = rest.IndexOf((byte)'>');
        return end >= 0 && !rest[..end].ContainsAny((byte)'[', (byte)'<') && SkipTo(ref rest, ">"u8);
    }

    private static bool SkipTo(ref ReadOnlySpan<byte> rest, ReadOnlySpan<byte> end)
    {
        var at = rest.IndexOf(end);
        if (at < 0)
            return false;
        rest = rest[(at + end.Length)..];
        return true;
    }
}
