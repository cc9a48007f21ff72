using MellowStand.Core.Formats.MusicXml;

namespace MellowStand.Core.Formats;

/// <summary>A form in which scores come: how it is known, and how it becomes a score document. A new one is one file, and one entry in
/// <see cref="ScoreFormats"/>.</summary>
public interface IScoreFormat
{
    /// <summary>What a director calls it.</summary>
    string Name { get; }

    /// <summary>The media type under which an imported file is given back as it came.</summary>
    string MediaType { get; }

    /// <summary>True for bytes that are in this form, or mean to be.</summary>
    bool Recognises(byte[] bytes);

    /// <summary>Reads a file, trusting nothing in it.</summary>
    /// <exception cref="ScoreFormatException">It is over a limit, damaged, or not safe.</exception>
    ScoreSource Read(byte[] bytes, CancellationToken cancelled);
}

/// <summary>A file that was read: its document to read from, and documents of one's own to write into.</summary>
/// <param name="Document">The score's document, without white space between elements; nothing may be written into it.</param>
/// <param name="Length">Length of the document as text, in bytes: what memory is reckoned by.</param>
/// <param name="Own">Makes a document to write into, with everything as it came.</param>
public sealed record ScoreSource(ScoreDocument Document, long Length, Func<ScoreDocument> Own);
