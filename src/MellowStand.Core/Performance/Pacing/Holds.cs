using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;
using MellowStand.Core.Study.Rules;

namespace MellowStand.Core.Performance;

/// <summary>A stretch of the printed score that is held by a fermata.</summary>
/// <param name="From">Quarters from the start of the score: where the last of the held notes has begun.</param>
/// <param name="To">Quarters from the start of the score: where the first of them ends.</param>
/// <param name="Times">How many times as long as printed it lasts.</param>
public sealed record Hold(Fraction From, Fraction To, double Times);

/// <summary>How long fermatas are held: all parts wait together.</summary>
/// <remarks>House rule <c>fermata</c>: past its own value, three beats or more; twice its value; or not at all, while notes are learnt.
/// Common
/// practice, no published source.</remarks>
public static class Holds
{
    /// <summary>Beats that a fermata is held by the house.</summary>
    /// <param name="own">The printed length in beats.</param>
    /// <param name="house">The school's answers.</param>
    public static Fraction Beats(Fraction own, House house) =>
        house["fermata"] switch
        {
            "double" => own * 2,
            "in-time" => own,
            _ => FermataLength.LeastBeats(own),
        };

    /// <summary>The holds of a score in order.</summary>
    public static IReadOnlyList<Hold> Of(Score score, House house)
    {
        var holds = new List<Hold>();
        var held = score.Parts.SelectMany(p => p.Notes).Where(n => n.Has("fermata") && n.Duration > Fraction.Zero);
        foreach (var note in held.OrderBy(n => n.Onset).ThenBy(n => n.End))
        {
            var own = note.Duration / score.Measures[note.MeasureIndex].Meter.BeatUnit;
            var times = (Beats(own, house) / own).Value;
            if (holds.Count > 0 && note.Onset < holds[^1].To)
                holds[^1] = new Hold(note.Onset, note.End < holds[^1].To ? note.End : holds[^1].To, Math.Max(times, holds[^1].Times));
            else
                holds.Add(new Hold(note.Onset, note.End, times));
        }

        return [.. holds.Where(h => h.Times > 1 && h.To > h.From)];
    }
}
