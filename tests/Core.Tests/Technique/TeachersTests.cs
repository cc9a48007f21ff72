using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;
using MellowStand.Core.Technique;
using MellowStand.Core.Technique.Slide;
using MellowStand.Core.Technique.Strings;

namespace MellowStand.Core.Tests.Technique;

/// <summary>Where teachers disagreed with the hands, one cause a line: common practice, no published source.</summary>
public sealed class TeachersTests
{
    [Theory]
    [InlineData("Contrabass", "key:D | A2 B2 C#3 D3", 1, "A1")]
    [InlineData("Contrabass", "key:D | A2 B2 C#3 D3", 2, "A4")] // a whole step stays in place: 1–4
    [InlineData("Contrabass", "key:C tempo:q=60 | D3w", 0, "D0")] // a long open string rings on the bass
    [InlineData("Violoncello", "key:C tempo:q=60 | A3w", 0, "A0")]
    [InlineData("Violin", "key:C tempo:q=60 | A4w", 0, "D4")] // on the violin it does not
    [InlineData("Marimba", "tempo:q=120 | E4s C4s E4s C4s E4s C4s E4s C4s E4h", 0, "R")] // a shake: the right hand has the upper bar
    [InlineData("Marimba", "tempo:q=120 | E4s D#4s E4s D#4s E4s D#4s E4s D#4s E4h", 1, "L")] // from the first half step
    [InlineData("Horn", "key:C | G4 A4 G4 F4", 1, "Bb:1-2")] // not the flat fifth partial
    [InlineData("Horn", "key:C | G4 Ab4 G4 F4", 1, "Bb:2-3")]
    [InlineData("Euphonium", "key:C | F4 G4 F4 D4", 1, "1-2")]
    [InlineData("Trombone", "key:C tempo:q=50 | Bb3h C4h D4h C4h", 1, "3")] // slow: the plain position
    [InlineData("Trombone", "key:C tempo:q=50 | Eb4h D4h C4h Bb3h", 1, "1")]
    [InlineData("Trombone", "key:C | F4 G4 F4 D4", 1, "2")] // the seventh partial, raised
    [InlineData("Bass Trombone", "key:C tempo:q=50 | D3h C3h D3h C3h", 1, "6")] // slow: the slide has time
    [InlineData("Bass Trombone", "key:C tempo:q=120 | D3e C3e D3e C3e D3h", 1, "F1")]
    [InlineData("Oboe", "key:C | C5 F5 C5 F5", 1, "regular")] // C of the middle leaves the ring finger free
    [InlineData("Oboe", "key:C | D5 F5 D5 F5", 1, "left")]
    [InlineData("Oboe", "key:F | Bb4 F4 Bb4 F4", 1, "regular")]
    [InlineData("Oboe", "key:Eb | C5 Eb5 C5 Eb5", 1, "right")] // the little finger is free beside C of the middle
    [InlineData("Oboe", "key:Eb | C4 Eb4 C4 Eb4", 1, "left")]
    [InlineData("Clarinet", "key:F tempo:q=140 | A4s Bb4s A4s Bb4s A4h.", 1, "side")]
    [InlineData("Clarinet", "key:F tempo:q=60 | A4 Bb4 G4 F4", 1, "plain")]
    [InlineData("Alto Saxophone", "key:C tempo:q=120 | C6s E6s C6s E6s C6h.", 1, "front")]
    [InlineData("Alto Saxophone", "key:C | D6 E6 D6 C6", 1, "palm")]
    public void A_passage_is_played_as_teachers_write_it(string instrument, string music, int place, string code)
    {
        var plan = RuleOfThumbTests.Solve(instrument, music);
        var told = string.Join(' ', plan.Solution.Choices.Select(c => c.Way.Code));
        Assert.True(plan.Solution.Choices[place].Way.Code == code, $"{plan.Solution.Choices[place].Way.Code} for {code} in {told}");
    }

    [Fact]
    public void The_thumb_does_not_go_from_one_of_its_keys_to_the_next()
    {
        var plan = RuleOfThumbTests.Solve("Bassoon", "key:E | F#2 G#2 F#2 G#2 F#2 G#2 F#2h");
        var codes = plan.Solution.Choices.Select(c => c.Way.Code).ToList();
        Assert.DoesNotContain(codes.Zip(codes.Skip(1)), p => p is ("thumb", "thumb"));
    }

    [Theory]
    [InlineData("Violin", "key:C tempo:q=120 | A5s B5s C6s D6s C6s B5s A5s B5s C6s D6s C6s B5s A5s B5s C6q")] // height is paid on arrival
    [InlineData("Violin", "key:D tempo:q=120 | A4s B4s C#5s D5s E5s D5s C#5s B4s A4s B4s C#5s D5s E5s D5s C#5q")]
    [InlineData("Violoncello", "key:C tempo:q=120 | E4s F4s G4s F4s E4s F4s G4s F4s E4s F4s G4s F4s E4q")]
    public void A_quick_figure_stays_in_one_position(string instrument, string music)
    {
        var places = RuleOfThumbTests
            .Solve(instrument, music)
            .Solution.Choices.Select(c => (StringPlacement)c.Way.Placement)
            .Where(p => !p.IsOpen)
            .Select(p => p.Hand)
            .Distinct();
        Assert.Single(places);
    }

    [Fact]
    public void Neighbouring_notes_of_a_run_have_neighbouring_fingers()
    {
        var plan = RuleOfThumbTests.Solve("Violin", "key:C tempo:q=120 | A5s B5s C6s D6s E6s F6s G6s A6s G6s F6s E6s D6s C6s B5s A5q");
        var states = plan.Solution.Choices.Select(c => (StringPlacement)c.Way.Placement).ToList();
        Assert.DoesNotContain(
            states.Zip(states.Skip(1)),
            p => p.First.Finger == p.Second.Finger && p.First.String == p.Second.String && p.First.Finger > 1
        );
    }

    [Fact]
    public void The_fourth_finger_of_the_violin_reaches_a_half_step_out() =>
        Assert.Contains(Necks.OfViolin.Places.Single(p => p.Name == "1").Fingers, f => f is { Finger: 4, Above: 6, Lie: Lie.High });

    [Fact]
    public void The_cello_has_every_half_step_of_the_neck_and_a_high_second_finger()
    {
        var places = Necks.OfCello.Places.Where(p => !p.HasThumb).ToList();
        Assert.Equal(Enumerable.Range(1, 12), places.Select(p => p.Offset));
        Assert.All(places, p => Assert.Contains(p.Fingers, f => f is { Finger: 2, Above: 2, Lie: Lie.Forward or Lie.High }));
    }

    [Fact]
    public void Plain_alternation_of_sticks_is_not_written()
    {
        var run = RuleOfThumbTests.Solve("Marimba", "key:C tempo:q=100 | C4e D4 E4 F4 G4 A4 B4 C5 | C5h r");
        Assert.DoesNotContain(run.Solution.Choices.SkipLast(1), c => c.Marked);
        var low = RuleOfThumbTests.Solve("Marimba", "key:C tempo:q=92 | C4e G4 C4 A4 C4 B4 C4 C5");
        Assert.Equal(["L"], low.Solution.Choices.Where(c => c.Marked).Select(c => c.Way.Code));
    }

    /// <summary>The stricter the house, the fewer notes lie elsewhere than in first position.</summary>
    [Theory]
    [InlineData("Violin", "key:Eb | Eb5 F5 G5 Ab5 | Bb5 Ab5 G5 F5 | C6 Bb5 G5 Eb5")]
    [InlineData("Viola", "key:G | G4 A4 B4 C5 | D5 E5 D5 B4")]
    [InlineData("Violoncello", "key:A | A3 B3 C#4 D4 | E4 F#4 E4 D4")]
    [InlineData("Violin", "key:C | D4w A4w E5w")]
    public void Home_is_left_the_less_the_stricter_the_house(string instrument, string music)
    {
        int Elsewhere(string answer) =>
            RuleOfThumbTests
                .Solve(instrument, music, House.Default.With("home-position", answer))
                .Solution.Choices.Count(c => c.Way.Placement is StringPlacement { IsOpen: false, IsFirst: false });
        Assert.True(Elsewhere("first") <= Elsewhere("by-need"));
        Assert.True(Elsewhere("by-need") <= Elsewhere("free"));
    }

    /// <summary>First years learn the slide before the attachment: it serves the long throw only.</summary>
    [Theory]
    [InlineData("key:Bb tempo:q=80 | Bb3h C4q[ D4q] | Bb3w", 1, "F1", "3")]
    [InlineData("key:Bb tempo:q=108 | Bb2e C3e Bb2e C3e Bb2h", 1, "F1", "F1")]
    public void The_attachment_serves_as_the_house_says(string music, int place, string shipped, string throws)
    {
        string Code(House house) =>
            RuleOfThumbTests.Solve("Trombone with F attachment", music, house).Solution.Choices.Single(c => c.Place == place).Way.Code;
        Assert.Equal(shipped, Code(House.Default));
        Assert.Equal(throws, Code(House.Default.With("slide-attachment", "throws")));
    }

    [Fact]
    public void A_new_position_is_named_over_its_first_note_and_where_the_hand_is_back()
    {
        var plan = RuleOfThumbTests.Solve("Violin", "key:D tempo:q=92 | D5 F#5 A5 D6 | C#6 B5 A5 F#5 | D5 C#5 B4h");
        Assert.Equal("III", plan.Positions.First().Value);
        Assert.Equal("I", plan.Positions.Last().Value);
        var first = plan.Solution.Choices.First(c => c.Place == plan.Positions.First().Key);
        Assert.Contains(TechniqueDesk.MarksOf(plan, first), h => h.Marks.Contains(new Mark("other-technical", "III")));
    }

    [Fact]
    public void An_octave_harmonic_is_no_bargain()
    {
        var plan = RuleOfThumbTests.Solve("Contrabass", "key:C | E3q F3q G3q F3q | E3h D3h");
        Assert.DoesNotContain(plan.Solution.Choices, c => c.Way.Placement is StringPlacement { Node: not null });
    }

    [Fact]
    public void A_slur_between_two_tubes_needs_no_tongue()
    {
        var (f, d) = (new SlidePlacement(SlideTube.F, 3, 3), new SlidePlacement(SlideTube.D, 1, 3));
        Assert.Equal("natural", SlideSlurs.Kind(f, d, 45, 45));
    }
}
