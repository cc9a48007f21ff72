using System.Globalization;
using System.Text.RegularExpressions;
using MellowStand.Core.Instruments;
using MellowStand.Core.Notation;
using MellowStand.Core.Study;

namespace MellowStand.Core.Auditions;

/// <summary>What a dropped file seems to be.</summary>
/// <param name="Instrument">The instrument, or null where nothing tells.</param>
/// <param name="Kind">One of <see cref="EntryKinds.All"/>.</param>
/// <param name="IsSure">False where file and music disagree, or only the music speaks.</param>
/// <param name="Why">What it rests on.</param>
public sealed record EntryGuess(Instrument? Instrument, string Kind, bool IsSure, string Why);

/// <summary>Proposes instrument and kind of an audition piece from its names and its music.</summary>
public static partial class EntryGuesses
{
    // Above this many notes a second music is quick whatever it is called. Common practice, no published source.
    private const double QuickNotes = 3.2;
    private const double Named = 0.6;

    // Steps and thirds in one direction for most of the way: nothing but scales.
    private const double ScaleShare = 0.94;

    /// <summary>Proposes.</summary>
    /// <param name="fileName">Name of the file.</param>
    /// <param name="study">What is known of the music.</param>
    /// <param name="learned">What the school has corrected before.</param>
    public static EntryGuess Of(string fileName, StudyContext study, IReadOnlyDictionary<string, string>? learned = null)
    {
        var part = study.Score.Parts[0];
        var name = Plain(Path.GetFileNameWithoutExtension(fileName));
        var (instrument, sure, why) = InstrumentOf(name, Recognition.Of(part, learned));
        var (kind, isKindSure, kindWhy) = KindOf($"{name} {Plain(study.Score.Title)}", study, part);
        return new EntryGuess(instrument, kind, sure && isKindSure, $"{why}; {kindWhy}");
    }

    private static (Instrument?, bool, string) InstrumentOf(string name, Recognized inMusic)
    {
        var inName = Recognition.Named(name);
        if (inMusic.Instrument is { } read && inMusic.Confidence >= Named)
            return inName is null || inName.Id == read.Id || IsNamedIn(name, read)
                ? (read, true, $"the part is for {read.Name}")
                : (read, false, $"the part is for {read.Name}, but the file is named for {inName.Name}");
        if (inName is not null)
            return (inName, inMusic.Instrument is null || inMusic.Instrument.Id == inName.Id, $"the file is named for {inName.Name}");
        return inMusic.Instrument is { } guessed
            ? (guessed, false, $"its clef and sound are those of {guessed.Name}")
            : (null, false, "nothing names an instrument");
    }

    private static bool IsNamedIn(string name, Instrument instrument) =>
        instrument.Names.Any(n => $" {name} ".Contains($" {n} ", StringComparison.Ordinal));

    private static (string Kind, bool IsSure, string Why) KindOf(string names, StudyContext study, Part part)
    {
        var words = names.Split(' ', StringSplitOptions.RemoveEmptyEntries).ToHashSet();
        var hinted = EntryKinds
            .All.Select(k => (k.Name, Hint: k.Hints.FirstOrDefault(words.Contains)))
            .Where(k => k.Hint is not null)
            // "Orchestral excerpt, slow" is an excerpt, and "quick scales" are scales.
            .OrderByDescending(k => EntryKinds.PlaceOf(k.Name) >= 2)
            .ToList();
        if (hinted.Count > 0)
            return (hinted[0].Name, true, $"its name says \"{hinted[0].Hint}\"");
        if (AreScales(part))
            return ("scales", false, "it goes up and down by step");
        var speed = NotesASecond(study, part);
        var told = speed.ToString("0.0", CultureInfo.InvariantCulture);
        return speed >= QuickNotes
            ? ("technical", false, $"{told} notes a second are quick")
            : ("lyrical", false, $"{told} notes a second are slow");
    }

    private static double NotesASecond(StudyContext study, Part part)
    {
        var notes = part.Notes.Where(n => n.Sounds && !n.IsTieContinuation && !n.IsGrace).ToList();
        var seconds = notes.Sum(n => study.Seconds(n.MeasureIndex, n.SoundingDuration));
        return seconds > 0 ? notes.Count / seconds : 0;
    }

    private static bool AreScales(Part part)
    {
        var pitches = part
            .Notes.Where(n => n.Sounds && !n.IsTieContinuation && n.Top is not null)
            .Select(n => n.Top!.Value.Diatonic)
            .ToList();
        if (pitches.Count < 15)
            return false;
        var steps = pitches.Zip(pitches.Skip(1), (a, b) => b - a).ToList();
        return steps.Count(s => Math.Abs(s) <= 1) >= ScaleShare * steps.Count && Turns(steps) * 6 <= steps.Count;
    }

    private static int Turns(List<int> steps)
    {
        var moving = steps.Where(s => s != 0).Select(Math.Sign).ToList();
        return moving.Zip(moving.Skip(1), (a, b) => a != b).Count(t => t);
    }

    private static string Plain(string text) => NotLetters().Replace(text.ToLowerInvariant(), " ").Trim();

    [GeneratedRegex(@"[^\p{L}]+")]
    private static partial Regex NotLetters();
}
