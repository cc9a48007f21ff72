using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Notation;

namespace MellowStand.Server.Services;

/// <summary>A score file as it came from outside, read or refused in a sentence that names it.</summary>
internal sealed record Upload(string Name, byte[] Bytes, Score Score)
{
    /// <summary>Reads an uploaded file.</summary>
    /// <exception cref="Refusal">It is too large, or no score.</exception>
    public static Upload Of(IFormFile file)
    {
        if (file.Length > ScoreFile.MaxBytes)
            throw new Refusal(
                StatusCodes.Status413PayloadTooLarge,
                "The file is larger than 32 MB. Export the score without pictures and sounds, as MusicXML."
            );
        using var stream = new MemoryStream();
        file.CopyTo(stream);
        var bytes = stream.ToArray();
        var name = Names.Clean(Path.GetFileName(file.FileName));
        try
        {
            return new Upload(name, bytes, ScoreReader.Read(bytes));
        }
        catch (ScoreFormatException e)
        {
            throw new Refusal(StatusCodes.Status422UnprocessableEntity, $"{name}: {e.Message}");
        }
    }
}
