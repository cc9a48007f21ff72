namespace MellowStand.Storage;

/// <summary>What became of a change to something that somebody else may have changed or removed.</summary>
public enum Change
{
    /// <summary>It is kept.</summary>
    Kept,

    /// <summary>There is no such thing any more; nothing was changed.</summary>
    Gone,

    /// <summary>Somebody changed it since it was seen; nothing was changed.</summary>
    Stale,
}
