using System.Globalization;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Technique.Strings;

namespace MellowStand.Core.Technique.Charts;

/// <summary>Charts that follow from the physics of tubes and strings: valves, slides, necks.</summary>
internal static class ComputedCharts
{
    private static readonly string[] ValveFingers = ["R1", "R2", "R3", "R4"];

    /// <summary>Valves: circles in a row; of a horn the thumb that opens the B♭ side too.</summary>
    public static FingeringChart Valves(Instrument instrument, int valves, bool isHorn, Func<int, int, IReadOnlyList<Candidate>> ways)
    {
        var keys = Enumerable
            .Range(0, valves)
            .Select(v => new ChartKey(
                (v + 1).ToString(CultureInfo.InvariantCulture),
                $"{v + 1}",
                ValveFingers[v],
                50,
                40 + (v * 40),
                "hole",
                $"{v + 1}"
            ))
            .ToList();
        if (isHorn)
            keys.Add(new ChartKey("T", "T", "LT", 20, 40, "thumb", "T"));
        return new FingeringChart(
            "valves",
            keys,
            Rows(instrument, ways, Pressed),
            [],
            "Computed from the harmonic series and the lengths of the valve loops; what is usual is common practice, no "
                + "published source. Cents are those of the tube, before the slide is moved."
        );
    }

    /// <summary>Slide positions.</summary>
    public static FingeringChart Slide(Instrument instrument, Func<int, int, IReadOnlyList<Candidate>> ways) =>
        new(
            "slide",
            [],
            Rows(instrument, ways, w => [w.Code]),
            [],
            "Computed from the harmonic series, a half step a position; cents are those of the partial, before the ear moves the slide."
        );

    /// <summary>Strings, fingers and places.</summary>
    public static FingeringChart Strings(Instrument instrument, Neck neck, StringTechnique technique) =>
        new(
            "neck",
            [.. neck.Strings.Select((s, i) => new ChartKey(s.Letter, s.Letter, "", 20 + (i * 20), 0, "string", s.Letter))],
            Rows(
                instrument,
                (_, sounding) => technique.OfChart(sounding),
                w => [w.Code[..1], w.Code.Split('@')[0][1..], HalfSteps(neck, w)]
            ),
            [],
            "Computed from the open strings and the frames of the hand; frames from memory. Positions are numbered as the house rules say."
        );

    private static string HalfSteps(Neck neck, Candidate way)
    {
        var s = StringState.Of(way);
        if (s.Offset == 0)
            return "0";
        if (way.Code.Contains('o', StringComparison.Ordinal))
            return way.Code.Split('@')[1];
        var words = way.Code.Split('@');
        var place = neck.Places.First(p => p.Offset == s.Offset && p.Name == (words.Length > 1 ? words[1] : "1"));
        return (s.Offset + place.Fingers.First(f => f.Finger == s.Finger && f.Sign == words[0][2..]).Above).ToString(
            CultureInfo.InvariantCulture
        );
    }

    private static IReadOnlyList<string> Pressed(Candidate way)
    {
        var code = way.Code.Split(':');
        List<string> keys = [.. code[^1].Split('-').Where(v => v != "0")];
        if (code[0] == "Bb")
            keys.Add("T");
        return keys;
    }

    private static List<ChartNote> Rows(
        Instrument instrument,
        Func<int, int, IReadOnlyList<Candidate>> ways,
        Func<Candidate, IReadOnlyList<string>> keys
    )
    {
        var range = WrittenRanges.Of(instrument, "extreme");
        var rows = new List<ChartNote>();
        for (var written = range.Low.Midi; written <= range.High.Midi; written++)
        {
            var t = instrument.Transposition;
            var found = ways(written, written + t.Chromatic + (12 * t.Octaves));
            if (found.Count > 0)
                rows.Add(new ChartNote(Pitches.Usual(written), [.. found.Select(w => new Fingering(w.Code, keys(w), "", w.Why, w.Cents))]));
        }

        return rows;
    }
}
