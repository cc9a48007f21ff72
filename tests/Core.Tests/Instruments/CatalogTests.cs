using MellowStand.Core.Instruments;
using MellowStand.Core.Scales;
using MellowStand.Core.Technique;

namespace MellowStand.Core.Tests.Instruments;

/// <summary>Walks the catalog: what an instrument lacks is named.</summary>
public sealed class CatalogTests
{
    private const int NineKeys = 9;

    /// <summary>Nobody's hands are planned for these: the product does not guess.</summary>
    private static readonly Family[] Unfingered = [Family.Keyboard, Family.Voice];

    public static TheoryData<string> Ids => [.. Catalog.All.Select(i => i.Id)];

    public static TheoryData<string> Fingered =>
        [.. Catalog.All.Where(i => i.Mechanism is not null && ScaleSheet.Has(i)).Select(i => i.Id)];

    [Theory]
    [MemberData(nameof(Ids))]
    public void An_instrument_lacks_nothing(string id)
    {
        var instrument = Catalog.Find(id)!;
        Assert.Empty(Lacks(instrument));
    }

    [Fact]
    public void Ids_names_and_sounds_are_each_one_instruments()
    {
        Assert.Equal(Catalog.All.Count, Catalog.All.Select(i => i.Id).Distinct().Count());
        var names = Catalog.All.SelectMany(i => i.Names).ToList();
        Assert.Equal(names.Count, names.Distinct().Count());
        var sounds = Catalog.All.SelectMany(i => i.Sounds).ToList();
        Assert.Equal(sounds.Count, sounds.Distinct().Count());
    }

    [Fact]
    public void What_is_in_other_keys_is_in_the_catalog_and_of_its_kin()
    {
        foreach (var instrument in Catalog.All)
            Assert.All(instrument.InOtherKeys, other => Assert.Equal(instrument.Kin, Catalog.Find(other)!.Kin));
    }

    /// <summary>The first nine keys of the usual order, in the range of the level or the next wider one: each note has a way, and none is
    /// beyond the chart.</summary>
    [Theory]
    [MemberData(nameof(Fingered))]
    public void An_instrument_fingers_its_nine_scales(string id)
    {
        var (instrument, house) = (Catalog.Find(id)!, Core.HouseRules.House.Default);
        var major = ScaleKinds.Find("major")!;
        var placed = KeyOrders
            .Of(instrument, major)
            .Select(k => new ScaleWish(major, k.Concert) { IsConcert = true, Octaves = 1 })
            .Select(w => ScaleSheet.Place(w, instrument, "comfortable", l => ScaleRange.Of(instrument, l, house)))
            .OfType<PlacedScale>()
            .Take(NineKeys)
            .ToList();
        // Kettledrums and chimes have a range of little more than an octave.
        if (instrument.Kin is not (Kin.Timpani or Kin.Mallets))
            Assert.Equal(NineKeys, placed.Count);
        var sheet = ScaleSheet.Write("Scales", instrument, placed, ScaleStyle.Usual, house);
        var plan = ScaleFingerings.Plan(sheet, instrument, house, null)!;
        Assert.Equal(plan.Excerpt.Steps.Count, plan.Solution.Choices.Count);
        Assert.DoesNotContain(plan.Solution.Choices, c => c.Why.Contains("not in the chart", StringComparison.Ordinal));
        Assert.All(plan.Solution.Choices, c => Assert.True(double.IsFinite(c.Way.Cost) && c.Way.Cost < 5, $"{c.Way.Code} {c.Way.Cost}"));
    }

    private static IEnumerable<string> Lacks(Instrument i)
    {
        if (i.Names.Count < 2)
            yield return "a second name";
        if (i.Program is < 1 or > 128)
            yield return "a program";
        if (i.Section.Length == 0)
            yield return "a section";
        if (i.Clean is not { Tongued: > 0, Slurred: > 0 })
            yield return "a limit of clean playing";
        if (i.Mechanism is null && !Unfingered.Contains(i.Family))
            yield return "a mechanism, from which its technique follows";
        if (i.Mechanism is not null && TechniqueCatalog.Of(i) is null)
            yield return "a technique";
        if (i.Mechanism is not (null or StruckBars or StruckSkins) && TechniqueCatalog.Of(i)!.Chart!.Value.Notes.Count < 20)
            yield return "a chart";
        var ranges = WrittenRanges.Levels.Select(i.Ranges.At).ToList();
        foreach (var (narrow, wide) in ranges.Zip(ranges.Skip(1)))
            if (wide.Low.Midi > narrow.Low.Midi || wide.High.Midi < narrow.High.Midi)
                yield return "a wider range at each level";
        if (i.Options.Select(o => o.Id).Distinct().Count() != i.Options.Count)
            yield return "options that are each there once";
    }
}
