namespace MellowStand.Core.Unify;

/// <summary>How sure a proposal is.</summary>
public enum Sureness
{
    /// <summary>A director would sign it unseen; only these are taken when many are accepted at once.</summary>
    Sure,

    /// <summary>More likely right than not: look at it.</summary>
    Likely,

    /// <summary>The print does not tell: yours to decide.</summary>
    Yours,
}
