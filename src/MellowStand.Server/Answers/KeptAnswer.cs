namespace MellowStand.Server.Answers;

/// <summary>An answer as it was given, packed.</summary>
/// <param name="Packed">Its body in gzip.</param>
/// <param name="Length">Length of the body unpacked, in bytes.</param>
/// <param name="ContentType">Its media type.</param>
/// <param name="Disposition">The name of a file, or null.</param>
internal sealed record KeptAnswer(byte[] Packed, long Length, string? ContentType, string? Disposition);

/// <summary>Marks a route whose answer rests on nothing but its piece and the school.</summary>
/// <param name="OnDay">True where it also tells how far away a day is.</param>
/// <param name="OnPassages">True where it also rests on the passages that were handed out.</param>
internal sealed record KeepAnswer(bool OnDay, bool OnPassages = false);

/// <summary>Marks routes.</summary>
internal static class KeepAnswers
{
    /// <summary>Keeps the answers of a GET of a piece as long as the counters of piece and school stand still.</summary>
    /// <param name="route">The route, with <c>{id}</c>.</param>
    /// <param name="onDay">True where the answer also tells how far away a day is.</param>
    /// <param name="onPassages">True where it also rests on the passages that were handed out.</param>
    public static TBuilder KeepAnswer<TBuilder>(this TBuilder route, bool onDay = false, bool onPassages = false)
        where TBuilder : IEndpointConventionBuilder => route.WithMetadata(new KeepAnswer(onDay, onPassages));
}
