using MellowStand.Core.Instruments;
using MellowStand.Core.Layers;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>How a file is to be kept.</summary>
/// <param name="Name">Name of the file.</param>
/// <param name="Kind"><c>piece</c> or <c>etude</c>.</param>
/// <param name="EtudeSet">The set of an etude, or null.</param>
/// <param name="Due">Concert or audition date, or null.</param>
/// <param name="Instruments">Instruments chosen before it is kept: part id and instrument id.</param>
public sealed record ImportWish(
    string Name,
    string Kind,
    string? EtudeSet,
    DateOnly? Due,
    IReadOnlyList<(string Part, string Instrument)> Instruments
);

/// <summary>Reads a file and keeps it as a piece: one reading, one act.</summary>
public sealed class PieceImport(PieceRepository pieces, PieceDesk desk, TimeProvider clock)
{
    /// <summary>Keeps a file.</summary>
    /// <param name="wish">How.</param>
    /// <param name="bytes">Its bytes.</param>
    /// <param name="progress">Where to tell how far it is, or null; a job also works the stations through, so that the piece opens at
    /// once.</param>
    /// <param name="left">Set when whoever asked waits no more.</param>
    /// <returns>Number of the piece.</returns>
    /// <exception cref="Refusal">It is no score, or a chosen part or instrument does not exist; nothing is kept.</exception>
    public long Keep(ImportWish wish, byte[] bytes, JobProgress? progress, CancellationToken left = default)
    {
        progress?.Report(0, 3, "reading");
        return Keep(wish, Upload.Read(wish.Name, bytes, progress?.Cancelled ?? left).Edition, progress);
    }

    /// <summary>Keeps what was read already.</summary>
    /// <exception cref="Refusal">A chosen part or instrument does not exist; nothing is kept.</exception>
    public long Keep(ImportWish wish, Edition edition, JobProgress? progress = null)
    {
        var chosen = wish.Instruments.Select(i => (Part: Found(edition.Printed, i.Part), Instrument: Instrument(i.Instrument))).ToList();
        var title = edition.Printed.Title.Length > 0 ? edition.Printed.Title : Path.GetFileNameWithoutExtension(wish.Name);
        progress?.Report(1, 3, "keeping");
        var id = pieces.Add(
            new NewPiece(Names.Clean(title), wish.Kind, wish.EtudeSet, wish.Due, wish.Name, edition.Id, edition.Bytes),
            chosen.Select(c => new ChosenInstrument(c.Part.Id, c.Part.Name, c.Instrument, edition.Id)),
            chosen.Select(c => KeyValuePair.Create(Recognition.KeyOf(c.Part), c.Instrument)),
            clock.GetUtcNow()
        );
        var piece = desk.Keep(id, edition);
        if (progress is not null)
        {
            progress.Report(2, 3, "looking through it");
            _ = piece.Layer.Heat.Count + piece.Layer.Differences.Count;
        }

        return id;
    }

    /// <summary>The id of an instrument of the catalog.</summary>
    /// <exception cref="Refusal">There is none.</exception>
    public static string Instrument(string? id) =>
        Catalog.Find(id) is not null
            ? id!
            : throw Refusal.BadRequest($"There is no instrument \"{Names.Clean(id ?? "")}\". Choose one from /api/instruments.");

    private static Core.Notation.Part Found(Core.Notation.Score score, string part) =>
        score.FindPart(part) ?? throw Refusal.BadRequest($"There is no part \"{Names.Clean(part)}\" in this file.");
}
