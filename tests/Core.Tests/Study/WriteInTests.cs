using MellowStand.Core.Decisions;
using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;
using MellowStand.Core.Study;

namespace MellowStand.Core.Tests.Study;

/// <summary>A finding becomes a mark in every part it holds for; what is written is read again by the same reader.</summary>
public sealed class WriteInTests
{
    [Theory]
    [InlineData("carried-accidental", "key:C | F#4 G4 F#4 A4", "accidental:sharp", "P1-n3")]
    [InlineData("carried-accidental", "key:Eb | En4 F4 En4 G4", "accidental:natural", "P1-n3")]
    [InlineData("back-to-signature", "key:C | F#4 G4 F5 E5", "accidental:natural", "P1-n3")]
    [InlineData("no-dynamics", "| C5w | D5w", "dynamics:mf", "P1-n1")]
    [InlineData("halfway-level", "| !p !< C4w | D4w | E4w | !/ !f F4w", "dynamics:mp", "P1-n3")]
    [InlineData("flipped-rhythm", "meter:6/8 | C5e D5q E5q F5e", "words:1 la 2 li", "P1-n1")]
    [InlineData("lone-mark", "| C5q D5q(-) E5q F5q | G5w", "words:[A lone tenuto]", "P1-n2")]
    public void A_finding_says_what_a_director_would_write(string rule, string music, string mark, string note)
    {
        var (context, finding) = Find(rule, music);
        var change = WriteIn.Of(context, finding)[0];
        Assert.Equal((mark, note), (change.Added[0].ToString(), change.Notes[0]));
    }

    [Fact]
    public void A_remark_for_two_parts_is_written_into_both()
    {
        var (context, finding) = Find("no-dynamics", "part \"Flute\"\n| C5w\npart \"Oboe\"\n| C5w");
        Assert.Equal(["P1", "P2"], WriteIn.Of(context, finding).Select(c => c.Part));
    }

    [Fact]
    public void What_is_written_in_is_found_no_more()
    {
        const string Music = "key:C | F#4 G4 F#4 A4 | C5w";
        var document = ShortFormReader.Document(Music);
        var (context, finding) = Find("carried-accidental", Music);
        new DecisionWriter(ScoreDocument.Of(document)).Apply(WriteIn.Of(context, finding));
        var score = ScoreReader.Read(ScoreDocument.Of(document));
        Assert.DoesNotContain(
            StudyDesk.Examine(new StudyContext(score, House.Default), score.Parts, 0, 9),
            f => f.Rule == "carried-accidental"
        );
    }

    [Fact]
    public void Every_mark_it_writes_is_one_that_can_be_written()
    {
        foreach (var file in Reference.Files("scores"))
        {
            var score = ScoreReader.Read(Reference.Bytes(file));
            var context = new StudyContext(score, House.Default);
            foreach (var finding in StudyDesk.Examine(context, score.Parts, 0, int.MaxValue).DistinctBy(f => f.Rule))
                Assert.All(WriteIn.Of(context, finding).SelectMany(c => c.Added), m => Assert.Null(MarkCatalog.Problem(m)));
        }
    }

    private static (StudyContext Context, Finding Finding) Find(string rule, string music)
    {
        var score = ShortFormReader.Score(music);
        var context = new StudyContext(score, House.Default);
        return (context, StudyDesk.Examine(context, score.Parts, 0, int.MaxValue).First(f => f.Rule == rule));
    }
}
