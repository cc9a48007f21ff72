using MellowStand.Core.Assign;

namespace MellowStand.Core.Tests.Assign;

/// <summary>The calendar over random entries, day by day against what each kind of entry means; and what a new plan is said to
/// change.</summary>
public sealed class CalendarPropertyTests
{
    private static readonly DateOnly Start = new(2031, 2, 20);
    private static readonly CalendarKind[] Kinds = Enum.GetValues<CalendarKind>();

    [Fact]
    public void Nobody_practices_on_days_off_and_concerts_whatever_else_stands_there()
    {
        foreach (var calendar in Calendars(7101))
            foreach (var day in calendar.Days(Start, Start.AddDays(40)))
            {
                var kinds = calendar.Entries.Where(e => e.From <= day.Date && day.Date <= e.To).Select(e => e.Kind).ToHashSet();
                if (kinds.Contains(CalendarKind.Off) || kinds.Contains(CalendarKind.Concert))
                    Assert.Equal(0, day.Minutes);
                else if (!kinds.Contains(CalendarKind.Minutes))
                    Assert.Equal(calendar.RestDays.Contains(day.Date.DayOfWeek) ? 0 : calendar.Minutes, day.Minutes);
                else
                    Assert.Contains(day.Minutes, calendar.Entries.Where(e => e.Kind == CalendarKind.Minutes).Select(e => e.Minutes));
            }
    }

    [Fact]
    public void Days_follow_each_other_without_a_gap_over_ends_of_months_and_years()
    {
        var random = Seeds.Random(7102);
        for (var i = 0; i < 200; i++)
        {
            var from = Start.AddDays(random.Next(2000));
            var length = random.Next(0, 90);
            var days = PracticeCalendar.Usual.Days(from, from.AddDays(length)).Select(d => d.Date).ToList();
            Assert.Equal(length + 1, days.Count);
            Assert.Equal(from, days[0]);
            Assert.All(days.Zip(days.Skip(1)), p => Assert.Equal(p.First.DayNumber + 1, p.Second.DayNumber));
        }
    }

    [Fact]
    public void Turned_around_two_days_have_no_days_between_them() =>
        Assert.Empty(PracticeCalendar.Usual.Days(Start, Start.AddDays(-1)));

    [Fact]
    public void Rehearsals_come_in_order_each_day_of_theirs_and_none_on_a_day_off()
    {
        foreach (var calendar in Calendars(7103))
        {
            var from = Start.AddDays(5);
            var told = calendar.Rehearsals(from).ToList();
            Assert.Equal(told.OrderBy(r => r.Date).Select(r => r.Date), told.Select(r => r.Date));
            var off = calendar.Entries.Where(e => e.Kind == CalendarKind.Off).ToList();
            Assert.All(told, r => Assert.DoesNotContain(off, e => e.Holds(r.Date)));
            var open = Enumerable.Range(0, 60).Select(Start.AddDays).Where(d => d >= from && !off.Exists(o => o.Holds(d))).ToList();
            var expected = calendar.Entries.Where(e => e.Kind == CalendarKind.Rehearsal).Sum(e => open.Count(e.Holds));
            Assert.Equal(expected, told.Count);
        }
    }

    [Fact]
    public void The_last_day_to_learn_is_never_after_the_date_nor_among_the_days_of_runs()
    {
        var random = Seeds.Random(7104);
        for (var i = 0; i < 300; i++)
        {
            var calendar = PracticeCalendar.Usual with { RunDays = random.Next(0, 8) };
            var (due, concert) = (Start.AddDays(random.Next(60)), Start.AddDays(random.Next(60)));
            var last = calendar.LastDay(due, concert);
            Assert.True(last <= due);
            Assert.True(last <= concert.AddDays(-calendar.RunDays));
            Assert.Contains(last, new[] { due, concert.AddDays(-calendar.RunDays) });
            Assert.Equal(due, calendar.LastDay(due, null));
        }
    }

    [Fact]
    public void A_plan_made_anew_as_it_was_changes_nothing_in_whatever_order_it_is_told()
    {
        var random = Seeds.Random(7105);
        for (var i = 0; i < 100; i++)
        {
            var plan = Plan(random);
            Assert.Empty(SeasonChanges.Of(plan, [.. plan.OrderBy(_ => random.Next())], Start));
        }
    }

    [Fact]
    public void What_changes_is_told_once_by_its_name_and_what_does_not_is_not_named()
    {
        var random = Seeds.Random(7106);
        for (var i = 0; i < 100; i++)
        {
            var before = Plan(random);
            var changed = random.Next(before.Count);
            var after = before.ToList();
            after[changed] = after[changed] with { Days = [.. after[changed].Days, Start.AddDays(100)] };
            var told = SeasonChanges.Of(before, after, Start);
            Assert.Contains(before[changed].Title, Assert.Single(told), StringComparison.Ordinal);

            after.RemoveAt(changed);
            Assert.EndsWith("no sessions any more.", Assert.Single(SeasonChanges.Of(before, after, Start)), StringComparison.Ordinal);
            Assert.EndsWith("new.", Assert.Single(SeasonChanges.Of(after, before, Start)), StringComparison.Ordinal);
        }
    }

    [Fact]
    public void What_is_behind_is_no_change()
    {
        var random = Seeds.Random(7107);
        var before = Plan(random);
        List<KeptItem> after = [.. before.Select(i => i with { Days = [Start.AddDays(-3), .. i.Days] })];
        Assert.Empty(SeasonChanges.Of(before, after, Start));
    }

    private static IEnumerable<PracticeCalendar> Calendars(int seed)
    {
        var random = Seeds.Random(seed);
        for (var i = 0; i < 60; i++)
            yield return new PracticeCalendar(
                random.Next(5, 60),
                [(DayOfWeek)random.Next(7), (DayOfWeek)random.Next(7)],
                random.Next(5),
                [.. Enumerable.Range(0, random.Next(8)).Select(_ => Entry(random))]
            );
    }

    private static CalendarEntry Entry(Random random)
    {
        var from = Start.AddDays(random.Next(40));
        return new CalendarEntry(from, from.AddDays(random.Next(5)), Kinds[random.Next(Kinds.Length)], random.Next(1, 90));
    }

    private static List<KeptItem> Plan(Random random) =>
        [
            .. Enumerable
                .Range(1, random.Next(2, 7))
                .Select(i => new KeptItem(
                    $"{i}/ontheway",
                    $"Passage number {i} of {random.Next(1000)}",
                    (Band)random.Next(3),
                    [i, i + 10],
                    [.. Enumerable.Range(0, random.Next(1, 6)).Select(n => Start.AddDays((n * 3) + random.Next(2)))]
                )),
        ];
}
