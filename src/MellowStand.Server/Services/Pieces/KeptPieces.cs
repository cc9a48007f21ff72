namespace MellowStand.Server.Services;

/// <summary>The pieces that are held in memory: those used last, as many as fit.</summary>
/// <param name="budget">How many bytes they may take together, by <see cref="Core.Layers.Edition.Size"/>; the one used last is always
/// kept.</param>
public sealed class KeptPieces(long budget)
{
    private readonly Lock _lock = new();
    private readonly Dictionary<long, LinkedListNode<OpenPiece>> _nodes = [];
    private readonly LinkedList<OpenPiece> _lastUsedFirst = new();
    private long _size;

    /// <summary>How many are held.</summary>
    public int Count
    {
        get
        {
            lock (_lock)
                return _nodes.Count;
        }
    }

    /// <summary>The piece as held, or null; it is then the one used last.</summary>
    public OpenPiece? Find(long id)
    {
        lock (_lock)
        {
            if (!_nodes.TryGetValue(id, out var node))
                return null;
            _lastUsedFirst.Remove(node);
            _lastUsedFirst.AddFirst(node);
            return node.Value;
        }
    }

    /// <summary>Holds a piece; those that were not used for longest give way.</summary>
    public void Keep(OpenPiece piece)
    {
        lock (_lock)
        {
            Remove(piece.Row.Id);
            _nodes[piece.Row.Id] = _lastUsedFirst.AddFirst(piece);
            _size += piece.Layer.Edition.Size;
            while (_size > budget && _nodes.Count > 1)
                Remove(_lastUsedFirst.Last!.Value.Row.Id);
        }
    }

    /// <summary>Holds a piece no longer.</summary>
    public void Forget(long id)
    {
        lock (_lock)
            Remove(id);
    }

    private void Remove(long id)
    {
        if (!_nodes.Remove(id, out var node))
            return;
        _lastUsedFirst.Remove(node);
        _size -= node.Value.Layer.Edition.Size;
    }
}
