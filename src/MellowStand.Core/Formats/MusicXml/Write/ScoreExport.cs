using System.Text;
using System.Xml;
using System.Xml.Linq;
using MellowStand.Core.Decisions;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>What to give back of a score.</summary>
/// <param name="Parts">Ids of the parts, or null for all.</param>
/// <param name="From">First measure from 0, or null for the first.</param>
/// <param name="To">Last measure from 0, or null for the last.</param>
/// <param name="WithNoteIds">Write our note ids into the notes, so that the engraver's drawing can be found again.</param>
/// <param name="AtConcertPitch">Transposing parts as they sound, for the eye.</param>
/// <param name="ForPaper">To play from: no part names, rests of a single part condensed.</param>
/// <param name="Reminded">With the level and tempo in force at the cut told again.</param>
public sealed record ExportRange(
    IReadOnlyCollection<string>? Parts = null,
    int? From = null,
    int? To = null,
    bool WithNoteIds = false,
    bool AtConcertPitch = false,
    bool ForPaper = false,
    bool Reminded = false
)
{
    /// <summary>Cues to write into a single part, by measure from 0.</summary>
    public IReadOnlyDictionary<int, CueBar> Cues { get; init; } = new Dictionary<int, CueBar>();

    /// <summary>True when everything is asked for, as it came.</summary>
    public bool IsWhole => Parts is null && From is null && To is null && !WithNoteIds && !AtConcertPitch && !ForPaper;
}

/// <summary>Gives a score back as MusicXML with the decisions written in.</summary>
public static class ScoreExport
{
    /// <summary>The marked score, part or range as UTF-8 MusicXML.</summary>
    /// <param name="original">The imported bytes, in whatever form they are.</param>
    /// <param name="changes">The decisions in force, oldest first.</param>
    /// <param name="range">What to give back.</param>
    public static byte[] Write(byte[] original, IReadOnlyCollection<MarkChange> changes, ExportRange range) =>
        Write(ScoreFormats.Read(original), changes, range);

    /// <summary>The marked score, part or range as UTF-8 MusicXML.</summary>
    /// <param name="source">The file as it was read.</param>
    /// <param name="changes">The decisions in force, oldest first.</param>
    /// <param name="range">What to give back.</param>
    public static byte[] Write(ScoreSource source, IReadOnlyCollection<MarkChange> changes, ExportRange range)
    {
        var document = source.Own();
        if (changes.Count > 0)
            new DecisionWriter(document).Apply(changes);
        return range.IsWhole ? Serialize(document.Xml) : Write(document, range);
    }

    /// <summary>Parts and measures of a document that is read already; the document stays as it is.</summary>
    /// <param name="document">The document, with the decisions written in.</param>
    /// <param name="range">What to give back.</param>
    internal static byte[] Write(ScoreDocument document, ExportRange range) => Serialize(ScoreCut.Cut(document, range));

    /// <summary>UTF-8 bytes of a document, white space as it stands.</summary>
    public static byte[] Serialize(XDocument xml)
    {
        using var stream = new MemoryStream();
        var settings = new XmlWriterSettings
        {
            Encoding = new UTF8Encoding(false),
            Indent = false,
            NewLineHandling = NewLineHandling.Entitize,
        };
        using (var writer = XmlWriter.Create(stream, settings))
            xml.Save(writer);
        return stream.ToArray();
    }
}
