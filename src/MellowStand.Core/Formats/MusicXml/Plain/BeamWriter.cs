using System.Xml.Linq;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>A note that may be beamed.</summary>
/// <param name="Note">Its element.</param>
/// <param name="Type">MusicXML note type.</param>
/// <param name="Length">Length in quarters.</param>
/// <param name="At">Quarters from the bar line.</param>
internal sealed record BeamNote(XElement Note, string Type, Fraction Length, Fraction At);

/// <summary>Beams notes shorter than a quarter by the beats of the meter.</summary>
internal static class BeamWriter
{
    private static readonly string[] Followers = ["notations", "lyric"];

    private static readonly Dictionary<string, int> Levels = new()
    {
        ["eighth"] = 1,
        ["16th"] = 2,
        ["32nd"] = 3,
        ["64th"] = 4,
    };

    public static void Write(IEnumerable<BeamNote> notes, Meter meter)
    {
        var groups = new List<List<(XElement Note, int Level)>>();
        (int Beat, Fraction End)? last = null;
        foreach (var (note, type, length, at) in notes)
        {
            var level = Levels.GetValueOrDefault(type);
            var beat = BeatAt(meter, at);
            if (level > 0 && last is { } l && l.Beat == beat && l.End == at && groups.Count > 0)
                groups[^1].Add((note, level));
            else if (level > 0)
                groups.Add([(note, level)]);
            last = level > 0 ? (beat, at + length) : null;
        }

        foreach (var group in groups.Where(g => g.Count > 1))
            for (var level = 1; level <= 4; level++)
                WriteLevel(group, level);
    }

    private static int BeatAt(Meter meter, Fraction at)
    {
        // Groups of an additive meter beam together; otherwise the beat unit does.
        var lengths = meter.Groups.Count > 1 ? [.. meter.Groups.Select(g => g.Length)] : meter.Beats;
        var sum = Fraction.Zero;
        for (var i = 0; i < lengths.Count; i++)
        {
            sum += lengths[i];
            if (at < sum)
                return i;
        }

        return lengths.Count;
    }

    private static void WriteLevel(List<(XElement Note, int Level)> group, int level)
    {
        for (var i = 0; i < group.Count; i++)
        {
            if (group[i].Level < level)
                continue;
            var joinsBefore = i > 0 && group[i - 1].Level >= level;
            var joinsAfter = i + 1 < group.Count && group[i + 1].Level >= level;
            var text = (joinsBefore, joinsAfter) switch
            {
                (true, true) => "continue",
                (true, false) => "end",
                (false, true) => "begin",
                _ => i > 0 ? "backward hook" : "forward hook",
            };
            XmlEdit.Insert(group[i].Note, new XElement("beam", new XAttribute("number", level), text), Followers);
        }
    }
}
