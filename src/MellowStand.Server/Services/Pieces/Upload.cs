using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Layers;

namespace MellowStand.Server.Services;

/// <summary>A score file as it came from outside, read or refused in a sentence that names it.</summary>
internal sealed record Upload(string Name, Edition Edition)
{
    // A file at the limits takes most of a gigabyte while it is read: others wait for their turn.
    private static readonly SemaphoreSlim Turns = new(2);

    /// <summary>Reads an uploaded file.</summary>
    /// <exception cref="Refusal">It is too large, or no score.</exception>
    public static Upload Of(IFormFile file, CancellationToken cancelled)
    {
        var (name, bytes) = Bytes(file);
        return Read(name, bytes, cancelled);
    }

    /// <summary>Takes the bytes of an uploaded file, unread.</summary>
    /// <exception cref="Refusal">It is too large.</exception>
    public static (string Name, byte[] Bytes) Bytes(IFormFile file)
    {
        if (file.Length > ScoreLimits.FileBytes)
            throw new Refusal(
                StatusCodes.Status413PayloadTooLarge,
                "The file is larger than 32 MB. Export the score without pictures and sounds, as MusicXML."
            );
        using var stream = new MemoryStream();
        file.CopyTo(stream);
        return (Names.Clean(Path.GetFileName(file.FileName)), stream.ToArray());
    }

    /// <summary>Reads the bytes of a file.</summary>
    /// <exception cref="Refusal">It is no score.</exception>
    public static Upload Read(string name, byte[] bytes, CancellationToken cancelled = default)
    {
        Turns.Wait(cancelled);
        try
        {
            return new Upload(name, Edition.Read(bytes, cancelled));
        }
        catch (ScoreFormatException e)
        {
            throw new Refusal(StatusCodes.Status422UnprocessableEntity, $"{name}: {e.Message}");
        }
        finally
        {
            Turns.Release();
        }
    }
}
