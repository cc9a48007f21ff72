using MellowStand.Core.Hear;
using MellowStand.Server.Answers;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>A criterion with its weight.</summary>
/// <param name="Name">A stable key.</param>
/// <param name="Weight">1 to 10; 0 leaves it out of a test.</param>
public sealed record WeightEdit(string Name, int Weight);

/// <summary>A criterion as the interface shows it.</summary>
public sealed record CriterionView(string Name, string Words, bool ForScales, int Weight);

/// <summary>A test to hold.</summary>
/// <param name="Passage">The passage.</param>
/// <param name="Title">Its title; made from the passage when left out.</param>
/// <param name="Unit">Beat unit; that of the goal when left out.</param>
/// <param name="Bpm">Beats per minute; those of the goal when left out.</param>
/// <param name="Held">The day; today when left out.</param>
/// <param name="Weights">Its criteria; the school's list for passages when left out.</param>
/// <param name="Version">For a change: the version that was seen.</param>
public sealed record TestRequest(
    long Passage,
    string? Title,
    string? Unit,
    double? Bpm,
    DateOnly? Held,
    IReadOnlyList<WeightEdit>? Weights,
    int? Version = null
);

/// <summary>Marks of a player.</summary>
/// <param name="Marks">Marks by criterion, 0 to 5.</param>
/// <param name="Note">A word to them.</param>
/// <param name="Version">The version that was seen; 0 where nothing was marked yet.</param>
public sealed record MarksRequest(IReadOnlyDictionary<string, int>? Marks, string? Note, int? Version);

/// <summary>One player of a test.</summary>
/// <param name="Player">The player.</param>
/// <param name="Name">Their name.</param>
/// <param name="Section">Their section.</param>
/// <param name="Marks">Marks by criterion.</param>
/// <param name="Percent">Percent of what could be had, or null while a mark is missing.</param>
/// <param name="Weakest">What to work on, at most three.</param>
/// <param name="Note">A word to them.</param>
/// <param name="Version">How often their marks were changed.</param>
public sealed record TestedView(
    long Player,
    string Name,
    string Section,
    IReadOnlyDictionary<string, int> Marks,
    double? Percent,
    IReadOnlyList<string> Weakest,
    string Note,
    int Version
);

/// <summary>A test with its results.</summary>
public sealed record TestView(
    long Id,
    long Passage,
    string PassageTitle,
    long Piece,
    string PieceTitle,
    string Title,
    TempoView Tempo,
    DateOnly Held,
    IReadOnlyList<CriterionView> Criteria,
    IReadOnlyList<TestedView> Players,
    int Version
);

/// <summary>Hear: playing tests.</summary>
public static class TestEndpoints
{
    /// <summary>Maps the group.</summary>
    public static void MapTests(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/tests").WithTags("Hear");
        group.MapGet("", (TestRepository tests, TestViews views) => TypedResults.Ok(views.Of(tests.All()))).KeepAnswer(Rests.Records);
        group.MapPost("", Add);
        group
            .MapGet("/{test:long}", (long test, TestRepository tests, TestViews views) => TypedResults.Ok(views.Of(Find(tests, test))))
            .KeepAnswer(Rests.Records);
        group.MapPut("/{test:long}", Edit);
        group.MapDelete("/{test:long}", Remove);
        group.MapPost("/{test:long}/restore", Restore);
        group.MapPut("/{test:long}/marks/{player:long}", Mark);
        group
            .MapGet(
                "/{test:long}/results.csv",
                (long test, TestRepository tests, TestViews views) => TestTable.Csv(views.Of(Find(tests, test)))
            )
            .KeepAnswer(Rests.Records)
            .Produces<string>(200, "text/csv");
        api.MapGet("/test-criteria", Criteria).KeepAnswer(Rests.Records).WithTags("Hear");
        api.MapPut("/test-criteria", Weigh).WithTags("Hear");
    }

    /// <summary>The test with the number.</summary>
    /// <exception cref="Refusal">There is none.</exception>
    internal static TestRow Find(TestRepository tests, long id) =>
        tests.Find(id) ?? throw Refusal.NotFound($"There is no test {id}. Load the list again.");

    /// <summary>The criteria that are heard with their weights: those asked for, else the school's list for passages.</summary>
    /// <exception cref="Refusal">One is not on the list, or none is left.</exception>
    internal static IReadOnlyList<KeyValuePair<string, int>> WeightsOf(IReadOnlyList<WeightEdit>? asked, TestRepository tests)
    {
        var own = tests.Weights();
        var usual = TestCriteria.All.Where(c => !c.IsForScales).Select(c => new WeightEdit(c.Name, own.GetValueOrDefault(c.Name, 1)));
        var weights = Checked(asked ?? [.. usual]).Where(w => w.Value > 0).ToList();
        return weights.Count > 0
            ? weights
            : throw Refusal.BadRequest("A test listens for something. Give at least one criterion a weight.");
    }

    /// <summary>Lets marks pass that belong to the criteria.</summary>
    /// <exception cref="Refusal">A criterion is not listened for, or a mark is out of range.</exception>
    internal static void Check(IReadOnlyDictionary<string, int> marks, IReadOnlyList<KeyValuePair<string, int>> weights)
    {
        if (marks.Keys.FirstOrDefault(m => weights.All(w => w.Key != m)) is { } other)
            throw Refusal.BadRequest($"This test does not listen for \"{Names.Clean(other)}\". Load the test again.");
        if (marks.Any(m => m.Value is < 0 or > TestCriteria.Best))
            throw Refusal.BadRequest($"A mark is a whole number from 0 to {TestCriteria.Best}.");
    }

    private static Ok<IEnumerable<CriterionView>> Criteria(TestRepository tests)
    {
        var own = tests.Weights();
        return TypedResults.Ok(
            TestCriteria.All.Select(c => new CriterionView(c.Name, c.Words, c.IsForScales, own.GetValueOrDefault(c.Name, 1)))
        );
    }

    private static Ok<IEnumerable<CriterionView>> Weigh(IReadOnlyList<WeightEdit>? weights, TestRepository tests)
    {
        tests.Weights(Checked(weights ?? []).ToDictionary(w => w.Key, w => w.Value));
        return Criteria(tests);
    }

    private static Created<TestView> Add(
        TestRequest request,
        TestRepository tests,
        PassageRepository passages,
        TestViews views,
        TimeProvider clock
    )
    {
        var id = tests.Add(Draft(request, passages.Get(request.Passage), tests, clock));
        return TypedResults.Created($"/api/tests/{id}", views.Of(Find(tests, id)));
    }

    private static Ok<TestView> Edit(
        long test,
        TestRequest request,
        TestRepository tests,
        PassageRepository passages,
        TestViews views,
        TimeProvider clock
    )
    {
        var there = Find(tests, test);
        var row = Draft(request, passages.Get(there.Passage.Value), tests, clock);
        tests.Update(row with { Id = test, Version = Versions.Seen(request.Version) }).Demand("This test");
        return TypedResults.Ok(views.Of(Find(tests, test)));
    }

    private static NoContent Remove(long test, TestRepository tests, TimeProvider clock) =>
        tests.Remove(test, clock.GetUtcNow())
            ? TypedResults.NoContent()
            : throw Refusal.NotFound("This test is not there any more. Load the page again.");

    private static NoContent Restore(long test, TestRepository tests) =>
        tests.Restore(test) ? TypedResults.NoContent() : throw Refusal.NotFound("This test was not taken back, so it cannot be restored.");

    private static Ok<TestView> Mark(long test, long player, MarksRequest request, TestRepository tests, TestViews views)
    {
        var row = Find(tests, test);
        var marks = request.Marks ?? new Dictionary<string, int>();
        Check(marks, row.Weights);
        if (!views.Has(row, new PlayerId(player)))
            throw Refusal.NotFound("This player does not have the passage of the test. Load the test again.");
        var note = Names.CleanOrNull(request.Note) ?? "";
        tests
            .Mark(test, new TestGradesRow(new PlayerId(player), marks, note, Versions.Seen(request.Version)))
            .Demand("The marks of this player");
        return TypedResults.Ok(views.Of(Find(tests, test)));
    }

    private static TestRow Draft(TestRequest request, PassageRow passage, TestRepository tests, TimeProvider clock)
    {
        var tempo = TempoEndpoints.Mark(new TempoView(request.Unit ?? passage.Goal.Unit.Name, request.Bpm ?? passage.Goal.Bpm), "test");
        if (tempo.Bpm is <= 0 or > 1000 || !double.IsFinite(tempo.Bpm))
            throw Refusal.BadRequest("The tempo of a test is more than 0 and at most 1000 beats a minute.");
        var weights = WeightsOf(request.Weights, tests);
        return new TestRow(
            0,
            passage.Id,
            Names.CleanOrNull(request.Title) ?? $"Test: {passage.Title}",
            tempo,
            request.Held ?? clock.Today(),
            weights,
            []
        );
    }

    private static IEnumerable<KeyValuePair<string, int>> Checked(IReadOnlyList<WeightEdit> weights)
    {
        if (
            weights.Any(w => w?.Name is null || TestCriteria.Find(w.Name) is null)
            || weights.DistinctBy(w => w.Name).Count() != weights.Count
        )
            throw Refusal.BadRequest("A criterion is not on the list, or is there twice. Load the page again.");
        if (weights.Any(w => w.Weight is < 0 or > TestCriteria.Heaviest))
            throw Refusal.BadRequest($"A weight is a whole number from 0 to {TestCriteria.Heaviest}.");
        return weights.Select(w => KeyValuePair.Create(w.Name, w.Weight));
    }
}
