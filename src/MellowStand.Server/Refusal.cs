namespace MellowStand.Server;

/// <summary>A request that is refused with a sentence: what is wrong, where, how to mend it.</summary>
#pragma warning disable CA1032, CA1710 // A refusal always has a status, and reads as what it is.
public sealed class Refusal(int status, string sentence) : Exception(sentence)
#pragma warning restore CA1032, CA1710
{
    /// <summary>The HTTP status.</summary>
    public int Status => status;

    /// <summary>404 with a sentence.</summary>
    public static Refusal NotFound(string sentence) => new(StatusCodes.Status404NotFound, sentence);

    /// <summary>400 with a sentence.</summary>
    public static Refusal BadRequest(string sentence) => new(StatusCodes.Status400BadRequest, sentence);

    /// <summary>409 with a sentence.</summary>
    public static Refusal Conflict(string sentence) => new(StatusCodes.Status409Conflict, sentence);
}
