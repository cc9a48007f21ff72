using MellowStand.Core.Decisions;
using MellowStand.Core.Instruments;
using MellowStand.Core.Technique;
using MellowStand.Server.Services;
using MellowStand.Storage;
using Microsoft.AspNetCore.Http.HttpResults;

namespace MellowStand.Server.Endpoints;

/// <summary>Another way with the cost of the whole passage through it.</summary>
public sealed record AlternativeView(string Choice, double Cost, string Mark);

/// <summary>What is chosen for one note.</summary>
/// <param name="Note">Id of the note.</param>
/// <param name="Measure">Label of its measure.</param>
/// <param name="Choice">The code of the choice.</param>
/// <param name="Marked">True when a player would not take it by default.</param>
/// <param name="Why">The reason, or empty.</param>
/// <param name="Alternatives">Other ways, the cheapest first.</param>
/// <param name="Written">The written pitch.</param>
/// <param name="Sign">What players write over the note.</param>
public sealed record ChoiceView(string Note, string Measure, string Choice, bool Marked, string Why, IReadOnlyList<AlternativeView> Alternatives, string Written, string Sign);

/// <summary>A slurred pair of a slide instrument.</summary>
public sealed record SlideSlurView(string From, string To, string Kind);

/// <summary>Measures that stay awkward.</summary>
public sealed record TroubleView(string From, string To, double Cost, string Why, string Recipe);

/// <summary>The plan of a passage.</summary>
public sealed record TechniqueView(string Instrument, double Cost, IReadOnlyList<ChoiceView> Choices, IReadOnlyList<SlideSlurView> Slurs, IReadOnlyList<TroubleView> Trouble);

/// <summary>Technique: the best way over the whole passage.</summary>
public static class TechniqueEndpoints
{
    /// <summary>Maps the group.</summary>
    public static void MapTechnique(this RouteGroupBuilder api)
    {
        api.MapGet("/pieces/{id:long}/technique", Plan).WithTags("Technique");
        api.MapPost("/pieces/{id:long}/technique/mark", Mark).WithTags("Technique");
    }

    // Every choice that a player would not make by default, as one decision.
    private static Created<DecisionView> Mark(long id, string part, HttpContext http, PieceDesk desk, DecisionRepository decisions, TimeProvider clock, string? from = null, string? to = null)
    {
        var piece = desk.Open(id);
        var (plan, instrument) = Solve(piece, part, from, to);
        var changes = plan.Solution.Choices.Where(c => c.Marked)
            .Select(c => new MarkChange(piece.Part(part).Id, [plan.Passage.Steps[c.Place].Note.Id], PlayerSigns.Marks(c.Way.Code, instrument.Family), [])).ToList();
        if (changes.Count == 0) throw Refusal.BadRequest("Nothing here needs to be written in: every choice is the one that players make by default.");
        var made = decisions.Add(id, null, "free", null, $"Technique: {instrument.Name.ToLowerInvariant()}, decided in the passage", http.User.Identity?.Name ?? "unknown", changes, clock.GetUtcNow())!.Value;
        desk.Forget(id);
        var open = desk.Open(id);
        return TypedResults.Created($"/api/pieces/{id}/decisions/{made}", DecisionEndpoints.View(open, open.Decisions.First(d => d.Id == made)));
    }

    private static (TechniquePlan Plan, Instrument Instrument) Solve(OpenPiece piece, string part, string? from, string? to)
    {
        var found = piece.Part(part);
        var (first, last) = piece.Range(from, to);
        var instrument = piece.Instruments[found.Id].Instrument;
        var plan = TechniqueDesk.Solve(piece.Current, found, first, last, piece.House, instrument, piece.Study.Tempo.QuarterBpmAt)
            ?? throw Refusal.NotFound($"There is no chart for {instrument?.Name ?? "an instrument that is not known"}, and the product does not guess. Correct the instrument under Parts and files, or decide by hand.");
        return (plan, instrument!);
    }

    private static Ok<TechniqueView> Plan(long id, string part, PieceDesk desk, string? from = null, string? to = null)
    {
        var piece = desk.Open(id);
        var (plan, instrument) = Solve(piece, part, from, to);
        var steps = plan.Passage.Steps;
        return TypedResults.Ok(new TechniqueView(
            instrument.Name, plan.Solution.Cost,
            [.. plan.Solution.Choices.Select(c => new ChoiceView(steps[c.Place].Note.Id, piece.Label(steps[c.Place].Note.MeasureIndex), c.Way.Code, c.Marked, c.Why, [.. c.Alternatives.Select(a => new AlternativeView(a.Code, a.Cost, PlayerSigns.Marks(a.Code, instrument.Family)[0].ToString()))],
                steps[c.Place].Written.ToString(), PlayerSigns.Of(c.Way.Code, instrument.Family)))],
            [.. plan.Slurs.Select(s => new SlideSlurView(s.From, s.To, s.Kind))],
            [.. plan.Trouble.Select(t => new TroubleView(piece.Label(t.From), piece.Label(t.To), t.Cost, t.Why, t.Recipe))]));
    }
}
