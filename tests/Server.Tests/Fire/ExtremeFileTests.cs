using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Layers;

namespace MellowStand.Server.Tests.Fire;

/// <summary>Files that are too large in one way are refused with the limit named; files right below it are read, and every station
/// answers. What that costs is measured by <c>./stand bench extremes</c>.</summary>
public sealed class ExtremeFileTests
{
    public static TheoryData<string> Over => [.. Extremes.Over.Select(e => e.Name)];

    // The smaller ones; all of them are in the bench.
    public static TheoryData<string> At =>
        [
            "a hundred measures of a thousand quarters",
            "six thousand measures of one number",
            "hairpins that all begin first",
            "words",
            "repeats of repeats",
            "meters of many groups",
            "a name of twenty megabytes",
            "voices by the thousand",
        ];

    [Theory]
    [MemberData(nameof(Over))]
    public void A_file_over_a_limit_is_refused_with_the_limit_named(string name)
    {
        var (_, says, make) = Extremes.Over.Single(e => e.Name == name);
        var e = Assert.Throws<ScoreFormatException>(() => Edition.Read(make()));
        Assert.Contains(says, e.Message, StringComparison.Ordinal);
        Assert.EndsWith(".", e.Message, StringComparison.Ordinal);
    }

    [Theory]
    [MemberData(nameof(At))]
    public void A_file_at_a_limit_is_read_and_every_station_answers(string name)
    {
        var edition = Edition.Read(Extremes.At.Single(e => e.Name == name).Make());
        var knowledge = new Knowledge(edition.Printed, School.None, new Dictionary<string, string>(), new Dictionary<string, string>());
        var layer = Layer.Of(edition, knowledge, []);
        Assert.Equal(edition.Printed.Parts.Count * edition.Printed.Measures.Count, layer.Heat.Count);
        Assert.NotNull(layer.Differences);
        Assert.All(edition.Printed.Parts, p => Assert.InRange(p.Name.Length, 0, ScoreLimits.LettersOfName));
    }

    // Work whose answer nobody waits for any more stops.
    [Fact]
    public void Reading_stops_when_nobody_waits()
    {
        using var left = new CancellationTokenSource();
        left.Cancel();
        var bytes = Extremes.At.Single(e => e.Name == "words").Make();
        Assert.ThrowsAny<OperationCanceledException>(() => Edition.Read(bytes, left.Token));
    }
}
