using System.Globalization;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Technique.Strings;
using MellowStand.Core.Technique.Valves;

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
                w => Stopped((StringPlacement)w.Placement)
            ),
            [],
            "Computed from the open strings and the frames of the hand; frames from memory. Positions are numbered as the house rules say."
        );

    // Letter, finger with its sign, and half steps above the open string.
    private static IReadOnlyList<string> Stopped(StringPlacement p) =>
        [p.Letter, p.Code.Split('@')[0][p.Letter.Length..], HalfSteps(p).ToString(CultureInfo.InvariantCulture)];

    private static int HalfSteps(StringPlacement p)
    {
        if (p.IsOpen)
            return 0;
        return p.Node ?? (p.Hand!.Offset + p.Hand.Fingers.First(f => f.Finger == p.Finger && f.Lie == p.Lie).Above);
    }

    private static IReadOnlyList<string> Pressed(Candidate way)
    {
        var valves = (ValvePlacement)way.Placement;
        return valves.Side == HornSide.BFlat ? [.. valves.Valves, "T"] : valves.Valves;
    }

    private static Fingering Of(Candidate way, IReadOnlyList<string> keys) =>
        new(way.Code, keys, "", way.Why, way.Cents) { Placement = way.Placement };

    private static List<ChartNote> Rows(
        Instrument instrument,
        Func<int, int, IReadOnlyList<Candidate>> ways,
        Func<Candidate, IReadOnlyList<string>> keys
    )
    {
        var range = instrument.Ranges.At("extreme");
        var rows = new List<ChartNote>();
        for (var written = range.Low.Midi; written <= range.High.Midi; written++)
        {
            var t = instrument.Transposition;
            var found = ways(written, written + t.Chromatic + (12 * t.Octaves));
            if (found.Count > 0)
                rows.Add(new ChartNote(Pitches.Usual(written), [.. found.Select(w => Of(w, keys(w)))]));
        }

        return rows;
    }
}
