using System.Reflection;
using System.Text;
using System.Text.RegularExpressions;
using System.Xml.Linq;
using MellowStand.Core.Performance;
using MellowStand.Core.Study;
using MellowStand.Core.Unify;

namespace MellowStand.Core.Tests;

/// <summary>docs/rules.md is made from the rules' own docstrings, so that it cannot lie.</summary>
public sealed partial class RulesPageTests
{
    private static readonly string[] PlayedRules =
    [
        "GraceTiming",
        "TrillPlayed",
        "TurnPlayed",
        "MordentPlayed",
        "Tremolo",
        "Roll",
        "Glissando",
        "SoundingShare",
        "Loudness",
    ];

    private static readonly string[] WindowRules = ["Pressures", "FastestTempo", "SlowestTempo"];

    [Fact]
    public void The_page_of_rules_is_current()
    {
        var page = Page();
        var path = Path.Combine(Reference.RepositoryRoot, "docs", "rules.md");
        if (Environment.GetEnvironmentVariable("STAND_WRITE") == "1")
            File.WriteAllText(path, page);
        Assert.True(page == File.ReadAllText(path), "docs/rules.md is not what the docstrings say. Run STAND_WRITE=1 ./stand test core.");
    }

    private static string Page()
    {
        var docs = XDocument
            .Load(Path.ChangeExtension(typeof(StudyDesk).Assembly.Location, ".xml"))
            .Descendants("member")
            .ToDictionary(m => m.Attribute("name")!.Value, m => m);
        var page = new StringBuilder("# Rules\n\nMade from the rules' docstrings by the tests of the core; do not edit by hand.\n");
        page.Append("\n## Study\n");
        foreach (var rule in StudyDesk.Rules.OrderBy(r => r.Name, StringComparer.Ordinal))
            Entry(page, docs, rule.Name, rule.GetType());
        page.Append("\n## Unify\n");
        var kinds = typeof(UnifyDesk)
            .Assembly.GetTypes()
            .Where(t => t is { IsClass: true, IsAbstract: false } && typeof(IDifferenceRule).IsAssignableFrom(t))
            .OrderBy(t => t.Name, StringComparer.Ordinal);
        foreach (var type in kinds)
            Entry(page, docs, ((IDifferenceRule)Activator.CreateInstance(type)!).Kind, type);
        page.Append("\n## Methods and tables\n");
        foreach (
            var type in new[]
            {
                typeof(LineFinder),
                typeof(Core.Study.Heat.HeatMap),
                typeof(Core.Study.Heat.HeatWeights),
                typeof(Core.Tempo.Ladder),
                typeof(Core.Tempo.MetronomeScale),
                typeof(Core.Tempo.LadderWay),
                typeof(Core.Tempo.MoveOn),
                typeof(Core.Instruments.CleanLimits),
                typeof(Core.Tempo.TempoWindows),
                typeof(Core.Tempo.PlayerNearness),
                typeof(Core.Performance.TempoShape),
                typeof(Core.Performance.Holds),
                typeof(Core.Performance.PlayedRange),
                typeof(Core.Performance.CountOffPlan),
                typeof(Core.Performance.ClickGrid),
                typeof(Core.Assign.Cutter),
                typeof(Core.Assign.LearningMinutes),
                typeof(Core.Assign.LearnedPace),
                typeof(Core.Assign.SeasonItems),
                typeof(Core.Assign.RehearsalPlanner),
                typeof(Core.Hear.Forecaster),
                typeof(Core.Hear.LearnerPrior),
                typeof(Core.Hear.WhatGives),
                typeof(Core.Hear.LogQuestions),
                typeof(Core.Hear.TestCriteria),
                typeof(Core.Scales.ScaleKinds),
                typeof(Core.Scales.KeyOrders),
                typeof(Core.Scales.ScaleSpan),
                typeof(Core.Scales.ScaleRange),
                typeof(Core.Scales.ScaleSlurs),
                typeof(Core.Auditions.EntryKinds),
                typeof(Core.Auditions.Borrowing),
                typeof(Core.Auditions.MatterTable),
                typeof(Core.Auditions.CandidateChances),
                typeof(Core.Auditions.DrawnOrder),
                typeof(Core.Auditions.Panels),
                typeof(Core.Auditions.PanelRanking),
                typeof(Core.Auditions.TakeCheckList),
                typeof(Core.Notation.PlayedOrder),
                typeof(Core.Notation.DynamicLevels),
                typeof(Core.Instruments.Catalog),
                typeof(Core.HouseRules.HouseRuleCatalog),
            }
        )
            Entry(page, docs, type.Name, type);
        page.Append("\n## Performance and tempo\n");
        foreach (var name in PlayedRules)
            Entry(page, docs, name, typeof(Performer).Assembly.GetType($"MellowStand.Core.Performance.{name}")!);
        foreach (var name in WindowRules)
            Entry(page, docs, name, typeof(Performer).Assembly.GetType($"MellowStand.Core.Tempo.{name}")!);
        return page.ToString();
    }

    private static void Entry(StringBuilder page, Dictionary<string, XElement> docs, string name, Type type)
    {
        var member = docs["T:" + type.FullName];
        var remarks = Words(member.Element("remarks"));
        Assert.False(string.IsNullOrWhiteSpace(remarks), $"{type.Name} tells no source in its remarks");
        page.Append($"\n### {name}\n\n{Words(member.Element("summary"))}\n\n{remarks}\n");
        var examples = type.GetCustomAttributes<ExampleAttribute>().ToList();
        if (examples.Count > 0)
            page.Append('\n').AppendJoin('\n', examples.Select(Example)).Append('\n');
    }

    // A new part begins a new line of the short form; on the page the lines stand after each other.
    private static string Example(ExampleAttribute e)
    {
        var found = e.Finds switch
        {
            0 => "stays quiet",
            1 => "finds it",
            _ => $"finds {e.Finds}",
        };
        return $"- `{e.Music.Replace("\n", " ↵ ", StringComparison.Ordinal)}` {found}{(e.Because.Length > 0 ? $": {e.Because}" : "")}";
    }

    private static string Words(XElement? element)
    {
        if (element is null)
            return "";
        var text = string.Concat(
            element
                .Nodes()
                .Select(n =>
                    n switch
                    {
                        XElement { Name.LocalName: "c" } c => $"`{c.Value}`",
                        XElement { Name.LocalName: "see" } see => "`" + see.Attribute("cref")!.Value.Split('.')[^1] + "`",
                        XElement e => e.Value,
                        _ => n.ToString(),
                    }
                )
        );
        return Spaces().Replace(System.Net.WebUtility.HtmlDecode(text), " ").Trim();
    }

    [GeneratedRegex(@"\s+")]
    private static partial Regex Spaces();
}
