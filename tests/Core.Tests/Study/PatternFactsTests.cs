using System.Text.Json;
using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;
using MellowStand.Core.Study;

namespace MellowStand.Core.Tests.Study;

/// <summary>Chords, scales and signatures against tests/reference/facts (music21 10.5.1).</summary>
public sealed class PatternFactsTests
{
    [Fact]
    public void Every_chord_of_the_facts_is_named()
    {
        using var facts = JsonDocument.Parse(Reference.Bytes("facts/chords.json"));
        var names = new Dictionary<string, string>
        {
            ["major triad"] = "major",
            ["minor triad"] = "minor",
            ["diminished triad"] = "diminished",
            ["augmented triad"] = "augmented",
            ["dominant seventh chord"] = "dominant 7th",
            ["diminished seventh chord"] = "diminished 7th",
            ["minor seventh chord"] = "minor 7th",
            ["major seventh chord"] = "major 7th",
            ["half-diminished seventh chord"] = "half-diminished 7th",
        };
        var seen = new HashSet<string>();
        foreach (var fact in facts.RootElement.EnumerateArray())
        {
            var midi = fact.GetProperty("midi").EnumerateArray().Select(m => m.GetInt32()).ToList();
            var kind = fact.GetProperty("kind").GetString()!;
            var found = Chords.Find(midi, midi[0] % 12);
            Assert.NotNull(found);
            var wanted = names
                .Where(n =>
                    kind.Contains(n.Key, StringComparison.OrdinalIgnoreCase)
                    || n.Key.StartsWith(kind, StringComparison.OrdinalIgnoreCase)
                    || kind.Replace("-", " ", StringComparison.Ordinal)
                        .StartsWith(n.Value.Replace("7th", "seventh", StringComparison.Ordinal), StringComparison.OrdinalIgnoreCase)
                )
                .OrderByDescending(n => n.Key.Length)
                .Select(n => n.Value)
                .FirstOrDefault();
            Assert.True(wanted == found.Value.Quality.Name, $"{kind} is told as {found.Value.Quality.Name}");
            Assert.Equal(midi[0] % 12, found.Value.Root);
            seen.Add(kind);
        }

        Assert.True(seen.Count >= 4, string.Join(", ", seen));
    }

    [Fact]
    public void Every_scale_of_the_facts_is_named_and_its_signature_counts_right()
    {
        using var facts = JsonDocument.Parse(Reference.Bytes("facts/scales.json"));
        foreach (var fact in facts.RootElement.EnumerateArray())
        {
            var (mode, fifths) = (fact.GetProperty("mode").GetString()!, fact.GetProperty("fifths").GetInt32());
            var names = fact.GetProperty("names").EnumerateArray().Select(n => n.GetString()!).ToList();
            var signature = new KeySignature(fifths, mode.Contains("minor", StringComparison.Ordinal) ? "minor" : "major");
            Assert.Equal(
                names[0].Replace("b", "♭", StringComparison.Ordinal).Replace("#", "♯", StringComparison.Ordinal),
                signature.Name.Split(' ')[0]
            );
            if (Math.Abs(fifths) > 6)
                continue;
            var octave = 4;
            var last = -1;
            var notes = names
                .Select(n =>
                {
                    var letter = "CDEFGAB".IndexOf(n[0], StringComparison.Ordinal);
                    if (letter <= last)
                        octave++;
                    last = letter;
                    return $"{n}{octave}e";
                })
                .ToList();
            var score = ShortFormReader.Score($"key:{fifths} meter:4/4 | {string.Join(' ', notes)}");
            var found = StudyDesk.Examine(new StudyContext(score, House.Default), score.Parts, 0, 0).Where(f => f.Rule == "scale").ToList();
            var name = $"{signature.Name.Split(' ')[0]} {mode.Replace("natural ", "", StringComparison.Ordinal)} scale";
            Assert.True(found.Count == 1 && Same(found[0].Title, name), $"{name}: {string.Join(", ", found.Select(f => f.Title))}");
        }
    }

    // G♭ and F♯ are one scale to the hand.
    private static bool Same(string told, string wanted) =>
        told == wanted
        || (told.Split(' ', 2)[1] == wanted.Split(' ', 2)[1] && Enharmonic(told.Split(' ')[0]) == Enharmonic(wanted.Split(' ')[0]));

    private static int Enharmonic(string name) =>
        Pitch.Parse(name.Replace("♭", "b", StringComparison.Ordinal).Replace("♯", "#", StringComparison.Ordinal) + "4").PitchClass;
}
