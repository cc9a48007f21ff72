using MellowStand.Core.Auditions;
using MellowStand.Core.HouseRules;
using MellowStand.Server.Answers;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>An answer to choose.</summary>
public sealed record AnswerView(string Name, string Words, string Told);

/// <summary>A place of a matter.</summary>
/// <param name="Entry">The piece of the set.</param>
/// <param name="Piece">The piece on the shelf.</param>
/// <param name="Title">Title of the piece.</param>
/// <param name="Instrument">Its instrument.</param>
/// <param name="Measure">Label of the measure.</param>
/// <param name="What">What stands there.</param>
/// <param name="Decision">Number of the decision in force there, or null.</param>
public sealed record MatterPlaceView(long Entry, long Piece, string Title, string Instrument, string Measure, string What, long? Decision);

/// <summary>A matter that comes up in the set.</summary>
/// <param name="Name">A stable key.</param>
/// <param name="Question">The question.</param>
/// <param name="Answers">Its answers, the usual one first.</param>
/// <param name="Answer">The answer in force, or null.</param>
/// <param name="Open">Places that are not decided.</param>
/// <param name="Places">All places.</param>
public sealed record MatterView(
    string Name,
    string Question,
    IReadOnlyList<AnswerView> Answers,
    string? Answer,
    int Open,
    IReadOnlyList<MatterPlaceView> Places
);

/// <summary>An answer for all.</summary>
/// <param name="Answer">The answer.</param>
/// <param name="Seen">The answer that was in force when it was decided, or null for none.</param>
public sealed record AnswerRequest(string? Answer, string? Seen = null);

/// <summary>A line of the style sheet.</summary>
/// <param name="Title">What it is about.</param>
/// <param name="Told">What players read.</param>
/// <param name="Places">Where it comes up: instrument and measures, empty for all.</param>
public sealed record StyleLine(string Title, string Told, IReadOnlyList<string> Places);

/// <summary>Decide once for many, and the style sheet that comes of it.</summary>
public static class AnswerEndpoints
{
    // What holds for the whole house and a player of an etude must know.
    private static readonly string[] HouseLines = ["goal-tempo", "ornaments", "fermata", "counting-words"];

    /// <summary>Maps the routes under a set.</summary>
    public static void MapAnswers(this RouteGroupBuilder sets)
    {
        sets.MapGet("/{set:long}/matters", List).KeepAnswer(Rests.Sets);
        sets.MapPost("/{set:long}/matters/{matter}", Answer);
        sets.MapDelete("/{set:long}/matters/{matter}", Undo);
        sets.MapGet("/{set:long}/style", Style).KeepAnswer(Rests.Sets);
    }

    private static Ok<IEnumerable<MatterView>> List(long set, AuditionDesk desk, AnswerDesk answers) =>
        TypedResults.Ok(answers.Of(desk.Find(set)).Select(View));

    private static Ok<MatterView> Answer(
        long set,
        string matter,
        AnswerRequest request,
        HttpContext http,
        AuditionDesk desk,
        AnswerDesk answers
    )
    {
        var row = desk.Find(set);
        answers.Decide(row, matter, request.Answer, request.Seen, DecisionEndpoints.Person(http));
        return TypedResults.Ok(View(answers.Of(row).First(m => m.Matter.Name == matter)));
    }

    private static NoContent Undo(long set, string matter, AuditionDesk desk, AnswerDesk answers)
    {
        answers.Undo(desk.Find(set), matter);
        return TypedResults.NoContent();
    }

    private static Ok<IEnumerable<StyleLine>> Style(long set, AuditionDesk desk, AnswerDesk answers, HouseRepository house)
    {
        var decided = answers.Of(desk.Find(set)).Where(m => m.Answer is not null);
        var rules = house.House();
        return TypedResults.Ok(
            decided
                .Select(m => new StyleLine(m.Matter.Question, m.Matter.Find(m.Answer)?.Told ?? "", [.. Where(m.Places)]))
                .Concat(HouseLines.Select(l => HouseLine(l, rules)))
        );
    }

    private static IEnumerable<string> Where(IReadOnlyList<PlaceOfMatter> places) =>
        places
            .GroupBy(p => (p.Entry.Instrument, p.Entry.Kind))
            .Select(g =>
                $"{AuditionViews.NameOf(g.Key.Instrument)}, {g.Key.Kind}: {string.Join(", ", g.Select(p => p.Measure).Distinct())}"
            );

    private static StyleLine HouseLine(string name, House house)
    {
        var rule = HouseRuleCatalog.Find(name)!;
        return new StyleLine(rule.Question, rule.Choices.First(c => c.Key == house[name]).Words, []);
    }

    private static MatterView View(MatterOfSet m) =>
        new(
            m.Matter.Name,
            m.Matter.Question,
            [.. m.Matter.Answers.Select(a => new AnswerView(a.Name, a.Words, a.Told))],
            m.Answer,
            m.Places.Count(p => p.Decision is null),
            [
                .. m.Places.Select(p => new MatterPlaceView(
                    p.Entry.Id,
                    p.Entry.Piece,
                    p.Title,
                    AuditionViews.NameOf(p.Entry.Instrument),
                    p.Measure,
                    p.What,
                    p.Decision
                )),
            ]
        );
}
