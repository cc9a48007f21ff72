using MellowStand.Core.Decisions;
using MellowStand.Core.Instruments;
using MellowStand.Core.Technique;
using MellowStand.Core.Technique.Sticks;
using MellowStand.Core.Technique.Woodwind;

namespace MellowStand.Core.Tests.Technique;

/// <summary>What players write over a note, and what they call it: common practice, no published source.</summary>
public sealed class PlacementTests
{
    [Theory]
    [InlineData("trumpet-bb", "E4", "1-2", "12", "fingering:12", "valves 1-2")]
    [InlineData("trumpet-bb", "C4", "0", "0", "fingering:0", "open")]
    [InlineData("euphonium", "B2", "2-4", "24", "fingering:24", "valves 2-4")]
    [InlineData("horn-f", "F5", "Bb:0", "T0", "fingering:T0", "B♭ side, open")]
    [InlineData("horn-f", "D4", "F:1", "1", "fingering:1", "F side, valve 1")]
    [InlineData("bass-trombone", "F3", "F1", "F1", "fingering:F1", "F valve, 1st position")]
    [InlineData("bass-trombone", "B1", "D4", "D4", "fingering:D4", "both valves, 4th position")]
    [InlineData("trombone", "Ab3", "3", "3", "fingering:3", "3rd position")]
    [InlineData("violin", "D5", "A3", "3", "fingering:3", "3 on A")]
    [InlineData("violin", "C#5", "A2h", "2", "fingering:2", "high 2 on A")]
    [InlineData("violin", "C#5", "D4h@3", "4", "fingering:4", "high 4 on D, 3rd position")]
    [InlineData("violin", "E5", "E0", "0", "open-string", "open E")]
    [InlineData("violin", "Bb4", "A1@half", "1", "fingering:1", "1 on A, half position")]
    [InlineData("contrabass", "B3", "G1@2.5", "1", "fingering:1", "1 on G, 2½ position")]
    [InlineData("cello", "D5", "A3@T12", "3", "fingering:3", "3 on A, thumb position")]
    [InlineData("cello", "A4", "AT@T12", "ϙ", "thumb-position", "thumb on A, thumb position")]
    [InlineData("cello", "A4", "A3o@12", "○", "harmonic", "harmonic on A")]
    [InlineData("cello", "C#3", "G4h", "4", "fingering:4", "4 extended on G")]
    [InlineData("cello", "Bb3", "A1l", "1", "fingering:1", "1 reached back on A")]
    [InlineData("cello", "C4", "A1@2", "1", "fingering:1", "1 on A, lower 2nd position")]
    [InlineData("cello", "C#4", "A1@2", "1", "fingering:1", "1 on A, upper 2nd position")]
    public void A_placement_is_written_and_said_as_its_players_do(
        string instrument,
        string note,
        string code,
        string sign,
        string mark,
        string words
    )
    {
        var placement = ChartTests.ChartOf(instrument).At(Core.Notation.Pitch.Parse(note).Midi).Single(f => f.Code == code).Placement;
        Assert.Equal(sign, placement.Sign);
        Assert.Equal(words, placement.Words);
        var written = Assert.Single(placement.Marks);
        Assert.Equal(mark, written.ToString());
        Assert.Null(MarkCatalog.Problem(written));
        Assert.True(placement.IsMeantBy(code));
    }

    [Theory]
    [InlineData("thumb", "T", "thumb")]
    [InlineData("bis", "bis", "bis")]
    [InlineData("left", "L", "left")]
    [InlineData("one-and-one", "1-1", "one-and-one")]
    [InlineData("only", "only", "the one fingering")]
    public void A_woodwind_fingering_has_its_sign(string name, string sign, string words)
    {
        var placement = new KeyPlacement(name);
        Assert.Equal((sign, words), (placement.Sign, placement.Words));
        Assert.Equal($"other-technical:{sign}", Assert.Single(placement.Marks).ToString());
    }

    [Fact]
    public void A_chord_is_one_placement_a_note()
    {
        Assert.Equal(["L", "R"], StickPlacement.OneEach.Heads.Select(h => h.Code));
        Assert.Equal("left and right", StickPlacement.OneEach.Words);
        var four = new StickPlacement(Hand.Both, Hand.Both, [1, 2, 3, 4]);
        Assert.Equal("1+2+3+4", four.Code);
        Assert.Equal(["fingering:1", "fingering:2", "fingering:3", "fingering:4"], four.Heads.Select(h => h.Marks[0].ToString()));
        var stop = RuleOfThumbTests.Solve("Violin", "key:C | <D4,B4>h <D4,B4>h").Solution.Choices[0].Way.Placement;
        Assert.Equal("open D with 1 on A", stop.Words);
        Assert.Equal(["open-string", "fingering:1"], stop.Heads.Select(h => h.Marks[0].ToString()));
    }

    /// <summary>A string is named beside a finger, from the highest: MusicXML 4.0, element "string".</summary>
    [Theory]
    [InlineData("violin", "D5", "A3", "fingering:3 string:2")]
    [InlineData("contrabass", "B3", "G1@2.5", "fingering:1 string:1")]
    [InlineData("cello", "C2", "C0", "open-string")]
    public void What_fixes_a_choice_names_its_string(string instrument, string note, string code, string marks)
    {
        var placement = ChartTests.ChartOf(instrument).At(Core.Notation.Pitch.Parse(note).Midi).Single(f => f.Code == code).Placement;
        Assert.Equal(marks, string.Join(' ', placement.FixingMarks));
    }
}
