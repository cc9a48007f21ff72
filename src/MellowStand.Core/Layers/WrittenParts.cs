using System.Xml;
using MellowStand.Core.Decisions;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Layers;

/// <summary>The parts of an edition with the decisions written in: only parts that a decision touches are copied, written and read
/// again.</summary>
internal sealed class WrittenParts
{
    private readonly Edition _edition;
    private readonly Dictionary<string, Written> _written = [];

    private WrittenParts(Edition edition, IReadOnlyList<Decision> decisions, WrittenParts? before)
    {
        _edition = edition;
        var changes = decisions.SelectMany(d => d.Changes.Select(c => (d.Id, Change: c))).ToLookup(x => x.Change.Part);
        foreach (var content in edition.Document.Parts.Where(p => changes.Contains(p.Id)))
        {
            var own = changes[content.Id].ToList();
            var ids = own.Select(x => x.Id).Distinct().ToArray();
            var known = before?._written.GetValueOrDefault(content.Id);
            _written[content.Id] =
                known is not null && known.Decisions.SequenceEqual(ids) ? known : Write(content, ids, own.Select(x => x.Change));
        }

        Document = edition.Document.With(_written.ToDictionary(w => w.Key, w => w.Value.Content));
        Score = edition.Printed.With(_written.ToDictionary(w => w.Key, w => w.Value.Part), Order());
    }

    /// <summary>The document with the decisions; nothing may be written into it.</summary>
    public ScoreDocument Document { get; }

    /// <summary>The score with the decisions.</summary>
    public Score Score { get; }

    /// <summary>Writes decisions in, taking over what an earlier layer has written already.</summary>
    public static WrittenParts Of(Edition edition, IReadOnlyList<Decision> decisions, WrittenParts? before) =>
        new(edition, decisions, before);

    /// <summary>Writes the parts that decisions touch as XML, to see that they can be.</summary>
    /// <param name="parts">Ids of the parts.</param>
    /// <exception cref="ArgumentException">A text holds what XML cannot.</exception>
    public void TryOut(IEnumerable<string> parts)
    {
        using var writer = XmlWriter.Create(Stream.Null, new XmlWriterSettings { ConformanceLevel = ConformanceLevel.Fragment });
        foreach (var part in parts.Where(_written.ContainsKey))
            foreach (var measure in _written[part].Content.Measures)
                measure?.WriteTo(writer);
    }

    /// <summary>The document with more marks, which stand nowhere else.</summary>
    /// <param name="changes">The marks.</param>
    public ScoreDocument Pencilled(IReadOnlyList<MarkChange> changes)
    {
        var drawn = new Dictionary<string, PartContent>();
        foreach (var own in changes.GroupBy(c => c.Part))
        {
            var copy = Document.Parts.First(p => p.Id == own.Key).Copy();
            DecisionWriter.Write(copy, own);
            drawn[own.Key] = copy;
        }

        return Document.With(drawn);
    }

    private Written Write(PartContent content, long[] ids, IEnumerable<MarkChange> changes)
    {
        var copy = content.Copy();
        DecisionWriter.Write(copy, changes);
        var jumps = changes.Any(c => c.Added.Concat(c.Removed).Any(m => m.Name == "words" && RepeatReader.IsJump(m.Value ?? "")));
        return new Written(ids, copy, ScoreReader.ReadPart(copy, _edition.Printed.Measures), jumps);
    }

    // Words such as Fine or D.C. change the order in which the measures are played.
    private IReadOnlyList<int>? Order() => _written.Values.Any(w => w.Jumps) ? PlayedOrder.Of(RepeatReader.Of(Document)).Order : null;

    private sealed record Written(long[] Decisions, PartContent Content, Part Part, bool Jumps);
}
