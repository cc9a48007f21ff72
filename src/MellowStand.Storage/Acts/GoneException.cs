namespace MellowStand.Storage;

/// <summary>Adding to something that was removed in the same moment: nothing is kept.</summary>
#pragma warning disable CA1032 // It always says what is gone.
public sealed class GoneException(string what) : Exception($"{what} was removed in the same moment, so nothing was kept.")
#pragma warning restore CA1032
{
    /// <summary>What was removed, e.g. <c>The section</c>.</summary>
    public string What => what;
}
