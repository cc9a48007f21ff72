using System.Collections.Concurrent;
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

/// <summary>Which technique an instrument's mechanism has.</summary>
public static class TechniqueCatalog
{
    private static readonly Dictionary<KeySystem, (FingeringChart Chart, Func<FingeringChart, Keyed, Hands, WoodwindTechnique> Make)> Keys =
        new()
        {
            [KeySystem.Flute] = (FluteChart.Chart, (c, _, h) => new FluteTechnique(c, h.Has("thumb-b-flat"), h.Has("low-b-foot"))),
            [KeySystem.Oboe] = (OboeChart.Chart, (c, _, h) => new OboeTechnique(c, h.Has("left-f"))),
            [KeySystem.Bassoon] = (BassoonChart.Chart, (c, _, _) => new BassoonTechnique(c)),
            [KeySystem.Clarinet] = (
                ClarinetChart.Chart,
                (c, k, h) => new ClarinetTechnique(c, h.Has("low-c") ? LowC : k.Lowest!.Value, h.Has("left-g-sharp"))
            ),
            [KeySystem.Saxophone] = (SaxophoneChart.Chart, (c, _, h) => new SaxophoneTechnique(c, h.Has("high-f-sharp"), h.Has("low-a"))),
        };

    private const int LowC = 48;

    // A technique knows every way of a note once it has been asked: one for all pieces.
    private static readonly ConcurrentDictionary<BowedHand, (Neck Neck, StringTechnique Technique)> Bowing = new();

    /// <summary>Ids of the instruments that have a technique.</summary>
    public static IReadOnlyCollection<string> Instruments => [.. Catalog.All.Where(i => i.Mechanism is not null).Select(i => i.Id)];

    /// <summary>The technique of an instrument, or null: the product has no chart for it and does not guess.</summary>
    public static TechniqueSetup? Of(Instrument? instrument, Hands? hands = null, House? house = null)
    {
        if (instrument is not { Mechanism: { } mechanism })
            return null;
        var own = hands ?? Hands.Usual(instrument.Id);
        var setup = Make(instrument, mechanism, own, house ?? House.Default);
        return own.Corrections.Count == 0
            ? setup
            : new TechniqueSetup(
                new CorrectedTechnique(setup.Technique, own.Corrections),
                setup.Chart is null ? null : new(() => CorrectedChart.Of(setup.Chart.Value, own.Corrections))
            );
    }

    private static TechniqueSetup Make(Instrument i, Mechanism mechanism, Hands h, House house) =>
        mechanism switch
        {
            Keyed keys => Woodwind(i, keys, h),
            Valved valves => Valves(i, valves, h),
            HornValves => Horn(i, h),
            Slid slide => Slide(i, slide.HasAttachment || h.Has("f-attachment"), h.Has("second-attachment"), house),
            Bowed => Strings(i, h, house),
            StruckBars => new TechniqueSetup(new StickTechnique(h.Has("four-mallets")), null),
            StruckSkins => new TechniqueSetup(new SnareTechnique(), null),
            _ => throw new InvalidOperationException($"No technique works {mechanism}."),
        };

    private static TechniqueSetup Woodwind(Instrument i, Keyed keys, Hands h)
    {
        var (chart, make) = Keys[keys.System];
        var technique = make(CorrectedChart.Of(chart, h.Corrections), keys, h);
        var lowest = i.Ranges.Extreme.Low.Midi;
        return new TechniqueSetup(
            technique,
            new(() => chart.Only(n => n.Written.Midi >= lowest && technique.Missing(n.Written.Midi) is null))
        );
    }

    private static TechniqueSetup Valves(Instrument i, Valved tube, Hands h)
    {
        var valves = tube.Most == 4 && !h.Has("fourth-valve") ? 3 : tube.Most;
        var technique = new ValveTechnique(tube.Open, valves, h.Has("compensating"));
        return new TechniqueSetup(technique, new(() => ComputedCharts.Valves(i, valves, false, (_, sounding) => technique.Of(sounding))));
    }

    private static TechniqueSetup Horn(Instrument i, Hands h)
    {
        var horn = new DoubleHornTechnique(h.Has("b-flat-side"));
        return new TechniqueSetup(horn, new(() => ComputedCharts.Valves(i, 3, h.Has("b-flat-side"), horn.Of)));
    }

    private static TechniqueSetup Slide(Instrument i, bool attachment, bool second, House house)
    {
        var slide = new SlideTechnique(attachment, second, house["slide-attachment"] == "throws-and-slurs");
        return new TechniqueSetup(slide, new(() => ComputedCharts.Slide(i, (_, sounding) => slide.Of(sounding))));
    }

    private static TechniqueSetup Strings(Instrument i, Hands h, House house)
    {
        var hand = new BowedHand(i.Kin, h.Has("fifth-string"), house["bass-positions"] == "six", HomePosition.Of(house, h.Level));
        var (neck, technique) = Bowing.GetOrAdd(hand, Make);
        return new TechniqueSetup(technique, new(() => ComputedCharts.Strings(i, neck, technique)));
    }

    private static (Neck Neck, StringTechnique Technique) Make(BowedHand hand)
    {
        var neck = hand.Kin switch
        {
            Kin.Violin => Necks.OfViolin,
            Kin.Viola => Necks.OfViola,
            Kin.Cello => Necks.OfCello,
            Kin.Contrabass => Necks.OfBass(hand.HasFifthString, hand.CountsSix),
            _ => throw new InvalidOperationException($"No neck is that of a {hand.Kin}."),
        };
        return (neck, new StringTechnique(neck, hand.Home));
    }

    private sealed record BowedHand(Kin Kin, bool HasFifthString, bool CountsSix, double Home);
}
