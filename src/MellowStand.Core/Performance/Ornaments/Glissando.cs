using MellowStand.Core.Notation;

namespace MellowStand.Core.Performance;

/// <summary>A glissando or slide to the next note: by half steps over the second half of the first.</summary>
/// <remarks>Source: MusicXML 4.0, elements "glissando" and "slide"; that the first half is held is common practice, no published
/// source.</remarks>
internal sealed class Glissando : IOrnament
{
    public bool Is(Ornamented note) =>
        OrnamentMarks.Slides.Any(note.Sound.Has)
        && note.Sound.Note.TopSounding is { } from
        && note.Next?.Note.TopSounding is { } to
        && Math.Abs(to - from) > 1;

    public IReadOnlyList<Stroke> Play(Ornamented note)
    {
        var (from, to) = (note.Main, note.Next!.Note.TopSounding!.Value);
        var step = Math.Sign(to - from);
        var between = Enumerable.Range(1, Math.Abs(to - from) - 1).Select(i => from + (i * step)).ToList();
        var half = note.Sound.From + (note.Sound.Length / 2);
        return [new Stroke(note.Sound.From, half, from), .. Ornamented.Even(half, note.Sound.To, between)];
    }
}
