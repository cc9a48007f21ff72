using System.Text;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Study;

namespace MellowStand.Core.Tests.Study;

/// <summary>What is shown at first sight is read: at most one finding per two measures of a part, on scores that are dense with
/// traps.</summary>
public sealed class NoiseTests
{
    public static TheoryData<string> Files =>
        [
            .. Reference.Files("scores"),
            .. Directory
                .EnumerateFiles(Path.Combine(Reference.RepositoryRoot, "demo", "scores"), "*.musicxml")
                .Order(StringComparer.Ordinal),
        ];

    [Theory]
    [MemberData(nameof(Files))]
    public void Fewer_than_one_finding_is_shown_per_two_measures_of_a_part(string file)
    {
        var score = ScoreReader.Read(Path.IsPathRooted(file) ? File.ReadAllBytes(file) : Reference.Bytes(file));
        var context = new StudyContext(score, House.Default);
        var findings = StudyDesk.Examine(context, score.Parts, 0, int.MaxValue);
        var report = new StringBuilder();
        foreach (var group in findings.GroupBy(f => (f.Rule, f.Severity)).OrderByDescending(g => g.Count()))
            report.Append(System.Globalization.CultureInfo.InvariantCulture, $"{group.Key.Rule}/{group.Key.Severity}: {group.Count()}; ");
        var shortlist = Shortlist.Of(context, findings);
        var shown = findings.Where(shortlist.Has).Sum(f => f.Parts.Count);
        var rate = (double)shown / (score.Measures.Count * score.Parts.Count);
        TestContext.Current.TestOutputHelper!.WriteLine(
            $"{Path.GetFileName(file)}: {rate:0.000} shown of {findings.Count} in all; {report}"
        );
        if (score.Measures.Count >= 12)
            Assert.True(rate <= 1.0 / 2, $"{rate:0.00} a measure: {report}");
    }
}
