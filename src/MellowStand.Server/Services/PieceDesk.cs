using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>Keeps the pieces that were opened last, and reads one again when something about it changed.</summary>
public sealed class PieceDesk(
    PieceRepository pieces,
    DecisionRepository decisions,
    HouseRepository house,
    EnsembleRepository ensemble,
    ChartRepository charts
)
{
    private const int Most = 24;
    private readonly Lock _lock = new();
    private readonly Dictionary<long, Lazy<OpenPiece>> _open = [];
    private readonly LinkedList<long> _order = new();

    /// <summary>The piece, read and ready.</summary>
    /// <exception cref="Refusal">There is no such piece.</exception>
    public OpenPiece Open(long id)
    {
        _ = Row(id);
        Lazy<OpenPiece> piece;
        lock (_lock)
        {
            if (!_open.TryGetValue(id, out piece!))
            {
                _open[id] = piece = new Lazy<OpenPiece>(() => Read(id));
                _order.AddLast(id);
                if (_order.Count > Most)
                    Drop(_order.First!.Value);
            }
        }

        return piece.Value;
    }

    /// <summary>The shelf's row of a piece.</summary>
    /// <exception cref="Refusal">There is no such piece.</exception>
    public PieceRow Row(long id) =>
        pieces.Find(id) ?? throw Refusal.NotFound($"There is no piece {id} on the shelf. Open the shelf and choose one.");

    /// <summary>Corrects a part's instrument here, and remembers it for the next file.</summary>
    public void Correct(long id, string part, string instrument)
    {
        if (Open(id).Printed.FindPart(part) is { } found)
            house.Learn(Core.Instruments.Recognition.KeyOf(found), instrument);
        pieces.SetInstrument(id, part, instrument);
        Forget(id);
    }

    /// <summary>Forgets a piece that changed.</summary>
    public void Forget(long id)
    {
        lock (_lock)
            Drop(id);
    }

    /// <summary>Forgets all, as after a change of house rules.</summary>
    public void ForgetAll()
    {
        lock (_lock)
        {
            _open.Clear();
            _order.Clear();
        }
    }

    private void Drop(long id)
    {
        if (_open.Remove(id))
            _order.Remove(id);
    }

    private OpenPiece Read(long id) =>
        new(
            new PieceState(
                pieces.Original(id)!,
                decisions.InForce(id),
                house.House(),
                pieces.Instruments(id),
                house.LearnedInstruments(),
                [
                    .. ensemble
                        .Players()
                        .Where(p => p.Instrument is not null)
                        .Select(p => new Core.Instruments.Seat(
                            p.Instrument!,
                            p.Chair,
                            p.Level,
                            p.Options?.Split(' ', StringSplitOptions.RemoveEmptyEntries).ToHashSet()
                        )),
                ],
                pieces.Leaders(id),
                decisions.Versions(id),
                charts.All()
            )
        );
}
