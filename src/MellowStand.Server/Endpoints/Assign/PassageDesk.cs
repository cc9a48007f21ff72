using MellowStand.Core.Assign;
using MellowStand.Server.Services;
using MellowStand.Storage;

namespace MellowStand.Server.Endpoints;

/// <summary>Makes a passage out of what a director asks, and asks back where that looks like a slip.</summary>
public sealed class PassageDesk(PieceDesk desk, EnsembleRepository ensemble)
{
    /// <summary>The passage as it would be kept.</summary>
    /// <param name="id">The piece.</param>
    /// <param name="request">What is asked.</param>
    /// <param name="begins">The first day of work.</param>
    /// <exception cref="Refusal">Part, measures, people or tempo make no sense.</exception>
    public PassageRow Draft(long id, PassageRequest request, DateOnly begins)
    {
        var piece = desk.Open(id);
        var place = piece.Book.OfParts(request.Parts ?? [], request.From, request.To);
        if (place.Parts.Count == 0)
            throw Refusal.BadRequest("A passage needs at least one part. Select the parts that have it.");
        var sections = (request.Sections ?? []).Distinct().ToList();
        var players = (request.Players ?? []).Distinct().ToList();
        if (sections.Count + players.Count == 0)
            throw Refusal.BadRequest("Choose at least one section or player to hand the passage to.");
        if (sections.Except(ensemble.Sections().Select(s => s.Id)).Any() || players.Except(ensemble.Players().Select(p => p.Id)).Any())
            throw Refusal.NotFound("A section or player is not in the ensemble any more. Load the page again.");
        var start = TempoEndpoints.Mark(request.Start, "start");
        var goal = TempoEndpoints.Mark(request.Goal, "goal");
        var steps = PassagePlan.Of(start, goal, TempoEndpoints.By(request.By), request.Value ?? 1, begins, request.Due);
        var title = Names.CleanOrNull(request.Title) ?? $"Measures {place.From.Label}–{place.To.Label}";
        return new PassageRow(
            0,
            id,
            title,
            place,
            start.Unit.Name,
            start.Bpm,
            goal.Unit.Name,
            goal.Bpm,
            request.By!,
            request.Value ?? 1,
            begins,
            request.Due,
            Names.CleanOrNull(request.Note) ?? "",
            sections,
            players,
            [.. steps.Select(s => new StepRow(s.Mark.Unit.Name, s.Mark.Bpm, s.By))]
        );
    }

    /// <summary>What looks like a slip, each as a question; empty where nothing does.</summary>
    /// <param name="id">The piece.</param>
    /// <param name="request">What is asked; half-filled is well.</param>
    public IReadOnlyList<string> Questions(long id, PassageRequest request)
    {
        var piece = desk.Open(id);
        var parts = piece.Book.OfParts(request.Parts ?? [], request.From, request.To).Parts;
        var questions = new List<string>();
        if (piece.Row.Due is { } concert && request.Due > concert)
            questions.Add($"The date is after {piece.Row.Title} is due ({concert:yyyy-MM-dd}). Hand it out all the same?");
        var instruments = parts.Select(piece.Layer.Knowledge.InstrumentOf).Select(i => i?.Id).ToHashSet();
        var seated = parts.SelectMany(p => piece.Layer.Knowledge.Seats[p]).Select(s => s.Player).ToHashSet();
        var names = string.Join(", ", parts.Select(piece.Layer.Study.NameOf));
        var all = ensemble.Players();
        bool Plays(PlayerRow p) => seated.Contains(p.Id) || p.Instrument is null || instruments.Contains(p.Instrument);
        foreach (var section in ensemble.Sections().Where(s => request.Sections?.Contains(s.Id) == true))
        {
            var own = all.Where(p => p.SectionId == section.Id).ToList();
            if (own.Count == 0)
                questions.Add($"Nobody is in {section.Name} yet. Hand it to the section all the same?");
            else if (!own.Any(Plays))
                questions.Add($"Nobody in {section.Name} plays {names}. Hand it to them all the same?");
        }

        foreach (var player in all.Where(p => request.Players?.Contains(p.Id) == true && !Plays(p)))
            questions.Add($"{player.Name} plays another instrument than {names}. Hand it to them all the same?");
        return questions;
    }
}
