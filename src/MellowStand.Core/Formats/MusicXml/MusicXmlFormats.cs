namespace MellowStand.Core.Formats.MusicXml;

/// <summary>MusicXML as text. What no other form knows is taken for it: its reader says what is wrong.</summary>
public sealed class PlainMusicXml : IScoreFormat
{
    /// <inheritdoc/>
    public string Name => "MusicXML";

    /// <inheritdoc/>
    public string MediaType => "application/vnd.recordare.musicxml+xml";

    /// <inheritdoc/>
    public bool Recognises(byte[] bytes) => true;

    /// <inheritdoc/>
    public ScoreSource Read(byte[] bytes, CancellationToken cancelled) => Of(ScoreFile.Unfold(bytes), cancelled);

    // White space is most of many files, and wanted only where something is given back: it is read again there, and not held.
    internal static ScoreSource Of(byte[] xml, CancellationToken cancelled) =>
        new(
            ScoreDocument.Of(ScoreFile.LoadXml(xml, keepWhiteSpace: false, cancelled)),
            xml.Length,
            () => ScoreDocument.Of(ScoreFile.LoadXml(xml, keepWhiteSpace: true, default))
        );
}

/// <summary>MusicXML packed in an archive (.mxl).</summary>
public sealed class PackedMusicXml : IScoreFormat
{
    /// <inheritdoc/>
    public string Name => "packed MusicXML";

    /// <inheritdoc/>
    public string MediaType => "application/vnd.recordare.musicxml";

    /// <inheritdoc/>
    public bool Recognises(byte[] bytes) => ScoreFile.IsZip(bytes);

    /// <inheritdoc/>
    public ScoreSource Read(byte[] bytes, CancellationToken cancelled) => PlainMusicXml.Of(ScoreFile.Unfold(bytes), cancelled);
}
