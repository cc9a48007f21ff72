using System.Globalization;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Formats.MusicXml;

/// <summary>How much one file may hold. All limits of what is taken in stand here, each far above any score that an ensemble plays, so
/// that no file takes more than 5 s and 1 GB.</summary>
/// <remarks>For comparison: a symphony for full orchestra has some 40 staves, 1,500 measures and 150,000 notes; an opera's act some 3,000
/// measures. Common practice, no published source; the limits are ours, and <c>ExtremeFileTests</c> holds what files at them
/// cost.</remarks>
public static class ScoreLimits
{
    /// <summary>The largest file, packed or plain, in bytes.</summary>
    public const int FileBytes = 32 * 1024 * 1024;

    /// <summary>The most bytes that a packed file may unfold to.</summary>
    public const int UnpackedBytes = 96 * 1024 * 1024;

    /// <summary>How many times its packed size a packed file may unfold to, above <see cref="FreelyUnpackedBytes"/>. Scores reach 20 to
    /// 60.</summary>
    public const int UnpackedRatio = 250;

    /// <summary>What a packed file may unfold to whatever its packed size, in bytes.</summary>
    public const int FreelyUnpackedBytes = 2 * 1024 * 1024;

    /// <summary>Files in a packed score.</summary>
    public const int PackedFiles = 500;

    /// <summary>Characters before the first element: declaration, document type, comments.</summary>
    public const int PrologCharacters = 64 * 1024;

    /// <summary>XML elements.</summary>
    public const int Elements = 2_000_000;

    /// <summary>XML attributes.</summary>
    public const int Attributes = 3_000_000;

    /// <summary>How deep elements may lie in each other. MusicXML 4.0 goes to about 12.</summary>
    public const int Depth = 64;

    /// <summary>Parts.</summary>
    public const int Parts = 150;

    /// <summary>Measures.</summary>
    public const int Measures = 6_000;

    /// <summary>Measures of all parts together.</summary>
    public const int Cells = 100_000;

    /// <summary>Notes, chord members and rests of all parts together.</summary>
    public const int Notes = 200_000;

    /// <summary>Notes, chord members and rests of one part in one measure.</summary>
    public const int NotesAMeasure = 1_500;

    /// <summary>Signs above and below the staff of one part in one measure.</summary>
    public const int SignsAMeasure = 200;

    /// <summary>Signs above and below the staff of all parts together.</summary>
    public const int Signs = 100_000;

    /// <summary>Quarters in a measure: a cadenza without bar lines has some 200.</summary>
    public const int QuartersAMeasure = 1_000;

    /// <summary>Quarters in all: three quarters of a day at a walking pace.</summary>
    public const int Quarters = 100_000;

    /// <summary>Into how many a quarter may be divided, over all divisions that meet; real files reach some 50,000.</summary>
    public const int QuarterDividedBy = 2_000_000;

    /// <summary>Groups of beats in a meter.</summary>
    public const int MeterGroups = 32;

    /// <summary>Letters that are kept of words above the staff, of a title or a syllable; the file itself keeps all.</summary>
    public const int LettersOfWords = 1_000;

    /// <summary>Letters that are kept of a part's name.</summary>
    public const int LettersOfName = 200;

    /// <summary>Throws when there is more than a limit allows.</summary>
    /// <param name="count">How many there are.</param>
    /// <param name="limit">How many there may be.</param>
    /// <param name="of">What is counted, e.g. <c>parts</c>.</param>
    /// <exception cref="ScoreFormatException">There are more.</exception>
    internal static void Check(long count, int limit, string of)
    {
        if (count > limit)
            throw TooMany(limit, of);
    }

    /// <summary>Throws when a moment lies too far from where it is counted from, or between the finest divisions.</summary>
    /// <param name="quarters">The moment.</param>
    /// <param name="limit">How many quarters there may be.</param>
    /// <param name="where">What lasts so long, e.g. <c>a measure</c>.</param>
    /// <exception cref="ScoreFormatException">It does.</exception>
    internal static void CheckTime(Fraction quarters, int limit, string where)
    {
        if (quarters.Denominator > QuarterDividedBy)
            throw TooMany(QuarterDividedBy, "divisions of a quarter");
        if (quarters.Numerator > limit * quarters.Denominator)
            throw TooMany(limit, $"quarters in {where}");
    }

    /// <summary>The refusal of what is over a limit.</summary>
    internal static ScoreFormatException TooMany(int limit, string of) =>
        new(
            $"The file holds more than {limit.ToString("N0", CultureInfo.InvariantCulture)} {of}, which no score for players "
                + $"does. Export it in "
                + "smaller pieces, one movement a file."
        );
}
