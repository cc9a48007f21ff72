using System.Collections.Concurrent;
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
/// <param name="Problem">Why it cannot be opened, or null.</param>
public sealed record ShelfEntry(PieceRow Row, ShelfFigures Figures, int Passages, int Late, string? Problem);

/// <summary>What stands on the shelf.</summary>
public sealed class ShelfService(
    PieceRepository pieces,
    PassageRepository passages,
    FiguresRepository figures,
    QuietRepository quiet,
    PieceDesk desk,
    ReadinessService readiness,
    Jobs jobs,
    ILogger<ShelfService> log
)
{
    // What cannot be counted is not tried again before something of it has changed.
    private readonly ConcurrentDictionary<long, (Stamp Stamp, string Why)> _problems = new();

    // A change of a house rule makes all figures stale: as many are counted at once as a director waits for, the rest while they read.
    private const int MostAtOnce = 12;

    private const string CannotBeLookedThrough =
        "It cannot be analyzed: the program met something that it did not expect, and the log tells more. Its original can be exported, "
        + "and it can be "
        + "taken off the shelf.";

    /// <summary>All pieces, the nearest date first.</summary>
    public IReadOnlyList<ShelfEntry> List()
    {
        var rows = pieces.All();
        var known = figures.All();
        var stale = Stale(rows, known);
        var counted = stale.Where((r, i) => i < MostAtOnce || !known.ContainsKey(r.Id)).ToDictionary(r => r.Id, Count);
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
                counted.GetValueOrDefault(r.Id) ?? known.GetValueOrDefault(r.Id) ?? Nothing(r),
                byPiece[r.Id].Count(),
                byPiece[r.Id].Sum(p => late.GetValueOrDefault(p.Id)),
                ProblemOf(r)
            )),
        ];
    }

    private void CountAll(JobProgress progress)
    {
        var known = figures.All();
        var stale = Stale(pieces.All(), known);
        foreach (var (i, row) in stale.Index())
        {
            progress.Report(i, stale.Count, row.Title);
            Count(row);
        }
    }

    private List<PieceRow> Stale(IReadOnlyList<PieceRow> rows, IReadOnlyDictionary<long, ShelfFigures> known) =>
        [.. rows.Where(r => known.GetValueOrDefault(r.Id)?.Stamp != r.Stamp && ProblemOf(r) is null)];

    private string? ProblemOf(PieceRow row) =>
        _problems.TryGetValue(row.Id, out var problem) && problem.Stamp == row.Stamp ? problem.Why : null;

    private static ShelfFigures Nothing(PieceRow row) => new(row.Stamp, 0, 0, 0, 0, 0);

    // One piece that cannot be read never takes the others down.
    private ShelfFigures Count(PieceRow row)
    {
        try
        {
            return Counted(row.Id);
        }
#pragma warning disable CA1031 // Whatever is wrong with it, the shelf is shown.
        catch (Exception e)
#pragma warning restore CA1031
        {
            var (status, sentence) = ProblemSentences.Of(e);
            if (status >= 500)
                log.LogError(e, "Piece {Piece} cannot be counted", row.Id);
            _problems[row.Id] = (row.Stamp, status >= 500 ? CannotBeLookedThrough : sentence);
            return Nothing(row);
        }
    }

    private ShelfFigures Counted(long id)
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
