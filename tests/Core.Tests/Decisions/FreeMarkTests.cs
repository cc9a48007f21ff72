using MellowStand.Core.Decisions;
using MellowStand.Core.Decisions.Errata;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.Notation;

namespace MellowStand.Core.Tests.Decisions;

/// <summary>Marks and remarks of the director's own, for several parts at once: common practice, no published source.</summary>
public sealed class FreeMarkTests
{
    private const string Music =
        "part \"Flute\"\nmeter:4/4 | C5q D5q E5q F5q | G5h~ G5q A5q\npart \"Oboe\"\n| C5h E5h | rw\npart \"Horn\"\n| rw | C4w";

    [Theory]
    // Each note of the range.
    [InlineData("staccato", 0, null, 0, null, "P1: P1-n1 P1-n2 P1-n3 P1-n4 staccato; P2: P2-n1 P2-n2 staccato")]
    // The one note at a beat, or the next one after it.
    [InlineData("accent", 0, "2", null, null, "P1: P1-n2 accent; P2: P2-n2 accent")]
    // A part of a measure.
    [InlineData("tenuto", 0, "2", 0, "3", "P1: P1-n2 P1-n3 tenuto; P2: P2-n2 tenuto")]
    // A dynamic at the first, a breath after the last, a slur from the first to the last; a tied-on note is no note of its own.
    [InlineData("dynamics:mf", 0, null, 1, null, "P1: P1-n1 dynamics:mf; P2: P2-n1 dynamics:mf; P3: P3-n2 dynamics:mf")]
    [InlineData("breath-mark", 0, null, 0, null, "P1: P1-n4 breath-mark; P2: P2-n2 breath-mark")]
    [InlineData("fermata", 0, null, 1, null, "P1: P1-n7 fermata; P2: P2-n2 fermata; P3: P3-n2 fermata")]
    [InlineData("down-bow", 0, null, 1, null, "P1: P1-n1 down-bow; P2: P2-n1 down-bow; P3: P3-n2 down-bow")]
    [InlineData("fingering:2", 1, null, 1, null, "P1: P1-n5 fingering:2; P3: P3-n2 fingering:2")]
    [InlineData("slur", 0, null, 1, null, "P1: P1-n1 P1-n7 slur; P2: P2-n1 P2-n2 slur")]
    // A remark speaks of rests too.
    [InlineData("remark:count", 1, null, 1, null, "P1: P1-n5 remark:count; P2: P2-n3 remark:count; P3: P3-n2 remark:count")]
    public void A_mark_reaches_the_notes_that_it_belongs_to(
        string mark,
        int from,
        string? fromBeat,
        int? to,
        string? toBeat,
        string expected
    )
    {
        var result = FreeMarks.Of(
            ShortFormReader.Score(Music),
            ["P1", "P2", "P3"],
            new BeatPlace(from, Beat(fromBeat)),
            to is { } last ? new BeatPlace(last, Beat(toBeat)) : null,
            [Mark.Parse(mark)],
            []
        );
        Assert.Equal(expected, string.Join("; ", result.Changes.Select(c => $"{c.Part}: {string.Join(' ', c.Notes)} {c.Added[0]}")));
    }

    [Fact]
    public void Grace_notes_are_passed_over()
    {
        var at = new BeatPlace(0, 1);
        var score = ShortFormReader.Score("| g:B4 C5q D5q E5h");
        Assert.Equal(["P1-n2"], Assert.Single(FreeMarks.Of(score, ["P1"], at, null, [new Mark("accent")], []).Changes).Notes);
    }

    [Fact]
    public void Parts_without_a_note_there_are_told()
    {
        var score = ShortFormReader.Score(Music);
        var at = new BeatPlace(0, null);
        var result = FreeMarks.Of(score, ["P1", "P3"], at, at, [new Mark("staccato")], []);
        Assert.Equal(["P3"], result.Without);
        Assert.Equal(["P2"], FreeMarks.Of(score, ["P2"], new BeatPlace(0, 3), null, [new Mark("slur")], []).Without);
    }

    [Fact]
    public void What_is_taken_away_is_taken_from_every_note()
    {
        var at = new BeatPlace(0, null);
        var result = FreeMarks.Of(ShortFormReader.Score(Music), ["P1"], at, at, [], [new Mark("dynamics", "f")]);
        Assert.Equal(4, Assert.Single(result.Changes).Notes.Count);
    }

    [Fact]
    public void A_remark_is_told_in_words_and_writes_nothing_into_the_file()
    {
        var bytes = ScoreExport.Serialize(ShortFormReader.Document(Music));
        var score = ScoreReader.Read(ScoreDocument.Load(bytes));
        var place = new BeatPlace(0, 2);
        var changes = FreeMarks.Of(score, ["P1", "P2"], place, null, [new Mark("remark", "one sound")], []).Changes;
        var decision = new Decision(7, 7, new DecisionDraft(null, Verdict.Free, null, "by hand", changes), "A director", "2031-01-01");
        var told = Remarks.Of(score, [decision]);
        Assert.Equal(
            ["P1 beat 2: one sound", "P2 beat 3: one sound"],
            told.Select(r => $"{string.Join(' ', r.Parts)} {r.Where}: {r.Words}")
        );
        Assert.Equal("measure 1: remark “one sound” at beat 2", Erratum.Of(score, changes).First().What);
        Assert.Equal(ScoreExport.Serialize(ScoreDocument.Load(bytes).Xml), ScoreExport.Write(bytes, changes, new ExportRange()));
    }

    [Fact]
    public void The_same_words_at_the_same_place_are_one_remark_for_all_parts()
    {
        var score = ShortFormReader.Score(Music);
        var at = new BeatPlace(0, null);
        var changes = FreeMarks.Of(score, ["P1", "P2", "P3"], at, at, [new Mark("remark", "softer")], []).Changes;
        var decision = new Decision(7, 7, new DecisionDraft(null, Verdict.Free, null, "by hand", changes), "A director", "2031-01-01");
        Assert.Equal(["P1", "P2", "P3"], Assert.Single(Remarks.Of(score, [decision])).Parts);
    }

    private static Fraction? Beat(string? beat) => beat is not null && Fraction.TryParse(beat, out var f) ? f : null;
}
