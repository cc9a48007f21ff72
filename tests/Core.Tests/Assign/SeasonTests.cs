using MellowStand.Core.Assign;
using MellowStand.Core.Hear;

namespace MellowStand.Core.Tests.Assign;

/// <summary>What a season's plan is made of: common practice, no published source; the measures are ours.</summary>
public sealed class SeasonTests
{
    private static readonly DateOnly Monday = new(2031, 3, 3);

    [Fact]
    public void Those_behind_get_more_sessions_and_those_ahead_fewer()
    {
        var items = SeasonItems.Of(
            [
                Passage(
                    60,
                    8,
                    Player(1, 0),
                    Player(2, 0, Readiness.Late),
                    Player(3, 0, Readiness.Early),
                    Player(4, 7, Readiness.Early, true)
                ),
            ],
            20
        );
        int Of(Band band) => items.Single(i => i.Band == band).Sessions;
        Assert.True(Of(Band.Behind) > Of(Band.Usual));
        Assert.True(Of(Band.Ahead) < Of(Band.Usual));
        Assert.Equal([3, 4], items.Single(i => i.Band == Band.Ahead).Players);
        Assert.Contains("instead of", items.Single(i => i.Band == Band.Behind).Why, StringComparison.Ordinal);
    }

    // 8 steps, none clean: 8 sessions, one a step; at step 5, 4 are left.
    [Theory]
    [InlineData(0, 8, "1 2 3 4 5 6 7 8")]
    [InlineData(4, 4, "5 6 7 8")]
    [InlineData(7, 1, "8")]
    public void Sessions_climb_the_steps_that_are_left_and_end_at_the_goal(int next, int sessions, string steps)
    {
        var item = Assert.Single(SeasonItems.Of([Passage(20, 8, Player(1, next))], 20));
        Assert.Equal(sessions, item.Sessions);
        Assert.Equal(steps, string.Join(' ', Enumerable.Range(1, item.Sessions).Select(n => item.StepAt(n) + 1)));
    }

    [Fact]
    public void With_fewer_sessions_than_steps_the_last_is_still_the_goal()
    {
        var item = new SeasonItem(Passage(20, 8, Player(1, 0)), Band.Ahead, [1], 5, 3, 0, "");
        Assert.Equal([2, 5, 7], Enumerable.Range(1, 3).Select(item.StepAt));
        var more = new SeasonItem(Passage(20, 4, Player(1, 0)), Band.Behind, [1], 5, 6, 0, "");
        Assert.Equal([0, 1, 1, 2, 3, 3], Enumerable.Range(1, 6).Select(more.StepAt));
    }

    // Steps 60, 66, 72, 78: clean at 66 goes on with 72; missed there twice, back to 66 (house rule move-on, three clean up and two
    // missed back).
    [Theory]
    [InlineData("three-clean", "66+", 2)]
    [InlineData("three-clean", "66+ 72-", 2)]
    [InlineData("three-clean", "66+ 72- 72-", 1)]
    [InlineData("once-clean", "66+ 72- 72-", 2)]
    [InlineData("three-clean", "72- 72-", 0)]
    [InlineData("three-clean", "78+", 3)]
    [InlineData("three-clean", "", 0)]
    public void Two_missed_lead_one_step_back(string rule, string heard, int next)
    {
        var tries = heard
            .Split(' ', StringSplitOptions.RemoveEmptyEntries)
            .Select(
                (t, i) =>
                    new HeardTempo(
                        Monday.AddDays(i),
                        double.Parse(t[..^1], System.Globalization.CultureInfo.InvariantCulture),
                        t[^1] == '+'
                    )
            )
            .Reverse()
            .ToList();
        Assert.Equal(next, SeasonItems.NextStep([60, 66, 72, 78], tries, Core.HouseRules.House.Default.With("move-on", rule)));
    }

    [Theory]
    [InlineData(12, 20, 5)]
    [InlineData(50, 20, 10)]
    [InlineData(200, 20, 15)]
    [InlineData(200, 8, 8)]
    public void A_session_is_short_and_never_longer_than_the_day(int total, int day, int session) =>
        Assert.Equal(session, SeasonItems.MinutesOfASession(total, day));

    [Fact]
    public void Sessions_are_spread_over_the_time_that_is_left()
    {
        var items = SeasonItems.Of([Passage(20, 4, Player(1, 0))], 20);
        var planned = Assert.Single(SeasonItems.ForPlanner(items, Monday, new Dictionary<string, IReadOnlyList<DateOnly>>()));
        Assert.InRange(planned.Gap, 2, 4);
        var near = Assert.Single(
            SeasonItems.ForPlanner(
                items,
                Monday,
                new Dictionary<string, IReadOnlyList<DateOnly>> { ["1/usual"] = [Monday, Monday.AddDays(1)] }
            )
        );
        Assert.Equal(1, near.Gap);
        Assert.Equal([Monday, Monday.AddDays(1)], near.Set);
    }

    [Fact]
    public void In_turn_a_passage_begins_where_the_one_before_it_ends()
    {
        SeasonPassage Of(long id, int measure) => Passage(20, 4, Player(1, 0)) with { Id = id, Piece = 7, Measure = measure };
        var items = SeasonItems.Of([Of(3, 16), Of(1, 0), Of(2, 8), Passage(20, 4, Player(9, 0)) with { Id = 4, Piece = 8 }], 20);
        var none = new Dictionary<string, IReadOnlyList<DateOnly>>();
        var planned = SeasonItems.ForPlanner(items, Monday, none, inTurn: true).ToDictionary(p => p.Id, p => p.From!.Value);
        Assert.Equal(Monday, planned["1/usual"]);
        Assert.True(planned["1/usual"] < planned["2/usual"] && planned["2/usual"] < planned["3/usual"]);
        Assert.Equal(Monday, planned["4/usual"]);
        Assert.All(SeasonItems.ForPlanner(items, Monday, none), p => Assert.Equal(Monday, p.From));
    }

    [Fact]
    public void A_calendar_knows_rest_holidays_and_other_minutes()
    {
        var calendar = PracticeCalendar.Usual with
        {
            Entries =
            [
                new CalendarEntry(Monday.AddDays(1), Monday.AddDays(2), CalendarKind.Off, 0),
                new CalendarEntry(Monday.AddDays(3), Monday.AddDays(3), CalendarKind.Minutes, 45),
                new CalendarEntry(Monday.AddDays(2), Monday.AddDays(2), CalendarKind.Rehearsal, 90),
                new CalendarEntry(Monday.AddDays(4), Monday.AddDays(4), CalendarKind.Rehearsal, 60),
                new CalendarEntry(Monday.AddDays(5), Monday.AddDays(5), CalendarKind.Concert, 0),
            ],
        };
        Assert.Equal([20, 0, 0, 45, 20, 0, 0], calendar.Days(Monday, Monday.AddDays(6)).Select(d => d.Minutes));
        // A rehearsal on a day off does not take place.
        Assert.Equal([(Monday.AddDays(4), 60)], calendar.Rehearsals(Monday));
        Assert.Empty(calendar.Days(Monday, Monday.AddDays(-1)));
    }

    // 2028 is a leap year: from February 28 to March 1 are three days (Gregorian calendar).
    [Fact]
    public void A_leap_day_is_a_day() =>
        Assert.Equal(3, PracticeCalendar.Usual.Days(new DateOnly(2028, 2, 28), new DateOnly(2028, 3, 1)).Count);

    [Fact]
    public void The_last_days_before_a_date_are_kept_for_runs()
    {
        var calendar = PracticeCalendar.Usual;
        Assert.Equal(Monday.AddDays(7), calendar.LastDay(Monday.AddDays(9), Monday.AddDays(10)));
        Assert.Equal(Monday.AddDays(3), calendar.LastDay(Monday.AddDays(3), Monday.AddDays(10)));
        Assert.Equal(Monday.AddDays(3), calendar.LastDay(Monday.AddDays(3), null));
    }

    [Fact]
    public void What_a_new_plan_changes_is_told_and_nothing_else()
    {
        KeptItem Item(string key, params int[] days) =>
            new(key, $"Passage {key}", Band.Usual, [1], [.. days.Select(d => Monday.AddDays(d))]);
        var told = SeasonChanges.Of(
            [Item("a", 0, 2), Item("b", 1, 3), Item("c", 2), Item("gone", 4)],
            [Item("a", 0, 2), Item("b", 1, 4, 5), Item("c", 3), Item("new", 2)],
            Monday.AddDays(1)
        );
        Assert.Equal(4, told.Count);
        Assert.Equal("Passage b, 1 player on the way: 3 sessions instead of 2, the last on Mar 8.", told[0]);
        Assert.Contains("1 of 1 session on other days", told[1], StringComparison.Ordinal);
        Assert.Contains("new", told[2], StringComparison.Ordinal);
        Assert.Contains("no sessions any more", told[3], StringComparison.Ordinal);
    }

    [Fact]
    public void The_pace_of_a_school_is_the_middle_of_its_players()
    {
        // Half the time gone: those who have climbed a quarter take twice as long.
        Assert.Equal(2, LearnedPace.Of(Enumerable.Repeat(new Climb(0.5, 0.25), 7)));
        Assert.Equal(0.5, LearnedPace.Of(Enumerable.Repeat(new Climb(0.4, 0.9), 7)));
        Assert.Equal(1, LearnedPace.Of(Enumerable.Repeat(new Climb(0.5, 0.25), 3)));
        Assert.Equal(1, LearnedPace.Of(Enumerable.Repeat(new Climb(0.01, 0), 30)));
    }

    private static SeasonPassage Passage(int minutes, int steps, params PlayerProgress[] players) =>
        new(1, "Letter C", minutes, steps, Monday, Monday.AddDays(28), players);

    private static PlayerProgress Player(long id, int next, Readiness readiness = Readiness.OnTime, bool isThere = false) =>
        new(id, next, isThere, readiness);
}
