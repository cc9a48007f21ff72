using System.Xml.Linq;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Tests.Unify.Band;

/// <summary>All that a player reads at one note, to compare two prints of it.</summary>
internal sealed record NoteLook(string Pitch, string Length, string Marks, string Slurs, string Levels, string Hairpins)
{
    /// <summary>The looks of all notes of a document, by note.</summary>
    public static Dictionary<string, NoteLook> All(XDocument document) => All(ScoreReader.Read(ScoreDocument.Of(document)));

    /// <summary>The looks of all notes of a score, by note.</summary>
    public static Dictionary<string, NoteLook> All(Score score) =>
        score.Parts.SelectMany(p => p.Notes.Select(n => (n.Id, Look: Of(p, n)))).ToDictionary(x => x.Id, x => x.Look);

    public static NoteLook Of(Part part, Note note) =>
        new(
            string.Join(' ', note.Heads.Select(h => h.Written.ToString())),
            note.Duration.ToString(),
            string.Join(
                ' ',
                note.Marks.Where(m => m.Name is not ("dynamics" or "slur-start" or "slur-stop"))
                    .Select(m => m.ToString())
                    .Order(StringComparer.Ordinal)
            ),
            string.Join(
                ' ',
                part.Slurs.Where(s => s.From == note)
                    .Select(s => $"to {s.To.Id}")
                    .Concat(part.Slurs.Where(s => s.To == note).Select(s => $"from {s.From.Id}"))
            ),
            string.Join(' ', part.Directions.Where(d => d.Kind == DirectionKind.Dynamic && d.Onset == note.Onset).Select(d => d.Text)),
            string.Join(' ', part.Hairpins.Where(h => h.From == note.Onset).Select(h => $"{h.Grows} to {h.To}"))
        );

    /// <summary>In how many ways two prints of a note differ.</summary>
    public int Unlike(NoteLook other)
    {
        bool[] differs =
        [
            Pitch != other.Pitch,
            Length != other.Length,
            Marks != other.Marks,
            Slurs != other.Slurs,
            Levels != other.Levels,
            Hairpins != other.Hairpins,
        ];
        return differs.Count(d => d);
    }
}
