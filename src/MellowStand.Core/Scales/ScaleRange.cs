using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Technique;

namespace MellowStand.Core.Scales;

/// <summary>The range whose scales are written: that of the level, as far as the instrument in hand has fingerings.</summary>
/// <remarks>What trained hands reach may need a fifth string, an extension or a low key that a player does not have.</remarks>
public static class ScaleRange
{
    /// <summary>The range of a level in somebody's hands.</summary>
    /// <param name="instrument">The instrument.</param>
    /// <param name="level">One of <see cref="WrittenRanges.Levels"/>.</param>
    /// <param name="house">The school's answers.</param>
    /// <param name="hands">What the player's instrument has, or null for the usual.</param>
    public static WrittenRange Of(Instrument instrument, string level, House house, Hands? hands = null)
    {
        var range = instrument.Ranges.At(level);
        var keys = Enumerable.Range(range.Low.Midi, range.High.Midi - range.Low.Midi + 1).Select(ScalePitches.Key).ToList();
        var plan = ScaleFingerings.Plan(PlainWriter.Write(new PlainScore("", [Line(instrument, keys)])), instrument, house, hands);
        if (plan is null)
            return range;
        var (first, last) = LongestRun(plan.Solution.Choices.Select(c => c.Place).ToHashSet(), keys.Count);
        return new WrittenRange(first == 0 ? range.Low : keys[first], last == keys.Count - 1 ? range.High : keys[last]);
    }

    // Pedal notes lie below a gap: a scale does not begin there.
    private static (int First, int Last) LongestRun(HashSet<int> has, int count)
    {
        var (best, first) = ((First: 0, Last: -1), 0);
        for (var i = 0; i <= count; i++)
        {
            if (i < count && has.Contains(i))
                continue;
            if (i - 1 - first > best.Last - best.First)
                best = (first, i - 1);
            first = i + 1;
        }

        return best;
    }

    private static PlainPart Line(Instrument instrument, List<Pitch> keys) =>
        new(
            instrument.Name,
            [instrument.Clef],
            instrument.Transposition,
            [
                .. keys.Select(k => new PlainMeasure(
                    Meter.Of(1, 4),
                    KeySignature.None,
                    [new PlainVoice(1, [new PlainNote([new PlainHead(k)], 1)])]
                )),
            ]
        );
}
