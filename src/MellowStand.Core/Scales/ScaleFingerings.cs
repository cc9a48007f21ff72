using System.Text;
using System.Xml.Linq;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Technique;
using MellowStand.Core.Technique.Woodwind;

namespace MellowStand.Core.Scales;

/// <summary>Technique's fingerings for scales: the music is read back and its best way worked out, each scale for itself.</summary>
public static class ScaleFingerings
{
    private const double QuarterBpm = 80;

    /// <summary>The best way through plain music, or null for an instrument without a chart.</summary>
    /// <param name="plain">The music, one part.</param>
    /// <param name="instrument">The instrument.</param>
    /// <param name="house">The school's answers; bass positions are numbered by them.</param>
    /// <param name="hands">What the player's instrument has, or null for the usual.</param>
    public static TechniquePlan? Plan(XDocument plain, Instrument instrument, House house, Hands? hands)
    {
        var score = ScoreReader.Read(Encoding.UTF8.GetBytes(plain.ToString()));
        return TechniqueDesk.Solve(score, score.Parts[0], 0, score.Measures.Count - 1, house, instrument, _ => QuarterBpm, hands);
    }

    /// <summary>Signs by the number of the struck note; on strings the position too, where it changes.</summary>
    internal static IReadOnlyDictionary<int, IReadOnlyList<Mark>> Of(
        XDocument plain,
        Instrument instrument,
        House house,
        Hands? hands,
        bool areAll
    )
    {
        if (Plan(plain, instrument, house, hands) is not { } plan)
            return new Dictionary<int, IReadOnlyList<Mark>>();
        return plan
            .Solution.Choices.Select(c => (c.Place, Marks: Marks(c, instrument, areAll, plan.Positions.GetValueOrDefault(c.Place))))
            .Where(c => c.Marks.Count > 0)
            .ToDictionary(c => c.Place, c => c.Marks);
    }

    private static IReadOnlyList<Mark> Marks(Choice choice, Instrument instrument, bool areAll, string? position)
    {
        if (choice.Way.Code == KeyPlacement.OneWay)
            return [];
        // What is chosen on purpose is fixed, the string too, so that whoever reads it plays the same.
        if (choice.Marked || position is not null)
        {
            var fixing = choice.Way.Placement.FixingMarks;
            return position is null ? fixing : [.. fixing, new Mark("other-technical", position)];
        }

        return areAll ? choice.Way.Placement.Marks : [];
    }

    /// <summary>The part with the signs at its notes; a note that is held over a bar line is one note.</summary>
    internal static PlainPart Write(PlainPart part, IReadOnlyDictionary<int, IReadOnlyList<Mark>> signs)
    {
        var at = -1;
        var isHeld = false;
        PlainNote Signed(PlainNote note)
        {
            at += isHeld ? 0 : 1;
            var marks = !isHeld && signs.TryGetValue(at, out var own) ? own : [];
            isHeld = note.TiesOn;
            return marks.Count == 0 ? note : note with { Marks = marks };
        }

        return part with
        {
            Measures =
            [
                .. part.Measures.Select(m => m with { Voices = [.. m.Voices.Select(v => v with { Notes = [.. v.Notes.Select(Signed)] })] }),
            ],
        };
    }
}
