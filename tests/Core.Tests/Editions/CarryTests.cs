using MellowStand.Core.Decisions;
using MellowStand.Core.Editions;
using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.Notation;
using MellowStand.Core.Study;

namespace MellowStand.Core.Tests.Editions;

/// <summary>Whatever lives at an address points at the same music after a new edition, or says why it cannot.</summary>
public sealed class CarryTests
{
    private static readonly string[] Figures =
    [
        "C5q D5q E5q F5q",
        "G5h A5h",
        "B5q A5q G5e F5e E5q",
        "E5w",
        "C5e D5e E5e F5e G5h",
        "F5q. E5e D5h",
        "A4h. B4q",
        "D5q r D5q r",
    ];

    // What is put in has rhythms that stand nowhere else: a measure that replaces another is no edited one.
    private static readonly string[] Inserted = ["C6s D6s E6e F6q G6h", "r G5e A5e r B5q", "C5h. C5e D5e", "A5e r B5e r C6h"];

    /// <summary>Two hundred random editions: measures put in and taken out, numbers changed, parts renamed, reordered, added and
    /// gone.</summary>
    [Fact]
    public void The_music_at_each_carried_address_is_the_music_it_had()
    {
        var random = Seeds.Random(8812);
        var carriedAny = 0;
        for (var round = 0; round < 200; round++)
        {
            var (before, after) = Editions(random);
            var carry = new Carry(new EditionComparison(before, after).Map, before, after, "new");
            foreach (var address in Addresses(random, before))
            {
                var (there, reason) = carry.Of(address);
                Assert.True(there is not null || reason is { Length: > 0 }, $"round {round}: {address} is lost without a word");
                if (there is null)
                    continue;
                carriedAny++;
                Assert.Equal("new", there.Edition);
                Assert.Equal(after.Measures[there.From.Index].Label, there.From.Label);
                foreach (var (old, now) in address.Parts.Zip(there.Parts))
                    Assert.True(IsIn(Music(before, old, address), Music(after, now, there)), $"round {round}: {address} went to {there}");
            }
        }

        Assert.True(carriedAny > 200, $"only {carriedAny} were carried: the rule is too strict to be of use");
    }

    /// <summary>There and back: what can be carried comes back to where it was.</summary>
    [Fact]
    public void The_way_back_ends_where_it_began()
    {
        var random = Seeds.Random(4471);
        for (var round = 0; round < 100; round++)
        {
            var (before, after) = Editions(random);
            var map = new EditionComparison(before, after).Map;
            var there = new Carry(map, before, after, "new");
            var back = new Carry(map.Inverse(after.Measures.Count), after, before, "old");
            foreach (var address in Addresses(random, before))
                if (there.Of(address).Value is { } moved && moved.Measures == address.Measures)
                    Assert.Equal(address, back.Of(moved).Value);
        }
    }

    private const string Duo = "part \"Flute\"\n| C5q D5q E5q F5q | G5h A5h | E5w\npart \"Oboe\"\n| C4q D4q E4q F4q | G4h A4h | E4w";

    [Theory]
    [InlineData("| G5h A5h |", "|", "measure 2 is not in the new edition")]
    [InlineData("part \"Flute\"\n| C5q D5q E5q F5q | G5h A5h | E5w\n", "", "the part Flute is not in the new edition")]
    public void What_is_gone_is_told_by_name(string was, string now, string reason)
    {
        var before = ShortFormReader.Score(Duo);
        var text = Duo.Replace(was, now, StringComparison.Ordinal).Replace(was.Replace('5', '4'), now, StringComparison.Ordinal);
        var after = ShortFormReader.Score(text);
        var carry = new Carry(new EditionComparison(before, after).Map, before, after, "new");
        var address = new AddressBook("old", before).Read("P1", "1", "3");
        Assert.Equal((null, reason), (carry.Of(address).Value, carry.Of(address).Reason));
    }

    [Fact]
    public void A_measure_put_into_a_passage_is_taken_in()
    {
        var (before, after) = (ShortFormReader.Score(Duo), ShortFormReader.Score(Duo.Replace("| G", "| rw | G", StringComparison.Ordinal)));
        var carry = new Carry(new EditionComparison(before, after).Map, before, after, "new");
        Assert.Equal("P1,P2 1–3", carry.Of(new AddressBook("old", before).Read(null, "1", "2")).Value!.ToString());
    }

    [Fact]
    public void Parts_renamed_and_reordered_are_found_by_their_music()
    {
        var before = ShortFormReader.Score("part \"Flute\"\n| C5q D5q E5q F5q | G5h A5h\npart \"Oboe\"\n| A4w | B4q C5q D5h");
        var after = ShortFormReader.Score("part \"Hautbois\"\n| A4w | B4q C5q D5h\npart \"Querflöte\"\n| C5q D5q E5q F5q | G5h A5h");
        var comparison = new EditionComparison(before, after);
        Assert.Equal(["P2"], comparison.Map.Parts["P1"]);
        Assert.Equal(["P1"], comparison.Map.Parts["P2"]);
        Assert.Equal(2, comparison.Changes.Count(c => c.Kind == "part-renamed"));
    }

    [Fact]
    public void A_part_that_was_split_lives_on_in_both_halves_and_so_do_its_marks()
    {
        const string Both = "part \"Horn 1.2.\"\n| <C5,E5>q <D5,F5>q <E5,G5>q <D5,F5>q | <C5,E5>q <B4,D5>q <C5,E5>h";
        const string Apart = "part \"Horn 1\"\n| E5q F5q G5q F5q | E5q D5q E5h\npart \"Horn 2\"\n| C5q D5q E5q D5q | C5q B4q C5h";
        var (before, after) = (ShortFormReader.Score(Both), ShortFormReader.Score(Apart));
        var comparison = new EditionComparison(before, after);
        Assert.Equal(["P1", "P2"], comparison.Map.Parts["P1"]);
        Assert.Contains(comparison.Changes, c => c.What == "Horn 1.2. is split into Horn 1 and Horn 2.");
        var carry = new Carry(comparison.Map, before, after, "new");
        Assert.Equal(["P1", "P2"], carry.Of(new AddressBook("old", before).Read("P1", "1", "2")).Value!.Parts);
        var heads = before.Parts[0].Notes[0].Heads.Select(h => h.Id).ToList();
        var marks = carry.Of([new MarkChange("P1", heads, [new Mark("accent")], [])]).Value!;
        Assert.Equal(["P1", "P2"], marks.Select(m => m.Part).Order());
    }

    [Fact]
    public void A_dismissed_finding_is_about_the_same_notes_after_measures_were_put_in()
    {
        var before = ShortFormReader.Score("key:C | C5w | F#4q G4q F#4q A4q");
        var after = ShortFormReader.Score("key:C | rw | C5w | F#4q G4q F#4q A4q");
        var finding = Find(before);
        var carry = new Carry(new EditionComparison(before, after).Map, before, after, "new");
        Assert.Equal(Find(after).Id, carry.Of(finding.Key).Value!.Id);

        static Finding Find(Score score)
        {
            var context = new StudyContext(score, HouseRules.House.Default);
            return Assert.Single(StudyDesk.Examine(context, score.Parts, 0, int.MaxValue), f => f.Rule == "carried-accidental");
        }
    }

    [Fact]
    public void A_finding_said_in_better_words_is_the_same_finding()
    {
        var finding = new Finding("trill", ["P1", "P2"], 3, 4, ["P1-n4", "P2-n9"], Severity.Note, "A trill", "why");
        Assert.Equal(finding.Id, (finding with { Title = "Trill from above", Why = "because", Severity = Severity.Warn }).Id);
        Assert.Equal(finding.Id, (finding with { Parts = ["P2", "P1"], Notes = ["P2-n9", "P1-n4"] }).Id);
        Assert.NotEqual(finding.Id, (finding with { From = 2 }).Id);
        Assert.NotEqual(finding.Id, (finding with { Turn = 1 }).Id);
    }

    private static (Score Before, Score After) Editions(Random random)
    {
        var measures = random.Next(4, 14);
        var names = new[] { "Flute", "Oboe", "Clarinet", "Horn" }.Take(random.Next(1, 5)).ToList();
        var music = names.Select(_ => Enumerable.Range(0, measures).Select(_ => Figures[random.Next(Figures.Length)]).ToList()).ToList();
        var before = Score(names, music);
        for (var edits = random.Next(4); edits > 0; edits--)
            Edit(random, names, music);
        return (before, Score(names, music));
    }

    private static void Edit(Random random, List<string> names, List<List<string>> music)
    {
        var at = random.Next(music[0].Count);
        switch (random.Next(6))
        {
            case 0:
                foreach (var part in music)
                    part.Insert(at, Inserted[random.Next(Inserted.Length)]);
                break;
            case 1 when music[0].Count > 2:
                foreach (var part in music)
                    part.RemoveAt(at);
                break;
            case 2:
                names[random.Next(names.Count)] += " in another hand";
                break;
            case 3:
                var (a, b) = (random.Next(names.Count), random.Next(names.Count));
                (names[a], names[b]) = (names[b], names[a]);
                (music[a], music[b]) = (music[b], music[a]);
                break;
            case 4 when names.Count > 1:
                var gone = random.Next(names.Count);
                names.RemoveAt(gone);
                music.RemoveAt(gone);
                break;
            default:
                names.Add($"Part {names.Count + random.Next(1000)}");
                music.Add([.. music[0].Select(_ => Figures[random.Next(Figures.Length)])]);
                break;
        }
    }

    private static Score Score(List<string> names, List<List<string>> music) =>
        ShortFormReader.Score(string.Join('\n', names.Select((n, i) => $"part \"{n}\"\n| {string.Join(" | ", music[i])}")));

    private static IEnumerable<Address> Addresses(Random random, Score score)
    {
        var book = new AddressBook("old", score);
        for (var i = 0; i < 5; i++)
        {
            var from = random.Next(score.Measures.Count);
            var parts = score.Parts.Select(p => p.Id).OrderBy(_ => random.Next()).Take(random.Next(1, 3)).ToList();
            yield return book.At(parts, from, Math.Min(score.Measures.Count - 1, from + random.Next(3)));
        }
    }

    private static List<string> Music(Score score, string part, Address at) =>
        [
            .. score
                .FindPart(part)!
                .Measures.Where(m => at.Meets(m.Index, m.Index))
                .Select(m => string.Join(' ', m.Notes.Select(n => $"{n.Top}:{n.Duration}"))),
        ];

    // In order, with whatever was put in between.
    private static bool IsIn(List<string> old, List<string> now)
    {
        var found = 0;
        foreach (var measure in now)
            if (found < old.Count && measure == old[found])
                found++;
        return found == old.Count && now[0] == old[0] && now[^1] == old[^1];
    }
}
