using MellowStand.Core.Formats.MusicXml;

namespace MellowStand.Core.Formats;

/// <summary>The forms in which scores come.</summary>
public static class ScoreFormats
{
    /// <summary>Those that are tried, in order; the last takes what no other knows, and says what is wrong with it.</summary>
    public static IReadOnlyList<IScoreFormat> All { get; } = [new PackedMusicXml(), new PlainMusicXml()];

    /// <summary>The form of a file.</summary>
    public static IScoreFormat Of(byte[] bytes) => All.First(f => f.Recognises(bytes));

    /// <summary>Reads a file in whatever form it is.</summary>
    /// <exception cref="ScoreFormatException">It is in none, over a limit, damaged, or not safe.</exception>
    public static ScoreSource Read(byte[] bytes, CancellationToken cancelled = default) => Of(bytes).Read(bytes, cancelled);
}
