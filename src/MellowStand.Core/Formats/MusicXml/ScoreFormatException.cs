namespace MellowStand.Core.Formats.MusicXml;

/// <summary>A file that cannot be read as a score. The message is a sentence for the director: what, where, how to mend.</summary>
public sealed class ScoreFormatException : Exception
{
    /// <summary>Refuses a file with a sentence.</summary>
    public ScoreFormatException(string message)
        : base(message) { }

    /// <summary>Refuses a file with a sentence and keeps the cause for the log.</summary>
    public ScoreFormatException(string message, Exception cause)
        : base(message, cause) { }

    /// <summary>Refuses a file.</summary>
    public ScoreFormatException() { }
}
