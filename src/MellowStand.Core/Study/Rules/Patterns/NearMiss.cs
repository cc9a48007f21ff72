using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>A run that looks like a pattern and is not: chromatic but for one skipped note, a scale with one strange note, an arpeggio
/// that turns back a step early.</summary>
/// <remarks>The hand trusts the pattern and goes wrong at the one place. Six notes or more; the odd step stands inside the run. Common
/// practice, no published source.</remarks>
[Example("| C4s C#4s D4s E4s F4s F#4s G4s G#4s A4h", 1, "one half step is skipped")]
[Example("| C4s C#4s D4s D#4s E4s F4s F#4s G4s G#4h", 0, "truly chromatic")]
[Example("key:C | C4e D4e E4e F4e G4e A4e B4e C5e", 0, "a plain scale")]
[Example("key:C | C4e D4e E4e F#4e G4e Ab4e B4e C5e", 0, "two strange notes: no scale at all")]
[Example(
    "meter:12/8 | C4e E4e G4e C5e G4e E4e C4e E4e G4e C5e G4e E4e | C4e E4e G4e E4e C4e r C4e E4e G4e C5e G4e E4e",
    1,
    "turns back early"
)]
public sealed class NearMiss : IStudyRule
{
    private const int LeastNotes = 6;

    /// <inheritdoc/>
    public string Name => "near-miss";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Patterns;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part) =>
        context
            .MelodyOf(part)
            .Phrases()
            .SelectMany(phrase => Skipped(part, phrase).Concat(StrangeNote(part, phrase)).Concat(TurnsEarly(part, phrase)));

    private IEnumerable<Finding> Skipped(Part part, IReadOnlyList<Note> phrase)
    {
        foreach (var run in Runs.Of(phrase, (semitones, _) => Math.Abs(semitones) is 1 or 2))
        {
            var steps = run.Zip(run.Skip(1), Runs.Semitones).Select(Math.Abs).ToList();
            foreach (var (from, to) in Between(steps))
            {
                var odd = Enumerable.Range(from, to - from).Single(i => steps[i] == 2);
                if (to - from + 1 < LeastNotes || odd - from < 2 || to - 1 - odd < 2)
                    continue;
                var notes = run.Skip(from).Take(to - from + 1).ToList();
                yield return Finding.At(
                    Name,
                    part,
                    notes,
                    Severity.Warn,
                    "Chromatic, but one note is skipped",
                    $"The run goes by half steps except from {run[odd].Top!.Value.Name} to {run[odd + 1].Top!.Value.Name}, "
                        + $"which is a whole step."
                );
            }
        }
    }

    // Maximal stretches of steps with exactly one whole step among half steps.
    private static IEnumerable<(int From, int To)> Between(List<int> steps)
    {
        var wholes = Enumerable.Range(0, steps.Count).Where(i => steps[i] == 2).ToList();
        for (var k = 0; k < wholes.Count; k++)
        {
            var from = k == 0 ? 0 : wholes[k - 1] + 1;
            var to = k == wholes.Count - 1 ? steps.Count : wholes[k + 1];
            yield return (from, to);
        }
    }

    // One note outside the scale that all the others make, where the scale is that of the signature.
    private IEnumerable<Finding> StrangeNote(Part part, IReadOnlyList<Note> phrase)
    {
        foreach (var run in Runs.Of(phrase, (semitones, letters) => Math.Abs(letters) == 1 && Math.Abs(semitones) is 1 or 2 or 3))
        {
            if (run.Count < LeastNotes + 1)
                continue;
            var key = part.Measures[run[0].MeasureIndex].Key;
            var strange = run.Where(n => n.Top!.Value.Alter != key.AlterOf(n.Top.Value.Step)).ToList();
            if (strange.Count != 1 || strange[0] == run[0] || strange[0] == run[^1] || Scales.Fitting(run, key) is not null)
                continue;
            yield return Finding.At(
                Name,
                part,
                [.. run],
                Severity.Warn,
                $"A scale, but {strange[0].Top!.Value.Name} is not in it",
                $"The run follows the signature except for {strange[0].Top}: look before the fingers take over."
            );
        }
    }

    // Broken chords that climb and fall again and again, and once turn back a step early.
    private IEnumerable<Finding> TurnsEarly(Part part, IReadOnlyList<Note> phrase)
    {
        var told = new HashSet<int>();
        var legs = Runs.Of(phrase, (semitones, _) => Math.Abs(semitones) is >= 3 and <= 9).Where(l => l.Count >= 3).ToList();
        foreach (var same in legs.GroupBy(l => Runs.Semitones(l[0], l[1]) > 0))
        {
            var group = same.ToList();
            if (group.Count < 3)
                continue;
            var usual = group.GroupBy(l => l.Count).MaxBy(g => g.Count())!;
            if (usual.Count() < group.Count - 1 || usual.Key < 4)
                continue;
            // A pattern of the hand goes in even notes.
            if (usual.Count(l => l.All(n => n.Duration == l[0].Duration)) * 2 <= usual.Count())
                continue;
            foreach (var leg in group.Where(l => l.Count == usual.Key - 1))
            {
                // The leg that turns early and the one back belong together.
                if (!told.Add(leg[0].MeasureIndex))
                    continue;
                yield return Finding.At(
                    Name,
                    part,
                    [.. leg],
                    Severity.Warn,
                    "The arpeggio turns back one step early",
                    $"The others go {usual.Key} notes {(same.Key ? "up" : "down")}; this one has {leg.Count} and turns at {leg[^1].Top}."
                );
            }
        }
    }
}
