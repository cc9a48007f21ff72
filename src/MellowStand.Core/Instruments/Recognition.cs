using System.Globalization;
using System.Text.RegularExpressions;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Instruments;

/// <summary>Which instrument a part is for, and how sure that is.</summary>
/// <param name="Instrument">The instrument, or null when nothing fits.</param>
/// <param name="Confidence">0 (a guess) to 1 (named and confirmed by its transposition).</param>
/// <param name="Desk">The number in the name (the 2 of "Clarinet 2"), or null.</param>
public sealed record Recognized(Instrument? Instrument, double Confidence, string? Desk);

/// <summary>Recognises a part's instrument from its name, abbreviation, sound, MIDI program, clef and transposition.</summary>
/// <remarks>Weights are ours: a whole name counts most, a program or transposition only confirms. Sound names: MusicXML 4.0,
/// standard sounds.</remarks>
public static partial class Recognition
{
    private static readonly Dictionary<string, Instrument> BySound = Catalog
        .All.SelectMany(i => i.Sounds.Select(s => (Sound: s, Instrument: i)))
        .ToDictionary(x => x.Sound, x => x.Instrument, StringComparer.Ordinal);

    /// <summary>What a correction is remembered by: the printed name without its desk number, and the transposition.</summary>
    public static string KeyOf(Part part) =>
        string.Create(CultureInfo.InvariantCulture, $"{Normalize(part.Name)}|{part.Transposition.Semitones}");

    /// <summary>Recognises an instrument by its name alone, as a list of players has it; null when nothing fits.</summary>
    public static Instrument? Named(string name) => Catalog.Find(name) ?? ByName(Normalize(name)).FirstOrDefault();

    /// <summary>Recognises a part.</summary>
    /// <param name="part">The part.</param>
    /// <param name="learned">What the school has corrected before: <see cref="KeyOf"/> to instrument id.</param>
    public static Recognized Of(Part part, IReadOnlyDictionary<string, string>? learned = null)
    {
        if (learned is not null && learned.TryGetValue(KeyOf(part), out var taught) && Catalog.Find(taught) is { } known)
            return new Recognized(known, 1, Desk(part.Name));
        var scores = new Dictionary<Instrument, double>();
        Count(scores, ByName(Normalize(part.Name)), 0.7);
        Count(scores, ByName(Normalize(part.Abbreviation)), 0.25);
        if (part.Sound is { } sound && BySound.TryGetValue(sound, out var sounding))
            Count(scores, [sounding], 0.5);
        var named = scores.Count > 0;
        foreach (var instrument in named ? [.. scores.Keys] : Catalog.All)
            scores[instrument] = scores.GetValueOrDefault(instrument) + Confirmation(instrument, part, named);
        if (scores.Count == 0)
            return new Recognized(null, 0, Desk(part.Name));
        var best = scores.MaxBy(s => s.Value);
        var sure = Math.Round(Math.Min(1, best.Value), 2);
        return best.Value < 0.25
            ? new Recognized(null, 0, Desk(part.Name))
            : new Recognized(SungNames.Of(Variant(best.Key, part), Normalize(part.Name), part), sure, Desk(part.Name));
    }

    private static void Count(Dictionary<Instrument, double> scores, IEnumerable<Instrument> found, double weight)
    {
        foreach (var i in found)
            scores[i] = scores.GetValueOrDefault(i) + weight;
    }

    private static double Confirmation(Instrument instrument, Part part, bool named)
    {
        var sum = 0.0;
        if (part.MidiProgram is { } p && p == instrument.Program && p > 1)
            sum += named ? 0.15 : 0.3;
        if (instrument.Transposition.Semitones == part.Transposition.Semitones)
            sum += named ? 0.15 : 0;
        if (part.Clef is { } clef && clef == instrument.Clef)
            sum += 0.05;
        return sum;
    }

    // The same name with another transposition is another instrument: a clarinet that sounds a third lower is in A.
    // A part without transposition says nothing: it may be a score in concert pitch.
    private static Instrument Variant(Instrument found, Part part)
    {
        var semitones = part.Transposition.Semitones;
        if (semitones == 0 || found.Transposition.Semitones == semitones)
            return found;
        return found.InOtherKeys.Select(Catalog.Find).FirstOrDefault(i => i!.Transposition.Semitones == semitones) ?? found;
    }

    private static IEnumerable<Instrument> ByName(string name)
    {
        if (name.Length == 0)
            return [];
        var matches = Catalog
            .All.SelectMany(i => i.Names.Select(n => (Instrument: i, Name: n)))
            .Where(x => ContainsWord(name, x.Name))
            .ToList();
        var longest = matches.Count == 0 ? 0 : matches.Max(m => m.Name.Length);
        return matches.Where(m => m.Name.Length == longest).Select(m => m.Instrument).Distinct().Take(1);
    }

    private static bool ContainsWord(string text, string word)
    {
        for (var i = text.IndexOf(word, StringComparison.Ordinal); i >= 0; i = text.IndexOf(word, i + 1, StringComparison.Ordinal))
        {
            var end = i + word.Length;
            if ((i == 0 || text[i - 1] == ' ') && (end == text.Length || text[end] == ' '))
                return true;
        }

        return false;
    }

    private static string Normalize(string name)
    {
        var text = name.ToLowerInvariant()
            .Replace('♭', 'b')
            .Replace("(", " ", StringComparison.Ordinal)
            .Replace(")", " ", StringComparison.Ordinal);
        text = Ordinals().Replace(text, " ");
        text = Keys().Replace(text, m => m.Groups[1].Value is "eb" or "es" ? " eb " : " ");
        text = NotLetters().Replace(text, " ");
        return Spaces().Replace(text, " ").Trim();
    }

    // "1 & 2", "I, II", "1.3." and "2nd" all name desks; several are joined by dots.
    private static string? Desk(string name)
    {
        var desks = DeskNumber().Matches(name).Select(m => m.Value).ToList();
        if (desks.Count == 0)
            desks = [.. Roman().Matches(name).Select(m => RomanDesks[m.Value])];
        return desks.Count == 0 ? null : string.Join('.', desks.Distinct());
    }

    private static readonly Dictionary<string, string> RomanDesks = new()
    {
        ["I"] = "1",
        ["II"] = "2",
        ["III"] = "3",
        ["IV"] = "4",
    };

    [GeneratedRegex(@"\b\d+(st|nd|rd|th|er|e|\.)?\b|\b(i|ii|iii|iv|solo|erste|zweite|1st|2nd)\b")]
    private static partial Regex Ordinals();

    [GeneratedRegex(@"\b(?:in )?(bb|b|eb|es|f)\b(?! clef)")]
    private static partial Regex Keys();

    [GeneratedRegex(@"[^\p{L}]+")]
    private static partial Regex NotLetters();

    [GeneratedRegex(" +")]
    private static partial Regex Spaces();

    [GeneratedRegex(@"\d+")]
    private static partial Regex DeskNumber();

    [GeneratedRegex(@"\b(IV|I{1,3})\b")]
    private static partial Regex Roman();
}
