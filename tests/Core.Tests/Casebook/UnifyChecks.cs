using System.Globalization;
using System.Text.RegularExpressions;
using System.Xml.Linq;
using MellowStand.Core.Decisions;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.Notation;
using MellowStand.Core.Tests.Unify.Band;
using MellowStand.Core.Unify;

namespace MellowStand.Core.Tests.Casebook;

/// <summary>What a case asks of parts that disagree: see <see cref="CaseFile"/>.</summary>
internal static partial class UnifyChecks
{
    private static readonly Dictionary<string, Func<Score, MusicCase, string, string?>> Table = new()
    {
        ["unify"] = (score, _, rest) => Entries(score, rest).Any(d => Fits(score, d, rest)) ? null : Told(Entries(score, rest)),
        ["agree"] = (score, _, rest) => Entries(score, rest) is { Count: > 0 } found ? Told(found) : null,
        ["sureless"] = (score, _, _) => Sure(score) is { Count: > 0 } sure ? Told(sure) : null,
        ["mended"] = (_, music, rest) => Mended(music, int.Parse(rest, CultureInfo.InvariantCulture)),
    };

    /// <summary>True for a check of this kind.</summary>
    public static bool Knows(string what) => Table.ContainsKey(what);

    /// <summary>What is not as asked; null where all is.</summary>
    public static string? Problem(Score score, MusicCase music, string what, string rest) => Table[what](score, music, rest);

    private static List<Difference> Entries(Score score, string asked)
    {
        var wish = Asked().Match(asked);
        var kinds = wish.Groups["kinds"].Value.Split('|');
        int Number(string name) => int.Parse(wish.Groups[name].Value, CultureInfo.InvariantCulture);
        var (from, to) = (Number("from"), Number("to"));
        return
        [
            .. UnifyDesk
                .Compare(score, HouseRules.House.Default)
                .Differences.Where(d => !d.IsNote && (kinds[0] == "*" || kinds.Contains(d.Kind)) && d.From <= to && d.To >= from),
        ];
    }

    private static List<Difference> Sure(Score score) => [.. Entries(score, "* 0-999").Where(SureOnes.IsSure)];

    private static bool Fits(Score score, Difference d, string asked)
    {
        var wish = Asked().Match(asked);
        var into = wish.Groups["into"].Value.Split(',', StringSplitOptions.RemoveEmptyEntries);
        var parts = score.Parts.Select(p => p.Id).ToList();
        bool IsAs(string sure) => d.Proposal.Sure.ToString().Equals(sure, StringComparison.OrdinalIgnoreCase);
        return (!wish.Groups["sure"].Success || IsAs(wish.Groups["sure"].Value))
            && (!wish.Groups["mark"].Success || CasebookTests.Says(wish.Groups["mark"].Value, d.Proposal.Mark))
            && (into.Length == 0 || d.Proposal.Parts.Select(p => $"{parts.IndexOf(p)}").Order().SequenceEqual(into.Order()));
    }

    // All sure ones written in: notes that are unlike the clean print.
    private static string? Mended(MusicCase music, int most)
    {
        var document = ScoreDocument.Of(ShortFormReader.Document(music.Music));
        var score = ScoreReader.Read(document);
        var sure = SureOnes.Together(Sure(score));
        var written = ScoreDocument.Of(new XDocument(document.Xml));
        new DecisionWriter(written).Apply([.. sure.SelectMany(d => d.Changes[d.Proposal.Mark])]);
        var now = NoteLook.All(ScoreReader.Read(written));
        var clean = NoteLook.All(ScoreReader.Read(ScoreDocument.Of(ShortFormReader.Document(music.Clean))));
        var unlike = clean.Where(c => now[c.Key].Unlike(c.Value) > 0).Select(c => c.Key).ToList();
        return unlike.Count <= most ? null : $"{unlike.Count} notes unlike: {string.Join(' ', unlike)}";
    }

    private static string Told(List<Difference> entries) =>
        entries.Count == 0
            ? "nothing"
            : string.Join(
                "; ",
                entries.Select(d =>
                    $"{d.Kind} {d.From}-{d.To} {string.Join(" / ", d.Readings.Select(r => $"{r.Part}:{r.Has}"))} => "
                    + $"{d.Proposal.Sure} \"{d.Proposal.Mark}\" into {string.Join(' ', d.Proposal.Parts)}: {d.Proposal.Why}"
                )
            );

    [GeneratedRegex(@"^(?<kinds>\S+) (?<from>\d+)-(?<to>\d+)( (?<sure>sure|likely|yours))?( (?<mark>/.*/))?( into:(?<into>[\d,]+))?$")]
    private static partial Regex Asked();
}
