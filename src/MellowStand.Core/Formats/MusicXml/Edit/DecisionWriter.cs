using System.Xml.Linq;
using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>Writes the layer of decisions into the XML of a score and touches nothing else.</summary>
/// <remarks>Places of the elements: MusicXML 4.0, types "note", "notations", "direction".</remarks>
public sealed class DecisionWriter
{
    private readonly Dictionary<string, Lazy<PartIndex>> _parts;

    /// <summary>Prepares a document for writing.</summary>
    public DecisionWriter(ScoreDocument document) =>
        _parts = document.Parts.ToDictionary(p => p.Id, p => new Lazy<PartIndex>(() => new PartIndex(p)));

    /// <summary>Applies changes in order; a part or note that is not there any more is passed over.</summary>
    public void Apply(IEnumerable<MarkChange> changes)
    {
        foreach (var change in changes)
            if (_parts.TryGetValue(change.Part, out var part))
                Apply(part.Value, change);
    }

    /// <summary>Writes changes of one part into a copy of it.</summary>
    internal static void Write(PartContent copy, IEnumerable<MarkChange> changes)
    {
        var part = new PartIndex(copy);
        foreach (var change in changes)
            Apply(part, change);
    }

    private static void Apply(PartIndex part, MarkChange change)
    {
        var notes = change.Notes.Select(part.Note).OfType<PlacedElement>().ToList();
        if (notes.Count == 0)
            return;
        foreach (var mark in change.Removed)
            Remove(part, notes, mark);
        // Words that an earlier version kept may hold what XML cannot.
        foreach (var mark in change.Added)
            Add(part, notes, mark.Value is null ? mark : mark with { Value = XmlText.Fit(mark.Value) });
    }

    private static void Add(PartIndex part, List<PlacedElement> notes, Mark mark)
    {
        switch (MarkCatalog.FormOf(mark.Name))
        {
            case MarkForm.Slur:
                SlurWriter.Add(part, notes[0], notes[^1]);
                break;
            case MarkForm.Hairpin:
                DirectionWriter.AddHairpin(notes[0], notes[^1], mark.Name);
                break;
            case MarkForm.Bracket:
                DirectionWriter.AddBracket(notes[0], notes[^1]);
                break;
            case MarkForm.Dynamic or MarkForm.Words:
                foreach (var n in notes)
                    DirectionWriter.Add(n, mark);
                break;
            case MarkForm.Pitch:
                foreach (var n in notes)
                    PitchWriter.Set(n.Element, mark.Value!);
                break;
            case MarkForm.Rhythm:
                RhythmWriter.Set(part, notes, mark.Value!);
                break;
            case MarkForm.Accidental:
                foreach (var n in notes)
                    AccidentalWriter.Set(n.Element, mark.Value!);
                break;
            // Told in words only.
            case MarkForm.Remark:
                break;
            case { } form:
                foreach (var n in notes)
                    NotationWriter.Add(n.Element, form, mark);
                break;
            default:
                break;
        }
    }

    private static void Remove(PartIndex part, List<PlacedElement> notes, Mark mark)
    {
        switch (MarkCatalog.FormOf(mark.Name))
        {
            case MarkForm.Slur:
                SlurWriter.Remove(part, notes[0], notes[^1]);
                break;
            case MarkForm.Hairpin:
                DirectionWriter.RemoveHairpin(part, notes[0], notes[^1], mark.Name);
                break;
            case MarkForm.Bracket:
                DirectionWriter.RemoveBracket(part, notes[0], notes[^1]);
                break;
            case MarkForm.Dynamic or MarkForm.Words:
                foreach (var n in notes)
                    DirectionWriter.Remove(part, n, mark);
                break;
            case MarkForm.Pitch or MarkForm.Rhythm or MarkForm.Remark:
                break;
            case MarkForm.Accidental:
                foreach (var n in notes)
                    AccidentalWriter.Clear(n.Element, mark.Value!);
                break;
            case { } form:
                foreach (var n in notes)
                    NotationWriter.Remove(n.Element, form, mark);
                break;
            default:
                break;
        }
    }
}
