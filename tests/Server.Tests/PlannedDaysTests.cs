using MellowStand.Core.Notation;
using MellowStand.Core.Tempo;
using MellowStand.Storage;
using Microsoft.Extensions.DependencyInjection;

namespace MellowStand.Server.Tests;

/// <summary>The plan in force dates the steps of a passage, and only that plan.</summary>
public sealed class PlannedDaysTests : IDisposable
{
    private static readonly DateOnly Monday = new(2031, 3, 3);

    private readonly SchoolServer _server = new();

    public void Dispose() => _server.Dispose();

    [Fact]
    public async Task The_steps_of_a_passage_have_the_days_of_the_plan_in_force()
    {
        using var client = _server.CreateClient();
        var piece = await client.Import(Asking.Music("part \"Flute\"\n| C5q D5q E5q F5q | G5w"));
        var passages = _server.Services.GetRequiredService<PassageRepository>();
        var seasons = _server.Services.GetRequiredService<SeasonRepository>();
        var ensemble = _server.Services.GetRequiredService<EnsembleRepository>();
        var player = ensemble.AddPlayer(ensemble.AddSection("Flutes"), "Ada", null, 1, "comfortable");
        var passage = passages.Add(Passage(piece, player));
        Assert.Equal("3 10 17", Days(passages, passage));

        // Steps from 0: the second is practiced on days 4 and 5, the third on day 6; the first is done, and keeps its date.
        var plan = seasons.Draft(Plan(passage, player, "usual", (4, 1), (5, 1), (6, 2)));
        Assert.Equal("3 10 17", Days(passages, passage));
        Assert.Equal(Change.Stale, seasons.Keep(plan, plan + 7));
        Assert.Equal(Change.Kept, seasons.Keep(plan, null));
        Assert.Equal("3 5 6", Days(passages, passage));

        // A step that is passed over is left on the day on which the next one begins.
        var second = seasons.Draft(Plan(passage, player, "usual", (4, 0), (8, 2)));
        Assert.Equal(Change.Kept, seasons.Keep(second, plan));
        Assert.Equal("4 8 8", Days(passages, passage));
        Assert.True(seasons.Undo(second));
        Assert.Equal("3 5 6", Days(passages, passage));
        Assert.True(seasons.Undo(plan));
        Assert.Equal("3 10 17", Days(passages, passage));
        Assert.Equal(Change.Kept, seasons.Keep(plan, null));
        Assert.Equal("3 5 6", Days(passages, passage));
    }

    [Fact]
    public async Task Those_on_the_way_date_the_steps_before_those_behind()
    {
        using var client = _server.CreateClient();
        var piece = await client.Import(Asking.Music("part \"Flute\"\n| C5q D5q E5q F5q | G5w"));
        var passages = _server.Services.GetRequiredService<PassageRepository>();
        var seasons = _server.Services.GetRequiredService<SeasonRepository>();
        var ensemble = _server.Services.GetRequiredService<EnsembleRepository>();
        var player = ensemble.AddPlayer(ensemble.AddSection("Flutes"), "Ada", null, 1, "comfortable");
        var passage = passages.Add(Passage(piece, player));
        var behind = Plan(passage, player, "behind", (9, 0), (11, 1), (13, 2)).Items;
        var plan = Plan(passage, player, "usual", (4, 0), (5, 1), (6, 2));
        seasons.Keep(seasons.Draft(plan with { Items = [.. behind, .. plan.Items] }), null);
        Assert.Equal("4 5 6", Days(passages, passage));
    }

    [Fact]
    public void A_draft_takes_the_place_of_the_one_before_and_a_moved_session_counts_the_plan_up()
    {
        using var client = _server.CreateClient();
        var seasons = _server.Services.GetRequiredService<SeasonRepository>();
        var first = seasons.Draft(Plan(new PassageId(0), new PlayerId(0), "usual") with { Items = [] });
        var empty = Plan(new PassageId(0), new PlayerId(0), "usual") with { Items = [] };
        var second = seasons.Draft(empty with { Gives = ["days: put it off"], Changes = ["new"] });
        Assert.Null(seasons.Find(first));
        var found = seasons.Find(second)!;
        Assert.Equal(("draft", "days: put it off", "new"), (found.State, found.Gives[0], found.Changes[0]));
        Assert.Null(seasons.Current());
        Assert.Equal(Change.Gone, seasons.Move(99, Monday, true, 0));
        Assert.False(seasons.Undo(second));
    }

    private static string Days(PassageRepository passages, PassageId passage) =>
        string.Join(' ', passages.Find(passage)!.Steps.Select(s => s.Due.Day));

    private static PassageRow Passage(long piece, PlayerId player)
    {
        var place = new Address("e", ["P1"], new MeasurePlace(0, "1"), new MeasurePlace(1, "2"));
        return new PassageRow(
            new PassageId(0),
            piece,
            "Opening",
            place,
            Quarter(60),
            Quarter(80),
            "step",
            10,
            Monday,
            Monday.AddDays(14),
            "",
            [],
            [player],
            [
                new StepRow(Quarter(60), Monday),
                new StepRow(Quarter(70), Monday.AddDays(7)),
                new StepRow(Quarter(80), Monday.AddDays(14)),
            ]
        );
    }

    private static TempoMark Quarter(double bpm) => new(BeatUnit.Find("quarter")!, bpm);

    private static SeasonPlanRow Plan(PassageId passage, PlayerId player, string band, params (int Day, int Step)[] sessions)
    {
        var slots = sessions.Select(s => new SessionSlot(0, new DateOnly(2031, 3, s.Day), s.Step, false)).ToList();
        var item = new SeasonItemRow(0, passage, band, [player], 5, "", slots);
        return new SeasonPlanRow(0, DateTimeOffset.UnixEpoch, "draft", "optimal", 0, 5, 5, [], [], [item]);
    }
}
