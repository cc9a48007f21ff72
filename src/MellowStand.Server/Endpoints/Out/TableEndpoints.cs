using System.Globalization;
using CsvHelper;
using MellowStand.Core.Decisions;
using MellowStand.Core.Notation;
using MellowStand.Server.Services;
using MellowStand.Storage;

namespace MellowStand.Server.Endpoints;

/// <summary>A note as a row of a table.</summary>
public sealed record NoteRow(
    string Part,
    string Measure,
    string Beat,
    string Onset,
    string Duration,
    string Written,
    string Midi,
    string Voice,
    string Marks
);

/// <summary>A finding as a row of a table.</summary>
public sealed record FindingTableRow(
    string Rule,
    string Parts,
    string From,
    string To,
    string Severity,
    string Title,
    string Why,
    bool Dismissed
);

/// <summary>A decision as a row of a table: one row a part that it changes.</summary>
public sealed record DecisionTableRow(
    long Decision,
    string Part,
    string Measures,
    int Notes,
    string Added,
    string Removed,
    string Verdict,
    string Why,
    string Person,
    string Made
);

/// <summary>Notes, findings and decisions as CSV or JSON.</summary>
public static class TableEndpoints
{
    /// <summary>Maps the group.</summary>
    public static void MapTables(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/pieces/{id:long}/tables").WithTags("Export");
        group
            .MapGet(
                "/{table}.csv",
                (long id, string table, PieceDesk desk, QuietRepository quiets) =>
                    Csv(Rows(id, table, desk, quiets), $"{desk.Row(id).Title} {table}.csv")
            )
            .Produces<string>(200, "text/csv");
        group
            .MapGet(
                "/{table}.json",
                (long id, string table, PieceDesk desk, QuietRepository quiets) => Results.Json(Rows(id, table, desk, quiets).Rows)
            )
            .Produces<object[]>();
    }

    private static Table Rows(long id, string table, PieceDesk desk, QuietRepository quiets)
    {
        var piece = desk.Open(id);
        return table switch
        {
            "notes" => new(
                typeof(NoteRow),
                [.. piece.Layer.Current.Parts.SelectMany(p => SoundingNote.Of(p).Select(n => Note(piece, p, n)))]
            ),
            "findings" => new(typeof(FindingTableRow), Findings(piece, Quiet.Of(quiets, piece))),
            "decisions" => new(
                typeof(DecisionTableRow),
                [.. piece.Layer.Decisions.SelectMany(d => d.Changes.Select(c => DecisionRow(piece, d, c)))]
            ),
            _ => throw Refusal.NotFound("There is no such table. The tables are notes, findings and decisions."),
        };
    }

    private sealed record Table(Type Row, List<object> Rows);

    private static NoteRow Note(OpenPiece piece, Part part, SoundingNote n) =>
        new(
            NameOf(part),
            piece.Label(n.First.MeasureIndex),
            piece.Layer.Study.Beat(n.First),
            n.First.Onset.ToString(),
            n.Duration.ToString(),
            n.First.Sounds ? string.Join(' ', n.Heads.Select(h => h.Written).OfType<Pitch>()) : "rest",
            string.Join(' ', n.Heads.Select(h => h.Sounding).OfType<int>()),
            n.First.Voice,
            string.Join(' ', n.Marks)
        );

    private static List<object> Findings(OpenPiece piece, Quiet quiet) =>
        [
            .. piece.Layer.Findings.Select(f => new FindingTableRow(
                f.Rule,
                string.Join(", ", f.Parts.Select(p => NameOf(piece.Part(p)))),
                piece.Label(f.From),
                piece.Label(Math.Min(f.To, piece.Layer.Current.Measures.Count - 1)),
                f.Severity.ToString().ToLowerInvariant(),
                f.Title,
                f.Why,
                quiet.Holds(f)
            )),
        ];

    private static DecisionTableRow DecisionRow(OpenPiece piece, Decision d, MarkChange c)
    {
        var part = piece.Layer.Printed.FindPart(c.Part);
        return new DecisionTableRow(
            d.Id,
            part is null ? c.Part : NameOf(part),
            Where(piece, part, c),
            c.Notes.Count,
            string.Join(' ', c.Added),
            string.Join(' ', c.Removed),
            Words.Of(d.Verdict),
            d.Why,
            d.Person,
            d.Made
        );
    }

    private static string Where(OpenPiece piece, Part? part, MarkChange c)
    {
        var measures = part
            ?.Notes.Where(n => c.Notes.Contains(n.Id) || n.Heads.Any(h => c.Notes.Contains(h.Id)))
            .Select(n => n.MeasureIndex)
            .ToList();
        if (measures is not [var first, .. var rest])
            return "";
        return rest.Count == 0 || rest[^1] == first ? piece.Label(first) : $"{piece.Label(first)}-{piece.Label(rest[^1])}";
    }

    private static string NameOf(Part part) => part.Name.Length > 0 ? part.Name : part.Id;

    private static IResult Csv(Table table, string name) => Csv(table.Row, table.Rows, name);

    /// <summary>Rows as CSV, safe to open in a spreadsheet.</summary>
    internal static IResult Csv(Type row, IReadOnlyList<object> rows, string name)
    {
        var columns = row.GetProperties();
        return Csv(
            [.. columns.Select(c => c.Name)],
            rows.Select(one => columns.Select(c => Convert.ToString(c.GetValue(one), CultureInfo.InvariantCulture) ?? "").ToArray()),
            name
        );
    }

    /// <summary>Lines of text as CSV, safe to open in a spreadsheet.</summary>
    internal static IResult Csv(string[] heads, IEnumerable<string[]> rows, string name)
    {
        using var stream = new MemoryStream();
        // A cell that a spreadsheet would take for a formula is written as text.
        using (
            var csv = CsvWriter.Create(
                stream,
                new CsvWriterOptions { Injection = CsvInjection.Escape, WriteByteOrderMark = true },
                leaveOpen: true
            )
        )
        {
            csv.WriteHeader(heads);
            foreach (var row in rows)
                csv.WriteRecord(row);
        }

        return Results.File(stream.ToArray(), "text/csv; charset=utf-8", name);
    }
}
