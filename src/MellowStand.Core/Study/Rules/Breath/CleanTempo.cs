using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>The tempo up to which the quick notes of a stretch stay clean.</summary>
/// <remarks>Notes a second by instrument: <see cref="CleanLimits"/>. Common practice, no published source.</remarks>
internal static class CleanTempo
{
    /// <summary>Quarters a minute; infinite where fewer than three notes follow one another in this length.</summary>
    /// <param name="part">The part, for its slurs.</param>
    /// <param name="notes">Struck notes in order.</param>
    /// <param name="limit">What the instrument's players keep clean.</param>
    public static double Of(Part part, IReadOnlyList<Note> notes, CleanLimit limit)
    {
        var inside = part.Slurs.Where(s => s.To.Onset >= notes[0].Onset && s.From.Onset <= notes[^1].Onset).ToList();
        var tempo = double.PositiveInfinity;
        for (var i = 2; i < notes.Count; i++)
        {
            // Two quick notes alone are a figure; from three on they are a speed.
            var quarters = Math.Max((notes[i].Onset - notes[i - 1].Onset).Value, (notes[i - 1].Onset - notes[i - 2].Onset).Value);
            var isSlurred = inside.Any(s => s.From.Onset < notes[i].Onset && s.To.Onset >= notes[i].Onset);
            tempo = Math.Min(tempo, quarters * 60 * (isSlurred ? limit.Slurred : limit.Tongued));
        }

        return tempo;
    }
}
