namespace MellowStand.Core.Layers;

/// <summary>How far a difference is settled.</summary>
public enum DifferenceState
{
    /// <summary>Nobody has decided it.</summary>
    Open,

    /// <summary>The proposal was taken.</summary>
    Accepted,

    /// <summary>Another reading was taken.</summary>
    Other,

    /// <summary>It stands as printed.</summary>
    Kept,

    /// <summary>Another decision has made the parts agree.</summary>
    Agreed,
}
