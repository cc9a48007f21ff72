namespace MellowStand.Core.Unify.Bows;

/// <summary>A stroke with its direction.</summary>
/// <param name="Stroke">The stroke.</param>
/// <param name="Direction">Which way it goes.</param>
/// <param name="Join">How the bow gets there.</param>
/// <param name="Marked">True where a player would not bow so without a sign.</param>
/// <param name="Costs">What is not ideal about it, by name; empty where all is well.</param>
/// <param name="OtherCost">What the whole passage would cost more if this stroke went the other way.</param>
public sealed record BowChoice(
    Stroke Stroke,
    BowDirection Direction,
    BowJoin Join,
    bool Marked,
    IReadOnlyList<BowCost> Costs,
    double OtherCost
)
{
    /// <summary>What speaks against the other direction, by name; empty where nothing does.</summary>
    public IReadOnlyList<BowCost> Against { get; init; } = [];
}

/// <summary>The bowing of a part.</summary>
/// <param name="Part">The part's id.</param>
/// <param name="Cost">Its cost.</param>
/// <param name="Choices">One a stroke.</param>
public sealed record BowPlan(string Part, double Cost, IReadOnlyList<BowChoice> Choices);
