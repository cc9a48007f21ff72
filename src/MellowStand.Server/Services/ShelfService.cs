using MellowStand.Core.Hear;
using MellowStand.Core.Study;
using MellowStand.Server.Endpoints;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>What stands on the shelf and what of it is not done.</summary>
public sealed class ShelfService(
    PieceRepository pieces,
    PassageRepository passages,
    PieceDesk desk,
    ReadinessService readiness,
    TimeProvider clock
)
{
    /// <summary>All pieces, the nearest date first.</summary>
    public IReadOnlyList<ShelfView> List()
    {
        var handed = passages.All().ToLookup(p => p.PieceId);
        return [.. pieces.All().Select(row => View(row, [.. handed[row.Id]]))];
    }

    private ShelfView View(PieceRow row, List<PassageRow> handed)
    {
        var piece = desk.Open(row.Id);
        var counted = piece.Differences.Where(d => !d.IsNote).ToList();
        var open = counted.Count(d => piece.StateOf(d) == "open");
        var quiet = Quiet.Of(pieces, row.Id);
        var findings = piece.Findings.Count(f => f.Severity >= Severity.Warn && !quiet.Holds(f));
        var late = handed.SelectMany(readiness.Of).Count(r => r.Readiness is Readiness.Late);
        return new ShelfView(
            row.Id,
            row.Title,
            row.Kind,
            row.EtudeSet,
            row.Due,
            row.Due?.DayNumber - clock.Today().DayNumber,
            piece.Printed.Parts.Count,
            piece.Printed.Measures.Count,
            open,
            counted.Count,
            findings,
            handed.Count,
            late,
            NotDone(open, handed.Count, late, row.Due is null)
        );
    }

    private static List<string> NotDone(int open, int handed, int late, bool noDate)
    {
        var list = new List<string>();
        if (noDate)
            list.Add("set a date");
        if (open > 0)
            list.Add($"settle {open} {(open == 1 ? "difference" : "differences")}");
        if (handed == 0)
            list.Add("hand out a first passage");
        if (late > 0)
            list.Add($"{late} {(late == 1 ? "player" : "players")} will be late");
        return list;
    }
}
