using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;
using MellowStand.Core.Reading;
using MellowStand.Core.Study;
using System.Globalization;

namespace MellowStand.Core.Tests.Study;

/// <summary>Findings on music that a fixed seed has made or altered, so that the right answer is known.</summary>
public sealed class GeneratedStudyTests
{
    // Scores that begin in the key they print. The song with endings does not: its first phrase is in F with every B flat written in,
    // under a signature of no flats.
    private static readonly string[] KeySources =
    [
        "scores/hymn-four-parts.mxl",
        "scores/song-six-parts.mxl",
        "scores/trio-two-violins-bass.xml",
        "scores/solo-clarinet-and-piano.mxl",
    ];

    /// <summary>Halves of the reference scores (tests/reference), the second transposed to another key and joined with no new signature:
    /// the key and, within a measure, the place, in at least 90 of 100 cases.</summary>
    [Fact]
    public void A_hidden_key_is_found_where_it_begins()
    {
        var random = new Random(2107);
        var right = 0;
        var told = new List<string>();
        for (var i = 0; i < 100; i++)
        {
            var file = KeySources[i % KeySources.Length];
            var score = ScoreReader.Read(Reference.Bytes(file));
            var shift = new[] { 1, 2, 3, 4, -1, -2, -3, -4 }[random.Next(8)];
            var length = Math.Min(score.Measures.Count, 16);
            var boundary = (length / 2) + random.Next(-2, 3);
            var joined = Join(score, length, boundary, shift);
            var keys = KeyFinder.Stretches(joined);
            var home =
                (
                    (
                        score
                            .Parts[0]
                            .Measures[0]
                            .Key.Written(
                                new Transposition(-score.Parts[0].Transposition.Diatonic, -score.Parts[0].Transposition.Chromatic, 0)
                            )
                            .Fifths
                        * 7
                        % 12
                    ) + 12
                ) % 12;
            var found = keys.FirstOrDefault(k =>
                k.From >= boundary - 1 && k.From <= boundary + 1 && k.RelativeMajor == ((home + shift) % 12 + 12) % 12
            );
            if (found is not null)
                right++;
            else
                told.Add(
                    $"{Path.GetFileName(file)} at {boundary} by {shift}: "
                        + $"{string.Join(' ', keys.Select(k => $"{k.From}:{k.RelativeMajor}"))}"
                );
        }

        TestContext.Current.TestOutputHelper!.WriteLine($"hidden key: {right} of 100");
        Assert.True(right >= 90, $"{right} of 100; {string.Join("; ", told.Take(8))}");
    }

    /// <summary>Four to eight measures of the reference scores in another key, with the home key before and after them: the key is found,
    /// and the stretch to a measure on either side, in at least 85 of 100 cases.</summary>
    [Fact]
    public void A_hidden_key_of_a_few_measures_is_found()
    {
        var random = Seeds.Random(7105);
        var right = 0;
        for (var i = 0; i < 100; i++)
        {
            var score = ScoreReader.Read(Reference.Bytes(KeySources[i % KeySources.Length]));
            var shift = new[] { 1, 2, 3, 4, -1, -2, -3, -4 }[random.Next(8)];
            var (before, length) = (8, Math.Min(4 + random.Next(5), score.Measures.Count - 8));
            var joined = Join(score, before + length, before, shift);
            var home = KeyFinder.Stretches(Join(score, before, before, 0))[0].RelativeMajor;
            var found = KeyFinder.Stretches(joined).FirstOrDefault(k => k.From >= before - 1 && k.From <= before + 1);
            if (found is not null && found.RelativeMajor == (home + shift + 12) % 12)
                right++;
        }

        TestContext.Current.TestOutputHelper!.WriteLine($"hidden key of a few measures: {right} of 100");
        Assert.True(right >= 85, $"{right} of 100");
    }

    /// <summary>A passage of eight measures comes again with one note, one articulation or one ending altered: the return is told with its
    /// difference.</summary>
    [Theory]
    [InlineData("note")]
    [InlineData("articulation")]
    [InlineData("ending")]
    public void A_return_with_one_difference_is_found(string alteration)
    {
        var random = new Random(431);
        var found = 0;
        const int Cases = 100;
        for (var i = 0; i < Cases; i++)
        {
            var passage = Passage(random);
            var place = alteration == "ending" ? 7 : random.Next(8);
            var altered = passage.Select((m, k) => k == place ? Alter(m, alteration, random) : m).ToList();
            var findings = Returns(passage, altered);
            if (findings.Any(f => f.Severity == Severity.Warn && f.Why.Contains($"measure {13 + place} ", StringComparison.Ordinal)))
                found++;
        }

        TestContext.Current.TestOutputHelper!.WriteLine($"{alteration}: {found} of {Cases}");
        Assert.True(found >= 0.95 * Cases, $"{found} of {Cases}");
    }

    [Fact]
    public void An_unaltered_copy_raises_no_alarm()
    {
        var random = new Random(977);
        var alarms = 0;
        const int Cases = 100;
        for (var i = 0; i < Cases; i++)
        {
            var passage = Passage(random);
            var findings = Returns(passage, passage);
            if (findings.Any(f => f.Severity == Severity.Warn))
                alarms++;
            Assert.Contains(findings, f => f.Severity == Severity.Tell && f.From == 12 && f.To == 19);
        }

        Assert.True(alarms <= 0.05 * Cases, $"{alarms} of {Cases}");
    }

    /// <summary>Chromatic runs of random length and place, one step widened: found; left alone: quiet.</summary>
    [Fact]
    public void A_chromatic_run_with_one_note_skipped_is_found()
    {
        var random = new Random(555);
        var (found, alarms) = (0, 0);
        for (var i = 0; i < 100; i++)
        {
            var length = random.Next(7, 13);
            var start = random.Next(60, 72);
            var odd = random.Next(2, length - 3);
            if (NearMisses(Run(start, length, odd)) == 1)
                found++;
            if (NearMisses(Run(start, length, -1)) > 0)
                alarms++;
        }

        Assert.True(found >= 95, $"{found} of 100");
        Assert.True(alarms <= 5, $"{alarms} false alarms");
    }

    private static int NearMisses(string music)
    {
        var score = ShortFormReader.Score(music);
        return StudyDesk.Examine(new StudyContext(score, House.Default), score.Parts, 0, 99).Count(f => f.Rule == "near-miss");
    }

    private static string Run(int start, int length, int odd)
    {
        string[] names = ["C", "C#", "D", "D#", "E", "F", "F#", "G", "G#", "A", "A#", "B"];
        var midi = start;
        var notes = new List<string>();
        for (var i = 0; i < length; i++)
        {
            notes.Add($"{names[midi % 12]}{(midi / 12) - 1}s");
            midi += i == odd ? 2 : 1;
        }

        return "meter:4/4 | " + string.Join(' ', notes) + " rq rq";
    }

    private static List<string> Passage(Random random)
    {
        string[] rhythms = ["q q q q", "e e q e e q", "q. e h", "h q q", "e e e e h"];
        return
        [
            .. Enumerable
                .Range(0, 8)
                .Select(_ =>
                    string.Join(
                        ' ',
                        rhythms[random.Next(rhythms.Length)]
                            .Split(' ')
                            .Select(v => $"{"CDEFGAB"[random.Next(7)]}{random.Next(4, 6)}{v}{(random.Next(5) == 0 ? "(.)" : "")}")
                    )
                ),
        ];
    }

    private static string Alter(string measure, string alteration, Random random)
    {
        var words = measure.Split(' ');
        var k = random.Next(words.Length);
        if (alteration == "articulation")
            words[k] = words[k].Contains("(.)", StringComparison.Ordinal)
                ? words[k].Replace("(.)", "", StringComparison.Ordinal)
                : words[k] + "(>)";
        else if (alteration == "note")
            words[k] =
                (
                    words[k][0] == 'B'
                        ? 'A'
                        : (char)("ABCDEFG"["ABCDEFG".IndexOf(words[k][0], StringComparison.Ordinal) + (words[k][0] == 'G' ? -1 : 1)])
                ) + words[k][1..];
        else
            return "C5h C5h" == measure ? "D5h D5h" : "C5h C5h";
        return string.Join(' ', words);
    }

    private static List<Finding> Returns(List<string> first, List<string> again)
    {
        string[] between = ["C3w", "Ab3w", "Bb3h A3h", "G3w"];
        var text = "key:C meter:4/4 | " + string.Join(" | ", first.Concat(between).Concat(again)) + " | F#3w";
        var score = ShortFormReader.Score(text);
        return [.. StudyDesk.Examine(new StudyContext(score, House.Default), score.Parts, 0, 99).Where(f => f.Rule == "return")];
    }

    // The notes of all parts, the later half moved, as a score of one part a line.
    private static Score Join(Score score, int length, int boundary, int shift)
    {
        var text = new System.Text.StringBuilder();
        string[] names = ["C", "C#", "D", "D#", "E", "F", "F#", "G", "G#", "A", "A#", "B"];
        foreach (var part in score.Parts)
        {
            text.Append("part \"Part\"\nmeter:4/4 ");
            for (var m = 0; m < length; m++)
            {
                text.Append("| ");
                var sounding = part.Measures[m]
                    .Notes.Where(n => !n.IsGrace)
                    .SelectMany(n => n.Heads)
                    .Select(h => h.Sounding)
                    .OfType<int>()
                    .Distinct()
                    .Take(16)
                    .ToList();
                foreach (var key in sounding)
                {
                    var midi = key + (m >= boundary ? shift : 0);
                    text.Append(CultureInfo.InvariantCulture, $"{names[((midi % 12) + 12) % 12]}{(midi / 12) - 1}s ");
                }

                if (sounding.Count == 0)
                    text.Append("rw ");
            }

            text.Append('\n');
        }

        return ShortFormReader.Score(text.ToString());
    }
}
