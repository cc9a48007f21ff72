using System.Collections.Concurrent;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Layers;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>Opens pieces: a kept answer is given as long as the counters in the database say that it holds, whoever wrote there.</summary>
public sealed class PieceDesk(PieceRepository pieces, PieceStateRepository states, Database database)
{
    private const long Budget = 900L * 1024 * 1024;

    private readonly KeptPieces _kept = new(Budget);
    private readonly ConcurrentDictionary<long, Lock> _locks = new();

    // Under which counter of the whole shelf a kept piece was last found to hold: nothing was written to any piece since.
    private readonly ConcurrentDictionary<long, long> _seen = new();
    private volatile SchoolAt? _school;

    /// <summary>The piece, read and ready. Many who ask at once wait for one reading; a reading that failed is not kept.</summary>
    /// <exception cref="Refusal">There is no such piece.</exception>
    public OpenPiece Open(long id)
    {
        var shelf = Shelf();
        if (Seen(id, shelf) is { } seen)
            return seen;
        return Saw(shelf, Kept(RowNow(id)) ?? ReadOnce(id));
    }

    /// <summary>Those of many pieces that are on the shelf, in one look at it.</summary>
    public IReadOnlyDictionary<long, OpenPiece> Open(IEnumerable<long> ids)
    {
        var shelf = Shelf();
        var all = ids.Distinct().ToDictionary(id => id, id => Seen(id, shelf));
        var rows = all.Values.All(p => p is not null) ? [] : pieces.Find(all.Where(p => p.Value is null).Select(p => p.Key));
        foreach (var row in rows)
            all[row.Id] = Saw(shelf, Kept(row) ?? ReadOnce(row.Id));
        return all.Where(p => p.Value is not null).ToDictionary(p => p.Key, p => p.Value!);
    }

    /// <summary>The shelf's row of a piece.</summary>
    /// <exception cref="Refusal">There is no such piece.</exception>
    public PieceRow Row(long id) => Seen(id, Shelf())?.Row ?? RowNow(id);

    private PieceRow RowNow(long id) => pieces.Find(id) ?? throw NoPiece(id);

    private OpenPiece ReadOnce(long id)
    {
        lock (LockOf(id))
        {
            var row = RowNow(id);
            return Kept(row) ?? Read(row);
        }
    }

    // Inside an act counters may yet be taken back.
    private long? Shelf() => database.IsActing ? null : database.Now().Of(RestsOn.Shelf | RestsOn.School);

    private OpenPiece? Seen(long id, long? shelf) =>
        shelf is { } counter && _seen.TryGetValue(id, out var at) && at == counter ? _kept.Find(id) : null;

    private OpenPiece Saw(long? shelf, OpenPiece piece)
    {
        if (shelf is { } counter)
            _seen[piece.Row.Id] = counter;
        return piece;
    }

    /// <summary>Runs an act on a piece while no other act on it runs.</summary>
    /// <param name="id">The piece.</param>
    /// <param name="act">What is done with the piece as it stands.</param>
    public T Act<T>(long id, Func<OpenPiece, T> act)
    {
        lock (LockOf(id))
        {
            database.Unpin();
            return act(Open(id));
        }
    }

    /// <summary>Runs an act on several pieces while no other act on any of them runs. What it leaves in memory is forgotten where it
    /// fails.</summary>
    /// <param name="ids">The pieces.</param>
    /// <param name="act">What is done.</param>
    public T Act<T>(IEnumerable<long> ids, Func<T> act)
    {
        // Always in one order, so that two who wait for each other cannot be.
        var own = ids.Distinct().Order().ToList();
        try
        {
            return Locked(own, 0, act);
        }
        catch
        {
            own.ForEach(_kept.Forget);
            throw;
        }
    }

    private T Locked<T>(List<long> ids, int at, Func<T> act)
    {
        if (at == ids.Count)
        {
            database.Unpin();
            return act();
        }

        lock (LockOf(ids[at]))
            return Locked(ids, at + 1, act);
    }

    /// <summary>Holds a piece as an act has left it, if the counters say that nothing else happened.</summary>
    internal OpenPiece Keep(long id, Layer layer)
    {
        var state = Load(id, layer.Edition.Id);
        if (!state.Decisions.Select(d => d.Id).SequenceEqual(layer.Decisions.Select(d => d.Id)))
            return Open(id);
        var piece = new OpenPiece(state.Row, layer, state.Versions);
        _kept.Keep(piece);
        return piece;
    }

    /// <summary>Holds a piece that was kept just now, so that its file is not read again.</summary>
    internal OpenPiece Keep(long id, Edition edition)
    {
        lock (LockOf(id))
        {
            var row = RowNow(id);
            return Kept(row) ?? (row.Edition == edition.Id ? Read(row, edition) : Read(row));
        }
    }

    private OpenPiece? Kept(PieceRow row)
    {
        if (_kept.Find(row.Id) is not { } kept || kept.Row.Edition != row.Edition)
            return null;
        if (kept.Row.Stamp.Revision != row.Stamp.Revision || kept.Row.Stamp.School != row.Stamp.School)
            return null;
        if (kept.Row == row)
            return kept;
        // What was made quiet, or the title, changes nothing of the layer.
        var now = kept with { Row = row };
        _kept.Keep(now);
        return now;
    }

    private OpenPiece Read(PieceRow row, Edition? read = null)
    {
        var before = _kept.Find(row.Id);
        var known = read ?? before?.Layer.Edition;
        var state = Load(row.Id, known?.Id);
        var edition = state.Original is { } bytes ? ReadFile(state.Row, bytes) : known!;
        var school = SchoolOf(state);
        var same = before is not null && before.Row.Edition == state.Row.Edition && before.Row.Stamp.School == state.Row.Stamp.School;
        var knowledge =
            same && before!.Layer.Knowledge.IsOf(state.Instruments, state.Leaders, state.Seated)
                ? before.Layer.Knowledge
                : new Knowledge(edition.Printed, school, state.Instruments, state.Leaders, state.Seated);
        var piece = new OpenPiece(state.Row, Layer.Of(edition, knowledge, state.Decisions, before?.Layer), state.Versions);
        _kept.Keep(piece);
        return piece;
    }

    // Limits and readers change with versions: what was kept once may not be read any more, and must still be given back.
    private static Edition ReadFile(PieceRow row, byte[] bytes)
    {
        try
        {
            return Edition.Read(bytes);
        }
        catch (ScoreFormatException e)
        {
            throw new Refusal(
                StatusCodes.Status422UnprocessableEntity,
                $"\"{row.Title}\" cannot be opened any more: {e.Message} Its original can be exported from the shelf, and it "
                    + $"can be taken off."
            );
        }
    }

    private PieceState Load(long id, string? knownEdition) => states.Load(id, knownEdition, _school?.Revision) ?? throw NoPiece(id);

    private School SchoolOf(PieceState state)
    {
        if (state.School is { } read)
            _school = new SchoolAt(state.Row.Stamp.School, read);
        return _school is { } known && known.Revision == state.Row.Stamp.School ? known.School : states.School();
    }

    private Lock LockOf(long id) => _locks.GetOrAdd(id, _ => new Lock());

    private static Refusal NoPiece(long id) => Refusal.NotFound($"There is no piece {id} on the shelf. Open the shelf and choose one.");

    private sealed record SchoolAt(long Revision, School School);
}
