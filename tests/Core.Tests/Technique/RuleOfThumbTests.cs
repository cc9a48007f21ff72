using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Instruments;
using MellowStand.Core.Technique;

namespace MellowStand.Core.Tests.Technique;

/// <summary>Rules of thumb, each on a small passage written for it: common practice, no published source. The code expected is that of the
/// note at the place (from 0).</summary>
public sealed class RuleOfThumbTests
{
    [Theory]
    [InlineData("Flute", "key:F | A4 Bb4 C5 D5", 1, "thumb")]
    [InlineData("Flute", "key:F | A4 Bb4 Bn4 C5", 1, "one-and-one")] // next to B♮
    [InlineData("Flute", "key:C | G4 A4 A#4 G4", 2, "one-and-one")]
    [InlineData("Flute", "key:C tempo:q=150 | A4s A#4s B4s A#4s A4h.", 1, "lever")] // chromatic and quick
    [InlineData("Flute", "key:Eb | F5 G5 Ab5 Bb5", 3, "thumb")]
    [InlineData("Flute", "key:C | C5 D5 E5 F5", 1, "only")]
    [InlineData("Oboe", "key:C | E4 F4 G4 A4", 1, "regular")]
    [InlineData("Oboe", "key:C | D4 F4 A4 C5", 1, "left")] // beside D
    [InlineData("Oboe", "key:Bb | Eb4 F4 G4 A4", 1, "left")] // beside E♭
    [InlineData("Oboe", "key:C | C#4 F4 A4 G4", 1, "left")]
    [InlineData("Oboe", "key:Eb | F4 Eb4 F4 G4", 1, "right")]
    [InlineData("Oboe", "key:Eb | C4 Eb4 G4 F4", 1, "left")] // the right little finger comes from C
    [InlineData("Oboe", "key:Eb | Bb3 Eb4 G4 F4", 1, "right")] // low B♭ has the left one
    [InlineData("Oboe", "key:Eb | Ab4 Bb4 C5 Bb4", 0, "left")]
    [InlineData("Clarinet", "key:C | C5 D#5 C5 D#5", 0, "left")] // C before D♯ is left
    [InlineData("Clarinet", "key:C | A4 C5 D5 E5", 1, "right")]
    [InlineData("Clarinet", "key:C | B4 C#5 B4 C#5", 0, "right")] // B before C♯ takes the other side
    [InlineData("Clarinet", "key:C | E3 F3 E3 F3", 1, "right")]
    [InlineData("Clarinet", "key:C | F3 G#3 F3 G3", 0, "left")]
    [InlineData("Clarinet", "key:C | C5 D#5 C5 D#5", 1, "only")] // on the right only
    [InlineData("Alto Saxophone", "key:F | A4 Bb4 A4 G4", 1, "bis")]
    [InlineData("Alto Saxophone", "key:F | A4 Bb4 Bn4 C5", 1, "side")]
    [InlineData("Alto Saxophone", "key:C | A4 A#4 B4 C5", 1, "side")] // chromatic
    [InlineData("Alto Saxophone", "key:Bb | F4 Bb4 D5 F5", 1, "one-and-one")] // an arpeggio
    [InlineData("Alto Saxophone", "key:C tempo:q=140 | B4s C5s B4s C5s B4h.", 1, "side")]
    [InlineData("Alto Saxophone", "key:C tempo:q=140 | B4s C5h. B4e.", 1, "middle")] // never for a long note
    [InlineData("Alto Saxophone", "key:C | A4 C5 E5 G5", 1, "middle")]
    [InlineData("Trumpet", "key:C | C4 D4 E4 F4", 1, "1-3")]
    [InlineData("Trumpet", "key:C | C4 D4 E4 F4", 2, "1-2")] // not 3
    [InlineData("Trumpet", "key:C | C4 D4 E4 F4", 3, "1")]
    [InlineData("Trumpet", "key:C | C#4 C4 D4 C4", 0, "1-2-3")]
    [InlineData("Trumpet", "key:C | G4 A4 B4 C5", 1, "1-2")]
    [InlineData("Trumpet", "key:C | G4 A4 B4 C5", 2, "2")]
    [InlineData("Trumpet", "key:C | Bb4 Ab4 G4 F#4", 1, "2-3")]
    [InlineData("Horn", "key:C | C4 D4 E4 F4", 0, "F:0")]
    [InlineData("Horn", "key:C | G5 A5 G5 F5", 0, "Bb:0")]
    [InlineData("Horn", "key:C | C4 D4 E4 F4", 1, "F:1")] // written D4 is the 9th partial's neighbour: one valve on the F side
    [InlineData("Alto Saxophone", "key:G | Fn5 Bb5 Ab5 Bb5 Eb5 Ab5 Bb5 G5", 3, "bis")] // flats by what stands there
    [InlineData("Euphonium", "key:C | C3 B2 Bb2 A2", 0, "4")] // the fourth valve is in tune where 1-3 is sharp
    [InlineData("Euphonium", "key:C | F2 G2 F2 Bb2", 0, "4")]
    [InlineData("Euphonium", "key:Bb | Bb2 C3 D3 Eb3", 3, "1")]
    [InlineData("Tuba", "key:Bb | Bb1 C2 D2 Eb2", 3, "1")]
    [InlineData("Trombone", "key:C | Ab3 G3 F3 E3", 0, "3")] // [check] A♭ at the top of the bass staff is 3rd
    [InlineData("Trombone", "key:C | Ab3 G3 F3 E3", 3, "2")] // [check] E♮ in the staff is 2nd
    [InlineData("Trombone", "key:C | Bb3 A3 G3 F3", 1, "2")]
    [InlineData("Trombone", "key:C | C3 D3 E3 F3", 0, "6")]
    [InlineData("Trombone", "key:C | C4 B3 A3 G3", 1, "4")]
    [InlineData("Bass Trombone", "key:C | D3 C3 D3 C3", 1, "F1")] // the attachment saves the long slide
    [InlineData("Violin", "key:D | A4 B4 C#5 D5", 2, "A2h")] // [check]
    [InlineData("Violin", "key:C | A4 B4 C5 D5", 2, "A2l")] // [check]
    [InlineData("Violin", "key:G | D4 E4 F#4 G4", 2, "D2h")] // [check]
    [InlineData("Violin", "key:C | D4 E4 F4 G4", 2, "D2l")] // [check]
    [InlineData("Violin", "key:D | A3 B3 C#4 B3", 2, "G3h")] // [check]
    [InlineData("Violin", "key:D | A4 C#5 E5w", 2, "A4")] // longer than two beats: not the open E
    [InlineData("Violin", "key:D | C#5e E5e C#5e E5e A4h", 1, "A4")] // saves two crossings
    [InlineData("Violin", "key:D | E5q F#5q G5q A5q", 0, "E0")]
    [InlineData("Viola", "key:C | C3 D3 E3 F3", 0, "C0")]
    [InlineData("Violoncello", "key:C | C2 D2 E2 F2", 2, "C3")]
    [InlineData("Contrabass", "key:C | E2 F#2 G2 A2", 3, "A0")]
    [InlineData("Marimba", "key:C | C4e D4e E4e F4e G4h", 1, "L")]
    [InlineData("Marimba", "key:C | C4e D4e E4e F4e G4h", 2, "R")]
    [InlineData("Xylophone", "key:C | C5e G4e C5e G4e C5h", 0, "R")]
    [InlineData("Piccolo", "key:F | A4 Bb4 C5 D5", 1, "thumb")]
    [InlineData("Piccolo", "key:G | A4 Bb4 Bn4 C5", 1, "one-and-one")]
    [InlineData("Piccolo", "key:G | G4 A4 B4 F#5", 3, "ring")]
    [InlineData("English Horn", "key:C | E4 F4 G4 A4", 1, "regular")]
    [InlineData("English Horn", "key:C | D4 F4 A4 C5", 1, "left")]
    [InlineData("English Horn", "key:Eb | C4 Eb4 G4 F4", 1, "left")]
    [InlineData("Bassoon", "key:C | A2q[ A3q] rh", 1, "flick")] // flick A to D
    [InlineData("Bassoon", "key:C | F3q[ C4q] rh", 1, "flick")]
    [InlineData("Bassoon", "key:C | F3q[ D4q] rh", 1, "flick")]
    [InlineData("Bassoon", "key:C | F3q C4q rh", 1, "plain")] // tongued
    [InlineData("Bassoon", "key:C | D4q[ C4q] rh", 1, "plain")] // by step from above
    [InlineData("Bassoon", "key:G | E2 F#2 E2 F#2", 1, "little")] // the thumb has E
    [InlineData("Bassoon", "key:G | F2 F#2 G2 F2", 1, "thumb")] // the little finger has F
    [InlineData("Bassoon", "key:Eb | F2 Ab2 F2 Ab2", 1, "thumb")]
    [InlineData("Bassoon", "key:Eb | G2 Ab2 Bb2 G2", 1, "little")]
    [InlineData("Bassoon", "key:F | A2 Bb2 C3 D3", 1, "thumb")]
    [InlineData("Contrabassoon", "key:G | E2 F#2 E2 F#2", 1, "little")]
    [InlineData("Contrabassoon", "key:G | F2 F#2 G2 F2", 1, "thumb")]
    [InlineData("Contrabassoon", "key:F | A2 Bb2 C3 D3", 1, "thumb")]
    [InlineData("Clarinet", "key:C | G4e A4e B4q rh", 1, "right-hand-down")] // the break comes
    [InlineData("Clarinet", "key:C | G4q F4q E4q rq", 0, "plain")]
    [InlineData("Clarinet", "key:C | A4w", 0, "resonance")] // a long throat note
    [InlineData("Clarinet", "key:C | F4 F#4 F4 F#4", 1, "thumb")] // chromatic
    [InlineData("Clarinet", "key:G | E4 F#4 G4 E4", 1, "first")]
    [InlineData("Clarinet", "key:C | Bb3 B3 C4 B3", 1, "chromatic")] // short B beside B♭
    [InlineData("Clarinet", "key:C | A3 B3 C4 D4", 1, "middle")] // long B
    [InlineData("Clarinet", "key:F | A5 Bb5 C6 A5", 1, "side")]
    [InlineData("Bass Clarinet", "key:C | C5 D#5 C5 D#5", 0, "left")]
    [InlineData("Bass Clarinet", "key:C | B4 C#5 B4 C#5", 0, "right")]
    [InlineData("Bass Clarinet", "key:C | A4 C5 D5 E5", 1, "right")]
    [InlineData("Alto Saxophone", "key:F | E4 F4 F#4 G4", 2, "chromatic")]
    [InlineData("Alto Saxophone", "key:G | E4 F#4 G4 A4", 1, "middle")]
    [InlineData("Tenor Saxophone", "key:F | A4 Bb4 A4 G4", 1, "bis")]
    [InlineData("Tenor Saxophone", "key:C | A4 A#4 B4 C5", 1, "side")]
    [InlineData("Tenor Saxophone", "key:F | D5 E5 F5 E5", 2, "only")]
    [InlineData("Cornet", "key:C | C4 D4 E4 F4", 2, "1-2")]
    [InlineData("Cornet", "key:C | C4 D4 E4 F4", 1, "1-3")]
    [InlineData("Cornet", "key:C | G4 A4 B4 C5", 2, "2")]
    [InlineData("Horn", "key:C | E5 D5 C5 B4", 2, "Bb:0")]
    [InlineData("Tuba", "key:Bb | Bb1 C2 D2 Eb2", 0, "0")]
    [InlineData("Tuba", "key:Bb | Bb1 A1 Bb1 A1", 1, "2")]
    [InlineData("Bass Trombone", "key:C | B1 C2 B1 C2", 0, "D4")] // both valves
    [InlineData("Bass Trombone", "key:Bb | Bb2 F3 D3 Bb2", 1, "1")]
    [InlineData("Viola", "key:C | C4 D4 E4 F4", 2, "D1")]
    [InlineData("Viola", "key:G | D4 E4 F#4 G4", 2, "D2h")]
    [InlineData("Viola", "key:C | A3 B3 A4w", 2, "D4")] // longer than two beats: not the open string
    [InlineData("Violoncello", "key:C | D3 E3 F3 G3", 2, "D2")]
    [InlineData("Violoncello", "key:D | D3 E3 F#3 G3", 2, "D3")]
    [InlineData("Violoncello", "key:C | A4q B4q C5q D5q", 3, "A3@T12")] // thumb at the octave
    [InlineData("Violin", "key:C | <G3,D4>h <G3,D4>h", 0, "G0+D0")] // double stop of open strings
    [InlineData("Violin", "key:D | <D4,B4>h <D4,B4>h", 0, "D0+A1")]
    [InlineData("Violin", "key:Eb | Ab4h D4h", 0, "D4l")] // the letter A: a low four
    [InlineData("Violin", "key:A | G#4h D4h", 0, "D3h")] // the letter G: a high three
    [InlineData("Contrabass", "key:C | A2 B2 C3 D3", 1, "A1")]
    [InlineData("Contrabass", "key:C | A2 B2 C3 D3", 2, "A2")]
    [InlineData("Contrabass", "key:F | Bb2 A2 Bb2 A2", 0, "A1@half")]
    [InlineData("Contrabass", "key:C | G4w(harmonic)", 0, "G3o@12")]
    [InlineData("Marimba", "key:C | <C4,E4>h", 0, "L+R")]
    [InlineData("Marimba", "key:C | <C4,E4,G4,C5>h", 0, "1+2+3+4")]
    [InlineData("Vibraphone", "key:C | C4e D4e E4e F4e G4h", 1, "L")]
    [InlineData("Vibraphone", "key:C | <C4,E4>h", 0, "L+R")]
    [InlineData("Vibraphone", "key:C | <C4,E4,G4,C5>h", 0, "1+2+3+4")]
    [InlineData("Xylophone", "key:C | C5e G4e C5e G4e C5h", 1, "L")]
    [InlineData("Xylophone", "key:C | C5h(tremolo:3) D5h", 0, "R")]
    [InlineData("Timpani", "key:C | C3e C3e G2e G2e C3h", 1, "L")]
    [InlineData("Timpani", "key:C | C3e C3e G2e G2e C3h", 2, "R")]
    [InlineData("Timpani", "key:C | C3h(tremolo:3) G2h", 0, "R")]
    public void A_passage_is_played_as_players_do(string instrument, string music, int place, string code)
    {
        var plan = Solve(instrument, music);
        var told = string.Join(' ', plan.Solution.Choices.Select(c => c.Way.Code));
        Assert.True(plan.Solution.Choices[place].Way.Code == code, $"{plan.Solution.Choices[place].Way.Code} for {code} in {told}");
    }

    [Theory]
    [InlineData("Trombone", "Bb2[ D3]", "natural")]
    [InlineData("Trombone", "D3[ Bb2]", "natural")]
    [InlineData("Trombone", "Eb3[ D3]", "legato-tongue")]
    [InlineData("Trombone", "Eb3[ F3]", "legato-tongue")]
    [InlineData("Trombone", "F3[ E3]", "legato-tongue")]
    [InlineData("Trombone", "C3[ D3]", "legato-tongue")] // without the attachment
    [InlineData("Bass Trombone", "Bb2[ C3]", "natural")]
    [InlineData("Bass Trombone", "C3[ D3]", "natural")]
    [InlineData("Bass Trombone", "C3[ E3]", "natural")]
    public void A_slide_slur_needs_the_tongue_or_not(string instrument, string pair, string kind) =>
        Assert.Equal(kind, Assert.Single(Solve(instrument, $"key:C | {pair} rh").Slurs).Kind);

    [Fact]
    public void Marks_in_the_part_are_fixed_points_and_the_rest_is_solved_again()
    {
        Assert.Equal("3", Solve("Trumpet", "key:C | C4 D4 E4(fingering:3) F4").Solution.Choices[2].Way.Code);
        Assert.Equal("L", Solve("Marimba", "key:C | C4e(other-technical:L) D4e E4e F4e G4h").Solution.Choices[0].Way.Code);
        Assert.Equal("R", Solve("Marimba", "key:C | C4e(other-technical:L) D4e E4e F4e G4h").Solution.Choices[1].Way.Code);
    }

    [Fact]
    public void What_has_no_chart_is_not_guessed() =>
        Assert.Null(
            TechniqueDesk.Solve(
                ShortFormReader.Score("part \"Harp\"\n| C4w"),
                ShortFormReader.Score("part \"Harp\"\n| C4w").Parts[0],
                0,
                0,
                House.Default,
                Catalog.Find("harp"),
                _ => 96
            )
        );

    internal static TechniquePlan Solve(string instrument, string music, House? house = null)
    {
        var score = ShortFormReader.Score($"part \"{instrument}\"{Transposition(instrument)}\n{music}");
        var part = score.Parts[0];
        var bpm = new MellowStand.Core.Notation.TempoLine(score);
        return TechniqueDesk.Solve(
            score,
            part,
            0,
            score.Measures.Count - 1,
            house ?? House.Default,
            Recognition.Of(part).Instrument,
            bpm.QuarterBpmAt
        )!;
    }

    private static string Transposition(string instrument) =>
        instrument switch
        {
            "Clarinet" or "Trumpet" or "Cornet" => " transpose:-1,-2",
            "Bass Clarinet" or "Tenor Saxophone" => " transpose:-1,-2,-1",
            "English Horn" => " transpose:-4,-7",
            "Piccolo" => " transpose:0,0,1",
            "Contrabassoon" => " clef:F4 transpose:0,0,-1",
            "Bassoon" or "Timpani" => " clef:F4",
            "Alto Saxophone" => " transpose:-5,-9",
            "Horn" => " transpose:-4,-7",
            "Xylophone" => " transpose:0,0,1",
            "Contrabass" => " clef:F4 transpose:0,0,-1",
            "Trombone" or "Bass Trombone" or "Euphonium" or "Tuba" or "Violoncello" => " clef:F4",
            "Viola" => " clef:C3",
            _ => "",
        };
}
