using MellowStand.Core.Tempo;
using MellowStand.Storage;

namespace MellowStand.Server.Services;

/// <summary>A passage as a director wants it; what is left out is worked out.</summary>
/// <param name="Parts">Ids of the parts that have it.</param>
/// <param name="From">Label of the first measure, or null for the first.</param>
/// <param name="To">Label of the last measure, or null for the last.</param>
/// <param name="Due">The day to be ready on.</param>
public sealed record PassageWish(IReadOnlyList<string> Parts, string? From, string? To, DateOnly Due)
{
    /// <summary>A few words, or null to name it by its measures.</summary>
    public string? Title { get; init; }

    /// <summary>First tempo and goal, or null to take those of its window.</summary>
    public (TempoMark Start, TempoMark Goal)? Tempos { get; init; }

    /// <summary>How the ladder climbs.</summary>
    public LadderBy By { get; init; } = LadderBy.Step;

    /// <summary>Size of its steps, or null for the usual one.</summary>
    public double? Value { get; init; }

    /// <summary>Sections it is for; with no players either, those who are seated at its parts.</summary>
    public IReadOnlyList<SectionId> Sections { get; init; } = [];

    /// <summary>Players it is for.</summary>
    public IReadOnlyList<PlayerId> Players { get; init; } = [];

    /// <summary>A word to the players, or null.</summary>
    public string? Note { get; init; }
}
