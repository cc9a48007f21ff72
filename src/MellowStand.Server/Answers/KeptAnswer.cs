using MellowStand.Storage;

namespace MellowStand.Server.Answers;

/// <summary>An answer as it was given, packed.</summary>
/// <param name="Packed">Its body in gzip.</param>
/// <param name="Length">Length of the body unpacked, in bytes.</param>
/// <param name="ContentType">Its media type.</param>
/// <param name="Disposition">The name of a file, or null.</param>
internal sealed record KeptAnswer(byte[] Packed, long Length, string? ContentType, string? Disposition);

/// <summary>Marks a route whose answer is kept.</summary>
/// <param name="On">All that it rests on.</param>
internal sealed record KeepAnswer(RestsOn On);

/// <summary>Marks routes.</summary>
internal static class KeepAnswers
{
    /// <summary>Keeps the answers of a GET as long as the counters of all that they rest on stand still.</summary>
    /// <param name="route">The route, with <c>{id}</c> where it rests on one piece.</param>
    /// <param name="on">All that its answers rest on; the piece and the school when left out.</param>
    public static TBuilder KeepAnswer<TBuilder>(this TBuilder route, RestsOn on = RestsOn.Piece | RestsOn.School)
        where TBuilder : IEndpointConventionBuilder => route.WithMetadata(new KeepAnswer(on));
}
