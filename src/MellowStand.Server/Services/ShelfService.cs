using MellowStand.Core.Hear;
using MellowStand.Core.Layers;
using MellowStand.Core.Study;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>A piece on the shelf with its figures.</summary>
/// <param name="Row">The piece.</param>
/// <param name="Figures">What was counted in it.</param>
/// <param name="Passages">Passages handed out.</param>
/// <param name="Late">Players who will not be ready.</param>
public sealed record ShelfEntry(PieceRow Row, ShelfFigures Figures, int Passages, int Late);

/// <summary>What stands on the shelf.</summary>
public sealed class ShelfService(
    PieceRepository pieces,
    PassageRepository passages,
    FiguresRepository figures,
    QuietRepository quiet,
    PieceDesk desk,
    ReadinessService readiness,
    Jobs jobs
)
{
    // A change of a house rule makes all figures stale: as many are counted at once as a director waits for, the rest while they read.
    private const int MostAtOnce = 12;

    /// <summary>All pieces, the nearest date first.</summary>
    public IReadOnlyList<ShelfEntry> List()
    {
        var rows = pieces.All();
        var known = figures.All();
        var stale = rows.Where(r => known.GetValueOrDefault(r.Id)?.Stamp != r.Stamp).ToList();
        var counted = stale.Where((r, i) => i < MostAtOnce || !known.ContainsKey(r.Id)).ToDictionary(r => r.Id, r => Count(r.Id));
        if (counted.Count < stale.Count)
            jobs.Once("Counting the shelf anew", "shelf-figures", CountAll);
        var handed = passages.All();
        var late = readiness
            .Of(handed)
            .Where(r => r.Value.Any(p => p.Readiness is Readiness.Late))
            .ToDictionary(r => r.Key, r => r.Value.Count(p => p.Readiness is Readiness.Late));
        var byPiece = handed.ToLookup(p => p.PieceId);
        return
        [
            .. rows.Select(r => new ShelfEntry(
                r,
                counted.GetValueOrDefault(r.Id) ?? known[r.Id],
                byPiece[r.Id].Count(),
                byPiece[r.Id].Sum(p => late.GetValueOrDefault(p.Id))
            )),
        ];
    }

    private void CountAll(JobProgress progress)
    {
        var known = figures.All();
        var stale = pieces.All().Where(r => known.GetValueOrDefault(r.Id)?.Stamp != r.Stamp).ToList();
        foreach (var (i, row) in stale.Index())
        {
            progress.Report(i, stale.Count, row.Title);
            Count(row.Id);
        }
    }

    private ShelfFigures Count(long id)
    {
        var piece = desk.Open(id);
        var layer = piece.Layer;
        var hidden = Quiet.Of(quiet, piece);
        var counted = layer.Differences.Where(d => !d.IsNote).ToList();
        var result = new ShelfFigures(
            piece.Row.Stamp,
            layer.Printed.Parts.Count,
            layer.Printed.Measures.Count,
            counted.Count,
            counted.Count(d => layer.StateOf(d) == DifferenceState.Open),
            layer.Findings.Count(f => f.Severity >= Severity.Warn && !hidden.Holds(f))
        );
        figures.Keep(id, result);
        return result;
    }
}
