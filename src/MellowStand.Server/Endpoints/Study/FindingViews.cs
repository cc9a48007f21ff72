using MellowStand.Core.Decisions;
using MellowStand.Core.Study;
using MellowStand.Server.Services;
using MellowStand.Storage;

namespace MellowStand.Server.Endpoints;

/// <summary>Shows findings of one piece, with what was said of them and whether they are written in.</summary>
internal sealed class FindingViews(OpenPiece piece, Quiet quiet, Shortlist shortlist)
{
    private readonly WrittenIn _written = new(piece.Layer.Study, piece.Layer.Decisions);

    /// <summary>A finding as the interface shows it.</summary>
    /// <param name="f">The finding.</param>
    /// <param name="parts">Ids of the parts in whose words it is told, or null for all.</param>
    public FindingView Of(Finding f, IReadOnlyCollection<string>? parts)
    {
        var told = parts is null ? f : f.InWordsOf(parts, piece.Layer.Study.NameOf);
        var last = Math.Min(f.To, piece.Layer.Current.Measures.Count - 1);
        var said = quiet.SaidOf(f);
        return new FindingView(
            f.Id,
            f.Rule,
            f.Parts,
            piece.Label(f.From),
            piece.Label(last),
            f.From,
            last,
            f.Notes,
            f.Severity.ToString().ToLowerInvariant(),
            told.Title,
            told.Why + shortlist.BriefOf(f),
            quiet.Holds(f),
            StudyDesk.RuleOf(f.Rule) is { } rule ? Words.Of(rule.Kind) : "hands",
            piece.Layer.Ranks[f.Id],
            shortlist.Has(f),
            f.Notes.Count > 0 || f.From == f.To,
            [.. told.Own.Select(o => new OwnWordsView(o.Parts, o.Title, o.Why))],
            _written.By(f)?.Id,
            said?.State is ReviewStates.Dismissed ? null : said?.State,
            said?.Words,
            [.. shortlist.AlsoOf(f).Select(a => piece.Label(a.From)).Distinct().Where(l => l != piece.Label(f.From))]
        );
    }
}
