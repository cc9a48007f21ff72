using MellowStand.Core.Notation;

namespace MellowStand.Core.Study.Rules;

/// <summary>Notes outside the range of those who play the part.</summary>
/// <remarks>Ranges: <see cref="Instruments.WrittenRanges"/>, at the level that all players of the part reach, or the house's where nobody
/// is seated. A note outside even the extreme range may be a misprint.</remarks>
[Example("part \"Trumpet\" transpose:-1,-2\n| C6w", 1)]
[Example("part \"Trumpet\" transpose:-1,-2\n| C5w", 0)]
public sealed class OutsideRange : IStudyRule
{
    /// <inheritdoc/>
    public string Name => "range";

    /// <inheritdoc/>
    public RuleKind Kind => RuleKind.Range;

    /// <inheritdoc/>
    public IEnumerable<Finding> Examine(StudyContext context, Part part)
    {
        if (context.InstrumentOf(part) is not { Family: not (Instruments.Family.Keyboard or Instruments.Family.Percussion) } instrument)
            yield break;
        if (instrument.Transposition.Semitones != part.Transposition.Semitones)
            yield break;
        var (level, isPlayers) = context.LevelOf(part);
        // A part that is only called a voice is the voice of its clef.
        var read = Instruments.VoiceClefs.Of(instrument, part.Clef);
        var range = read.Ranges.At(level);
        var extreme = read.Ranges.At("extreme");
        foreach (var group in context.MelodyOf(part).Notes.Where(n => !range.Holds(n.Top!.Value)).GroupBy(n => extreme.Holds(n.Top!.Value)))
        {
            foreach (var s in Stretches.Of(group, 4))
            {
                var far = s.MaxBy(n => Math.Abs(n.Top!.Value.Midi - ((range.Low.Midi + range.High.Midi) / 2)))!;
                yield return Finding.At(
                    Name,
                    part,
                    s,
                    group.Key ? Severity.Note : Severity.Warn,
                    group.Key ? $"{far.Top} is outside the {level} range" : $"{far.Top} is beyond the instrument",
                    group.Key
                        ? $"The {level} range of the "
                            + $"{instrument.Name.ToLowerInvariant()}{(isPlayers ? ", which all players of this part have," : "")}"
                            + $" is {range.Low} to {range.High}; here it goes to {far.Top}."
                        : $"{far.Top} lies outside {extreme.Low} to {extreme.High}: a misprint, another clef, or for another instrument."
                );
            }
        }
    }
}
