using System.Globalization;
using System.Security.Cryptography;
using MellowStand.Core.Auditions;
using MellowStand.Core.Hear;
using MellowStand.Server.Answers;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>Mock auditions: drawn, marked by several listeners, ranked.</summary>
public static class MockEndpoints
{
    private const int MostListeners = 9;

    // Short enough to be read out and typed.
    private const int SeedsFrom = 100_000;
    private const int SeedsTo = 1_000_000;

    /// <summary>Maps the routes under a set.</summary>
    public static void MapMocks(this RouteGroupBuilder sets)
    {
        sets.MapGet("/{set:long}/mocks", List).KeepAnswer(Rests.Sets);
        sets.MapPost("/{set:long}/mocks", Add);
    }

    /// <summary>Maps the routes of one mock audition.</summary>
    public static void MapMockMarks(this RouteGroupBuilder api)
    {
        var group = api.MapGroup("/mocks/{mock:long}").WithTags("Auditions");
        group.MapGet("", One).KeepAnswer(Rests.Sets);
        group.MapDelete("", Remove);
        group.MapPost("/restore", Restore);
        group.MapPut("/marks/{number:int}/{listener:int}", Mark);
        group.MapGet("/results", Results).KeepAnswer(Rests.Sets);
        group.MapGet("/results.csv", Csv).KeepAnswer(Rests.Sets).Produces<string>(200, "text/csv");
    }

    private static Ok<IEnumerable<MockView>> List(long set, AuditionDesk desk, MockRepository mocks, MockViews views)
    {
        var row = desk.Find(set);
        return TypedResults.Ok(mocks.Of(set).Select(m => views.Of(row, m)));
    }

    private static Created<MockView> Add(
        long set,
        MockRequest request,
        AuditionDesk desk,
        MockRepository mocks,
        MockViews views,
        TestRepository tests,
        TimeProvider clock
    )
    {
        var row = desk.Find(set);
        var round = RoundEndpoints.Find(row, request.Round);
        var listeners = (request.Listeners ?? []).Select(Names.CleanOrNull).OfType<string>().ToList();
        if (listeners.Count is 0 or > MostListeners)
            throw Refusal.BadRequest($"A mock audition has 1 to {MostListeners} listeners. Name them, or number them.");
        if (request.Trimmed && listeners.Count < Panels.LeastTrimmed)
            throw Refusal.BadRequest($"To leave out the highest and the lowest, have at least {Panels.LeastTrimmed} listeners.");
        var who = (request.Candidates ?? [.. row.Candidates.Select(c => c.Id)]).Distinct().ToList();
        if (who.Count == 0)
            throw Refusal.Conflict($"Nobody auditions in {row.Name} yet. Choose the candidates first.");
        if (who.Exists(c => row.Candidates.All(x => x.Id != c)))
            throw Refusal.NotFound("A candidate is not in this set any more. Load it again.");
        var seed = request.Seed ?? RandomNumberGenerator.GetInt32(SeedsFrom, SeedsTo);
        var id = mocks.Add(
            new MockRow(
                0,
                round.Id,
                Names.CleanOrNull(request.Title) ?? $"Mock audition: {round.Name}",
                request.Held ?? clock.Today(),
                seed,
                request.Screened,
                request.Trimmed,
                listeners,
                TestEndpoints.WeightsOf(request.Weights, tests),
                DrawnOrder.Of(seed, who),
                []
            )
        );
        return TypedResults.Created($"/api/mocks/{id}", views.Of(row, Find(mocks, id)));
    }

    private static Ok<MockView> One(long mock, AuditionDesk desk, MockRepository mocks, MockViews views)
    {
        var row = Find(mocks, mock);
        return TypedResults.Ok(views.Of(desk.Find(mocks.SetOf(row.Round)), row));
    }

    private static Ok<MockResultsView> Results(long mock, AuditionDesk desk, MockRepository mocks, MockViews views)
    {
        var row = Find(mocks, mock);
        return TypedResults.Ok(views.Results(desk.Find(mocks.SetOf(row.Round)), row));
    }

    private static IResult Csv(long mock, AuditionDesk desk, MockRepository mocks, MockViews views)
    {
        var row = Find(mocks, mock);
        var results = views.Results(desk.Find(mocks.SetOf(row.Round)), row).Results;
        var criteria = row.Weights.Select(w => w.Key).ToList();
        return TableEndpoints.Csv(
            ["Instrument", "Place", "Number", "Candidate", "Percent", "Listeners", "Spread", "Tie", .. criteria.Select(Words)],
            results.Select(r =>
                (string[])
                    [
                        r.Instrument,
                        Text(r.Place),
                        Text(r.Number),
                        r.Name,
                        Text(r.Percent),
                        Text(r.Heard),
                        Text(r.Spread),
                        r.Tie,
                        .. criteria.Select(c => Text(r.Means[c])),
                    ]
            ),
            "Mock audition.csv"
        );
    }

    private static NoContent Remove(long mock, MockRepository mocks, TimeProvider clock) =>
        mocks.Remove(mock, clock.GetUtcNow())
            ? TypedResults.NoContent()
            : throw Refusal.NotFound("This mock audition is not there any more. Load the page again.");

    private static NoContent Restore(long mock, MockRepository mocks) =>
        mocks.Restore(mock)
            ? TypedResults.NoContent()
            : throw Refusal.NotFound("This mock audition was not taken back, so it cannot be restored.");

    private static Ok<MockView> Mark(
        long mock,
        int number,
        int listener,
        MarksRequest request,
        AuditionDesk desk,
        MockRepository mocks,
        MockViews views
    )
    {
        var row = Find(mocks, mock);
        if (number < 1 || number > row.Order.Count || listener < 1 || listener > row.Listeners.Count)
            throw Refusal.NotFound("There is no such number or listener in this mock audition. Load it again.");
        var marks = request.Marks ?? new Dictionary<string, int>();
        TestEndpoints.Check(marks, row.Weights);
        mocks
            .Mark(mock, new MockGradesRow(number, listener, marks, Names.CleanOrNull(request.Note) ?? "", Versions.Seen(request.Version)))
            .Demand("This sheet");
        return TypedResults.Ok(views.Of(desk.Find(mocks.SetOf(row.Round)), Find(mocks, mock)));
    }

    private static MockRow Find(MockRepository mocks, long id) =>
        mocks.Find(id) ?? throw Refusal.NotFound($"There is no mock audition {id}. Load the set again.");

    private static string Words(string criterion) => TestCriteria.Find(criterion)?.Words ?? criterion;

    private static string Text(IFormattable number) => number.ToString(null, CultureInfo.InvariantCulture);
}
