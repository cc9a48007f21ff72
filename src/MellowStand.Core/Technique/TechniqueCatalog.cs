using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;
using MellowStand.Core.Technique.Charts;
using MellowStand.Core.Technique.Slide;
using MellowStand.Core.Technique.Sticks;
using MellowStand.Core.Technique.Strings;
using MellowStand.Core.Technique.Valves;
using MellowStand.Core.Technique.Woodwind;

namespace MellowStand.Core.Technique;

/// <summary>An instrument's technique in the hands of those who play it.</summary>
/// <param name="Technique">The engine's view.</param>
/// <param name="Chart">The fingerings for the page; null for sticks, which need none.</param>
public sealed record TechniqueSetup(ITechnique Technique, Lazy<FingeringChart>? Chart);

/// <summary>Which technique an instrument has. A new one is one more entry.</summary>
/// <remarks>Sounding fundamentals of the open tubes: harmonic series under the catalog's transpositions (the trumpet's written C4 sounds
/// B♭3 and is its second partial).</remarks>
public static class TechniqueCatalog
{
    private delegate TechniqueSetup Make(Instrument instrument, Hands hands, House house);

    private static readonly Dictionary<string, Make> Table = new()
    {
        ["flute"] = Flute,
        ["piccolo"] = Flute,
        ["alto-flute"] = Flute,
        ["oboe"] = Oboe,
        ["english-horn"] = Oboe,
        ["bassoon"] = Keys(BassoonChart.Chart, (c, _) => new BassoonTechnique(c)),
        ["contrabassoon"] = Keys(BassoonChart.Chart, (c, _) => new BassoonTechnique(c)),
        ["clarinet-bb"] = Clarinet(52),
        ["clarinet-a"] = Clarinet(52),
        ["clarinet-eb"] = Clarinet(52),
        ["alto-clarinet"] = Clarinet(51),
        ["bass-clarinet"] = Clarinet(51),
        ["contra-clarinet"] = Clarinet(48),
        ["soprano-sax"] = Saxophone,
        ["alto-sax"] = Saxophone,
        ["tenor-sax"] = Saxophone,
        ["bari-sax"] = Saxophone,
        ["horn-f"] = Horn,
        ["trumpet-bb"] = Valves(46, 3),
        ["cornet"] = Valves(46, 3),
        ["flugelhorn"] = Valves(46, 3),
        ["trumpet-c"] = Valves(48, 3),
        ["euphonium"] = Valves(34, 4),
        ["euphonium-tc"] = Valves(34, 4),
        ["tuba"] = Valves(22, 4),
        ["trombone"] = Trombone,
        ["bass-trombone"] = Trombone,
        ["violin"] = Strings(Necks.OfViolin),
        ["viola"] = Strings(Necks.OfViola),
        ["cello"] = Strings(Necks.OfCello),
        ["contrabass"] = (i, h, house) => Bowed(i, Necks.OfBass(h.Has("fifth-string"), house["bass-positions"] == "six"), house),
        ["xylophone"] = Mallets,
        ["marimba"] = Mallets,
        ["vibraphone"] = Mallets,
        ["glockenspiel"] = Mallets,
        ["chimes"] = Mallets,
        ["timpani"] = Mallets,
        ["drums"] = (_, _, _) => new TechniqueSetup(new SnareTechnique(), null),
    };

    /// <summary>Ids of the instruments that have a technique.</summary>
    public static IReadOnlyCollection<string> Instruments => Table.Keys;

    /// <summary>The technique of an instrument, or null: the product has no chart for it and does not guess.</summary>
    public static TechniqueSetup? Of(Instrument? instrument, Hands? hands = null, House? house = null)
    {
        if (instrument is null || !Table.TryGetValue(instrument.Id, out var make))
            return null;
        var own = hands ?? Hands.Usual(instrument.Id);
        var setup = make(instrument, own, house ?? House.Default);
        return own.Corrections.Count == 0
            ? setup
            : new TechniqueSetup(
                new CorrectedTechnique(setup.Technique, own.Corrections),
                setup.Chart is null ? null : new(() => CorrectedChart.Of(setup.Chart.Value, own.Corrections))
            );
    }

    private static TechniqueSetup Flute(Instrument i, Hands h, House house) =>
        Keys(FluteChart.Chart, (c, o) => new FluteTechnique(c, o.Has("thumb-b-flat"), o.Has("low-b-foot")))(i, h, house);

    private static TechniqueSetup Oboe(Instrument i, Hands h, House house) =>
        Keys(OboeChart.Chart, (c, o) => new OboeTechnique(c, o.Has("left-f")))(i, h, house);

    private static TechniqueSetup Saxophone(Instrument i, Hands h, House house) =>
        Keys(SaxophoneChart.Chart, (c, o) => new SaxophoneTechnique(c, o.Has("high-f-sharp"), i.Id == "bari-sax" && o.Has("low-a")))(
            i,
            h,
            house
        );

    private static TechniqueSetup Horn(Instrument i, Hands h, House house)
    {
        var horn = new DoubleHornTechnique(h.Has("b-flat-side"));
        return new TechniqueSetup(horn, new(() => ComputedCharts.Valves(i, 3, h.Has("b-flat-side"), horn.Of)));
    }

    private static TechniqueSetup Trombone(Instrument i, Hands h, House house)
    {
        var slide = new SlideTechnique(i.Id == "bass-trombone" || h.Has("f-attachment"), h.Has("second-attachment"));
        return new TechniqueSetup(slide, new(() => ComputedCharts.Slide(i, (_, sounding) => slide.Of(sounding))));
    }

    private static TechniqueSetup Mallets(Instrument i, Hands h, House house) => new(new StickTechnique(h.Has("four-mallets")), null);

    private static Make Clarinet(int lowest) =>
        (i, h, house) =>
            Keys(ClarinetChart.Chart, (c, o) => new ClarinetTechnique(c, o.Has("low-c") ? 48 : lowest, o.Has("left-g-sharp")))(i, h, house);

    private static Make Keys(FingeringChart chart, Func<FingeringChart, Hands, WoodwindTechnique> make) =>
        (instrument, hands, _) =>
        {
            var technique = make(CorrectedChart.Of(chart, hands.Corrections), hands);
            var lowest = WrittenRanges.Of(instrument, "extreme").Low.Midi;
            return new TechniqueSetup(
                technique,
                new(() => chart.Only(n => n.Written.Midi >= lowest && technique.Missing(n.Written.Midi) is null))
            );
        };

    private static Make Valves(int open, int most) =>
        (instrument, hands, _) =>
        {
            var valves = most == 4 && !hands.Has("fourth-valve") ? 3 : most;
            var technique = new ValveTechnique(open, valves, hands.Has("compensating"));
            return new TechniqueSetup(
                technique,
                new(() => ComputedCharts.Valves(instrument, valves, false, (_, sounding) => technique.Of(sounding)))
            );
        };

    private static Make Strings(Neck neck) => (instrument, _, house) => Bowed(instrument, neck, house);

    private static TechniqueSetup Bowed(Instrument instrument, Neck neck, House house)
    {
        var technique = new StringTechnique(neck, HomePosition.Of(house));
        return new TechniqueSetup(technique, new(() => ComputedCharts.Strings(instrument, neck, technique)));
    }
}
