using MellowStand.Core.Instruments;
using MellowStand.Core.Technique.Slide;
using MellowStand.Core.Technique.Sticks;
using MellowStand.Core.Technique.Strings;
using MellowStand.Core.Technique.Valves;
using MellowStand.Core.Technique.Woodwind;

namespace MellowStand.Core.Technique;

/// <summary>Which technique an instrument has. A new one is one more entry.</summary>
/// <remarks>Sounding fundamentals of the open tubes: harmonic series under the catalog's transpositions (the trumpet's written C4 sounds B♭3 and is its second partial).</remarks>
public static class TechniqueCatalog
{
    private static readonly Dictionary<string, ITechnique> Table = new()
    {
        ["flute"] = new FluteTechnique(),
        ["piccolo"] = new FluteTechnique(),
        ["alto-flute"] = new FluteTechnique(),
        ["oboe"] = new OboeTechnique(leftF: true),
        ["english-horn"] = new OboeTechnique(leftF: true),
        ["clarinet-bb"] = new ClarinetTechnique(),
        ["clarinet-a"] = new ClarinetTechnique(),
        ["clarinet-eb"] = new ClarinetTechnique(),
        ["alto-clarinet"] = new ClarinetTechnique(),
        ["bass-clarinet"] = new ClarinetTechnique(),
        ["soprano-sax"] = new SaxophoneTechnique(),
        ["alto-sax"] = new SaxophoneTechnique(),
        ["tenor-sax"] = new SaxophoneTechnique(),
        ["bari-sax"] = new SaxophoneTechnique(),
        ["horn-f"] = new DoubleHornTechnique(),
        ["trumpet-bb"] = new ValveTechnique(46, 3),
        ["cornet"] = new ValveTechnique(46, 3),
        ["flugelhorn"] = new ValveTechnique(46, 3),
        ["trumpet-c"] = new ValveTechnique(48, 3),
        ["euphonium"] = new ValveTechnique(34, 4),
        ["euphonium-tc"] = new ValveTechnique(34, 4),
        ["tuba"] = new ValveTechnique(22, 4),
        ["trombone"] = new SlideTechnique(attachment: false),
        ["bass-trombone"] = new SlideTechnique(attachment: true),
        ["violin"] = new StringTechnique(Necks.OfViolin),
        ["viola"] = new StringTechnique(Necks.OfViola),
        ["cello"] = new StringTechnique(Necks.OfCello),
        ["contrabass"] = new StringTechnique(Necks.OfBass),
        ["xylophone"] = new StickTechnique(),
        ["marimba"] = new StickTechnique(),
        ["vibraphone"] = new StickTechnique(),
        ["glockenspiel"] = new StickTechnique(),
        ["chimes"] = new StickTechnique(),
    };

    /// <summary>The technique of an instrument, or null: the product has no chart for it and does not guess.</summary>
    public static ITechnique? Of(Instrument? instrument) => instrument is null ? null : Table.GetValueOrDefault(instrument.Id);
}
