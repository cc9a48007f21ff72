using MellowStand.Core.Formats.ShortForm;
using MellowStand.Core.HouseRules;
using MellowStand.Core.Technique;
using MellowStand.Core.Technique.Drums;

namespace MellowStand.Core.Tests.Technique;

/// <summary>Tunings of kettledrums: the time to change them, and the plan against every other plan.</summary>
public sealed class TimpaniTests
{
    [Fact]
    public void Two_notes_of_two_drums_are_tuned_once_before_the_music()
    {
        var plan = Plan("| C3q G2q C3q G2q | C3q G2q C3q G2q");
        Assert.Equal(2, plan.Tunings.Count);
        Assert.All(plan.Tunings, t => Assert.Null(t.From));
        Assert.NotEqual(plan.Tunings[0].Drum, plan.Tunings[1].Drum);
    }

    [Fact]
    public void A_new_note_goes_to_a_drum_that_is_free_or_has_time()
    {
        // F2, A2, C3, D3 and F3 on four drums: one must change; it changes where the rest is long.
        var plan = Plan("tempo:q=60 | F2q A2q C3q F3q | rw | rw | D3q F2q A2q F3q");
        var change = Assert.Single(plan.Tunings, t => t.From is not null);
        Assert.Equal(50, change.To);
        Assert.True(change.Seconds > 8);
        Assert.False(change.IsTight);
    }

    [Fact]
    public void A_fifth_drum_saves_the_change()
    {
        var passage = Excerpt("tempo:q=120 | F2q A2q C3q F3q | A3q F2q A2q F3q");
        Assert.Contains(TimpaniPlan.Of(passage, TimpaniPlan.Four).Tunings, t => t.From is not null);
        Assert.All(TimpaniPlan.Of(passage, TimpaniPlan.Five).Tunings, t => Assert.Null(t.From));
    }

    [Fact]
    public void Too_little_time_is_told()
    {
        var plan = Plan("tempo:q=120 | F2e G2e A2e Bb2e C3e D3e E3e F3e");
        Assert.Contains(plan.Tunings, t => t.IsTight);
    }

    /// <summary>Some 300 random passages: no assignment of drums is cheaper.</summary>
    [Fact]
    public void No_plan_is_cheaper()
    {
        var random = new Random(4711);
        string[] names = ["C", "C#", "D", "Eb", "E", "F", "F#", "G", "Ab", "A", "Bb", "B"];
        for (var i = 0; i < 300; i++)
        {
            var keys = Enumerable.Range(0, 6).Select(_ => random.Next(40, 56)).ToList();
            var text = string.Join(' ', keys.Select(k => $"{names[k % 12]}{(k / 12) - 1}{"qh"[random.Next(2)]}"));
            var passage = Excerpt($"meter:12/4 tempo:q={random.Next(40, 140)} | {text}");
            Assert.Equal(Exhaustive(passage), TimpaniPlan.Of(passage, TimpaniPlan.Four).Cost, 0.001);
        }
    }

    private static double Exhaustive(Excerpt passage)
    {
        var drums = TimpaniPlan.Four;
        double Search(int place, int[] keys, int[] struck)
        {
            if (place == passage.Steps.Count)
                return 0;
            var key = passage.Steps[place].Chord[0];
            var best = double.MaxValue;
            for (var d = 0; d < drums.Count; d++)
            {
                if (key < drums[d].Low || key > drums[d].High)
                    continue;
                var distance = Math.Abs(key - keys[d]);
                var cost = 0.0;
                if (keys[d] == 0)
                    cost = 0.05;
                else if (distance > 0)
                {
                    var missing = 2 + (0.2 * distance) - passage.SecondsBetween(struck[d], place);
                    cost = 0.5 + (0.04 * distance) + (Math.Max(0, missing) * 0.6);
                }

                var (k, s) = ((int[])keys.Clone(), (int[])struck.Clone());
                (k[d], s[d]) = (key, place);
                best = Math.Min(best, cost + Search(place + 1, k, s));
            }

            return best;
        }

        return Search(0, new int[4], new int[4]);
    }

    private static TechniquePlan Plan(string music) => RuleOfThumbTests.Solve("Timpani", music);

    private static Excerpt Excerpt(string music)
    {
        var score = ShortFormReader.Score($"part \"Timpani\" clef:F4\n{music}");
        return new Excerpt(
            score,
            score.Parts[0],
            0,
            score.Measures.Count - 1,
            House.Default,
            new MellowStand.Core.Notation.TempoLine(score).QuarterBpmAt
        );
    }
}
