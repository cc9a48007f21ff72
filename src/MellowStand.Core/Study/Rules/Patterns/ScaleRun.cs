using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A run along a major or minor scale.</summary>
/// <remarks>Six notes or more in neighbouring letters, all of one scale, each struck once or equally often; or pairs of thirds or
/// sixths that climb by step. The printed key is preferred, then the one that begins on the
/// run's lower end. Scales agree with tests/reference/facts/scales.json (music21 10.5.1).</remarks>
[Example("key:G | G4e A4e B4e C5e D5e E5e F#5e G5e", 1)]
[Example("key:C | C4e D4e E4e F4e G4e E4e C4q", 0, "five notes are no scale")]
[Example("key:C | A4e B4e C5e D5e E5e F5e G#5e A5e", 1, "harmonic minor, with its wide step")]
[Example("key:Bb | Bb3q Bb3q C4q C4q | D4q D4q Eb4q Eb4q | F4q F4q G4q G4q | A4q A4q Bb4h", 1, "each note struck twice")]
[Example("key:F | C5e A4e D5e Bb4e E5e C5e F5e D5e | G5h F5h", 1, "a scale in thirds")]
public sealed class ScaleRun : IStudyRule
{
    private const int LeastNotes = 6;

    /// <inheritdoc/>
    public string Name => "scale";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Patterns;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        foreach (var phrase in context.MelodyOf(part).Phrases())
        {
            foreach (var run in RunsOf(phrase))
                if (Told(part, run, run, $"{run.Count} notes", "") is { } finding)
                    yield return finding;
            foreach (var (line, all) in StruckTwice.Of(phrase))
                foreach (var run in RunsOf(line))
                    if (Told(part, run, Struck(all, run), $"{run.Count} notes, each struck several times,", "") is { } finding)
                        yield return finding;
            foreach (var pairs in BrokenThirds.Of(phrase).Where(p => p.Count >= LeastNotes))
            {
                var notes = phrase.Skip(pairs.Start).Take(pairs.Count).ToList();
                if (Told(part, notes, notes, $"{pairs.Count / 2} pairs", $" in {pairs.Words}") is { } finding)
                    yield return finding;
            }
        }
    }

    private static IEnumerable<IReadOnlyList<Note>> RunsOf(IReadOnlyList<Note> line) =>
        Runs.Of(line, (semitones, letters) => Math.Abs(letters) == 1 && Math.Abs(semitones) is 1 or 2 or 3)
            .Where(run => run.Count >= LeastNotes);

    private static IReadOnlyList<Note> Struck(IReadOnlyList<Note> all, IReadOnlyList<Note> run) =>
        [.. all.SkipWhile(n => n != run[0]).TakeWhile(n => n.Onset <= run[^1].Onset)];

    private Finding? Told(Part part, IReadOnlyList<Note> line, IReadOnlyList<Note> struck, string what, string how)
    {
        if (Scales.Fitting(line, part.Measures[line[0].MeasureIndex].Key) is not { } scale)
            return null;
        return Finding.At(
            Name,
            part,
            [.. struck],
            Severity.Note,
            $"{scale.Name} scale{how}",
            $"{what} {(line[^1].TopSounding > line[0].TopSounding ? "up" : "down")} the scale of {scale.Name}{how}, "
                + $"{line[0].Top} to {line[^1].Top}."
        );
    }
}
