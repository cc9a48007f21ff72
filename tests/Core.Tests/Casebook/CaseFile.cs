using System.Text.RegularExpressions;

namespace MellowStand.Core.Tests.Casebook;

/// <summary>A small piece of music, the musical reason, and what the product must say of it.</summary>
/// <param name="Id">Its name.</param>
/// <param name="Why">The reason, in words.</param>
/// <param name="Music">The music in the short form.</param>
/// <param name="Clean">The same music as it was meant; empty where nothing asks for it.</param>
/// <param name="Checks">What is asked: see <see cref="CaseFile"/>.</param>
public sealed record MusicCase(string Id, string Why, string Music, string Clean, IReadOnlyList<string> Checks);

/// <summary>Reads the <c>.cases</c> files beside it.</summary>
/// <remarks>
/// <c># name</c> begins a case, <c>&gt;</c> its reason, <c>=</c> a check, <c>*</c> music as it was meant, all else is
/// music. Measures are places from 0.
/// <c>study RULES FROM-TO /words/</c>: such a finding touches these measures; <c>quiet</c>: none does; <c>shown</c>: it is told by default;
/// <c>window</c>: ends in quarters a minute as <c>goal:LOW..HIGH</c> or <c>fastest:none</c>, <c>words:</c> and <c>not:</c> of what is said;
/// <c>choice NOTE code …</c>: notes are counted from 1, and one of these codes (or <c>/patterns/</c>) is taken; <c>never</c>: none is;
/// <c>same</c> and <c>differ</c>: notes with one code, and with two; <c>why NOTE /words/</c>; <c>trouble FROM-TO /words/</c> and
/// <c>calm</c>: a trouble spot in the measures of these notes, and none; <c>slur NOTE kind</c>; <c>bow NOTE direction</c>;
/// <c>unify KINDS FROM-TO sure|likely|yours /mark/ into:PARTS</c>: such an entry is there, parts counted from 0; <c>agree</c>: none is;
/// <c>sureless</c>: no entry is sure; <c>mended N</c>: with all sure ones taken so many notes at most are unlike the clean music;
/// <c>cut</c>: a passage <c>begins:</c>, or does <c>not:</c> begin, at a measure; <c>counting MEASURE line</c>.
/// </remarks>
public static partial class CaseFile
{
    /// <summary>All cases by name.</summary>
    public static IReadOnlyDictionary<string, MusicCase> All { get; } =
        Directory
            .EnumerateFiles(Path.Combine(Reference.RepositoryRoot, "tests", "Core.Tests", "Casebook"), "*.cases")
            .SelectMany(file => CaseBegins().Split(File.ReadAllText(file)).Where(text => text.Trim().Length > 0))
            .Select(Read)
            .ToDictionary(c => c.Id);

    private static MusicCase Read(string text)
    {
        var lines = text.Split('\n', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries);
        string[] Of(char sign) => [.. lines.Skip(1).Where(l => l[0] == sign).Select(l => l[2..])];
        return new MusicCase(
            lines[0],
            string.Join(' ', Of('>')),
            string.Join('\n', lines.Skip(1).Where(l => l[0] is not ('>' or '=' or '*'))),
            string.Join('\n', Of('*')),
            Of('=')
        );
    }

    [GeneratedRegex("^# ", RegexOptions.Multiline)]
    private static partial Regex CaseBegins();
}
