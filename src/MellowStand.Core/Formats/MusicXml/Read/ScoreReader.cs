using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Reads a MusicXML document into a <see cref="Score"/>.</summary>
/// <remarks>Source: MusicXML 4.0. What is odd is read as printed and told in a warning; only a file that is no score is refused.</remarks>
public static class ScoreReader
{
    /// <summary>Reads the bytes of a .musicxml, .xml or .mxl file.</summary>
    /// <exception cref="ScoreFormatException">The file is no score, is damaged, or is not safe.</exception>
    public static Score Read(byte[] bytes) => Read(ScoreDocument.Of(ScoreFile.Load(bytes, keepWhiteSpace: false)));

    /// <summary>Reads a loaded document.</summary>
    /// <param name="document">The document.</param>
    /// <param name="cancelled">Set when nobody waits for it any more.</param>
    /// <exception cref="ScoreFormatException">The document's numbers are beyond reading.</exception>
    public static Score Read(ScoreDocument document, CancellationToken cancelled = default)
    {
        try
        {
            return ReadChecked(document, cancelled);
        }
        catch (OverflowException e)
        {
            throw new ScoreFormatException(
                "The score's durations are too large or too finely divided to be read exactly. Export the score again.",
                e
            );
        }
    }

    private static Score ReadChecked(ScoreDocument document, CancellationToken cancelled)
    {
        var labels = MeasureLabels.Of(document.MeasureHeads);
        var readers = ReadParts(document, labels, cancelled);
        var signs = RepeatReader.Of(document);
        var frames = Frames(document, readers, labels, signs);
        var (order, orderWarnings) = PlayedOrder.Of(signs);
        return new Score
        {
            Title = Title(document.Xml.Root!),
            Composer = Composer(document.Xml.Root!),
            Measures = frames,
            Parts = [.. readers.Select(r => PartBuilder.Build(r, frames))],
            PlayedOrder = order,
            Warnings =
            [
                .. document.Warnings,
                .. readers.SelectMany(r => r.Warnings),
                .. MeasureCheck.Warnings(document, readers, frames),
                .. orderWarnings,
            ],
        };
    }

    private static List<PartReader> ReadParts(ScoreDocument document, IReadOnlyList<string> labels, CancellationToken cancelled)
    {
        var readers = new List<PartReader>(document.Parts.Count);
        var (notes, signs) = (0L, 0L);
        foreach (var part in document.Parts)
        {
            var reader = new PartReader(part, labels).Read(cancelled);
            ScoreLimits.Check(notes += reader.NoteCount, ScoreLimits.Notes, "notes and rests");
            ScoreLimits.Check(signs += reader.SignCount, ScoreLimits.Signs, "signs above and below the staves");
            readers.Add(reader);
        }

        return readers;
    }

    /// <summary>Reads one part anew, as after a decision, into the measures that the score has already.</summary>
    /// <param name="content">The part's measures.</param>
    /// <param name="frames">The measures of the score.</param>
    internal static Part ReadPart(PartContent content, IReadOnlyList<MeasureFrame> frames) =>
        PartBuilder.Build(new PartReader(content, [.. frames.Select(f => f.Label)]).Read(), frames);

    private static List<MeasureFrame> Frames(
        ScoreDocument document,
        List<PartReader> readers,
        IReadOnlyList<string> labels,
        IReadOnlyList<RepeatSigns> signs
    )
    {
        var frames = new List<MeasureFrame>(labels.Count);
        var start = Fraction.Zero;
        var rehearsals = new Dictionary<int, string>();
        foreach (var mark in readers.SelectMany(r => r.Directions).Where(d => d.Kind == DirectionKind.Rehearsal))
            rehearsals.TryAdd(mark.MeasureIndex, mark.Text);
        var endings = Notation.PlayedOrder.EndingsOf(signs);
        for (var i = 0; i < labels.Count; i++)
        {
            var meter = readers[0].InForce[i].Meter;
            var content = readers.Aggregate(Fraction.Zero, (max, r) => Fraction.Max(max, r.Lengths[i]));
            var length = content > Fraction.Zero ? content : meter.Length;
            var isImplicit = document.MeasureHeads[i].Attribute("implicit")?.Value == "yes";
            var isPickup = length < meter.Length && (i == 0 || isImplicit);
            frames.Add(
                new MeasureFrame(i, labels[i], start, length, meter, isPickup, rehearsals.GetValueOrDefault(i))
                {
                    Opens = Opens(signs, i),
                    Ending = endings[i],
                }
            );
            start += length;
            ScoreLimits.CheckTime(start, ScoreLimits.Quarters, "all");
        }

        return frames;
    }

    private static BarSign Opens(IReadOnlyList<RepeatSigns> signs, int measure)
    {
        if (signs[measure].Forward || (measure > 0 && signs[measure - 1].Backward))
            return BarSign.Repeat;
        return signs[measure].DoubleBefore || (measure > 0 && signs[measure - 1].DoubleAfter) ? BarSign.Double : BarSign.None;
    }

    private static string Title(XElement root)
    {
        var title = root.Element("work")?.Element("work-title")?.Value ?? root.Element("movement-title")?.Value;
        if (string.IsNullOrWhiteSpace(title))
            title = root.Element("movement-title")?.Value;
        if (string.IsNullOrWhiteSpace(title))
        {
            title = root.Elements("credit")
                .FirstOrDefault(c => c.Elements("credit-type").Any(t => t.Value.Trim() == "title"))
                ?.Element("credit-words")
                ?.Value;
        }

        return Texts.Short(string.Join(' ', (title ?? "").Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)));
    }

    private static string? Composer(XElement root) =>
        root.Element("identification")?.Elements("creator").FirstOrDefault(c => c.Attribute("type")?.Value == "composer")?.Value.Trim()
            is { } name
            ? Texts.Short(name)
            : null;
}
