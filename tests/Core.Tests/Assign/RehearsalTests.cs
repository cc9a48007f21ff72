using MellowStand.Core.Assign;

namespace MellowStand.Core.Tests.Assign;

/// <summary>Rehearsals: common practice, no published source.</summary>
public sealed class RehearsalTests
{
    private static readonly DateOnly Monday = new(2031, 3, 3);

    [Fact]
    public void What_needs_it_most_gets_most_and_comes_first_to_the_plan()
    {
        var plan = Of(40, Passage(1, 0.2, 1, 2), Passage(2, 0.9, 1, 2));
        var slots = Assert.Single(plan).Slots;
        Assert.True(Minutes(slots, 2) > Minutes(slots, 1));
    }

    [Fact]
    public void Over_many_rehearsals_every_passage_has_its_turn()
    {
        var passages = Enumerable.Range(1, 8).Select(i => Passage(i, 0.1 * i, 1, 2, 3)).ToArray();
        var plan = RehearsalPlanner.Of(Enumerable.Range(0, 6).Select(i => (Monday.AddDays(i), 45)), passages);
        Assert.Equal(8, plan.SelectMany(r => r.Slots).SelectMany(s => s.Passages).Select(p => p.Id).Distinct().Count());
    }

    // Three passages, the brass only in the middle one: played last or first it waits for nobody.
    [Fact]
    public void The_order_lets_nobody_wait_where_that_can_be()
    {
        var plan = Assert.Single(Of(70, Passage(1, 0.9, 1, 2, 3), Passage(2, 0.8, 4, 5, 1), Passage(3, 0.7, 1, 2, 3)));
        Assert.Equal(0, plan.Idle);
        var order = plan.Slots.Select(s => s.Passages[0].Id).ToList();
        Assert.NotEqual(1, order.IndexOf(2));
    }

    [SeededProperty]
    public void No_order_of_a_rehearsal_lets_players_wait_less(int seed)
    {
        var random = new Random(seed);
        var passages = Enumerable
            .Range(1, 4)
            .Select(i =>
                Passage(i, 0.5 + (random.NextDouble() / 2), [.. Enumerable.Range(1, 6).Where(_ => random.Next(2) == 0).DefaultIfEmpty(1)])
            )
            .ToArray();
        var plan = Assert.Single(Of(90, passages));
        Assert.All(Orders([.. plan.Slots]), order => Assert.True(Idle(order) >= plan.Idle));
    }

    [Fact]
    public void Sections_that_share_no_player_work_at_the_same_time()
    {
        var slots = Assert.Single(Of(60, Passage(1, 0.9, 1, 2), Passage(2, 0.9, 3, 4))).Slots;
        Assert.True(Assert.Single(slots).IsSectional);
        Assert.Equal(4, slots[0].Playing);
    }

    [Fact]
    public void A_passage_that_is_past_its_date_or_without_players_is_not_rehearsed()
    {
        var past = Passage(1, 0.9, 1) with { Due = Monday.AddDays(-1) };
        var plan = Assert.Single(Of(60, past, Passage(2, 0.9)));
        Assert.Empty(plan.Slots);
        Assert.Contains("run the pieces through", plan.Why, StringComparison.Ordinal);
    }

    [Fact]
    public void Slots_fit_into_the_rehearsal()
    {
        var plan = Assert.Single(Of(30, [.. Enumerable.Range(1, 9).Select(i => Passage(i, 0.9, 1, 2))]));
        Assert.True(plan.Slots[^1].Starts + plan.Slots[^1].Minutes <= 30);
        Assert.Equal(10, plan.Slots[0].Starts);
    }

    private static IReadOnlyList<Rehearsal> Of(int minutes, params RehearsedPassage[] passages) =>
        RehearsalPlanner.Of([(Monday, minutes)], passages);

    private static RehearsedPassage Passage(long id, double need, params int[] players) =>
        new(id, $"Passage {id}", [.. players.Select(p => (long)p)], need, Monday.AddDays(30));

    private static int Minutes(IReadOnlyList<RehearsalSlot> slots, long passage) =>
        slots.Single(s => s.Passages.Any(p => p.Id == passage)).Minutes;

    private static IEnumerable<List<RehearsalSlot>> Orders(List<RehearsalSlot> slots)
    {
        if (slots.Count <= 1)
            return [slots];
        return slots.SelectMany(s => Orders([.. slots.Where(o => o != s)]).Select(rest => (List<RehearsalSlot>)[s, .. rest]));
    }

    private static int Idle(List<RehearsalSlot> order)
    {
        bool Plays(RehearsalSlot s, long p) => s.Passages.Any(x => x.Players.Contains(p));
        return order
            .SelectMany(s => s.Passages.SelectMany(p => p.Players))
            .Distinct()
            .Sum(p =>
                order.SkipWhile(s => !Plays(s, p)).Reverse().SkipWhile(s => !Plays(s, p)).Where(s => !Plays(s, p)).Sum(s => s.Minutes)
            );
    }
}
