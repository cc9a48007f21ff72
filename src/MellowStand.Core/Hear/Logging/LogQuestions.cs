using MellowStand.Core.Notation;
using MellowStand.Core.Reading;

namespace MellowStand.Core.Hear;

/// <summary>An entry as it is about to be logged.</summary>
/// <param name="Player">The player's name.</param>
/// <param name="Heard">What was heard; the tempo in quarters a minute.</param>
/// <param name="HasIt">False when the passage was not handed to them.</param>
/// <param name="PlaysIt">False when their instrument plays none of its parts.</param>
public sealed record NewEntry(string Player, HeardTempo Heard, bool HasIt, bool PlaysIt);

/// <summary>The passage it is for.</summary>
/// <param name="Start">The first tempo in quarters a minute.</param>
/// <param name="Goal">The goal in quarters a minute.</param>
/// <param name="Due">The date.</param>
/// <param name="Unit">The unit of its goal, in which tempos are told.</param>
public sealed record PassageTempos(double Start, double Goal, DateOnly Due, ToldUnit Unit);

/// <summary>What looks like a slip of the hand, asked back before it is kept.</summary>
/// <remarks>The limits are ours: nobody logs what is twice as fast as the goal, half as fast as the start, or a third faster than last
/// time.</remarks>
public static class LogQuestions
{
    private const double FarAbove = 1.5;
    private const double FarBelow = 0.5;
    private const double Leap = 1.35;

    /// <summary>The questions; empty where nothing looks odd.</summary>
    /// <param name="entry">The entry.</param>
    /// <param name="passage">Its passage.</param>
    /// <param name="before">What was logged of the player in it so far, the newest first.</param>
    public static IReadOnlyList<string> Of(NewEntry entry, PassageTempos passage, IReadOnlyList<HeardTempo> before)
    {
        var questions = new List<string>();
        var (heard, bpm, unit) = (entry.Heard, entry.Heard.QuarterBpm, passage.Unit);
        if (bpm > passage.Goal * FarAbove)
            questions.Add($"{Sentences.Capital(unit.Words(bpm))} against a goal of {unit.Number(passage.Goal)}: is that right?");
        if (bpm < passage.Start * FarBelow)
            questions.Add($"{Sentences.Capital(unit.Words(bpm))}, and the passage begins at {unit.Number(passage.Start)}: is that right?");
        if (before.Count > 0 && before[0] == heard)
            questions.Add($"{entry.Player} was logged just so already on this day: once more?");
        else if (heard.Clean && before.FirstOrDefault(b => b.Clean) is { } last && bpm > last.QuarterBpm * Leap)
            questions.Add($"{entry.Player} was clean at {unit.Number(last.QuarterBpm)} last: now {unit.Number(bpm)}?");
        if (heard.Day > passage.Due)
            questions.Add($"The passage was due on {passage.Due:yyyy-MM-dd}: log a later day?");
        if (!entry.HasIt)
            questions.Add($"{entry.Player} does not have this passage: log it all the same?");
        else if (!entry.PlaysIt)
            questions.Add($"{entry.Player} plays another instrument than its parts: log it all the same?");
        return questions;
    }
}
