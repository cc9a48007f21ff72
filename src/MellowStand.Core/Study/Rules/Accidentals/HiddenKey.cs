using MellowStand.Core.Notation;
using MellowStand.Core.Reading;

namespace MellowStand.Core.Study.Rules;

/// <summary>The music moves to another key, and no new signature says so.</summary>
/// <remarks>States the range, the altered notes as the part reads them, and the key; the key itself is found over all parts by
/// <see cref="KeyFinder"/>. Told where it lasts at least three measures and the part plays the altered notes, from the
/// first of them to the last, with every note that is otherwise: who follows it plays every note right.</remarks>
[Example(
    "key:C | Bb4q Eb5q Ab4q Bb4q | Eb5q Ab4q Bb4q Eb5q | Ab4q Bb4q Eb5q Ab4q | Bb4w",
    1,
    "three flats that are not in the signature"
)]
[Example(
    "key:G | G4q A4q B4q C5q | D5q B4q G4h | G4q B4q D5q G5q | E5q F#5e E5e D#5q B4q | E5q F#5q G5q E5q | B4q D#5q F#5q D#5q "
        + "| E5h. D#5q | A4q C5q B4q D#5q | E5w",
    1,
    "its relative minor, with the seventh raised"
)]
[Example("key:Eb | Bb4q Eb5q Ab4q Bb4q | Eb5q Ab4q Bb4q Eb5q | Ab4q Bb4q Eb5q Ab4q | Bb4w", 0, "the signature has them")]
public sealed class HiddenKey : IStudyRule
{
    private const int LeastMeasures = 3;

    /// <summary>A piece that is in minor from its first measures on is hidden from nobody.</summary>
    private const int LeastBefore = 2;

    private const double LeastShare = 0.6;

    /// <inheritdoc/>
    public string Name => "hidden-key";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Accidentals;

    /// <inheritdoc/>
    public Reach Reach => Reach.Sounds;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        foreach (var (first, last, key) in Joined(context, part))
        {
            if (last - first + 1 < LeastMeasures || FirstOfPiece(context, part, first, last))
                continue;
            var printed = part.Measures[first].Key;
            var moved = new KeySignature(key.FifthsNear(Sounding(part, printed)) + WrittenShift(part, printed));
            var altered = AlteredLetters.Of(part, printed, moved, key.IsMinor, first, last);
            // The range is that of the altered notes: before and after them, and where the signature holds again, nothing is hidden.
            if (altered.Hits.Count < 2 || altered.Densest() is not var (from, to))
                continue;
            if (to - from + 1 < LeastMeasures || (Agrees(part, key, first) && from - Signed(part, from) < LeastBefore))
                continue;
            altered = AlteredLetters.Of(part, printed, moved, key.IsMinor, from, to);
            if (altered.Hits.Count < LeastShare * (altered.Hits.Count + altered.Misses.Count))
                continue;
            var mode = moved with { Mode = key.IsMinor ? "minor" : "major" };
            yield return new Finding(
                Name,
                [part.Id],
                from,
                to,
                [.. altered.Hits.Select(n => n.Id)],
                Severity.Warn,
                $"Hidden key: {mode.Name}",
                $"From measure {context.Label(from)} to {context.Label(to)} the music is in {mode.Name} with no new signature: "
                    + $"{altered.Words(context)} {Return(context, to)}"
            )
            {
                Fact = $"{first} {last} {key.Tonic} {key.IsMinor}",
            };
        }
    }

    // Neighbouring stretches with the same signature (a key and its relative) are one; a printed signature that agrees ends it.
    private static IEnumerable<(int From, int To, KeyStretch Key)> Joined(StudyContext context, Part part)
    {
        (int From, int To, KeyStretch Key)? open = null;
        foreach (var stretch in context.Keys)
        {
            foreach (var (from, to) in BySignature(part, stretch))
            {
                var hidden = IsHidden(part, stretch, from);
                if (
                    open is { } o
                    && hidden
                    && o.Key.RelativeMajor == stretch.RelativeMajor
                    && o.To + 1 == from
                    && part.Measures[o.From].Key == part.Measures[from].Key
                )
                {
                    open = (o.From, to, to - from > o.To - o.From ? stretch : o.Key);
                    continue;
                }

                if (open is { } done)
                    yield return done;
                open = hidden ? (from, to, stretch) : null;
            }
        }

        if (open is { } last)
            yield return last;
    }

    // Other signs than the printed ones; or the relative minor of what the signature says, whose raised seventh it does not print.
    private static bool IsHidden(Part part, KeyStretch stretch, int from) =>
        !Agrees(part, stretch, from) || (stretch.IsMinor && part.Measures[from].Key.Mode is not "minor");

    // The first measure of the signature that holds in one.
    private static int Signed(Part part, int measure)
    {
        while (measure > 0 && part.Measures[measure - 1].Key == part.Measures[measure].Key)
            measure--;
        return measure;
    }

    private static bool Agrees(Part part, KeyStretch stretch, int from) =>
        stretch.FifthsNear(Sounding(part, part.Measures[from].Key)) == Sounding(part, part.Measures[from].Key);

    private static IEnumerable<(int From, int To)> BySignature(Part part, KeyStretch stretch)
    {
        var from = stretch.From;
        for (var m = stretch.From + 1; m <= stretch.To + 1; m++)
        {
            if (m <= stretch.To && part.Measures[m].Key == part.Measures[from].Key)
                continue;
            yield return (from, m - 1);
            from = m;
        }
    }

    // A signature that is wrong from the first note to the last is a way of writing, as in the old modes.
    private static bool FirstOfPiece(StudyContext context, Part part, int from, int to) =>
        from == 0 && to == context.Score.Measures.Count - 1 && part.Measures[from].Key.Mode is not (null or "major" or "minor" or "none");

    private static int WrittenShift(Part part, KeySignature printed) => printed.Fifths - Sounding(part, printed);

    private static int Sounding(Part part, KeySignature written) =>
        written.Written(new Transposition(-part.Transposition.Diatonic, -part.Transposition.Chromatic, 0)).Fifths;

    private static string Return(StudyContext context, int to) =>
        to + 1 < context.Score.Measures.Count ? $"It returns in measure {context.Label(to + 1)}." : "It does not return.";
}
