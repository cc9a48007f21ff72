using MellowStand.Core.Formats;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;
using MellowStand.Core.Unify;

namespace MellowStand.Core.Layers;

/// <summary>One file of a piece, read once and never changed; safe for many readers.</summary>
/// <remarks>The bytes are what goes out again, white space and all. The document beside them is without white space between elements:
/// slices are
/// cut from it and decisions written into copies of its parts.</remarks>
public sealed class Edition
{
    // Measured: document, score and what is worked out from them, in bytes for each byte of XML.
    private const int HeldPerByte = 12;

    private readonly Lock _lock = new();
    private (Knowledge Knowledge, Comparison Comparison, AlikeDifferences Alike)? _compared;

    private Edition(byte[] bytes, CancellationToken cancelled)
    {
        Bytes = bytes;
        Id = Identity.Of(bytes);
        Source = ScoreFormats.Read(bytes, cancelled);
        Size = Source.Length * HeldPerByte;
        Printed = ScoreReader.Read(Document, cancelled);
    }

    /// <summary>Its name: sixteen hexadecimal digits made from its bytes.</summary>
    public string Id { get; }

    /// <summary>The file as it was read: what goes out again is made from it.</summary>
    public ScoreSource Source { get; }

    /// <summary>The imported bytes.</summary>
    public byte[] Bytes { get; }

    /// <summary>The score as printed.</summary>
    public Score Printed { get; }

    /// <summary>About how many bytes of memory it takes, with what is worked out from it.</summary>
    public long Size { get; }

    /// <summary>The document; nothing may be written into it.</summary>
    internal ScoreDocument Document => Source.Document;

    /// <summary>Reads a file.</summary>
    /// <param name="bytes">The whole file.</param>
    /// <param name="cancelled">Set when nobody waits for it any more.</param>
    /// <exception cref="ScoreFormatException">It is no score, is damaged, or is not safe.</exception>
    public static Edition Read(byte[] bytes, CancellationToken cancelled = default) => new(bytes, cancelled);

    /// <summary>Lines and differences of the printed score, under what the school knows.</summary>
    internal Comparison Compared(Knowledge knowledge) => Known(knowledge).Comparison;

    /// <summary>Differences that are the same at another place.</summary>
    internal AlikeDifferences Alike(Knowledge knowledge) => Known(knowledge).Alike;

    // All who ask at once wait for one answer.
    private (Knowledge Knowledge, Comparison Comparison, AlikeDifferences Alike) Known(Knowledge knowledge)
    {
        lock (_lock)
        {
            if (_compared is { } known && known.Knowledge == knowledge)
                return known;
            var comparison = Comparison.Of(knowledge.Unify(Printed));
            var compared = (knowledge, comparison, new AlikeDifferences(Printed, comparison.Differences));
            _compared = compared;
            return compared;
        }
    }
}
