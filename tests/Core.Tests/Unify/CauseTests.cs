using MellowStand.Core.Formats.MusicXml;
using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Notation;
using MellowStand.Core.Unify;

namespace MellowStand.Core.Tests.Unify;

/// <summary>Why a director would not sign a proposal, one cause a test. Common practice, no published source.</summary>
public sealed class CauseTests
{
    private const string Tune = "| C5q D5q E5q F5q | G5q A5q G5q F5q | E5q D5q C5h";

    private static string Parts(string tune, params string[] others) =>
        string.Join('\n', others.Prepend(tune).Select((m, i) => $"part \"{Names[i]}\"\n{m}"));

    private static readonly string[] Names = ["Flute", "Oboe", "Clarinet in C", "Alto Flute in C", "Piccolo in C", "Bassoon"];

    [Fact]
    public void A_stray_mark_in_one_part_against_many_is_the_slip()
    {
        var d = Assert.Single(Compare(Parts(Tune, Tune, Tune, With("A5q", "A5q(.)"), Tune)));
        Assert.Equal(("", Sureness.Sure), (d.Proposal.Mark, d.Proposal.Sure));
        Assert.Equal(["P4"], d.Proposal.Parts);
    }

    [Fact]
    public void A_pattern_carried_on_in_the_others_beats_the_leader_that_forgot_it()
    {
        var dotted = Tune.Replace("q ", "q(.) ", StringComparison.Ordinal);
        var leader = dotted.Replace("A5q(.)", "A5q", StringComparison.Ordinal);
        var d = Assert.Single(Compare(Parts(leader, dotted)));
        Assert.Equal(("staccato", Sureness.Sure), (d.Proposal.Mark, d.Proposal.Sure));
        Assert.Contains("beside", d.Proposal.Why, StringComparison.Ordinal);
    }

    [Fact]
    public void Neither_the_leader_nor_the_longer_slur_beats_a_clear_majority()
    {
        var (shorter, longer) = (With("C5q D5q E5q", "C5q[ D5q] E5q"), With("C5q D5q E5q", "C5q[ D5q E5q]"));
        var d = Assert.Single(Compare(Parts(longer, shorter, shorter, shorter, shorter)));
        Assert.Equal(("1.1–1.2", "most", Sureness.Sure), (d.Proposal.Mark, d.Proposal.Rule, d.Proposal.Sure));
    }

    [Fact]
    public void An_even_split_is_for_the_director()
    {
        var accented = With("A5q", "A5q(>)");
        Assert.Equal(Sureness.Yours, Assert.Single(Compare(Parts(Tune, Tune, accented, accented))).Proposal.Sure);
    }

    [Fact]
    public void An_even_split_kept_up_for_measures_is_the_music_and_one_note()
    {
        const string plain = "| C5q D5q E5q F5q | G5q A5q G5q F5q | E5q D5q C5q D5q | E5q F5q G5h";
        const string marked = "| C5q D5q E5q(>) F5q | G5q(>) A5q G5q F5q | E5q D5q C5q(>) D5q | E5q(>) F5q G5h";
        var d = Assert.Single(Compare(Parts(plain, plain, marked, marked)));
        Assert.True(d.IsNote);
        Assert.Equal(("meant", 0, 3), (d.Proposal.Rule, d.From, d.To));
        Assert.Empty(d.Proposal.Parts);
    }

    [Fact]
    public void Bows_against_phrases_are_one_note_and_nothing_is_overwritten()
    {
        const string phrased = "| C5q[ D5q E5q F5q] | G5q[ A5q G5q F5q] | E5q[ D5q C5q D5q] | C5w";
        const string bowed = "| C5q[ D5q] E5q[ F5q] | G5q[ A5q] G5q[ F5q] | E5q[ D5q] C5q[ D5q] | C5w";
        var d = Assert.Single(
            Compare($"part \"Flute\"\n{phrased}\npart \"Oboe\"\n{phrased}\npart \"Violin 1\"\n{bowed}\npart \"Violin 2\"\n{bowed}")
        );
        Assert.Equal((true, "meant"), (d.IsNote, d.Proposal.Rule));
        Assert.All(d.Changes.Values, Assert.Empty);
    }

    [Fact]
    public void A_slip_inside_such_a_stretch_is_mended_by_its_own_family()
    {
        const string phrased = "| C5q[ D5q E5q F5q] | G5q[ A5q G5q F5q] | E5q[ D5q C5q D5q] | C5w";
        const string bowed = "| C5q[ D5q] E5q[ F5q] | G5q[ A5q] G5q[ F5q] | E5q[ D5q] C5q[ D5q] | C5w";
        var slip = bowed.Replace("G5q[ A5q]", "G5q A5q", StringComparison.Ordinal);
        var d = Assert.Single(
            Compare($"part \"Flute\"\n{phrased}\npart \"Violin 1\"\n{bowed}\npart \"Violin 2\"\n{slip}\npart \"Violin 3\"\n{bowed}"),
            x => x.From <= 1 && x.To >= 1 && !x.IsNote
        );
        Assert.Equal(["P3"], d.Proposal.Parts);
        Assert.DoesNotContain("P1", d.Readings.Select(r => r.Part));
    }

    [Fact]
    public void A_wrong_level_is_one_entry_whatever_lines_it_crosses_and_settles_all()
    {
        // The oboe goes with the flutes, then with the horn: two lines, one wrong sign.
        const string high = "| !f C5q D5q E5q F5q | G5q A5q G5q F5q | E5q D5q C5q D5q | rw | rw | rw";
        const string low = "| rw | rw | rw | !f C4q D4q E4q F4q | G4q A4q G4q F4q | E4q D4q C4h";
        const string oboe = "| !p C5q D5q E5q F5q | G5q A5q G5q F5q | E5q D5q C5q D5q | C5q D5q E5q F5q | G5q A5q G5q F5q | E5q D5q C5h";
        var text =
            $"part \"Flute 1\"\n{high}\npart \"Flute 2\"\n{high}\npart \"Oboe\"\n{oboe}"
            + $"\npart \"Horn in C\"\n{low}\npart \"Trumpet in C\"\n{low}";
        var differences = Compare(text);
        var wrong = Assert.Single(differences, d => d.From == 0);
        Assert.Equal(("f", Sureness.Sure), (wrong.Proposal.Mark, wrong.Proposal.Sure));
        Assert.DoesNotContain(Compare(Written(text, wrong)), d => d.Kind == "dynamic");
    }

    [Fact]
    public void Two_dotted_figures_in_a_measure_are_one_entry()
    {
        var d = Assert.Single(Compare(Parts(Tune, Tune, With("G5q A5q G5q F5q", "G5q. A5e G5q. F5e"))));
        Assert.Equal("rhythm", d.Kind);
    }

    [Fact]
    public void A_rhythm_taken_over_changes_the_notes()
    {
        var text = Parts(Tune, Tune, With("G5q A5q G5q F5q", "G5q. A5e G5q F5q"));
        var d = Assert.Single(Compare(text));
        var mended = Written(text, d);
        Assert.Equal("1 1 1 1", string.Join(' ', mended.Parts[2].Measures[1].Notes.Select(n => n.Duration)));
        Assert.Equal(["quarter", "quarter"], mended.Parts[2].Measures[1].Notes.Take(2).Select(n => n.Type));
        Assert.Empty(Compare(mended));
    }

    [Fact]
    public void What_is_printed_now_beats_what_has_been_in_force_for_long()
    {
        var rests = string.Concat(Enumerable.Repeat("| rw ", 14));
        var first = $"| !f C4w {rests}| C5q D5q E5q F5q | G5w";
        var second = $"| !f C4w {rests}| !p C5q D5q E5q F5q | G5w";
        var d = Assert.Single(Compare(Parts(first, second)));
        Assert.Equal(("p", Sureness.Sure), (d.Proposal.Mark, d.Proposal.Sure));
    }

    [Fact]
    public void A_level_left_out_at_an_entry_is_of_lower_rank()
    {
        const string printed = "| !p C5q D5q E5q F5q | rw | !p G5q F5q E5q D5q";
        var d = Assert.Single(Compare(Parts(printed, printed, printed.Replace("!p G5q", "G5q", StringComparison.Ordinal))));
        Assert.True(d.IsNote);
        Assert.Equal(["P3"], d.Proposal.Parts);
    }

    [Fact]
    public void A_sign_over_a_rest_belongs_to_the_next_note_and_is_replaced()
    {
        var text = Parts("| !f C5q D5q E5q F5q | G5w", "| !f C5q D5q E5q F5q | G5w", "| !f C5q D5q E5q F5q | G5w");
        text += "\npart \"Bassoon\"\n| !p C4q D4q E4q F4q | G4w";
        Assert.Single(Compare(text));
        var overRest = Parts("| rh !f C5q D5q | E5q F5q G5h", "| rh !f C5q D5q | E5q F5q G5h", "| !p rh C5q D5q | E5q F5q G5h");
        var d = Assert.Single(Compare(overRest));
        var mended = Written(overRest, d);
        Assert.Equal(["f"], mended.Parts[2].Directions.Select(x => x.Text));
        Assert.Empty(Compare(mended));
    }

    [Theory]
    [InlineData("C5q[ D5q] E5q F5q~ | F5q A5q G5q F5q", "C5q D5q E5q[ F5q~ | F5q] A5q G5q F5q")] // ends on the tied-on note
    [InlineData("C5q D5q E5q F5q~ | F5q[ A5q G5q] F5q", "C5q D5q E5q F5q~ | F5q A5q G5q F5q")] // begins on it
    public void Slurs_on_a_tied_on_note_are_compared_and_written(string first, string second)
    {
        var text = Parts($"| {first} | C5w", $"| {second} | C5w");
        var d = Compare(text).Where(x => x.Kind == "slur").ToList();
        Assert.NotEmpty(d);
        var leader = d.Where(x => x.Readings[0].Has.Length > 0).ToList();
        var document = ShortFormReader.Document(text);
        new DecisionWriter(ScoreDocument.Of(document)).Apply(d.SelectMany(x => x.Changes[x.Readings[0].Has]));
        var mended = ScoreReader.Read(ScoreDocument.Of(document));
        string Slurs(Part p) => string.Join(' ', p.Slurs.Select(s => $"{s.From.Onset}–{s.To.Onset}"));
        Assert.Equal(Slurs(mended.Parts[0]), Slurs(mended.Parts[1]));
        Assert.NotEmpty(Slurs(mended.Parts[0]));
    }

    [Fact]
    public void Two_tunes_that_meet_for_a_moment_are_no_line()
    {
        const string melody = "| C5q D5q G5q E5q | F5q(.) E5q(.) D5q(.) C5q(.) | A5q G5q C5q E5q | D5w";
        const string bass = "| E3q C3q B3q G3q | F3q E3q D3q C3q | F3q B3q E3q G3q | G3w";
        Assert.Empty(Compare($"part \"Flute\"\n{melody}\npart \"Tuba\" clef:F4\n{bass}"));
    }

    [Fact]
    public void The_same_rhythm_for_two_measures_in_passing_is_no_chordal_texture()
    {
        const string upper = "| C5h G5h | C5q(>) D5e(.) E5e(.) F5q(>) G5q | C5q(>) D5e(.) E5e(.) F5q(>) G5q | C5w";
        const string lower = "| E4q F4q G4h | E4q(>) F4e(.) G4e(.) A4q(>) B4q | E4q(>) F4e(.) G4e(.) A4q B4q | E4q F4h G4q";
        Assert.Empty(Compare($"part \"Trumpet 1\"\n{upper}\npart \"Trumpet 2\"\n{lower}"));
    }

    [Theory]
    [InlineData("articulation", "Flute", "C5h", "C5h(f)")]
    [InlineData("breath", "Violin", "F5q |", "F5q(caesura) |")]
    [InlineData("ornament", "Violin", "A5q", "A5q(tremolo:3)")]
    [InlineData("ornament", "Flute", "A5q", "g:B5e A5q")]
    [InlineData("bowing", "Violin", "G5q A5q", "\"pizz.\" G5q A5q")]
    [InlineData("articulation", "Trumpet", "G5q A5q", "\"con sord.\" G5q A5q")]
    public void What_was_not_compared_before_is(string kind, string instrument, string plain, string marked)
    {
        var text = $"part \"{instrument} 1\"\n{Tune}\npart \"{instrument} 2\"\n{With(plain, marked)}\npart \"{instrument} 3\"\n{Tune}";
        var d = Assert.Single(Compare(text));
        Assert.Equal(kind, d.Kind);
        Assert.Equal(["P2"], d.Proposal.Parts);
        if (!marked.StartsWith("g:", StringComparison.Ordinal))
            Assert.Empty(Compare(Written(text, d)));
    }

    // A bass that plucks under bowed strings is the music, however many bow.
    [Fact]
    public void A_word_is_never_taken_away_or_written_in_unseen()
    {
        var bowed = string.Join('\n', Enumerable.Range(1, 4).Select(i => $"part \"Violin {i}\"\n{Tune}"));
        var d = Assert.Single(Compare($"{bowed}\npart \"Contrabass\"\n{With("| C5q D5q", "| \"pizz.\" C5q D5q")}"));
        Assert.NotEqual(Sureness.Sure, d.Proposal.Sure);
        Assert.False(SureOnes.IsSure(d));
    }

    // What cannot be written into the notes is not written above them by itself.
    [Theory]
    [InlineData("A5q", "g:B5e A5q")]
    [InlineData("C5h", "C5q C5q")]
    public void Words_above_a_note_are_for_the_director(string plain, string other)
    {
        var d = Assert.Single(Compare(Parts(Tune, Tune, Tune, With(plain, other))));
        Assert.False(SureOnes.IsSure(d));
    }

    // Three parts meet in the middle of their music with the levels that each has had before.
    [Fact]
    public void Levels_of_before_are_not_taken_unseen_where_nobody_prints_one()
    {
        const string own = "| !f C4q E4q G4q E4q | D4q F4q A4q F4q | ";
        const string other = "| !p G4q B4q D5q B4q | A4q C5q E5q C5q | ";
        const string third = "| !f E3q G3q B3q G3q | F3q A3q C4q A3q | ";
        var music = "C5q D5q E5q F5q | G5q A5q G5q F5q | E5w";
        var d = Compare(Parts(own + music, third + music, other + music)).Where(x => x.Kind == "dynamic").ToList();
        Assert.NotEmpty(d);
        Assert.DoesNotContain(d, SureOnes.IsSure);
    }

    [Fact]
    public void Of_two_sure_proposals_that_contradict_each_other_the_second_waits()
    {
        var first = Assert.Single(Compare(Parts(Tune, Tune, Tune, With("A5q", "A5q(.)"))));
        var against = first with { Id = "other", Changes = Reversed(first) };
        Assert.Equal([first], SureOnes.Together([first, against]));
        Assert.Equal([first], SureOnes.Together([first]));
    }

    private static Dictionary<string, IReadOnlyList<MellowStand.Core.Decisions.MarkChange>> Reversed(Difference d) =>
        d.Changes.ToDictionary(
            c => c.Key,
            c =>
                (IReadOnlyList<MellowStand.Core.Decisions.MarkChange>)
                    [.. c.Value.Select(x => x with { Added = x.Removed, Removed = x.Added })]
        );

    [Fact]
    public void Who_plays_of_a_desk_is_a_note()
    {
        var d = Assert.Single(Compare($"part \"Flute\"\n{Tune}\npart \"Oboe\"\n{With("G5q A5q", "\"solo\" G5q A5q")}"));
        Assert.True(d.IsNote);
    }

    [Fact]
    public void The_accidental_of_a_trill_is_compared_as_it_sounds()
    {
        const string flute = "| C5q D5q E5q(tr) F5q | G5q A5q G5q F5q | C5w";
        const string other = "| C5q D5q E5q(tr,accidental-mark:sharp) F5q | G5q A5q G5q F5q | C5w";
        var text = $"part \"Flute 1\"\n{flute}\npart \"Flute 2\"\n{flute}\npart \"Clarinet\" transpose:-1,-2 concert:yes\n{other}";
        var d = Assert.Single(Compare(text));
        Assert.Equal(("ornament", "trill to the half step"), (d.Kind, d.Proposal.Mark));
        Assert.Empty(Compare(Written(text, d)));
    }

    private static string With(string what, string by)
    {
        Assert.Contains(what, Tune, StringComparison.Ordinal);
        return Tune.Replace(what, by, StringComparison.Ordinal);
    }

    private static Score Written(string text, Difference d)
    {
        var document = ShortFormReader.Document(text);
        new DecisionWriter(ScoreDocument.Of(document)).Apply(d.Changes[d.Proposal.Mark]);
        return ScoreReader.Read(ScoreDocument.Of(document));
    }

    private static IReadOnlyList<Difference> Compare(string music) => Compare(ShortFormReader.Score(music));

    private static IReadOnlyList<Difference> Compare(Score score) => UnifyDesk.Compare(score, House.Default).Differences;
}
