using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Practice;

/// <summary>Changes the notes of every voice, and walks them with their moments.</summary>
internal static class Voices
{
    /// <summary>The part with each voice of each measure changed; the length of a voice must stay.</summary>
    public static PlainPart Change(PlainPart part, Func<IReadOnlyList<PlainNote>, IEnumerable<PlainNote>> change) =>
        PlainTidy.Of(
            part with
            {
                Measures =
                [
                    .. part.Measures.Select(m => m with { Voices = [.. m.Voices.Select(v => v with { Notes = [.. change(v.Notes)] })] }),
                ],
            }
        );

    /// <summary>The part with every note changed by itself.</summary>
    public static PlainPart ChangeNotes(PlainPart part, Func<PlainNote, PlainNote> change) => Change(part, v => v.Select(change));

    /// <summary>The part with its first voice only: the line that is practiced.</summary>
    public static PlainPart Line(PlainPart part) =>
        part with
        {
            Clefs = [part.Clefs[0]],
            Measures = [.. part.Measures.Select(m => m with { Voices = [Main(m) with { Staff = 1 }] })],
        };

    /// <summary>The voice that strikes most on the first staff, the first of equals.</summary>
    public static PlainVoice Main(PlainMeasure measure) =>
        measure.Voices.OrderBy(v => v.Staff).ThenByDescending(v => v.Notes.Count(n => n.Sounds)).FirstOrDefault()
        ?? new PlainVoice(1, [PlainNote.Rest(measure.Length)]);

    /// <summary>Notes with where each begins, in quarters from the first of them.</summary>
    public static IEnumerable<(PlainNote Note, Fraction At)> Timed(IEnumerable<PlainNote> notes)
    {
        var at = Fraction.Zero;
        foreach (var note in notes)
        {
            yield return (note, at);
            at += note.Length;
        }
    }

    /// <summary>Stretches of notes with no rest between them; graces stand with the note they lead to.</summary>
    public static IEnumerable<(int From, int To)> Runs(IReadOnlyList<PlainNote> notes)
    {
        var from = 0;
        for (var i = 0; i <= notes.Count; i++)
        {
            if (i < notes.Count && notes[i].Sounds)
                continue;
            if (i > from)
                yield return (from, i - 1);
            from = i + 1;
        }
    }

    /// <summary>Notes that are struck: no graces, no rests, nothing tied over.</summary>
    public static bool IsStruck(PlainNote note) =>
        note is { Sounds: true, IsGrace: false } && note.Source is not { IsTieContinuation: true };
}
