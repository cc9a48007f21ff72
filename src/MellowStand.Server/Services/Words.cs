namespace MellowStand.Server.Services;

/// <summary>Values of the program as the interface spells them.</summary>
internal static class Words
{
    /// <summary>A value in small letters, e.g. <c>accepted</c>; null stays null.</summary>
    public static string? Of<T>(T? value)
        where T : struct, Enum => value?.ToString().ToLowerInvariant();

    /// <summary>A value in small letters, e.g. <c>open</c>.</summary>
    public static string Of<T>(T value)
        where T : struct, Enum => value.ToString().ToLowerInvariant();
}
