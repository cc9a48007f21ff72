using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>The printed name of a chord's root.</summary>
/// <remarks>A chord is named by the note that is printed at the bottom of its thirds, whatever the signature prefers: C♯ E G B♭ is on C♯ in
/// four flats too. Common practice, no published source.</remarks>
internal static class ChordRoot
{
    private const int Letters = 7;
    private const int LetterOfThird = 2;

    /// <summary>The name of the root as it is printed among the notes; where it is not printed, as the signature spells it.</summary>
    /// <param name="notes">The notes of the chord.</param>
    /// <param name="root">The pitch class of the root; of a chord of equal thirds any of its notes.</param>
    /// <param name="key">The signature.</param>
    public static string Named(IReadOnlyCollection<Note> notes, int root, KeySignature key)
    {
        var printed = notes.SelectMany(n => n.Heads).Select(h => h.Written).OfType<Pitch>().DistinctBy(p => (p.Step, p.Alter)).ToList();
        if (IsOfMinorThirds(printed) && printed.Where(p => IsBottom(printed, p)).Select(p => p.Name).FirstOrDefault() is { } bottom)
            return bottom;
        var there = printed.Where(p => p.PitchClass == root).Select(p => p.Name).FirstOrDefault();
        return there ?? Spelling.Of(root, key);
    }

    private static bool IsOfMinorThirds(List<Pitch> printed) =>
        printed.Count == 4 && printed.TrueForAll(p => printed.Exists(o => (o.PitchClass - p.PitchClass + 12) % 12 == 3));

    // All other letters stand two, four and six letters above.
    private static bool IsBottom(List<Pitch> printed, Pitch bottom) =>
        printed.TrueForAll(p => ((int)p.Step - (int)bottom.Step + Letters) % Letters % LetterOfThird == 0 || p.Step == bottom.Step);
}
