using System.Text.RegularExpressions;
using System.Xml.Linq;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>The XML of a score seen as parts × measures, whether it is written partwise or timewise.</summary>
public sealed partial class ScoreDocument
{
    private List<PartContent> _parts = [];
    private readonly List<XElement> _measures = [];

    private ScoreDocument(XDocument xml)
    {
        Xml = xml;
        IsTimewise = xml.Root!.Name.LocalName == "score-timewise";
        Collect();
    }

    /// <summary>The document itself.</summary>
    public XDocument Xml { get; }

    /// <summary>True when the file is a <c>score-timewise</c>.</summary>
    public bool IsTimewise { get; }

    /// <summary>The parts that have music, in score order.</summary>
    public IReadOnlyList<PartContent> Parts => _parts;

    /// <summary>For each measure the element that carries its number.</summary>
    public IReadOnlyList<XElement> MeasureHeads => _measures;

    /// <summary>What was odd, for the director.</summary>
    public List<string> Warnings { get; } = [];

    /// <summary>Reads the bytes of a file.</summary>
    /// <exception cref="ScoreFormatException">The file is no MusicXML score.</exception>
    public static ScoreDocument Load(byte[] bytes) => Of(ScoreFile.Load(bytes));

    /// <summary>Takes a loaded document.</summary>
    /// <exception cref="ScoreFormatException">The document is no MusicXML score, or holds no part.</exception>
    public static ScoreDocument Of(XDocument xml)
    {
        var root = xml.Root?.Name.LocalName;
        if (root is not ("score-partwise" or "score-timewise"))
            throw new ScoreFormatException(
                $"The file is XML but no score: it starts with <{root}> where <score-partwise> is expected. Export the score as MusicXML."
            );
        var document = new ScoreDocument(xml);
        if (document.Parts.Count == 0)
            throw new ScoreFormatException("The score holds no part. Export it again with at least one part.");
        if (document.MeasureHeads.Count == 0)
            throw new ScoreFormatException("The score holds no measure. Export it again with its music.");
        ScoreLimits.Check((long)document.Parts.Count * document.MeasureHeads.Count, ScoreLimits.Cells, "measures of all parts together");
        return document;
    }

    /// <summary>The same document with some of its parts replaced, as by copies that decisions were written into; this one stays as it
    /// is.</summary>
    /// <param name="replaced">Part id to what stands in its place.</param>
    internal ScoreDocument With(IReadOnlyDictionary<string, PartContent> replaced)
    {
        var copy = (ScoreDocument)MemberwiseClone();
        copy._parts = [.. _parts.Select(p => replaced.GetValueOrDefault(p.Id, p))];
        return copy;
    }

    private void Collect()
    {
        var root = Xml.Root!;
        var headers = new PartHeaders(root);
        if (IsTimewise)
            CollectTimewise(root, headers);
        else
            CollectPartwise(root, headers);
    }

    private void CollectPartwise(XElement root, PartHeaders headers)
    {
        foreach (var part in root.Elements("part"))
        {
            var content = Add(part.Attribute("id")?.Value, headers);
            content.Measures.AddRange(part.Elements("measure"));
        }

        var longest = _parts.MaxBy(p => p.Measures.Count);
        if (longest is null)
            return;
        ScoreLimits.Check(longest.Measures.Count, ScoreLimits.Measures, "measures");
        _measures.AddRange(longest.Measures!);
        foreach (var part in _parts.Where(p => p.Measures.Count < _measures.Count))
        {
            Warnings.Add(
                $"{part.DisplayName}: only {part.Measures.Count} of {_measures.Count} measures are in the file; the rest is read as empty."
            );
            while (part.Measures.Count < _measures.Count)
                part.Measures.Add(null);
        }
    }

    private void CollectTimewise(XElement root, PartHeaders headers)
    {
        var byFileId = new Dictionary<string, PartContent>();
        foreach (var measure in root.Elements("measure"))
        {
            ScoreLimits.Check(_measures.Count + 1, ScoreLimits.Measures, "measures");
            foreach (var part in measure.Elements("part"))
            {
                var id = part.Attribute("id")?.Value;
                if (!byFileId.TryGetValue(id ?? "", out var content))
                    byFileId[id ?? ""] = content = Add(id, headers);
                while (content.Measures.Count < _measures.Count)
                    content.Measures.Add(null);
                content.Measures.Add(part);
            }

            _measures.Add(measure);
        }

        foreach (var part in _parts)
            while (part.Measures.Count < _measures.Count)
                part.Measures.Add(null);
    }

    private PartContent Add(string? fileId, PartHeaders headers)
    {
        var number = _parts.Count;
        ScoreLimits.Check(number + 1, ScoreLimits.Parts, "parts");
        var header = headers.Of(fileId);
        if (header is null)
        {
            header = headers.At(number);
            Warnings.Add(
                header is null
                    ? $"Part {number + 1} is not in the part list: it is read without a name."
                    : $"Part {number + 1} has no id of its own: it is read as \"{header.Element("part-name")?.Value}\"."
            );
        }

        var wanted = fileId ?? header?.Attribute("id")?.Value;
        var id = wanted is not null && PlainId().IsMatch(wanted) && _parts.All(p => p.Id != wanted) ? wanted : $"P{number + 1}";
        while (_parts.Any(p => p.Id == id))
            id += "b";
        if (wanted is not null && id != wanted)
            Warnings.Add(
                $"The part id \"{PartState.Short(wanted)}\" cannot be used as an address or comes twice: the part is called {id} here."
            );
        var content = new PartContent(id, fileId, header);
        _parts.Add(content);
        return content;
    }

    [GeneratedRegex(@"\A[A-Za-z0-9_-][A-Za-z0-9_.-]{0,63}\z")]
    private static partial Regex PlainId();

    /// <summary>The part list, found by id and by place.</summary>
    private sealed class PartHeaders
    {
        private readonly List<XElement> _all;
        private readonly Dictionary<string, XElement> _byId = [];

        public PartHeaders(XElement root)
        {
            _all = [.. root.Elements("part-list").Elements("score-part")];
            foreach (var header in _all)
                _byId.TryAdd(header.Attribute("id")?.Value ?? "", header);
        }

        public XElement? Of(string? id) => id is null ? null : _byId.GetValueOrDefault(id);

        public XElement? At(int number) => number < _all.Count ? _all[number] : null;
    }
}

/// <summary>One part of a file: its header in the part list and its measures.</summary>
/// <param name="Id">The id used everywhere in the product; safe in a URL.</param>
/// <param name="FileId">The id as the file has it, or null.</param>
/// <param name="Header">The <c>score-part</c> element, or null.</param>
public sealed record PartContent(string Id, string? FileId, XElement? Header)
{
    /// <summary>For each measure the element that holds this part's music, or null where the file has none.</summary>
    public List<XElement?> Measures { get; } = [];

    /// <summary>A copy whose elements can be written into.</summary>
    public PartContent Copy()
    {
        var copy = new PartContent(Id, FileId, Header);
        copy.Measures.AddRange(Measures.Select(m => m is null ? null : new XElement(m)));
        return copy;
    }

    /// <summary>The printed name, or the id where none is printed.</summary>
    public string DisplayName => string.IsNullOrWhiteSpace(Name) ? Id : Name;

    /// <summary>The printed name with folded white space; may be empty.</summary>
    public string Name => Fold(Header?.Element("part-name")?.Value);

    /// <summary>The printed abbreviation; may be empty.</summary>
    public string Abbreviation => Fold(Header?.Element("part-abbreviation")?.Value);

    private static string Fold(string? text) =>
        Texts.Short(string.Join(' ', (text ?? "").Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)), ScoreLimits.LettersOfName);
}
