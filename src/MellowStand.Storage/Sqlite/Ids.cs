namespace MellowStand.Storage;

/// <summary>Number of a player. Numbers that stand side by side are types, so that none is given for another.</summary>
/// <param name="Value">The number as it is kept and told.</param>
public readonly record struct PlayerId(long Value);

/// <summary>Number of a section.</summary>
/// <param name="Value">The number as it is kept and told.</param>
public readonly record struct SectionId(long Value);

/// <summary>Number of a passage that was handed out.</summary>
/// <param name="Value">The number as it is kept and told.</param>
public readonly record struct PassageId(long Value);

/// <summary>Numbers to ids and back, many at once.</summary>
public static class Ids
{
    /// <summary>Numbers of players.</summary>
    public static IReadOnlyList<PlayerId> Players(this IEnumerable<long> numbers) => [.. numbers.Select(n => new PlayerId(n))];

    /// <summary>Numbers of sections.</summary>
    public static IReadOnlyList<SectionId> Sections(this IEnumerable<long> numbers) => [.. numbers.Select(n => new SectionId(n))];

    /// <summary>Numbers of passages.</summary>
    public static IReadOnlyList<PassageId> Passages(this IEnumerable<long> numbers) => [.. numbers.Select(n => new PassageId(n))];

    /// <summary>The numbers, as they are told.</summary>
    public static IReadOnlyList<long> Values(this IEnumerable<PlayerId> ids) => [.. ids.Select(i => i.Value)];

    /// <summary>The numbers, as they are told.</summary>
    public static IReadOnlyList<long> Values(this IEnumerable<SectionId> ids) => [.. ids.Select(i => i.Value)];

    /// <summary>The numbers, as they are told.</summary>
    public static IReadOnlyList<long> Values(this IEnumerable<PassageId> ids) => [.. ids.Select(i => i.Value)];
}
